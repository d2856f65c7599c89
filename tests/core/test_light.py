"""Marks, meters, hand times and zones in words."""

import itertools

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.corrections.optics import Lens, Shutter, speeds
from emulsa.core.errors import CoreError, OutOfRange, Unreadable, Unsound
from emulsa.core.light import marks
from emulsa.core.light.hand_time import hand_time_s, minutes_text, time_text
from emulsa.core.light.marks import mark_text
from emulsa.core.light.meters import (
    Calibrated,
    EvReading,
    IlluminanceReading,
    LuminanceReading,
    TimeReading,
    ev100,
)
from emulsa.core.numbers import number_text
from emulsa.core.tones.zones import parse_zone, zone_text
from emulsa.core.written import stops_text


@pytest.mark.parametrize(
    ("mark", "exact"),
    [("22", 2**4.5), ("f/22", 2**4.5), ("f 5.6", 2**2.5), ("13", 2 ** (11 / 3)), (138, 138)],
)
def test_aperture_marks(mark: str | float, exact: float) -> None:
    """A string is the engraved step, a number itself; 13 is a third-stop mark unless told."""
    assert marks.f_number(mark) == pytest.approx(exact)
    assert marks.f_number("13", "half") == pytest.approx(2**3.75)


@pytest.mark.parametrize(
    ("mark", "series", "exact"),
    [
        ("1/60", None, 1 / 64),
        ("15", None, 16),
        ("1/100", "old_leaf", 0.01),
        ("0.7", "half", 2**-0.5),
        ("1/20", None, 2 ** (-13 / 3)),
        (37.5, None, 37.5),
    ],
)
def test_shutter_marks(mark: str | float, series: marks.Series | None, exact: float) -> None:
    """Marks mean powers of two; an old leaf shutter's mean what they say."""
    assert marks.seconds(mark, series) == pytest.approx(exact)


@pytest.mark.parametrize("bad", ["1/7", "fast", "", "1/0"])
def test_unknown_marks_are_refused(bad: str) -> None:
    """What no scale engraves is not guessed."""
    with pytest.raises(Unreadable):
        marks.seconds(bad)
    with pytest.raises(Unreadable):
        marks.f_number(bad)


@pytest.mark.parametrize("series", ["full", "half", "third"])
def test_scales_rise_in_equal_steps(series: marks.Series) -> None:
    """Every scale is a ladder of equal stops, so that a table slip cannot hide."""
    parts = {"full": 1, "half": 2, "third": 3}[series]
    for scale, per_stop in (
        (marks.aperture_scale(series), 2 ** (1 / 2)),
        (marks.time_scale(series), 2),
    ):
        values = [value for _, value in scale]
        inside = [b / a for a, b in itertools.pairwise(values)]
        step = per_stop ** (1 / parts)
        assert min(inside) == pytest.approx(step)
        assert sum(abs(each - step) < 1e-6 for each in inside) >= len(inside) - 8


@given(st.floats(1e-3, 100))
def test_nearest_is_nearest(value: float) -> None:
    """No other mark is nearer in stops."""
    import math

    scale = marks.time_scale("full")
    chosen = marks.nearest(value, scale)[1]
    best = min(abs(math.log2(each / value)) for _, each in scale)
    assert abs(math.log2(chosen / value)) == pytest.approx(best)


@pytest.mark.parametrize(
    "reading",
    [
        EvReading(ev=15),
        EvReading(ev=17, iso=400),
        TimeReading(time="1/125", aperture="16"),
        LuminanceReading(value=4096),
        LuminanceReading(value=1195.4729, unit="fL"),
        IlluminanceReading(value=81920),
        IlluminanceReading(value=7610.617, unit="fc"),
    ],
)
def test_every_reading_of_full_sun(reading: object) -> None:
    """EV 15 at ISO 100 in every unit (ISO 2720; f/16 at the reciprocal of the speed)."""
    assert ev100(reading, Calibrated()) == pytest.approx(15, abs=1e-5)  # type: ignore[arg-type]


def test_the_meters_own_error() -> None:
    """An offset is added to what it says; K moves luminances only."""
    assert ev100(EvReading(ev=9), Calibrated(offset_stops=1 / 3)) == pytest.approx(9 + 1 / 3)
    assert ev100(EvReading(ev=9), Calibrated(k=14)) == 9
    assert ev100(LuminanceReading(value=14 * 2**9 / 100), Calibrated(k=14)) == pytest.approx(9)
    with pytest.raises(OutOfRange, match="nobody meters"):
        ev100(TimeReading(time="1/8000", aperture="512"), Calibrated())


@pytest.mark.parametrize(
    ("exact", "by_hand", "text"),
    [
        (0.31, 0.3, "0.3 s"),
        (1.28, 1.3, "1.3 s"),
        (9.08, 9, "9 s"),
        (43.3, 43, "43 s"),
        (128.2, 130, "2 min 10 s"),
        (3912, 3900, "1 h 5 min"),
        (59.7, 60, "1 min"),
        (0.02, 0.02, "1/50 s"),
    ],
)
def test_times_a_hand_can_work(exact: float, by_hand: float, text: str) -> None:
    """The domain's own examples: 0.3, 1.3, 43 s, 2 min 10 s, 1 h 5 min."""
    assert hand_time_s(exact) == pytest.approx(by_hand)
    assert time_text(by_hand) == text


@given(st.floats(1, 1e5))
def test_hand_times_stay_near(seconds: float) -> None:
    """Rounding to what a hand can work costs a seventh of a stop of clock time at the most."""
    assert abs(hand_time_s(seconds) / seconds - 1) < 0.1


def test_words_for_numbers() -> None:
    """Fractions as real fractions, minus signs as minus signs."""
    assert [stops_text(each) for each in (0, 1 / 3, -2, 0.526, -1.5)] == [
        "0",
        "+⅓",
        "−2",
        "+0.53",
        "−1½",
    ]
    assert minutes_text(6.8333) == "6 min 50 s"
    assert [number_text(each) for each in (11 + 1 / 3, 0.5, 0.97)] == ["11⅓", "½", "1"]
    assert mark_text("f/22") == mark_text("22") == "f/22"


@given(st.integers(0, 30))
def test_zones_read_back(thirds: int) -> None:
    """Every third of a zone is written in a way that reads back to it."""
    assert parse_zone(zone_text(thirds / 3)) == pytest.approx(thirds / 3)


@pytest.mark.parametrize("bad", ["", "XI", "z11", "VIIII", "shade", "z-1"])
def test_zones_outside_are_refused(bad: str) -> None:
    """0 to X and nothing else."""
    with pytest.raises(CoreError):
        parse_zone(bad)


def test_a_shutter_needs_marks_between_its_ends() -> None:
    """Fastest slower than slowest is refused."""
    assert [text for text, _ in speeds(Shutter(fastest="1/60", slowest="1/15"))] == [
        "1/60",
        "1/30",
        "1/15",
    ]
    with pytest.raises(Unsound):
        speeds(Lens(focal_length_mm=90, shutter=Shutter(fastest="1", slowest="1/60")).shutter)
