"""Ports for services that tests start."""

import random
import socket


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
