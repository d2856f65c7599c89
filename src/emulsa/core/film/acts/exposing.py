"""Exposing: film gets its light, the camera is wound on, the log keeps what was given."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Annotated

from emulsa.core.advice import Advice
from emulsa.core.errors import Impossible, Missing
from emulsa.core.film.moves import Moved, Outcome, load, move
from emulsa.core.film.pieces import Piece, share_left, unplaced, where_text
from emulsa.core.film.rolls import Roll, exposing, rated
from emulsa.core.film.states import Move
from emulsa.core.film.states import move as state_after
from emulsa.core.kit.films import Film, unnamed_film
from emulsa.core.limits import Id, Length
from emulsa.core.logged.log import light_stops, log
from emulsa.core.logged.record import Exposure, Given, Planned, Shot, Taken
from emulsa.core.numbers import plain
from emulsa.core.written import stops_words

SAME_EI = 1e-6


@dataclass(frozen=True, kw_only=True, slots=True)
class Bracketed:
    """All frames of a bracket as they were given, slowest first; logged together or not at all."""

    id: Id
    frames: Annotated[tuple[Given, ...], Length("Frames of a bracket", 1, 15)]


@dataclass(frozen=True, kw_only=True, slots=True)
class Target:
    """A piece film is to be exposed on: the film it is, its roll if it is a frame, what it has had
    already, and what it cost."""

    piece: Piece
    film: Film
    roll: Roll | None = None
    had: Sequence[Shot] = ()
    cost: float | None = None

    @property
    def given(self) -> float:
        """How much of its exposure it has had: 1 is all of it."""
        return math.fsum(each.share for each in self.had)


@dataclass(frozen=True, kw_only=True, slots=True)
class Logging:
    """What every exposure of an act is logged with: the scene's name, the moment, who wrote it."""

    title: str
    at: str
    version: str


def expose(given: Given, planned: Planned, target: Target, logging: Logging) -> Outcome:
    """One exposure onto its film.

    A share below 1 is part of an intended multiple exposure and may go onto exposed film. What
    nobody would advise (``doubts``) is refused unless it is said to have happened. Impossible when
    the film is another one, or not in the gate.
    """
    exposure, moved, roll = _exposed(given, planned, target, logging)
    return Outcome(
        says=f"expose {target.piece.label} on {logging.title}",
        kept=(exposure,) if roll is None else (exposure, roll),
        moved=(moved,),
    )


def expose_unplaced(
    given: Given, planned: Planned, film: Film | None, logging: Logging, *, known: bool
) -> Outcome:
    """An exposure on a sheet nobody has said the holder of: it is begun and exposed at once.

    ``film`` is the scene's; nothing when it was never named, and is kept by its EI then.
    Impossible when the sheet or the exposure is ``known`` already: neither is written over.
    """
    if known:
        raise Impossible("This sheet or this exposure is in the log already.", field="piece_id")
    named = film or unnamed_film(planned.request.ei)
    piece = unplaced(given.piece_id, named.id, logging.at)
    exposure, moved, _ = _exposed(given, planned, Target(piece=piece, film=named), logging)
    return Outcome(
        says=f"expose a sheet on {logging.title}",
        kept=(piece, exposure) if film else (named, piece, exposure),
        moved=(load(piece), moved),
    )


def expose_bracket(
    bracket: Bracketed,
    planned: Mapping[str, Planned],
    targets: Mapping[str, Target],
    logging: Logging,
) -> Outcome:
    """Every frame on a piece of its own; a roll is wound on from frame to frame.

    ``planned`` by scene, ``targets`` by piece.
    """
    kept: list[object] = []
    moved: list[Moved] = []
    rolls: dict[str, Roll] = {}
    done: set[str] = set()
    for frame in bracket.frames:
        if frame.piece_id in done:
            raise Impossible("Each frame of a bracket needs film of its own.", field="frames")
        done.add(frame.piece_id)
        target = _target(targets, frame.piece_id)
        if target.piece.roll_id in rolls:
            target = replace(target, roll=rolls[target.piece.roll_id])
        plan = frame.plan or planned[frame.scene_id]
        given = replace(frame, bracket_id=bracket.id)
        exposure, step, roll = _exposed(given, plan, target, logging)
        kept.append(exposure)
        moved.append(step)
        if roll is not None:
            rolls[roll.id] = roll
    return Outcome(
        says=f"expose a bracket of {len(bracket.frames)} on {logging.title}",
        kept=(*kept, *rolls.values()),
        moved=tuple(moved),
    )


def doubts(given: Given, planned: Planned, target: Target) -> tuple[Advice, ...]:
    """What speaks against this exposure, with what comes of it; recorded if it happened all the
    same."""
    said = []
    if target.roll is not None:
        said += _other_ei(planned, target, target.roll)
    if given.share >= 1 and target.piece.state == "exposed":
        said.append(_second(given, target))
    return tuple(said)


def _other_ei(planned: Planned, target: Target, roll: Roll) -> list[Advice]:
    ei, wanted = rated(roll, target.film.exposure_index), planned.request.ei
    if abs(ei - wanted) <= SAME_EI * ei:
        return []
    stops = math.log2(ei / wanted)
    text = (
        f"Roll {roll.number} is rated EI {plain(ei)} and this scene is worked out for EI"
        f" {plain(wanted)}: as the roll is developed this frame has {stops_words(stops)} of light."
    )
    return [Advice(code="frame-at-another-ei", severity="warning", text=text)]


def _second(given: Given, target: Target) -> Advice:
    over = math.log2(2 ** light_stops(target.had) + given.share)
    text = (
        f"{where_text(target.piece)} is exposed already: two pictures lie over each other, with"
        f" {stops_words(over)} of light together."
    )
    return Advice(code="exposed-twice", severity="warning", text=text)


def _exposed(
    given: Given, planned: Planned, target: Target, logging: Logging
) -> tuple[Exposure, Moved, Roll | None]:
    """The exposure, the piece's move, and its roll wound on, if it is a frame that was."""
    piece, again = target.piece, target.piece.state == "exposed"
    if piece.film_id != planned.film_id:
        raise Impossible(
            f"{where_text(piece)} holds {target.film.name}, which this scene is not worked out"
            " for.",
            field="piece_id",
        )
    name = _name(given, again)
    state_after(piece.state, name, where_text(piece))
    if name == "expose_again":
        share_left(target.given, given.share, where_text(piece))
    roll = _wound(piece, target.roll, again)
    if not given.happened:
        for each in doubts(given, planned, target):
            raise Impossible(f"{each.text} If it happened, record it as that.", field="piece_id")
    taken = Taken(
        lens_id=planned.lens_id,
        pinhole_id=planned.pinhole_id,
        filter_ids=planned.filter_ids,
        exposure_index=planned.request.ei,
        rating_reason=planned.rating_reason,
        cost=None if again else target.cost,
    )
    exposure = log(given, planned.request, planned.recipe_id, logging.at, logging.version, taken)
    return exposure, move(piece, name, logging.at, logging.title), roll


def _name(given: Given, again: bool) -> Move:
    if not again:
        return "expose"
    if given.share < 1:
        return "expose_again"
    return "expose_by_accident" if given.happened else "expose"


def _wound(frame: Piece, roll: Roll | None, again: bool) -> Roll | None:
    """The roll after the exposure: the frame must be in the gate, and is wound on by it.

    A further share of a multiple exposure, or an accident, goes on the frame last exposed.
    """
    if roll is None:
        return None
    assert frame.frame is not None
    exposing(replace(roll, next_frame=roll.next_frame - 1) if again else roll, frame.frame)
    return None if again else replace(roll, next_frame=frame.frame + 1)


def _target(targets: Mapping[str, Target], piece_id: str) -> Target:
    if piece_id not in targets:
        raise Missing("No film is in that place any more; choose another.", field="piece_id")
    return targets[piece_id]
