"""Request bodies: read by the core's decoder, documented by Pydantic from the same dataclasses.

The decoder is the core's because the browser worker, where Pydantic is absent, must accept and
refuse exactly the same requests with the same sentences.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any, Literal

from fastapi import Depends, FastAPI, Request
from fastapi.openapi.utils import get_openapi
from pydantic import TypeAdapter

from emulsa.api import answers
from emulsa.core import wire

REF = "#/components/schemas/{model}"


def body(kind: Any) -> Any:
    """The JSON body decoded as ``kind``; CoreError with the field's path otherwise."""

    async def read(request: Request) -> Any:
        return wire.loads(kind, await request.body())

    return Depends(read)


@dataclass(frozen=True)
class Documented:
    """What a route's body is, an example of it, and what it answers where FastAPI is not told."""

    kind: Any
    example: Any
    answer: Any = None


# Bodies by the name their routes carry. The schemas are made when somebody asks for the document:
# making them at the start would cost more than everything else the start does.
DOCUMENTED: dict[str, Documented] = {}
MARK = "x-body"


def documented(kind: Any, example: Any = None, answer: Any = None) -> dict[str, str]:
    """``openapi_extra`` of a route whose body is a ``kind``."""
    name = getattr(kind, "__name__", f"Body{len(DOCUMENTED)}")
    DOCUMENTED[name] = Documented(kind, example, answer)
    return {MARK: name}


def install(app: FastAPI) -> None:
    """Make the document describe the bodies the core's decoder reads."""

    def openapi() -> dict[str, Any]:
        if app.openapi_schema is None:
            document = get_openapi(title=app.title, version=app.version, routes=app.routes)
            schemas = document.setdefault("components", {}).setdefault("schemas", {})
            operations = [each for path in document["paths"].values() for each in path.values()]
            _describe_answers(operations, schemas)
            for operation in operations:
                _describe(operation, schemas)
            app.openapi_schema = document
        return app.openapi_schema

    app.openapi = openapi  # type: ignore[method-assign]


def _describe(operation: dict[str, Any], schemas: dict[str, Any]) -> None:
    """Turn a route's mark into its body's schema, with the definitions among the components."""
    name = operation.pop(MARK, None)
    if name is None:
        return
    body = DOCUMENTED[name]
    schema = answers.adapter(body.kind).json_schema(ref_template=REF)
    for inner, definition in schema.pop("$defs", {}).items():
        schemas.setdefault(inner, definition)
    if schema.get("type") == "object":
        schemas.setdefault(name, schema)
        schema = {"$ref": REF.format(model=name)}
    content = {"schema": schema}
    if body.example is not None:
        content["example"] = body.example
    operation["requestBody"] = {"required": True, "content": {"application/json": content}}
    if body.answer is not None:
        answer = answers.adapter(body.answer).json_schema(ref_template=REF, mode="serialization")
        for inner, definition in answer.pop("$defs", {}).items():
            schemas.setdefault(inner, definition)
        schemas.setdefault(body.answer.__name__, answer)
        schema = {"$ref": REF.format(model=body.answer.__name__)}
        operation["responses"]["200"]["content"] = {"application/json": {"schema": schema}}


def _describe_answers(operations: list[dict[str, Any]], schemas: dict[str, Any]) -> None:
    """All answers together: types that share a name get names of their own."""
    marked = [
        (operation, operation.pop(answers.MARK))
        for operation in operations
        if answers.MARK in operation
    ]
    mode: Literal["serialization"] = "serialization"
    inputs = [(name, mode, answers.ANSWERS[name].adapter()) for _, name in marked]
    described, definitions = TypeAdapter.json_schemas(inputs, ref_template=REF)
    schemas.update(definitions.get("$defs", {}))
    for operation, name in marked:
        status = next(code for code in operation["responses"] if code.startswith("2"))
        schema = described[(name, mode)]
        operation["responses"][status]["content"] = {"application/json": {"schema": schema}}
