"""What was really given: weighed before it is logged, by shares, frames and the clock."""

import math
from dataclasses import replace
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.corrections.light_change import Interval
from emulsa.core.corrections.optics import Lens, MeasuredSpeed, Shutter
from emulsa.core.corrections.reciprocity import NoFailure, PowerLaw, corrected_s
from emulsa.core.errors import CoreError, Impossible, Missing
from emulsa.core.exposing.chain import exposure
from emulsa.core.exposing.sharing import together_stops
from emulsa.core.film.pieces import share_left
from emulsa.core.logged.log import as_developed, check, given_error_stops, light_stops, log
from emulsa.core.logged.record import Given
from emulsa.core.tones.development_number import meant
from tests.core.requests import canonical, shot

REQUEST = canonical()


def report(**changes: Any) -> Given:
    return replace(Given(id="g", scene_id="s", piece_id="2B"), **changes)


def logged(**changes: Any) -> Any:
    return log(report(**changes), REQUEST, None, "now", "v")


def test_as_planned_is_logged_as_planned() -> None:
    """Nothing said: the plan's own time, error and N."""
    answer = exposure(REQUEST)
    sheet = logged()
    assert (sheet.seconds, sheet.n) == (answer.set.seconds, answer.development.n)
    assert sheet.error_stops == pytest.approx(answer.set.error_stops)


@pytest.mark.parametrize(
    ("n", "off", "after"),
    [(0, 0.1, 0), (0, 1, -1), (-1, 1, -2), (1, -0.5, 1.5), (0, -0.34, 0.34), (-5, 1, -5)],
)
def test_a_real_error_changes_the_development(n: float, off: float, after: float) -> None:
    """A stop too much wants a step of contraction; what nobody develops for is left alone."""
    assert meant(n, off) == pytest.approx(after)


def test_the_error_is_kept_apart_from_the_plan() -> None:
    """Twice the clock time on t^1.26 is 0.79 stop: N stays the planned one, and development is
    told of both."""
    sheet = logged(time=18.0)
    assert sheet.error_stops == pytest.approx(0.78, abs=0.02)
    assert sheet.n == exposure(REQUEST).development.n == -1
    assert as_developed(sheet.n, 1.0) == "N−1"
    assert as_developed(sheet.n, 1.0, True) == "N−1, developed as for N−2"


@pytest.mark.parametrize(
    ("parts", "stops"),
    [
        ([(1, 0)], 0),
        ([(0.5, 0), (0.5, 0)], 0),  # the two halves of an intended double exposure
        ([(1, 0), (1, 0)], 1),  # exposed twice by accident: twice the light
        ([(1, 1)], 1),
        ([(0.5, 1), (0.5, 0)], math.log2(1.5)),
    ],
)
def test_the_light_of_several_exposures(parts: list[tuple[float, float]], stops: float) -> None:
    """Light adds up; stops do not."""
    shots = [shot(share=share, share_of="scenes", error_stops=off) for share, off in parts]
    assert light_stops(shots) == pytest.approx(stops)


@pytest.mark.parametrize("count", [2, 4, 8, 16])
def test_openings_of_one_scene_lose_no_light(count: int) -> None:
    """80 s on t^1.3 are 297.9 s; eight openings of 37.2 s are the same exposure, where eight of
    F(10 s) = 20 s would lose 0.69 stop: log2(F⁻¹(8 · 19.95)/80)."""
    law = PowerLaw(exponent=1.3)
    each = corrected_s(law, 80) / count
    shots = [
        shot(share=1 / count, share_of="one_scene", seconds=each, law=law) for _ in range(count)
    ]
    assert light_stops(shots) == pytest.approx(0)
    apart = corrected_s(law, 80 / count)
    if count == 8:
        assert together_stops(law, 80, [apart] * 8) == pytest.approx(-0.69, abs=0.005)
        assert together_stops(law, 80, [each] * 8) == pytest.approx(0)


@given(st.sampled_from([0.5, 1 / 3, 0.25]))
def test_a_share_of_other_scenes_is_an_exposure_of_its_own(share: float) -> None:
    """Half the light is half the metered time, corrected by itself, and no error; of one scene it
    is half of the whole time."""
    sheet = logged(share=share, share_of="scenes")
    wanted = exposure(REQUEST).metered_s * share
    assert sheet.seconds == pytest.approx(corrected_s(REQUEST.law, wanted), rel=0.05)
    assert abs(sheet.error_stops) < 0.1
    assert sheet.share == share
    part = logged(share=share)
    assert part.seconds == pytest.approx(exposure(REQUEST).corrected_s * share, rel=0.05)
    assert abs(part.error_stops) < 0.1


@pytest.mark.parametrize("stops", [1.0, -1.0, 1 / 3])
def test_a_frame_of_a_bracket_is_no_error(stops: float) -> None:
    """It is measured against its own place, and keeps the plan's N."""
    sheet = logged(bracket_id="b", bracket_stops=stops)
    assert abs(sheet.error_stops) < 0.1
    assert sheet.n == exposure(REQUEST).development.n
    again = given_error_stops(REQUEST, "32", sheet.seconds, sheet)
    assert again == pytest.approx(sheet.error_stops)
    assert given_error_stops(REQUEST, "32", sheet.seconds) == pytest.approx(stops, abs=0.1)


def test_the_clock_s_intervals_are_what_was_given() -> None:
    """Two lights, a pause between: progress, not the watch, says the error."""
    planned = exposure(REQUEST).metered_s
    parts = (
        Interval(metered_s=planned, elapsed_s=corrected_s(REQUEST.law, planned) / 2),
        Interval(metered_s=2 * planned, elapsed_s=corrected_s(REQUEST.law, 2 * planned) / 2),
    )
    sheet = logged(intervals=parts)
    assert sheet.seconds == pytest.approx(sum(each.elapsed_s for each in parts))
    assert sheet.error_stops == pytest.approx(0, abs=1e-9)
    short = logged(intervals=parts[:1])
    assert short.error_stops < -0.7


def test_a_clock_that_never_ran() -> None:
    """Nothing was given: nothing is logged."""
    with pytest.raises(Missing):
        logged(intervals=(Interval(metered_s=5, elapsed_s=0),))


def test_a_mark_of_a_measured_shutter_is_what_it_gives() -> None:
    """1/60 was set, 1/48 was given."""
    shutter = Shutter(measured=(MeasuredSpeed(mark="1/60", seconds=1 / 48),))
    request = canonical(optics=Lens(focal_length_mm=150, shutter=shutter), law=NoFailure(until_s=9))
    assert log(report(time="1/60"), request, None, "", "").seconds == 1 / 48
    assert log(report(time="1/125"), request, None, "", "").seconds == 1 / 128


@pytest.mark.parametrize(
    ("time", "codes"),
    [(None, []), (9.5, []), (15.0, ["given-off"]), (540.0, ["minutes-as-seconds"])],
)
def test_weighed_before_it_is_logged(time: float | None, codes: list[str]) -> None:
    """The true error, N, and doubts, of what is typed."""
    found = check(report(time=time), REQUEST)
    assert [each.code for each in found.advice] == codes
    assert found.planned_s == exposure(REQUEST).set.seconds
    assert found.metered_s == pytest.approx(exposure(REQUEST).metered_s)


@pytest.mark.parametrize("time", ["soon", 0.0, "1/61"])
def test_times_that_are_none(time: str | float) -> None:
    """Refused in a sentence, before anything is logged."""
    with pytest.raises(CoreError):
        check(report(time=time), REQUEST)


@pytest.mark.parametrize(("given_", "wanted"), [(1, 0.5), (0.5, 0.6), (0.75, 1 / 3)])
def test_shares_may_not_pass_the_placement(given_: float, wanted: float) -> None:
    """What is left is said."""
    with pytest.raises(Impossible) as refusal:
        share_left(given_, wanted, "2B")
    assert refusal.value.field == "share"


@pytest.mark.parametrize(("given_", "wanted"), [(0.5, 0.5), (2 / 3, 1 / 3), (0.25, 0.25)])
def test_shares_that_fit(given_: float, wanted: float) -> None:
    """Thirds add up in spite of their last bit."""
    assert share_left(given_, wanted, "2B") == pytest.approx(1 - given_)
