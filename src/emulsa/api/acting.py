"""Carrying out: how questions and acts are answered on a connection, wherever the routes run.

A question reads one snapshot. An act is one thing a photographer did: the write lock is taken
before its handler reads anything, all of it is kept or nothing, its answer is kept with it before
it is sent, and handed in again under the same id it answers what it answered the first time. A
handler is given the connection only inside, so that none can read before the lock.
"""

from __future__ import annotations

import json
from collections.abc import Callable, Iterator
from contextlib import closing, contextmanager, nullcontext
from dataclasses import dataclass, field, replace
from pathlib import Path
from typing import Any

from emulsa.api.house import House
from emulsa.api.replies import File
from emulsa.api.request import act_id, arguments, as_kept, moment_of, named, now
from emulsa.api.route import Act, Asked, Reply, Route
from emulsa.core import wire
from emulsa.store import acts, journal, preferences, spoilt, staging, unread
from emulsa.store.acts import Answered
from emulsa.store.database import Connection
from emulsa.store.transactions import refusing, snapshot, transaction
from emulsa.store.turns import reading
from emulsa.store.watched import watching, woken_by


def serve(route: Route, house: House, asked: Asked) -> Reply:
    """Answer a request; raises CoreError for what is refused."""
    if route.stands_alone(asked):
        return _reply(route, route.handler(**arguments(route, asked, house)))
    if route.kind == "work":
        given = arguments(route, asked, house)
        with refusing():
            return _reply(route, route.handler(**given, **named(asked, route)))
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
        id=act_id(asked), moment=moment_of(asked), name=route.name, request=as_kept(route, asked)
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


def _reply(route: Route, value: Any) -> Reply:
    if isinstance(value, File):
        return Reply(route.status, value)
    if value is None and route.answers in (None, type(None)):
        return Reply(204, b"")
    return Reply(route.status, wire.dumps(value).encode())
