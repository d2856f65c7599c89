"""Film that can be exposed now: sides by number, then the frames that come next on loaded rolls."""

from __future__ import annotations

import math
import re
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass

from emulsa.core.development.ratings import RatingReason
from emulsa.core.film.pieces import NO_HOLDER, Piece
from emulsa.core.film.rolls import Roll, in_the_gate, rated
from emulsa.core.film.states import State
from emulsa.core.kit.films import Film
from emulsa.core.logged.record import Shot
from emulsa.core.logged.texts import SHARE_SLACK


@dataclass(frozen=True, kw_only=True, slots=True)
class Ready:
    """A place that can take an exposure, or another share of one; ``doubt`` is worth a look.

    ``in_gate``: it can take it now; frames further on a roll wait their turn. ``rated_ei`` is what
    its roll is shot at, ``rating_reason`` why; of a sheet each has its own. ``camera_id`` is the
    camera a roll is in.
    """

    piece_id: str
    where: str
    film_id: str
    film_name: str
    state: State
    share_given: float
    share_left: float
    roll_number: int | None
    in_gate: bool
    rated_ei: float | None
    rating_reason: RatingReason | None
    camera_id: str | None
    doubt: str


def ready(
    sheets: Iterable[Piece],
    frames: Mapping[str, Sequence[Piece]],
    rolls: Iterable[Roll],
    films: Mapping[str, Film],
    shots: Mapping[str, Sequence[Shot]],
) -> tuple[Ready, ...]:
    """Everything loaded or exposed in a holder, and on each roll in a camera from the last exposed
    frame on."""
    found: list[tuple[Piece, Roll | None]] = [(each, None) for each in sorted(sheets, key=_by_side)]
    found += [
        (frame, roll)
        for roll in rolls
        if roll.place == "camera"
        for frame in frames.get(roll.id, ())
        if (frame.frame or 0) >= roll.next_frame - 1
    ]
    return tuple(
        _ready(piece, roll, films[piece.film_id], shots.get(piece.id, ()))
        for piece, roll in found
        # film that cannot be read is shown to nobody as ready
        if piece.state in ("loaded", "exposed") and piece.film_id in films
    )


@dataclass(frozen=True, kw_only=True, slots=True)
class Fitting:
    """Film an exposure on one kind of film can go onto: ``now`` what can take it as it stands, what
    is begun first; ``unexposed`` every unexposed piece in its order, as a bracket winds on through
    them; ``taken`` what is exposed already, and is named only when it happened."""

    now: tuple[Ready, ...]
    unexposed: tuple[Ready, ...]
    taken: tuple[Ready, ...]


def fitting(
    found: Iterable[Ready], film_id: str, share: float, camera_id: str | None = None
) -> Fitting:
    """What of this film an exposure, or a share of a multiple one, can go onto; film in the camera
    of the scene's lens comes first, rolls in another last."""
    own = [each for each in found if each.film_id == film_id]
    if camera_id is not None:
        own.sort(key=lambda each: _rank(each, camera_id))
    unexposed = tuple(each for each in own if each.state == "loaded")
    begun = [each for each in own if each.state == "exposed" and each.in_gate]
    open_ = [each for each in begun if share < 1 and each.share_left >= share - SHARE_SLACK]
    now = [*sorted(open_, key=lambda each: -each.share_given), *(e for e in unexposed if e.in_gate)]
    return Fitting(
        now=tuple(now),
        unexposed=unexposed,
        taken=tuple(each for each in begun if each not in open_),
    )


def _rank(each: Ready, camera_id: str) -> int:
    if each.roll_number is None:
        return 1
    return 0 if each.camera_id == camera_id else 2


@dataclass(frozen=True, kw_only=True, slots=True)
class Meant:
    """The film that a typed side or frame means; none, and why, when it cannot take an exposure.

    ``unplaced``: a sheet in no holder, or one whose holder is named later.
    """

    piece: Ready | None
    unplaced: bool
    refusal: str


def meant(fits: Fitting, typed: str, film_name: str) -> Meant:
    """What is exposed already may be named, too: it is recorded when it happened. Nothing typed is
    what can take it first."""
    first = fits.now[0].where if fits.now else NO_HOLDER
    wanted = typed.strip().upper() or first.upper()
    if wanted == NO_HOLDER.upper():
        return Meant(piece=None, unplaced=True, refusal="")
    found = next((each for each in (*fits.now, *fits.taken) if each.where == wanted), None)
    if found is not None:
        return Meant(piece=found, unplaced=False, refusal="")
    offered = ", ".join(each.where for each in fits.now)
    choose = f"{offered}, or {NO_HOLDER}" if offered else NO_HOLDER
    said = f"{wanted} holds no unexposed {film_name}; choose from {choose}."
    return Meant(piece=None, unplaced=False, refusal=said)


@dataclass(frozen=True, kw_only=True, slots=True)
class MeantRow:
    """The film a bracket goes onto, frame by frame, as it was typed; why not, when it does not."""

    where: tuple[str, ...]
    piece_ids: tuple[str, ...]
    refusal: str


def meant_row(fits: Fitting, typed: str, count: int, film_name: str) -> MeantRow:
    """Nothing typed is the first unexposed pieces in their order, all of them sheets or all of one
    roll, as the first is: nobody changes backs within a bracket."""
    there = {each.where: each.piece_id for each in fits.unexposed}
    kinds = {each.where: each.roll_number for each in fits.unexposed}
    wanted = tuple(filter(None, re.split(r"[\s,]+", typed.upper())))
    if not wanted and there:
        first = next(iter(kinds.values()))
        wanted = tuple(each for each in there if kinds[each] == first)[:count]
    if len({kinds[each] for each in wanted if each in kinds}) > 1:
        said = f"A bracket stays on sheets, or on one roll; {', '.join(wanted)} are both."
        return MeantRow(where=wanted, piece_ids=(), refusal=said)
    ids = tuple(dict.fromkeys(there[each] for each in wanted if each in there))
    if len(ids) == len(wanted) == count:
        return MeantRow(where=wanted, piece_ids=ids, refusal="")
    said = (
        f"{count} different unexposed sides or frames of {film_name} are needed, in the order of"
        f" the frames; loaded are {', '.join(there) or 'none'}."
    )
    return MeantRow(where=wanted, piece_ids=ids, refusal=said)


def _ready(piece: Piece, roll: Roll | None, film: Film, shots: Sequence[Shot]) -> Ready:
    given = math.fsum(each.share for each in shots)
    doubt = ""
    if roll is not None and not roll.advanced:
        doubt = f"Roll {roll.number} was not yet seen to move; turn the crank and watch it."
    return Ready(
        piece_id=piece.id,
        where=piece.label,
        film_id=piece.film_id,
        film_name=film.name,
        state=piece.state,
        share_given=given,
        share_left=max(0.0, round(1 - given, 6)),
        roll_number=roll.number if roll else None,
        in_gate=roll is None
        or in_the_gate(roll, piece.frame or 0, exposed=piece.state == "exposed"),
        rated_ei=rated(roll, film.exposure_index) if roll else None,
        rating_reason=roll.rating_reason if roll else None,
        camera_id=roll.camera_id if roll else None,
        doubt=doubt,
    )


def _by_side(piece: Piece) -> tuple[int, str]:
    return int(piece.label[:-1]), piece.label[-1]
