"""A ceiling on request bodies, kept while they arrive, so that no flood fills memory or disk."""

from __future__ import annotations

from collections.abc import AsyncIterator

from fastapi import Request

from emulsa.api.refusals import TooLarge

MEGABYTE = 1_048_576
LARGEST_BODY = MEGABYTE  # 200 readings with long labels are under 100 kB


async def arriving(request: Request, largest: int) -> AsyncIterator[bytes]:
    """The body piece by piece; TooLarge as soon as it says it is, or is, over its route's limit."""
    said = request.headers.get("content-length", "")
    arrived = int(said) if said.isascii() and said.isdigit() and len(said) < 20 else 0
    if arrived > largest:
        raise _too_large(largest)
    arrived = 0
    async for piece in request.stream():
        arrived += len(piece)
        if arrived > largest:
            raise _too_large(largest)
        yield piece


async def body(request: Request, largest: int = LARGEST_BODY) -> bytes:
    """The whole body, no larger than its route takes."""
    return b"".join([piece async for piece in arriving(request, largest)])


def _too_large(largest: int) -> TooLarge:
    return TooLarge(
        f"This is larger than {largest // MEGABYTE} MB; send less at once.", allowed=[0, largest]
    )
