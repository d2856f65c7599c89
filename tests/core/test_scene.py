"""A scene becomes a request: what it names is looked up, what is missing is said."""

from dataclasses import replace
from typing import Any

import pytest
from hypothesis import given

from emulsa.core.corrections.bellows import Infinity
from emulsa.core.errors import CoreError, Missing
from emulsa.core.exposing.chain import exposure
from emulsa.core.exposing.request import High
from emulsa.core.light.meters import Calibrated, EvReading
from emulsa.core.logged.log import given_error_stops, log
from emulsa.core.logged.record import Given
from emulsa.core.scene import plan as scenes
from emulsa.core.scene.plan import plan
from emulsa.core.scene.record import Pin, Scene, SceneKit, SceneReading, follow_on
from emulsa.core.scene.solve import solved
from emulsa.core.tones.placement import AsMetered, Placed
from emulsa.demo.bag import FILMS, FILTERS, LENSES, METER, PINHOLE
from emulsa.demo.quarry import ADIT, INCLINE, POOL, WINDING_HOUSE
from tests import strategies

AT = "2026-01-17T12:00:00Z"


def kit_of(scene: Scene) -> SceneKit:
    """The demo's records a scene names."""
    by_id: dict[str, Any] = {each.id: each for each in (*FILMS, *LENSES, PINHOLE, METER, *FILTERS)}
    return SceneKit(
        film=by_id.get(scene.film_id or ""),
        lens=by_id.get(scene.lens_id or ""),
        pinhole=by_id.get(scene.pinhole_id or ""),
        meter=by_id.get(scene.meter_id or ""),
        filters=tuple(by_id[each] for each in scene.filter_ids),
    )


@pytest.mark.parametrize(
    ("scene", "text", "n"),
    [
        (WINDING_HOUSE, "1 s", "N−1"),
        (INCLINE, "1/4", "N+1"),
        (POOL, "11 s", "N"),
        (ADIT, "13 min 30 s", "N−1"),
    ],
)
def test_the_demo_scenes(scene: Scene, text: str, n: str) -> None:
    """Contraction, expansion, bellows with a red filter, and a pinhole of many minutes."""
    answer = exposure(plan(scene, kit_of(scene)))
    assert (answer.set.text, answer.development.n_text) == (text, n)


def test_filters_are_named_in_the_ledger() -> None:
    """By the names they have in the kit."""
    labels = [row.label for row in exposure(plan(POOL, kit_of(POOL))).ledger]
    assert labels == ["Meter", "Placed on III", "Deep red", "Bellows", "Reciprocity", "Set"]


def test_without_a_reading_there_is_nothing_to_say() -> None:
    """The one thing that is asked for."""
    scene = replace(POOL, readings=())
    with pytest.raises(Missing) as refusal:
        plan(scene, kit_of(scene))
    assert refusal.value.field == "readings"


NOTHING = {
    "film_id": None,
    "lens_id": None,
    "aperture": None,
    "filter_ids": (),
    "focus": Infinity(),
}


@pytest.mark.parametrize(
    ("change", "assumed", "ei", "aperture"),
    [
        (NOTHING, ["EI 100, assumed", "reciprocity unknown", "any lens", "f/8, assumed"], 100, "8"),
        (
            {**NOTHING, "exposure_index": 400},
            ["film not named", "reciprocity unknown", "any lens", "f/8, assumed"],
            400,
            "8",
        ),
        ({"film_id": None}, ["EI 100, assumed", "reciprocity unknown"], 100, "32"),
        ({"aperture": None}, ["f/8, assumed"], 100, "8"),
        ({"lens_id": "lens-300", "aperture": None}, ["f/9, assumed"], 100, "9"),
        ({}, [], 100, "32"),
    ],
)
def test_what_nobody_said_is_assumed_and_said(
    change: dict[str, Any], assumed: list[str], ei: float, aperture: str
) -> None:
    """A reading alone has an exposure; what is assumed stands in a word until it is named."""
    scene = replace(POOL, **change)
    solution = solved(scene, kit_of(scene), None, AT)
    assert [each.text for each in solution.assumed] == assumed
    assert solution.problem is None
    assert solution.plan is not None
    assert (solution.plan.request.ei, solution.plan.request.aperture) == (ei, aperture)


def test_one_reading_on_an_empty_folder() -> None:
    """12 alone at EI 100 and f/8 is 1/64 s, marked 1/60: 2^12 = N²/t, so t = 64/4096. Beside it
    stands a row of apertures, a stop apart."""
    wall = SceneReading(id="w", label="wall", reading=EvReading(ev=12))
    scene = replace(POOL, **NOTHING, readings=(wall,), pin=None, high=None, school=None)
    answer = solved(scene, SceneKit(), None, AT).answer
    assert answer is not None
    assert (answer.set.text, answer.set.seconds) == ("1/60", 1 / 64)
    row = {each.aperture: each.text for each in answer.equivalents}
    assert list(row) == ["5.6", "8", "11", "16", "22", "32", "45", "64"]
    assert (row["5.6"], row["16"], row["64"]) == ("1/125", "1/15", "1 s")


def test_a_long_time_on_unknown_film_is_not_corrected_and_says_so() -> None:
    """Up to one second nothing is said; beyond it the time stands as metered, with the caution."""
    for ev, said in ((6, False), (2, True)):
        dark = SceneReading(id="w", label="wall", reading=EvReading(ev=ev))
        scene = replace(POOL, **NOTHING, readings=(dark,), pin=None, high=None, school=None)
        answer = solved(scene, SceneKit(), None, AT).answer
        assert answer is not None
        assert answer.corrected_s == answer.metered_s == 64 / 2**ev
        assert ("reciprocity-unknown" in {each.code for each in answer.advice}) is said


def test_the_scene_rates_the_film_or_the_film_itself() -> None:
    """An EI of the scene's own beats the film's."""
    assert plan(POOL, kit_of(POOL)).ei == 100
    rated = replace(POOL, exposure_index=64)
    assert plan(rated, kit_of(rated)).ei == 64


@pytest.mark.parametrize(
    ("zone", "school", "said"),
    [
        (3, "shadow", "shadow on III"),
        (4.5, "shadow", "shadow on IV½"),
        (5, "midtone", "mid-tone on V"),
        (7.5, "highlight", "highlight on VII½"),
    ],
)
def test_schools_by_zone(zone: float, school: str, said: str) -> None:
    """What is pinned low is a shadow, high a highlight, between a mid-tone."""
    placed = scenes.placement(replace(POOL, pin=Pin(reading="ice", zone=zone)), kit_of(POOL))
    assert placed == Placed(school=school, reading="ice", zone=zone)  # type: ignore[arg-type]
    assert scenes.placement_text(placed) == said


def test_nothing_pinned_is_as_metered() -> None:
    """The first reading on V, and said so; a pin on a reading that is gone is no pin."""
    for pin in (None, Pin(reading="gone", zone=3)):
        placed = scenes.placement(replace(POOL, pin=pin), kit_of(POOL))
        assert placed == AsMetered(reading="crack")
        assert scenes.placement_text(placed) == "as metered, on V"


def test_the_important_highlight() -> None:
    """As marked; else nobody's: the brightest that is not pinned is only asked about, and none with
    one reading alone; a mark on a reading that is gone is a target."""
    kit = kit_of(POOL)
    assert scenes.high(POOL, kit) == High(reading="bubbles", zone=8)
    unmarked = replace(POOL, high=None)
    assert scenes.high(unmarked, kit) == High(zone=8)
    assert scenes.who_decides(unmarked, kit).reading == "bubbles"
    pinned = replace(unmarked, pin=Pin(reading="bubbles", zone=7.5))
    assert scenes.who_decides(pinned, kit).reading != "bubbles"
    alone = replace(unmarked, readings=POOL.readings[:1])
    assert scenes.who_decides(alone, kit).if_marked is None
    assert scenes.high(replace(POOL, high=High(reading="gone", zone=7)), kit) == High(zone=7)


def test_one_reading_is_enough() -> None:
    """A right exposure from a single spot, developed normally."""
    scene = replace(POOL, readings=POOL.readings[:1], high=None, filter_ids=())
    answer = exposure(plan(scene, kit_of(scene)))
    assert (answer.n, answer.range_stops) == (0, 0)
    assert [each.zone for each in answer.falls] == [3]


def test_a_new_scene_takes_over_the_kit_and_nothing_else() -> None:
    """Film, lens, aperture and meter; no reading, no filter, no focus."""
    blank = Scene(id="new", outing_id="o", title="Next")
    assert follow_on(blank, ()) == blank
    after = follow_on(blank, (ADIT, POOL))
    assert (after.film_id, after.lens_id, after.aperture) == ("film-corvane", "lens-150", "32")
    assert (after.readings, after.filter_ids, after.focus) == ((), (), None)
    pushed = replace(POOL, exposure_index=400, rating_reason="push_pull")
    assert follow_on(blank, (pushed,)).exposure_index is None, "a push is said anew"
    unnamed = replace(pushed, film_id=None)
    assert follow_on(blank, (unnamed,)).exposure_index == 400, "it is all that is known of it"


@given(strategies.scenes())
def test_every_scene_is_answered_or_says_why_not(scene: Scene) -> None:
    """And its falls, which need neither film nor lens, agree with the exposure's."""
    kit = kit_of(scene)
    try:
        tones = scenes.falls(scene, kit)
        answer = exposure(plan(scene, kit))
    except CoreError as refusal:
        assert refusal.message
        return
    assert [each.zone for each in tones] == pytest.approx([each.zone for each in answer.falls])
    assert [each.lands for each in tones] == pytest.approx([each.lands for each in answer.falls])


def test_falls_before_film_and_lens() -> None:
    """The bridge shows from the first reading on."""
    bare = Scene(
        id="s",
        outing_id="o",
        title="x",
        readings=(SceneReading(id="a", reading=EvReading(ev=11)),),
    )
    assert [each.zone for each in scenes.falls(bare, SceneKit())] == [5]
    assert scenes.falls(replace(bare, readings=()), SceneKit()) == ()
    assert scenes.calibration(SceneKit()) == Calibrated()


def test_the_log_keeps_what_was_given() -> None:
    """As planned unless said; the true error of what was given; the plan as it was."""
    request = plan(POOL, kit_of(POOL))
    given_ = Given(id="e", scene_id="s", piece_id="h")
    planned = log(given_, request, "recipe", "now", "1")
    assert (planned.aperture, planned.seconds) == ("32", 11)
    assert planned.error_stops == pytest.approx(-0.041, abs=0.001)  # 11 s for 11.42
    longer = log(replace(given_, time=22), request, None, "now", "1")
    assert longer.error_stops == pytest.approx(planned.error_stops + 1 / 1.31, abs=1e-3)
    marked = log(replace(given_, time="15", aperture="45"), request, None, "now", "1")
    assert marked.seconds == 16
    assert marked.error_stops == given_error_stops(request, "45", 16)
    assert planned.request == longer.request == marked.request


def test_a_pinhole_is_logged_by_its_own_f_number() -> None:
    """There is nothing to set."""
    logged = log(
        Given(id="e", scene_id="s", piece_id="h"), plan(ADIT, kit_of(ADIT)), None, "now", "1"
    )
    assert logged.aperture == pytest.approx(200)
    assert logged.development_change < 1
