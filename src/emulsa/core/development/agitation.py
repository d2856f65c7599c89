"""When a tank is moved: the events of an agitation scheme, half-open, none at or after the end."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from emulsa.core.data.agitation import CONTINUOUS, SCHEMES
from emulsa.core.errors import Missing
from emulsa.core.limits import Length, Within

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


def words() -> dict[str, str]:
    """Every scheme that has a name, in words."""
    return {key: scheme[0] for key, scheme in SCHEMES.items()} | CONTINUOUS


def named(key: str, total_s: float) -> tuple[tuple[float, float], ...]:
    """The events of a scheme known by its key; Missing, with the keys there are, for another."""
    if key in CONTINUOUS:
        return ((0.0, total_s),)
    if key not in SCHEMES:
        known = [*SCHEMES, *CONTINUOUS]
        raise Missing(
            f"“{key}” is no agitation scheme; choose one of {', '.join(known)}.",
            field="agitation",
            allowed=known,
        )
    _, first, each, every, repeat = SCHEMES[key]
    return events(total_s, Scheme(first_s=first, each_s=each, every_s=every, repeat_from_s=repeat))
