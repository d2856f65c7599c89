"""Handing in: what was done in a carried copy is done at home, in its order, by the same acts.

Each is done once by its id, however often it is sent. What home refuses is set aside with the
reason and decided by the photographer; nothing is dropped, and nothing waits for it that can be
done. What hangs on something set aside is refused by the same rules, and says on what it hangs.
"""

from __future__ import annotations

import hashlib
import json
import logging
from collections.abc import Callable, Iterable
from dataclasses import dataclass
from typing import Annotated, Any, Literal

from emulsa.api.acting import perform
from emulsa.api.alike import came_to_the_same
from emulsa.api.ending import Stopping
from emulsa.api.given import as_given
from emulsa.api.house import House
from emulsa.api.request import now
from emulsa.api.route import Asked, Route
from emulsa.api.routing import TABLE
from emulsa.core import wire
from emulsa.core.errors import CoreError, Impossible, Unreadable
from emulsa.core.limits import Id, Label, Length, Name
from emulsa.core.moments import Moment
from emulsa.store import acts, carrying, laid_aside, preferences
from emulsa.store.database import Connection
from emulsa.store.laid_aside import Aside
from emulsa.store.transactions import Busy, Unwritable, refusing, transaction

ActName = Annotated[str, Length("An act's name", 1, 80)]
# as much as a copy takes in one body, and what holds it
RequestText = Annotated[str, Length("What an act asks", 2, 1_200_000)]
AnswerText = Annotated[str, Length("What was answered to an act", 0, 500_000)]
ActLabel = Annotated[str, Length("What an act is called", 0, 400)]
LATER = (Busy, Unwritable, Stopping)  # no reason to set anything aside: it is sent again
FROM_FILES = ("exchange.read_csv", "exchange.merge_archive")
UNREAD = "What this act asks cannot be read."
UNFORESEEN = "Home could not do this, for a reason nobody foresaw; it is kept here as it came."
STAYS_THERE = "What was brought in from a file out there does not travel; bring the file in here."
OTHER_UNDER_ID = "Something else was done here under its id; it is kept here as it came."
COMES_TO_OTHER = (
    "What it goes by is different here by now, and it comes to something else than out there. Do it"
    " here now if what it comes to here is to stand."
)
OLDER = "It was decided here later: {}. Do it here now if this is to stand."
# what deciding here may have changed of a request, and what the copy's state of today adds to one
DECIDED_HERE = ("piece_id", "unplaced", "happened", "at", "given", "begun")
LOGGER = logging.getLogger("emulsa")
UNKNOWN = "This version of Emulsa knows no such act; start the newer one at home."
TAKEN_BACK = "It was done at home before it was taken back on the device; undo it here if you like."


@dataclass(frozen=True, kw_only=True)
class HandedAct:
    """An act as it was done there: its id, when, its name, what was asked, what it is called, and
    the ids of the records it made and changed."""

    id: Id
    moment: Moment
    name: ActName
    request: RequestText
    label: ActLabel = ""
    taken_back: bool = False
    answer: AnswerText = ""
    made: Annotated[tuple[Id, ...], Length("Records an act made", 0, 20_000)] = ()
    changed: Annotated[tuple[Id, ...], Length("Records an act changed", 0, 20_000)] = ()

    def __post_init__(self) -> None:
        if "/" in self.id:
            raise Unreadable("An id has no slash in it.", field="id")
        for name in ("id", "name", "label", "answer"):
            try:
                str(getattr(self, name)).encode()
            except UnicodeEncodeError:
                raise Unreadable("It holds half a character.", field=name) from None


@dataclass(frozen=True, kw_only=True)
class HandIn:
    """Acts in the order they were done (``HandedAct``), and the device they come from. Each is
    decoded by itself: one that cannot be read stops no other."""

    device: Name
    version: Label
    acts: Annotated[tuple[dict[str, Any], ...], Length("Acts", 0, 20_000)]


@dataclass(frozen=True)
class CameOf:
    """What came of an act: done now, known already, never to be done, or set aside and why; and
    what it is called here when that is something else."""

    id: str
    came: Literal["done", "known", "taken back", "aside"]
    problem: str = ""
    says: str = ""


def hand_in(house: House, handed: HandIn) -> tuple[CameOf, ...]:
    """Every act in its order; Impossible in a copy. Busy, Unwritable or Stopping: send them again,
    none is lost."""
    connection = house.pool.take()
    try:
        if carrying.carried(connection) is not None:
            raise Impossible("This is a carried copy; hand in at home.")
        with preferences.as_one_writes(connection):
            return tuple(_one(house, connection, handed.device, each) for each in handed.acts)
    finally:
        house.pool.give(connection)
        house.index()


def _one(house: House, connection: Connection, device: str, told: dict[str, Any]) -> CameOf:
    try:
        act: HandedAct = wire.decode(HandedAct, told)
        request = asked_there(act)
    except CoreError as unreadable:
        return _unread(connection, device, told, f"{UNREAD} {unreadable.message}")
    try:
        return _done(house, connection, device, act, request)
    except LATER:
        raise
    except CoreError as refused:
        return _aside(connection, device, act, request, refused.message)
    except Exception as unforeseen:  # noqa: BLE001 - no act may stop the others
        return _aside(connection, device, act, request, unforeseen_at(act.name, unforeseen))


def _done(
    house: House, connection: Connection, device: str, act: HandedAct, request: dict[str, Any]
) -> CameOf:
    known = acts.done(connection, act.id)
    if known is not None and not _same(known, act, request):
        return _unread(connection, device, vars(act), OTHER_UNDER_ID)
    if act.taken_back:
        if known is None:
            return CameOf(act.id, "taken back")
        return _aside(connection, device, act, request, TAKEN_BACK)
    if known is not None:
        return CameOf(act.id, "known", says=_says(known[2], act.label))
    if laid_aside.aside(connection, act.id) is not None:
        return CameOf(act.id, "aside")
    route = route_of(act.name)
    if route is None:
        problem = STAYS_THERE if act.name in FROM_FILES else UNKNOWN
        return _aside(connection, device, act, request, problem)
    if route.says_over:
        newer = laid_aside.since(connection, act.changed, act.moment)
        if newer is not None:
            return _aside(connection, device, act, request, OLDER.format(newer.label))
    asked = asked_of(act.id, act.moment, _as_begun(route, act, request))
    with refusing():
        reply = perform(route, house, connection, asked, _as_there(route, act))
    assert isinstance(reply.content, bytes)
    return CameOf(act.id, "done", says=_says(reply.content.decode(), act.label))


def _as_begun(route: Route, act: HandedAct, request: dict[str, Any]) -> dict[str, Any]:
    """What was begun as the scene before it has that with it: home may have begun others since."""
    body, told = request.get("body"), wire.parsed(act.answer) if act.answer else None
    if not (route.begins and isinstance(body, dict) and isinstance(told, dict)):
        return request
    return {**request, "body": {**body, "begun": told.get("scene", told)}}


def _as_there(route: Route, act: HandedAct) -> Callable[[bytes], None] | None:
    """What is worked out here is what was worked out there, or home does not keep it."""
    if not (route.works_out and act.answer):
        return None

    def approved(content: bytes) -> None:
        if not came_to_the_same(json.loads(content), wire.parsed(act.answer)):
            raise Impossible(COMES_TO_OTHER)

    return approved


def _same(known: tuple[str, dict[str, Any], str], act: HandedAct, request: dict[str, Any]) -> bool:
    """Whether what home did under this id is this act, perhaps as it was decided here: on other
    film, over what was kept meanwhile."""
    name, done, _ = known
    asked = acts.shortened(request)
    return name == act.name and (_essence(done) in (_essence(request), _essence(asked)))


def _essence(request: dict[str, Any]) -> dict[str, Any]:
    body = request.get("body")
    if isinstance(body, dict):
        body = {name: value for name, value in body.items() if name not in DECIDED_HERE}
    return {"path": request.get("path"), "body": body}


def _aside(
    connection: Connection, device: str, act: HandedAct, request: dict[str, Any], problem: str
) -> CameOf:
    made = {*act.made, *_made(request)}
    because = laid_aside.hangs_on(connection, act.id, words_of(request))
    text = json.dumps(request)
    aside = Aside(act.id, act.moment, act.name, text, act.label, problem, because, device, now())
    with transaction(connection):
        laid_aside.set_aside(connection, aside, made)
    return CameOf(act.id, "aside", problem)


def _unread(connection: Connection, device: str, told: dict[str, Any], problem: str) -> CameOf:
    """What cannot be done here at all, kept as it came, under an id of its own: it may have none,
    or another's."""
    text = json.dumps(told)
    id_ = f"unread-{hashlib.sha256(text.encode()).hexdigest()[:32]}"

    def word(name: str, most: int) -> str:
        value = told.get(name)
        found = value if isinstance(value, str) else ""
        return found.encode(errors="replace").decode()[:most]

    try:
        moment = str(wire.decode(Moment, told.get("moment")))
    except CoreError:
        moment = now()
    label = word("label", 400) or word("name", 80) or "Something that cannot be read"
    aside = Aside(id_, moment, word("name", 80), text, label, problem, "", device, now())
    with transaction(connection):
        laid_aside.set_aside(connection, aside, ())
    return CameOf(id_, "aside", problem)


def unforeseen_at(name: str, unforeseen: Exception) -> str:
    """The sentence for an act that failed as nobody foresaw; logged without a word the user
    typed."""
    LOGGER.error("handing in %s failed: %s", name, type(unforeseen).__name__)
    return UNFORESEEN


def route_of(name: str) -> Route | None:
    """The act of this name, if it can be handed in."""
    route = TABLE.get(name)
    if route is None or route.kind not in ("act", "undo") or route.upload:
        return None
    return route


def asked_there(act: HandedAct) -> dict[str, Any]:
    """What was asked there, an exposure as it was given; Unreadable when nobody can tell."""
    request = wire.parsed(act.request)
    if act.name in FROM_FILES:  # long work is kept without an address
        return request if isinstance(request, dict) else {}
    if not is_request(request):
        raise Unreadable("It does not say what was asked.", field="request")
    return as_given(request, act.answer)


def is_request(request: Any) -> bool:
    """Whether it can be asked again.

    >>> is_request({"path": {}, "query": {}}), is_request({"mapping": {}})
    (True, False)
    """
    parts = ("path", "query")
    return isinstance(request, dict) and all(isinstance(request.get(p), dict) for p in parts)


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
    path = request.get("path")
    if isinstance(path, dict):
        yield from (each for each in path.values() if isinstance(each, str))
