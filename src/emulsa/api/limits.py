"""A ceiling on request bodies, kept while they arrive, so that no flood fills the memory."""

from __future__ import annotations

from typing import Any

from starlette.types import ASGIApp, Receive, Scope, Send

from emulsa.api.errors import TooLarge, response

LARGEST_BODY = 1_048_576  # bytes: 200 readings with long labels are under 100 kB


class BodyLimit:
    """Refuses bodies over LARGEST_BODY, whether they say their length or stream."""

    def __init__(self, app: ASGIApp) -> None:
        self.app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        headers = dict(scope["headers"])
        said = headers.get(b"content-length", b"0")
        if said.isdigit() and int(said) > LARGEST_BODY:
            await response(_too_large())(scope, receive, send)
            return
        arrived = 0

        async def counted() -> Any:
            nonlocal arrived
            message = await receive()
            arrived += len(message.get("body", b""))
            if arrived > LARGEST_BODY:
                raise _too_large()
            return message

        await self.app(scope, counted, send)


def _too_large() -> TooLarge:
    return TooLarge(
        "This request is larger than 1 MB; send less at once.", allowed=[0, LARGEST_BODY]
    )
