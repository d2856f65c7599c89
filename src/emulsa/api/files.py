"""Files that are handed in: where they arrive, and those that lie in the memory already."""

from __future__ import annotations

from dataclasses import replace
from pathlib import Path
from uuid import uuid4

from emulsa.api.acting import serve
from emulsa.api.house import House
from emulsa.api.limits import too_large
from emulsa.api.route import Asked, Reply, Route
from emulsa.core.errors import Missing
from emulsa.store.folder import swept_of


def arrives_in(route: Route, house: House) -> Path:
    """Where a file that is handed in is written down: where it may stay."""
    return house.attachments if route.name.startswith("attachments.") else house.exchange


def serve_file(route: Route, house: House, asked: Asked, content: bytes) -> Reply:
    """Answer a request that hands a file in; TooLarge or Missing before it is written down."""
    if len(content) > route.largest:
        raise too_large(route.largest)
    if not content:
        raise Missing("The file is empty.", field="file")
    folder = arrives_in(route, house)
    folder.mkdir(parents=True, exist_ok=True)
    path = folder / f"{uuid4().hex}.part"
    try:
        path.write_bytes(content)
        return serve(route, house, replace(asked, body=b"", file=path))
    finally:
        swept_of(path)
