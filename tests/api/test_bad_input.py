"""What nobody should hand in, and what happens all the same: refused soon, in one sentence, with
little memory, and with nothing kept. What is tried says exactly what writing would."""

import io
import json
import os
import struct
import time
import xml.etree.ElementTree as ET
import zipfile
from collections.abc import Callable
from pathlib import Path
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from starlette.testclient import TestClient

from emulsa.api.replies import disposition
from emulsa.core.errors import Unreadable
from emulsa.exchange.logbook import unknown_csv
from emulsa.exchange.sidecar import writable
from emulsa.server.app import Settings, create_app
from emulsa.store import restoring, zips
from emulsa.store.folder import Unsafe
from emulsa.store.steps import finish
from tests.api.test_api import refusal
from tests.api.test_exchange import GOOD, archived, hand_in, merged, read
from tests.conftest import HERE, OWN, Client
from tests.databases import lay
from tests.effort import some

Json = dict[str, Any]
MEGABYTE = 1_048_576


def _many_entries() -> bytes:
    """A zip of 300,000 empty files, in its shortest form (APPNOTE 4.3, from memory)."""
    entry = struct.pack("<IHHHHHHIIIHHHHHII", 0x02014B50, *(0,) * 16)
    listed = entry * 300_000
    end = struct.pack("<IHHHHIIH", 0x06054B50, 0, 0, 0xFFFF, 0xFFFF, len(listed), 0, 0)
    return listed + end


def _zipped(name: str, content: bytes) -> bytes:
    file = io.BytesIO()
    with zipfile.ZipFile(file, "w", zipfile.ZIP_DEFLATED) as target:
        target.writestr(name, content)
    return file.getvalue()


HEAVY: dict[str, Callable[[], bytes]] = {
    "a column of 20 MB": lambda: b"a" * 20 * MEGABYTE,
    "ten million columns": lambda: b"a," * 10 * MEGABYTE,
    "a cell of 20 MB": lambda: GOOD.encode() + b'"' + b"x" * 20 * MEGABYTE,
    "a row of small cells": lambda: GOOD.encode() + b'"\n",' * 5 * MEGABYTE,
    "60 MB of blank lines": lambda: GOOD.encode() + b"\n" * 60 * MEGABYTE,
    "60 MB of empty cells": lambda: GOOD.encode() + b",,,,,,,\n" * 7 * MEGABYTE,
}


@pytest.mark.skipif(os.name != "posix", reason="measured by the system's own counter")
@pytest.mark.parametrize("kind", HEAVY)
def test_a_heavy_csv(tmp_path: Path, kind: str) -> None:
    """Refused with a tenth of its size read or held: within 200 MB, whatever it promises."""
    path = tmp_path / "heavy.csv"
    path.write_bytes(HEAVY[kind]())

    def refused() -> bool:
        try:
            unknown_csv.header(path)
            unknown_csv.count_rows(path)
        except Unreadable:
            return True
        return False

    assert _cost_kb(refused) < 200_000


@pytest.mark.skipif(os.name != "posix", reason="measured by the system's own counter")
@pytest.mark.parametrize("kind", ["manifest", "entries"])
def test_a_heavy_zip(tmp_path: Path, kind: str) -> None:
    """600 MB of manifest in a small file, and a list of 300,000 files: not even opened."""
    path = tmp_path / "heavy.zip"
    if kind == "entries":
        path.write_bytes(_many_entries())
    else:
        path.write_bytes(_zipped("manifest.json", b" " * 600 * MEGABYTE))

    def refused() -> bool:
        from emulsa.exchange.logbook import archive

        try:
            finish(archive.gather(None, tmp_path, path))  # type: ignore[arg-type]
        except Unreadable:
            pass
        else:
            return False
        try:
            restoring.restore(tmp_path / "data", path, "then")
        except Unsafe:
            return True
        return False

    assert _cost_kb(refused) < 200_000


def _cost_kb(refused: Callable[[], bool]) -> int:
    """The memory a refusal costs, in a process of its own; it must be one."""
    read_end, write_end = os.pipe()
    child = os.fork()
    if child == 0:
        import resource

        before = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss
        started = time.process_time()
        good = refused()
        cost = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss - before
        busy = time.process_time() - started
        os.write(write_end, json.dumps([good, cost, busy]).encode())
        os._exit(0)
    os.waitpid(child, 0)
    os.close(write_end)
    with os.fdopen(read_end) as told:
        good, cost, _ = json.loads(told.read())
    assert good
    return int(cost)


def test_zips_that_lie(tmp_path: Path) -> None:
    """No zip, half a record, a pointer to nowhere: what they promise is nothing, and opening them
    says the rest."""
    path = tmp_path / "a.zip"
    for content in (b"", b"PK\5\6", b"PK\6\7" + b"\xff" * 16 + b"PK\5\6" + bytes(18)):
        path.write_bytes(content)
        assert zips._promised(path)[0] in (0, 0xFFFF)
    path.write_bytes(_many_entries())
    with pytest.raises(ValueError, match="too many files"):
        zips.opened(path)


@pytest.mark.parametrize(
    ("column", "cell"),
    [
        ("time_s", " " * 60_000 + "x"),
        ("time_s", "0:00"),
        ("time_s", "0/1"),
        ("time_s", "1/0"),
        ("time_s", "9" * 400),
        ("aperture", "9" * 400),
        ("aperture", "f/0"),
        ("n", "1e400"),
        ("n", "nan"),
        ("exposed_at", "0001-01-01"),
        ("exposed_at", "9999-12-31T23:59:59-12:00"),
        ("exposed_at", "20240501"),
        ("exposed_at", "2024-W18-3"),
        ("exposed_at", "2024-05-01T24:00"),
        ("exposed_at", "２０２４-05-01"),
        ("scene", "two\nlines"),
        ("scene", "bell\a"),
        ("where", "tab\there"),
        ("note", "x" * 2_001),
        ("id", "x" * 57),
        ("id", "a\rb"),
        ("film", "\x00"),
    ],
)
def test_a_cell_nobody_should_write(client: TestClient, column: str, cell: str) -> None:
    """Refused in its column, when it is tried and when it is written alike."""
    cells = {
        "id": "",
        "exposed_at": "2024-05-01",
        "film": "Corvane 100",
        "aperture": "32",
        "time_s": "1/2",
        "scene": "Pit",
        "where": "",
        "n": "",
        "note": "",
    } | {column: cell}
    quoted = ",".join('"' + each.replace('"', '""') + '"' for each in cells.values())
    file = hand_in(client, f"{','.join(cells)}\n{quoted}\n")
    tried = read(client, file)
    wrote = read(client, file, write=True)
    assert wrote["state"] == "failed"
    if tried["state"] == "done":
        assert tried["result"]["refused"] == 1
        assert tried["result"]["refusals"][0]["column"] == column
        assert tried["result"]["refusals"][0]["message"] in wrote["message"]
    assert client.get("/api/journal").json()["undo"] is None


TIMES = st.sampled_from(
    ["1/2", "0.5", "2:10", "1/3", "30", "1e3", "0", "-1", "0:00", "1/64", "", "90 s", "½"]
)
DAYS = st.sampled_from(
    ["2024-05-01", "2024-05-01 10:30", "2024-05-01T10:30+02:00", "1799-01-01", "2024-13-01", "W1"]
)
LETTERS = st.text("ab\n\t'=;,\"é\x01\u2028 ", max_size=4)


@settings(max_examples=some(8, 20), deadline=None)
@given(st.lists(st.tuples(DAYS, TIMES, LETTERS, LETTERS), min_size=1, max_size=8))
def test_trying_says_what_writing_would(
    tmp_path_factory: pytest.TempPathFactory, cells: list[tuple[str, str, str, str]]
) -> None:
    """As many new rows, or the same refusal first."""
    app = create_app(Settings(lay(tmp_path_factory.mktemp("tried")), caretaker=False))
    head = "exposed_at,time_s,scene,note,film,ei,aperture\n"
    body = io.StringIO()
    import csv

    csv.writer(body).writerows([*each, "Own film", "80", "f/8"] for each in cells)
    with Client(app, base_url=HERE, headers=OWN) as client:
        file = hand_in(client, head + body.getvalue())
        tried = read(client, file)
        wrote = read(client, file, write=True)
        total = client.get("/api/log").json()["total"]
    if tried["state"] == "failed" or tried["result"]["refused"]:
        assert (wrote["state"], total) == ("failed", 0)
    else:
        assert wrote["result"] == tried["result"]
        assert total == tried["result"]["new"] == len(cells)


@pytest.mark.parametrize(
    ("path", "body", "field"),
    [
        ("/api/outings/o", {"id": "o", "title": "two\nlines"}, "title"),
        ("/api/outings/o", {"id": "o", "title": "carriage\rreturn"}, "title"),
        ("/api/outings/o", {"id": "o", "title": "bell\a"}, "title"),
        ("/api/outings/o", {"id": "o", "title": "half \ud83d"}, "title"),
        ("/api/outings/o", {"id": "o", "title": "O", "note": "\x1b[31m"}, "note"),
        ("/api/holders/h", {"id": "h", "number": 9, "note": "\x00"}, "note"),
    ],
)
def test_names_without_control_characters(
    client: TestClient, path: str, body: Json, field: str
) -> None:
    """Refused where they are typed, with the field named."""
    content = json.dumps(body)
    answer = client.put(path, content=content, headers={"content-type": "application/json"})
    assert refusal(answer, 422)["field"] == field


def test_notes_have_lines_and_names_any_letters(client: TestClient) -> None:
    """What is no control character is anybody's to write."""
    body = {"id": "o", "title": "Ünïversal 山 👨‍👩‍👧 \u00a0x", "note": "first\n\tsecond\r\nthird"}
    assert client.put("/api/outings/o", json=body).status_code == 200
    (kept,) = [e["outing"] for e in client.get("/api/outings").json() if e["outing"]["id"] == "o"]
    assert (kept["title"], kept["note"]) == (body["title"], body["note"])


@given(st.text(st.characters(), max_size=30))
def test_whatever_is_kept_can_be_written(text: str) -> None:
    """Into a header on one line, and into XML that is read again."""
    header = disposition(text)
    assert header.isascii()
    assert not any(character < " " for character in header)
    assert ET.fromstring(f"<a>{_escaped(writable(text))}</a>") is not None


def _escaped(text: str) -> str:
    return text.replace("&", "&amp;").replace("<", "&lt;").replace("]]>", "]]&gt;")


def test_a_body_has_the_limit_of_its_own_route(client: TestClient) -> None:
    """An address that begins like one for files is not one for files."""
    large = b"x" * (MEGABYTE + 1)
    assert refusal(client.post("/api/exchange/csv/read", content=large), 413)
    assert refusal(client.put("/api/preferences", content=large), 413)
    assert client.post("/api/exchange/csv", content=large).status_code == 422  # it is no CSV


def test_plans_at_an_aperture_no_lens_has(client: TestClient) -> None:
    """f/1999 is no mark; the plan is worked out for it all the same."""
    scene = client.get("/api/scenes/scene-winding-house").json()["scene"]
    plan = client.post("/api/scenes/solve", json={"scene": scene, "edits": []}).json()["plan"]
    asked = {"exposure": {**plan["request"], "aperture": 1999}}
    asked["exposure"]["optics"] = {"focal_length_mm": 150, "kind": "lens"}
    answer = client.post("/api/compute/plans", json=asked)
    assert answer.status_code == 200, answer.text
    assert answer.json()["plans"]


def test_archives_with_harm_keep_the_service_alive(client: TestClient) -> None:
    """Both are refused as a job, and the next archive comes in."""
    for content in (_many_entries(), _zipped("manifest.json", b"[" * 100_000)):
        assert merged(client, content)["state"] == "failed"
    assert merged(client, archived(client))["state"] == "done"


@pytest.mark.parametrize("first", ["inf", "nan", "-Infinity", "\u202e0.1", "0.1x"])
def test_a_first_line_that_is_no_number(client: TestClient, first: str) -> None:
    """Nothing is dropped in silence: only a line of titles is passed over."""
    text = f"{first}\n0.2\n0.3"
    said = refusal(client.post("/api/bench/densities", json={"text": text}), 422)
    assert said["message"].startswith("Line 1: ")
    titled = client.post("/api/bench/densities", json={"text": "Density\n0.2\n0.3"})
    assert titled.json()["densities"] == [0.2, 0.3]
