"""Holders: two sides each, a format, and what is known to be wrong with them."""

from __future__ import annotations

import re
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.errors import Unreadable
from emulsa.core.film.formats import FormatKey
from emulsa.core.film.pieces import Side
from emulsa.core.limits import Id, Label, Length, Note, Within

Number = Annotated[int, Within("A holder's number", 1, 999)]
FaultKind = Literal["light leak", "damage", "dust", "other"]

FAULT_WORDS = {"light leak": "a light leak", "damage": "damage", "dust": "dust"}


@dataclass(frozen=True, kw_only=True, slots=True)
class Fault:
    """Something wrong with a holder: what, when it was noticed, and whether it was mended."""

    kind: FaultKind
    noticed: Label = ""
    side: Side | None = None
    note: Note = ""
    mended: bool = False


@dataclass(frozen=True, kw_only=True, slots=True)
class Holder:
    """A double holder: two sides, A and B. A retired one is not offered for loading."""

    id: Id
    number: Number
    format: FormatKey = "4x5"
    faults: Annotated[tuple[Fault, ...], Length("A holder's faults", 0, 50)] = ()
    retired: bool = False
    note: Note = ""


def doubt(holder: Holder, side: Side) -> str:
    """What speaks against loading this side, in one sentence; nothing when it is sound.

    >>> doubt(Holder(id="h", number=4, faults=(Fault(kind="light leak", side="A"),)), "A")
    'Holder 4 side A has a light leak noted, not mended.'
    """
    open_ = [each for each in holder.faults if not each.mended and each.side in (None, side)]
    if not open_:
        return ""
    first = open_[0]
    place = f"Holder {holder.number}" + (f" side {first.side}" if first.side else "")
    what = FAULT_WORDS.get(first.kind) or first.note or "a fault"
    return f"{place} has {what} noted, not mended."


def sides(text: str, known: set[int]) -> list[tuple[int, Side]]:
    """``3-4``, ``2B``, ``1A 5`` as holder numbers and sides, in order, each once.

    >>> sides("3-4, 1B", {1, 3, 4})
    [(3, 'A'), (3, 'B'), (4, 'A'), (4, 'B'), (1, 'B')]
    """
    found: list[tuple[int, Side]] = []
    for word in re.split(r"[\s,]+", text.strip()):
        match = re.fullmatch(r"(\d{1,3})([ABab])?(?:[-–](\d{1,3}))?", word)
        if not match or (match[2] and match[3]):
            raise Unreadable(
                f"“{word}” is not a side; write 2B for one, 3 for both, 3-4 for several holders.",
                field="sides",
            )
        first, last = int(match[1]), int(match[3] or match[1])
        for number in range(first, last + 1):
            if number not in known:
                raise Unreadable(f"There is no holder {number}.", field="sides")
            letters: tuple[Side, ...] = ("A", "B")
            if match[2]:
                letters = ("A",) if match[2].upper() == "A" else ("B",)
            found += [(number, side) for side in letters if (number, side) not in found]
    return found
