"""A ceiling on request bodies, kept while they arrive, so that no flood fills the memory."""

from __future__ import annotations

from typing import Any

from starlette.types import ASGIApp, Receive, Scope, Send

from emulsa.api.errors import response
from emulsa.api.refusals import TooLarge

MEGABYTE = 1_048_576
LARGEST_BODY = MEGABYTE  # 200 readings with long labels are under 100 kB
# Files are written to the disk as they arrive, not held in the memory.
LARGER = (
    ("/api/attachments/", 40 * MEGABYTE),
    ("/api/exchange/csv", 64 * MEGABYTE),
    ("/api/exchange/archive/merge", 8_192 * MEGABYTE),
)


class BodyLimit:
    """Refuses bodies over their route's limit, whether they say their length or stream."""

    def __init__(self, app: ASGIApp) -> None:
        self.app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        headers = dict(scope["headers"])
        said = headers.get(b"content-length", b"0")
        largest = _largest(scope["path"])
        if said.isdigit() and int(said) > largest:
            await response(_too_large(largest))(scope, receive, send)
            return
        arrived = 0

        async def counted() -> Any:
            nonlocal arrived
            message = await receive()
            arrived += len(message.get("body", b""))
            if arrived > largest:
                raise _too_large(largest)
            return message

        await self.app(scope, counted, send)


def _largest(path: str) -> int:
    return next((bytes_ for prefix, bytes_ in LARGER if path.startswith(prefix)), LARGEST_BODY)


def _too_large(largest: int) -> TooLarge:
    return TooLarge(
        f"This is larger than {largest // MEGABYTE} MB; send less at once.", allowed=[0, largest]
    )
