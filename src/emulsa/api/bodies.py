"""Request bodies: read by the core's decoder, documented by Pydantic from the same dataclasses.

The decoder is the core's because the browser worker, where Pydantic is absent, must accept and
refuse exactly the same requests with the same sentences.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from fastapi import Depends, FastAPI, Request
from fastapi.openapi.utils import get_openapi
from pydantic import TypeAdapter

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
            for operations in document["paths"].values():
                for operation in operations.values():
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
    schema = TypeAdapter(body.kind).json_schema(ref_template=REF)
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
        answer = TypeAdapter(body.answer).json_schema(ref_template=REF, mode="serialization")
        for inner, definition in answer.pop("$defs", {}).items():
            schemas.setdefault(inner, definition)
        schemas.setdefault(body.answer.__name__, answer)
        schema = {"$ref": REF.format(model=body.answer.__name__)}
        operation["responses"]["200"]["content"] = {"application/json": {"schema": schema}}
