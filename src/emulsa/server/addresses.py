"""Where this machine can be reached from others on its network."""

from __future__ import annotations

import socket
from ipaddress import ip_address

ANY = frozenset({"0.0.0.0", "::", ""})
ELSEWHERE = ("192.0.2.1", 9)  # an address kept for documentation; nothing is ever sent to it


def is_network(host: str) -> bool:
    """Whether others can reach a service that listens there.

    >>> is_network("127.0.0.1"), is_network("localhost"), is_network("0.0.0.0")
    (False, False, True)
    """
    if host in ANY:
        return True
    try:
        return not ip_address(host).is_loopback
    except ValueError:
        return host.lower() != "localhost"


def reached_at(host: str, port: int, scheme: str = "http") -> str:
    """The address to type on another device."""
    name = outward() if host in ANY else host
    return f"{scheme}://[{name}]:{port}" if ":" in name else f"{scheme}://{name}:{port}"


def own_names() -> tuple[str, ...]:
    """What this machine may be called on its network: its address, its name, and itself."""
    name = socket.gethostname().split(".", 1)[0].lower()
    return (outward(), f"{name}.local", "127.0.0.1", "localhost")


def outward() -> str:
    """The address this machine would speak from; no packet is sent to learn it."""
    with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as probe:
        try:
            probe.connect(ELSEWHERE)
            return str(probe.getsockname()[0])
        except OSError:
            return socket.gethostname()
