"""What an act leaves and what it takes away: files handed in, pictures of a test, ids of a set."""

from contextlib import closing
from pathlib import Path
from typing import Any

import pytest
from starlette.testclient import TestClient

from emulsa.core.kit.starters import STARTERS
from emulsa.store import database
from emulsa.store.folder import DATABASE
from tests.api.test_exchange import hand_in, read
from tests.api.test_film_in_hand import ok

GOOD = "exposed_at,film,aperture,time_s,scene\n2026-01-20,Corvane 100,f/22,1/2,Pit\n"


def handed_in(folder: Path) -> list[str]:
    """The files that wait to be read."""
    return [each.name for each in (folder / "exchange").glob("*") if each.is_file()]


def test_a_table_that_was_read_is_gone(client: TestClient, folder: Path) -> None:
    """Tried it still waits; brought in it is not kept."""
    file = hand_in(client, GOOD)
    assert read(client, file)["result"]["new"] == 1
    assert len(handed_in(folder)) == 1
    assert read(client, file, write=True)["state"] == "done"
    assert handed_in(folder) == []


def test_the_pictures_of_a_test_go_with_it(client: TestClient, folder: Path) -> None:
    """And come back with it when that is undone; a picture of another stays."""

    def pictures() -> dict[str, int]:
        with closing(database.connect(folder / DATABASE)) as db:
            rows = db.execute("SELECT test_id, count(*) AS many FROM attachment GROUP BY test_id")
            return {row["test_id"] or "": row["many"] for row in rows}

    before = pictures()
    assert before["test-velm"] > 0
    ok(client.delete("/api/bench/tests/test-velm"))
    assert pictures() == {test: many for test, many in before.items() if test != "test-velm"}
    client.post("/api/undo")
    assert pictures() == before


@pytest.mark.parametrize("key", [each.key for each in STARTERS])
def test_a_sets_records_are_named_by_its_id(empty_client: TestClient, key: str) -> None:
    """So that it can be added twice, on two devices, and each is its own."""
    before = kit_ids(empty_client)
    for own in ("mine", "theirs"):
        done = ok(empty_client.post(f"/api/kit/starters/{key}", json={"id": own}))
        assert all(each.startswith(own) for each in done["ids"])
    added = kit_ids(empty_client) - before
    assert {each.split("-")[0] for each in added} == {"mine", "theirs"}


def kit_ids(client: TestClient) -> set[str]:
    kit: dict[str, Any] = ok(client.get("/api/kit"))
    return {
        each["id"]
        for members in kit.values()
        if isinstance(members, list)
        for each in members
        if isinstance(each, dict) and "id" in each
    }


def test_answers_are_compressed_from_a_kilobyte_on(client: TestClient) -> None:
    """Those that are smaller go as they are."""
    accepts = {"accept-encoding": "gzip"}
    small = client.get("/api/journal", headers=accepts)
    assert len(small.content) < 1_000
    assert "content-encoding" not in small.headers
    large = client.get("/api/pieces/ready", headers=accepts)
    assert 1_000 < len(large.content) < 10_000
    assert large.headers["content-encoding"] == "gzip"
