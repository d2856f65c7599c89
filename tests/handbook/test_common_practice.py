"""Facts of the trade every practitioner knows by heart. Common practice, no source."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.chemistry.dilution import mix
from emulsa.core.corrections import pinhole, reciprocity
from emulsa.core.corrections.bellows import Infinity
from emulsa.core.corrections.reciprocity import NoFailure, PowerLaw
from emulsa.core.development import ratings, recipes, temperature
from emulsa.core.development.recipes import Point, Recipe, Timed
from emulsa.core.exposing.bracket import BracketRequest, bracket
from emulsa.core.exposing.chain import exposure
from emulsa.core.exposing.request import SpotReading
from emulsa.core.light.exposure_value import exposure_value
from emulsa.core.light.hand_time import hand_time_s
from emulsa.core.light.marks import f_number, seconds
from emulsa.core.light.meters import EvReading
from emulsa.core.tones.development_number import lands
from emulsa.core.tones.placement import AsMetered, Placed, fall
from emulsa.core.tones.zones import parse_zone, zone_text
from tests.core.requests import canonical


@pytest.mark.parametrize(("ev", "zone"), [(15, "VII"), (10, "II"), (16, "VIII"), (13, "V")])
def test_falls_around_a_mid_tone(ev: float, zone: str) -> None:
    """EV 13 on V puts 15 on VII, 10 on II, 16 on VIII."""
    assert zone_text(fall(ev, 13, 5)) == zone


@pytest.mark.parametrize(("time", "aperture"), [("1/8", "45"), ("1/500", "5.6")])
def test_equal_exposures(time: str, aperture: str) -> None:
    """1/4 s at f/64 = 1/8 s at f/45 = 1/500 s at f/5.6: marks are exact steps."""
    known = exposure_value(f_number("64"), seconds("1/4"))
    assert exposure_value(f_number(aperture), seconds(time)) == known


def test_meter_time_to_pinhole_time() -> None:
    """1/2 s read at f/22 becomes about 19½ s at pinhole f/138, with p = 1.26 about 43 s."""
    at_pinhole = pinhole.converted_s(0.5, 22, 138)
    assert at_pinhole == pytest.approx(19.5, abs=0.25)
    corrected = reciprocity.corrected_s(PowerLaw(exponent=1.26), 19.67)
    assert hand_time_s(corrected) == pytest.approx(43, abs=1)


@pytest.mark.parametrize(("metered", "about"), [(4, 6), (8, 14), (15, 30), (20, 43)])
def test_long_times(metered: float, about: float) -> None:
    """Metered 4, 8, 15, 20 s become about 6, 14, 30, 43 s with p = 1.26."""
    corrected = reciprocity.corrected_s(PowerLaw(exponent=1.26), metered)
    assert corrected == pytest.approx(about, abs=1)


def test_a_stop_of_push() -> None:
    """Nine minutes become about twelve."""
    factor, _ = ratings.factor(Recipe(), Timed(minutes=9, ei=None, origin="published"), 800, 400)
    assert 9 * factor == pytest.approx(12, abs=0.25)


def test_a_warm_bath() -> None:
    """8½ min at 20 °C are just under five at 79 °F, which is too short to be even."""
    found, _ = temperature.of_recipe(Recipe(), (79 - 32) / 1.8)
    assert 4.5 < 8.5 * found < 5


def test_two_parts_in_a_tank() -> None:
    """Two and two parts in half a litre: 2, 2 and 496 ml; 1+31 is 15.6 ml."""
    assert [round(each.ml) for each in mix("2+2+496", 500)] == [2, 2, 496]
    assert round(mix("1+31", 500)[0].ml, 1) == 15.6


def test_two_and_a_half_stops_from_the_mid_tone() -> None:
    """+2½ stops carries V to VII½."""
    assert zone_text(5 + 2.5) == "VII½"
    assert parse_zone("VII½") == 7.5


def test_pinhole_of_a_fifth_of_a_millimetre() -> None:
    """0.2 mm at f/150 is 30 mm."""
    assert pinhole.pinhole_f_number(30, 0.2) == pytest.approx(150)


def test_room_temperature_in_both_scales() -> None:
    """68 °F = 20 °C."""
    assert temperature.celsius(68) == 20


@pytest.mark.parametrize(("n", "factor"), [(-2, 0.65), (-1, 0.8), (0, 1), (1, 1.35), (2, 1.8)])
def test_rule_of_thumb_for_n(n: float, factor: float) -> None:
    """N−2 0.65, N−1 0.80, N+1 1.35, N+2 1.8 of the normal time, labelled estimated."""
    timed = recipes.time_for(Recipe(points=(Point(n=0, minutes=10),)), n)
    assert timed.minutes == pytest.approx(10 * factor)
    assert timed.origin == ("personal" if n == 0 else "estimated")


def test_temperature_law_is_near_arrhenius() -> None:
    """Within 1.5 % of Arrhenius with the same slope at 20 °C, over 18 to 27 °C."""
    k, kelvin = 0.09, 293.15
    for tenth in range(180, 271):
        at_c = tenth / 10
        arrhenius = math.exp(k * kelvin**2 * (1 / (at_c + 273.15) - 1 / kelvin))
        assert temperature.factor(at_c, 20, k) == pytest.approx(arrhenius, rel=0.015)


@pytest.mark.parametrize(("n", "falls"), [(-2, 10), (-1, 9), (0, 8), (1, 7), (2, 6)])
def test_development_carries_the_high_value_to_eight(n: float, falls: float) -> None:
    """N−1 brings a fall on IX back to VIII, N+1 lifts a VII to VIII; III stays."""
    assert lands(falls, n) == pytest.approx(8)
    assert lands(3, n) == 3


def test_a_whole_stop_bracket() -> None:
    """1/30 … 1/500 at f/11 is five frames: −2…+2 about 1/125, slowest first."""
    answer = bracket(
        BracketRequest(
            exposure=canonical(
                readings=(SpotReading(id="wall", reading=EvReading(ev=14)),),
                placement=AsMetered(reading="wall"),
                high=None,
                filters=(),
                focus=Infinity(),
                aperture="11",
                law=NoFailure(until_s=1),
            ),
            frames=5,
        )
    )
    assert [frame.text for frame in answer.frames] == ["1/30", "1/60", "1/125", "1/250", "1/500"]
    assert [frame.stops_text for frame in answer.frames] == ["+2", "+1", "0", "−1", "−2"]


@pytest.mark.parametrize(("metered", "about"), [(2, 2), (4, 6), (8, 14), (15, 30)])
def test_a_pinhole_from_sun_to_overcast(metered: float, about: float) -> None:
    """Pinhole times of 2, 4, 8, 15 s from sun to overcast are given as 2, 6, 14, 30 s, p = 1.26."""
    corrected = reciprocity.corrected_s(PowerLaw(exponent=1.26), metered)
    assert corrected == pytest.approx(about, abs=1)


@given(st.integers(-6, 18), st.sampled_from([25.0, 100.0, 400.0]))
def test_iv_at_twice_the_ei_is_iii_at_the_ei(ev: int, ei: float) -> None:
    """The same exposure by two ways of asking for safety."""

    def set_to(zone: float, rated: float) -> float:
        return exposure(
            canonical(
                ei=rated,
                readings=(SpotReading(id="shade", reading=EvReading(ev=ev)),),
                placement=Placed(school="shadow", reading="shade", zone=zone),
                high=None,
            )
        ).metered_s

    assert set_to(4, 2 * ei) == pytest.approx(set_to(3, ei))
