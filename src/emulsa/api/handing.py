"""Handing in: what was done in a carried copy is done at home, in its order, by the same acts.

Each is done once by its id, however often it is sent. What home refuses is set aside with the
reason and decided by the photographer; nothing is dropped, and nothing waits for it that can be
done. What hangs on something set aside is refused by the same rules, and says on what it hangs.
"""

from __future__ import annotations

import json
from collections.abc import Iterable
from dataclasses import dataclass
from typing import Annotated, Any, Literal

from emulsa.api.acting import Asked, Route, now, perform
from emulsa.api.ending import Stopping
from emulsa.api.given import as_given
from emulsa.api.house import House
from emulsa.api.routing import TABLE
from emulsa.core import wire
from emulsa.core.errors import CoreError, Unreadable
from emulsa.core.limits import Id, Label, Length, Name
from emulsa.core.moments import Moment
from emulsa.core.written import writing
from emulsa.store import acts, carrying, preferences
from emulsa.store.carrying import Aside
from emulsa.store.database import Connection
from emulsa.store.transactions import Busy, Unwritable, refusing, transaction

ActName = Annotated[str, Length("An act's name", 1, 80)]
RequestText = Annotated[str, Length("What an act asks", 2, 500_000)]
AnswerText = Annotated[str, Length("What was answered to an act", 0, 500_000)]
ActLabel = Annotated[str, Length("What an act is called", 0, 400)]
LATER = (Busy, Unwritable, Stopping)  # no reason to set anything aside: it is sent again
UNKNOWN = "This version of Emulsa knows no such act; start the newer one at home."
TAKEN_BACK = "It was done at home before it was taken back on the device; undo it here if you like."


@dataclass(frozen=True, kw_only=True)
class HandedAct:
    """An act as it was done there: its id, when, its name, what was asked, what it is called."""

    id: Id
    moment: Moment
    name: ActName
    request: RequestText
    label: ActLabel = ""
    taken_back: bool = False
    answer: AnswerText = ""


@dataclass(frozen=True, kw_only=True)
class HandIn:
    """Acts in the order they were done, and the device they come from."""

    device: Name
    version: Label
    acts: Annotated[tuple[HandedAct, ...], Length("Acts", 0, 20_000)]


@dataclass(frozen=True)
class CameOf:
    """What came of an act: done now, known already, never to be done, or set aside and why; and
    what it is called here when that is something else."""

    id: str
    came: Literal["done", "known", "taken back", "aside"]
    problem: str = ""
    says: str = ""


def hand_in(house: House, handed: HandIn) -> tuple[CameOf, ...]:
    """Every act in its order. Busy, Unwritable or Stopping: send them again, none is lost."""
    connection = house.pool.take()
    try:
        with writing(preferences.measures(connection)):
            return tuple(_one(house, connection, handed, each) for each in handed.acts)
    finally:
        house.pool.give(connection)
        house.index()


def _one(house: House, connection: Connection, handed: HandIn, act: HandedAct) -> CameOf:
    request = as_given(_read(act), act.answer)
    known = acts.answered(connection, acts.Act(act.id, act.moment, "", {}))
    if act.taken_back:
        if known is None:
            return CameOf(act.id, "taken back")
        return _aside(connection, handed, act, request, TAKEN_BACK)
    if known is not None:
        return CameOf(act.id, "known", says=_says(known.content, act.label))
    if any(each.id == act.id for each in carrying.asides(connection)):
        return CameOf(act.id, "aside")
    route = route_of(act.name)
    if route is None:
        return _aside(connection, handed, act, request, UNKNOWN)
    try:
        with refusing():
            reply = perform(route, house, connection, asked_of(act.id, act.moment, request))
    except LATER:
        raise
    except CoreError as refused:
        return _aside(connection, handed, act, request, refused.message)
    assert isinstance(reply.content, bytes)
    return CameOf(act.id, "done", says=_says(reply.content.decode(), act.label))


def _aside(
    connection: Connection, handed: HandIn, act: HandedAct, request: dict[str, Any], problem: str
) -> CameOf:
    mentioned = set(words_of(request))
    because = next(
        (
            each.id
            for each in carrying.asides(connection)
            if each.id != act.id and mentioned & set(_made(json.loads(each.request)))
        ),
        "",
    )
    aside = Aside(
        act.id,
        act.moment,
        act.name,
        json.dumps(request, ensure_ascii=False),
        act.label,
        problem,
        because,
        handed.device,
        now(),
    )
    with transaction(connection):
        carrying.set_aside(connection, aside)
    return CameOf(act.id, "aside", problem)


def route_of(name: str) -> Route | None:
    """The act of this name, if it can be handed in."""
    route = TABLE.get(name)
    if route is None or route.kind not in ("act", "undo") or route.upload:
        return None
    return route


def _read(act: HandedAct) -> dict[str, Any]:
    try:
        request = wire.parsed(act.request)
    except CoreError:
        request = None
    parts = ("path", "query")
    if not isinstance(request, dict) or not all(isinstance(request.get(p), dict) for p in parts):
        raise Unreadable("What this act asks cannot be read.", field="request")
    return request


def asked_of(id_: str, moment: str, request: dict[str, Any]) -> Asked:
    """What was asked there, to be asked here."""
    body = request.get("body")
    return Asked(
        path=request["path"],
        query=request["query"],
        body=b"" if body is None else json.dumps(body, ensure_ascii=False).encode(),
        act_id=id_,
        moment=moment,
    )


def _says(answer: str, label: str) -> str:
    """What it is called here, where a number gave way: roll 7 there is roll 8 here."""
    try:
        said = json.loads(answer)
    except ValueError:
        return ""
    here = said.get("says", "") if isinstance(said, dict) else ""
    return here if isinstance(here, str) and here != label else ""


def words_of(value: Any) -> Iterable[str]:
    """Every text in a request: what it speaks of is among them."""
    if isinstance(value, str):
        yield value
    elif isinstance(value, dict):
        for each in value.values():
            yield from words_of(each)
    elif isinstance(value, list):
        for each in value:
            yield from words_of(each)


def _made(request: dict[str, Any]) -> Iterable[str]:
    """The ids of what an act makes or changes."""
    body = request.get("body")
    if isinstance(body, dict) and isinstance(body.get("id"), str):
        yield body["id"]
    yield from (each for each in request["path"].values() if isinstance(each, str))
