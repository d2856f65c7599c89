"""The application in a process of its own, on the demo outing."""

from __future__ import annotations

import socket
import subprocess
import sys
import time
import urllib.request
from pathlib import Path
from types import TracebackType
from typing import Any
from uuid import uuid4

import httpx2


def free_port() -> int:
    """A port nobody uses now."""
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        return int(probe.getsockname()[1])


def speaking(url: str, **more: Any) -> httpx2.Client:
    """A client that says what the page says: its header, and with each act an id of its own."""

    def name(request: httpx2.Request) -> None:
        request.headers["idempotency-key"] = uuid4().hex

    hooks = {"request": [name]}
    return httpx2.Client(base_url=url, headers={"X-Emulsa": "1"}, event_hooks=hooks, **more)


class Running:
    """``emulsa demo`` on a folder, from its command to its end."""

    def __init__(self, folder: Path) -> None:
        self.port = free_port()
        self.url = f"http://127.0.0.1:{self.port}"
        self.folder = folder
        self.ready_s = 0.0

    def __enter__(self) -> Running:
        start = time.perf_counter()
        command = ["demo", "--port", str(self.port), "--data", str(self.folder)]
        self.process = subprocess.Popen(
            [sys.executable, "-m", "emulsa", *command], stdout=subprocess.DEVNULL
        )
        while True:
            try:
                with urllib.request.urlopen(f"{self.url}/api/health"):
                    break
            except OSError:
                time.sleep(0.005)
        self.ready_s = time.perf_counter() - start
        return self

    def __exit__(
        self,
        kind: type[BaseException] | None,
        error: BaseException | None,
        trace: TracebackType | None,
    ) -> None:
        self.process.kill()
        self.process.wait()

    def resident_mb(self) -> float:
        """Resident memory of the server's process now."""
        status = Path(f"/proc/{self.process.pid}/status").read_text(encoding="utf-8")
        line = next(line for line in status.splitlines() if line.startswith("VmRSS"))
        return int(line.split()[1]) / 1024
