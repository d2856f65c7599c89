"""The only door to FastAPI: every route of the house on the server, and the document of them all.

What a route is sent is read by the core's decoder; what it answers is described by Pydantic when
somebody asks for the document.
"""

from __future__ import annotations

import inspect
from collections.abc import Callable
from pathlib import Path
from typing import Any, Literal

from fastapi import FastAPI, Request, Response
from fastapi.concurrency import run_in_threadpool
from fastapi.openapi.utils import get_openapi
from fastapi.responses import FileResponse, StreamingResponse
from pydantic import TypeAdapter

from emulsa.api.acting import serve
from emulsa.api.files import arrives_in
from emulsa.api.house import House
from emulsa.api.limits import LARGEST_BODY
from emulsa.api.replies import File
from emulsa.api.route import Asked, Reply, Route
from emulsa.api.routing import KEY, MOMENT, Routes
from emulsa.core import wire
from emulsa.server.uploads import body, received

REF = "#/components/schemas/{model}"


def install(app: FastAPI, nouns: tuple[Routes, ...], house: House) -> None:
    """Answer every route on the server, and describe them all when the document is asked for."""
    for noun in nouns:
        for route in noun.routes:
            # what is asked and answered is the core's to read: nothing is looked for in a signature
            app.router.add_route(route.path, _endpoint(route, house), [route.method], route.name)

    def openapi() -> dict[str, Any]:
        if app.openapi_schema is None:
            document = get_openapi(title=app.title, version=app.version, routes=[])
            _Describing(document).all(nouns)
            app.openapi_schema = document
        return app.openapi_schema

    app.openapi = openapi  # type: ignore[method-assign]


def _endpoint(route: Route, house: House) -> Callable[[Request], Any]:
    folder = arrives_in(route, house)

    async def endpoint(request: Request) -> Response:
        if route.upload:
            async with received(request, folder, route.largest) as path:
                return _respond(
                    await run_in_threadpool(serve, route, house, _asked(request, file=path))
                )
        asked = _asked(
            request,
            await body(request, route.largest or LARGEST_BODY)
            if route.body or route.operation
            else b"",
        )
        if route.stands_alone(asked):
            return _respond(serve(route, house, asked))
        return _respond(await run_in_threadpool(serve, route, house, asked))

    return endpoint


def _asked(request: Request, body: bytes = b"", file: Path | None = None) -> Asked:
    return Asked(
        path=request.path_params,
        query=dict(request.query_params),
        body=body,
        file=file,
        act_id=request.headers.get(KEY, ""),
        moment=request.headers.get(MOMENT, ""),
    )


def _respond(reply: Reply) -> Response:
    headers, content = reply.headers, reply.content
    if not isinstance(content, File):
        media_type = "application/json" if content else None
        return Response(content, reply.status, headers=headers, media_type=media_type)
    if content.path is not None:
        return FileResponse(
            content.path, media_type=content.media_type, headers=headers | content.headers
        )
    if content.stream is not None:
        return StreamingResponse(
            content.stream, media_type=content.media_type, headers=headers | content.headers
        )
    return Response(
        content.content, media_type=content.media_type, headers=headers | content.headers
    )


def _by_outside_names(schema: dict[str, Any]) -> dict[str, Any]:
    """A record's schema with its fields as they are called outside."""
    if "properties" in schema:
        told = {wire.called(name): each for name, each in schema["properties"].items()}
        schema = {**schema, "properties": told}
    if "required" in schema:
        schema = {**schema, "required": [wire.called(name) for name in schema["required"]]}
    return schema


class _Describing:
    """The document of what is sent and answered, from the types the handlers are written with."""

    def __init__(self, document: dict[str, Any]) -> None:
        self.document = document
        self.schemas = document.setdefault("components", {}).setdefault("schemas", {})

    def all(self, nouns: tuple[Routes, ...]) -> None:
        routes = [route for noun in nouns for route in noun.routes]
        answers = {r.name: r.answers for r in routes if not _plain(r)}
        described = self._schemas(answers, "serialization")
        bodies = {r.name: r.reads for r in routes if r.reads is not None}
        read = self._schemas(bodies, "validation")
        tags = {route.name: noun.tag or noun.noun for noun in nouns for route in noun.routes}
        for route in routes:
            operation: dict[str, Any] = {"tags": [tags[route.name]], "summary": route.summary}
            if route.description:
                operation["description"] = route.description
            operation["operationId"] = route.name.replace(".", "_")
            self.document["paths"].setdefault(route.path, {})[route.method.lower()] = operation
            operation["parameters"] = list(self._parameters(route))
            if not operation["parameters"]:
                del operation["parameters"]
            if route.name in read:
                self._body(operation, route, read[route.name])
            elif route.upload:
                operation["requestBody"] = _binary("application/octet-stream")
            self._answer(operation, route, described)

    def _schemas(
        self, kinds: dict[str, Any], mode: Literal["validation", "serialization"]
    ) -> dict[str, Any]:
        inputs = [(name, mode, TypeAdapter(kind)) for name, kind in kinds.items()]
        found, definitions = TypeAdapter.json_schemas(inputs, ref_template=REF)
        for name, schema in definitions.get("$defs", {}).items():
            self.schemas.setdefault(name, _by_outside_names(schema))
        return {name: schema for (name, _), schema in found.items()}

    def _parameters(self, route: Route) -> Any:
        for name in route.in_path:
            yield _parameter("path", name, route.hints[name], True)
        for name, (kind, default) in route.in_query.items():
            needed = default is inspect.Parameter.empty
            yield _parameter("query", name, kind, needed, None if needed else default)
        if route.kind in ("act", "undo") or "act_id" in route.given:
            yield _parameter("header", "Idempotency-Key", str, True)
            yield _parameter("header", "X-Emulsa-Moment", str, False)

    def _body(self, operation: dict[str, Any], route: Route, schema: dict[str, Any]) -> None:
        content: dict[str, Any] = {"schema": schema}
        if route.operation is not None:
            content["example"] = route.operation.example
        operation["requestBody"] = {"required": True, "content": {"application/json": content}}

    def _answer(self, operation: dict[str, Any], route: Route, described: dict[str, Any]) -> None:
        if route.name in described:
            schema = described[route.name]
            operation["responses"] = {
                str(route.status): {
                    "description": "Successful Response",
                    "content": {"application/json": {"schema": schema}},
                }
            }
        elif route.media_type:
            kind = route.media_type.split(";")[0]
            operation["responses"] = {
                "200": {"description": "Successful Response", "content": {kind: {}}}
            }
        else:
            operation["responses"] = {"204": {"description": "Done"}}


def _plain(route: Route) -> bool:
    return route.answers in (None, type(None), File)


def _parameter(
    place: str, name: str, kind: Any, needed: bool, default: Any = None
) -> dict[str, Any]:
    schema = TypeAdapter(kind).json_schema(ref_template=REF)
    if default is not None:
        schema["default"] = wire.encode(default)
    return {"name": name, "in": place, "required": needed, "schema": schema}


def _binary(media_type: str) -> dict[str, Any]:
    schema = {"type": "string", "format": "binary"}
    return {"required": True, "content": {media_type: {"schema": schema}}}
