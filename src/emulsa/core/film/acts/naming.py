"""Naming the holder of a sheet that was exposed before anybody said where it lay."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from emulsa.core.errors import Impossible, Unreadable
from emulsa.core.film.holders import Holder, sides
from emulsa.core.film.moves import Moved, Outcome, move
from emulsa.core.film.pieces import NO_HOLDER, Piece, where_text
from emulsa.core.film.states import IS
from emulsa.core.kit.films import is_unnamed
from emulsa.core.limits import Length


@dataclass(frozen=True, kw_only=True, slots=True)
class Naming:
    """The side a sheet lay in, as typed: ``2B``."""

    side: Annotated[str, Length("A side", 1, 8)]


def name_holder(
    piece: Piece, naming: Naming, holders: list[Holder], in_holders: list[Piece], at: str
) -> Outcome:
    """The sheet is the one of that side: what was loaded there is this sheet, from its box.

    Impossible when its holder is known, or when the side holds exposed or other film; film nobody
    named is the film of the side.
    """
    if piece.label != NO_HOLDER:
        raise Impossible(f"The holder of this sheet is known: {piece.label}.", field="side")
    by_number = {each.number: each for each in holders}
    wanted = sides(naming.side, set(by_number))
    if len(wanted) != 1:
        raise Unreadable("A sheet lies in one side; write 2B.", field="side")
    ((number, side),) = wanted
    holder = by_number[number]
    there = next(
        (each for each in in_holders if (each.holder_id, each.side) == (holder.id, side)), None
    )
    moved = () if there is None else (_given_up(there, piece, at),)
    lies_there = piece.state == "exposed" and not piece.kept_in
    named = move(
        piece,
        "name",
        at,
        f"{number}{side}",
        label=f"{number}{side}",
        holder_id=holder.id,
        side=side,
        in_place=lies_there,
        film_id=there.film_id if there else piece.film_id,
        stock_id=there.stock_id if there else piece.stock_id,
        loaded_at=there.loaded_at if there else piece.loaded_at,
    )
    return Outcome(says=f"name the holder {number}{side}", moved=(*moved, named))


def _given_up(there: Piece, piece: Piece, at: str) -> Moved:
    """The sheet the side was thought to hold: it is the one that was exposed."""
    if there.state != "loaded":
        raise Impossible(f"{where_text(there)} {IS[there.state]}; name another.", field="side")
    if there.film_id != piece.film_id and not is_unnamed(piece.film_id):
        raise Impossible(f"{where_text(there)} holds other film; name another.", field="side")
    return move(there, "unload", at, "it is the sheet that was exposed")
