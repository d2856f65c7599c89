"""Schools, plans and brackets: each school its own way, and none touches another's."""

import itertools
from dataclasses import replace
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.corrections import reciprocity
from emulsa.core.corrections.aperture_choice import BySpread
from emulsa.core.corrections.filters import Filter
from emulsa.core.corrections.movement import Movement
from emulsa.core.corrections.optics import Lens, Shutter
from emulsa.core.corrections.reciprocity import PowerLaw
from emulsa.core.errors import CoreError, Unsound
from emulsa.core.exposing.bracket import BracketRequest, bracket, offsets
from emulsa.core.exposing.chain import exposure, metered_at
from emulsa.core.exposing.penalties import Weights
from emulsa.core.exposing.plans import FilterChoice, PlansRequest, plans
from emulsa.core.exposing.request import ExposureRequest, High, SpotReading
from emulsa.core.exposing.schools import SCHOOLS, Habits, SchoolRow, SchoolsRequest, schools
from emulsa.core.kit.preferences import Preferences
from emulsa.core.light.meters import EvReading
from emulsa.core.scene import plan as scenes
from emulsa.core.scene import ways
from emulsa.core.scene.edits import edited
from emulsa.core.scene.record import Pin, Scene
from emulsa.core.tones.placement import Average, Placed
from emulsa.demo.bag import FILTERS
from emulsa.demo.quarry import POOL, WINDING_HOUSE
from tests.core.requests import canonical
from tests.core.test_scene import kit_of

LENS = Lens(focal_length_mm=150, widest="5.6", smallest="64")


def readings(*levels: tuple[str, float], domes: tuple[str, ...] = ()) -> tuple[SpotReading, ...]:
    return tuple(
        SpotReading(id=name, label=name, reading=EvReading(ev=ev), incident=name in domes)
        for name, ev in levels
    )


def row(school: str, request: SchoolsRequest) -> SchoolRow:
    return next(each for each in schools(request).schools if each.school == school)


WALL = canonical(
    readings=readings(
        ("shade", 9), ("slate", 11), ("frost", 14), ("dark side", 10), ("lit side", 13),
        domes=("dark side", "lit side"),
    ),
    placement=Placed(school="shadow", reading="shade", zone=3),
    high=High(reading="frost"),
    filters=(),
    optics=LENS,
)  # fmt: skip


@pytest.mark.parametrize(
    ("school", "camera", "text"),
    [
        ("shadow", 11, "shade on III"),
        ("midtone", 11, "slate on V"),
        ("highlight", 11.5, "frost on VII½"),
        ("average", 11.5, "shade and frost averaged"),
        ("incident", 13, "lit side on V"),
        ("incident_pair", 11, "dark side and lit side"),
        ("as_metered", 9, "shade on V"),
    ],
)
def test_each_school_s_setting(school: str, camera: float, text: str) -> None:
    """The seven placements of the same five readings."""
    found = row(school, SchoolsRequest(exposure=WALL))
    assert (found.camera_ev, found.text, found.problem) == (camera, text, "")


def test_schools_agree_with_the_chain() -> None:
    """What the strip says is what the exposure does when the school is taken up."""
    for each in schools(SchoolsRequest(exposure=WALL)).schools:
        assert each.placement is not None
        answer = exposure(replace(WALL, placement=each.placement))
        assert answer.camera_ev == each.camera_ev


@pytest.mark.parametrize(
    ("taken", "lacking"),
    [
        ((("shade", 9),), {"average", "incident", "incident_pair"}),
        ((("shade", 9), ("frost", 14)), {"midtone", "incident", "incident_pair"}),
        ((("shade", 9), ("wall", 12), ("frost", 14)), {"incident", "incident_pair"}),
    ],
)
def test_what_a_school_lacks_is_said(
    taken: tuple[tuple[str, float], ...], lacking: set[str]
) -> None:
    """And the others answer all the same."""
    request = replace(WALL, readings=readings(*taken), high=None)
    found = schools(SchoolsRequest(exposure=request)).schools
    assert {each.school for each in found if each.problem} == lacking
    assert all(each.problem.startswith("needs") for each in found if each.problem)


def test_only_readings_of_the_light() -> None:
    """Without a spot no tone can be placed."""
    request = replace(
        WALL, readings=readings(("dome", 12), domes=("dome",)), high=None,
        placement=Average(low="dome", high="dome"),
    )  # fmt: skip
    found = schools(SchoolsRequest(exposure=request)).schools
    assert [each.school for each in found if not each.problem] == ["incident"]


def test_habits_move_the_zones() -> None:
    """IV instead of III is one stop more; the marked shadow is placed, not the darkest."""
    habits = Habits(shadow_zone=4)
    assert row("shadow", SchoolsRequest(exposure=WALL, habits=habits)).camera_ev == 10
    marked = row("shadow", SchoolsRequest(exposure=WALL, low="slate"))
    assert (marked.text, marked.camera_ev) == ("slate on III", 13)


def test_what_is_lost_is_named() -> None:
    """A long range placed for its highlight loses the shadow."""
    request = replace(WALL, readings=readings(("shade", 6), ("frost", 15)))
    assert row("highlight", SchoolsRequest(exposure=request)).lost == ("shade",)


class TestInTheScene:
    """A scene's school places without a pin; a pin of one's own comes first."""

    @pytest.mark.parametrize(
        ("school", "said"),
        [
            ("shadow", "shadow on III"),
            ("midtone", "mid-tone on V"),
            ("highlight", "highlight on VII½"),
            ("average", "average on V"),
            ("as_metered", "as metered, on V"),
        ],
    )
    def test_without_a_pin(self, school: Any, said: str) -> None:
        scene = replace(WINDING_HOUSE, school=school, pin=None, high=None)
        kit = kit_of(scene)
        assert scenes.placement_text(scenes.placement(scene, kit)) == said
        assert exposure(scenes.plan(scene, kit)).falls

    def test_a_pin_of_one_s_own_comes_first(self) -> None:
        scene = replace(WINDING_HOUSE, school="shadow", pin=Pin(reading="face", zone=4))
        placed = scenes.placement(scene, kit_of(scene))
        assert placed == Placed(school="shadow", reading="face", zone=4)

    def test_what_it_lacks_falls_back_and_is_said(self) -> None:
        scene = replace(WINDING_HOUSE, school="incident", pin=None)
        kit = kit_of(scene)
        assert scenes.lacking(scene, kit) == "incident needs an incident reading, as 81920lx"
        assert scenes.placement_text(scenes.placement(scene, kit)) == "as metered, on V"
        assert scenes.lacking(replace(scene, school=None), kit) == ""

    @given(st.sampled_from([None, *SCHOOLS]), st.sampled_from([None, "heather", "gone"]))
    def test_every_choice_is_a_scene_that_works(self, school: Any, low: str | None) -> None:
        """Taking up any school, from any other, gives the exposure the strip promised."""
        scene = replace(WINDING_HOUSE, school=school, low=low)
        for choice in ways.school_choices(scene, kit_of(scene)):
            if not choice.edits:
                assert choice.row.problem
                continue
            taken_up = edited(scene, choice.edits, "now")
            answer = exposure(scenes.plan(taken_up, kit_of(taken_up)))
            assert answer.camera_ev == pytest.approx(choice.row.camera_ev)


STACKS = (FilterChoice(), FilterChoice(ids=("dense",), filters=(Filter(label="Dense", stops=6),)))


def asked(**changes: Any) -> PlansRequest:
    request = canonical(optics=LENS, filters=(), **changes)
    return PlansRequest(exposure=request, choices=(FilterChoice(filters=()), *STACKS[1:]))


def test_plans_are_ranked_by_the_sum_they_show() -> None:
    """The cost is the sum of its penalties, and the cheapest stands first."""
    answer = plans(asked())
    assert 1 <= len(answer.plans) <= 3
    costs = [plan.cost for plan in answer.plans]
    assert costs == sorted(costs)
    for plan in answer.plans:
        assert sum(each.cost for each in plan.penalties) == pytest.approx(plan.cost, abs=1e-6)
        assert plan.reason.endswith(".")
        assert plan.costs.endswith(".")


def test_no_two_plans_say_the_same() -> None:
    """Each is another placement, development or filter."""
    found = plans(asked()).plans
    keys = {(each.placement, each.n, each.filter_ids) for each in found}
    assert len(keys) == len(found)


@pytest.mark.parametrize(
    ("weights", "keeps"), [(Weights(tones=50), True), (Weights(tones=0, development=50), False)]
)
def test_the_weights_decide(weights: Weights, keeps: bool) -> None:
    """Who will not lose a tone gets contraction; who will not contract loses the frost."""
    best = plans(replace(asked(), weights=weights)).plans[0]
    assert (best.n < 0) is keeps
    assert ("loses texture" not in best.costs) is keeps


def test_movement_opens_the_aperture() -> None:
    """Grass in a breeze at five metres: the plan is short enough, as none of the old time was."""
    still = plans(asked()).plans[0]
    moving = plans(asked(movement=Movement(speed_mm_s=50, distance_mm=5000))).plans[0]
    assert moving.seconds < still.seconds


def test_depth_chooses_an_aperture_that_holds_it() -> None:
    """Five millimetres of focus spread want f/25 or smaller, and diffraction less than f/64."""
    best = plans(asked(depth=BySpread(focus_spread_mm=5), aperture="8")).plans[0]
    names = {each.name for each in best.penalties if each.amount > 0.3}
    assert "depth" not in names


def test_filters_are_touched_only_to_mend_something() -> None:
    """In sun too bright for the shutter the dense one comes up; otherwise it never does."""
    calm = plans(asked()).plans
    assert all(plan.own_filters for plan in calm)
    lens = Lens(focal_length_mm=150, widest="8", smallest="16", shutter=Shutter(fastest="1/60"))
    bright = canonical(
        optics=lens, filters=(), aperture="16", high=None,
        readings=readings(("shade", 16), ("frost", 18)),
    )  # fmt: skip
    request = replace(asked(), exposure=bright)
    assert plans(request).plans[0].filter_ids == ("dense",)


@given(st.lists(st.integers(12, 48), min_size=2, max_size=6), st.integers(0, 30))
def test_plans_answer_for_any_readings(levels: list[int], zone: int) -> None:
    """Three at most, every one a time above nothing."""
    request = replace(
        asked(),
        exposure=canonical(
            optics=LENS,
            readings=readings(*((f"r{k}", level / 3) for k, level in enumerate(levels))),
            placement=Placed(school="shadow", reading="r0", zone=zone / 3),
            high=High(reading="r1"),
        ),
    )
    found = plans(request).plans
    assert 1 <= len(found) <= 3
    assert all(each.seconds > 0 and each.cost >= 0 for each in found)


@pytest.mark.parametrize("scene", [WINDING_HOUSE, POOL])
def test_a_plan_taken_up_is_the_plan(scene: Scene) -> None:
    """The scene of a choice gives its time and N."""
    kit = kit_of(scene)
    for choice in ways.plan_choices(scene, kit, FILTERS, Preferences().weights):
        taken_up = edited(scene, choice.edits, "now")
        answer = exposure(scenes.plan(taken_up, kit_of(taken_up)))
        assert answer.set.seconds == pytest.approx(choice.plan.seconds)
        assert answer.development.n == choice.plan.n


@pytest.mark.parametrize(
    ("step", "frames", "side", "stops"),
    [
        (1, 3, "both", (1, 0, -1)),
        (0.5, 5, "both", (1, 0.5, 0, -0.5, -1)),
        (1, 3, "over", (2, 1, 0)),
        (1 / 3, 2, "under", (0, -1 / 3)),
    ],
)
def test_bracket_offsets(step: float, frames: int, side: Any, stops: tuple[float, ...]) -> None:
    """Most exposure first, the plan always among them."""
    assert offsets(step, frames, side) == pytest.approx(stops)
    assert 0 in offsets(step, frames, side)


@given(st.floats(0.34, 2), st.sampled_from([3, 5, 7]), st.floats(1, 1.5), st.integers(0, 30))
def test_bracket_frames_are_real_stops(step: float, frames: int, p: float, thirds: int) -> None:
    """Every frame puts its own stops on the film, by its own reciprocity; most exposure first."""
    base = canonical(law=PowerLaw(exponent=p), readings=readings(("shade", thirds / 3)), high=None)
    answer = bracket(BracketRequest(exposure=base, step_stops=step, frames=frames))
    for frame in answer.frames:
        plan = metered_at(base, frame.aperture)
        on_film = reciprocity.true_error_stops(base.law, plan, frame.corrected_s)
        assert on_film == pytest.approx(frame.stops, abs=1e-9)
        really = reciprocity.true_error_stops(base.law, plan, frame.seconds)
        assert really == pytest.approx(frame.stops + frame.error_stops, abs=1e-9)
    assert all(a.stops > b.stops for a, b in itertools.pairwise(answer.frames))
    assert answer.total_s == pytest.approx(sum(each.seconds for each in answer.frames))


def test_a_bracket_counts_sheets_and_money() -> None:
    """Three sheets at 2.40."""
    answer = bracket(BracketRequest(exposure=canonical(), sheet_price=2.4))
    assert (answer.sheets, answer.price) == (3, pytest.approx(7.2))
    assert bracket(BracketRequest(exposure=canonical())).price is None


def test_an_even_bracket_on_both_sides_is_refused() -> None:
    """There would be no frame of the plan itself."""
    with pytest.raises(Unsound) as refusal:
        BracketRequest(exposure=canonical(), frames=4)
    assert refusal.value.field == "frames"


@pytest.mark.parametrize("change", [{"readings": ()}])
def test_opinions_say_what_is_missing(change: dict[str, Any]) -> None:
    """As the exposure itself does."""
    scene = replace(POOL, **change)
    with pytest.raises(CoreError):
        ways.school_choices(scene, kit_of(POOL))


def test_the_request_of_schools_is_not_changed() -> None:
    """Looking at another school leaves the scene as it was."""
    before = replace(WALL)
    schools(SchoolsRequest(exposure=WALL))
    assert before == WALL
    assert isinstance(WALL, ExposureRequest)
