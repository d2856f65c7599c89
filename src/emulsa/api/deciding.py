"""Deciding about what was set aside when it was handed in: home's side of the story, and doing it
over what is kept now, an exposure otherwise if need be."""

from __future__ import annotations

import json
from dataclasses import dataclass, replace
from typing import Any
from uuid import uuid4

from emulsa.api.acting import perform
from emulsa.api.handing import (
    LATER,
    TAKEN_BACK,
    UNKNOWN,
    asked_of,
    is_request,
    route_of,
    unforeseen_at,
    words_of,
)
from emulsa.api.house import House
from emulsa.api.refusals import Conflict
from emulsa.api.request import now
from emulsa.api.route import Asked, Reply, Route
from emulsa.core.errors import CoreError, Impossible
from emulsa.core.limits import Id
from emulsa.core.moments import seconds
from emulsa.store import acts, carrying, laid_aside
from emulsa.store.database import Connection
from emulsa.store.laid_aside import Aside, Happened
from emulsa.store.transactions import refusing


@dataclass(frozen=True, kw_only=True)
class Otherwise:
    """How an exposure is logged when it cannot be as it was: on other film, on film of its own that
    is in no holder, or as what nobody would have advised and what happened."""

    piece_id: Id | None = None
    unplaced: bool = False
    happened: bool = False


def again(house: House, connection: Connection, aside: Aside, otherwise: Otherwise) -> str:
    """Try once more what was set aside, on what is kept now; why not, when it is refused again."""
    if acts.done(connection, aside.id) is not None:
        return TAKEN_BACK  # it was done, and lies here because it was taken back out there
    route = route_of(aside.name)
    if route is None:
        return UNKNOWN
    request = json.loads(aside.request)
    if not is_request(request):
        return aside.problem
    if otherwise.piece_id or otherwise.unplaced or otherwise.happened:
        request["body"] = _changed(aside.name, request.get("body"), otherwise)
    if seconds(aside.moment) > seconds(now()):  # its clock ran ahead: it is done now
        aside = replace(aside, moment=now())
    asked = asked_of(aside.id, aside.moment, request)
    try:
        with refusing():
            _on_what_is_kept(house, connection, route, asked)
    except LATER:
        raise
    except CoreError as refused:
        return refused.message
    except Exception as unforeseen:  # noqa: BLE001 - it lies aside as before, and that is said
        return unforeseen_at(aside.name, unforeseen)
    return ""


def here(connection: Connection, aside: Aside) -> list[Happened]:
    """Home's side of the story: what was done here to what the act speaks of."""
    return laid_aside.happened(connection, set(words_of(json.loads(aside.request))))


def _on_what_is_kept(house: House, connection: Connection, route: Route, asked: Asked) -> Reply:
    """Done over what another hand kept meanwhile: that was looked at, and this is to stand."""
    try:
        return perform(route, house, connection, asked)
    except Conflict as conflict:
        query = {**asked.query, "base": conflict.version}
        newer = Asked(asked.path, query, asked.body, None, asked.act_id, asked.moment)
        return perform(route, house, connection, newer)


def _changed(name: str, body: Any, otherwise: Otherwise) -> Any:
    if name != carrying.EXPOSURE or not isinstance(body, dict):
        raise Impossible("Only an exposure can go onto other film.", field="piece_id")
    film = otherwise.piece_id or (uuid4().hex if otherwise.unplaced else body.get("piece_id"))
    how = {"unplaced": otherwise.unplaced, "happened": otherwise.happened}
    return {**body, "piece_id": film, **how}
