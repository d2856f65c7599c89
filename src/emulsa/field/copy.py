"""A carried copy answers as the server does: the same routes on the same store, without a server.

There is one thread: what a thread would do elsewhere is done in slices between what is asked. What
needs a library that is not carried says that it waits for home.
"""

from __future__ import annotations

import logging
import re
import time
from collections.abc import Iterator, Mapping
from contextlib import closing
from dataclasses import dataclass
from functools import cache
from pathlib import Path
from typing import Any
from urllib.parse import parse_qsl, unquote, urlsplit

from emulsa.api.acting import serve
from emulsa.api.files import serve_file
from emulsa.api.house import House
from emulsa.api.jobs import Jobs
from emulsa.api.limits import LARGEST_BODY, too_large
from emulsa.api.refusals import NOTHING, UNFORESEEN, WAITS, NotFound, status
from emulsa.api.replies import File
from emulsa.api.route import Asked, Reply, Route
from emulsa.api.routes import ROUTES
from emulsa.api.routing import KEY, MOMENT
from emulsa.core import wire
from emulsa.core.errors import CoreError, Impossible
from emulsa.field.pictures import SIZE, looked
from emulsa.store import log as index
from emulsa.store import opening
from emulsa.store.database import connect
from emulsa.store.folder import ATTACHMENTS, DATABASE
from emulsa.store.pool import Pool
from emulsa.store.steps import finish
from emulsa.store.transactions import Unwritable

FULL = (
    "There is no room left on this device for the carried copy: this was not kept. Everything done"
    " before is here; make room, hand it in, or save it to a file."
)
SMALL = "The picture's file is at home; here it is carried in small."
JSON = "application/json"
SLICE_S = 0.05

log = logging.getLogger("emulsa")


@dataclass(frozen=True)
class Answer:
    """A status, headers and a body."""

    status: int
    headers: dict[str, str]
    body: bytes


class InSlices(Jobs):
    """Long work where there is one thread: a slice of it when it is begun, the rest whenever who
    holds the copy has nothing else to do."""

    def __init__(self) -> None:
        super().__init__()
        self._steps: Iterator[None] | None = None

    def go_on(self) -> bool:
        """A slice; whether there is more."""
        until = time.monotonic() + SLICE_S
        while steps := self._steps or self._next():
            self._steps = None if next(steps, self) is self else steps
            if time.monotonic() >= until:
                return True
        return False

    def _begun(self) -> None:
        self.go_on()


class Copy:
    """A log in a folder, asked and changed by requests as a browser sends them."""

    def __init__(self, folder: Path) -> None:
        folder.mkdir(parents=True, exist_ok=True)
        self.size = ""  # of the picture that is handed in, as the page says
        self.jobs = InSlices()
        database = folder / DATABASE
        opening.prepare(database)
        self.house = House(
            database=database,
            attachments=folder / ATTACHMENTS,
            exchange=folder / "exchange",
            pool=Pool(database),
            jobs=self.jobs,
            without_picture=SMALL,
            look_at=lambda path: looked(path, self.size),
            place=lambda *_: None,  # the page keeps it until it is handed in
            index=self.index,
        )
        self.index()

    def index(self) -> None:
        """What large acts left out of the log's index."""
        with closing(connect(self.house.database)) as connection:
            finish(index.catch_up(connection))

    def answer(self, method: str, target: str, headers: Mapping[str, str], body: bytes) -> Answer:
        """The answer to a request; a refusal in the house's one shape, never an exception."""
        try:
            return _answered(self._reply(method, target, headers, body))
        except CoreError as refused:
            if isinstance(refused, Unwritable):
                refused.message = FULL
            return _told(status(refused), refused.as_json())
        except ModuleNotFoundError:
            waits = Impossible(WAITS)
            return _told(status(waits), waits.as_json())
        except Exception as problem:  # noqa: BLE001 - whatever it was, its words stay here
            log.error("%s in a carried copy", type(problem).__name__)
            return _told(500, UNFORESEEN)

    def close(self) -> None:
        self.house.pool.close()

    def _reply(self, method: str, target: str, headers: Mapping[str, str], body: bytes) -> Reply:
        address = urlsplit(target)
        found = _found(method, address.path)
        if found is None:
            raise NotFound(NOTHING)
        route, names = found
        asked = Asked(
            path=names,
            query=dict(parse_qsl(address.query, keep_blank_values=True)),
            body=b"" if route.upload else body,
            act_id=headers.get(KEY, ""),
            moment=headers.get(MOMENT, ""),
        )
        if route.upload:
            self.size = headers.get(SIZE, "")
            return serve_file(route, self.house, asked, body)
        if len(body) > LARGEST_BODY:
            raise too_large(LARGEST_BODY)
        return serve(route, self.house, asked)


def _answered(reply: Reply) -> Answer:
    headers, content = reply.headers, reply.content
    if not isinstance(content, File):
        return Answer(reply.status, headers | ({"content-type": JSON} if content else {}), content)
    if content.path is not None:
        body = content.path.read_bytes()
    elif content.stream is not None:
        body = b"".join(content.stream)
    else:
        body = content.content
    return Answer(reply.status, {"content-type": content.media_type, **content.headers}, body)


def _told(code: int, shown: Any) -> Answer:
    return Answer(code, {"content-type": JSON}, wire.dumps(shown).encode())


@cache
def _table() -> tuple[tuple[Route, re.Pattern[str]], ...]:
    """Every route with the pattern of its address, in the order they are written."""
    return tuple((route, _pattern(route.path)) for noun in ROUTES for route in noun.routes)


def _pattern(path: str) -> re.Pattern[str]:
    """Names in an address stand for anything but a slash."""
    parts = re.split(r"{(\w+)}", path)  # text, name, text, name, text
    named = (f"(?P<{part}>[^/]+)" if at % 2 else re.escape(part) for at, part in enumerate(parts))
    return re.compile("".join(named))


def _found(method: str, path: str) -> tuple[Route, dict[str, str]] | None:
    for route, pattern in _table():
        match = pattern.fullmatch(path) if route.method == method else None
        if match is not None:
            return route, {name: unquote(value) for name, value in match.groupdict().items()}
    return None
