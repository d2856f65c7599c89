"""A connection for each request, to the data folder the application was started with."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Annotated

from fastapi import Depends, Request

from emulsa.store import database


def connection(request: Request) -> Iterator[database.Connection]:
    opened = database.connect(request.app.state.database)
    try:
        yield opened
    finally:
        opened.close()


Db = Annotated[database.Connection, Depends(connection)]
