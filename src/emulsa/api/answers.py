"""Routes whose answers are described and encoded by Pydantic only when somebody asks.

FastAPI makes a schema for every answer when its route is added; for this many routes that costs
more than everything else a start does. Here a route's answer type is kept as it is written, and its
adapter is made with the first answer, or when the document is asked for.
"""

from __future__ import annotations

import inspect
from collections.abc import Callable
from functools import cache, wraps
from typing import Any, get_type_hints

from fastapi import APIRouter, Response
from fastapi.datastructures import Default, DefaultPlaceholder
from pydantic import TypeAdapter

MARK = "x-answer"


class Answer:
    """What a route answers: its type, found and made an adapter of when it is first needed."""

    def __init__(self, endpoint: Callable[..., Any], kind: Any) -> None:
        self._endpoint, self._kind = endpoint, kind

    @property
    def kind(self) -> Any:
        if self._kind is None:
            self._kind = get_type_hints(self._endpoint)["return"]
        return self._kind

    def adapter(self) -> TypeAdapter[Any]:
        return adapter(self.kind)

    def respond(self, value: Any, status: int) -> Response:
        content = self.adapter().dump_json(value)
        return Response(content, status_code=status, media_type="application/json")


@cache
def adapter(kind: Any) -> TypeAdapter[Any]:
    return TypeAdapter(kind)


# The answers of routes by the name their document carries until it is asked for.
ANSWERS: dict[str, Answer] = {}


class Routes(APIRouter):
    """A router of the house: the same decorators, answers made when they are needed."""

    def add_api_route(self, path: str, endpoint: Callable[..., Any], **options: Any) -> None:
        kind = options.pop("response_model", Default(None))
        said = endpoint.__annotations__.get("return")
        explicit = not isinstance(kind, DefaultPlaceholder)
        if not explicit and _is_plain(said):
            super().add_api_route(path, endpoint, response_model=None, **options)
            return
        answer = Answer(endpoint, kind if explicit else None)
        name = f"{endpoint.__module__}.{endpoint.__qualname__}.{path}"
        ANSWERS[name] = answer
        options["openapi_extra"] = {**(options.get("openapi_extra") or {}), MARK: name}
        answering = _answering(endpoint, answer, options.get("status_code") or 200)
        super().add_api_route(path, answering, response_model=None, **options)


def _is_plain(said: Any) -> bool:
    """Whether a route answers with nothing, or with a response it makes itself."""
    if isinstance(said, str):  # annotations are text until somebody evaluates them
        return said == "None" or said.endswith("Response")
    return said is None or (isinstance(said, type) and issubclass(said, Response))


def _answering(endpoint: Callable[..., Any], answer: Answer, status: int) -> Callable[..., Any]:
    """The endpoint, its value encoded; asynchronous as it was, so that work stays off the loop."""
    if inspect.iscoroutinefunction(endpoint):

        @wraps(endpoint)
        async def awaited(*args: Any, **named: Any) -> Response:
            return answer.respond(await endpoint(*args, **named), status)

        return awaited

    @wraps(endpoint)
    def called(*args: Any, **named: Any) -> Response:
        return answer.respond(endpoint(*args, **named), status)

    return called
