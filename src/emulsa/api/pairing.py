"""Pairing: on a network only devices that once typed a code shown on this machine are let in.

A code is good once and for ten minutes. Whoever guesses has to wait after a few tries, and keeps
nobody else from pairing. A paired device holds a token in a cookie no script reads; the store keeps
only the token's digest, and is asked each time: who was turned out, here or by another service on
the same folder, is out.
"""

from __future__ import annotations

import hashlib
import secrets
import threading
import time
import unicodedata
from collections.abc import Callable
from contextlib import closing, suppress
from dataclasses import dataclass
from ipaddress import ip_address

from emulsa.core.errors import CoreError, Impossible, Unreadable
from emulsa.store import paired
from emulsa.store.database import Connection
from emulsa.store.paired import Device

AT = "/pair"  # where a device asks to be let in
TRUST = "/emulsa.crt"  # the certificate a device may be told to trust
LETTERS = "ABCDEFGHJKMNPQRSTUVWXYZ23456789"  # none that is read as another
LENGTH = 8  # 31 ** 8 codes
GOOD_FOR_S = 600.0
TRIES = 5  # wrong codes of one device in a minute, until it has to wait
EVERY_S = 60.0
GUESSES = 1_000  # wrong codes of whomever, until a code is worth nothing
MOST_DEVICES = 50
COOKIE = "emulsa-device"
SEEN_EVERY_S = 300.0


@dataclass(frozen=True)
class Code:
    """A code, and until when it is good by the monotonic clock."""

    text: str
    until: float


class Pairing:
    """The codes and devices of one service. It is active when others can reach it."""

    def __init__(
        self,
        connect: Callable[[], Connection],
        active: bool,
        clock: Callable[[], float] = time.monotonic,
    ) -> None:
        self.active = active
        self._connect = connect
        self._clock = clock
        self._lock = threading.Lock()
        self._wrong: dict[str, list[float]] = {}
        self._guesses = 0
        self._code: Code | None = None
        self._seen: dict[str, float] = {}
        self._asking = threading.Lock()
        self._asked: Connection | None = None

    @classmethod
    def closed(cls) -> Pairing:
        """Where nobody but this machine can ask."""

        def nowhere() -> Connection:
            raise Impossible("Nobody can be paired here.")

        return cls(nowhere, active=False)

    def code(self, anew: bool = False) -> str:
        """The code to be typed on another device; a new one when the last is used or old."""
        with self._lock:
            if anew or self._code is None or self._code.until < self._clock():
                text = "".join(secrets.choice(LETTERS) for _ in range(LENGTH))
                self._code, self._guesses = Code(text, self._clock() + GOOD_FOR_S), 0
            return self._code.text

    def pair(self, typed: str, name: str, moment: str, address: str = "") -> str:
        """The token of a newly paired device; Unreadable for a code that is not good, Impossible
        when too many from its address were wrong."""
        with self._lock:
            now = self._clock()
            self._wrong = {
                each: lately
                for each, times in self._wrong.items()
                if (lately := [time for time in times if time > now - EVERY_S])
            }
            if len(self._wrong.get(address, ())) >= TRIES:
                raise Impossible("Too many wrong codes: wait a minute, and try again.")
            bare = "".join(each for each in typed.upper() if each.isalnum())
            good = self._code is not None and self._code.until >= now
            if not good or not secrets.compare_digest(
                bare.encode(), self._code.text.encode() if self._code else b""
            ):
                self._wrong.setdefault(address, []).append(now)
                self._guesses += 1
                if self._guesses >= GUESSES:
                    self._code = None
                raise Unreadable(
                    "This is not the code Emulsa shows now: look again under Preferences, Devices.",
                    field="code",
                )
            self._code = None
            token = secrets.token_urlsafe(32)
            digest = digest_of(token)
            with closing(self._connect()) as connection:
                number = len(paired.devices(connection)) + 1
                if number > MOST_DEVICES:
                    raise Impossible("Fifty devices are paired; remove one first.")
                device = Device(
                    id=secrets.token_hex(8),
                    name=plain_name(name) or f"Device {number}",
                    digest=digest,
                    paired_at=moment,
                    seen_at=moment,
                )
                paired.add(connection, device)
            return token

    def knows(self, token: str, moment: str) -> bool:
        """Whether a token is a paired device's; when it was last seen is kept now and then."""
        digest = digest_of(token)
        with self._asking:
            if self._asked is None:
                self._asked = self._connect()
            if not paired.knows(self._asked, digest):
                return False
        now = self._clock()
        if now - self._seen.get(digest, -SEEN_EVERY_S) >= SEEN_EVERY_S:
            self._seen[digest] = now
            with suppress(CoreError), closing(self._connect()) as connection:
                paired.seen(connection, digest, moment)  # a full disk keeps no known device out
        return True

    def turn_out(self, id_: str) -> None:
        """Forget a device: what it sends from now on is refused."""
        with self._lock, closing(self._connect()) as connection:
            paired.remove(connection, id_)

    def close(self) -> None:
        """The service ends."""
        with self._asking:
            if self._asked is not None:
                self._asked.close()
                self._asked = None


def plain_name(name: str) -> str:
    r"""A device's name on one line, without marks that turn or hide letters.

    >>> plain_name(" Ph\u202eone\n\x07 ")
    'Phone'
    """
    shown = (each for each in name if unicodedata.category(each)[0] != "C")
    return "".join(shown).strip()[:40]


def digest_of(token: str) -> str:
    return hashlib.sha256(token.encode()).hexdigest()


def is_local(address: str) -> bool:
    """Whether a client's address is this machine itself.

    >>> is_local("127.0.0.1"), is_local("::1"), is_local("192.168.1.9"), is_local("testclient")
    (True, True, False, False)
    """
    try:
        return ip_address(address).is_loopback
    except ValueError:
        return False
