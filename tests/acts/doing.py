"""Doing acts by their names, without a server: as the browser's worker does them too."""

import json
import threading
from collections.abc import Callable, Sequence
from dataclasses import dataclass, field, replace
from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import Any
from uuid import uuid4

from emulsa.api import routes as _  # noqa: F401
from emulsa.api.acting import serve
from emulsa.api.house import House
from emulsa.api.refusals import status
from emulsa.api.route import Asked
from emulsa.api.routing import TABLE
from emulsa.core.errors import CoreError
from emulsa.store import journal
from emulsa.store.database import Connection, connect
from emulsa.store.folder import DATABASE
from emulsa.store.pool import Pool

MENDING = "unread.mend"  # needs a damaged file, which no act makes; tests/store/test_unread.py
ACTS = tuple(
    sorted(name for name, route in TABLE.items() if route.kind == "act" and name != MENDING)
)
ASKED = "asked-"  # under such ids a version is asked for; what changes nothing may be done by it
FIRST = datetime(2026, 1, 18, tzinfo=UTC)


@dataclass(frozen=True)
class Request:
    """What is asked: a route by its name, the names in its address, its query, its body or the
    file that is handed in."""

    name: str
    path: dict[str, str] = field(default_factory=dict)
    query: dict[str, str] = field(default_factory=dict)
    body: Any = None
    file: bytes | None = None


@dataclass(frozen=True)
class Answer:
    """A status and what came with it."""

    status: int
    content: Any

    @property
    def ok(self) -> bool:
        return self.status < 300


class Hands:
    """A data folder and whoever works on it; the minute goes on with every act."""

    def __init__(self, folder: Path) -> None:
        self.folder = folder
        database = folder / DATABASE
        self.house = House(
            database=database,
            attachments=folder / "attachments",
            exchange=folder / "exchange",
            pool=Pool(database),
            demo=True,
        )
        self.db: Connection = connect(database)
        self.minute = 0
        self.last = ("", "")  # the id and the moment of what was done last

    def close(self) -> None:
        self.db.close()
        self.house.pool.close()

    def based(self, request: Request) -> Request:
        """The request made on the version its record has now, when it needs one."""
        if "base" not in TABLE[request.name].in_query or "base" in request.query:
            return request
        other = replace(request, query={**request.query, "base": "another"})
        told = self._serve(other, f"{ASKED}{uuid4().hex}", self.moment())
        version = "" if told.ok else told.content["error"].get("version", "")
        return replace(request, query={**request.query, "base": version})

    def do(self, request: Request, key: str = "", moment: str = "") -> Answer:
        """Do it, once; a new id and the next minute unless told."""
        if not moment:
            self.minute += 1
        last = (key or uuid4().hex, moment or self.moment())  # each thread's own
        self.last = last
        return self._serve(self.based(request), *last)

    def undo(self) -> Answer:
        return self._turn("undo")

    def redo(self) -> Answer:
        return self._turn("redo")

    def touched(self, key: str) -> tuple[str, ...]:
        """The tables an act touched, as it told the page."""
        row = self.db.execute("SELECT touched FROM act WHERE id = ?", (key,)).fetchone()
        return tuple(json.loads(row["touched"]))

    def moment(self) -> str:
        return (FIRST + timedelta(minutes=self.minute)).strftime("%Y-%m-%dT%H:%M:00.000Z")

    def picture(self) -> dict[str, Any]:
        """Every row of every journaled table, in the order they are shown."""
        self.db.execute("BEGIN")
        try:
            return {table: self._rows(table) for table in journal.JOURNALED}
        finally:
            self.db.execute("ROLLBACK")

    def _rows(self, table: str) -> list[tuple[Any, ...]]:
        cursor = self.db.execute(f"SELECT rowid, * FROM {table} ORDER BY rowid")
        cursor.row_factory = None  # plain tuples: it is read very often
        return cursor.fetchall()

    def _turn(self, verb: str) -> Answer:
        reach = journal.reach(self.db)
        next_ = reach.undo if verb == "undo" else reach.redo
        return self.do(Request(f"journal.{verb}", body={"action_id": next_.id if next_ else 0}))

    def _handed_in(self, content: bytes) -> Path:
        path = self.folder / f"handed-in-{uuid4().hex}"
        path.write_bytes(content)
        return path

    def _serve(self, request: Request, key: str, moment: str) -> Answer:
        asked = Asked(
            path=request.path,
            query=request.query,
            body=b"" if request.body is None else json.dumps(request.body).encode(),
            file=None if request.file is None else self._handed_in(request.file),
            act_id=key,
            moment=moment,
        )
        try:
            reply = serve(TABLE[request.name], self.house, asked)
        except CoreError as refused:
            return Answer(status(refused), refused.as_json())
        assert isinstance(reply.content, bytes)
        return Answer(reply.status, json.loads(reply.content) if reply.content else None)


def at_once(*acts: Callable[[], Answer]) -> list[Answer]:
    """All of them at the same moment, each in a thread; their answers in the order given."""
    ready = threading.Barrier(len(acts))
    answers: list[Any] = [None] * len(acts)

    def act(place: int) -> None:
        ready.wait()
        try:
            answers[place] = acts[place]()
        except Exception as problem:  # noqa: BLE001 - told to the test below
            answers[place] = problem

    threads = [threading.Thread(target=act, args=(place,)) for place in range(len(acts))]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    for answer in answers:
        if isinstance(answer, Exception):
            raise answer
    return answers


def in_turn(hands: Hands, requests: Sequence[Request], moment: str) -> list[Answer]:
    """One after the other."""
    return [hands.do(each, moment=moment) for each in requests]
