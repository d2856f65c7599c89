"""What a judged negative counts as: its light, its minutes, its densities, its bracket; and the
film's own curve at work."""

import math
from collections.abc import Sequence
from dataclasses import replace
from itertools import pairwise
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.bench.evidence import counted, of_negatives
from emulsa.core.bench.measured import measured_ends
from emulsa.core.bench.negatives import Developed, Learned
from emulsa.core.bench.own_film import in_use, own_film, reference_net
from emulsa.core.bench.record import FilmTest
from emulsa.core.bench.sheet import worked_out
from emulsa.core.bench.tested import (
    after_learning,
    after_test,
    holding_as_tested,
    rated_after_learning,
)
from emulsa.core.darkroom.got import developed_minutes
from emulsa.core.darkroom.run import Went, WentStep
from emulsa.core.data.negative import NORMAL_NET
from emulsa.core.development.negative import Tankful
from emulsa.core.development.recipes import Point, Recipe
from emulsa.core.errors import Impossible, Missing, Unsound
from emulsa.core.exposing.falls import FilmTones, falls_of
from emulsa.core.film.judgement import Judgement, MeasuredSpot
from emulsa.core.kit import plain
from emulsa.core.kit.films import Film, FilmRecipe
from emulsa.core.rendering.negative import net_density, printed_zone
from emulsa.core.rendering.own_film import DevelopedPrints, OwnFilm, knows, prints_as
from emulsa.core.sensitometry.curve import STOP, Curve, DensityStep, Metered
from emulsa.core.tones.development_number import lands
from emulsa.demo.sheets import CORVANE_TEST, VELM_BESIDE
from tests.core.requests import shot

FILM = Film(id="film-corvane", name="Corvane 100", exposure_index=100)
RECIPE = FilmRecipe(
    id="r",
    film_id=FILM.id,
    name="Trays",
    recipe=Recipe(
        points=(Point(n=-1, minutes=6), Point(n=0, minutes=8), Point(n=1, minutes=32 / 3))
    ),
)
FALLS = {"rock": 3.0, "wall": 5.0, "ice": 8.0}


def look(**more: object) -> Judgement:
    return Judgement(id="p", **{"shadow": "full", "highlight": "full", **more})  # type: ignore[arg-type]


OF_RUN = ("minutes", "went_minutes", "tankful", "falls", "worked_ei")


def negative(name: str = "1A", judgement: Judgement | None = None, **more: Any) -> Developed:
    """A negative exposed once; what is said of its run stays apart from its light."""
    of_run = {each: more.pop(each) for each in OF_RUN if each in more}
    return Developed(
        piece_id=name,
        label=name,
        scene="Pool",
        shots=(shot(**more),),
        judgement=judgement,
        **of_run,
    )


def weighed(
    negatives: Sequence[Developed], film: Film = FILM, recipe: FilmRecipe = RECIPE
) -> Learned:
    return of_negatives(film, recipe, counted(negatives, film, recipe))


def test_a_frame_of_a_bracket_counts_by_its_own_light() -> None:
    """A frame a stop under its plan was given a stop less, whether by mistake or on purpose; full
    at two stops less says that the film is faster."""
    (found,) = counted(
        [negative(judgement=look(), bracket_id="b", bracket_stops=-1.0)], FILM, RECIPE
    )
    assert found.error_stops == -1
    full = [negative(str(each), look(), bracket_id="b", bracket_stops=-2.0) for each in range(6)]
    assert weighed(full).answer.speed.ei > 100


def test_light_of_several_exposures_counts_together() -> None:
    """Two whole exposures on one sheet are a stop more, and teach as that."""
    twice = Developed(
        piece_id="1A", label="1A", scene="Pool", shots=(shot(), shot()), judgement=look()
    )
    (found,) = counted([twice], FILM, RECIPE)
    assert found.error_stops == pytest.approx(1)


def test_the_best_of_a_bracket_speaks_for_its_neighbour() -> None:
    """The next darker frame was passed over: it counts as thin, by name; judged itself it speaks
    for itself, and can be left out like any other."""
    frames = [
        negative("under", None, bracket_id="b", bracket_stops=-1.0),
        negative("far under", None, bracket_id="b", bracket_stops=-2.0),
        negative("right", look(best=True), bracket_id="b", bracket_stops=0.0),
    ]
    best, passed = counted(frames, FILM, RECIPE)
    assert best.label == "right"
    assert (passed.label, passed.shadow, passed.highlight) == ("under", "thin", None)
    assert passed.says == "passed over for right: counts as thin; given 1 stop less"
    judged = replace(frames[0], judgement=look())
    assert all(not each.passed_over for each in counted([judged, *frames[1:]], FILM, RECIPE))
    alone = of_negatives(FILM, RECIPE, [best, passed], ["under"])
    assert alone.answer.speed.negatives == 1


def test_a_yes_is_said_once() -> None:
    """Six thin and blocked negatives, made at EI 100 and the recipe's minutes: the film and the
    recipe are changed once, and asked again they say the same and offer nothing."""
    seen = [
        negative(str(each), look(shadow="thin", highlight="blocked"), minutes=8.0)
        for each in range(6)
    ]
    first = weighed(seen)
    assert first.answer.speed.enough
    assert first.answer.development.enough
    film = rated_after_learning(FILM, RECIPE, first.answer)
    recipe = after_learning(RECIPE, first.answer, ["1A"])
    again = weighed(seen, film, recipe)
    assert (again.answer.speed.enough, again.answer.development.enough) == (False, False)
    assert again.answer.speed.ei == first.answer.speed.ei == film.exposure_index
    assert [each.minutes for each in again.answer.development.minutes] == [
        pytest.approx(each.minutes, rel=0.011) for each in first.answer.development.minutes
    ]
    with pytest.raises(Impossible):
        rated_after_learning(film, recipe, again.answer)
    with pytest.raises(Impossible):
        after_learning(recipe, again.answer, ["1A"])
    # more negatives later: what was learned before goes, one's own word stays
    more = [
        *seen,
        *(negative(f"b{each}", look(highlight="flat"), minutes=8.0) for each in range(9)),
    ]
    third = weighed(more, film, recipe)
    assert third.answer.development.enough
    told = after_learning(recipe, third.answer, ["2A"]).recipe.points
    learned = [each.n for each in told if each.learned]
    assert len(learned) == len(set(learned)) > 0
    assert [each for each in told if not each.learned] == [
        each for each in RECIPE.recipe.points if not each.learned
    ]


def test_an_exposures_error_counts_once() -> None:
    """Six a stop over, developed for N−1 by whoever holds the highlights (6 min) and good, or as
    planned (8 min) and heavy and blocked as they must be: nothing is blamed on the recipe, which
    once was told 10 min."""
    held = [
        negative(str(each), look(shadow="heavy"), error_stops=1.0, minutes=6.0) for each in range(6)
    ]
    planned = [
        negative(str(each), look(shadow="heavy", highlight="blocked"), error_stops=1.0, minutes=8.0)
        for each in range(6)
    ]
    for seen in (held, planned):
        found = weighed(seen)
        assert not found.answer.development.enough
        (normal,) = (each for each in found.answer.development.minutes if each.n == 0)
        assert normal.minutes == pytest.approx(8)


def test_a_rolls_shared_n_counts_once() -> None:
    """Frames that wanted N−1 and got N's minutes are blocked as they must be: N stays 8 min."""
    frames = [
        negative(str(each), look(highlight="blocked"), n=-1.0, minutes=8.0) for each in range(4)
    ]
    (one, *_) = counted(frames, FILM, RECIPE)
    assert one.developed_zones == pytest.approx(1)
    assert "developed longer than its N asks" in one.says
    assert not weighed(frames).answer.development.enough


def test_minutes_are_compared_under_the_runs_own_conditions() -> None:
    """8 min at 20 °C are 6.682 at 22 °C (k 0.09): the same development; rotary and an old bottle
    alike, and a long exposure that asked for ×0.8 and got it."""
    at = [
        (Tankful(temperature_c=22), 8 * math.exp(-0.18), 1.0),
        (Tankful(rotary=True), 8 * 0.85, 1.0),
        (Tankful(age_change=1.25), 10.0, 1.0),
        (Tankful(), 8 * 0.8, 0.8),
    ]
    for tankful, minutes, change in at:
        made = negative("1A", look(), minutes=minutes, tankful=tankful, development_change=change)
        (found,) = counted([made], FILM, RECIPE)
        assert found.developed_zones == pytest.approx(0, abs=1e-9)
    (got,) = counted([negative("1A", look(), minutes=8.0, went_minutes=32 / 3)], FILM, RECIPE)
    assert got.developed_zones == pytest.approx(1), "the clock counts before the plan"


def test_the_index_it_was_made_at_counts() -> None:
    """For safety is a stop more light; a filter counted by the index is none; a push teaches its
    own rating alone; N−2 exposed at its own EI is no error."""
    (safe,) = counted(
        [negative("1A", look(), exposure_index=50.0, rating_reason="safety")], FILM, RECIPE
    )
    assert safe.ei == 50
    (filtered,) = counted(
        [negative("1A", look(), exposure_index=12.5, rating_reason="filter")], FILM, RECIPE
    )
    assert filtered.ei is None
    assert counted([negative("1A", look(), exposure_index=400.0)], FILM, RECIPE) == ()
    points = (Point(n=-2, minutes=5, ei=64), Point(n=0, minutes=8, ei=100))
    own = replace(RECIPE, recipe=Recipe(points=points))
    (contracted,) = counted([negative("1A", look(), n=-2.0, worked_ei=64.0)], FILM, own)
    assert contracted.ei == pytest.approx(100)
    (plain_,) = counted([negative("1A", look(), n=-2.0, worked_ei=100.0)], FILM, own)
    assert plain_.ei == pytest.approx(100 * 100 / 64)


def test_left_out_for_good_says_why() -> None:
    """It stands in the list with its reason, and is weighed no more."""
    leak = negative("1A", look(shadow="none", left_out="light leak"))
    found = weighed([leak, negative("2A", look())])
    assert found.answer.speed.negatives == 1
    assert found.negatives[0].says.endswith("left out: light leak")


def test_a_tested_film_is_measured_by_its_own_curve() -> None:
    """Densities of its own scale say that all is right; a normal negative's would not."""
    rows = reference_net(normal_test(0.8))
    assert rows[1] == (1.0, pytest.approx(0.1, abs=0.005))
    assert all(b[1] > a[1] for a, b in pairwise(rows))
    own = dict(rows)
    judged = look(
        base_fog=0.2,
        measured=(
            MeasuredSpot(reading_id="rock", density=0.2 + own[3.0]),
            MeasuredSpot(reading_id="ice", density=0.2 + own[8.0]),
        ),
    )
    seen = counted([negative("1A", judged, falls=FALLS)], FILM, RECIPE)
    by_itself = of_negatives(FILM, RECIPE, seen, (), rows).answer
    assert by_itself.speed.mean == pytest.approx(0, abs=0.01)
    assert by_itself.development.mean == pytest.approx(0, abs=0.01)
    assert of_negatives(FILM, RECIPE, seen).answer.development.mean < -0.2


def test_the_developers_minutes_are_its_own_step() -> None:
    """By the name the line gives the bath; a run without its clock says nothing."""
    steps = (WentStep(name="Pre-soak", seconds=60), WentStep(name="Developer", seconds=510))
    assert plain.SEQUENCE.baths[0].name
    names = [each.name for each in plain.SEQUENCE.baths if each.kind == "developer"]
    named = tuple(replace(each, name=names[0]) if i else each for i, each in enumerate(steps))
    assert developed_minutes(Went(steps=named), None) == 8.5
    assert developed_minutes(None, None) is None
    assert developed_minutes(Went(), None) is None


def test_densities_speak_before_the_eye() -> None:
    """A shadow placed on III with Zone II's density is a stop too thin; the highest counts at the
    zone it was planned to print as (a normal negative's densities, common practice)."""
    judged = look(
        base_fog=0.2,
        measured=(
            MeasuredSpot(reading_id="rock", density=0.2 + NORMAL_NET[2]),
            MeasuredSpot(reading_id="ice", density=0.2 + NORMAL_NET[9]),
        ),
    )
    found = measured_ends(judged, FALLS, 0.0, 0.0)
    assert found.shadow_net == (3, pytest.approx(0.20))
    assert found.highlight_net == (8, pytest.approx(1.46))
    assert found.text == "shadow measured 0.20, highlight measured 1.46 above clear film"
    contracted = measured_ends(judged, FALLS, 0.0, -1.0)
    assert contracted.highlight_net == (lands(8, -1), pytest.approx(1.46))
    placed_lower = measured_ends(judged, {k: v - 1 for k, v in FALLS.items()}, -1.0, 0.0)
    assert placed_lower.shadow_net == (3, pytest.approx(0.20))
    measured = weighed([negative("a", judged, falls=FALLS)]).answer.speed
    assert measured.mean > 0.7  # one measurement says more than an eye
    with pytest.raises(Missing, match="clear film"):
        look(measured=(MeasuredSpot(reading_id="rock", density=1),))
    twice = MeasuredSpot(reading_id="rock", density=1)
    with pytest.raises(Unsound, match="once"):
        look(base_fog=0.1, measured=(twice, twice))


@given(st.floats(0, 11))
def test_a_zone_has_one_density(zone: float) -> None:
    """There and back."""
    assert printed_zone(net_density(zone)) == pytest.approx(zone, abs=1e-9)


def normal_test(slope: float = 1.0) -> FilmTest:
    """A film whose net densities are a normal negative's, by a meter at EI 100."""
    curve = Curve(
        id="8 min",
        minutes=8,
        base_fog=0.2,
        exposure=Metered(kind="metered", ei=100),
        steps=tuple(
            DensityStep(stops=zone - 5, density=0.2 + slope * net)
            for zone, net in enumerate(NORMAL_NET)
        ),
    )
    return FilmTest(id="t", film_id=FILM.id, recipe_id="r", title="Own", curves=(curve,))


def test_a_normal_film_prints_as_the_common_rule_says() -> None:
    """Its own curve puts every zone where it fell; rated a stop lower, every tone a zone higher."""
    film = own_film(normal_test())
    assert film is not None
    assert film.ei == pytest.approx(100)
    n = film.developments[0].n
    for zone in (1, 3, 5, 8):
        assert prints_as(film, zone, n, 100) == pytest.approx(zone, abs=0.01)
        assert prints_as(film, zone, n, 50) == pytest.approx(zone + 1, abs=0.15)
    assert knows(film, n)
    assert not knows(film, n + 1)


def test_the_lower_rail_goes_by_the_films_own_curve() -> None:
    """Between tested Ns by the curves, beyond them by the rule; more development prints lighter."""
    film = own_film(CORVANE_TEST)
    assert film is not None
    levels, anchored = {"rock": 9.0, "ice": 13.0}, (9.0, 3.0)
    own = FilmTones((2, 8), film, film.ei)
    low, high = film.developments[0].n, film.developments[-1].n
    for n in (low, 0.0, high):
        (_, ice) = falls_of(levels, anchored, (n, 8.0), own)
        assert ice.lands == pytest.approx(prints_as(film, 7, n, film.ei))
    assert falls_of(levels, anchored, (low, 8), own)[1].lands < (
        falls_of(levels, anchored, (high, 8), own)[1].lands
    )
    beyond = falls_of(levels, anchored, (high + 1, 8.0), own)[1].lands
    assert beyond == pytest.approx(lands(7, high + 1))


@given(st.floats(0, 11), st.floats(0, 11), st.sampled_from([0.0, 0.5]))
def test_more_light_never_prints_darker(one: float, other: float, n: float) -> None:
    """Whatever the curve."""
    film = own_film(CORVANE_TEST)
    assert film is not None
    low, high = sorted((one, other))
    assert prints_as(film, low, n, 64) <= prints_as(film, high, n, 64) + 1e-9


def test_a_test_is_in_use_once_its_times_are() -> None:
    """Not before; another test's times do not make it so."""
    assert in_use(RECIPE, [CORVANE_TEST]) is None
    taken = after_test(RECIPE, CORVANE_TEST, worked_out(CORVANE_TEST, FILM, None))
    assert in_use(taken, [VELM_BESIDE, CORVANE_TEST]) == CORVANE_TEST
    assert in_use(taken, [VELM_BESIDE]) is None
    assert in_use(None, [CORVANE_TEST]) is None
    own = tuple(replace(each, origin="personal") for each in taken.recipe.points)
    changed = replace(taken, recipe=replace(taken.recipe, points=own))
    assert in_use(changed, [CORVANE_TEST]) is None


def test_a_curve_offers_the_tones_it_holds() -> None:
    """Texture from where the curve rises to where the paper ends it; a short curve says nothing."""
    sheet = worked_out(CORVANE_TEST, FILM, None)
    assert sheet.textural is not None
    assert 0.5 <= sheet.textural.low <= 2.5
    assert 7 <= sheet.textural.high <= 8.5
    assert "the paper ends it" in sheet.textural.says
    film = holding_as_tested(FILM, CORVANE_TEST, sheet)
    assert film.textural_range == (sheet.textural.low, sheet.textural.high)
    assert film.provenance.textural_range.startswith("film test Corvane")
    short = replace(CORVANE_TEST, curves=())
    with pytest.raises(Impossible, match="too short"):
        holding_as_tested(FILM, short, worked_out(short, FILM, None))


def test_an_own_film_is_sound() -> None:
    """Ns rise, prints never fall."""
    flat = DevelopedPrints(n=0, prints=tuple(float(each) for each in range(12)))
    with pytest.raises(Unsound, match="N must rise"):
        OwnFilm(title="t", ei=100, developments=(flat, flat))
    with pytest.raises(Unsound, match="never prints darker"):
        OwnFilm(title="t", ei=100, developments=(replace(flat, prints=flat.prints[::-1]),))
    assert math.isclose(STOP, math.log10(2))
