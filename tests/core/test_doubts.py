"""What readings may be off, carried on to falls, range and N, and said."""

import math
from dataclasses import replace

import pytest

from emulsa.core.exposing.chain import exposure
from emulsa.core.exposing.request import ExposureRequest, High, SpotReading
from emulsa.core.light.metering import PhotoRequest, reading
from emulsa.core.light.meters import (
    Calibrated,
    EvReading,
    MeanReading,
    PhotoReading,
    Reading,
    ev100,
    sigma_stops,
)
from emulsa.core.light.reading_text import reading_text
from emulsa.core.light.sky import SkyReading
from emulsa.core.tones.placement import Average, IncidentPair, Placed, Placement
from emulsa.core.written import Written, doubt_text, writing
from tests.core.requests import canonical


def spot(id_: str, told: Reading) -> SpotReading:
    return SpotReading(id=id_, label=id_, reading=told)


def asked(*readings: SpotReading, placement: Placement, high: str | None = None) -> ExposureRequest:
    return canonical(
        readings=readings,
        placement=placement,
        high=High(reading=high) if high else None,
    )


SHADE, FROST = EvReading(ev=9), PhotoReading(ev100=15, sigma_stops=0.5)
ON_III = Placed(school="shadow", reading="shade", zone=3)


def test_what_is_placed_stands_and_the_rest_is_so_far_unsure() -> None:
    """The placed reading stands on its zone; N is as sure as the fall that decides it."""
    answer = exposure(
        asked(spot("shade", SHADE), spot("frost", FROST), placement=ON_III, high="frost")
    )
    shade, frost = answer.falls
    assert (shade.sigma_stops, shade.doubt_text) == (0, "")
    assert (frost.sigma_stops, frost.doubt_text) == (0.5, "± ½")
    assert (answer.n, answer.n_sigma, answer.range_sigma_stops) == (-1, 0.5, 0.5)
    assert (answer.development.n_text, answer.development.doubt_text) == ("N−1", "± ½")


def test_two_doubts_add_in_quadrature() -> None:
    both = asked(
        spot("shade", PhotoReading(ev100=9, sigma_stops=0.3)),
        spot("frost", PhotoReading(ev100=15, sigma_stops=0.4)),
        placement=ON_III,
        high="frost",
    )
    assert exposure(both).n_sigma == pytest.approx(0.5)


def test_between_an_average_s_two_half_of_both_is_unsure() -> None:
    """The middle moves by half with either: so does each fall."""
    average = asked(
        spot("shade", PhotoReading(ev100=9, sigma_stops=0.3)),
        spot("frost", PhotoReading(ev100=15, sigma_stops=0.4)),
        placement=Average(low="shade", high="frost"),
    )
    answer = exposure(average)
    assert [each.sigma_stops for each in answer.falls] == pytest.approx([0.25, 0.25])
    assert answer.range_sigma_stops == pytest.approx(0.5)


def test_readings_nothing_is_said_of_have_no_doubt() -> None:
    sure = exposure(asked(spot("shade", SHADE), spot("x", EvReading(ev=12)), placement=ON_III))
    assert [each.sigma_stops for each in sure.falls] == [None, None]
    assert (sure.n_sigma, sure.range_sigma_stops, sure.development.doubt_text) == (None, None, "")


def test_a_chosen_n_is_what_was_chosen() -> None:
    free = asked(spot("shade", SHADE), spot("frost", FROST), placement=ON_III, high="frost")
    assert exposure(replace(free, n=-2)).n_sigma is None


def test_a_pair_s_n_is_as_sure_as_its_range() -> None:
    pair = asked(
        spot("low", PhotoReading(ev100=9, sigma_stops=0.6)),
        spot("high", PhotoReading(ev100=12, sigma_stops=0.8)),
        placement=IncidentPair(low="low", high="high"),
    )
    answer = exposure(pair)
    assert (answer.n_sigma, answer.range_sigma_stops) == (
        pytest.approx(1.0),
        pytest.approx(1.0),
    )


def test_a_sky_may_be_a_stop_out_and_a_mean_is_surer() -> None:
    two = MeanReading(readings=(FROST, PhotoReading(ev100=14, sigma_stops=0.5)))
    assert sigma_stops(SkyReading(sky="bright sun")) == 1
    assert sigma_stops(two) == pytest.approx(0.5 / math.sqrt(2))


def test_no_meter_s_offset_belongs_to_a_picture() -> None:
    """Nor its calibration to the EV; K gives the luminance of it."""
    meter = Calibrated(k=14, offset_stops=1)
    assert ev100(FROST, meter) == 15
    told = reading(PhotoRequest(ev100=9.4, sigma_stops=0.5, meter=meter))
    assert (told.ev100, told.sigma_stops) == (9.4, 0.5)
    assert told.luminance_cd_m2 == pytest.approx(14 * 2**9.4 / 100)


def test_as_it_is_said() -> None:
    assert reading_text(FROST) == "EV 15 ± ½, from the picture"
    assert doubt_text(0.16) == ""
    assert doubt_text(0.17) == "± ⅓"
    with writing(Written(stops="tenth")):
        assert doubt_text(0.44) == "± 0.4"
