"""The chain, against the contract's example and its own laws."""

import itertools
import math
from dataclasses import replace
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core import wire
from emulsa.core.corrections import reciprocity
from emulsa.core.corrections.aperture_choice import BySpread
from emulsa.core.corrections.bellows import (
    ByDraw,
    ByExtension,
    ByMagnification,
    BySubject,
    Infinity,
)
from emulsa.core.corrections.filters import Filter
from emulsa.core.corrections.movement import Movement
from emulsa.core.corrections.optics import Lens, Pinhole, Shutter
from emulsa.core.corrections.reciprocity import NoFailure, PowerLaw, TableLaw
from emulsa.core.errors import CoreError, Missing, OutOfRange, Unsound
from emulsa.core.exposing.chain import exposure, metered_at
from emulsa.core.exposing.request import ExposureRequest, High, SpotReading
from emulsa.core.light.meters import EvReading
from emulsa.core.tones.placement import AsMetered, Average, Incident, IncidentPair, Placed
from tests.core.requests import canonical

LEDGER_SLACK = 1e-9


def spot(name: str, ev: float) -> SpotReading:
    return SpotReading(id=name, label=name, reading=EvReading(ev=ev))


def codes(answer: Any) -> set[str]:
    return {each.code for each in answer.advice}


def test_the_contract_example() -> None:
    """Every number of the example in the contract."""
    answer = exposure(canonical())
    assert answer.camera_ev == 11
    assert answer.range_stops == 6
    assert answer.n == -1
    assert [(each.id, each.zone) for each in answer.falls] == [("shade", 3), ("frost", 9)]
    assert answer.metered_s == pytest.approx(5.76)
    assert answer.corrected_s == pytest.approx(9.08, abs=0.005)
    assert (answer.set.text, answer.set.seconds, answer.set.means) == ("9 s", 9, "bulb")
    assert answer.set.error_stops == pytest.approx(-0.01, abs=0.005)
    steps = ["meter", "placement", "filter", "bellows", "reciprocity", "set"]
    assert [row.step for row in answer.ledger] == steps
    at_22 = next(pair for pair in answer.equivalents if pair.aperture == "22")
    assert (at_22.metered_s, at_22.corrected_s) == pytest.approx((2.88, 3.79), abs=0.005)
    assert at_22.ruled_out_by == ()
    assert (answer.development.n, answer.development.change) == (-1, 1)
    assert "highlight-beyond-range" in codes(answer)


evs = st.integers(-24, 72).map(lambda thirds: thirds / 3)
shifts = st.integers(-9, 9).map(lambda thirds: thirds / 3)


@given(st.lists(st.integers(0, 30), min_size=2, max_size=8), st.integers(-9, 9), st.integers(0, 30))
def test_placement_is_translation_invariant(levels: list[int], shift: int, zone: int) -> None:
    """More light everywhere moves the camera EV and nothing else: falls, range and N stay."""

    def answered(by: int) -> Any:
        readings = tuple(spot(f"r{k}", (level + by) / 3) for k, level in enumerate(levels))
        return exposure(
            canonical(
                readings=readings,
                placement=Placed(school="shadow", reading="r0", zone=zone / 3),
                high=High(reading="r1"),
                optics=Lens(focal_length_mm=150),
            )
        )

    before, after = answered(0), answered(shift)
    assert after.camera_ev == pytest.approx(before.camera_ev + shift / 3)
    assert [each.zone for each in after.falls] == pytest.approx(
        [each.zone for each in before.falls]
    )
    assert (after.n, after.range_stops) == pytest.approx((before.n, before.range_stops))


@given(
    st.floats(1, 64), st.floats(0, 200), st.floats(1, 1.5), st.sampled_from(["8", "22", "64"]), evs
)
def test_the_ledger_sums_to_its_result(
    factor: float, draw: float, exponent: float, aperture: str, ev: float
) -> None:
    """The first row's time, times two to the sum of all stops, is the time that is set."""
    answer = exposure(
        canonical(
            readings=(spot("shade", ev), spot("frost", min(24, ev + 5))),
            filters=(Filter(factor=factor),),
            focus=ByDraw(draw_mm=draw),
            law=PowerLaw(exponent=exponent),
            aperture=aperture,
        )
    )
    total = sum(row.stops for row in answer.ledger)
    assert answer.ledger[0].time_s * 2**total == pytest.approx(answer.set.seconds, rel=LEDGER_SLACK)
    for before, row in itertools.pairwise(answer.ledger):
        assert row.time_s == pytest.approx(before.time_s * 2**row.stops, rel=LEDGER_SLACK)


@given(st.permutations([Filter(factor=8), Filter(stops=1.5), Filter(density=0.9)]))
def test_the_order_of_filters_does_not_matter(filters: list[Filter]) -> None:
    """Factors, stops and densities are all stops, and stops add."""
    answer = exposure(canonical(filters=tuple(filters)))
    expected = 0.5 * 8 * 2**1.5 * 10**0.9 * 1.44
    assert answer.metered_s == pytest.approx(expected)


def test_the_place_of_reciprocity_matters() -> None:
    """On the full corrected time, not on the meter's: the other order is short by ⅓ stop."""
    request = canonical()
    answer = exposure(request)
    wrong = reciprocity.corrected_s(request.law, 0.5) * 8 * 1.44
    assert answer.corrected_s > wrong
    assert reciprocity.true_error_stops(request.law, answer.metered_s, wrong) < -1 / 3


@pytest.mark.parametrize(
    "focus", [ByDraw(draw_mm=30), ByExtension(extension_mm=180), ByMagnification(m=0.2)]
)
def test_ways_of_saying_the_focus_agree(focus: Any) -> None:
    """30 mm of draw, 180 mm of extension and m = 0.2 are one thing on a 150 mm lens."""
    assert exposure(canonical(focus=focus)).metered_s == pytest.approx(5.76)


def test_a_pinhole_takes_no_bellows_factor() -> None:
    """Its N holds the distance; a draw given by mistake is noted and not counted."""
    pinhole = canonical(optics=Pinhole(diameter_mm=0.2, distance_mm=30), aperture=None, filters=())
    plain = exposure(replace(pinhole, focus=Infinity()))
    drawn = exposure(replace(pinhole, focus=ByDraw(draw_mm=30)))
    assert plain.metered_s == drawn.metered_s == pytest.approx(150**2 / 2**11)
    assert plain.set.aperture == "f/150"
    assert "bellows-on-pinhole" in codes(drawn)
    assert "bellows-on-pinhole" not in codes(plain)


def test_metered_through_adds_nothing() -> None:
    """A reading through the filter already holds it; the ledger says so in a row of zero stops."""
    through = exposure(canonical(filters=(Filter(label="Red", factor=8, metered_through=True),)))
    assert through.metered_s == pytest.approx(0.72)
    row = next(row for row in through.ledger if row.step == "filter")
    assert (row.stops, row.why) == (0, "metered through it")


@pytest.mark.parametrize(
    ("placement", "camera"),
    [
        (Average(low="shade", high="frost"), 12),
        (Incident(reading="frost"), 15),
        (IncidentPair(low="shade", high="frost"), 10),
        (AsMetered(reading="shade"), 9),
        (Placed(school="highlight", reading="frost", zone=7.5), 12.5),
    ],
)
def test_the_other_schools(placement: Any, camera: float) -> None:
    """Camera EV of every school over EV 9 and EV 15 (common practice, no source)."""
    assert exposure(canonical(placement=placement)).camera_ev == camera


def test_a_faster_film_needs_less() -> None:
    """EI 200 is one stop on the camera, nothing on the falls; IV at EI 200 is III at EI 100."""
    answer = exposure(canonical(ei=200))
    assert answer.camera_ev == 12
    assert [each.zone for each in answer.falls] == [3, 9]
    fourth = canonical(ei=200, placement=Placed(school="shadow", reading="shade", zone=4))
    assert exposure(fourth).metered_s == pytest.approx(exposure(canonical()).metered_s)


@given(st.floats(0.01, 2000))
def test_solving_for_the_aperture_comes_back(clock: float) -> None:
    """The aperture found for a time is within half its step of the light wanted, or at a limit."""
    lens = Lens(focal_length_mm=150, widest="5.6", smallest="64")
    answer = exposure(canonical(solve_for="aperture", time=clock, optics=lens))
    assert answer.set.seconds == clock
    assert answer.set.means == "aperture"
    at_limit = answer.set.aperture in ("f/5.6", "f/64")
    assert at_limit or abs(answer.set.error_stops) <= 1 / 6 + 1e-6


@pytest.mark.parametrize(
    ("lens", "ev", "text", "means", "error"),
    [
        (Lens(focal_length_mm=150), 16, "1/60", "shutter", 0),
        (Lens(focal_length_mm=150), 16 + 1 / 3, "1/60", "shutter", 1 / 3),
        (
            Lens(focal_length_mm=150, shutter=Shutter(series="old_leaf")),
            16,
            "1/50",
            "shutter",
            0.36,
        ),
        (Lens(focal_length_mm=150), 4, "3 min 10 s", "bulb", 0.01),
        (Lens(focal_length_mm=150), 22, "1/500", "shutter", 3),
        (Pinhole(diameter_mm=1, distance_mm=32), 8, "5.5 s", "bulb", -0.05),
    ],
)
def test_choosing_what_the_hands_set(
    lens: Any, ev: float, text: str, means: str, error: float
) -> None:
    """A mark where the shutter has one, the watch beyond; old leaf shutters' marks are literal."""
    answer = exposure(
        canonical(
            readings=(spot("wall", ev),),
            placement=AsMetered(reading="wall"),
            high=None,
            optics=lens,
            aperture=None if isinstance(lens, Pinhole) else "32",
            filters=(),
            focus=Infinity(),
        )
    )
    assert (answer.set.text, answer.set.means) == (text, means)
    assert answer.set.error_stops == pytest.approx(error, abs=0.02)


def test_chosen_n_beats_the_wanted_one() -> None:
    """An N set by hand is what is developed and what the print rail shows."""
    answer = exposure(canonical(n=-2))
    assert (answer.n, answer.development.n, answer.development.n_text) == (-2, -2, "N−2")
    assert answer.falls[1].lands < 8


def test_n_is_planned_in_halves() -> None:
    """A wanted N of −1⅓ stays unrounded in the answer and is planned as N−1½."""
    answer = exposure(canonical(readings=(spot("shade", 9), spot("frost", 15 + 1 / 3))))
    assert answer.n == pytest.approx(-4 / 3)
    assert answer.development.n == -1.5


def test_advice_speaks_and_is_silent() -> None:
    """Each code with a scene that triggers it; the quiet scene triggers none."""
    quiet = canonical(readings=(spot("shade", 9), spot("frost", 14)))
    assert codes(exposure(quiet)) == set()
    lost = canonical(n=0.0)
    assert exposure(lost).falls[1].lost == "highlight"
    dark = canonical(readings=(spot("shade", 9), spot("frost", 14), spot("hole", 7)))
    assert "shadow-below-range" in codes(exposure(dark))
    wide = canonical(readings=(spot("shade", 7), spot("frost", 16)))
    assert "development-extreme" in codes(exposure(wide))
    assert "reciprocity-extrapolated" in codes(exposure(replace(quiet, law=NoFailure(until_s=1))))
    assert "reciprocity-extrapolated" in codes(
        exposure(replace(quiet, law=TableLaw(rows=((1, 1), (2, 3)))))
    )
    bright = replace(quiet, readings=(spot("shade", 20), spot("frost", 24)), aperture="5.6")
    assert "faster-than-shutter" in codes(exposure(bright))
    hole = replace(bright, optics=Pinhole(diameter_mm=0.2, distance_mm=30), aperture=None)
    assert "too-short-by-hand" in codes(exposure(hole))
    tele = Lens(focal_length_mm=150, telephoto=True)
    stretched = replace(quiet, optics=tele, focus=ByExtension(extension_mm=180))
    assert "extension-on-telephoto" in codes(exposure(stretched))


def test_the_true_error_of_another_aperture() -> None:
    """One stop wider at the same metered time is one stop over."""
    request = canonical()
    assert metered_at(request, "22") == pytest.approx(5.76 / 2)
    assert math.log2(metered_at(request, "32") / metered_at(request, "22")) == pytest.approx(1)


REFUSED: list[tuple[dict[str, Any], type[CoreError], str]] = [
    ({"aperture": "4"}, OutOfRange, "aperture"),
    ({"aperture": "23"}, CoreError, "aperture"),
    ({"aperture": None}, Missing, "aperture"),
    ({"placement": AsMetered(reading="nobody")}, Missing, "placement.reading"),
    ({"high": High(reading="nobody")}, Missing, "high.reading"),
    ({"focus": ByExtension(extension_mm=100)}, OutOfRange, "focus.extension_mm"),
    ({"solve_for": "aperture"}, Missing, "time"),
    (
        {"solve_for": "aperture", "optics": Pinhole(diameter_mm=0.2, distance_mm=30)},
        Unsound,
        "solve_for",
    ),
]


@pytest.mark.parametrize(("change", "error", "field"), REFUSED)
def test_refusals_name_their_field(change: Any, error: type[CoreError], field: str) -> None:
    """One sentence, the field it belongs to."""
    lens = Lens(focal_length_mm=150, widest="5.6", smallest="64")
    request = canonical(**{"optics": lens, **change})
    with pytest.raises(error) as refusal:
        exposure(request)
    assert refusal.value.field == field
    assert refusal.value.message.endswith(".")


def test_the_request_is_checked_when_made() -> None:
    """Two readings of one id and an upside-down range are refused before anything is computed."""
    with pytest.raises(Unsound, match="same id"):
        canonical(readings=(spot("a", 9), spot("a", 10)))
    with pytest.raises(Unsound, match="rise"):
        canonical(textural_range=(8, 2))
    assert wire.decode(ExposureRequest, wire.encode(canonical())) == canonical()


def test_what_rules_an_aperture_out() -> None:
    """Depth from below, diffraction and movement from above, the film's data and the shutter."""
    answer = exposure(
        canonical(
            optics=Lens(
                focal_length_mm=150, widest="5.6", smallest="90", shutter=Shutter(slowest="1/2")
            ),
            focus=ByMagnification(m=0.1),
            filters=(),
            depth=BySpread(focus_spread_mm=3),
            movement=Movement(speed_mm_s=2),
            law=PowerLaw(exponent=1.3, tested_until_s=0.5),
        )
    )
    out = {each.aperture: set(each.ruled_out_by) for each in answer.equivalents}
    assert out == {
        "5.6": {"depth-too-small"},
        "8": {"depth-too-small"},
        "11": {"depth-too-small"},
        "16": set(),
        "22": set(),
        "32": {"beyond-film-data", "moves"},
        "45": {"beyond-film-data", "moves"},
        "64": {"beyond-film-data", "moves"},
        "90": {"beyond-film-data", "moves", "softened"},
    }
    assert [each.aperture for each in answer.equivalents if each.best] == ["32"]
    assert answer.equivalents[0].ruled_out_text == "too little depth"


def test_what_shall_flow_takes_time() -> None:
    """So many times the longest sharp time at least: what rules apertures out is turned round, and
    the sentence says from when on (definition of the time: t = c/(m·s))."""
    water = {"what": "running water", "speed_mm_s": 2}
    still, flowing = (
        exposure(
            canonical(
                optics=Lens(focal_length_mm=150, widest="5.6", smallest="90"),
                focus=ByMagnification(m=0.1),
                filters=(),
                movement=wire.decode(Movement, {**water, **more}),
                aperture="16",
            )
        )
        for more in ({}, {"blur_times": 4})
    )
    assert still.sharpness is not None
    assert flowing.sharpness is not None
    assert still.sharpness.longest_s == pytest.approx(0.1 / (0.1 * 2))
    assert still.sharpness.shortest_s is None
    assert flowing.sharpness.longest_s is None
    assert flowing.sharpness.shortest_s == pytest.approx(2)
    assert "what moves flows from 2 s on" in flowing.sharpness.text
    sharp = {each.aperture for each in still.equivalents if "moves" in each.ruled_out_by}
    blurred = {each.aperture for each in flowing.equivalents if "freezes" in each.ruled_out_by}
    assert sharp == {"45", "64", "90"}
    assert blurred == {"5.6", "8", "11", "16", "22", "32", "45"}
    (said,) = (each.text for each in flowing.advice if each.code == "freezes")
    assert said.startswith("Running water shall flow, which takes 2 s or more, and this is ")
    assert flowing.equivalents[0].ruled_out_text == "less blur than wanted"
    with pytest.raises(OutOfRange):
        wire.decode(Movement, {**water, "blur_times": 1})


def test_without_b_or_t_long_times_are_ruled_out() -> None:
    """And times too short for the shutter."""
    answer = exposure(
        canonical(
            optics=Lens(
                focal_length_mm=150,
                widest="5.6",
                smallest="64",
                shutter=Shutter(fastest="1/8", slowest="1", by_hand="none"),
            ),
        )
    )
    out = {each.aperture: each.ruled_out_by for each in answer.equivalents}
    assert out["64"] == out["32"] == ("longer-than-shutter",)
    assert out["11"] == (), "between two marks is no time too short"
    slowest = Lens(focal_length_mm=150, shutter=Shutter(slowest="1", by_hand="none"))
    for aperture, error_stops, said in (("13", 0.14, False), ("16", -0.53, True)):
        law = NoFailure(until_s=100)
        found = exposure(canonical(aperture=aperture, law=law, optics=slowest))
        assert (found.set.text, found.set.error_stops) == (
            "1 s",
            pytest.approx(error_stops, abs=0.01),
        )
        assert ("longer-than-shutter" in [each.code for each in found.advice]) == said


def test_depth_at_the_focus() -> None:
    """A subject distance gives the limits of depth at the aperture that is set."""
    answer = exposure(canonical(focus=BySubject(distance_mm=5000), aperture="22"))
    assert answer.sharpness is not None
    assert answer.sharpness.near_mm == pytest.approx(3360.8, abs=0.1)
    assert answer.sharpness.text.startswith("sharp from 3.4 m to 9.8 m")
    assert exposure(canonical(focus=None)).sharpness is None
