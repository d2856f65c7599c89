"""The one exception → JSON table: every refusal has the same shape and a status."""

from __future__ import annotations

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from starlette.exceptions import HTTPException

from emulsa.api.refusals import status
from emulsa.core.errors import CoreError, Unreadable
from emulsa.store.transactions import Busy

CODES = {404: "not-found", 405: "not-allowed", 413: "too-large"}


def install(app: FastAPI) -> None:
    """Answer every exception of the house in its one shape."""
    app.add_exception_handler(CoreError, _core)
    app.add_exception_handler(RequestValidationError, _validation)
    app.add_exception_handler(HTTPException, _http)


def response(problem: CoreError) -> JSONResponse:
    headers = {"retry-after": "1"} if isinstance(problem, Busy) else None
    return JSONResponse(problem.as_json(), status(problem), headers=headers)


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
