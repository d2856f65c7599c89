"""The same routes in the browser's runtime: its Python is another one, its answers are the same."""

import io
import json
import math
import re
import shutil
import subprocess
import sysconfig
import zipfile
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest

from emulsa.core import operations
from emulsa.core.errors import CoreError
from tests.acts.conftest import (
    Season,
    season,  # noqa: F401
)
from tests.acts.doing import Hands
from tests.acts.test_long_work import rows
from tests.api.test_exchange import hand_in, waited
from tests.api.test_reads import BY_PATH, asked
from tests.conftest import HERE, OWN, Client
from tests.effort import part, some
from tests.field.runtime import Runtime, copied, node
from tests.handbook.test_after_the_negative import CASES

EQUAL = 1e-12  # of numbers: sums and libm differ in the last place; words never
SEVERAL_ADDED = 1e-9  # where hundreds of them were added up
ACTS = some(60, 160)


@pytest.fixture(scope="module")
def runtime(demo_built: Path, tmp_path_factory: pytest.TempPathFactory) -> Iterator[Runtime]:
    database = copied(demo_built, tmp_path_factory.mktemp("carried") / "log.sqlite3")
    found = Runtime(database)
    yield found
    found.close()


@pytest.fixture(scope="module")
def at_home(demo_built: Path, tmp_path_factory: pytest.TempPathFactory) -> Iterator[Hands]:
    """Hands on a demo that is asked and not changed."""
    laid = tmp_path_factory.mktemp("asked") / "log"
    shutil.copytree(demo_built, laid, ignore=shutil.ignore_patterns("*-wal", "*-shm"))
    hands = Hands(laid)
    yield hands
    hands.close()


def same(one: Any, two: Any, near: float = EQUAL) -> bool:
    """Equal, words to the letter and numbers to the last place but few."""
    if isinstance(one, bool) or isinstance(two, bool):
        return one is two
    if isinstance(one, (int, float)) and isinstance(two, (int, float)):
        return math.isclose(one, two, rel_tol=near, abs_tol=near)
    if isinstance(one, list) and isinstance(two, list):
        return len(one) == len(two) and all(map(lambda a, b: same(a, b, near), one, two))
    if isinstance(one, dict) and isinstance(two, dict):
        return one.keys() == two.keys() and all(same(one[k], two[k], near) for k in one)
    return type(one) is type(two) and one == two


@pytest.mark.parametrize("operation", sorted({case["op"] for case in CASES}))
def test_the_handbook_in_the_browser(runtime: Runtime, operation: str) -> None:
    """Every case of the handbook: the same answer, or refused with the same sentence."""
    for case in CASES:
        if case["op"] != operation:
            continue
        several = case.get("requests") or [case.get("request")]
        told = case.get("request_text")
        texts = [told] if told else [json.dumps(each) for each in several]
        for text in texts:
            status, answer = runtime.ask("POST", f"/api/compute/{operation}", text)
            try:
                wanted = json.loads(operations.answer_json(operation, text))
            except CoreError as refused:
                assert (status, answer) == (422, refused.as_json()), case["id"]
                continue
            assert status == 200, case["id"]
            assert same(answer, wanted, SEVERAL_ADDED), case["id"]


def test_the_handbook_of_the_field_in_the_browser() -> None:
    """The handbook's other tests by themselves: every published value, every common practice."""
    house = Path(__file__).parents[2]
    done = subprocess.run(
        [
            *(node(), house / "tests/field/inside.mjs", house, sysconfig.get_path("purelib")),
            *("tests/handbook", "--ignore=tests/handbook/test_against_packages.py"),
        ],
        capture_output=True,
        text=True,
        timeout=300,
    )
    assert done.returncode == 0, done.stdout[-4_000:]
    passed = re.search(r"(\d+) passed", done.stdout)
    assert passed
    assert int(passed[1]) > 400


@pytest.mark.parametrize("name", sorted(operations.TABLE))
def test_every_example_in_the_browser(runtime: Runtime, name: str) -> None:
    """Each operation's own example."""
    text = json.dumps(operations.TABLE[name].example)
    status, answer = runtime.ask("POST", f"/api/compute/{name}", text)
    assert status == 200
    assert same(answer, json.loads(operations.answer_json(name, text)), SEVERAL_ADDED)


@pytest.mark.parametrize("path", sorted(BY_PATH))
def test_every_question_in_the_browser(runtime: Runtime, at_home: Hands, path: str) -> None:
    """Put for what is in the demo it can be put for: what the service answers."""
    if path.startswith("/api/devices"):
        pytest.skip("the demo's devices stand at home")
    for each in part(asked(at_home, BY_PATH[path]), 2):
        wanted = at_home.do(each)
        status, answer = runtime.do(each)
        if status == 409 and "waits for home" in str(answer):
            continue
        assert status == wanted.status, each
        assert same(answer, wanted.content, SEVERAL_ADDED), each


def test_a_season_in_the_browser(season: Season, tmp_path: Path) -> None:  # noqa: F811
    """Act after act, with their ids and moments: every answer is what it was at home, and each is
    done once."""
    runtime = Runtime(copied(season.begun, tmp_path / "log.sqlite3"))
    done = 0
    try:
        for each in season.done[:ACTS]:
            if each.request.file is not None:
                break
            done += 1
            status, answer = runtime.do(each.request, each.key, each.moment)
            assert status == each.answer.status, (each.request, answer)
            assert same(answer, each.answer.content, SEVERAL_ADDED), each.request
        assert done > 20
        again = runtime.do(season.done[0].request, season.done[0].key, season.done[0].moment)
        assert again == (season.done[0].answer.status, season.done[0].answer.content)
        assert runtime.ask("GET", "/api/health")[1]["name"] == "emulsa"
    finally:
        runtime.close()


def test_what_cannot_be_answered_there(runtime: Runtime) -> None:
    """Nothing there, no way to do it, too deep, too much, and papers: a sentence each, and the
    runtime goes on."""
    assert runtime.ask("GET", "/api/nothing")[0] == 404
    assert runtime.ask("PUT", "/api/health", "{}")[0] == 404
    deep = "[" * 100_000
    assert runtime.ask("POST", "/api/compute/exposure", deep)[0] == 422
    assert runtime.ask("POST", "/api/compute/exposure", " " * 1_100_000)[0] == 413
    status, answer = runtime.ask("GET", "/api/prints/print-shed/map.pdf")
    assert status == 409
    assert "waits for home" in answer["error"]["message"]
    assert runtime.ask("GET", "/api/health")[0] == 200


def test_long_work_goes_on_in_slices(demo_built: Path, tmp_path: Path) -> None:
    """There is one thread out there: while a large CSV is brought in and everything is written out
    others are answered, and what they do is done; stopped, nothing of it is kept."""
    runtime = Runtime(copied(demo_built, tmp_path / "log.sqlite3"))
    try:
        with Client(runtime, base_url=HERE, headers=OWN) as out:
            before = out.get("/api/log").json()["total"]
            file = hand_in(out, rows(tmp_path / "rows.csv", 1_500).read_bytes())
            body = {"id": file["id"], "mapping": file["mapping"], "write": True}
            begun = out.post("/api/exchange/csv/read", json=body).json()
            assert begun["state"] == "running"
            assert 0 < begun["done"] < 1_500
            out.delete(f"/api/exchange/jobs/{begun['id']}")
            assert waited(out, begun)["state"] == "cancelled"
            assert out.get("/api/log").json()["total"] == before
            begun = out.post("/api/exchange/csv/read", json=body).json()
            scenes = "/api/outings/outing-quarry/scenes"
            assert out.post(scenes, json={"id": "a", "title": "Meanwhile"}).status_code == 200
            still = out.get(f"/api/exchange/jobs/{begun['id']}").json()
            assert still["state"] == "running"
            assert still["done"] >= begun["done"]
            assert waited(out, begun)["result"]["new"] == 1_500
            assert out.get("/api/log").json()["total"] == before + 1_500
            writing = out.post("/api/exchange/archive").json()
            assert writing["state"] == "running"
            assert out.post(scenes, json={"id": "b", "title": "Later"}).status_code == 200
            assert out.get(f"/api/exchange/jobs/{writing['id']}").json()["state"] == "running"
            assert waited(out, writing)["state"] == "done"
            content = out.get(f"/api/exchange/archive/{writing['id']}.zip").content
            with zipfile.ZipFile(io.BytesIO(content)) as archive:
                kept = archive.read("tables/scene.jsonl").decode()
            assert "Meanwhile" in kept
            assert "Later" not in kept  # of the moment it was begun
    finally:
        runtime.close()
