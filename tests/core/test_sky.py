"""Sun and moon beside a general astronomy package, the day's dial by its laws, light estimated."""

import math
from datetime import date
from typing import Any

import ephem
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from emulsa.core import operations, wire
from emulsa.core.errors import CoreError
from emulsa.core.light.estimated import (
    STREETS,
    BySky,
    InStreet,
    SkyLightRequest,
    sky_light,
)
from emulsa.core.moments import seconds
from emulsa.core.sky.at import SkyRequest, light_at, phase_of, sky
from emulsa.core.sky.bodies import moon, sun
from emulsa.core.sky.day import SkyDay, SkyDayRequest, sky_day
from emulsa.core.sky.horizon import SkyPlace, refraction_deg
from emulsa.core.sky.stars import StarTimeRequest, star_time

VALLEY = SkyPlace(latitude_deg=53.1, longitude_deg=-4.05)
PLACES = st.builds(SkyPlace, latitude_deg=st.floats(-75, 75), longitude_deg=st.floats(-180, 180))
DAYS = st.dates(min_value=date(1960, 1, 1), max_value=date(2080, 12, 31))
HOURS = st.integers(0, 23)


def theirs(place: SkyPlace, moment: str, body: Any) -> tuple[float, float]:
    """Altitude and azimuth by the package, without air."""
    there = ephem.Observer()
    there.lat, there.lon = str(place.latitude_deg), str(place.longitude_deg)
    there.elevation, there.pressure = place.height_m, 0
    there.date = ephem.Date(moment.replace("-", "/").replace("T", " ").removesuffix("Z"))
    body.compute(there)
    return math.degrees(body.alt), math.degrees(body.az)


def apart(one: tuple[float, float], other: tuple[float, float]) -> float:
    """Degrees between two directions."""
    (a, b), (c, d) = ([math.radians(each) for each in both] for both in (one, other))
    cos = math.sin(a) * math.sin(c) + math.cos(a) * math.cos(c) * math.cos(b - d)
    return math.degrees(math.acos(max(-1.0, min(1.0, cos))))


@settings(max_examples=60)
@given(PLACES, DAYS, HOURS)
def test_sun_and_moon_stand_where_an_astronomy_package_has_them(
    place: SkyPlace, day: Any, hour: int
) -> None:
    """PyEphem (after VSOP87 and the usual lunar theory): the sun within 0.05°, the moon 0.15°."""
    moment = f"{day.isoformat()}T{hour:02}:30:00Z"
    (ours,) = sky(SkyRequest(place=place, moments=(moment,))).at
    sun = theirs(place, moment, ephem.Sun())
    moon = theirs(place, moment, ephem.Moon())
    assert apart((ours.sun.altitude_deg, ours.sun.azimuth_deg), sun) < 0.05
    assert apart((ours.moon.altitude_deg, ours.moon.azimuth_deg), moon) < 0.15


@settings(max_examples=30)
@given(DAYS)
def test_the_moon_is_as_far_and_as_lit(day: Any) -> None:
    moment = f"{day.isoformat()}T12:00:00Z"
    (ours,) = sky(SkyRequest(place=VALLEY, moments=(moment,))).at
    moon = ephem.Moon(moment.replace("-", "/").replace("T", " ").removesuffix("Z"))
    assert ours.moon.illuminated_share == pytest.approx(moon.moon_phase, abs=0.01)
    km = moon.earth_distance * 149_597_870.7
    assert ours.moon.distance_km == pytest.approx(km, rel=0.003)


def day_of(place: SkyPlace, begin: str, **more: Any) -> SkyDay:
    told: dict[str, Any] = {"place": wire.encode(place), "from": begin, **more}
    return sky_day(wire.decode(SkyDayRequest, told))


@settings(max_examples=25)
@given(st.floats(-55, 55), st.floats(-180, 180), DAYS)
def test_sunrise_is_the_packages(latitude: float, longitude: float, day: Any) -> None:
    """Within two minutes, centre at −50′, no dip of the horizon."""
    place = SkyPlace(latitude_deg=latitude, longitude_deg=longitude)
    begin = f"{day.isoformat()}T00:00:00Z"
    found = day_of(place, begin).crossings.sun
    there = ephem.Observer()
    there.lat, there.lon, there.pressure, there.horizon = str(latitude), str(longitude), 0, "-0:50"
    there.date = ephem.Date(day.isoformat().replace("-", "/"))
    wanted = (there.next_rising(ephem.Sun(), use_center=True) - there.date) * 1440
    if wanted < 1438 and found.rises:
        assert min(abs(each.minutes - wanted) for each in found.rises) < 2


@settings(max_examples=25)
@given(PLACES, DAYS)
def test_the_dial_of_a_day_has_no_gaps(place: SkyPlace, day: Any) -> None:
    """From nought to the end; each span is the light of its middle; neighbours differ."""
    begin = f"{day.isoformat()}T00:00:00Z"
    found = day_of(place, begin)
    assert found.spans[0].from_minutes == 0
    assert found.spans[-1].to_minutes == 1440
    for one, other in zip(found.spans, found.spans[1:], strict=False):
        assert one.to_minutes == other.from_minutes
        assert one.light != other.light
    for each in found.spans:
        if each.to_minutes - each.from_minutes < 1:
            continue
        middle = seconds(begin) + 30 * (each.from_minutes + each.to_minutes)
        hours, rest = divmod(int(middle - seconds(begin)), 3600)
        at = f"{day.isoformat()}T{hours:02}:{rest // 60:02}:{rest % 60:02}Z"
        assert sky(SkyRequest(place=place, moments=(at,))).at[0].light == each.light


def test_the_suns_path_is_the_same_on_both_sides_of_transit() -> None:
    """At the solstice it rises as long before as it sets after, at mirrored azimuths."""
    found = day_of(VALLEY, "2026-06-21T00:00:00Z")
    (rise,), (sets,) = found.crossings.sun.rises, found.crossings.sun.sets
    (transit,) = found.sun_transits
    assert transit.minutes - rise.minutes == pytest.approx(sets.minutes - transit.minutes, abs=0.5)
    assert rise.azimuth_deg == pytest.approx(360 - sets.azimuth_deg, abs=0.2)
    assert transit.azimuth_deg == pytest.approx(180, abs=0.1)
    assert found.crossings.low_sun.rises[0].minutes > rise.minutes
    assert found.crossings.astronomical.always in ("", "above")


def test_polar_day_and_night_are_said() -> None:
    north = SkyPlace(latitude_deg=78, longitude_deg=15)
    assert day_of(north, "2026-06-21T00:00:00Z").crossings.sun.always == "above"
    assert day_of(north, "2026-12-21T00:00:00Z").crossings.sun.always == "below"


def test_a_bearing_is_lit_while_the_sun_stands_over_it() -> None:
    """South-west at the equinox: when the azimuth says so, cut off by a skyline."""
    bearings = [{"azimuth_deg": 225, "width_deg": 10}, {"azimuth_deg": 225, "skyline_deg": 60}]
    free, behind = day_of(VALLEY, "2026-03-20T00:00:00Z", bearings=bearings).bearings
    (stretch,) = free.sun
    for minutes, azimuth in ((stretch.from_minutes, 215), (stretch.to_minutes, 235)):
        hour, minute = divmod(round(minutes), 60)
        at = f"2026-03-20T{hour:02}:{minute:02}:00Z"
        (there,) = sky(SkyRequest(place=VALLEY, moments=(at,))).at
        assert there.sun.azimuth_deg == pytest.approx(azimuth, abs=0.3)
    assert behind.sun == ()


@given(st.floats(-0.9, 89), st.floats(-40, 40), st.floats(300, 1080))
def test_air_lifts_and_lifts_less_when_it_is_thin(
    altitude: float, celsius: float, hpa: float
) -> None:
    lifted = refraction_deg(altitude, celsius, hpa)
    assert -0.001 < lifted < 1
    assert abs(refraction_deg(altitude, celsius, hpa / 2)) <= abs(lifted)


@pytest.mark.parametrize(
    ("degrees", "name"),
    [
        (0, "new"),
        (90, "first quarter"),
        (97, "waxing gibbous"),
        (174, "full"),
        (260, "waning gibbous"),
        (354, "new"),
        (340, "waning crescent"),
    ],
)
def test_what_the_moon_is_called(degrees: float, name: str) -> None:
    assert phase_of(degrees) == name


@given(st.floats(-90, 90))
def test_lights_follow_each_other(altitude: float) -> None:
    order = ["night", "astronomical", "nautical", "civil", "low_sun", "day"]
    lower = light_at(max(-90, altitude - 3))
    assert order.index(lower) <= order.index(light_at(altitude))


@given(st.floats(-11.5, 60), st.floats(0, 4000), st.sampled_from(["front", "side", "back"]))
def test_light_by_the_sky_adds_up_and_snow_is_a_stop(
    altitude: float, height: float, side: Any
) -> None:
    plain = BySky(
        kind="sky", sky="bright sun", sun_altitude_deg=altitude, height_m=height, side=side
    )
    found = sky_light(plain)
    assert math.fsum(each.stops for each in found.ledger) == pytest.approx(found.ev100)
    told = {**wire.encode(plain), "snow": True}
    snowy: Any = wire.decode(SkyLightRequest, told)
    assert sky_light(snowy).ev100 == pytest.approx(found.ev100 + 1)


def test_dusk_falls_a_stop_in_a_few_minutes() -> None:
    """A stop a degree just after sunset; at a quarter of a degree a minute four minutes a stop."""
    dusk = BySky(kind="sky", sky="bright sun", sun_altitude_deg=-1, sun_rate_deg_min=-0.15)
    found = sky_light(dusk)
    assert found.stops_per_degree is not None
    assert found.stop_minutes == pytest.approx(1 / (0.15 * found.stops_per_degree))
    assert 4 < found.stop_minutes < 9
    assert sky_light(BySky(kind="sky", sky="overcast", sun_altitude_deg=40)).stop_minutes is None


def test_streets_are_what_the_trade_says() -> None:
    for name, (ev, doubt) in STREETS.items():
        found = sky_light(InStreet(kind="street", street=name))
        assert (found.ev100, found.doubt_stops) == (ev, doubt)


@given(st.floats(20, 600), st.floats(0.01, 0.3), st.floats(-80, 80))
def test_stars_stay_points_for_as_long_as_the_sky_turns_a_blur(
    focal: float, blur: float, declination: float
) -> None:
    found = star_time(
        StarTimeRequest(focal_length_mm=focal, blur_mm=blur, declination_deg=declination)
    )
    assert found.stars_s is not None
    assert found.trail_mm_min * found.stars_s / 60 == pytest.approx(blur)
    longer = star_time(StarTimeRequest(focal_length_mm=2 * focal, blur_mm=blur))
    assert longer.moon_mm == pytest.approx(2 * found.moon_mm)


@pytest.mark.parametrize("moment", ["1949-12-31T12:00:00Z", "2101-01-01T00:00:00Z"])
def test_years_nobody_knows_are_refused(moment: str) -> None:
    with pytest.raises(CoreError, match="from 1950 to 2100"):
        sky(SkyRequest(place=VALLEY, moments=(moment,)))


def test_from_is_called_so_outside() -> None:
    """A word of the language is a field like any other: sent, missed and answered by its name."""
    told = '{"place": {"latitude_deg": 1, "longitude_deg": 1}, "from_": "2026-01-01T00:00:00Z"}'
    with pytest.raises(CoreError, match="no field “from_”"):
        operations.answer_json("sky_day", told)
    request = wire.decode(
        SkyDayRequest, {"place": wire.encode(VALLEY), "from": "2026-01-01T00:00:00Z"}
    )
    assert wire.encode(request)["from"] == "2026-01-01T00:00:00Z"


@pytest.mark.parametrize(
    ("body", "moment", "ascension", "declination", "distance_km", "within"),
    [
        # Meeus, Astronomical Algorithms, examples 25.a and 47.a (dynamical time; from memory)
        (sun, "1992-10-12T23:59:01Z", 198.38083, -7.78507, None, 0.01),
        (moon, "1992-04-11T23:59:01Z", 134.688470, 13.768368, 368_409.7, 0.01),
    ],
    ids=["sun", "moon"],
)
def test_the_handbooks_worked_examples(
    body: Any,
    moment: str,
    ascension: float,
    declination: float,
    distance_km: float | None,
    within: float,
) -> None:
    """Apparent places at 0 h dynamical time, 59 s before it in UT."""
    found = body(seconds(moment))
    assert found.right_ascension_deg == pytest.approx(ascension, abs=within)
    assert found.declination_deg == pytest.approx(declination, abs=within)
    if distance_km is not None:
        assert found.distance_km == pytest.approx(distance_km, rel=2e-4)
