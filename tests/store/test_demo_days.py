"""The demo stands beside any day: nothing in it is out of date, but for one box on purpose."""

from datetime import date
from pathlib import Path

import pytest
from starlette.testclient import TestClient

from emulsa.core.film.stock import state
from emulsa.core.kit.darkroom import bottle_trouble
from emulsa.demo.calendar import WRITTEN, moved_to
from emulsa.demo.quarry import OUTING, build
from emulsa.demo.shelf import BOTTLES
from emulsa.server.app import Settings, create_app
from emulsa.store import database
from emulsa.store import stock as store
from tests.effort import part

DAYS = [WRITTEN, date(2028, 2, 29), date(2026, 11, 26), date(2031, 12, 31)]


@pytest.mark.parametrize("today", part(DAYS, 3))
def test_only_what_is_meant_to_be_out_of_date_is(tmp_path: Path, today: date) -> None:
    """The outing was yesterday, bottles are good, and of the boxes one has expired and says so."""
    build(tmp_path, today)
    moved = moved_to(today)
    assert (today - date.fromisoformat(moved(OUTING).day)).days == 1
    assert not any(bottle_trouble(moved(each), today.isoformat()) for each in BOTTLES)
    connection = database.connect(Settings(tmp_path).database)
    boxes = store.everything(connection)
    connection.close()
    old = [each for each in boxes if state(each, 0, today.isoformat()).expired]
    assert [each.id for each in old] == ["box-ostrel"]
    assert "on purpose" in old[0].note


def test_the_demo_of_another_day_is_the_same_demo(tmp_path: Path, folder: Path) -> None:
    """Only its days differ: the same exposures, in the same order."""
    said = []
    build(tmp_path / "then", DAYS[1])
    for data in (folder, tmp_path / "then"):
        with TestClient(create_app(Settings(data)), base_url="http://localhost") as client:
            lines = client.get("/api/log").json()["lines"]
        said.append([(each["where"], each["set_text"]) for each in lines])
    assert said[0] == said[1]
    assert len(said[0]) > 5
