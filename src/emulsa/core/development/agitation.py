"""When a tank is moved: the events of an agitation scheme, half-open, none at or after the end."""

from __future__ import annotations

import re
from dataclasses import dataclass
from typing import Annotated

from emulsa.core.data.agitation import CONTINUOUS, SCHEMES
from emulsa.core.errors import Missing
from emulsa.core.limits import Length, Within
from emulsa.core.numbers import plain

# 5: at the start only; 30+10/60: 30 s, then 10 s every 60 s
OWN = re.compile(r"(\d{1,4}(?:\.\d)?)(?:\+(\d{1,3}(?:\.\d)?)/([1-9]\d{0,4}))?")
SchemeKey = Annotated[str, Length("An agitation scheme", 1, 20)]
Seconds = Annotated[float, Within("Seconds of agitation", 0, 36_000, "s")]


@dataclass(frozen=True, kw_only=True, slots=True)
class Scheme:
    """The first movement, the later ones, how often they come and when the first of them begins.

    ``every_s`` 0: the first movement is the only one.
    """

    first_s: Seconds = 30.0
    each_s: Seconds = 10.0
    every_s: Seconds = 60.0
    repeat_from_s: Seconds = 60.0


def events(total_s: float, scheme: Scheme) -> tuple[tuple[float, float], ...]:
    """Start and end of each movement within ``total_s`` seconds.

    >>> len(events(420, Scheme())), events(20, Scheme())
    (7, ((0.0, 20),))
    """
    found = []
    if scheme.first_s > 0:
        found.append((0.0, min(scheme.first_s, total_s)))
    if scheme.every_s > 0 and scheme.each_s > 0:
        count = 0
        while (start := scheme.repeat_from_s + count * scheme.every_s) < total_s:
            found.append((start, min(start + scheme.each_s, total_s)))
            count += 1
    return tuple(found)


def own(key: str) -> Scheme | None:
    """A scheme of one's own, by its key: the first seconds, then how many every so many.

    >>> own("5"), own("0+5/30").repeat_from_s, own("tap")
    (Scheme(first_s=5.0, each_s=0.0, every_s=0.0, repeat_from_s=0.0), 30.0, None)
    """
    said = OWN.fullmatch(key)
    if said is None:
        return None
    each, every = float(said[2] or 0), float(said[3] or 0)
    return Scheme(first_s=float(said[1]), each_s=each, every_s=every, repeat_from_s=every)


def scheme_text(key: str) -> str:
    """A scheme in words, named or one's own.

    >>> scheme_text("5"), scheme_text("rotary")
    ('5 s at the start, then nothing', 'continuous rotary')
    >>> scheme_text("20+5/120")
    '20 s at the start, then 5 s every 2 min'
    """
    scheme = own(key)
    if scheme is None:
        return words().get(key, key)
    first = f"{plain(scheme.first_s)} s at the start"
    if not (scheme.every_s and scheme.each_s):
        return f"{first}, then nothing"
    minutes = scheme.every_s / 60
    every = f"{plain(scheme.every_s)} s" if minutes % 0.5 else f"{plain(minutes)} min"
    return f"{first}, then {plain(scheme.each_s)} s every {every}"


def words() -> dict[str, str]:
    """Every scheme that has a name, in words."""
    return {key: scheme[0] for key, scheme in SCHEMES.items()} | CONTINUOUS


def named(key: str, total_s: float) -> tuple[tuple[float, float], ...]:
    """The events of a scheme known by its key; Missing, with the keys there are, for another."""
    if key in CONTINUOUS:
        return ((0.0, total_s),)
    mine = own(key)
    if mine is not None:
        return events(total_s, mine)
    if key not in SCHEMES:
        known = [*SCHEMES, *CONTINUOUS]
        raise Missing(
            f"“{key}” is no agitation scheme; choose one of {', '.join(known)}, or write your own,"
            " as 30+10/60: 30 s at the start, then 10 s every 60 s.",
            field="agitation",
            allowed=known,
        )
    _, first, each, every, repeat = SCHEMES[key]
    return events(total_s, Scheme(first_s=first, each_s=each, every_s=every, repeat_from_s=repeat))
