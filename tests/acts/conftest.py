"""A season of work, done once at random, and the folder before and after it."""

import pickle
import shutil
from collections.abc import Iterator
from dataclasses import dataclass
from io import BytesIO
from pathlib import Path
from random import Random
from typing import Any

import pytest
from PIL import Image

from tests.acts.doing import Answer, Hands, Request
from tests.acts.walk import work
from tests.effort import MUCH, some
from tests.shared import once

ACTS_OF_A_SEASON = some(450, 700)
SEED = 20_260_133 + MUCH - 1  # another season, too


@dataclass(frozen=True)
class Done:
    """One act of the season: what was asked under which id and when, and what everything was like
    after it."""

    request: Request
    key: str
    moment: str
    answer: Answer
    after: dict[str, Any]


@dataclass(frozen=True)
class Season:
    """What was done, the folder it began in, and the one it ended in."""

    before: dict[str, Any]
    done: tuple[Done, ...]
    begun: Path
    ended: Path

    @property
    def first_of_each(self) -> dict[str, int]:
        """The place of the first act of every kind."""
        found: dict[str, int] = {}
        for place, each in enumerate(self.done):
            found.setdefault(each.request.name, place)
        return found


@pytest.fixture(scope="session")
def season(demo_built: Path, tmp_path_factory: pytest.TempPathFactory) -> Season:
    """Every kind of act, in an order nobody chose, from the demo outing on."""

    def worked(made: Path) -> None:
        folder = made / "ended"
        shutil.copytree(demo_built, folder)
        hands, done = Hands(folder), []
        before = hands.picture()
        for request, answer in work(hands, Random(SEED), ACTS_OF_A_SEASON):
            if answer.ok:
                key, moment = hands.last
                done.append(Done(request, key, moment, answer, hands.picture()))
        hands.close()
        season = Season(before, tuple(done), demo_built, folder)
        (made / "season.pickle").write_bytes(pickle.dumps(season))

    found = once(tmp_path_factory, "season", worked) / "season.pickle"
    season: Season = pickle.loads(found.read_bytes())
    return season


@pytest.fixture
def begun(season: Season, tmp_path: Path) -> Iterator[Hands]:
    """Hands on a folder as it was before the season."""
    yield from _opened(season.begun, tmp_path / "log")


@pytest.fixture
def ended(season: Season, tmp_path: Path) -> Iterator[Hands]:
    """Hands on a folder as it was after the season."""
    yield from _opened(season.ended, tmp_path / "log")


def _opened(folder: Path, copy: Path) -> Iterator[Hands]:
    shutil.copytree(folder, copy)
    hands = Hands(copy)
    yield hands
    hands.close()


@pytest.fixture
def ended_acts(season: Season) -> list[dict[str, Any]]:
    """The acts as the season's folder keeps them, in their order."""
    hands = Hands(season.ended)
    try:
        found = hands.db.execute("SELECT * FROM act WHERE action_id IS NOT NULL ORDER BY rowid")
        return [dict(row) for row in found]
    finally:
        hands.close()


@pytest.fixture
def small_png() -> bytes:
    """A picture of a few grey points."""
    file = BytesIO()
    Image.new("L", (8, 6), 90).save(file, "PNG")
    return file.getvalue()
