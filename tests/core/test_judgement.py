"""Deciding as a careful printer would: who may ask for N, at which index, and what is asked back.

Common practice, no source, where none is named. Handed-out numbers stand in tests/handbook.
"""

from __future__ import annotations

from dataclasses import replace
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.advice import Advice
from emulsa.core.corrections.aperture_choice import (
    ApertureChoiceRequest,
    aperture_choice,
    blur_for,
)
from emulsa.core.corrections.bellows import ByDraw
from emulsa.core.corrections.reciprocity import (
    NoFailure,
    PowerLaw,
    StopsLaw,
    corrected_s,
    development_change,
)
from emulsa.core.development.offer import offered
from emulsa.core.exposing.chain import exposure
from emulsa.core.exposing.deciding import decision
from emulsa.core.exposing.request import EiPoint, ExposureRequest, High, SpotReading
from emulsa.core.exposing.sharing import Share, opened_s
from emulsa.core.kit.preferences import Habits
from emulsa.core.light.meters import EvReading
from emulsa.core.logged.texts import off_text, set_text
from emulsa.core.scene.assumed import complete
from emulsa.core.scene.edits import edited
from emulsa.core.scene.record import Scene, SceneKit, follow_on
from emulsa.core.scene.solve import Solution, solved
from emulsa.core.tones.placement import IncidentPair, Placed
from emulsa.demo.quarry import INCLINE, POOL, WINDING_HOUSE
from tests.core.requests import canonical
from tests.core.test_scene import AT, kit_of

SHADE = SpotReading(id="shade", label="shade", reading=EvReading(ev=9))
EVS = st.floats(0, 16)


def bright(ev: float, id_: str = "frost") -> SpotReading:
    """A reading beside the shade's EV 9."""
    return SpotReading(id=id_, label=id_, reading=EvReading(ev=ev))


def said(request: ExposureRequest) -> dict[str, Advice]:
    """The advice of an answer, by its code."""
    return {each.code: each for each in exposure(request).advice}


def of(scene: Scene, **kit: Any) -> Solution:
    """A scene of the demo, worked out with its own kit."""
    return solved(scene, replace(kit_of(scene), **kit), None, AT)


@given(st.lists(EVS, min_size=1, max_size=6), st.floats(0, 6))
def test_nobody_but_a_person_asks_for_expansion(evs: list[float], zone: float) -> None:
    """N above 0 needs a marked highlight, an incident pair or a chosen N: the brightest reading
    need not be the tone that matters."""
    readings = (SHADE, *(bright(ev, f"r{place}") for place, ev in enumerate(evs)))
    request = canonical(
        readings=readings,
        high=None,
        n=None,
        placement=Placed(school="shadow", reading="shade", zone=zone),
    )
    found = decision(request)
    assert found.n <= 0
    assert exposure(request).development.n <= 0
    assert (found.by == "brightest") == (found.n < 0)


@given(EVS, st.floats(0, 10), st.floats(6, 9))
def test_what_is_placed_asks_for_nothing(ev: float, zone: float, target: float) -> None:
    """A reading that is itself placed stands where it is wanted, even when it is marked."""
    request = canonical(
        readings=(bright(ev),),
        placement=Placed(school="highlight", reading="frost", zone=zone),
        high=High(reading="frost", zone=target),
        n=None,
    )
    assert (decision(request).n, decision(request).by) == (0, "none")


@pytest.mark.parametrize(
    ("ev", "n", "code", "words"),
    [
        (12.0, 0.0, "mark-highlight", "N+2"),  # on VI: marked, it would want two more
        (16.0, -2.0, "n-by-brightest", "N−2"),  # on X: held back, and asked whether it matters
    ],
)
def test_the_brightest_reading_is_asked_about(ev: float, n: float, code: str, words: str) -> None:
    """Its N is told; expansion only offered, contraction taken and said whose it is."""
    request = canonical(
        readings=(SHADE, bright(ev)),
        placement=Placed(school="shadow", reading="shade", zone=3),
        high=None,
        n=None,
    )
    assert exposure(request).development.n == n
    advice = said(request)
    assert ("mark-highlight" in advice, "n-by-brightest" in advice) == (
        code == "mark-highlight",
        code == "n-by-brightest",
    )
    assert words in advice[code].text


def test_a_pair_of_spot_readings_is_told() -> None:
    """An incident pair of readings off the subject: 7 stops are not the range of the light."""
    pair = IncidentPair(low="shade", high="frost")
    spots = canonical(readings=(SHADE, bright(12)), placement=pair, high=None, n=None)
    light = tuple(replace(each, incident=True) for each in spots.readings)
    assert "pair-of-spots" in said(spots)
    assert "pair-of-spots" not in said(replace(spots, readings=light))


def test_the_index_of_n_is_the_recipes_own() -> None:
    """N at its own or tested index, straight in log2 between two, in the ledger and the time; a
    scene rated by hand keeps its rating, and beyond the points nothing is assumed."""
    points = (EiPoint(n=-2, ei=50), EiPoint(n=0, ei=100))
    request = canonical(ei=100, usual_ei=100, n=-1, high=None)
    plain, own = exposure(request), exposure(replace(request, ei_by_n=points))
    assert own.ei == pytest.approx(100 / 2**0.5)
    assert own.metered_s / plain.metered_s == pytest.approx(2**0.5)
    assert [row.label for row in own.ledger if row.step == "ei"] == ["N−1 at EI 70.7"]
    rated = replace(request, ei=80, ei_by_n=points)
    assert exposure(rated).ei == 80
    beyond = replace(request, n=1.0, ei_by_n=points)
    assert exposure(beyond).ei == 100


@pytest.mark.parametrize(("n", "ei"), [(-1.0, 80.0), (-2.0, 64.0), (-3.0, 50.0), (-5.0, 50.0)])
def test_the_rule_of_thumb_is_offered_and_never_applied(n: float, ei: float) -> None:
    """A third of a stop for each N of contraction, to N−3; the exposure stays at the film's EI."""
    request = canonical(ei=100, usual_ei=100, n=n, high=None)
    assert f"EI {ei:g}" in said(request)["ei-by-thumb"].text
    assert exposure(request).ei == 100


@given(st.floats(20, 300), st.floats(20, 300), st.floats(1.1, 4))
def test_sharp_scales_with_the_film(width: float, height: float, times: float) -> None:
    """The diagonal over 1500; 0.1 mm where no format is said. One's own blur stands."""
    small, large = blur_for(None, (width, height)), blur_for(None, (width * times, height * times))
    assert large / small == pytest.approx(times)
    assert small * 1500 == pytest.approx((width**2 + height**2) ** 0.5)
    assert blur_for(0.03, (width, height)) == 0.03
    assert blur_for(None, None) == 0.1


def test_a_roll_needs_a_smaller_stop_than_a_sheet() -> None:
    """The same depth, 2 mm of focus spread: the smaller the film, the smaller the opening."""
    wanted = ApertureChoiceRequest(focus_spread_mm=2.0)
    large, small = (
        aperture_choice(replace(wanted, format_mm=each)) for each in ((254.0, 203.0), (56.0, 56.0))
    )
    assert small.blur_mm < large.blur_mm
    assert small.widest > large.widest


@given(st.floats(1, 1.6), st.floats(1, 2000), st.integers(2, 16))
def test_openings_of_one_scene_sum_to_one_exposure(p: float, metered: float, parts: int) -> None:
    """Shares of one scene are parts of the clock's time; of several scenes each is corrected by
    itself, so that they sum to less."""
    law = PowerLaw(exponent=p)
    one = [opened_s(law, metered, Share(part=1 / parts)) for _ in range(parts)]
    assert sum(one) == pytest.approx(corrected_s(law, metered))
    apart = opened_s(law, metered / parts, Share(part=1 / parts, of="scenes"))
    assert parts * apart <= sum(one) * (1 + 1e-9)


@given(st.floats(1, 1000), st.floats(1, 1000))
def test_a_change_of_development_fades_where_the_tables_end(one: float, other: float) -> None:
    """A law's change of development grows from where it begins and stays at its last said value."""
    law = StopsLaw(rows=((1, 1, 0.9), (10, 2, 0.8), (100, 3, 0.7)))
    low, high = sorted((one, other))
    assert development_change(law, high) <= development_change(law, low) + 1e-12
    assert 0.7 - 1e-12 <= development_change(law, high) <= 1


def test_an_unknown_law_is_said_and_not_reckoned() -> None:
    """A long time on film nobody knows is as metered, with a caution; a known one has none."""
    request = canonical(law=NoFailure(until_s=1, unknown=True), aperture="64", filters=())
    answer = exposure(request)
    assert answer.corrected_s == answer.metered_s
    assert "reciprocity-unknown" in said(request)
    known = replace(request, law=PowerLaw(exponent=1.3))
    assert "reciprocity-unknown" not in said(known)


def test_a_long_lens_nobody_named_is_said_with_a_draw() -> None:
    """The draw's factor needs a focal length: the one that was taken stands in the word."""
    scene = replace(POOL, lens_id=None, focus=ByDraw(draw_mm=180))
    texts = [each.text for each in complete(scene, SceneKit())[2]]
    assert "any lens, taken as 150 mm" in texts
    texts = [each.text for each in complete(replace(scene, focus=None), SceneKit())[2]]
    assert "any lens" in texts


def test_one_touch_marks_the_highlight_and_another_undoes_the_index() -> None:
    """What is asked is answered beside the question, by edits like any other."""
    unmarked = replace(INCLINE, high=None)
    fixes = [each for each in of(unmarked).fixes if each.about == "mark-highlight"]
    assert len(fixes) == 1
    marked = edited(unmarked, fixes[0].edits, AT)
    answer = of(marked).answer
    assert answer is not None
    assert answer.development.n_text == "N+2"
    assert not [each for each in of(marked).fixes if each.about == "mark-highlight"]


def test_a_rating_asks_for_its_reason_once() -> None:
    """Rated otherwise than the film, the scene is asked why; the answer goes on the sheet."""
    rated = replace(POOL, exposure_index=50.0)
    fixes = [each for each in of(rated).fixes if each.about == "rating-reason"]
    assert len(fixes) == 4
    told = edited(rated, fixes[0].edits, AT)
    assert told.rating_reason == "index"
    assert not [each for each in of(told).fixes if each.about == "rating-reason"]


def test_the_next_scene_is_not_rated_by_the_last_ones_reason() -> None:
    """What one scene was rated for is not the film's: the next begins at the film's own index."""
    before = replace(POOL, exposure_index=50.0, rating_reason="safety")
    after = follow_on(Scene(id="next", outing_id=POOL.outing_id, title="Next"), [before])
    assert (after.film_id, after.exposure_index, after.rating_reason) == (POOL.film_id, None, None)


def test_no_habit_makes_the_blur_of_a_format() -> None:
    """A habit of blur is one's own; none is by the format."""
    assert Habits().blur_mm is None


@pytest.mark.parametrize(
    ("error", "words"),
    [
        (
            1.0,
            [
                "Exposed 1 stop over",
                "N, 8 min",
                "as for N−1, 6 min, 0.80 (grade 4)",
                "0.98 (grade 2)",
            ],
        ),
        (-1.0, ["Exposed 1 stop under", "as for N+1", "no shadow comes back"]),
    ],
)
def test_an_error_is_reported_with_what_it_does_to_the_print(
    error: float, words: list[str]
) -> None:
    """And the development that would hold the lights is offered; nothing is decided by it."""
    offer = offered(0, error, 6.0, 8.0, "published")
    assert all(each in offer.text for each in words), offer.text
    assert offer.n == -error
    assert (offer.range > offer.range_held) == (error > 0)


@pytest.mark.parametrize(
    ("aperture", "seconds", "mark", "text"),
    [
        ("9", 1 / 217, "1/250", "f/9, 1/250 (gives 1/217 s)"),
        ("22", 1 / 60, "1/60", "f/22, 1/60 s"),
        ("32", 9.0, "", "f/32, 9 s"),
    ],
)
def test_the_dial_and_what_it_gives(aperture: str, seconds: float, mark: str, text: str) -> None:
    """A measured shutter is set by its mark and reckoned by its own time."""
    assert set_text(aperture, seconds, mark) == text


def test_an_error_that_shows_nowhere_is_not_said() -> None:
    """From a sixth of a stop it is."""
    assert [off_text(each) for each in (0.0, 0.16, -1 / 6, 1.5)] == [
        "",
        "",
        "0.17 stop too little",
        "1½ stops too much",
    ]


def test_a_marked_highlight_is_confirmed_in_the_ledger() -> None:
    """Why N is what it is stands beside it, and names the reading."""
    answer = of(WINDING_HOUSE).answer
    assert answer is not None
    assert answer.development.n_text == "N−1"
    assert answer.development.why == "N−1 brings lit frost, your highlight, to VIII"
