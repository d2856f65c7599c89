"""The service's own description, to be read in a browser: scripts and styles lie beside it."""

from __future__ import annotations

from pathlib import Path

from fastapi import FastAPI
from fastapi.responses import FileResponse, HTMLResponse, Response

from emulsa.api.refusals import NOTHING, NotFound

BUILT = Path(__file__).parent / "reading"
FILES = {"reader.js": "text/javascript", "reader.css": "text/css", "begin.js": "text/javascript"}
PAGE = """<!doctype html>
<html lang="en">
  <head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>Emulsa: what can be asked and done</title>
    <link rel="stylesheet" href="/api/docs/reader.css">
  </head>
  <body>
    <div id="read"></div>
    <script src="/api/docs/reader.js"></script>
    <script src="/api/docs/begin.js"></script>
  </body>
</html>
"""


def install(app: FastAPI) -> None:
    """Serve it at ``/api/docs``."""

    @app.get("/api/docs", include_in_schema=False)
    def page() -> HTMLResponse:
        return HTMLResponse(PAGE)

    @app.get("/api/docs/{name}", include_in_schema=False)
    def part(name: str) -> Response:
        file = BUILT / name
        if name not in FILES or not file.is_file():
            raise NotFound(NOTHING)
        return FileResponse(file, media_type=FILES[name], headers={"cache-control": "no-cache"})
