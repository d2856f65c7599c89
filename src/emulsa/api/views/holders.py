"""The holder board as it is shown."""

from __future__ import annotations

import math
from dataclasses import dataclass

from emulsa.api.views.slips import slips
from emulsa.core.corrections.film_kinds import n_words
from emulsa.core.exposing.slip import Slip
from emulsa.core.film.formats import format_name
from emulsa.core.film.holders import Holder, doubt
from emulsa.core.film.pieces import Piece, Side
from emulsa.core.film.states import BAG_MOVES, BagMove, State
from emulsa.core.logged.record import Shot
from emulsa.core.logged.texts import part_text, twice_text
from emulsa.core.versions import version_of
from emulsa.store import exposures, films, pieces, scenes
from emulsa.store import holders as store
from emulsa.store.database import Connection


@dataclass(frozen=True)
class SideView:
    """One side of a holder in words; ``bag_move`` is what is done with it in the changing bag,
    ``doubt`` what speaks against loading it, ``slip`` what its latest exposure was of."""

    side: Side
    where: str
    state: State
    bag_move: BagMove | None
    piece_id: str | None
    film_id: str | None
    film_name: str
    n_text: str
    part_text: str
    scene_id: str | None
    scene_title: str
    exposure_id: str | None
    share_given: float
    twice_text: str
    doubt: str
    slip: Slip | None


@dataclass(frozen=True)
class HolderView:
    """A holder, its version, what its format is called, and its two sides."""

    holder: Holder
    format_name: str
    version: str
    sides: tuple[SideView, SideView]


@dataclass(frozen=True)
class BoxView:
    """A box of exposed film: its name and what is in it, in words."""

    name: str
    sheets: tuple[str, ...]


def board(db: Connection) -> list[HolderView]:
    """Every holder by number; retired ones are told apart by the flag."""
    own, names, sheets = store.formats(db), films.names(db), pieces.in_holders(db)
    lying = {(each.holder_id, each.side): each for each in sheets}
    shots = exposures.shots(db, [each.id for each in sheets])
    titles = scenes.titles(db, {each.scene_id for given in shots.values() for each in given})
    drawn = slips(db, [given[-1].id for given in shots.values() if given])

    def side(holder: Holder, letter: Side) -> SideView:
        sheet = lying.get((holder.id, letter))
        given = shots.get(sheet.id, []) if sheet else []
        return _side(holder, letter, sheet, given, (names, titles, drawn))

    return [
        HolderView(
            holder=holder,
            format_name=format_name(holder.format, own),
            version=version_of(holder),
            sides=(side(holder, "A"), side(holder, "B")),
        )
        for holder in store.holders(db)
    ]


def _side(
    holder: Holder,
    letter: Side,
    sheet: Piece | None,
    given: list[Shot],
    words: tuple[dict[str, str], dict[str, str], dict[str, Slip]],
) -> SideView:
    names, titles, drawn = words
    last = given[-1] if given else None
    state: State = sheet.state if sheet else "empty"
    return SideView(
        side=letter,
        where=f"{holder.number}{letter}",
        state=state,
        bag_move=BAG_MOVES.get(state),
        piece_id=sheet.id if sheet else None,
        film_id=sheet.film_id if sheet else None,
        film_name=names[sheet.film_id] if sheet else "",
        n_text=n_words(last.n, last.film_kind) if last else "",
        part_text=part_text(last) if last else "",
        scene_id=last.scene_id if last else None,
        scene_title=titles[last.scene_id] if last else "",
        exposure_id=last.id if last else None,
        share_given=math.fsum(each.share for each in given),
        twice_text=twice_text(each.share for each in given),
        doubt=doubt(holder, letter),
        slip=drawn.get(last.id) if last else None,
    )
