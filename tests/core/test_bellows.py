"""Bellows: the ways of saying the focus agree; what cannot be is refused."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.corrections import bellows
from emulsa.core.corrections.bellows import ByDraw, ByMagnification, BySubject, ByTarget, Infinity
from emulsa.core.corrections.filters import Filter
from emulsa.core.corrections.optics import BellowsRequest, Lens, Pinhole, bellows_operation
from emulsa.core.errors import CoreError, Missing, OutOfRange, Unsound

SAME = 1e-9


@given(st.floats(50, 600), st.floats(0, 3))
def test_draw_extension_and_magnification_agree(focal_length: float, m: float) -> None:
    """x = m·f, v = (1 + m)·f and u = f·(1 + 1/m) give one factor, (v/f)² = (1 + m)²."""
    by_draw = bellows.from_draw(m * focal_length, focal_length)
    by_extension = bellows.from_extension(max(1 + m, 1) * focal_length, focal_length)
    assert bellows.factor(by_draw) == pytest.approx((1 + m) ** 2, rel=SAME)
    assert bellows.factor(by_extension) == pytest.approx((1 + m) ** 2, rel=1e-6)
    if m > 0.01:
        by_subject = bellows.from_subject(focal_length * (1 + 1 / m), focal_length)
        assert bellows.factor(by_subject) == pytest.approx((1 + m) ** 2, rel=1e-6)


@given(st.floats(0, 5), st.floats(0, 5), st.floats(0.3, 3))
def test_nearer_always_costs_more(a: float, b: float, pupil: float) -> None:
    """The factor rises with magnification, and starts at one."""
    low, high = sorted((a, b))
    assert bellows.factor(0, pupil) == 1
    assert bellows.factor(low, pupil) <= bellows.factor(high, pupil)


@pytest.mark.parametrize(("draw_mm", "factor", "stops"), [(0, 1, 0), (150, 4, 2), (300, 9, 3.17)])
def test_the_operation_adds_stops(draw_mm: float, factor: float, stops: float) -> None:
    """Factor 4 is two stops more: life size at twice the focal length (common practice)."""
    answer = bellows_operation(
        BellowsRequest(optics=Lens(focal_length_mm=150), focus=ByDraw(draw_mm=draw_mm))
    )
    assert answer.factor == pytest.approx(factor)
    assert answer.stops == pytest.approx(stops, abs=0.005)
    assert answer.magnification == pytest.approx(draw_mm / 150)


def test_a_pinhole_never_takes_a_factor() -> None:
    """Whatever the focus says."""
    answer = bellows_operation(
        BellowsRequest(optics=Pinhole(diameter_mm=0.2, distance_mm=30), focus=ByDraw(draw_mm=50))
    )
    assert (answer.factor, answer.stops) == (1, 0)
    assert [each.code for each in answer.advice] == ["bellows-on-pinhole"]


@pytest.mark.parametrize(
    ("focus", "m"),
    [
        (Infinity(), 0),
        (ByMagnification(m=0.25), 0.25),
        (ByTarget(target_mm=50.8, image_mm=12.7), 0.25),
        (BySubject(distance_mm=750), 0.25),
    ],
)
def test_every_focus_has_its_magnification(focus: bellows.Focus, m: float) -> None:
    """On a 150 mm lens."""
    answer = bellows_operation(BellowsRequest(optics=Lens(focal_length_mm=150), focus=focus))
    assert answer.magnification == pytest.approx(m)


@pytest.mark.parametrize("distance", [150, 149, 1])
def test_subjects_inside_the_focal_length_are_refused(distance: float) -> None:
    """The sentence holds the limit."""
    with pytest.raises(OutOfRange, match="more than 150 mm") as refusal:
        bellows.from_subject(distance, 150)
    assert refusal.value.field == "focus.distance_mm"


def test_absurd_magnifications_are_refused() -> None:
    """A draw of metres on a short lens is a slip of units."""
    with pytest.raises(OutOfRange):
        bellows.magnification(ByDraw(draw_mm=3000), 90)
    with pytest.raises(OutOfRange):
        bellows.from_conjugates(500, 150)


def test_a_filter_is_said_one_way() -> None:
    """Factor and stops confused is the commonest slip: both at once are refused."""
    with pytest.raises(Unsound, match="×2 is 1 stop"):
        Filter(factor=8, stops=3)
    with pytest.raises(Missing):
        Filter(label="red")
    assert isinstance(Filter(metered_through=True), Filter)
    assert issubclass(Unsound, CoreError)
