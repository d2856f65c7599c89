"""Who may speak to the service: this machine's own page, and nobody a page elsewhere sends.

A page from elsewhere can make a browser send requests here. It cannot set a header of ours without
being asked first, and nobody here answers that question; and a name that was bent to this machine
(rebinding) is not one of its own names.
"""

from __future__ import annotations

import asyncio
import logging
import re
import sys
import traceback
from collections.abc import Iterable
from ipaddress import ip_address
from urllib.parse import urlsplit

from fastapi.responses import JSONResponse
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from emulsa.api.ending import Stopping
from emulsa.api.pairing import AT
from emulsa.api.refusals import UNFORESEEN, Forbidden
from emulsa.server.errors import response

LOCAL = frozenset({"127.0.0.1", "localhost", "::1"})
READING = frozenset({"GET", "HEAD"})
OWN_HEADER = b"x-emulsa"
STOPPING = "Emulsa is being stopped; nothing of this was kept. Send it again when it runs."

# a name, an address, a port: nothing a browser would not send
HOST = re.compile(r"[A-Za-z0-9._~%:\[\]-]*")

log = logging.getLogger("emulsa")


class Guard:
    """Refuses foreign hosts, foreign pages, and writes without the application's own header."""

    def __init__(self, app: ASGIApp, hosts: Iterable[str] = (), network: bool = False) -> None:
        self.app = app
        self.hosts = LOCAL | {each.lower() for each in hosts}
        self.network = network

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        problem = self._problem(scope) if scope["type"] == "http" else None
        if problem is not None:
            await response(problem)(scope, receive, send)
            return
        await self.app(scope, receive, send)

    def _problem(self, scope: Scope) -> Forbidden | None:
        headers = dict(scope["headers"])
        host = headers.get(b"host", b"").decode("latin-1")
        if not self._is_own(hostname(host)):
            return Forbidden(
                "Emulsa does not answer under this name. Open it at the address it printed, or"
                " start it with --allow-host NAME."
            )
        origin = headers.get(b"origin")
        if origin is not None and urlsplit(origin.decode("latin-1")).netloc != host:
            return Forbidden("Another page may not speak to Emulsa.")
        if self.network and scope["path"] == AT:
            return None  # a form: it shows where it comes from, and the code
        if scope["method"] not in READING and headers.get(OWN_HEADER) != b"1":
            return Forbidden("Changes need the header X-Emulsa: 1, which only its own page sends.")
        return None

    def _is_own(self, name: str) -> bool:
        """A name of this machine's; on a network its bare addresses too, which nobody can bend."""
        if name in self.hosts:
            return True
        try:
            return self.network and bool(ip_address(name))
        except ValueError:
            return False


class Quiet:
    """An error nobody foresaw: answered in the one shape, logged without a word the user typed."""

    def __init__(self, app: ASGIApp) -> None:
        self.app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        started = False

        async def watched(message: Message) -> None:
            nonlocal started
            started = started or message["type"] == "http.response.start"
            await send(message)

        try:
            await self.app(scope, receive, watched)
        except asyncio.CancelledError:
            # the service was told to stop, and this would have kept it: an upload half arrived
            if not started:
                await response(Stopping(STOPPING))(scope, receive, watched)
        except Exception as problem:  # noqa: BLE001 - whatever it was, its words stay here
            log.error("%s in %s", type(problem).__name__, _where())
            if not started:
                await JSONResponse(UNFORESEEN, status_code=500)(scope, receive, watched)


def hostname(host: str) -> str:
    """The name in a Host header, without its port.

    >>> hostname("127.0.0.1:8017"), hostname("[::1]:8017"), hostname("evil.example")
    ('127.0.0.1', '::1', 'evil.example')
    >>> hostname("evil@127.0.0.1"), hostname("127.0.0.1#evil")
    ('', '')
    """
    if not HOST.fullmatch(host):
        return ""
    try:
        return (urlsplit(f"//{host}").hostname or "").lower()
    except ValueError:
        return ""


def _where() -> str:
    """The file and line that failed: what the code says, nothing the user said."""
    frames = traceback.extract_tb(sys.exc_info()[2])
    own = [each for each in frames if "emulsa" in each.filename] or frames
    return f"{own[-1].filename.rsplit('/', 1)[-1]}:{own[-1].lineno}" if own else "unknown place"
