"""The door to a network: who comes from another machine shows that it was paired, or gets the page
where it can be, and nothing else.

On this machine itself the door stands open. A device is known by its cookie; a name that was bent
to this machine, or another page, has none to show.
"""

from __future__ import annotations

from html import escape
from http.cookies import CookieError, SimpleCookie
from urllib.parse import parse_qs

from fastapi import Request
from fastapi.concurrency import run_in_threadpool
from fastapi.responses import HTMLResponse, RedirectResponse
from starlette.types import ASGIApp, Receive, Scope, Send

from emulsa.api.pairing import AT, COOKIE, TRUST, Pairing, is_local
from emulsa.api.refusals import Forbidden
from emulsa.api.request import now
from emulsa.core.errors import CoreError
from emulsa.server.errors import response
from emulsa.server.guard import LOCAL, hostname
from emulsa.server.uploads import body

LARGEST_FORM = 2_048
YEAR_S = 365 * 86_400

PAGE = """<!doctype html>
<html lang="en"><meta charset="utf-8"><title>Pair this device · Emulsa</title>
<meta name="viewport" content="width=device-width,initial-scale=1">
<style>
body {{ font: 17px/1.5 system-ui, sans-serif; margin: 0; background: #f4f2ec; color: #22201c }}
main {{ max-width: 26rem; margin: 12vh auto; padding: 0 1.25rem }}
h1 {{ font-size: 1.5rem; margin: 0 0 .5rem }}
label {{ display: block; margin-top: 1rem; font-size: .85rem }}
input {{ width: 100%; box-sizing: border-box; min-height: 48px; font: inherit; padding: 0 .75rem;
 border: 1px solid #8a857a; background: #fff; color: inherit }}
input[name=code] {{ font-size: 1.4rem; letter-spacing: .15em; text-transform: uppercase }}
button {{ margin-top: 1.5rem; min-height: 48px; padding: 0 1.5rem; font: inherit; border: 0;
 background: #22201c; color: #f4f2ec }}
[role=alert] {{ border-left: 4px solid #9c3a22; padding-left: .75rem }}
</style>
<main><h1>Pair this device</h1>
<p>Emulsa runs on another machine. Type the code it shows there: in the window it was started in, or
under Preferences, Devices.</p>{problem}
<form method="post" action="/pair">
<label for="code">Code</label>
<input id="code" name="code" value="{code}" autocomplete="off" autocapitalize="characters"
 spellcheck="false" required maxlength="20" autofocus>
<label for="name">Device name</label>
<input id="name" name="name" value="{name}" autocomplete="off" maxlength="40" placeholder="Phone">
<button type="submit">Pair</button></form></main></html>"""


class Door:
    """Lets in this machine, and devices that were paired."""

    def __init__(self, app: ASGIApp, pairing: Pairing) -> None:
        self.app = app
        self.pairing = pairing

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http" or not self.pairing.active or _from_here(scope):
            await self.app(scope, receive, send)
            return
        request = Request(scope, receive)
        if scope["path"] == TRUST and scope.get("scheme") == "https":
            await self.app(scope, receive, send)  # anybody may look at it; nobody has to trust it
        elif scope["path"] == AT:
            answer = await self._pair(request)
            await answer(scope, receive, send)
        elif await run_in_threadpool(self.pairing.knows, _token(request), now()):
            await self.app(scope, receive, send)
        elif scope["path"].startswith("/api/"):
            refused = response(Forbidden("This device is not paired. Open Emulsa's page on it."))
            refused.status_code = 401
            await refused(scope, receive, send)
        else:
            await _page(status=401)(scope, receive, send)

    async def _pair(self, request: Request) -> HTMLResponse | RedirectResponse:
        if request.method != "POST":
            return _page(code=request.query_params.get("code", ""))
        try:
            form = parse_qs((await body(request, LARGEST_FORM)).decode("utf-8", "replace"))
            code, name = (form.get(each, [""])[0] for each in ("code", "name"))
            if request.headers.get("origin") is None:
                raise Forbidden("Pair on Emulsa's own page.")
            address = request.client.host if request.client else ""
            token = await run_in_threadpool(self.pairing.pair, code, name, now(), address)
        except CoreError as problem:
            return _page(problem.message, status=403)
        answer = RedirectResponse("/", 303)
        answer.set_cookie(
            COOKIE,
            token,
            max_age=YEAR_S,
            httponly=True,
            samesite="strict",
            secure=request.url.scheme == "https",
        )
        return answer


def _from_here(scope: Scope) -> bool:
    """Whether a request comes from this machine, under a name of its own."""
    client = scope.get("client")
    host = dict(scope["headers"]).get(b"host", b"").decode("latin-1")
    return client is not None and is_local(client[0]) and hostname(host) in LOCAL


def _token(request: Request) -> str:
    try:
        found = SimpleCookie(request.headers.get("cookie", "")).get(COOKIE)
    except CookieError:
        return ""
    return found.value if found else ""


def _page(problem: str = "", code: str = "", name: str = "", status: int = 200) -> HTMLResponse:
    said = f'<p role="alert">{escape(problem)}</p>' if problem else ""
    content = PAGE.format(problem=said, code=escape(code[:20]), name=escape(name[:40]))
    return HTMLResponse(content, status, headers={"cache-control": "no-store"})
