"""One run over everything; each line is what was measured, the target, and their ratio."""

from __future__ import annotations

import gzip
import re
import subprocess
import sys
import tempfile
import time
import timeit
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

import httpx2
import uvicorn
from fastapi import FastAPI

from benchmarks.drag import redraw_p95_ms
from benchmarks.service import Running, free_port
from emulsa.api.app import BUILT_PAGE
from emulsa.core import operations, wire
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.exposure import exposure

ROUNDS = 15


def twenty_readings() -> dict[str, Any]:
    """The contract's example with 20 readings."""
    request = dict(operations.EXPOSURE_EXAMPLE)
    request["readings"] = [
        {"id": f"r{k}", "label": f"slate {k}", "reading": {"kind": "ev", "ev": 4 + k / 2}}
        for k in range(20)
    ]
    request["placement"] = {"school": "shadow", "reading": "r3", "zone": 3}
    request["high"] = {"reading": "r15", "zone": 8}
    return request


def best_us(call: Any, number: int) -> float:
    """Microseconds of one call, the best of several rounds: what the machine can do."""
    return min(timeit.repeat(call, number=number, repeat=ROUNDS)) / number * 1e6


def core_us() -> float:
    """Core `exposure` with 20 readings."""
    request = wire.decode(ExposureRequest, twenty_readings())
    return best_us(lambda: exposure(request), 200)


@contextmanager
def bare_route() -> Iterator[str]:
    """A FastAPI route that validates the same body with Pydantic and echoes it, in a process."""
    port = free_port()
    process = subprocess.Popen([sys.executable, "-m", "benchmarks.__main__", "echo", str(port)])
    try:
        yield f"http://127.0.0.1:{port}/echo"
    finally:
        process.kill()
        process.wait()


def serve_echo(port: int) -> None:
    app = FastAPI()

    @app.post("/echo")
    def echo(body: ExposureRequest) -> ExposureRequest:
        return body

    uvicorn.run(app, port=port, log_level="error")


def request_ms(url: str) -> float:
    """The median of many requests on one connection, in milliseconds."""
    body = wire.dumps(twenty_readings())
    took = []
    with httpx2.Client() as client:
        for _ in range(100):
            try:
                client.post(url, content=body)
                break
            except httpx2.TransportError:
                time.sleep(0.1)
        for _ in range(400):
            start = time.perf_counter()
            answer = client.post(url, content=body, headers={"content-type": "application/json"})
            took.append((time.perf_counter() - start) * 1e3)
            assert answer.status_code == 200, answer.text
    return sorted(took)[len(took) // 2]


def first_route_kb() -> float:
    """Gzip kilobytes of every script the scene, the heaviest first route, loads."""
    assets = BUILT_PAGE / "assets"
    wanted = set(re.findall(r"assets/([\w.-]+\.js)", (BUILT_PAGE / "index.html").read_text()))
    wanted |= {each.name for each in assets.glob("scene-*.js")}
    seen: set[str] = set()
    while wanted - seen:
        name = (wanted - seen).pop()
        seen.add(name)
        text = (assets / name).read_text()
        static = re.findall(r"""(?:from|import)\s*["']\./([\w.-]+\.js)["']""", text)
        wanted |= set(static)
    return sum(len(gzip.compress((assets / name).read_bytes(), 6)) for name in seen) / 1024


def report(what: str, measured: float, target: float, unit: str) -> None:
    verdict = "within" if measured <= target else "BEYOND"
    ratio = measured / target
    print(f"{what:46} {measured:9.1f} {unit:4} target {target:6g}  ratio {ratio:4.2f} {verdict}")


def main() -> None:
    report("core exposure, 20 readings", core_us(), 300, "µs")
    with tempfile.TemporaryDirectory() as folder, Running(Path(folder)) as running:
        report("server ready after its command", running.ready_s * 1e3, 2000, "ms")
        with bare_route() as echo:
            echoed = request_ms(echo)
            answered = request_ms(f"{running.url}/api/compute/exposure")
        report(f"POST exposure ÷ bare route ({echoed:.2f} ms)", answered / echoed, 2.5, "×")
        report("dragging a pin, redraw p95", redraw_p95_ms(running.url), 50, "ms")
        report("server resident", running.resident_mb(), 130, "MB")
    report("scripts of the first route, gzip", first_route_kb(), 260, "kB")


if __name__ == "__main__":
    if sys.argv[1:2] == ["echo"]:
        serve_echo(int(sys.argv[2]))
    else:
        main()
