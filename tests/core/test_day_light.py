"""The light of an outing's day, in words and stretches; cards that go by sun, moon and lens.

Sun and moon themselves stand beside an astronomy package in test_sky; clocks here are worked from
``sky`` at the same moment, another way.
"""

from __future__ import annotations

import calendar
import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.cards.outdoors import depth_chart, light_chart, night_chart
from emulsa.core.corrections.focusing import ByDraws, FocusRequest, focus
from emulsa.core.corrections.optics import Lens
from emulsa.core.corrections.reciprocity import PowerLaw, corrected_s
from emulsa.core.errors import Missing, Unreadable
from emulsa.core.kit.bag import KitLens
from emulsa.core.kit.films import Film
from emulsa.core.moments import moment_at, seconds
from emulsa.core.outing.day_light import Wanted, dated, day_light
from emulsa.core.outing.record import Outing
from emulsa.core.scene.wanted import bearing_words
from emulsa.core.sky.at import SkyRequest, sky
from emulsa.core.sky.bodies import moon, sun
from emulsa.core.sky.compass import POINTS, azimuth_of, compass_text
from emulsa.core.sky.day import Bearing, SkyDayRequest, sky_day
from emulsa.core.sky.horizon import SkyPlace
from emulsa.core.sky.way import FEWEST, Way

QUARRY = SkyPlace(latitude_deg=54, longitude_deg=-3, height_m=320)
WINTER, SUMMER = "2026-11-28T00:00:00+00:00", "2026-06-21T00:00:00+01:00"
WALL = Wanted(scene_id="wall", title="Wall", bearing=Bearing(azimuth_deg=135, width_deg=90))
GAP = Wanted(scene_id="gap", title="Gap", bearing=Bearing(azimuth_deg=65, skyline_deg=5))
PLACES = st.builds(SkyPlace, latitude_deg=st.floats(-65, 65), longitude_deg=st.floats(-180, 180))


def clock_of(minutes: float) -> str:
    return f"{round(minutes) // 60 % 24}:{round(minutes) % 60:02d}"


def test_the_day_in_winter() -> None:
    """Spans from night to night, named for the morning and the evening; what rises and sets."""
    light = day_light(QUARRY, WINTER, (WALL, GAP))
    assert [each.text.split(",")[0] for each in light.spans] == [
        "night", "first light", "early dawn", "dawn", "low sun", "day",
        "low sun", "dusk", "deep dusk", "last light", "night",
    ]  # fmt: skip
    assert light.spans[0].from_minutes == 0
    assert light.spans[-1].to_minutes == 1440
    rise = sky_day(SkyDayRequest(place=QUARRY, from_=WINTER)).crossings.sun.rises[0]
    assert light.marks[0].text == f"{clock_of(rise.minutes)} sunrise, SE, {rise.azimuth_deg:.0f}°"
    assert [each.what for each in light.marks if each.what.startswith("sun")] == [
        "sunrise", "sunset",
    ]  # fmt: skip
    assert light.best[0].startswith(f"low sun {clock_of(rise.minutes)} to ")
    assert light.moon_text == "waning gibbous moon, 79 % lit"
    assert light.place_text == "54° N, 3° W"


def test_when_the_sun_comes_to_a_scene() -> None:
    """While it stands within the bearing and over the skyline, by the sun of every minute; the gap
    to the north-east has none in winter and some in summer."""
    winter, summer = (day_light(QUARRY, each, (WALL, GAP)) for each in (WINTER, SUMMER))
    begun = seconds(WINTER)
    moments = tuple(moment_at(begun + 60 * k) for k in range(1440))
    there = [
        k
        for k, each in enumerate(sky(SkyRequest(place=QUARRY, moments=moments)).at)
        if each.sun.apparent_deg >= 0 and abs(each.sun.azimuth_deg - 135) <= 90
    ]
    (stretch,) = winter.scenes[0].sun
    assert stretch.from_minutes == pytest.approx(there[0], abs=2)
    assert stretch.to_minutes == pytest.approx(there[-1], abs=2)
    says = f"sun {clock_of(stretch.from_minutes)} to {clock_of(stretch.to_minutes)}"
    assert winter.scenes[0].text.startswith(says)
    assert winter.scenes[1].text.startswith("no sun, ")
    assert len(summer.scenes[1].sun) == 1
    assert winter.scenes[1].bearing_text == "looks ENE, 65°, over a skyline of 5°"


def test_a_narrow_bearing_is_not_stepped_over() -> None:
    """The sun goes through a fifth of a degree in less than a minute."""
    (over,) = sky_day(
        SkyDayRequest(
            place=QUARRY, from_=WINTER, bearings=(Bearing(azimuth_deg=180, width_deg=0.1),)
        )
    ).bearings
    (stretch,) = over.sun
    assert 0.3 < stretch.to_minutes - stretch.from_minutes < 1.5


@pytest.mark.parametrize(
    ("minutes", "parts"),
    [
        (0, ["0:00 night"]),
        (450, ["7:30 dawn", "light rises a stop in"]),
        (720, ["12:00 day", "sun S, 15° up", "shadows N, 3.8 times as long as high"]),
        (990, ["16:30 dusk", "light falls a stop in"]),
    ],
)
def test_a_moment_of_the_day(minutes: float, parts: list[str]) -> None:
    """Its light, its sun and shadows, how fast dusk falls, and the moon when it is dark."""
    light = day_light(QUARRY, WINTER)
    moment = next(each for each in light.moments if each.minutes == minutes)
    for part in parts:
        assert part in moment.text
    if moment.shadow_ratio is not None:
        tall = 1 / math.tan(math.radians(moment.sun_altitude_deg))
        assert moment.shadow_ratio == pytest.approx(tall, rel=0.03)


def test_polar_days_are_said() -> None:
    """Where the sun does not set, or does not rise."""
    far = SkyPlace(latitude_deg=78, longitude_deg=15)
    assert "the sun does not set" in day_light(far, SUMMER).best
    assert "the sun does not rise" in day_light(far, "2026-12-21T00:00:00Z").best


def test_what_goes_into_a_calendar() -> None:
    """Low sun, dawn and dusk, moonrise, and the sun on a scene; each from when to when."""
    light = day_light(QUARRY, WINTER, (WALL,))
    found = {each.title: each for each in dated(light)}
    assert set(found) == {"Dawn", "Low sun", "Dusk", "Moonrise, NE, 54°", "Sun on Wall"}
    (stretch,) = light.scenes[0].sun
    on = found["Sun on Wall"]
    assert (on.start_min, on.end_min) == (stretch.from_minutes, stretch.to_minutes)
    assert all(each.start_min < each.end_min for each in found.values())


@given(PLACES, st.integers(0, 60_000), st.sampled_from([sun, moon]))
def test_the_way_between_nodes_is_the_bodys_own(place: SkyPlace, day: int, body: object) -> None:
    """A day by its nodes, anywhere between 1950 and 2100, is within a thousandth of a degree."""
    first = seconds("1950-01-01T00:00:00Z") + day * 86_400.0 * 0.9
    way = Way(body, first, first + 86_400)  # type: ignore[arg-type]
    for hour in (0.3, 5.9, 13.1, 23.7):
        at, exact = way.at(first + hour * 3600), body(first + hour * 3600)  # type: ignore[operator]
        turned = (at.right_ascension_deg - exact.right_ascension_deg + 180) % 360 - 180
        assert abs(turned) < 1e-3
        assert at.declination_deg == pytest.approx(exact.declination_deg, abs=1e-3)
        assert at.distance_km == pytest.approx(exact.distance_km, rel=1e-5)


def test_many_moments_are_what_each_is_alone() -> None:
    """A day by minutes by its nodes, and a few of the same moments each by itself."""
    moments = tuple(moment_at(seconds(WINTER) + 60 * k) for k in range(FEWEST * 4))
    many = sky(SkyRequest(place=QUARRY, moments=moments)).at
    for k in (0, 17, FEWEST * 4 - 1):
        (alone,) = sky(SkyRequest(place=QUARRY, moments=(moments[k],))).at
        assert many[k].sun.altitude_deg == pytest.approx(alone.sun.altitude_deg, abs=1e-3)
        assert many[k].moon.azimuth_deg == pytest.approx(alone.moon.azimuth_deg, abs=2e-3)
        assert many[k].moon.phase_deg == pytest.approx(alone.moon.phase_deg, abs=1e-3)
        assert many[k].light == alone.light


@given(st.integers(-2_000_000_000, 4_000_000_000))
def test_a_moment_and_its_seconds(unix_s: int) -> None:
    """There and back, to the second."""
    assert seconds(moment_at(unix_s)) == unix_s


@pytest.mark.parametrize("point", POINTS)
def test_points_of_the_compass(point: str) -> None:
    """Sixteen, there and back; a name and a number are as good."""
    degrees = azimuth_of(point.lower())
    assert compass_text(degrees) == point
    assert azimuth_of(f"{degrees}°") == degrees
    with pytest.raises(Unreadable):
        azimuth_of(f"{point}X")


def test_a_bearing_in_words() -> None:
    """A wall faces, one looks at a gap."""
    assert bearing_words(Bearing(azimuth_deg=0, width_deg=90)) == "faces N, 0°"
    assert bearing_words(Bearing(azimuth_deg=250, skyline_deg=3)) == (
        "looks WSW, 250°, over a skyline of 3°"
    )


def test_an_outings_place() -> None:
    """Both coordinates and the height, or none."""
    outing = Outing(id="o", title="t", latitude=54, longitude=-3, height_m=320)
    assert outing.sky_place == QUARRY
    assert Outing(id="o", title="t").sky_place is None


LENS = KitLens(id="l", name="150 mm", optics=Lens(focal_length_mm=150, widest="5.6", smallest="64"))
VELM = Film(id="f", name="Velm", exposure_index=100, law=PowerLaw(exponent=1.3))


def test_the_month_on_a_card() -> None:
    """Every day of it, by the clock of its zone; the sun's row is that of its own day."""
    card = light_chart(QUARRY, "the quarry", "2026-12-01T00:00:00+01:00")
    assert len(card.rows) == calendar.monthrange(2026, 12)[1]
    assert card.holds_for == "December 2026, 54° N, 3° W, UTC +01:00"
    own = sky_day(SkyDayRequest(place=QUARRY, from_="2026-12-20T00:00:00+01:00"))
    (rise,) = own.crossings.sun.rises
    row = card.rows[19]
    assert row[0] == "20"
    assert row[2] == f"{clock_of(rise.minutes)} {compass_text(rise.azimuth_deg)}"
    assert len(row) == len(card.columns) == 9


def test_depth_and_tilt_on_a_card() -> None:
    """The spread an aperture holds is the one that asks for it; hinges by their sine."""
    card = depth_chart(LENS, (120, 95), None)
    blur = math.hypot(120, 95) / 1500
    for number, spread, far in card.figures:
        asked = FocusRequest(
            focal_length_mm=150,
            blur_mm=blur,
            depth=ByDraws(kind="draws", near_draw_mm=spread, far_draw_mm=0),
        )
        marks = focus(asked).apertures
        assert marks is not None
        assert marks.widest == pytest.approx(number, rel=spread / 150)
        assert far == pytest.approx(150**2 / (number * blur) + 150)
    assert "1 m 8.6°" in card.notes[0]  # asin(150/1000)


def test_the_night_on_a_card() -> None:
    """t = N²/2^EV by the film's law; what lies beyond its data is marked."""
    card = night_chart(VELM, LENS, 0.1)
    by_word = {row[0]: figures for row, figures in zip(card.rows, card.figures, strict=True)}
    ev, metered, given_s = by_word["church"]
    assert (ev, metered) == (4, 64 / 2**4)
    assert given_s == pytest.approx(corrected_s(PowerLaw(exponent=1.3), 4))
    assert card.rows[0][1] == "7 ±1"
    assert card.notes[0].startswith("With 150 mm stars stay points to 9.1 s")
    assert [row[2].endswith("*") for row in card.rows] == list(card.estimated)
    assert any(card.estimated)
    with pytest.raises(Missing):
        night_chart(Film(id="f", name="It", exposure_index=100), None, 0.1)
