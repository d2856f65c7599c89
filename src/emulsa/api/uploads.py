"""Bodies too large for the memory: written to a file as they arrive, and gone afterwards."""

from __future__ import annotations

from collections.abc import AsyncIterator
from contextlib import asynccontextmanager
from pathlib import Path
from uuid import uuid4

from fastapi import Request

from emulsa.api.limits import arriving
from emulsa.core.errors import Missing


@asynccontextmanager
async def received(request: Request, folder: Path, largest: int) -> AsyncIterator[Path]:
    """The request's body as a file in ``folder``; removed unless it was moved elsewhere. TooLarge
    beyond ``largest`` bytes."""
    folder.mkdir(parents=True, exist_ok=True)
    path = folder / f"{uuid4().hex}.part"
    try:
        size = 0
        with path.open("wb") as file:
            async for chunk in arriving(request, largest):
                size += len(chunk)
                file.write(chunk)
        if size == 0:
            raise Missing("The file is empty.", field="file")
        yield path
    finally:
        path.unlink(missing_ok=True)
