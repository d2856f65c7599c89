"""What the core says when it cannot answer.

    CoreError
    ├── OutOfRange      a number outside its allowed range
    ├── Unreadable      text or JSON that has no meaning here
    │   └── Ambiguous   text that could mean two things; the sentence asks which
    │       └── Comma   whether a comma between digits is a decimal point: asked once, kept
    ├── UnknownField    a field no record has
    ├── Missing         something the answer needs was not given
    ├── Unsound         values that contradict each other (a law that shortens, …)
    └── Impossible      a move the state of things does not allow

Every error carries one sentence a photographer understands, the field it belongs to and, where
there is one, the allowed range.
"""

from __future__ import annotations


class CoreError(Exception):
    """The root: ``message`` is shown as it stands; ``field`` is a dotted path into the request."""

    code = "invalid"

    def __init__(self, message: str, *, field: str | None = None, allowed: object = None) -> None:
        super().__init__(message)
        self.message = message
        self.field = field
        self.allowed = allowed

    def at(self, field: str) -> CoreError:
        """The same error, placed under ``field`` when it was raised without a place."""
        self.field = self.field or field
        return self

    def as_json(self) -> dict[str, object]:
        """The one error shape of every door: code, message and, where known, field and allowed."""
        body: dict[str, object] = {"code": self.code, "message": self.message}
        if self.field is not None:
            body["field"] = self.field
        if self.allowed is not None:
            body["allowed"] = self.allowed
        return {"error": body}


class OutOfRange(CoreError):
    code = "out-of-range"


class Unreadable(CoreError):
    code = "unreadable"


class Ambiguous(Unreadable):
    code = "ambiguous"


class Comma(Ambiguous):
    code = "comma"


class UnknownField(CoreError):
    code = "unknown-field"


class Missing(CoreError):
    code = "missing"


class Unsound(CoreError):
    code = "unsound"


class Impossible(CoreError):
    code = "impossible"
