"""Bodies as they arrive: no larger than their route takes, in memory or in a file, so that no flood
fills either."""

from __future__ import annotations

from collections.abc import AsyncIterator
from contextlib import asynccontextmanager
from pathlib import Path
from uuid import uuid4

from fastapi import Request

from emulsa.api.limits import LARGEST_BODY, too_large
from emulsa.core.errors import Missing
from emulsa.store.folder import swept_of
from emulsa.store.transactions import refusing


async def arriving(request: Request, largest: int) -> AsyncIterator[bytes]:
    """The body piece by piece; TooLarge as soon as it says it is, or is, over its route's limit."""
    said = request.headers.get("content-length", "")
    arrived = int(said) if said.isascii() and said.isdigit() and len(said) < 20 else 0
    if arrived > largest:
        raise too_large(largest)
    arrived = 0
    async for piece in request.stream():
        arrived += len(piece)
        if arrived > largest:
            raise too_large(largest)
        yield piece


async def body(request: Request, largest: int = LARGEST_BODY) -> bytes:
    """The whole body, no larger than its route takes."""
    return b"".join([piece async for piece in arriving(request, largest)])


@asynccontextmanager
async def received(request: Request, folder: Path, largest: int) -> AsyncIterator[Path]:
    """The request's body as a file in ``folder``; removed unless it was moved elsewhere. TooLarge
    beyond ``largest`` bytes."""
    path = folder / f"{uuid4().hex}.part"
    try:
        size = 0
        with refusing():
            folder.mkdir(parents=True, exist_ok=True)
            with path.open("wb") as file:
                async for chunk in arriving(request, largest):
                    size += len(chunk)
                    file.write(chunk)
        if size == 0:
            raise Missing("The file is empty.", field="file")
        yield path
    finally:
        swept_of(path)
