"""Answers: described in the document, encoded by Pydantic, and made only when they are needed."""

import json
import subprocess
import sys
from dataclasses import dataclass
from typing import Any

import pytest
from fastapi import FastAPI, Response
from hypothesis import given, settings
from hypothesis import strategies as st
from pydantic import TypeAdapter
from starlette.testclient import TestClient

from emulsa.api import answers, bodies
from emulsa.api.answers import Routes
from tests.api.test_film_in_hand import ok

Json = dict[str, Any]


def document(client: TestClient) -> Json:
    found: Json = client.get("/api/openapi.json").json()
    return found


def test_nothing_is_made_before_it_is_asked_for() -> None:
    """Importing the application makes no adapter: that is what a start saves."""
    script = (
        "import emulsa.api.app\n"
        "from emulsa.api import answers\n"
        "print(len(answers.ANSWERS), answers.adapter.cache_info().currsize)"
    )
    said = subprocess.run(
        [sys.executable, "-c", script], capture_output=True, text=True, check=True
    ).stdout.split()
    assert int(said[0]) > 80
    assert said[1] == "0"


def test_every_answer_is_described(client: TestClient) -> None:
    """Each operation answers with a schema or a file, or with nothing by 204."""
    for path, operations in document(client)["paths"].items():
        for method, operation in operations.items():
            status = next(each for each in operation["responses"] if each.startswith("2"))
            content = operation["responses"][status].get("content", {})
            assert status == "204" or content, (method, path)
            said = [kind != "application/json" or body["schema"] for kind, body in content.items()]
            assert status == "204" or any(said), (method, path)


def test_no_mark_is_left_in_the_document(client: TestClient) -> None:
    """What routes carry for the document is used up by it; every reference has its definition."""
    text = json.dumps(document(client))
    assert answers.MARK not in text
    assert bodies.MARK not in text
    schemas = document(client)["components"]["schemas"]
    named = {part.split('"')[0] for part in text.split("#/components/schemas/")[1:]}
    assert named <= set(schemas)


def test_types_of_one_name_keep_their_own_schemas(client: TestClient) -> None:
    """A placed reading and a placed task are both ``Placed``, and not the same."""
    schemas = document(client)["components"]["schemas"]
    placed = [schema for name, schema in schemas.items() if name.split("__")[-1] == "Placed"]
    fields = {frozenset(schema["properties"]) for schema in placed}
    assert any("zone" in each for each in fields)
    assert any("start_s" in each for each in fields)


@dataclass(frozen=True)
class Inner:
    numbers: tuple[float, ...]
    note: str | None


@dataclass(frozen=True)
class Outer:
    inner: Inner
    by_name: dict[str, int]


app = FastAPI()
routes = Routes(prefix="/x")


@routes.get("/sync")
def sync(n: int = 1) -> Outer:
    """A line for the document."""
    return Outer(Inner((1.0, n / 3), None), {"n": n})


@routes.post("/late", status_code=201)
async def late() -> list[Inner]:
    return [Inner((), "é")]


@routes.get("/file")
def file() -> Response:
    return Response(b"bytes", media_type="text/plain")


@routes.delete("/gone", status_code=204)
def gone() -> None:
    return None


app.include_router(routes)
bodies.install(app)


@settings(max_examples=10)
@given(st.integers(-(10**6), 10**6))
def test_a_value_is_encoded_as_its_type_says(n: int) -> None:
    """Byte for byte what Pydantic writes of the declared type."""
    answer = TestClient(app).get("/x/sync", params={"n": n})
    assert answer.content == TypeAdapter(Outer).dump_json(sync(n))
    assert answer.headers["content-type"] == "application/json"


@pytest.mark.parametrize(
    ("method", "path", "status", "content"),
    [
        ("POST", "/x/late", 201, '[{"numbers":[],"note":"é"}]'.encode()),
        ("GET", "/x/file", 200, b"bytes"),
        ("DELETE", "/x/gone", 204, b""),
    ],
)
def test_what_is_no_plain_answer(method: str, path: str, status: int, content: bytes) -> None:
    """Other statuses, asynchronous routes, files and nothing at all go their own way."""
    answer = TestClient(app).request(method, path)
    assert (answer.status_code, answer.content) == (status, content)


def test_a_route_keeps_its_signature_and_words() -> None:
    """Parameters are read and refused, the docstring is the document's."""
    assert TestClient(app).get("/x/sync", params={"n": "many"}).status_code == 422
    described = TestClient(app).get("/openapi.json").json()
    operation = described["paths"]["/x/sync"]["get"]
    assert operation["description"] == "A line for the document."
    assert [each["name"] for each in operation["parameters"]] == ["n"]
    schema = operation["responses"]["200"]["content"]["application/json"]["schema"]
    assert schema == {"$ref": "#/components/schemas/Outer"}
    assert described["components"]["schemas"]["Inner"]["properties"].keys() == {"numbers", "note"}
    late_ = described["paths"]["/x/late"]["post"]["responses"]["201"]["content"]
    assert late_["application/json"]["schema"]["type"] == "array"


def test_answers_are_as_the_document_says(client: TestClient) -> None:
    """A few real ones read back by the declared types, field for field."""
    kit = ok(client.get("/api/kit"))
    properties = document(client)["components"]["schemas"]["Kit"]["properties"]
    assert set(kit) == set(properties)
    room = ok(client.get("/api/darkroom"))
    assert set(room) == set(document(client)["components"]["schemas"]["DarkroomView"]["properties"])
