"""Rolls: frames in their order, one development for all of them, or strips that have their own.

A roll begins as one strip. Cut at stated frames it becomes several, each developed on its own;
two frames are left blank at a cut, because the knife is set in the dark (common practice, no
source).
"""

from __future__ import annotations

import math
from collections.abc import Iterable
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.development import ratings
from emulsa.core.development.negative import Negative, developing_time
from emulsa.core.development.recipes import Recipe, time_for
from emulsa.core.errors import CoreError, Impossible, OutOfRange, Unsound
from emulsa.core.film.formats import FormatKey
from emulsa.core.film.pieces import FrameNumber, Piece
from emulsa.core.limits import ExposureIndex, Id, Label, Note, Within
from emulsa.core.numbers import plain
from emulsa.core.tones.development_number import DevelopmentNumber, half_steps, n_text

RollNumber = Annotated[int, Within("A roll's number", 1, 9_999)]
FrameCount = Annotated[int, Within("Frames of a roll", 1, 72)]
RollPlace = Literal["camera", "bag", "done"]


@dataclass(frozen=True, kw_only=True, slots=True)
class Roll:
    """A roll that was loaded: in a camera or back, in the bag partly exposed, or done.

    ``exposure_index`` is what the whole roll is rated at, when that is not the film's own EI, for
    which ``rating_reason``;
    ``advanced`` whether the film was seen to move; ``next_frame`` the frame the counter shows.
    """

    id: Id
    number: RollNumber
    film_id: Id
    stock_id: Id | None = None
    format: FormatKey
    frames: FrameCount
    camera_id: Id | None = None
    back: Label = ""
    exposure_index: ExposureIndex | None = None
    rating_reason: ratings.RatingReason | None = None
    place: RollPlace = "camera"
    advanced: bool = False
    next_frame: Annotated[int, Within("The next frame", 1, 73)] = 1
    loaded_at: Label = ""
    note: Note = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class Strip:
    """A length of a roll developed on its own; an uncut roll is one strip.

    ``exposure_index`` is what it is developed as rated at, when that is not the roll's.
    """

    id: Id
    roll_id: Id
    first_frame: FrameNumber
    last_frame: FrameNumber
    n: DevelopmentNumber | None = None
    recipe_id: Id | None = None
    exposure_index: ExposureIndex | None = None


def exposing(roll: Roll, frame: int) -> None:
    """Whether this frame can be exposed now; Impossible with the reason when it cannot."""
    if roll.place != "camera":
        where = "in the bag; put it back into a camera" if roll.place == "bag" else "taken out"
        raise Impossible(f"Roll {roll.number} is {where}.", field="piece_id")
    if frame != roll.next_frame:
        comes = (
            f"frame {roll.next_frame} comes next"
            if roll.next_frame <= roll.frames
            else "it is full"
        )
        raise Impossible(
            f"Frame {frame} of roll {roll.number} is not in the gate: {comes}.", field="piece_id"
        )


def in_the_gate(roll: Roll, frame: int, exposed: bool) -> bool:
    """Whether the camera would put light on this frame now: the next one, or, for a further share
    of a multiple exposure, the one exposed last.

    >>> in_the_gate(Roll(id="r", number=1, film_id="f", format="6x6", frames=12), 1, False)
    True
    """
    return frame == (roll.next_frame - 1 if exposed else roll.next_frame)


def rated(roll: Roll, film_ei: float) -> float:
    """The EI the roll is shot at."""
    return film_ei if roll.exposure_index is None else roll.exposure_index


def strip_rated(roll: Roll, strip: Strip, film_ei: float) -> float:
    """The EI a strip is developed for: its own, else the roll's."""
    return rated(roll, film_ei) if strip.exposure_index is None else strip.exposure_index


def push_stops(rated_ei: float, film_ei: float) -> float:
    """Stops a roll is pushed (+) or pulled (−): log2 of its EI over the film's own.

    >>> push_stops(800, 400), push_stops(200, 400)
    (1.0, -1.0)
    """
    return math.log2(rated_ei / film_ei)


def push_n(rated_ei: float, film_ei: float) -> float:
    """What a rating would be as an N, where no time for that EI exists: one for each stop of push,
    to the half.

    Common practice, no source: more development lifts the middle and high tones the lower exposure
    left low; the shadows stay where they fell.

    >>> push_n(800, 400), push_n(320, 400), push_n(200, 400)
    (1.0, -0.5, -1.0)
    """
    return max(-5.0, min(5.0, half_steps(push_stops(rated_ei, film_ei))))


def whole_strip(roll: Roll) -> Strip:
    """A roll as one strip."""
    return strip_of(roll, range(1, roll.frames + 1))


def strip_of(roll: Roll, frames: range) -> Strip:
    """A strip of these frames, not decided over yet; named by them, so that one that stays is the
    same strip."""
    return Strip(
        id=f"{roll.id}-{frames[0]}-{frames[-1]}",
        roll_id=roll.id,
        first_frame=frames[0],
        last_frame=frames[-1],
    )


def is_out(roll: Roll, strip: Strip) -> bool:
    """Whether a strip is out of the camera for good: the roll is finished, or was cut and goes on
    behind this strip.

    >>> roll = Roll(id="r", number=1, film_id="f", format="6x6", frames=12, next_frame=7)
    >>> is_out(roll, strip_of(roll, range(1, 5))), is_out(roll, strip_of(roll, range(5, 13)))
    (True, False)
    """
    behind = strip.last_frame < roll.next_frame and strip.last_frame != roll.frames
    return roll.place == "done" or behind


def frames_in(strip: Strip, frames: Iterable[Piece]) -> list[Piece]:
    """Those of a roll's frames that lie on a strip."""
    return [each for each in frames if strip.first_frame <= (each.frame or 0) <= strip.last_frame]


def unexposed_from(frames: Iterable[Piece]) -> int | None:
    """The first frame of the unexposed rest at a roll's end; nothing when there is none.

    What lies loaded between exposed frames cannot be reached by winding any more.
    """
    rest = None
    for each in sorted(frames, key=lambda each: each.frame or 0):
        if each.state != "loaded":
            rest = None
        elif rest is None:
            rest = each.frame
    return rest


def strip_text(roll: Roll, strip: Strip) -> str:
    """A strip as one says it; the whole roll is just the roll."""
    return ", ".join(each for each in (f"roll {roll.number}", frames_text(roll, strip)) if each)


def frames_text(roll: Roll, strip: Strip) -> str:
    """The frames of a strip; nothing when it is the whole roll.

    >>> roll = Roll(id="r", number=1, film_id="f", format="6x6", frames=12)
    >>> [frames_text(roll, strip_of(roll, range(*each))) for each in ((1, 5), (5, 6), (1, 13))]
    ['frames 1–4', 'frame 5', '']
    """
    if strip.first_frame == 1 and strip.last_frame == roll.frames:
        return ""
    if strip.first_frame == strip.last_frame:
        return f"frame {strip.first_frame}"
    return f"frames {strip.first_frame}–{strip.last_frame}"


def rating_text(roll: Roll, film_ei: float, recipe: Recipe | None = None) -> str:
    """What a roll is rated at, and the development that goes with it: the recipe's own time for
    that EI, or what one N for each stop would be where it has none. The rating counts by itself; it
    is no N to choose.
    """
    if roll.exposure_index is None or roll.exposure_index == film_ei:
        return f"EI {plain(film_ei)}"
    stops = push_stops(roll.exposure_index, film_ei)
    if not ratings.is_push(roll.rating_reason, stops):
        why = ratings.RATING_WORDS[roll.rating_reason] if roll.rating_reason else "no pull"
        return f"EI {plain(roll.exposure_index)}, {why}: developed as EI {plain(film_ei)}"
    said = f"EI {plain(roll.exposure_index)}, {ratings.pushed_words(stops)}:"
    timed = _own_time(roll.exposure_index, film_ei, recipe)
    if timed:
        return f"{said} {timed}"
    return f"{said} counted as {n_text(push_n(roll.exposure_index, film_ei))}, estimated"


def _own_time(rated_ei: float, film_ei: float, recipe: Recipe | None) -> str:
    """The minutes a recipe says for this rating; nothing when it says none."""
    if recipe is None or not recipe.points:
        return ""
    if not ratings.sure(recipe, time_for(recipe, 0.0), rated_ei, film_ei):
        return ""
    try:
        rated_ = Negative(rated_ei=rated_ei, rating_reason="push_pull")
        return developing_time(rated_, film_ei, recipe).minutes_text
    except CoreError:
        return ""


def lost_at(place: int) -> list[int]:
    """The frames a cut behind a frame is lost to: the one before the knife and the one behind it.

    >>> lost_at(4)
    [4, 5]
    """
    return [place, place + 1]


def cut(roll: Roll, frames: tuple[Piece, ...], after: tuple[int, ...]) -> tuple[range, ...]:
    """The strips of a roll cut after the given frames, as ranges of frames.

    At each cut the frame before it and the one behind it must be unexposed: one winds on two and
    cuts between them, the knife is set by feel, and both are lost to it.
    Raises Unsound for frames out of order, OutOfRange for one the roll does not have, Impossible
    when the blanks are missing.
    """
    if list(after) != sorted(set(after)):
        raise Unsound("Name the cuts in order, each once: 4, 8.", field="after")
    bad = [each for each in after if not 1 <= each < roll.frames]
    if bad:
        raise OutOfRange(
            f"A roll of {roll.frames} frames is cut after frame 1 to {roll.frames - 1};"
            f" this is {bad[0]}.",
            field="after",
            allowed=[1, roll.frames - 1],
        )
    by_number = {each.frame: each for each in frames}
    for place in after:
        blanks = lost_at(place)
        used = [
            number
            for number in blanks
            if number in by_number and by_number[number].state not in ("blank", "loaded")
        ]
        if used:
            raise Impossible(
                f"Frame {used[0]} of roll {roll.number} is exposed: a cut goes between two blank"
                f" frames, and after frame {place} those are {blanks[0]} and {blanks[-1]}.",
                field="after",
            )
    starts = [1, *(each + 1 for each in after)]
    ends = [*after, roll.frames]
    return tuple(range(start, end + 1) for start, end in zip(starts, ends, strict=True))
