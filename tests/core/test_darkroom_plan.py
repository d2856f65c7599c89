"""What a darkroom has, and how an evening's runs are planned from it."""

from fractions import Fraction
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.darkroom import plan, room
from emulsa.core.darkroom.cues import heard
from emulsa.core.darkroom.evening import EveningRequest, evening
from emulsa.core.darkroom.plan import Wanting
from emulsa.core.development.recipes import Recipe
from emulsa.core.development.zones_text import too_far, zones_text
from emulsa.core.errors import CoreError, Impossible, Missing, Unreadable, Unsound
from emulsa.core.kit.bag import Camera, KitFilter, KitLens, Meter
from emulsa.core.kit.darkroom import Bath, Bottle, Line, Tank, bottle_trouble
from emulsa.core.outing.packing import Loaded, packing
from emulsa.demo.bag import FILTERS, LENSES

TANK = Tank(id="tank", name="Tank", holds=4, volume_ml=500, pour_s=10, drain_s=10)
RECIPE = Recipe(dilution="1+1")
LINE = Line(
    id="line",
    name="Line",
    baths=(
        Bath(name="Presoak", kind="presoak", seconds=120),
        Bath(name="Developer", kind="developer"),
        Bath(name="Stop", kind="stop", seconds=30, agitation="shuffle"),
        Bath(name="Fixer", kind="fixer", seconds=300),
        Bath(name="Wash", kind="wash", seconds=600),
        Bath(name="Dry", kind="dry", seconds=7_200),
    ),
)


def wanting(*minutes: float, places: Fraction = Fraction(1, 4)) -> list[Wanting]:
    """Film of a tank for four, unless more or less of it is taken."""
    return [Wanting(id=f"{k}", minutes=m, places=places) for k, m in enumerate(minutes)]


@pytest.mark.parametrize(
    ("minutes", "max_runs", "parts"),
    [
        ((6.8, 6.8, 11.5), None, [["0", "1"], ["2"]]),
        ((6.8, 6.8, 11.5), 1, [["0", "1", "2"]]),
        ((8.0, 8.1, 8.2, 8.3, 8.4), None, None),  # five do not fit four places
        ((8.0, 8.2, 8.4), None, [["0", "1", "2"]]),  # within a quarter of a zone
        ((6.0, 8.0, 11.0), 3, [["0"], ["1"], ["2"]]),
    ],
)
def test_as_few_runs_as_do(
    minutes: tuple[float, ...], max_runs: int | None, parts: list[list[str]] | None
) -> None:
    """The fewest runs with nothing further off than a quarter of a zone, or as many as asked."""
    answer = plan.sharing(wanting(*minutes), TANK, max_runs)
    found = [list(run.ids) for run in answer.runs]
    assert found == parts if parts is not None else len(found) == 2
    if max_runs is None:
        assert max(abs(each.error_zones) for each in answer.sheets) <= 0.25


@given(st.lists(st.floats(4, 20), min_size=1, max_size=10))
def test_nothing_is_left_behind(minutes: list[float]) -> None:
    """Every piece is in one run, no run holds more than the tank."""
    answer = plan.sharing(wanting(*minutes), TANK)
    ids = [id_ for run in answer.runs for id_ in run.ids]
    assert sorted(ids, key=int) == [f"{k}" for k in range(len(minutes))]
    assert all(len(run.ids) <= TANK.holds for run in answer.runs)


def test_rolls_take_the_places_of_four() -> None:
    """Two reels in a tank for eight sheets; none in one for three."""
    eight, three = Tank(id="e", name="Eight", holds=8), Tank(id="t", name="Three", holds=3)
    rolls = wanting(8, 8, 8, places=room.roll_share(eight))
    assert [len(run.ids) for run in plan.sharing(rolls, eight).runs] in ([2, 1], [1, 2])
    with pytest.raises(Impossible, match="does not fit"):
        plan.sharing(wanting(8, places=room.roll_share(three)), three)


@pytest.mark.parametrize(
    ("holds", "rolls", "sheets_in", "rolls_in", "fits"),
    [
        (4, 2, 0, 2, True),
        (4, 2, 0, 3, False),
        (4, 2, 2, 1, True),  # half of it sheets, half a reel
        (4, 2, 3, 1, False),
        (4, 0, 4, 0, True),
        (4, 0, 0, 1, False),  # a tank for sheets takes no reel
        (3, 2, 0, 2, True),
        (8, None, 4, 1, True),
        (8, None, 5, 1, False),
    ],
)
def test_a_tank_has_its_own_room_for_rolls(
    holds: int, rolls: int | None, sheets_in: int, rolls_in: int, fits: bool
) -> None:
    """Reels are counted apart from sheets where the tank says how many it takes."""
    tank = Tank(id="t", name="Tank", holds=holds, holds_rolls=rolls)
    share = room.share_together(tank, [20.0] * sheets_in, rolls_in)
    if fits:
        room.check_room(tank, share, "piece_ids")
    else:
        with pytest.raises(Impossible, match="more than fits"):
            room.check_room(tank, share, "piece_ids")


@pytest.mark.parametrize(
    ("parts", "refusal", "says"),
    [
        ([["0"], ["1"]], Unsound, "one is missing"),
        ([["0", "1"], ["1", "2"]], Unsound, "missing, or in two"),
        ([["0", "1", "2", "9"]], Unsound, "missing"),
    ],
)
def test_sharing_by_hand_is_whole(
    parts: list[list[str]], refusal: type[CoreError], says: str
) -> None:
    """A piece left out, twice, or unknown is refused."""
    with pytest.raises(refusal, match=says):
        plan.as_asked(wanting(6, 7, 8), TANK, parts)


def test_sharing_by_hand_costs() -> None:
    """Never less than the best; a run too full is refused, an empty one is none."""
    film = wanting(6, 6.2, 11, 11.5)
    best = plan.sharing(film, TANK, 2)
    asked = plan.as_asked(film, TANK, [["0", "2"], [], ["1", "3"]])
    assert len(asked.runs) == 2
    assert asked.cost > best.cost
    assert not asked.optimal
    with pytest.raises(Impossible, match="more than fits"):
        plan.as_asked(wanting(6, 6, 6, 6, 6), TANK, [["0", "1", "2", "3", "4"]])


def test_a_course_is_the_line_in_the_tank() -> None:
    """The developer's minutes are the film's, the other baths' their own; the tank's ways hold in
    the tank, a bath's own way goes before them, and the washer is moved by nobody."""
    course = plan.course(LINE, TANK, 6.8, 80, RECIPE)
    by_kind = {step.kind: step for step in course.steps}
    spans = {kind: step.end_s - step.start_s for kind, step in by_kind.items()}
    assert spans["developer"] == pytest.approx(408)
    assert spans["wash"] == 600
    kinds = {kind: {cue.kind for cue in step.cues} for kind, step in by_kind.items()}
    assert kinds["developer"] == {"pour", "agitate", "drain"}
    assert kinds["stop"] == {"pour", "agitate"}
    assert len([cue for cue in by_kind["stop"].cues if cue.kind == "agitate"]) == 1
    assert kinds["wash"] == set()
    assert {part.part: part.ml for part in course.mix} == {"concentrate": 250, "water": 250}


def test_a_run_as_an_evening_sees_it() -> None:
    """From the developer to the fixer nothing waits and the hands are held; the rest may wait."""
    course = plan.course(LINE, TANK, 6.8, 80, RECIPE)
    run = plan.tasks("a", LINE, TANK, course)
    told = [(task.name, task.place, task.hands, task.follows_at_once) for task in run.tasks]
    assert told == [
        ("Presoak", "tank", False, False),
        ("Developer", "tank", True, True),
        ("Stop", "tank", True, True),
        ("Fixer", "tank", True, True),
        ("Wash", "washer", False, False),
        ("Dry", "dryer", False, False),
    ]
    places = {"tank": 1, "washer": 1, "dryer": 2}
    two = (run, plan.tasks("b", LINE, TANK, course))
    answer = evening(EveningRequest(runs=two, places=places))
    second = min(each.start_s for each in answer.tasks if each.run_id == "b")
    left_tank = max(
        each.end_s for each in answer.tasks if (each.run_id, each.name) == ("a", "Fixer")
    )
    assert second >= left_tank  # there is one tank
    more = evening(EveningRequest(runs=two, places={**places, "tank": 2}))
    assert more.finish_s < answer.finish_s


@pytest.mark.parametrize(
    ("record", "field", "refusal"),
    [
        (lambda: Tank(id="t", name="T", agitation="shake"), "agitation", Missing),
        (lambda: Line(id="l", name="L", baths=(Bath(name="F", kind="fixer"),)), "baths", Missing),
        (
            lambda: Line(id="l", name="L", baths=(Bath(name="D", kind="developer"),) * 3),
            "baths",
            Unsound,
        ),
        (
            lambda: Line(
                id="l",
                name="L",
                baths=(
                    Bath(name="A", kind="developer"),
                    Bath(name="Rinse", kind="rinse"),
                    Bath(name="B", kind="developer"),
                ),
            ),
            "baths",
            Unsound,
        ),
        (
            lambda: Line(
                id="l", name="L", baths=(Bath(name="D", kind="developer", agitation="x"),)
            ),
            "baths.0.agitation",
            Missing,
        ),
        (lambda: Bottle(id="b", name="B", mixed="2026-02-30"), "mixed", Unsound),
        (lambda: Bottle(id="b", name="B", opened="yesterday"), "opened", Unsound),
    ],
)
def test_records_that_cannot_be(record: Any, field: str, refusal: type[CoreError]) -> None:
    """The field is named."""
    with pytest.raises(refusal) as caught:
        record()
    assert caught.value.field == field


@pytest.mark.parametrize(
    ("today", "bottle", "says"),
    [
        ("2026-01-31", {"mixed": "2026-01-01", "shelf_days": 30}, ""),
        ("2026-02-01", {"mixed": "2026-01-01", "shelf_days": 30}, "is past its 30 days"),
        ("2024-03-01", {"mixed": "2024-02-28", "shelf_days": 2}, ""),  # a leap year
        ("2025-03-02", {"opened": "2025-02-28", "shelf_days": 1}, "mixed 28 February 2025"),
        ("2026-01-01", {"shelf_days": 1}, ""),  # nobody said since when
        ("2026-01-01", {"capacity_rolls": 10, "used_rolls": 9.9}, ""),
        ("2026-01-01", {"capacity_rolls": 10, "used_rolls": 10}, "10 rolls"),
        ("2026-01-01", {"fresh_clearing_s": 35, "clearing_s": 69}, ""),
        ("2026-01-01", {"fresh_clearing_s": 35, "clearing_s": 70}, "discard it"),
    ],
)
def test_when_a_bottle_is_done(today: str, bottle: dict[str, Any], says: str) -> None:
    """By its days, its film, its clearing time (doubled: common practice, no source)."""
    said = bottle_trouble(Bottle(id="b", name="Fixer", **bottle), today)
    assert says in said if says else said == ""


def test_a_dilution_of_two_meanings_is_asked_once() -> None:
    """The recipe keeps which its maker means; without it the course is refused."""
    with pytest.raises(Unreadable, match="say in its recipe"):
        plan.course(LINE, TANK, 6.8, 80, Recipe(dilution="1:4"))
    parts = {
        colon: plan.course(LINE, TANK, 6.8, 80, Recipe(dilution="1:4", colon=colon)).mix[0].ml
        for colon in ("one_plus_n", "one_in_n")
    }
    assert parts == {"one_plus_n": 100, "one_in_n": 125}


@pytest.mark.parametrize(
    ("area", "rolled", "weight", "places", "counted"),
    [
        (20.0, False, 1, "1/4", 1),
        (13.8, False, 1, "1/4", 1),
        (35.0, False, 2, "1/2", 2),
        (80.0, False, 1, "1", 1),
        (80.0, True, 0, "1", 0.25),
    ],
)
def test_places_in_a_tank(
    area: float, rolled: bool, weight: float, places: str, counted: float
) -> None:
    """Tanks are counted in 4×5: larger sheets take more, a roll its reel; all weigh something."""
    found = plan.wanting("a", 8, weight, area, rolled, Tank(id="t", name="Tank", holds=4))
    assert (found.places, found.weight, found.area_in2) == (Fraction(places), counted, area)


def test_a_wash_in_changes_of_water() -> None:
    """Five changes in ten minutes: every two, heard; the water of five tanks."""
    wash = Bath(name="Wash", kind="wash", seconds=600, changes=5)
    line = Line(id="l", name="Line", baths=(Bath(name="Developer", kind="developer"), wash))
    last = plan.course(line, TANK, 5, 80, None).steps[-1]
    changes = [cue.start_s - last.start_s for cue in last.cues if cue.kind == "change"]
    assert changes == [120, 240, 360, 480]
    said = [each for each in heard((last,)) if each.says == "Change the water"]
    assert len(said) == 4
    (water,) = plan.totals(line, [(TANK, ())])
    assert water.ml == 5 * TANK.volume_ml


def test_the_clock_leaves_drying_to_the_night() -> None:
    """Everything else is counted, in its order."""
    wet = plan.by_the_clock(LINE)
    assert [bath.kind for bath in wet.baths] == [bath.kind for bath in LINE.baths[:-1]]
    assert plan.by_the_clock(wet) == wet


def test_what_is_heard_of_a_run() -> None:
    """Pouring, moving, resting, draining, and each bath ten seconds before it comes."""
    steps = plan.course(plan.by_the_clock(LINE), TANK, 5, 80, RECIPE).steps
    sounds = heard(steps)
    assert [each.at_s for each in sounds] == sorted(each.at_s for each in sounds)
    assert sounds[-1].sound == "end"
    assert sounds[-1].at_s == steps[-1].end_s
    developer = steps[1]
    moves = [
        e.at_s
        for e in sounds
        if e.sound == "move" and developer.start_s <= e.at_s < developer.end_s
    ]
    assert moves == [cue.start_s for cue in developer.cues if cue.kind == "agitate"]
    soon = {each.says: each.at_s for each in sounds if each.sound == "soon"}
    assert soon["In ten seconds: Stop"] == developer.end_s - 10
    assert soon["In ten seconds: done"] == steps[-1].end_s - 10
    pours = [each.says for each in sounds if each.sound == "pour"]
    assert pours == ["Pour in: Presoak", "Pour in: Developer", "Pour in: Stop", "Pour in: Fixer"]
    assert [each.says for each in sounds if each.sound == "next"] == ["Wash"]


def test_where_the_clock_may_stand() -> None:
    """Not from the developer to the end of the fixer. Common practice, no source."""
    steps = plan.course(LINE, TANK, 5, 80, RECIPE).steps
    assert [step.name for step in steps if not step.may_wait] == ["Developer", "Stop", "Fixer"]


@given(st.floats(-5, 5))
def test_errors_in_words(error: float) -> None:
    """Too high is too much development, too low too little, and nothing is nothing."""
    text = zones_text(error)
    if abs(error) < 0.02:
        assert text == "on target"
    else:
        assert text.endswith("too high" if error > 0 else "too low")
        assert "0.0" not in text
    assert too_far(error) == (abs(error) > 0.25)


def test_the_bag_is_packed_from_the_kit() -> None:
    """Each thing once with a key that stays, archived kit at home, loaded film with its places."""
    camera = Camera(id="c", name="Field camera")
    meter = Meter(id="m", name="Spot meter", archived=True)
    lenses: list[KitLens] = list(LENSES)
    filters: list[KitFilter] = list(FILTERS)
    film = [Loaded(where="2A", film="Corvane 100"), Loaded(where="2B", film="Corvane 100")]
    items = packing([camera], lenses, [], filters, [meter], film)
    keys = [each.key for each in items]
    assert len(keys) == len(set(keys))
    texts = [each.text for each in items]
    assert "Spot meter" not in texts
    assert "Corvane 100: 2A, 2B" in texts
    assert "Changing bag" in texts
    assert any("Somebody knows where you are" in text for text in texts)
    groups = list(dict.fromkeys(each.group for each in items))
    assert groups == ["Camera", "Lenses", "Filters", "Film", "Other", "People and safety"]
    nothing = packing([], [], [], [], [], [])
    assert "Changing bag" not in [each.text for each in nothing]
