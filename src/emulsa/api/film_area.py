"""The area of film, looked up: a sheet's by the format of the holder it was exposed in."""

from __future__ import annotations

from collections.abc import Iterable

from emulsa.core.chemistry.film_area import together_in2
from emulsa.core.film.formats import sheet_in2
from emulsa.core.film.pieces import Piece
from emulsa.store import holders
from emulsa.store.database import Connection


class Areas:
    """Holders and formats read once, for as many pieces as are asked about."""

    def __init__(self, db: Connection) -> None:
        self._formats = {each.id: each.format for each in holders.holders(db)}
        self._own = tuple(holders.formats(db))

    def in2(self, found: Iterable[Piece]) -> float:
        """The area of film that is developed together, in square inches."""
        pieces = list(found)
        sheets = (
            sheet_in2(self._formats.get(each.holder_id or "", ""), self._own)
            for each in pieces
            if each.roll_id is None
        )
        return together_in2(sheets, len({each.roll_id for each in pieces if each.roll_id}))
