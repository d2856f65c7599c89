"""A route: a handler and the address it answers at, what it is asked and what it replies, without
any protocol."""

from __future__ import annotations

import inspect
import re
import typing
from collections.abc import Callable, Mapping
from dataclasses import dataclass, field, is_dataclass
from functools import cache, cached_property
from pathlib import Path
from typing import Annotated, Any, Literal, TypeVar, get_args, get_origin

from emulsa.api.house import House
from emulsa.api.replies import File
from emulsa.core import wire
from emulsa.core.film.moves import Outcome
from emulsa.core.operations import Operation
from emulsa.store import journal, records
from emulsa.store.database import Connection
from emulsa.store.journal import Action, Recorded

Method = Literal["GET", "POST", "PUT", "DELETE"]
Kind = Literal["question", "act", "undo", "work"]
Kept = TypeVar("Kept")
KEY, MOMENT = "idempotency-key", "x-emulsa-moment"
TOUCHED, WOKEN, UNREAD = "x-emulsa-touched", "x-emulsa-woken-by", "x-emulsa-unread"


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
    ``begins``: it begins a scene as the one before it; handed in, it begins as it began there.
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
    begins: bool = False
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
        """Whether it asks nothing but what it is sent."""
        return self.kind == "question" and not {"db", "house"} & self.given

    def stands_alone(self, asked: Asked) -> bool:
        """Whether it may answer where it stands: what a typed comma is, only the photographer's
        preferences know."""
        return self.is_pure and not wire.has_comma(asked.body)


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


@cache
def bare(kind: Any) -> Any:
    """A type without its limits, and without the nothing it may be."""
    if get_origin(kind) is Annotated:
        return bare(get_args(kind)[0])
    inner = [each for each in get_args(kind) if each is not type(None)]
    if type(None) in get_args(kind) and len(inner) == 1:
        return bare(inner[0])
    return kind


def _is_record(kind: Any) -> bool:
    return is_dataclass(bare(kind))
