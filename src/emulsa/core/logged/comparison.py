"""Negatives side by side: what is not the same about them, and nothing else."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from emulsa.core.errors import Unsound

MOST = 6


@dataclass(frozen=True, kw_only=True, slots=True)
class Facts:
    """What is known of one negative, each in words; empty where nothing is."""

    film: str = ""
    developer: str = ""
    given: str = ""
    lens: str = ""
    exposure: str = ""
    light: str = ""
    scanned: str = ""


NAMES = {
    "film": "Film",
    "developer": "Developer",
    "given": "Developed",
    "lens": "Lens",
    "exposure": "Exposure",
    "light": "Light given",
    "scanned": "Scan",
}


@dataclass(frozen=True, kw_only=True, slots=True)
class Difference:
    """One thing that is not the same, as it is for each negative; ``other`` where it is not as with
    the first."""

    name: str
    values: tuple[str, ...]
    other: tuple[bool, ...]


def differences(facts: Sequence[Facts]) -> tuple[Difference, ...]:
    """What differs among negatives, in the order of their making.

    >>> found = differences([Facts(film="Harle 200, EI 100"), Facts(film="Harle 200, EI 400")])
    >>> [(each.name, each.other) for each in found]
    [('Film', (False, True))]
    """
    found = []
    for field, name in NAMES.items():
        values = tuple(getattr(each, field) or "not known" for each in facts)
        if len(set(values)) > 1:
            found.append(
                Difference(
                    name=name, values=values, other=tuple(each != values[0] for each in values)
                )
            )
    return tuple(found)


def chosen(ids: str) -> tuple[str, ...]:
    """The pictures an address names, each once; Unsound beside one to six."""
    found = tuple(dict.fromkeys(each for each in ids.split(",") if each))
    if not 1 <= len(found) <= MOST:
        raise Unsound(f"One to {MOST} pictures are looked at together.", field="of")
    return found


def matched(greys: Sequence[float | None]) -> tuple[float, ...]:
    """By what each picture's levels are multiplied, so that one place has the grey of the first.

    >>> matched([120, 60, None])
    (1.0, 2.0, 1.0)
    """
    first = greys[0]
    return tuple(first / each if first and each else 1.0 for each in greys)
