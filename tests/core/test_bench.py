"""The bench: a test worked out as it stands, its times taken over, and what negatives teach."""

import math
from dataclasses import replace
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.bench.evidence import of_negatives
from emulsa.core.bench.negatives import Judged
from emulsa.core.bench.plan import BracketPlan, frames_of
from emulsa.core.bench.sheet import worked_out
from emulsa.core.bench.tested import (
    after_learning,
    after_test,
    change_text,
    changed_by_test,
    rated_after_learning,
)
from emulsa.core.corrections.optics import Lens, MeasuredSpeed, Shutter
from emulsa.core.development.recipes import Point, Recipe, best_points, own_word
from emulsa.core.errors import Impossible, Unreadable, Unsound
from emulsa.core.kit.films import Film, FilmRecipe
from emulsa.core.light.exposure_value import exposure_value
from emulsa.core.light.marks import f_number, seconds
from emulsa.core.sensitometry.curve import DensityStep, LuxSeconds
from emulsa.demo.sheets import CORVANE_TEST, OSTREL_TEST, VELM_TEST
from emulsa.devices.densitometer import SimulatedDensitometer
from emulsa.exchange import curves, densities

FILM = Film(id="film-corvane", name="Corvane 100", exposure_index=100)
RECIPE = FilmRecipe(
    id="r",
    film_id=FILM.id,
    name="Trays",
    recipe=Recipe(
        points=(
            Point(n=-2, minutes=5, origin="published"),
            Point(n=0, minutes=8.5, ei=80),
            Point(n=1, minutes=12),
        )
    ),
)


def test_a_test_says_how_to_rate_and_how_long() -> None:
    """The curve nearest to normal gives the index; the ladder stands between the tested times; the
    other film is 1⅔ stops faster (the demo's curves, by formula)."""
    worked = worked_out(CORVANE_TEST, FILM, RECIPE.recipe, [OSTREL_TEST])
    assert (worked.rate_at, worked.main) == ("EI 64", "11 min")
    assert worked.rate_why == "⅔ stop under the EI 100 you use, from 4 curves"
    assert [each.n_text for each in worked.ladder] == ["N−1", "N−½", "N", "N+½", "N+1", "N+1½"]
    assert [each.extrapolated for each in worked.ladder] == [True, *[False] * 4, True]
    assert "The test says" in worked.today
    assert worked.compared is not None
    assert worked.compared.films[0].rows[0] == ("Speed at equal shadows", "1⅔ stops slower")
    assert worked.axis == "zones"
    line = worked.lines[0]
    assert line.points[0][0] == -1  # six stops under V
    assert line.line[0] == pytest.approx(line.points[0])
    boxed = worked_out(CORVANE_TEST, replace(FILM, box_speed=125), None)
    assert boxed.rate_why.startswith("1 stop under the box")


def test_a_test_that_waits_says_what_it_waits_for() -> None:
    """Without densities it is no fault; one bad curve is named among all."""
    waits = worked_out(VELM_TEST, FILM, None)
    assert (waits.answer, waits.field) == (None, None)
    assert "five densities" in waits.problem
    bad = CORVANE_TEST.curves[2]
    turned = replace(bad, steps=tuple(replace(s, stops=-(s.stops or 0)) for s in bad.steps))
    waiting = VELM_TEST.curves[0]
    test = replace(CORVANE_TEST, curves=(waiting, CORVANE_TEST.curves[0], turned))
    worked = worked_out(test, FILM, None)
    assert worked.field is not None
    assert worked.field.startswith("curves.2.steps.")
    assert "turn them" in worked.problem
    assert worked.lines[2].problem
    assert worked.lines[0].problem == ""


def test_tested_times_become_points() -> None:
    """Every N inside, to five seconds, with who says so; what was not tested stays, and so does
    what is published; the change is said before it is made."""
    sheet = worked_out(CORVANE_TEST, FILM, None)
    changed = after_test(RECIPE, CORVANE_TEST, sheet)
    points = {each.n: each for each in changed.recipe.points}
    assert points[-2] == RECIPE.recipe.points[0]
    said = change_text(changed_by_test(RECIPE, CORVANE_TEST, sheet))
    assert "Goes: N 8 min 30 s (personal), N+1 12 min (personal)." in said
    assert said.startswith("Comes: N−½ ")
    leaflet = Point(n=0, minutes=9, origin="published")
    beside = replace(RECIPE, recipe=Recipe(points=(leaflet, *RECIPE.recipe.points)))
    assert leaflet in after_test(beside, CORVANE_TEST, sheet).recipe.points
    assert (points[0].origin, points[0].who, points[0].ei) == ("tested", CORVANE_TEST.title, 64)
    assert points[0].note == "film test of 2025-11-20"
    assert points[0].minutes * 12 == pytest.approx(round(points[0].minutes * 12))
    assert sorted(points) == [-2, -0.5, 0, 0.5, 1]
    with pytest.raises(Impossible, match="no ladder"):
        after_test(RECIPE, OSTREL_TEST, worked_out(OSTREL_TEST, FILM, None))


def negative(name: str, **more: object) -> Judged:
    plain = {"scene": "Pool", "error_stops": 0, "n": 0, "shadow": "full", "highlight": "full"}
    return Judged(piece_id=name, label=name, **{**plain, **more})  # type: ignore[arg-type]


def test_negatives_say_minutes_and_are_left_out_by_name() -> None:
    """Four with blocked lights say less, beside the recipe's own word, which stays; an index of
    one's own stays; what a stranger showed is refused."""
    names = ("1A", "2B", "3A", "4B")
    judged = [negative(name, highlight="blocked") for name in names]
    learned = of_negatives(FILM, RECIPE, judged)
    assert learned.answer.development.mean > 0.4
    assert "4 negatives say" in learned.minutes_text
    changed = after_learning(RECIPE, learned.answer, names)
    used = {each.n: each for each in best_points(changed.recipe)}
    assert used[0].minutes < 8.5
    assert (used[0].origin, used[0].ei, used[0].learned) == ("personal", 80, True)
    assert used[0].note == "learned from 1A, 2B, 3A, 4B"
    assert own_word(changed.recipe) == list(RECIPE.recipe.points)
    alone = of_negatives(FILM, RECIPE, judged, ["1A", "2B", "3A"])
    assert alone.answer.development.negatives == 1
    assert alone.minutes_text == alone.answer.development.sentence
    with pytest.raises(Impossible, match="do not say enough"):
        after_learning(RECIPE, alone.answer, ["4B"])
    with pytest.raises(Unsound):
        of_negatives(FILM, RECIPE, judged, ["none"])
    thin = [negative(name, shadow="none") for name in ("1A", "2B", "3A")]
    slow = of_negatives(FILM, RECIPE, thin)
    assert slow.answer.speed.enough
    rated = rated_after_learning(FILM, RECIPE, slow.answer)
    assert (rated.exposure_index, rated.prior_ei) == (50, 80)  # one step under the recipe's own EI
    with pytest.raises(Impossible, match="not say enough"):
        rated_after_learning(FILM, RECIPE, alone.answer)
    far = of_negatives(FILM, RECIPE, [negative("9A", error_stops=5)])
    assert far.answer.speed.negatives == 0


CGATS = densities.written(["SAMPLE_ID", "D_VIS"], [(1, 0.2), (2, 0.31), (3, 0.5)])
PASTED = [
    ("0.2\n0.31\n0.5", (0.2, 0.31, 0.5)),
    ("0,2 0,31 0,5", (0.2, 0.31, 0.5)),
    ("step;density\n1;0,20\n2;0,31\n3;0,50\n", (0.2, 0.31, 0.5)),
    ("1\t0.2\r\n2\t0.31\r\n3\t0.5\r\n\r\n", (0.2, 0.31, 0.5)),
    (CGATS, (0.2, 0.31, 0.5)),
]


@pytest.mark.parametrize(("text", "expected"), PASTED)
def test_densities_as_they_are_pasted(text: str, expected: tuple[float, ...]) -> None:
    """A column, a line, tables with either separator, CGATS text."""
    assert densities.read(text).densities == expected
    assert not densities.read(text).turned


@pytest.mark.parametrize(
    "text",
    ["", "no numbers", "0.2\nsoon\n0.4", "99", CGATS.replace("D_VIS", "LAB_L"), "0.1\n" * 401],
)
def test_what_is_no_density(text: str) -> None:
    """Refused with the line or the column."""
    with pytest.raises(Unreadable) as refused:
        densities.read(text)
    assert refused.value.field == "text"


def test_curves_go_out_and_come_in() -> None:
    """Each curve's CGATS set is read as the densities it was; the table has a row for each step."""
    text = curves.cgats(CORVANE_TEST).decode()
    table = curves.table(CORVANE_TEST).decode()
    assert curves.read(text) == curves.read(table) == CORVANE_TEST.curves
    rows = table.lstrip("\ufeff").splitlines()
    assert len(rows) == 1 + 4 * 13
    assert rows[1] == "6 min,6,0.2,100.0,-6,0.2" or rows[1] == "6 min,6,0.2,100,-6,0.2"
    by_light = tuple(
        replace(
            each,
            exposure=LuxSeconds(kind="lux_seconds"),
            minutes=None,
            steps=tuple(DensityStep(log_h=s.stops, density=s.density) for s in each.steps),
        )
        for each in CORVANE_TEST.curves
    )
    lit = replace(CORVANE_TEST, curves=by_light)
    assert curves.read(curves.cgats(lit).decode()) == by_light
    assert curves.read(curves.table(lit).decode()) == by_light
    named = replace(CORVANE_TEST, curves=(replace(CORVANE_TEST.curves[0], id="=1+1"),))
    assert curves.table(named).decode().splitlines()[1].startswith("'=1+1,")  # never a formula
    assert curves.read(curves.table(named).decode()) == named.curves


@pytest.mark.parametrize(
    ("text", "said"),
    [
        ("", "lacks the column curve"),
        ("curve,minutes\na,8", "lacks the column base_plus_fog"),
        ("curve,minutes,base_plus_fog,ei,exposure,density\na,8,0.2,100,x,1", "no number"),
        ("curve,minutes,base_plus_fog,ei,exposure,density\n", "no curve"),
        (densities.written(["D_VIS"], [(1,)]), "its exposure"),
    ],
)
def test_what_is_no_file_of_curves(text: str, said: str) -> None:
    """Refused with what it lacks."""
    with pytest.raises(Unreadable, match=said):
        curves.read(text)


def test_a_stand_in_for_a_densitometer() -> None:
    """Patch after patch a curve a test can be made of; without its zero it reads too much."""
    head = SimulatedDensitometer()
    found = [head.read(place, True) for place in range(13)]
    assert found[0] == pytest.approx(0.2, abs=0.02)
    assert found[12] > 1.2
    assert head.read(3, False) == pytest.approx(head.read(3, True) + 0.03, abs=0.011)
    steps = tuple(DensityStep(stops=place - 6, density=each) for place, each in enumerate(found))
    read = replace(CORVANE_TEST.curves[1], steps=steps)
    worked = worked_out(replace(CORVANE_TEST, curves=(read,)), FILM, None)
    assert worked.rate_at in ("EI 50", "EI 64", "EI 80")


@given(st.lists(st.integers(0, 400), min_size=2, max_size=31))
def test_what_goes_out_comes_in(hundredths: list[int]) -> None:
    """CGATS text out and in again; falling ones are told."""
    values = [each / 100 for each in hundredths]
    text = densities.written(["SAMPLE_ID", "D_VIS"], list(enumerate(values)))
    found = densities.read(text)
    assert list(found.densities) == pytest.approx(values)
    falling = sum(b < a for a, b in pairwise(values))
    assert found.turned == (falling > len(values) / 2)


OLD = Lens(focal_length_mm=150, widest="5.6", smallest="45", shutter=Shutter())


@given(st.floats(8, 16), st.sampled_from([1 / 3, 0.5, 1.0]), st.integers(2, 20))
def test_every_frame_is_what_it_says(ev: float, step: float, frames: int) -> None:
    """What is set gives its step, within the error that is told (APEX: EV = log2 of N²/t)."""
    plan = BracketPlan(ev=ev, ei=100, first_stops=-4, step_stops=step, frames=frames)
    for number, each in enumerate(frames_of(plan, OLD).frames):
        assert each.stops == pytest.approx(-4 + number * step)
        aperture = f_number(each.aperture.removeprefix("f/"), OLD.aperture_series)
        time = seconds(each.time_text.removesuffix(" s"))
        given_stops = ev - math.log2(aperture**2 / time)
        assert given_stops == pytest.approx(each.stops + each.error_stops, abs=1e-9)
        assert ("over" in each.says or "under" in each.says) == (
            abs(each.error_stops) > 1 / 12 + 1e-9
        )


def test_a_shutter_as_measured_is_planned_as_it_is() -> None:
    """A mark that gives 1/48 instead of 1/60 is a third of a stop over, and said or avoided."""
    measured = (MeasuredSpeed(mark="1/60", seconds=1 / 48),)
    slow = Lens(
        focal_length_mm=150,
        widest="11",
        smallest="11",
        shutter=Shutter(fastest="1/60", slowest="1/30", measured=measured),
    )
    plan = BracketPlan(ev=exposure_value(11.313708, 1 / 64), ei=100, first_stops=0, frames=2)
    first, second = frames_of(plan, slow).frames
    assert (first.time_text, first.says) == ("1/60 s", "0.42 stop over")
    assert (second.time_text, second.says) == ("1/30 s", "")
    dark = frames_of(BracketPlan(ev=2, ei=100, first_stops=0, frames=4), OLD)
    assert any("longer than a second" in each for f in dark.frames for each in [f.says]) or any(
        "cannot be given" in each for each in dark.says
    )
