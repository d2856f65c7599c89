"""The area of film that is developed together: a sheet's by the format of its holder."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from emulsa.core.chemistry.film_area import together_in2
from emulsa.core.film.formats import SheetFormat, sheet_in2
from emulsa.core.film.pieces import Piece


@dataclass(frozen=True, kw_only=True, slots=True)
class Areas:
    """The formats of the holders sheets were exposed in, one's own sheet sizes, and the rolls that
    are as long as two."""

    formats: Mapping[str, str]
    own: tuple[SheetFormat, ...] = ()
    long: frozenset[str] = frozenset()

    def in2(self, found: Iterable[Piece]) -> float:
        """Square inches of these pieces; a roll counts whole, its blank frames too."""
        pieces = list(found)
        twice = {each.roll_id for each in pieces if each.roll_id} & self.long
        return together_in2(self.sheets_in2(pieces), roll_count(pieces) + len(twice))

    def sheets_in2(self, found: Iterable[Piece]) -> list[float]:
        """The area of each sheet among these pieces."""
        return [
            sheet_in2(self.formats.get(each.holder_id or "", ""), self.own)
            for each in found
            if each.roll_id is None
        ]


def roll_count(found: Iterable[Piece]) -> int:
    """How many rolls these pieces are of."""
    return len({each.roll_id for each in found if each.roll_id})
