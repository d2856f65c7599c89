"""A roll on its way: seen to move, wound on, taken out, put back, cut, its development chosen."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from typing import Annotated

from emulsa.core.errors import Impossible, Missing
from emulsa.core.film import rolls
from emulsa.core.film.moves import Gone, Moved, Outcome, move
from emulsa.core.film.pieces import FrameNumber, Piece, Weight
from emulsa.core.film.rolls import (
    Roll,
    Strip,
    frames_in,
    strip_of,
    strip_text,
    unexposed_from,
)
from emulsa.core.limits import ExposureIndex, Id, Label, Length
from emulsa.core.tones.development_number import DevelopmentNumber, n_text


@dataclass(frozen=True, kw_only=True, slots=True)
class TakingOut:
    """A roll out of its camera: finished, or to go on with later."""

    finished: bool


@dataclass(frozen=True, kw_only=True, slots=True)
class PuttingBack:
    """A partly exposed roll, or the uncut rest of one, back into a camera."""

    camera_id: Id | None = None
    back: Label = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class Cutting:
    """The frames behind which the roll is cut."""

    after: Annotated[tuple[FrameNumber, ...], Length("Cuts", 0, 20)]


@dataclass(frozen=True, kw_only=True, slots=True)
class Weighing:
    """How much a frame's picture matters."""

    frame: FrameNumber
    weight: Weight


@dataclass(frozen=True, kw_only=True, slots=True)
class StripDevelopment:
    """The one development of a strip, the recipe it is developed in and the EI it is developed for;
    empty leaves it open, or to the roll."""

    n: DevelopmentNumber | None
    recipe_id: Id | None = None
    exposure_index: ExposureIndex | None = None


def change(known: Roll, wanted: Roll, frames: Iterable[Piece]) -> Outcome:
    """A roll's note, camera, back or rating; one with exposures keeps its rating."""
    changed = replace(
        known,
        camera_id=wanted.camera_id,
        back=wanted.back,
        exposure_index=wanted.exposure_index,
        rating_reason=wanted.rating_reason,
        note=wanted.note,
    )
    shot = any(each.state not in ("loaded", "blank") for each in frames)
    if shot and changed.exposure_index != known.exposure_index:
        raise Impossible(
            f"Frames of roll {known.number} are exposed; the whole roll keeps its rating.",
            field="exposure_index",
        )
    return Outcome(says=f"change roll {known.number}", kept=(changed,))


def advance(roll: Roll) -> Outcome:
    """The film was seen to move: the rewind knob turned, or the backing paper ran."""
    return Outcome(says=f"see roll {roll.number} advance", kept=(replace(roll, advanced=True),))


def wind_on(roll: Roll, frames: Sequence[Piece], at: str) -> Outcome:
    """On without an exposure: the frame stays blank."""
    rolls.exposing(roll, roll.next_frame)
    gate = next((each for each in frames if each.frame == roll.next_frame), None)
    return Outcome(
        says=f"wind roll {roll.number} on",
        kept=(replace(roll, next_frame=roll.next_frame + 1),),
        moved=(move(gate, "skip", at),) if gate is not None else (),
    )


def take_out(roll: Roll, taking: TakingOut) -> Outcome:
    """Out of the camera; frames that were not exposed stay unexposed, and may go in again."""
    if roll.place == "done":
        raise Impossible(f"Roll {roll.number} is finished already.", field="id")
    said = "finish" if taking.finished else "take out part-exposed"
    place: rolls.RollPlace = "done" if taking.finished else "bag"
    return Outcome(says=f"{said} roll {roll.number}", kept=(replace(roll, place=place),))


def put_back(
    roll: Roll, putting: PuttingBack, frames: Sequence[Piece], strips: Sequence[Strip]
) -> Outcome:
    """Into a camera again, wound on to the first frame of the unexposed rest; its frames keep their
    numbers. Check that it moves."""
    if roll.place == "camera":
        raise Impossible(f"Roll {roll.number} is in a camera.", field="id")
    rest = unexposed_from(frames)
    if rest is None:
        raise Impossible(f"Roll {roll.number} has no unexposed frames left.", field="id")
    strip = next(each for each in strips if each.first_frame <= rest <= each.last_frame)
    if any(each.state in ("in_run", "developed", "judged") for each in frames_in(strip, frames)):
        raise Impossible(
            f"{strip_text(roll, strip).capitalize()} is developed, its unexposed frames with it.",
            field="id",
        )
    back = replace(
        roll,
        place="camera",
        camera_id=putting.camera_id,
        back=putting.back,
        advanced=False,
        next_frame=max(rest, roll.next_frame) if roll.place == "bag" else rest,
    )
    return Outcome(says=f"put roll {roll.number} back", kept=(back,))


def cut(
    roll: Roll,
    frames: Sequence[Piece],
    strips: Sequence[Strip],
    cutting: Cutting,
    at: str,
) -> Outcome:
    """A roll that is out of the camera cut into strips, or made one again; each its own
    development. What the knife takes is blank; an unexposed rest can be loaded again."""
    if roll.place == "camera":
        raise Impossible(f"Take roll {roll.number} out before it is cut.", field="id")
    if any(each.run_id for each in frames):
        raise Impossible(f"Roll {roll.number} is in a run already.", field="id")
    wanted = [strip_of(roll, each) for each in rolls.cut(roll, tuple(frames), cutting.after)]
    ids, known = {each.id for each in wanted}, {each.id: each for each in strips}
    moved = _knifed(frames, cutting.after, at)
    blank = {each.piece_id for each in moved}
    left = [
        each for each in frames if each.id not in blank and (each.frame or 0) >= roll.next_frame
    ]
    ahead = min((each.frame or 0 for each in left if each.state == "loaded"), default=None)
    kept = () if ahead in (None, roll.next_frame) else (replace(roll, next_frame=ahead),)
    return Outcome(
        says=f"cut roll {roll.number}",
        kept=(*kept, *(each for each in wanted if each.id not in known)),
        moved=moved,
        gone=tuple(Gone(kind=Strip, id=each.id) for each in strips if each.id not in ids),
    )


def _knifed(frames: Iterable[Piece], after: Iterable[int], at: str) -> tuple[Moved, ...]:
    """The unexposed frames a cut goes through."""
    lost = {each for place in after for each in rolls.lost_at(place)}
    return tuple(
        move(each, "skip", at, "cut")
        for each in frames
        if each.frame in lost and each.state == "loaded"
    )


def weigh(roll: Roll, frames: Iterable[Piece], weighing: Weighing) -> Outcome:
    """How much a frame matters when one development must serve the roll."""
    frame = next((each for each in frames if each.frame == weighing.frame), None)
    if frame is None:
        raise Missing(f"Roll {roll.number} has no frame {weighing.frame}.", field="frame")
    return Outcome(
        says=f"weigh frame {weighing.frame} of roll {roll.number}",
        kept=(replace(frame, weight=weighing.weight),),
    )


def choose(roll: Roll, strip: Strip, chosen: StripDevelopment) -> Outcome:
    """The one development of a strip."""
    name = strip_text(roll, strip)
    label = f"leave {name} open" if chosen.n is None else f"develop {name} for {n_text(chosen.n)}"
    changed = replace(
        strip, n=chosen.n, recipe_id=chosen.recipe_id, exposure_index=chosen.exposure_index
    )
    return Outcome(says=label, kept=(changed,))
