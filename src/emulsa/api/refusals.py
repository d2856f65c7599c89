"""Refusals of the service itself, and the status of each: what is not there, changed, forbidden."""

from __future__ import annotations

from emulsa.api.ending import Stopping
from emulsa.core import wire
from emulsa.core.errors import CoreError, Impossible
from emulsa.store.transactions import Busy, Unwritable

NOTHING = "There is nothing at this address."
WAITS = "This waits for home: what it needs is too large to carry."
UNFORESEEN = {
    "error": {
        "code": "unforeseen",
        "message": "Emulsa failed at this; nothing was changed. Try again, and report it with the"
        " version shown in /api/health.",
    }
}


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
    Busy: 503,
    Stopping: 503,
    Unwritable: 507,
}
REFUSED = 422  # every other core error: the request can be understood and mended


def status(problem: CoreError) -> int:
    """The HTTP status of a refusal."""
    return STATUS.get(type(problem), REFUSED)
