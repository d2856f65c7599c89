"""Cards: the numbers on them are the core's own, and the geometry of what is cut out is true."""

import math
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.cards.bellows import bellows_chart, bellows_target
from emulsa.core.cards.dial import zone_dial
from emulsa.core.cards.exposing import pinhole_chart, reciprocity_chart
from emulsa.core.corrections import bellows
from emulsa.core.corrections.optics import Pinhole
from emulsa.core.corrections.reciprocity import PowerLaw
from emulsa.core.errors import Missing, Unsound
from emulsa.core.kit.bag import KitLens, KitPinhole
from emulsa.demo.bag import FILMS, LENSES, PINHOLE

CORVANE, OSTREL, VELM = FILMS
OLD_BOX = KitPinhole(id="p", name="f/138", optics=Pinhole(diameter_mm=1, distance_mm=138))


def test_the_pinhole_chart_of_the_trade() -> None:
    """1/2 s read at f/22 is about 19 s at f/138, given as about 41 s; marks are exact steps.

    Common practice says 19½ s and 43 s, with f/22 taken as the number 22.
    """
    chart = pinhole_chart(
        OLD_BOX, replace(CORVANE, law=PowerLaw(exponent=1.26, tested_until_s=1_000))
    )
    row = next(row for row in chart.rows if row[0] == "1/2")
    assert row == ("1/2", "19 s", "40 s")
    assert not any(chart.estimated)
    assert chart.notes == ()


def test_what_rests_on_no_data_is_starred() -> None:
    """Beyond the film's table every time carries a star, and the foot says why."""
    chart = pinhole_chart(PINHOLE, OSTREL)
    assert [row[2].endswith("*") for row in chart.rows] == list(chart.estimated)
    assert chart.estimated[-1]
    assert not chart.estimated[0]
    assert chart.notes


@pytest.mark.parametrize("film", FILMS)
def test_the_long_times_rise(film: object) -> None:
    """Every film: metered and given rise together; a column nobody needs is not there."""
    chart = reciprocity_chart(film)  # type: ignore[arg-type]
    assert len(chart.rows) == 21
    assert len({len(row) for row in chart.rows} | {len(chart.columns)}) == 1
    assert ("development" in chart.columns) == (film is OSTREL)


def test_a_film_without_a_law_has_no_card() -> None:
    """It is said what to do."""
    with pytest.raises(Missing) as refusal:
        reciprocity_chart(replace(VELM, law=None))
    assert refusal.value.field == "film_id"


@pytest.mark.parametrize("lens", LENSES)
def test_the_bellows_table_ends_at_life_size(lens: KitLens) -> None:
    """Draw by a round step from infinity to one to one, no more than a page of rows."""
    chart = bellows_chart(lens)
    assert 5 <= len(chart.rows) <= 17
    assert chart.rows[0] == ("0 mm", "", "1.00", "0")
    draw = float(chart.rows[-1][0].removesuffix(" mm"))
    assert draw <= lens.optics.focal_length_mm
    m = draw / lens.optics.focal_length_mm
    factor = bellows.factor(m, lens.optics.pupil_magnification)
    assert chart.rows[-1][2] == f"{factor:.2f}"


@pytest.mark.parametrize("lens", LENSES)
@pytest.mark.parametrize("side", [30, 50])
def test_the_ruler_reads_the_stops_it_says(lens: KitLens, side: float) -> None:
    """An image as long as a mark costs that mark's stops."""
    target = bellows_target(lens, side)
    assert target.side_mm == side
    for mark in target.ruler:
        m = bellows.from_target(side, mark.image_mm)
        factor = bellows.factor(m, lens.optics.pupil_magnification)
        assert math.log2(factor) == pytest.approx(mark.stops)


@given(st.floats(30, 120), st.floats(2, 8), st.booleans())
def test_the_dial_s_zones_lie_a_stop_apart(diameter: float, stop: float, clockwise: bool) -> None:
    """Along the rim; V at the top; one zone begins where the last ends."""
    sectors = zone_dial(diameter, stop, clockwise)
    assert [each.name for each in sectors][5] == "V"
    assert sectors[5].start_deg == pytest.approx(-sectors[5].end_deg)
    for sector in sectors:
        arc = (sector.end_deg - sector.start_deg) / 360 * math.pi * diameter
        assert arc == pytest.approx(stop)
    middles = [(each.start_deg + each.end_deg) / 2 for each in sectors]
    assert middles == sorted(middles, reverse=not clockwise)


def test_a_dial_that_eleven_zones_do_not_fit_is_refused() -> None:
    """With the longest stop that does."""
    with pytest.raises(Unsound) as refusal:
        zone_dial(30, 12)
    assert refusal.value.field == "stop_mm"
    assert "8.6 mm" in refusal.value.message
