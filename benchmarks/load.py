"""Many hands at once: writers and readers on one service for a while, and what each of them waited.

    python -m benchmarks.load [seconds] [writers] [readers]

Whoever writes packs and unpacks for the demo's outing; whoever reads goes through the rooms. They
speak HTTP by themselves, so that they take little of the machine they measure. The first seconds,
in which everything is read from the disk, do not count.
"""

from __future__ import annotations

import asyncio
import json
import sys
import tempfile
import time
from collections import Counter
from pathlib import Path
from uuid import uuid4

from benchmarks.service import Running

ROOMS = ("/api/kit", "/api/darkroom", "/api/log", "/api/outings", "/api/prints", "/api/rolls")
PACKED = "/api/outings/outing-quarry/packed"
WARM_S = 3.0
LARGEST = 2**22


async def hands(port: int, seconds: float, writers: int, readers: int) -> None:
    """All of them at once; prints what they waited, and their answers by status."""
    waited: dict[str, list[float]] = {"write": [], "read": []}
    statuses: Counter[int] = Counter()
    begun = time.monotonic()

    async def work(kind: str, number: int) -> None:
        answers, asks = await asyncio.open_connection("127.0.0.1", port, limit=LARGEST)
        count = 0
        while time.monotonic() < begun + WARM_S + seconds:
            count += 1
            start = time.perf_counter()
            asks.write(_asked(kind, number + count, port))
            await asks.drain()
            status = await _answered(answers)
            if time.monotonic() > begun + WARM_S:
                waited[kind].append(1_000 * (time.perf_counter() - start))
                statuses[status] += 1
        asks.close()

    kinds = ["write"] * writers + ["read"] * readers
    await asyncio.gather(*(work(kind, number) for number, kind in enumerate(kinds)))
    for kind, times in waited.items():
        if times:
            times.sort()
            p50, p90, p99 = (times[int(share * (len(times) - 1))] for share in (0.5, 0.9, 0.99))
            print(
                f"{kind}s: {len(times) / seconds:.0f}/s, median {p50:.0f} ms, p90 {p90:.0f} ms,"
                f" p99 {p99:.0f} ms, longest {times[-1]:.0f} ms"
            )
    print("answers by status:", dict(sorted(statuses.items())))


def _asked(kind: str, count: int, port: int) -> bytes:
    body = b""
    line = f"GET {ROOMS[count % len(ROOMS)]} HTTP/1.1"
    if kind == "write":
        body = json.dumps(
            {"put_in" if count % 2 else "taken_out": ["always:Tape measure"]}
        ).encode()
        line = f"POST {PACKED} HTTP/1.1"
    heads = {
        "host": f"127.0.0.1:{port}",
        "x-emulsa": "1",
        "content-type": "application/json",
        "content-length": str(len(body)),
        "idempotency-key": uuid4().hex,
    }
    return (
        "\r\n".join([line, *(f"{name}: {value}" for name, value in heads.items()), "", ""]).encode()
        + body
    )


async def _answered(answers: asyncio.StreamReader) -> int:
    """The status; the body is read to its end."""
    head = (await answers.readuntil(b"\r\n\r\n")).decode().lower()
    if "content-length: " in head:
        await answers.readexactly(int(head.split("content-length: ")[1].split()[0]))
    else:
        while size := int((await answers.readline()).strip(), 16):
            await answers.readexactly(size + 2)
        await answers.readexactly(2)
    return int(head.split()[1])


if __name__ == "__main__":
    given = [float(each) for each in sys.argv[1:]]
    seconds_, writers_, readers_ = [*given, *[60.0, 16.0, 16.0][len(given) :]]
    with tempfile.TemporaryDirectory() as folder, Running(Path(folder)) as running:
        asyncio.run(hands(running.port, seconds_, int(writers_), int(readers_)))
