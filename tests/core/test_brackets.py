"""A logged bracket as a development of a film test."""

from dataclasses import replace

import pytest

from emulsa.core.bench.brackets import BracketFrame, BracketTaken, take_bracket
from emulsa.core.bench.record import FilmTest
from emulsa.core.errors import CoreError, Impossible
from emulsa.core.sensitometry.curve import Metered

TEST = FilmTest(id="t", film_id="f", title="Card")
ASKED = BracketTaken(bracket_id="b", minutes=9.5)
FRAMES = tuple(
    BracketFrame(piece_id=f"p{stops}", stops=stops, zone=5, ei=200, run_id="run")
    for stops in (1, -1, 0, -2, 2)
)


def test_its_frames_are_the_steps_of_a_curve() -> None:
    """In their order from the least exposed on, as far from V as they were; the development waits
    for its densities under its minutes, and in the run the film is in."""
    found = take_bracket(TEST, FRAMES, ASKED)
    (strip,) = found.strips
    assert (strip.curve_id, strip.minutes, strip.ei) == ("9.5 min", 9.5, 200)
    assert (strip.first_stops, strip.step_stops, strip.run_id) == (-2, 1, "run")
    assert strip.piece_ids == ("p-2", "p-1", "p0", "p1", "p2")
    (curve,) = found.curves
    assert (curve.id, curve.exposure, curve.steps) == (
        "9.5 min",
        Metered(kind="metered", ei=200),
        (),
    )


def test_a_tone_placed_elsewhere_stands_that_far_from_the_middle() -> None:
    """A shadow on III in the middle of the bracket begins two stops lower; film in two runs is in
    none of them for the test."""
    frames = [replace(each, zone=3) for each in FRAMES[:4]] + [
        replace(FRAMES[4], zone=3, run_id=None)
    ]
    (strip,) = take_bracket(TEST, frames, ASKED).strips
    assert (strip.first_stops, strip.run_id) == (-4, None)


@pytest.mark.parametrize(
    ("frames", "says"),
    [
        ((), "not in the log"),
        (FRAMES[:1], "not in the log"),
        ((*FRAMES, replace(FRAMES[0], stops=3.5)), "even steps"),
        ((*FRAMES, FRAMES[0]), "even steps"),
        ((replace(FRAMES[0], ei=100), *FRAMES[1:]), "more than one EI"),
        (tuple(replace(each, zone=-9) for each in FRAMES), "between −12 and 12"),
    ],
)
def test_brackets_that_are_no_scale(frames: tuple[BracketFrame, ...], says: str) -> None:
    with pytest.raises(CoreError, match=says) as refusal:
        take_bracket(TEST, frames, ASKED)
    assert refusal.value.field == "bracket_id"


def test_it_is_taken_once() -> None:
    """As film exposed for the test: one strip for so many minutes."""
    once = take_bracket(TEST, FRAMES, ASKED)
    with pytest.raises(Impossible, match="exposed for 9\\.5 min already"):
        take_bracket(once, FRAMES, ASKED)
