"""One file for emergencies: the page, the runtime and a copy of the log as one HTML document."""

from __future__ import annotations

import gzip
import json
import tempfile
from base64 import b64encode
from collections.abc import Iterator
from pathlib import Path

from emulsa import __version__
from emulsa.store import carrying, opening
from emulsa.store.folder import DATABASE, Unsafe, arrived, part_of

BUILT = Path(__file__).parent / "built"
SINGLE = Path(__file__).parent / "single"
LEVEL = 6
START = """<!doctype html>
<html lang="en"><head><meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1, viewport-fit=cover">
<title>Emulsa, one file</title>
"""


def write(data: Path, target: Path, made_at: str) -> int:
    """Write it, whole or not at all; its bytes. Unsafe when its parts were not built."""
    if not (BUILT / "parts.json").is_file() or not (SINGLE / "page.js").is_file():
        raise Unsafe("What one file is made of was not built; run 'make page'.")
    with tempfile.TemporaryDirectory() as folder:
        if not data.exists():  # nothing was logged yet: it begins with an empty log
            data = Path(folder) / "empty"
            data.mkdir()
        opening.prepare(data / DATABASE)
        log = carrying.copy(data / DATABASE, Path(folder) / DATABASE, made_at, __version__)
        part = part_of(target)
        try:
            with part.open("w", encoding="utf-8") as file:
                file.writelines(_lines(log))
            arrived(part, target)
        finally:
            part.unlink(missing_ok=True)
    return target.stat().st_size


def _lines(log: Path) -> Iterator[str]:
    said = json.loads((BUILT / "parts.json").read_text("utf-8"))
    yield START
    yield f"<style>{(SINGLE / 'page.css').read_text('utf-8')}</style>\n"
    yield '</head><body><div id="root"></div>\n'
    for each in said["parts"]:
        yield _part(each["name"], BUILT / said["build"] / each["name"])
    yield _part("log.sqlite3", log)
    page = (SINGLE / "page.js").read_text("utf-8").replace("</script", "<\\/script")
    yield f'<script type="module">{page}</script>\n</body></html>\n'


def _part(name: str, path: Path) -> str:
    """A part as text no browser runs, gzipped: what every browser can undo by itself."""
    small = gzip.compress(path.read_bytes(), LEVEL, mtime=0)
    return f'<script type="text/plain" id="{name}">{b64encode(small).decode()}</script>\n'
