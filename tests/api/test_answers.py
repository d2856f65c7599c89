"""Answers: described in the document, written by the core, and read before they are believed."""

import inspect
import json
import subprocess
import sys
from dataclasses import dataclass, replace
from pathlib import Path
from typing import Annotated, Any

import pytest
from fastapi import FastAPI
from pydantic import TypeAdapter
from starlette.testclient import TestClient

from emulsa.api.house import House
from emulsa.api.replies import File
from emulsa.api.routing import TABLE, Routes
from emulsa.core import wire
from emulsa.core.limits import Id, Within
from emulsa.server import errors
from emulsa.server.binding import install
from emulsa.store.pool import Pool
from tests.api.test_api import refusal
from tests.api.test_film_in_hand import ok

Json = dict[str, Any]


def test_nothing_is_made_before_it_is_asked_for() -> None:
    """Importing the application describes nothing and loads no rule: that is what a start saves."""
    script = (
        "import sys, emulsa.server.app\n"
        "from emulsa.api.routing import TABLE\n"
        "heavy = ('reportlab', 'PIL', 'numpy')\n"
        "print(len(TABLE), *(name for name in heavy if name in sys.modules))"
    )
    said = subprocess.run(
        [sys.executable, "-c", script], capture_output=True, text=True, check=True
    ).stdout.split()
    assert int(said[0]) > 100
    assert said[1:] == []


def test_every_answer_is_described(document: Json) -> None:
    """Each operation answers with a schema or a file, or with nothing by 204."""
    for path, operations in document["paths"].items():
        for method, operation in operations.items():
            status = next(each for each in operation["responses"] if each.startswith("2"))
            content = operation["responses"][status].get("content", {})
            assert status == "204" or content, (method, path)
            said = [kind != "application/json" or body["schema"] for kind, body in content.items()]
            assert status == "204" or any(said), (method, path)


def test_names_are_unique_by_themselves(document: Json) -> None:
    """No two types of one name, so no module paths in their names; every reference is there."""
    schemas = document["components"]["schemas"]
    assert [name for name in schemas if "__" in name or "-" in name] == []
    text = json.dumps(document)
    named = {part.split('"')[0] for part in text.split("#/components/schemas/")[1:]}
    assert named <= set(schemas)


@dataclass(frozen=True)
class Inner:
    numbers: tuple[float, ...]
    note: str | None


@dataclass(frozen=True)
class Outer:
    inner: Inner
    by_name: dict[str, int]


routes = Routes("tried", "/x")


@routes.question("/sync")
def sync(n: Annotated[int, Within("n", -9, 9)] = 1) -> Outer:
    """A line for the document."""
    return Outer(Inner((1.0, n / 3), "é"), {"n": n})


@routes.question("/{name}/sent", "POST")
def sent(name: Id, inner: Inner, loud: bool = False) -> list[Inner]:
    return [replace(inner, note=f"{name}{'!' * loud}")]


@routes.question("/file")
def file() -> File:
    return File("text/plain", b"bytes")


@pytest.fixture
def tried(tmp_path: Path) -> TestClient:
    """Routes of their own, on the way every route goes."""
    app = FastAPI()
    errors.install(app)
    database = tmp_path / "none.sqlite3"
    install(app, (routes,), House(database, tmp_path, tmp_path, Pool(database)))
    return TestClient(app)


def test_an_answer_is_of_its_type(tried: TestClient) -> None:
    """What is written reads back, by the core and by Pydantic, as what was answered."""
    answer = tried.get("/x/sync", params={"n": 7})
    assert answer.headers["content-type"] == "application/json"
    assert wire.loads(Outer, answer.content) == sync(7)
    assert TypeAdapter(Outer).validate_json(answer.content) == sync(7)
    assert tried.get("/x/file").content == b"bytes"


@pytest.mark.parametrize(
    ("method", "path", "body", "field"),
    [
        ("GET", "/x/sync?n=many", None, "n"),
        ("GET", "/x/sync?n=12", None, "n"),
        ("POST", "/x/a/sent", {"numbers": ["one"], "note": None}, "numbers.0"),
        ("POST", "/x/a/sent?loud=often", {"numbers": [], "note": None}, "loud"),
        ("POST", f"/x/{'a' * 70}/sent", {"numbers": [], "note": None}, "name"),
        ("POST", "/x/a/sent", {"numbers": []}, "note"),
    ],
)
def test_what_is_sent_is_refused_by_the_core(
    tried: TestClient, method: str, path: str, body: Json | None, field: str
) -> None:
    """Path, query and body alike: 422 with the field's path, in the core's own sentences."""
    assert refusal(tried.request(method, path, json=body), 422)["field"] == field


def test_what_is_sent_arrives(tried: TestClient) -> None:
    """Names in the address, words of the query, the record of the body."""
    answer = tried.post("/x/a/sent?loud=true", json={"numbers": [1], "note": None})
    assert answer.json() == [{"numbers": [1.0], "note": "a!"}]


def test_a_route_keeps_its_words(tried: TestClient) -> None:
    """Parameters with their ranges, the docstring, and the answer's schema are the document's."""
    described = tried.get("/openapi.json").json()
    operation = described["paths"]["/x/sync"]["get"]
    assert operation["summary"] == "A line for the document."
    (parameter,) = operation["parameters"]
    assert parameter["schema"] == {"type": "integer", "minimum": -9, "maximum": 9, "default": 1}
    schema = operation["responses"]["200"]["content"]["application/json"]["schema"]
    assert schema == {"$ref": "#/components/schemas/Outer"}
    assert described["components"]["schemas"]["Inner"]["properties"].keys() == {"numbers", "note"}


def test_no_route_reads_before_the_lock() -> None:
    """An act is handed its connection inside, under the lock; none asks for another."""
    for route in TABLE.values():
        assert route.kind != "act" or "db" not in route.given, route.name
        assert route.method == "GET" or route.kind != "question" or "act" not in route.given
        writes = route.method in ("PUT", "DELETE")
        assert not writes or route.kind in ("act", "work"), route.name


def test_changes_name_the_version_they_were_made_on() -> None:
    """Every record that can be edited by two hands: PUT asks for its base, without a default."""
    for route in TABLE.values():
        if route.method == "PUT" and route.kind == "act" and not route.upload:
            assert "base" in route.in_query, route.name
            assert route.in_query["base"][1] is inspect.Parameter.empty


def test_answers_are_as_the_document_says(client: TestClient, document: Json) -> None:
    """A few real ones read back by the declared types, field for field."""
    kit = ok(client.get("/api/kit"))
    properties = document["components"]["schemas"]["Kit"]["properties"]
    assert set(kit) == set(properties)
    room = ok(client.get("/api/darkroom"))
    assert set(room) == set(document["components"]["schemas"]["DarkroomView"]["properties"])
