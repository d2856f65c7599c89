"""Dilutions: ``1+n`` is one part in n + 1; ``1:n`` can mean either and is asked, never guessed.

By definition of the parts; ambiguity of the colon: common practice, no source.
"""

from __future__ import annotations

import math
import re
from collections.abc import Iterable
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.errors import Unreadable, Unsound
from emulsa.core.limits import Within
from emulsa.core.written import volume_text

Volume = Annotated[float, Within("The volume", 1, 100_000, "ml")]
Parts = Annotated[float, Within("The parts of water", 0, 1_000)]
MinimumMl = Annotated[float, Within("Concentrate for a roll's area", 0, 1_000, "ml")]
RollsPerLitre = Annotated[float, Within("Rolls a litre does", 0.1, 1_000)]
LEAST_WATER = 1e-9  # of a volume: below it there is none
Colon = Literal["one_plus_n", "one_in_n"]


@dataclass(frozen=True, kw_only=True, slots=True)
class Mixed:
    """One part of a mixture, in millilitres."""

    part: str
    ml: float


def mix_text(parts: Iterable[Mixed]) -> str:
    """What is measured, part by part.

    >>> mix_text([Mixed(part="concentrate", ml=31.25), Mixed(part="water", ml=969)])
    'concentrate 31 ml, water 969 ml'
    """
    return ", ".join(f"{each.part} {volume_text(each.ml)}" for each in parts)


def one_part(n: float, volume_ml: float, reading: Colon = "one_plus_n") -> tuple[Mixed, Mixed]:
    """Concentrate and water for a volume.

    >>> [round(each.ml, 2) for each in one_part(31, 1000)]
    [31.25, 968.75]
    """
    whole = n + 1 if reading == "one_plus_n" else n
    concentrate = volume_ml / whole
    return Mixed(part="concentrate", ml=concentrate), Mixed(
        part="water", ml=volume_ml - concentrate
    )


def concentrate_for_water(n: float, water_ml: float) -> float:
    """Concentrate for an amount of water that is measured first: 1+25 with 400 ml takes 16.

    >>> concentrate_for_water(25, 400)
    16.0
    """
    return water_ml / n


def volume_for_water(text: str, water_ml: float, colon: Colon | None = None) -> float:
    """What a dilution makes of an amount of water that is measured first; Unsound for what is used
    undiluted.

    >>> volume_for_water("1+25", 400)
    416.0
    """
    share = concentrate_share(mix(text, 1_000, colon))
    if share > 1 - LEAST_WATER:
        raise Unsound(
            "This developer is used undiluted: there is no water to measure first.",
            field="water_ml",
        )
    return water_ml / (1 - share)


def two_parts(a: float, b: float, water: float, volume_ml: float) -> tuple[Mixed, Mixed, Mixed]:
    """A, B and water; A and B in syringes of their own that never change places.

    >>> [round(each.ml, 3) for each in two_parts(1, 1, 48, 500)]
    [10.0, 10.0, 480.0]
    """
    whole = a + b + water
    return (
        Mixed(part="A", ml=volume_ml * a / whole),
        Mixed(part="B", ml=volume_ml * b / whole),
        Mixed(part="water", ml=volume_ml * water / whole),
    )


def readable(text: str, field: str) -> None:
    """Unreadable, under its field, for what is no dilution."""
    try:
        mix(text, 100.0, "one_plus_n")
    except Unreadable as refusal:
        refusal.field = field
        raise


def unlettered(text: str) -> str:
    """A dilution without the letter a maker calls it by, which is kept with its ratio.

    >>> unlettered("B = 1+31"), unlettered("B (1+31)"), unlettered("1+1")
    ('1+31', '1+31', '1+1')
    """
    found = re.fullmatch(r"\s*[A-Ha-h]\s*(?:=|\()\s*([^()]+?)\s*\)?\s*", text)
    return found[1] if found else text.strip()


def colon_n(text: str) -> str | None:
    """The n of a dilution of ``1:n``, which can mean two things; nothing of any other.

    >>> colon_n("1 : 20"), colon_n("1+20")
    ('20', None)
    """
    bare = unlettered(text).replace(" ", "").replace(",", ".")
    found = re.fullmatch(r"1:(\d+(?:\.\d+)?)", bare)
    return found[1] if found else None


def mix(text: str, volume_ml: float, colon: Colon | None = None) -> tuple[Mixed, ...]:
    """What to measure for ``stock``, ``1+n``, ``A+B+water``, ``A, then B`` or ``1:n``; Unreadable
    for others.

    A colon between two numbers needs ``colon`` to say which of its two meanings is the maker's;
    three numbers are parts for everybody. A divided developer is two baths, each the whole volume.

    >>> [round(each.ml, 1) for each in mix("1:1:100", 510)]
    [5.0, 5.0, 500.0]
    >>> [round(each.ml, 1) for each in mix("B = 1+31", 500)]
    [15.6, 484.4]
    >>> mix("A, then B", 500)
    (Mixed(part='A', ml=500), Mixed(part='B', ml=500))
    """
    bare = unlettered(text).lower().replace(" ", "").replace(",", ".")
    if bare in ("", "stock", "neat", "undiluted"):
        return (Mixed(part="stock", ml=volume_ml),)
    if re.fullmatch(r"a[.,+]?(then)?b", bare):
        return Mixed(part="A", ml=volume_ml), Mixed(part="B", ml=volume_ml)
    number = r"(\d+(?:\.\d+)?)"
    if found := re.fullmatch(rf"1\+{number}", bare):
        return one_part(float(found[1]), volume_ml)
    if n := colon_n(text):
        if colon is None:
            raise Unreadable(
                f"“{text}” can mean 1+{n} or 1 in {n}; say in its recipe which its maker means.",
                field="dilution",
                allowed=["one_plus_n", "one_in_n"],
            )
        return one_part(float(n), volume_ml, colon)
    if found := re.fullmatch(rf"{number}[+:]{number}[+:]{number}", bare):
        return two_parts(float(found[1]), float(found[2]), float(found[3]), volume_ml)
    raise Unreadable(
        f"“{text}” is not a dilution; write stock, 1+50, for two parts 1+1+100, or A, then B.",
        field="dilution",
    )


def concentrate_share(parts: tuple[Mixed, ...]) -> float:
    """How much of a mixture is not water.

    >>> round(concentrate_share(one_part(50, 500)), 4)
    0.0196
    """
    whole = math.fsum(each.ml for each in parts)
    return math.fsum(each.ml for each in parts if each.part != "water") / whole
