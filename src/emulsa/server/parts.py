"""What a carried copy is made of, as files: the runtime, and the page itself.

The runtime is compressed once, when it is built; its folder is named by what it holds and may be
kept for ever.
"""

from __future__ import annotations

import json
from pathlib import Path
from typing import Any

from fastapi import FastAPI, Request
from fastapi.responses import FileResponse, JSONResponse, Response

from emulsa.api.refusals import NOTHING, NotFound
from emulsa.core.errors import Missing

FOR_EVER = "public, max-age=31536000, immutable"
TYPES = {".mjs": "text/javascript", ".wasm": "application/wasm", ".json": "application/json"}
NOT_BUILT = "What a carried copy runs on was not built; run 'make page'."


def install(app: FastAPI, page: Path, built: Path) -> None:
    """Serve the parts under ``/field/``."""

    @app.get("/field/parts.json", include_in_schema=False)
    def parts() -> Response:
        """The runtime's files and the page's, with how much is sent of each."""
        return JSONResponse(_parts(page, built), headers={"cache-control": "no-cache"})

    @app.get("/field/{build}/{name}", include_in_schema=False)
    def part(build: str, name: str, request: Request) -> Response:
        file = built / build / name
        if file.parent.parent != built or not is_there(file) or name.endswith(".br"):
            raise NotFound(NOTHING)
        headers = {"cache-control": FOR_EVER, "vary": "accept-encoding"}
        small = file.with_name(f"{name}.br")
        if "br" in request.headers.get("accept-encoding", "") and small.is_file():
            file, headers = small, headers | {"content-encoding": "br"}
        kind = TYPES.get(Path(name).suffix, "application/octet-stream")
        return FileResponse(file, media_type=kind, headers=headers)


def is_there(file: Path) -> bool:
    """Whether there is such a file; a name no disk has is none."""
    try:
        return file.is_file()
    except (OSError, ValueError):
        return False


def _parts(page: Path, built: Path) -> dict[str, Any]:
    listed = built / "parts.json"
    if not listed.is_file():
        raise Missing(NOT_BUILT)
    said: dict[str, Any] = json.loads(listed.read_text("utf-8"))
    runtime = [
        {"path": f"/field/{said['build']}/{each['name']}", "bytes": each["sent"]}
        for each in said["parts"]
    ]
    files = sorted(each for each in page.rglob("*") if each.is_file() and each.name[0] != ".")
    shown = [
        {
            "path": "/" if each.name == "index.html" else f"/{each.relative_to(page).as_posix()}",
            "bytes": each.stat().st_size,
        }
        for each in files
    ]
    return {"build": said["build"], "runtime": runtime, "page": shown}
