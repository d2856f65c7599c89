"""Two copies of one log that went on for themselves, brought together: film is never loaded and
exposed at once, a story goes on where it can, and two stories are told and decided."""

import shutil
import sqlite3
import zipfile
from collections.abc import Iterator
from contextlib import closing
from io import BytesIO
from pathlib import Path
from typing import Any

import pytest
from starlette.testclient import TestClient

from emulsa.server.app import Settings, create_app
from emulsa.store.folder import DATABASE
from tests.api.test_api import refusal
from tests.api.test_exchange import archived, merged, waited
from tests.conftest import HERE, OWN, Client

Json = dict[str, Any]


@pytest.fixture
def copy(folder: Path, tmp_path: Path) -> Iterator[TestClient]:
    """The same log on another machine."""
    shutil.copytree(folder, tmp_path / "copy")
    with Client(
        create_app(Settings(tmp_path / "copy", caretaker=False)), base_url=HERE, headers=OWN
    ) as opened:
        yield opened


def loaded(house: TestClient) -> Json:
    """The first side that holds unexposed film of the scene's kind."""
    return next(
        side
        for holder in house.get("/api/holders").json()
        for side in holder["sides"]
        if side["state"] == "loaded" and side["film_id"] == "film-corvane"
    )


def expose(house: TestClient, piece_id: str, id_: str, share: float = 1) -> Json:
    given = {"id": id_, "scene_id": "scene-winding-house", "piece_id": piece_id, "share": share}
    answer = house.post("/api/exposures", json=given)
    assert answer.status_code == 200, answer.text
    told: Json = answer.json()
    return told


def state(house: TestClient, piece_id: str) -> str:
    sides = [side for each in house.get("/api/holders").json() for side in each["sides"]]
    return next((side["state"] for side in sides if side["piece_id"] == piece_id), "not in place")


def sound(folder: Path) -> None:
    """No loaded film has an exposure, and nothing names what is not there."""
    with closing(sqlite3.connect(folder / DATABASE)) as db:
        both = db.execute(
            "SELECT piece.label FROM piece JOIN exposure ON exposure.piece_id = piece.id"
            " WHERE piece.state IN ('loaded', 'empty', 'blank')"
        ).fetchall()
        assert both == []
        assert db.execute("PRAGMA foreign_key_check").fetchall() == []


def test_what_was_exposed_on_the_copy_is_exposed_here(
    client: TestClient, copy: TestClient, folder: Path
) -> None:
    """Its state follows the merged steps, and one undo takes it back."""
    piece = loaded(client)["piece_id"]
    expose(copy, piece, "on-the-hill")
    job = merged(client, archived(copy))
    assert (job["state"], job["message"]) == ("done", "")
    assert state(client, piece) == "exposed"
    assert any("goes on as in the archive" in each for each in job["result"]["said"])
    assert client.get("/api/log/on-the-hill").json()["state"] == "exposed"
    sound(folder)
    again = merged(client, archived(copy))["result"]
    assert again["added"] == 0
    client.post("/api/undo")
    assert state(client, piece) == "loaded"
    sound(folder)


def test_an_older_archive_takes_nothing_back(
    client: TestClient, copy: TestClient, folder: Path
) -> None:
    """What went on here stays, whatever the copy still believes."""
    piece = loaded(client)["piece_id"]
    expose(client, piece, "here")
    job = merged(client, archived(copy))
    assert (job["state"], job["result"]["added"]) == ("done", 0)
    assert state(client, piece) == "exposed"
    sound(folder)


@pytest.mark.parametrize("decided", ["here", "there"])
def test_film_that_went_two_ways_is_asked(
    client: TestClient, copy: TestClient, folder: Path, decided: str
) -> None:
    """Both stories are told and nothing is done; the one that was chosen is whole."""
    piece = loaded(client)
    expose(client, piece["piece_id"], "here")
    expose(copy, piece["piece_id"], "there", share=0.5)
    before = client.get("/api/log").json()
    asked = merged(client, archived(copy))
    assert asked["state"] == "asked"
    (clash,) = asked["result"]["clashes"]
    assert clash["piece_id"] == piece["piece_id"]
    assert clash["here"] != clash["there"]
    assert any("exposed" in each for each in clash["here"])
    assert client.get("/api/log").json() == before
    body = {"id": asked["result"]["file"], "decided": {clash["piece_id"]: decided}}
    job = waited(client, client.post("/api/exchange/archive/decide", json=body).json())
    assert (job["state"], job["message"]) == ("done", "")
    ids = {line["exposure_id"] for line in client.get("/api/log").json()["lines"]}
    assert (decided in ids, {"here", "there"} - {decided} <= ids) == (True, False)
    assert state(client, piece["piece_id"]) == "exposed"
    sound(folder)
    if decided == "there":  # what stays as it is here is no act
        client.post("/api/undo")
    assert client.get("/api/log").json() == before
    sound(folder)
    gone = client.post("/api/exchange/archive/decide", json=body)
    assert refusal(gone, 404)


def changed(archive: bytes, name: str, old: bytes, new: bytes) -> bytes:
    file = BytesIO()
    with zipfile.ZipFile(BytesIO(archive)) as source, zipfile.ZipFile(file, "w") as target:
        for each in source.namelist():
            data = source.read(each)
            if each == name:
                assert old in data
                data = data.replace(old, new, 1)
            target.writestr(each, data)
    return file.getvalue()


@pytest.mark.parametrize(
    ("table", "old", "new", "says"),
    [
        ("piece", b'"state": "loaded"', b'"state": "vanished"', "field state"),
        ("exposure", b'"seconds": ', b'"seconds": -', "field seconds"),
        ("holder", b'"number": 1', b'"number": "one"', "field number"),
        ("film", b'"exposure_index": ', b'"exposure_index": 99', "field exposure_index"),
        ("lens", b'focal_length_mm\\":', b'focal_length_mm\\":-', "optics"),
        ("outing", b'"title": "', b'"title": 7, "place": "', "field title"),
        ("step", b'"move": "load"', b'"move": "lift"', "field move"),
        ("scene", b'"id": "', b'"colour": "x", "id": "', "field colour"),
    ],
)
def test_a_bad_row_names_itself(
    client: TestClient, empty_client: TestClient, table: str, old: bytes, new: bytes, says: str
) -> None:
    """Its table, its record and its field; nothing is merged by halves."""
    bad = changed(archived(client), f"tables/{table}.jsonl", old, new)
    job = merged(empty_client, bad)
    assert job["state"] == "failed"
    assert f"The archive's {table} “" in job["message"]
    assert says in job["message"]
    assert "Nothing was brought in" in job["message"]
    assert empty_client.get("/api/kit").json()["films"] == []
    assert empty_client.get("/api/journal").json()["undo"] is None


def test_a_file_named_after_a_restart(folder: Path) -> None:
    """An archive that was written can be fetched from the next run of the service, and half ones
    are swept."""
    settings = Settings(folder, caretaker=False)
    with Client(create_app(settings), base_url=HERE, headers=OWN) as first:
        job = waited(first, first.post("/api/exchange/archive").json())
        assert [each["id"] for each in first.get("/api/exchange/jobs").json()] == [job["id"]]
    half = folder / "exchange" / "half.part"
    half.write_bytes(b"x")
    (folder / "exchange" / "half.stage").write_bytes(b"x")
    with Client(create_app(settings), base_url=HERE, headers=OWN) as second:
        assert second.get(f"/api/exchange/jobs/{job['id']}").json()["state"] == "done"
        assert second.get(f"/api/exchange/archive/{job['id']}.zip").status_code == 200
    assert not half.exists()
    assert not list((folder / "exchange").glob("*.stage"))


def test_a_csv_id_writes_over_nothing(client: TestClient, folder: Path) -> None:
    """What is made beside a row's exposure gets an id nobody has."""
    with closing(sqlite3.connect(folder / DATABASE)) as db:
        before = db.execute("SELECT * FROM piece WHERE id = 'sheet-1A'").fetchone()
        db.execute("UPDATE piece SET id = id")
    head = "id,exposed_at,film,aperture,time_s,scene\n"
    client.put(
        "/api/kit/films/film-mine", json={"id": "film-mine", "name": "Mine", "exposure_index": 9}
    )
    from tests.api.test_exchange import hand_in, read

    head = head.replace("scene", "scene,ei")
    row = "mine,2024-05-01,Other film,22,1/2,Pit,80\n"
    assert read(client, hand_in(client, head + row), write=True)["state"] == "done"
    films = {each["id"]: each["name"] for each in client.get("/api/kit").json()["films"]}
    assert films["film-mine"] == "Mine"
    assert "Other film" in films.values()
    with closing(sqlite3.connect(folder / DATABASE)) as db:
        assert db.execute("SELECT * FROM piece WHERE id = 'sheet-1A'").fetchone() == before
    sound(folder)
