"""The one exception → JSON table: every refusal has the same shape and a status."""

from __future__ import annotations

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from starlette.exceptions import HTTPException

from emulsa.core import wire
from emulsa.core.errors import CoreError, Impossible, Unreadable


class NotFound(CoreError):
    code = "not-found"


class TooLarge(CoreError):
    code = "too-large"


class Forbidden(CoreError):
    code = "forbidden"


class Conflict(CoreError):
    """Somebody else changed the same thing meanwhile; the answer carries what is kept now."""

    code = "conflict"

    def __init__(self, message: str, stored: object, version: str) -> None:
        super().__init__(message)
        self.stored = stored
        self.version = version

    def as_json(self) -> dict[str, object]:
        body = super().as_json()
        inside = body["error"]
        assert isinstance(inside, dict)
        inside |= {"stored": wire.encode(self.stored), "version": self.version}
        return body


STATUS: dict[type[CoreError], int] = {
    Forbidden: 403,
    NotFound: 404,
    Impossible: 409,
    Conflict: 409,
    TooLarge: 413,
}
REFUSED = 422  # every other core error: the request can be understood and mended
CODES = {404: "not-found", 405: "not-allowed", 413: "too-large"}


def install(app: FastAPI) -> None:
    """Answer every exception of the house in its one shape."""
    app.add_exception_handler(CoreError, _core)
    app.add_exception_handler(RequestValidationError, _validation)
    app.add_exception_handler(HTTPException, _http)


def response(problem: CoreError) -> JSONResponse:
    return JSONResponse(problem.as_json(), status_code=STATUS.get(type(problem), REFUSED))


async def _core(_: Request, problem: Exception) -> JSONResponse:
    assert isinstance(problem, CoreError)
    return response(problem)


async def _validation(_: Request, problem: Exception) -> JSONResponse:
    assert isinstance(problem, RequestValidationError)
    first = problem.errors()[0]
    field = ".".join(str(part) for part in first["loc"][1:]) or None
    return response(Unreadable(f"{first['msg']}.", field=field))


async def _http(_: Request, problem: Exception) -> JSONResponse:
    assert isinstance(problem, HTTPException)
    code = CODES.get(problem.status_code, "http")
    body = {"error": {"code": code, "message": f"{problem.detail}."}}
    return JSONResponse(body, status_code=problem.status_code)
