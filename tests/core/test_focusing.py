"""Focus, tilt, corners, flash, pre-exposure and kinds of film by their laws."""

import math
from typing import Any

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from emulsa.core import wire
from emulsa.core.corrections.corners import CornersRequest, corners
from emulsa.core.corrections.film_kinds import FilmKindRequest, film_kind
from emulsa.core.corrections.flash import FlashRequest, flash
from emulsa.core.corrections.focusing import FocusAnswer, FocusRequest, focus
from emulsa.core.corrections.pre_exposure import OfFilm, OfPaper, PaperFlashed, pre_exposure, raised
from emulsa.core.data.film_kinds import KINDS
from emulsa.core.development.one_tank import OneTankRequest, TankFilm, one_tank
from emulsa.core.light.old_scales import ByDiameter, Uniform, aperture_scale

FOCAL = st.sampled_from([65.0, 90.0, 150.0, 210.0, 300.0])


def focused(**asked: Any) -> FocusAnswer:
    return focus(wire.decode(FocusRequest, asked))


@given(FOCAL, st.floats(1500, 8000), st.floats(1.2, 20))
def test_near_and_far_are_as_unsharp_as_each_other(focal: float, near: float, times: float) -> None:
    """At the focus that is told, through any aperture; the limits there hold both at the widest."""
    depth = {"kind": "limits", "near_mm": near, "far_mm": near * times}
    found = focused(focal_length_mm=focal, blur_mm=0.1, depth=depth, aperture="22")
    one, other = found.points
    assert one.blur_mm == pytest.approx(other.blur_mm, rel=1e-6)
    assert found.apertures is not None
    assume(0.5 < found.apertures.widest < 1000)
    there = focused(
        focal_length_mm=focal, blur_mm=0.1, depth=depth, aperture=found.apertures.widest
    )
    assert there.points[0].blur_mm == pytest.approx(0.1)
    assert there.limits is not None
    assert there.limits.near_mm == pytest.approx(near, rel=1e-6)
    assert there.limits.far_mm == pytest.approx(near * times, rel=1e-5)


@given(FOCAL, st.floats(0.5, 20))
def test_twice_the_spread_is_a_stop_more(focal: float, spread: float) -> None:
    """The best aperture grows by the root: one stop; the widest by two."""

    def at(mm: float) -> Any:
        return focused(focal_length_mm=focal, depth={"kind": "spread", "spread_mm": mm}).apertures

    one, two = at(spread), at(2 * spread)
    assert 2 * math.log2(two.best / one.best) == pytest.approx(1)
    assert 2 * math.log2(two.widest / one.widest) == pytest.approx(2)


@given(FOCAL, st.floats(1000, 20_000), st.floats(1.1, 8))
def test_draws_and_distances_say_the_same(focal: float, near: float, times: float) -> None:
    """The thin lens: 1/f = 1/u + 1/v."""
    far = near * times
    draws = [1 / (1 / focal - 1 / each) - focal for each in (near, far)]
    by_draws = focused(
        focal_length_mm=focal,
        depth={"kind": "draws", "near_draw_mm": draws[0], "far_draw_mm": draws[1]},
    )
    by_limits = focused(
        focal_length_mm=focal, depth={"kind": "limits", "near_mm": near, "far_mm": far}
    )
    assert by_draws.set is not None
    assert by_limits.set is not None
    assert by_draws.set.draw_mm == pytest.approx(by_limits.set.draw_mm, rel=1e-6)
    assert by_draws.spread_mm == pytest.approx(by_limits.spread_mm, rel=1e-6)


@given(FOCAL, st.floats(1, 40), st.floats(-60, 60), st.floats(800, 6000))
def test_points_on_the_plane_are_sharp(
    focal: float, tilt: float, slope: float, away: float
) -> None:
    """Every point of the line from the hinge through a point that is focused has its image on the
    film (the hinge rule, derived)."""
    through = {"distance_mm": 2 * away, "height_mm": 2 * away * math.tan(math.radians(slope / 4))}
    hinge = -focal / math.sin(math.radians(tilt))
    rise = (through["height_mm"] - hinge) / through["distance_mm"]
    points = [{"distance_mm": each, "height_mm": hinge + rise * each} for each in (away, 3 * away)]
    alpha = math.radians(tilt)
    for each in (*points, through):
        assume(
            each["distance_mm"] * math.cos(alpha) - each["height_mm"] * math.sin(alpha)
            > 1.5 * focal
        )
    found = focused(
        focal_length_mm=focal,
        aperture="22",
        depth={"kind": "points", "points": points},
        tilt={"tilt_deg": tilt, "through": through},
    )
    for sharp in found.points:
        assert sharp.blur_mm < 1e-6
        assert sharp.sharp
    assert found.tilt is not None
    assert found.tilt.plane_deg is not None
    assert math.tan(math.radians(found.tilt.plane_deg)) == pytest.approx(rise, abs=1e-6)


@given(FOCAL, st.floats(1500, 6000))
def test_no_tilt_is_as_without(focal: float, near: float) -> None:
    points = [{"distance_mm": near}, {"distance_mm": 3 * near, "height_mm": 400}]
    asked = {"focal_length_mm": focal, "depth": {"kind": "points", "points": points}}
    flat, none = focused(**asked, tilt={"tilt_deg": 0}), focused(**asked)
    assert flat.spread_mm == pytest.approx(none.spread_mm)
    assert flat.apertures == none.apertures
    assert flat.tilt is not None
    assert (flat.tilt.tilt_deg, flat.tilt.hinge_mm, flat.tilt.plane_deg) == (0, None, None)


def test_what_gives_no_plane_is_refused_by_its_field() -> None:
    with pytest.raises(Exception, match="no image") as refused:
        focused(
            focal_length_mm=150,
            depth={"kind": "points", "points": [{"distance_mm": 100}, {"distance_mm": 900}]},
        )
    assert refused.value.field == "depth.points.0"  # type: ignore[attr-defined]


@given(st.floats(40, 300), st.floats(-40, 40), st.floats(-40, 40))
def test_corners_mirror_each_other(focal: float, rise: float, shift: float) -> None:
    """Rise and shift the other way turn the picture round; unmoved all corners are alike."""

    def at(up: float, aside: float) -> Any:
        return corners(
            CornersRequest(focal_length_mm=focal, format_mm=(120, 95), rise_mm=up, shift_mm=aside)
        )

    one, other = at(rise, shift), at(-rise, -shift)
    assert [each.stops for each in one.corners] == pytest.approx(
        [each.stops for each in reversed(other.corners)]
    )
    assert len({round(each.stops, 9) for each in at(0, 0).corners}) == 1
    assert one.needed_circle_mm >= at(0, 0).needed_circle_mm - 1e-9


def test_the_largest_rise_is_where_the_circle_ends() -> None:
    lens = {"focal_length_mm": 90.0, "format_mm": (120.0, 95.0), "circle_mm": 216.0}
    first = corners(CornersRequest(**lens, shift_mm=10))  # type: ignore[arg-type]
    assert first.circle is not None
    rise = first.circle.largest_rise_mm
    assert rise is not None
    last = corners(CornersRequest(**lens, shift_mm=10, rise_mm=rise))  # type: ignore[arg-type]
    assert last.needed_circle_mm == pytest.approx(216)
    assert last.circle is not None
    assert last.circle.covers
    beyond = corners(CornersRequest(**lens, shift_mm=10, rise_mm=rise + 1))  # type: ignore[arg-type]
    assert beyond.advice[0].code == "circle-too-small"
    assert "A corner will be dark." in beyond.advice[0].text


def test_a_centre_filter_is_said_to_be_worth_it_until_it_is_on() -> None:
    bare = CornersRequest(focal_length_mm=65, format_mm=(120, 95), widest="5.6")
    assert [each.code for each in corners(bare).advice] == ["worth-a-centre-filter"]
    on = CornersRequest(
        focal_length_mm=65, format_mm=(120, 95), widest="5.6", centre_filter_stops=2
    )
    found = corners(on)
    assert found.advice == ()
    assert found.centre_filter.from_f_number == pytest.approx(2 * 2**2.5)


@given(st.floats(0, 10))
def test_next_to_no_light_before_changes_next_to_nothing(zone: float) -> None:
    assert raised(zone, -40) == pytest.approx(zone, abs=1e-9)
    assert raised(zone, zone) == pytest.approx(zone + 1)
    film = pre_exposure(OfFilm(kind="film", zone=2, zones=(0, zone, 10)))
    assert not isinstance(film, PaperFlashed)
    assert [each.raised >= 0 for each in film.tones] == [True] * 3
    assert film.range_stops < 10


def test_paper_is_flashed_under_its_threshold() -> None:
    found = pre_exposure(OfPaper(kind="paper", last_white_s=4, first_grey_s=4.5))
    assert isinstance(found, PaperFlashed)
    assert found.flash_s < 4 < found.threshold_s < 4.5


@given(st.floats(5, 200), st.floats(0.5, 30), st.integers(1, 16))
def test_flash_goes_by_the_square(guide: float, away: float, pops: int) -> None:
    one = flash(FlashRequest(guide_number=guide, distance=away))
    assert one.f_number == pytest.approx(guide / away)
    many = flash(FlashRequest(guide_number=guide, distance=away, pops=pops))
    assert many.f_number == pytest.approx(guide / away * math.sqrt(pops))
    set_ = flash(FlashRequest(guide_number=guide, distance=away, aperture=22.0))
    assert set_.pops_needed == max(1, math.ceil((22 / (guide / away)) ** 2 - 1e-9))


def test_old_scales() -> None:
    """Uniform 16 is f/16; an opening is the focal length over it."""
    assert aperture_scale(Uniform(scale="uniform", mark="16")).f_number == 16
    found = aperture_scale(ByDiameter(scale="diameter", diameter_mm=10, focal_length_mm=220))
    assert (found.f_number, found.nearest_mark) == (22, "22")
    with pytest.raises(Exception, match="not engraved on this scale"):
        aperture_scale(Uniform(scale="uniform", mark="5"))


@pytest.mark.parametrize("kind", KINDS)
def test_a_kind_of_film_says_only_what_it_has(kind: Any) -> None:
    """No N where there is none; what it does not see is refused and has no factor."""
    day, warm = (
        film_kind(FilmKindRequest(kind=kind, light=each, ei=100))
        for each in ("daylight", "tungsten")
    )
    assert day.n is (day.n_range != (0, 0))
    assert not {each.filter for each in day.filters} & {*day.refused_filters}
    assert len(day.filters) + len(day.refused_filters) == len(KINDS[kind].filters)
    assert day.ei == 100
    assert warm.ei == pytest.approx(100 * 2**warm.light_stops)
    assert warm.light_stops <= 0
    assert all(each.stops == pytest.approx(math.log2(each.factor)) for each in warm.filters)
    assert day.dark
    assert day.note


@given(st.lists(st.floats(5, 20), min_size=2, max_size=5))
def test_one_tank_makes_the_largest_error_smallest(minutes: list[float]) -> None:
    films = tuple(
        TankFilm(id=f"{k}", developer="plain", dilution="1+1", minutes=each, temperature_c=20)
        for k, each in enumerate(minutes)
    )
    found = one_tank(OneTankRequest(films=films))
    worst = max(abs(each.zones_off) for each in found.each)
    for other in (found.minutes * 0.98, found.minutes * 1.02):
        told = one_tank(OneTankRequest(films=films, minutes=other))
        assert max(abs(each.zones_off) for each in told.each) >= worst - 1e-9
    assert found.together is (worst <= 0.5 + 1e-9)
    assert found.free is (worst <= 0.25 + 1e-9)
    assert min(minutes) - 1e-9 <= found.minutes <= max(minutes) + 1e-9
