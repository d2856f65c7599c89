"""What a request says: its id, its moment, and what its handler is called with."""

from __future__ import annotations

import hashlib
import inspect
import typing
from collections.abc import Mapping
from datetime import UTC, datetime
from typing import Annotated, Any

from emulsa.api.house import House
from emulsa.api.route import Asked, Route, bare
from emulsa.core import wire
from emulsa.core.errors import CoreError, Missing, OutOfRange
from emulsa.core.limits import Length
from emulsa.core.moments import Moment, seconds

ActId = Annotated[str, Length("The id of an act", 1, 64)]
CLOCKS_DIFFER_S = 86_400.0  # a phone's clock may be wrong by so much, not by more


def now() -> str:
    """This instant in UTC, to the millisecond, as ISO 8601; the one place that asks the clock."""
    return datetime.now(UTC).isoformat(timespec="milliseconds").replace("+00:00", "Z")


def act_id(asked: Asked) -> str:
    """The id the page gave this act; Missing when it gave none."""
    if not asked.act_id:
        raise Missing(
            "Every change needs an id of its own in the header Idempotency-Key, so that it is made"
            " once however often it is sent.",
            field="idempotency-key",
        )
    return str(wire.decode(ActId, asked.act_id, "idempotency-key"))


def moment_of(asked: Asked) -> str:
    """When it happened: as the page says, else now."""
    present = now()
    if not asked.moment:
        return present
    moment = str(wire.decode(Moment, asked.moment, "moment"))
    if seconds(moment) < 0:
        raise OutOfRange("This happened before 1970; set the clock right.", field="moment")
    if seconds(moment) > seconds(present) + CLOCKS_DIFFER_S:
        raise OutOfRange(
            "This happened in the future by the clock of this machine; set the clock right.",
            field="moment",
        )
    return moment


def arguments(route: Route, asked: Asked, house: House, **given: Any) -> dict[str, Any]:
    """What the handler is called with: decoded by the core, with the field's path when refused."""
    known = {"house": house, "asked": asked, "file": asked.file, **given}
    found = {name: known[name] for name in route.given if name in known}
    for name in route.in_path:
        if name not in asked.path:
            raise Missing("It does not say what it is about.", field=name)
        found[name] = wire.decode(route.hints[name], asked.path[name], name)
    words = {
        name: _word(name, kind, default, asked.query)
        for name, (kind, default) in route.in_query.items()
    }
    for name in route.groups:
        kind = route.hints[name]
        fields = typing.get_type_hints(kind)
        found[name] = kind(**{each: words.pop(each) for each in fields})
    found |= words
    if route.body is not None:
        found[route.body] = wire.loads(route.hints[route.body], asked.body)
    return found


def named(asked: Asked, route: Route) -> dict[str, str]:
    """Long work locks for itself, under the act's own id and moment."""
    wanted = {"act_id": act_id, "moment": moment_of}
    return {name: read(asked) for name, read in wanted.items() if name in route.given}


def _word(name: str, kind: Any, default: Any, query: Mapping[str, str]) -> Any:
    """A word of the query as its type; numbers and flags are written plainly there."""
    if name not in query:
        if default is inspect.Parameter.empty:
            raise Missing(f"“{name}” is missing.", field=name)
        return default
    text = query[name]
    flag = bare(kind) is bool and text.lower() in ("true", "false")
    return wire.decode(kind, text.lower() == "true" if flag else text, name)


def as_kept(route: Route, asked: Asked) -> dict[str, Any]:
    """The request as it is kept with its act; a file by its size and its digest."""
    body: Any = None
    if asked.file is not None:
        with asked.file.open("rb") as file:
            digest = hashlib.file_digest(file, "sha256").hexdigest()
        body = {"bytes": asked.file.stat().st_size, "sha256": digest}
    elif route.body is not None:
        try:
            body = wire.parsed(asked.body)
            if wire.has_comma(asked.body):
                # told as what was meant: another machine's photographer may write numbers otherwise
                body = wire.encode(wire.loads(route.hints[route.body], asked.body))
        except CoreError:
            pass  # what cannot be read is refused when it is decoded
    return {"path": dict(asked.path), "query": dict(asked.query), "body": body}
