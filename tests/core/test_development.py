"""Developing times: points, rule of thumb, temperature, and what is warned of."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.darkroom.groups import groups
from emulsa.core.darkroom.waiting import WaitingFilm
from emulsa.core.development import recipes, temperature
from emulsa.core.development.recipes import Point, Recipe
from emulsa.core.development.time import development
from emulsa.core.development.time_answer import DevelopmentRequest
from emulsa.core.errors import Missing, OutOfRange
from emulsa.demo.bag import FILMS, RECIPES

RECIPE = Recipe(points=(Point(n=-1, minutes=6, ei=80), Point(n=0, minutes=9, ei=100)))


def test_log_linear_between_points() -> None:
    """N−½ lies at the geometric mean of N−1 and N; so does its EI."""
    timed = recipes.time_for(RECIPE, -0.5)
    assert timed.minutes == pytest.approx(math.sqrt(6 * 9))
    assert timed.ei == pytest.approx(math.sqrt(80 * 100))
    assert timed.origin == "personal"


def test_beyond_the_points_the_rule_of_thumb_goes_on() -> None:
    """From the nearest point, and labelled estimated."""
    timed = recipes.time_for(RECIPE, 1)
    assert timed.minutes == pytest.approx(9 * 1.35)
    assert timed.origin == "estimated"
    assert recipes.time_for(RECIPE, -2).minutes == pytest.approx(6 * 0.65 / 0.8)


@given(st.floats(-5, 5), st.floats(-5, 5))
def test_more_n_is_more_time(a: float, b: float) -> None:
    """Contraction is shorter, expansion longer, everywhere."""
    low, high = sorted((a, b))
    assert (
        recipes.time_for(RECIPE, low).minutes <= recipes.time_for(RECIPE, high).minutes * 1.000001
    )


def test_a_personal_time_beats_a_published_one() -> None:
    """And a tested one beats both; between two origins the weaker is said."""
    points = (
        Point(n=0, minutes=9, origin="published"),
        Point(n=0, minutes=8.5, origin="personal"),
        Point(n=1, minutes=12, origin="published"),
    )
    recipe = Recipe(points=points)
    assert recipes.time_for(recipe, 0).minutes == 8.5
    assert recipes.time_for(recipe, 0.5).origin == "published"
    tested = Recipe(points=(*points, Point(n=0, minutes=8, origin="tested")))
    assert recipes.time_for(tested, 0).minutes == 8


@given(st.floats(18, 27), st.floats(18, 27), st.floats(0.05, 0.12))
def test_temperature_composes(a: float, b: float, k: float) -> None:
    """Going from one temperature to another and on is going there at once."""
    direct = temperature.factor(b, 20, k)
    assert temperature.factor(a, 20, k) * temperature.factor(b, a, k) == pytest.approx(direct)


def test_the_operation_multiplies_once() -> None:
    """N, reciprocity, rotary, temperature: each a row, and the rows multiply to the result."""
    request = DevelopmentRequest(
        recipe=RECIPE, n=-1, temperature_f=71.6, reciprocity_change=0.9, rotary=True, ei=125
    )
    answer = development(request)
    assert answer.minutes == pytest.approx(6 * 0.9 * 0.85 * math.exp(-0.09 * 2))
    assert [row.step for row in answer.ledger] == [
        "recipe",
        "reciprocity",
        "agitation",
        "temperature",
    ]
    assert answer.ledger[-1].minutes == answer.minutes
    assert answer.ei == 80
    assert [each.code for each in answer.advice] == ["time-much-too-short"]


@pytest.mark.parametrize(
    ("minutes", "codes"),
    [(3.9, ["time-much-too-short"]), (4.0, ["time-short"]), (4.9, ["time-short"]), (5.0, [])],
)
def test_short_times_are_warned_of(minutes: float, codes: list[str]) -> None:
    """Under 5 minutes, strongly under 4 (common practice, no source)."""
    recipe = Recipe(points=(Point(n=0, minutes=minutes),))
    answer = development(DevelopmentRequest(recipe=recipe))
    assert [each.code for each in answer.advice] == codes


@pytest.mark.parametrize("bad", [{"temperature_c": 17.9}, {"temperature_f": 81}])
def test_temperatures_nobody_trusts_are_refused(bad: dict[str, float]) -> None:
    """18 to 27 °C, said in both scales, at the field that was typed."""
    with pytest.raises(OutOfRange, match=r"64\.4 to 80\.6 °F") as refusal:
        development(DevelopmentRequest(recipe=RECIPE, **bad))
    assert refusal.value.field == next(iter(bad))


def test_a_recipe_without_times_says_so() -> None:
    """Nothing is invented for it."""
    with pytest.raises(Missing, match="minutes for N"):
        development(DevelopmentRequest(recipe=Recipe()))
    with pytest.raises(Missing, match="not both"):
        DevelopmentRequest(recipe=RECIPE, temperature_c=20, temperature_f=68)


def waiting(where: str, n: float, recipe_id: str | None, change: float = 1.0) -> WaitingFilm:
    return WaitingFilm(
        exposure_id=where,
        piece_ids=(where,),
        film_id="film-corvane",
        recipe_id=recipe_id,
        where=where,
        scene_title="",
        scene_id="",
        exposed_at="",
        n=n,
        development_change=change,
        error_stops=0,
        set_text="",
    )


def test_sheets_wait_in_groups() -> None:
    """Same film, recipe, N and reciprocity change together; a missing recipe is said."""
    films = {film.id: film for film in FILMS}
    known = {recipe.id: recipe for recipe in RECIPES}
    sheets = [
        waiting("2B", -1, "recipe-corvane-mq"),
        waiting("1A", -1, "recipe-corvane-mq"),
        waiting("4A", 0, "recipe-corvane-mq"),
        waiting("4B", -1, "recipe-corvane-mq", 0.8),
        waiting("5A", 0, None),
    ]
    found = groups(sheets, films, known, 20)
    assert sorted([sheet.where for sheet in group.sheets] for group in found) == [
        ["1A", "2B"],
        ["4A"],
        ["4B"],
        ["5A"],
    ]
    by_where = {group.sheets[0].where: group for group in found}
    assert by_where["1A"].time is not None
    assert by_where["1A"].time.minutes == pytest.approx(6.8333333)
    assert by_where["5A"].time is None
    assert "choose one" in by_where["5A"].problem
