"""What is kept of practice: answers in the order of their days, and scenes one went out to."""

from __future__ import annotations

from functools import lru_cache
from sqlite3 import Connection
from typing import Any

from emulsa.core.corrections.reciprocity import PowerLaw
from emulsa.core.practice.question import NO_KIT, PracticeKit
from emulsa.core.practice.record import PracticeAnswer, PractisedScene
from emulsa.store import films, kit, rows
from emulsa.store.records import PRACTICE_ANSWER, PRACTISED_SCENE
from emulsa.store.spoilt import sound

MOST = 5_000  # answers that are judged, the latest


def answers(connection: Connection) -> list[PracticeAnswer]:
    """The latest answers, earliest day first."""
    latest = f"{PRACTICE_ANSWER.select} ORDER BY rowid DESC LIMIT :most"
    found = connection.execute(latest, {"most": MOST}).fetchall()
    return sorted(sound(map(tuple, reversed(found)), _answer), key=lambda each: each.day)


# an answer never changes, and each question asks for all of them
@lru_cache(maxsize=2 * MOST)
def _answer(row: tuple[Any, ...]) -> PracticeAnswer:
    return PRACTICE_ANSWER.read(dict(zip(PRACTICE_ANSWER.columns, row, strict=True)))


def scene(connection: Connection, id_: str) -> PractisedScene | None:
    return rows.one(connection, PRACTISED_SCENE, id_)


def scenes(connection: Connection) -> list[PractisedScene]:
    """All scenes one went out to, the latest first."""
    return rows.many(connection, PRACTISED_SCENE)


def delete_scene(connection: Connection, id_: str) -> None:
    rows.delete(connection, PRACTISED_SCENE, id_)


def delete_all(connection: Connection) -> None:
    """Everything of practice, and nothing else."""
    connection.execute("DELETE FROM practice_answer")
    connection.execute("DELETE FROM practised_scene")


def own_kit(connection: Connection) -> PracticeKit:
    """The lens and film of the latest scene, for questions to be of them."""
    row = connection.execute(
        "SELECT lens_id, film_id FROM scene ORDER BY rowid DESC LIMIT 1"
    ).fetchone()
    if row is None:
        return NO_KIT
    lens, film = kit.lens(connection, row["lens_id"]), films.film(connection, row["film_id"])
    law = film.law if film else None
    return PracticeKit(
        focal_length_mm=lens.optics.focal_length_mm if lens else None,
        exponent=law.exponent if isinstance(law, PowerLaw) else None,
    )
