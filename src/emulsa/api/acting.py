"""Carrying out: how questions and acts are answered on a connection, wherever the routes run.

A question reads one snapshot. An act is one thing a photographer did: the write lock is taken
before its handler reads anything, all of it is kept or nothing, its answer is kept with it before
it is sent, and handed in again under the same id it answers what it answered the first time. A
handler is given the connection only inside, so that none can read before the lock.
"""

from __future__ import annotations

import hashlib
import inspect
import json
import re
import typing
from collections.abc import Callable, Iterator, Mapping
from contextlib import closing, contextmanager, nullcontext
from dataclasses import dataclass, field, is_dataclass, replace
from datetime import UTC, datetime
from functools import cache, cached_property
from pathlib import Path
from typing import Annotated, Any, Literal, TypeVar, get_args, get_origin

from emulsa.api.house import House
from emulsa.api.replies import File
from emulsa.core import wire
from emulsa.core.errors import CoreError, Missing, OutOfRange
from emulsa.core.film.moves import Outcome
from emulsa.core.limits import Length
from emulsa.core.moments import Moment, seconds
from emulsa.core.operations import Operation
from emulsa.store import acts, journal, preferences, records, spoilt, staging, unread
from emulsa.store.acts import Answered
from emulsa.store.database import Connection
from emulsa.store.journal import Action, Recorded
from emulsa.store.transactions import refusing, snapshot, transaction
from emulsa.store.turns import reading
from emulsa.store.watched import watching, woken_by

Method = Literal["GET", "POST", "PUT", "DELETE"]
Kind = Literal["question", "act", "undo", "work"]
ActId = Annotated[str, Length("The id of an act", 1, 64)]
Kept = TypeVar("Kept")
KEY, MOMENT = "idempotency-key", "x-emulsa-moment"
TOUCHED, WOKEN, UNREAD = "x-emulsa-touched", "x-emulsa-woken-by", "x-emulsa-unread"
CLOCKS_DIFFER_S = 86_400.0  # a phone's clock may be wrong by so much, not by more


@dataclass
class Act:
    """One thing that is being done: the connection under the lock, its id and its moment."""

    db: Connection
    id: str
    moment: str
    recorded: Recorded | None = None

    def says(self, label: str) -> None:
        """How undo calls it: a verb phrase, as *load 3A with Corvane*."""
        if self.recorded is not None:
            self.recorded.label = label

    def carry_out(self, outcome: Outcome) -> None:
        """Do what the core decided."""
        self.says(outcome.says)
        records.carry_out(self.db, outcome)

    def keep(self, record: Any) -> None:
        """Keep a record of any kind."""
        records.keep(self.db, record)

    def read_back(self, record: Kept) -> Kept | None:
        """A record as it is kept now: what an answer shows is what is there."""
        found: Kept | None = records.read_back(self.db, record)
        return found

    def replayed(self, action: Action) -> Action:
        """An action the journal turned: what it touched is what this act touched."""
        self.recorded = Recorded(action.id, action.label, journal.touched(self.db, action.id))
        return action


@dataclass(frozen=True)
class Asked:
    """A request without its protocol: names in the address, the query, the body or its file."""

    path: Mapping[str, str] = field(default_factory=dict)
    query: Mapping[str, str] = field(default_factory=dict)
    body: bytes = b""
    file: Path | None = None
    act_id: str = ""
    moment: str = ""


@dataclass(frozen=True)
class Reply:
    """An answer: its status, its text or file, the tables it touched, those by which it is woken
    when an act touches them, and how many records it would have shown that cannot be read."""

    status: int
    content: bytes | File
    touched: tuple[str, ...] = ()
    woken_by: tuple[str, ...] = ()
    unread: int = 0

    @property
    def headers(self) -> dict[str, str]:
        """What the page is told beside the answer."""
        told = {
            TOUCHED: " ".join(self.touched),
            WOKEN: " ".join(self.woken_by),
            UNREAD: str(self.unread or ""),
        }
        return {name: value for name, value in told.items() if value}


@dataclass(frozen=True)
class Route:
    """A handler and the address it answers at.

    ``act``: it writes, and is done once by its id. ``undo``: an act that turns the journal itself.
    ``work``: it begins long work or takes a file in, and locks for itself. ``largest``: how many
    bytes its body may have, where that is not the usual. ``upload``: its body is a file; an act
    looks at it by ``look`` before the lock is taken, and is given what was found as ``looked``:
    nothing is decoded while others wait. ``says_over``: it says anew what was said, and names no
    version it was said of; handed in later than home's own word, it asks. ``works_out``: what it
    keeps is worked out, and its answer says it; handed in, it is to come to the same.
    ``opens_pictures``: it may take so long that no other question waits for it, as for files.
    """

    method: Method
    path: str
    kind: Kind
    handler: Callable[..., Any]
    name: str
    status: int = 200
    upload: bool = False
    largest: int = 0
    media_type: str = ""
    look: Callable[[House, Path], Any] | None = None
    operation: Operation | None = None
    says_over: bool = False
    works_out: bool = False
    opens_pictures: bool = False

    @cached_property
    def hints(self) -> dict[str, Any]:
        return typing.get_type_hints(self.handler, include_extras=True)

    @property
    def answers(self) -> Any:
        """The type of its answer; nothing when it answers nothing."""
        return self.operation.answer if self.operation else self.hints.get("return")

    @property
    def reads(self) -> Any:
        """The type of its body; nothing when it has none."""
        if self.operation is not None:
            return self.operation.request
        return self.hints[self.body] if self.body else None

    @property
    def summary(self) -> str:
        """What it is for, in a sentence."""
        return self._doc[0]

    @property
    def description(self) -> str:
        """What else is to be known of it."""
        return self._doc[1]

    @cached_property
    def _doc(self) -> tuple[str, str]:
        function = self.operation.function if self.operation else self.handler
        first, _, rest = (inspect.getdoc(function) or "").partition("\n")
        return first, rest.strip()

    @cached_property
    def parameters(self) -> dict[str, inspect.Parameter]:
        return dict(inspect.signature(self.handler).parameters)

    @cached_property
    def in_path(self) -> tuple[str, ...]:
        return tuple(re.findall(r"{(\w+)}", self.path))

    @cached_property
    def body(self) -> str | None:
        """The parameter that is the body, if there is one."""
        if self.method in ("GET", "DELETE") or self.upload:
            return None
        return next((name for name in self._own if _is_record(self.hints[name])), None)

    @cached_property
    def in_query(self) -> dict[str, tuple[Any, Any]]:
        """The parameters in the query: their types, and what they are when they are left out."""
        found: dict[str, tuple[Any, Any]] = {}
        for name in self._own:
            if name in self.in_path or name == self.body:
                continue
            if name in self.groups:
                hints = typing.get_type_hints(self.hints[name], include_extras=True)
                defaults = inspect.signature(self.hints[name]).parameters
                found |= {each: (hints[each], defaults[each].default) for each in hints}
            else:
                found[name] = (self.hints[name], self.parameters[name].default)
        return found

    @cached_property
    def groups(self) -> tuple[str, ...]:
        """Parameters that are several of the query's words together."""
        asked = self.method == "GET" or self.upload
        return tuple(name for name in self._own if asked and _is_record(self.hints[name]))

    @cached_property
    def given(self) -> frozenset[str]:
        """The parameters that are not read from what is sent."""
        return frozenset(
            name
            for name in self.parameters
            if GIVEN.get(name, Any) == self.hints[name] or (self.look and name == "looked")
        )

    @cached_property
    def _own(self) -> tuple[str, ...]:
        return tuple(name for name in self.parameters if name not in self.given)

    @cached_property
    def is_pure(self) -> bool:
        """Whether it asks nothing but what it is sent: it may answer where it stands."""
        return self.kind == "question" and not {"db", "house"} & self.given


# What a handler may ask for by name and type, beside what it is sent.
GIVEN: dict[str, Any] = {
    "act": Act,
    "act_id": str,
    "db": Connection,
    "house": House,
    "asked": Asked,
    "moment": str,
    "file": Path,
}


def now() -> str:
    """This instant in UTC, to the millisecond, as ISO 8601; the one place that asks the clock."""
    return datetime.now(UTC).isoformat(timespec="milliseconds").replace("+00:00", "Z")


def serve(route: Route, house: House, asked: Asked) -> Reply:
    """Answer a request; raises CoreError for what is refused."""
    if route.is_pure:
        return _reply(route, route.handler(**arguments(route, asked, house)))
    if route.kind == "work":
        given = arguments(route, asked, house)
        with refusing():
            return _reply(route, route.handler(**given, **_named(asked, route)))
    with refusing(), spoilt.noticing() as noticed:
        reply = _served(route, house, asked)
    return replace(reply, unread=len(noticed)) if noticed else reply


def _served(route: Route, house: House, asked: Asked) -> Reply:
    connection = house.pool.take()
    try:
        if route.kind == "question":
            turn = nullcontext() if route.media_type or route.opens_pictures else reading()
            with (
                turn,
                watching() as seen,
                snapshot(connection),
                preferences.as_one_writes(connection),
            ):
                given = arguments(route, asked, house, db=connection, moment=now())
                reply = _reply(route, route.handler(**given))
            return replace(reply, woken_by=woken_by(seen))
        with preferences.as_one_writes(connection):
            return perform(route, house, connection, asked)
    finally:
        house.pool.give(connection)


def perform(
    route: Route,
    house: House,
    connection: Connection,
    asked: Asked,
    approved: Callable[[bytes], None] | None = None,
) -> Reply:
    """Do an act: once, whole, under the lock from before its first look. ``approved`` may refuse
    what it comes to, and then nothing is changed."""
    act = acts.Act(
        id=act_id(asked), moment=moment_of(asked), name=route.name, request=_request(route, asked)
    )
    looked = route.look(house, asked.file) if route.look and asked.file else None
    with transaction(connection):
        known = acts.answered(connection, act)
        if known is not None:
            return Reply(known.status, known.content.encode(), known.touched)
        doing = Act(connection, act.id, act.moment)
        given = arguments(route, asked, house, act=doing, looked=looked)
        if route.kind == "undo":
            reply, number = _reply(route, route.handler(**given)), None
            reply = Reply(
                reply.status, reply.content, doing.recorded.touched if doing.recorded else ()
            )
        else:
            with journal.recording(connection, act.moment) as recorded:
                doing.recorded = recorded
                reply = _reply(route, route.handler(**given))
                unread.kept(connection, recorded.action_id)
                if approved is not None and isinstance(reply.content, bytes):
                    approved(reply.content)
            number = recorded.action_id if recorded.touched else None
            reply = Reply(reply.status, reply.content, recorded.touched)
        assert isinstance(reply.content, bytes)
        answer = Answered(reply.status, reply.content.decode(), reply.touched)
        acts.keep(connection, act, answer, number)
    if route.kind == "undo":
        house.index()
    return reply


@dataclass
class LongAct:
    """An act that takes its time, on a connection of its own; what came of it."""

    db: Connection
    result: dict[str, Any] = field(default_factory=dict)


@contextmanager
def long_act(house: House, act: acts.Act, label: str, stage: Path) -> Iterator[LongAct]:
    """What was gathered on a stage as one act: all of it or nothing, journaled, its result kept
    under its id. Only this is done under the lock."""
    with closing(house.connect_to_write_much()) as connection, staging.beside(connection, stage):
        doing = LongAct(connection)
        with refusing(), transaction(connection):
            with journal.recording(connection, act.moment, label) as recorded:
                yield doing
                unread.kept(connection, recorded.action_id)
            answer = Answered(200, wire.dumps(doing.result), recorded.touched)
            acts.keep(connection, act, answer, recorded.action_id if recorded.touched else None)


def act_done(
    house: House, act: acts.Act, connection: Connection | None = None
) -> dict[str, Any] | None:
    """What came of long work that was finished, if it was; without a name, whatever it was."""
    if connection is None:
        with closing(house.connect()) as own:
            return act_done(house, act, own)
    known = acts.answered(connection, act)
    return json.loads(known.content) if known else None


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


def _named(asked: Asked, route: Route) -> dict[str, str]:
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
    flag = _bare(kind) is bool and text.lower() in ("true", "false")
    return wire.decode(kind, text.lower() == "true" if flag else text, name)


@cache
def _bare(kind: Any) -> Any:
    """A type without its limits, and without the nothing it may be."""
    if get_origin(kind) is Annotated:
        return _bare(get_args(kind)[0])
    inner = [each for each in get_args(kind) if each is not type(None)]
    if type(None) in get_args(kind) and len(inner) == 1:
        return _bare(inner[0])
    return kind


def _is_record(kind: Any) -> bool:
    return is_dataclass(_bare(kind))


def _request(route: Route, asked: Asked) -> dict[str, Any]:
    """The request as it is kept with its act; a file by its size and its digest."""
    body: Any = None
    if asked.file is not None:
        with asked.file.open("rb") as file:
            digest = hashlib.file_digest(file, "sha256").hexdigest()
        body = {"bytes": asked.file.stat().st_size, "sha256": digest}
    elif route.body is not None:
        try:
            body = wire.parsed(asked.body)
        except CoreError:
            body = None  # what cannot be read is refused when it is decoded
    return {"path": dict(asked.path), "query": dict(asked.query), "body": body}


def _reply(route: Route, value: Any) -> Reply:
    if isinstance(value, File):
        return Reply(route.status, value)
    if value is None and route.answers in (None, type(None)):
        return Reply(204, b"")
    return Reply(route.status, wire.dumps(value).encode())


__all__ = ["Act", "Asked", "CoreError", "Reply", "Route", "now", "serve"]
