"""Rolls: frames in their order, one development for all of them, or strips that have their own.

A roll begins as one strip. Cut at stated frames it becomes several, each developed on its own;
two frames are left blank at a cut, because the knife is set in the dark (common practice, no
source).
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.errors import Impossible, OutOfRange, Unsound
from emulsa.core.film.formats import FormatKey
from emulsa.core.film.pieces import FrameNumber, Piece
from emulsa.core.light.hand_time import stops_words
from emulsa.core.limits import ExposureIndex, Id, Label, Note, Within, plain
from emulsa.core.tones.development_number import DevelopmentNumber, half_steps, n_text

RollNumber = Annotated[int, Within("A roll's number", 1, 9_999)]
FrameCount = Annotated[int, Within("Frames of a roll", 1, 72)]
RollPlace = Literal["camera", "bag", "done"]

BLANKS_AT_A_CUT = 2


@dataclass(frozen=True, kw_only=True, slots=True)
class Roll:
    """A roll that was loaded: in a camera or back, in the bag partly exposed, or done.

    ``exposure_index`` is what the whole roll is rated at, when that is not the film's own EI;
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
    place: RollPlace = "camera"
    advanced: bool = False
    next_frame: Annotated[int, Within("The next frame", 1, 73)] = 1
    loaded_at: Label = ""
    note: Note = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class Strip:
    """A length of a roll developed on its own; an uncut roll is one strip."""

    id: Id
    roll_id: Id
    first_frame: FrameNumber
    last_frame: FrameNumber
    n: DevelopmentNumber | None = None
    recipe_id: Id | None = None


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


def push_stops(rated_ei: float, film_ei: float) -> float:
    """Stops a roll is pushed (+) or pulled (−): log2 of its EI over the film's own.

    >>> push_stops(800, 400), push_stops(200, 400)
    (1.0, -1.0)
    """
    return math.log2(rated_ei / film_ei)


def push_n(rated_ei: float, film_ei: float) -> float:
    """The development that goes with a rating: one N for each stop of push, to the half.

    Common practice, no source: more development lifts the middle and high tones the lower
    exposure left low; the shadows stay where they fell.

    >>> push_n(800, 400), push_n(320, 400), push_n(200, 400)
    (1.0, -0.5, -1.0)
    """
    return max(-5.0, min(5.0, half_steps(push_stops(rated_ei, film_ei))))


def strip_text(roll: Roll, strip: Strip) -> str:
    """A strip as one says it; the whole roll is just the roll."""
    if strip.first_frame == 1 and strip.last_frame == roll.frames:
        return f"roll {roll.number}"
    return f"roll {roll.number}, frames {strip.first_frame}–{strip.last_frame}"


def rating_text(roll: Roll, film_ei: float) -> str:
    """What a roll is rated at, and the development that goes with it."""
    if roll.exposure_index is None or roll.exposure_index == film_ei:
        return f"EI {plain(film_ei)}"
    stops = push_stops(roll.exposure_index, film_ei)
    done = "pushed" if stops > 0 else "pulled"
    return (
        f"EI {plain(roll.exposure_index)}, {done} {stops_words(abs(stops)).lstrip('+')}:"
        f" develop {n_text(push_n(roll.exposure_index, film_ei))}"
    )


def cut(roll: Roll, frames: tuple[Piece, ...], after: tuple[int, ...]) -> tuple[range, ...]:
    """The strips of a roll cut after the given frames, as ranges of frames.

    At each cut two frames must be unexposed: the knife is set by feel. Raises Unsound for frames
    out of order, OutOfRange for one the roll does not have, Impossible when the blanks are missing.
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
        blanks = [place + 1, place + 2][:BLANKS_AT_A_CUT]
        used = [
            number
            for number in blanks
            if number in by_number and by_number[number].state not in ("blank", "loaded")
        ]
        if used:
            raise Impossible(
                f"Frame {used[0]} of roll {roll.number} is exposed: a cut after frame {place}"
                f" needs {BLANKS_AT_A_CUT} blank frames behind it.",
                field="after",
            )
    starts = [1, *(each + 1 for each in after)]
    ends = [*after, roll.frames]
    return tuple(range(start, end + 1) for start, end in zip(starts, ends, strict=True))
