"""What a negative is developed by: its N, its EI, its error, its recipe, and the last word."""

import math
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.darkroom.groups import groups
from emulsa.core.darkroom.waiting import WaitingFilm
from emulsa.core.development import ratings, temperature
from emulsa.core.development.choice import Choice
from emulsa.core.development.recipes import Point, Rating, Recipe, Timed, Warmth, time_for
from emulsa.core.development.thumb import thumb_factor, zones_off
from emulsa.core.development.time import development
from emulsa.core.development.time_answer import DevelopmentAnswer, DevelopmentRequest
from emulsa.core.errors import CoreError, Impossible, Missing, Unsound
from emulsa.core.kit.films import Film, FilmRecipe

TABLE = (
    Warmth(temperature_c=18, minutes=11.5),
    Warmth(temperature_c=20, minutes=9.5),
    Warmth(temperature_c=24, minutes=6.5),
)
RECIPE = Recipe(
    developer="metol–hydroquinone developer",
    dilution="1+1",
    points=(
        Point(n=-1, minutes=7, ei=80),
        Point(n=0, minutes=9.5, ei=100, origin="personal", who="own sheets, winter"),
        Point(n=0, minutes=10, ei=100, origin="published", who="maker's sheet"),
        Point(n=1, minutes=13),
    ),
)
FILM = Film(id="film", name="Grey film", exposure_index=100)


def timed(**more: Any) -> DevelopmentAnswer:
    return development(DevelopmentRequest(**{"recipe": RECIPE, **more}))


def steps(answer: DevelopmentAnswer) -> dict[str, float]:
    return {row.step: row.factor for row in answer.ledger}


def test_every_change_is_a_row_and_counts_once() -> None:
    """The last row is the first times every factor, whatever is asked together."""
    answer = timed(
        n=-1,
        temperature_c=22,
        ei=100,
        rated_ei=200,
        error_stops=0.5,
        error="hold_highlights",
        reciprocity_change=0.9,
        rotary=True,
        age_change=1.1,
    )
    assert list(steps(answer)) == [
        "recipe",
        "rating",
        "exposure",
        "reciprocity",
        "agitation",
        "age",
        "temperature",
    ]
    assert answer.minutes == pytest.approx(7 * math.prod(steps(answer).values()))
    assert steps(answer)["agitation"] == 0.85  # −10…−20 %: common practice, no source
    assert steps(answer)["age"] == 1.1


@given(st.floats(-2, 2), st.floats(-2, 2))
def test_film_exposed_off_is_developed_for_what_it_got(n: float, error: float) -> None:
    """Where the high values are held, one a zone too high wants one N less, by the definition of N;
    where the error is only reported, the planned N stands and the same minutes are offered."""
    answer = timed(n=n, error_stops=error, error="hold_highlights")
    reported = timed(n=n, error_stops=error)
    assert reported.minutes == pytest.approx(time_for(RECIPE, n).minutes)
    assert (reported.offer.minutes if reported.offer else None) == (
        None if abs(error) < 1 / 6 else pytest.approx(answer.minutes)
    )
    if abs(error) < 1 / 6:
        assert "exposure" not in steps(answer)
    else:
        assert answer.minutes == pytest.approx(time_for(RECIPE, n - error).minutes)


@pytest.mark.parametrize(
    ("rated", "own", "n_ei", "stops"),
    [
        (800, 400, None, 1),
        (200, 400, None, -1),
        (400, 400, None, 0),
        (80, 100, None, 0),  # a third of a stop is the same film
        (64, 100, 64, 0),  # the speed that N−2 has
        (80, 100, 64, 0),  # between the two
        (32, 100, 64, -1),
    ],
)
def test_what_counts_as_a_push(rated: float, own: float, n_ei: float | None, stops: float) -> None:
    """Beyond the film's EI, and beyond the EI its contraction asks for."""
    assert ratings.push_stops(rated, own, n_ei) == pytest.approx(stops)


def test_a_push_by_the_recipes_table() -> None:
    """At its rows exactly, between them log-linear, without a table by rule of thumb."""
    own = Timed(minutes=9.5, ei=100, origin="personal")
    table = (
        Rating(ei=100, minutes=9.5),
        Rating(ei=200, minutes=12),
        Rating(ei=400, minutes=16),
    )
    recipe = Recipe(points=RECIPE.points, ratings=table)
    assert ratings.factor(recipe, own, 400, 100)[0] == pytest.approx(16 / 9.5)
    between, why = ratings.factor(recipe, own, 100 * 2**1.5, 100)
    assert between == pytest.approx(math.sqrt(12 * 16) / 9.5)
    assert why == "by its table of EIs"
    assert "estimated" in ratings.factor(recipe, own, 1_600, 100)[1]
    assert ratings.factor(Recipe(), own, 200, 100)[0] == pytest.approx(thumb_factor(1))
    assert ratings.factor(recipe, own, 100, 100) == (1.0, "")


@pytest.mark.parametrize(
    ("more", "origin"),
    [
        ({}, "personal"),
        ({"rated_ei": 400, "ei": 100}, "estimated"),  # no table of EIs: by rule of thumb
        ({"error_stops": 2}, "personal"),  # reported, not developed for
        (
            {"error_stops": 0.5, "error": "hold_highlights"},
            "personal",
        ),  # N−½ lies between two personal points
        ({"error_stops": 2, "error": "hold_highlights"}, "estimated"),  # N−2 lies beyond them
        ({"recipe": Recipe(points=RECIPE.points, warmth=TABLE), "temperature_c": 26}, "estimated"),
        ({"recipe": Recipe(points=RECIPE.points, warmth=TABLE), "temperature_c": 23}, "personal"),
    ],
)
def test_a_time_is_no_surer_than_its_weakest_part(more: dict[str, Any], origin: str) -> None:
    """What lies outside the data is not shown as sure."""
    assert timed(n=0, **more).origin == origin


def test_the_makers_table_of_temperatures() -> None:
    """Read at its rows, straight in log time between them; by k beyond."""
    recipe = Recipe(points=(Point(n=0, minutes=9.5),), warmth=TABLE)
    assert temperature.of_recipe(recipe, 24)[0] == pytest.approx(6.5 / 9.5)
    assert temperature.of_recipe(recipe, 18)[0] == pytest.approx(11.5 / 9.5)
    between, why = temperature.of_recipe(recipe, 22)
    assert between == pytest.approx(math.sqrt(9.5 * 6.5) / 9.5)
    assert why == "by the maker's table"
    beyond, why = temperature.of_recipe(recipe, 26)
    assert beyond == pytest.approx(6.5 / 9.5 * math.exp(-0.09 * 2))
    assert why == "beyond the table, by k"
    assert temperature.k_near(recipe, 24) == pytest.approx(math.log(9.5 / 6.5) / 4)
    assert temperature.k_near(recipe, 20) == pytest.approx(math.log(9.5 / 6.5) / 4)


@given(st.floats(18, 27), st.floats(18, 27))
def test_warmer_is_quicker_by_any_table(a: float, b: float) -> None:
    recipe = Recipe(warmth=TABLE)
    low, high = sorted((a, b))
    assert (
        temperature.of_recipe(recipe, high)[0] <= temperature.of_recipe(recipe, low)[0] * 1.000001
    )


@pytest.mark.parametrize(
    ("scheme", "at_c", "factor"),
    [
        ("semi-stand", 22, 1.0),  # ±2 °C matters not: common practice, no source
        ("stand", 18, 1.0),
        ("semi-stand", 23, math.exp(-0.09 * 1)),  # only what exceeds them counts
        ("semi-stand", 17, math.exp(0.09 * 1)),
        ("30+10", 22, math.exp(-0.09 * 2)),
    ],
)
def test_semi_stand_is_patient(scheme: str, at_c: float, factor: float) -> None:
    assert temperature.of_recipe(Recipe(scheme=scheme), at_c)[0] == pytest.approx(factor)


def test_both_words_on_a_time_are_shown() -> None:
    """The personal one counts; the published one stands beside it, under the same conditions."""
    answer = timed(n=0, temperature_c=24)
    assert (answer.origin, answer.who) == ("personal", "own sheets, winter")
    (other,) = answer.beside
    assert (other.origin, other.who) == ("published", "maker's sheet")
    assert other.minutes / answer.minutes == pytest.approx(10 / 9.5)
    assert timed(n=-1).beside == ()


def test_what_is_not_recommended_needs_a_reason() -> None:
    bad = Recipe(points=(Point(n=0, minutes=8),), not_recommended="maker's sheet")
    with pytest.raises(Impossible, match=r"Not recommended \(maker's sheet\)") as refused:
        development(DevelopmentRequest(recipe=bad))
    assert refused.value.field == "reason"
    assert development(DevelopmentRequest(recipe=bad, reason="only this is left")).minutes == 8


@given(st.floats(3, 30))
def test_the_last_word_is_the_photographers(own: float) -> None:
    """It stands as a row with its reason, and says what it does to the high value."""
    answer = timed(n=0, own_minutes=own, reason="thin last time")
    assert answer.minutes == own
    assert (answer.ledger[-1].step, answer.ledger[-1].why) == ("own", "thin last time")
    assert answer.off_zones == pytest.approx(zones_off(own, 9.5))
    assert (answer.off_zones > 0) == (own > 9.5)


@pytest.mark.parametrize(
    ("build", "refusal", "field"),
    [
        (lambda: DevelopmentRequest(recipe=RECIPE, own_minutes=8), Missing, "reason"),
        (lambda: DevelopmentRequest(recipe=RECIPE, own_minutes=8, reason=" "), Missing, "reason"),
        (lambda: Choice(minutes=8), Missing, "reason"),
        (lambda: Recipe(scheme="shaken"), Missing, "agitation"),
        (lambda: Recipe(warmth=(TABLE[0], TABLE[0])), Unsound, "warmth"),
        (
            lambda: Recipe(ratings=(Rating(ei=100, minutes=8), Rating(ei=100, minutes=9))),
            Unsound,
            "ratings",
        ),
    ],
)
def test_what_is_not_said_whole(build: Any, refusal: type[CoreError], field: str) -> None:
    with pytest.raises(refusal) as refused:
        build()
    assert refused.value.field == field


def waiting(id_: str, **more: Any) -> WaitingFilm:
    return WaitingFilm(
        **{
            "exposure_id": id_,
            "piece_ids": (id_,),
            "film_id": "film",
            "recipe_id": "mq",
            "where": id_,
            "scene_title": "Quarry",
            "scene_id": "scene",
            "exposed_at": id_,
            "n": -1.0,
            "development_change": 1.0,
            "error_stops": 0.0,
            "set_text": "",
            "exposure_index": 80.0,
            **more,
        }
    )


MQ = FilmRecipe(id="mq", film_id="film", name="MQ 1+1", recipe=RECIPE)
STAND = FilmRecipe(
    id="stand",
    film_id="film",
    name="Staining, semi-stand",
    recipe=Recipe(scheme="semi-stand", compensating=True, points=(Point(n=0, minutes=45),)),
)
REFUSED = FilmRecipe(
    id="refused",
    film_id="film",
    name="Stand, not recommended",
    recipe=Recipe(
        scheme="stand", points=(Point(n=0, minutes=60),), not_recommended="maker's sheet"
    ),
)
KNOWN = {each.id: each for each in (MQ, STAND, REFUSED)}


def test_film_that_wants_the_same_waits_together() -> None:
    """A small error makes no group of its own; a large one, other minutes or a reason do."""
    found = groups(
        [
            waiting("a"),
            waiting("b", error_stops=0.1),
            waiting("c", error_stops=0.5),
            waiting("d", choice=Choice(minutes=8, reason="thin last time")),
        ],
        {"film": FILM},
        KNOWN,
        20,
    )
    assert sorted([each.where for each in group.sheets] for group in found) == [
        ["a", "b"],
        ["c"],
        ["d"],
    ]
    (own,) = (each for each in found if each.choice.minutes)
    assert own.time is not None
    assert own.time.minutes == 8
    assert own.time.off_text == "0.4 zone too high"  # ln(8/7) of ln 1.35


def test_two_schools_of_contraction() -> None:
    """Less time, or a developer that gives out: offered for a contraction, for nothing else."""
    (group,) = groups([waiting("a")], {"film": FILM}, KNOWN, 20)
    (other,) = group.others
    assert (other.recipe_id, other.minutes_text) == ("stand", "45 min")
    (normal,) = groups([waiting("a", n=0.0)], {"film": FILM}, KNOWN, 20)
    assert normal.others == ()
    (chosen,) = groups([waiting("a", choice=Choice(recipe_id="stand"))], {"film": FILM}, KNOWN, 20)
    assert chosen.recipe_name == "Staining, semi-stand"
    assert chosen.time is not None
    assert (chosen.time.minutes, chosen.time.origin) == (45, "estimated")
    assert chosen.others == ()


def test_a_group_that_is_not_recommended_says_what_it_needs() -> None:
    """It stays in sight without a time, until there is a reason."""
    (group,) = groups([waiting("a", recipe_id="refused")], {"film": FILM}, KNOWN, 20)
    assert (group.time, group.needs_reason) == (None, True)
    assert "say why" in group.problem
    choice = Choice(reason="a trial")
    (again,) = groups([waiting("a", recipe_id="refused", choice=choice)], {"film": FILM}, KNOWN, 20)
    assert again.time is not None
    assert (again.needs_reason, again.problem) == (False, "")
