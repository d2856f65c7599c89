"""Request bodies: read by the core's decoder, documented by Pydantic from the same dataclasses.

The decoder is the core's because the browser worker, where Pydantic is absent, must accept and
refuse exactly the same requests with the same sentences.
"""

from __future__ import annotations

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


def documented(kind: Any, example: Any = None) -> dict[str, Any]:
    """``openapi_extra`` of a route whose body is a ``kind``."""
    content: dict[str, Any] = {"schema": TypeAdapter(kind).json_schema(ref_template=REF)}
    if example is not None:
        content["example"] = example
    return {"requestBody": {"required": True, "content": {"application/json": content}}}


def install(app: FastAPI) -> None:
    """Lift the definitions inside the documented bodies into the document's components."""

    def openapi() -> dict[str, Any]:
        if app.openapi_schema is None:
            document = get_openapi(title=app.title, version=app.version, routes=app.routes)
            schemas = document.setdefault("components", {}).setdefault("schemas", {})
            for operations in document["paths"].values():
                for operation in operations.values():
                    _lift(operation, schemas)
            app.openapi_schema = document
        return app.openapi_schema

    app.openapi = openapi  # type: ignore[method-assign]


def _lift(operation: dict[str, Any], schemas: dict[str, Any]) -> None:
    content = operation.get("requestBody", {}).get("content", {}).get("application/json", {})
    schema = content.get("schema", {})
    for name, definition in schema.pop("$defs", {}).items():
        schemas.setdefault(name, definition)
    title = schema.get("title")
    if title and schema.get("type") == "object":
        schemas.setdefault(title, schema)
        content["schema"] = {"$ref": REF.format(model=title)}
