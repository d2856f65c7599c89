"""Services that tests start: their ports, and waiting until they answer."""

import random
import socket
import time
import urllib.error
import urllib.request

PATIENT_S = 120  # a busy machine is slow, not wrong


def free_port() -> int:
    """One that nobody listens at, below those the system gives to connections: a service that is
    stopped finds it free again when it is started."""
    for _ in range(100):
        port = random.randrange(20_000, 32_000)
        with socket.socket() as probe:
            try:
                probe.bind(("127.0.0.1", port))
            except OSError:
                continue
            return port
    raise RuntimeError("no port is free")


def asked(url: str) -> bytes:
    """The answer, as soon as the service is up."""
    request = urllib.request.Request(url, headers={"X-Emulsa": "1"})
    until = time.monotonic() + PATIENT_S
    while time.monotonic() < until:
        try:
            with urllib.request.urlopen(request, timeout=10) as answer:
                body: bytes = answer.read()
                return body
        except urllib.error.HTTPError:
            raise
        except OSError:
            time.sleep(0.05)
    raise AssertionError("the application did not start")
