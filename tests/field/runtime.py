"""The runtime of a carried copy as it is built, under Node, asked with lines of JSON."""

import base64
import json
import shutil
import sqlite3
import subprocess
from contextlib import closing
from pathlib import Path
from typing import Any
from urllib.parse import quote, urlencode

from starlette.types import Receive, Scope, Send

from emulsa.api.routing import KEY, MOMENT, TABLE
from emulsa.server.app import BUILT_RUNTIME
from emulsa.store.folder import DATABASE
from tests.acts.doing import Request

SCRIPT = Path(__file__).parent / "runtime.mjs"
Answer = tuple[int, dict[str, str], bytes]


def node() -> str:
    found = shutil.which("node")
    assert found, "Node runs the carried copy's runtime"
    return found


def copied(source: Path, target: Path) -> Path:
    """The log of a folder as one file."""
    with closing(sqlite3.connect(source / DATABASE)) as a, closing(sqlite3.connect(target)) as b:
        a.backup(b)
        b.execute("PRAGMA journal_mode = DELETE")
    return target


class Runtime:
    """The built runtime over a copy of a log."""

    def __init__(self, database: Path) -> None:
        self.process = subprocess.Popen(
            [node(), str(SCRIPT), str(BUILT_RUNTIME), str(database)],
            stdin=subprocess.PIPE,
            stdout=subprocess.PIPE,
            text=True,
        )

    def lay(self, database: Path) -> None:
        """Another log in place of the one before."""
        self._say({"lay": str(database)})

    def answer(self, method: str, target: str, headers: dict[str, str], body: bytes) -> Answer:
        text = base64.b64encode(body).decode()
        return self._say({"method": method, "target": target, "headers": headers, "body": text})

    def ask(
        self, method: str, target: str, body: str = "", headers: dict[str, str] | None = None
    ) -> tuple[int, Any]:
        status, _, content = self.answer(method, target, headers or {}, body.encode())
        text = content.decode()
        return status, json.loads(text) if text[:1] in '{["0123456789ntf' and text else text

    def do(self, request: Request, key: str = "", moment: str = "") -> tuple[int, Any]:
        route = TABLE[request.name]
        path = route.path
        for name, value in request.path.items():
            path = path.replace(f"{{{name}}}", quote(value, safe=""))
        target = f"{path}?{urlencode(request.query)}" if request.query else path
        headers = {KEY: key, MOMENT: moment} if key else {}
        body = "" if request.body is None else json.dumps(request.body)
        return self.ask(route.method, target, body, headers)

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """As an application, for whoever speaks HTTP to one."""
        if scope["type"] == "lifespan":
            for step in ("startup", "shutdown"):
                await receive()
                await send({"type": f"lifespan.{step}.complete"})
            return
        body = b""
        more = True
        while more:
            told = await receive()
            body += told.get("body", b"")
            more = told.get("more_body", False)
        query = scope["query_string"].decode()
        target = scope["raw_path"].decode() + (f"?{query}" if query else "")
        asked = {name.decode().lower(): value.decode("latin-1") for name, value in scope["headers"]}
        status, headers, content = self.answer(scope["method"], target, asked, body)
        pairs = [(name.encode(), value.encode()) for name, value in headers.items()]
        await send({"type": "http.response.start", "status": status, "headers": pairs})
        await send({"type": "http.response.body", "body": content})

    def close(self) -> None:
        self.process.kill()
        self.process.wait()
        for stream in (self.process.stdin, self.process.stdout):
            if stream:
                stream.close()

    def _say(self, said: dict[str, Any]) -> Answer:
        assert self.process.stdin
        assert self.process.stdout
        self.process.stdin.write(json.dumps(said) + "\n")
        self.process.stdin.flush()
        line = self.process.stdout.readline()
        assert line, "the runtime ended"
        status, headers, content = json.loads(line)
        return status, headers, base64.b64decode(content)
