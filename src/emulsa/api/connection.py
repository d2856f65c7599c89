"""A connection for each request, borrowed from the pool of the application's data folder."""

from __future__ import annotations

from collections.abc import AsyncIterator
from typing import Annotated

from fastapi import Depends, Request

from emulsa.store.database import Connection
from emulsa.store.pool import Pool


async def connection(request: Request) -> AsyncIterator[Connection]:
    # Borrowing does no work that blocks, so it needs no thread of its own.
    pool: Pool = request.app.state.pool
    borrowed = pool.take()
    try:
        yield borrowed
    finally:
        pool.give(borrowed)


Db = Annotated[Connection, Depends(connection)]
