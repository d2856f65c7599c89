"""What a judged negative counts as: its light, its minutes, its densities, its bracket; and the
film's own curve at work."""

import math
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.bench.evidence import Developed, counted, of_negatives
from emulsa.core.bench.measured import measured_errors
from emulsa.core.bench.own_film import in_use, own_film
from emulsa.core.bench.record import FilmTest
from emulsa.core.bench.sheet import worked_out
from emulsa.core.bench.tested import after_test, holding_as_tested
from emulsa.core.darkroom.got import developed_minutes
from emulsa.core.darkroom.run import Went, WentStep
from emulsa.core.development.recipes import Point, Recipe
from emulsa.core.errors import Impossible, Missing, Unsound
from emulsa.core.exposing.falls import FilmTones, falls_of
from emulsa.core.film.judgement import Judgement, MeasuredSpot
from emulsa.core.kit import plain
from emulsa.core.kit.films import Film, FilmRecipe
from emulsa.core.rendering.negative import NORMAL_NET, net_density, printed_zone
from emulsa.core.rendering.own_film import DevelopedPrints, OwnFilm, knows, prints_as
from emulsa.core.sensitometry.curve import STOP, Curve, DensityStep, Metered
from emulsa.core.tones.development_number import lands
from emulsa.demo.sheets import CORVANE_TEST, VELM_BESIDE

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


def negative(name: str = "1A", judgement: Judgement | None = None, **more: object) -> Developed:
    said = {"scene": "Pool", "error_stops": 0.0, "n": 0.0, **more}
    return Developed(piece_id=name, label=name, judgement=judgement, **said)  # type: ignore[arg-type]


def test_a_frame_of_a_bracket_counts_by_its_own_light() -> None:
    """A frame a stop under its plan was given a stop less, whether by mistake or on purpose."""
    (found,) = counted([negative(judgement=look(), bracket_id="b", bracket_stops=-1.0)], RECIPE)
    assert found.error_stops == -1
    thin = [
        negative(str(each), look(shadow="thin"), bracket_id="b", bracket_stops=-2.0)
        for each in range(6)
    ]
    fast = of_negatives(FILM, RECIPE, counted(thin, RECIPE)).answer.speed
    assert fast.ei > 100  # thin at two stops less: the film is faster than its index


def test_the_best_of_a_bracket_speaks_for_its_neighbour() -> None:
    """The next darker frame was passed over: it counts as thin, by name; judged itself it speaks
    for itself, and can be left out like any other."""
    frames = [
        negative("under", None, bracket_id="b", bracket_stops=-1.0),
        negative("far under", None, bracket_id="b", bracket_stops=-2.0),
        negative("right", look(best=True), bracket_id="b", bracket_stops=0.0),
    ]
    best, passed = counted(frames, RECIPE)
    assert best.label == "right"
    assert (passed.label, passed.shadow, passed.highlight) == ("under", "thin", None)
    assert passed.says == "passed over for right: counts as thin; given 1 stop less"
    judged = replace(frames[0], judgement=look())
    assert all(not each.passed_over for each in counted([judged, *frames[1:]], RECIPE))
    weighed = of_negatives(FILM, RECIPE, [best, passed], ["under"])
    assert weighed.answer.speed.negatives == 1


def test_minutes_really_got_are_taken_off() -> None:
    """A run that went on for N+1's minutes makes blocked lights nobody's fault: less is blamed on
    the recipe (10⅔ min is N+1 by its own points)."""
    blocked = look(highlight="blocked")
    planned = [negative(str(each), blocked, minutes=8.0) for each in range(4)]
    long = [replace(each, went_minutes=32 / 3) for each in planned]
    (one, *_) = counted(long, RECIPE)
    assert one.developed_zones == pytest.approx(1)
    assert "developed longer than planned" in one.says
    (same, *_) = counted([replace(each, went_minutes=8.1) for each in planned], RECIPE)
    assert same.developed_zones == 0
    blamed = of_negatives(FILM, RECIPE, counted(planned, RECIPE)).answer.development.mean
    less = of_negatives(FILM, RECIPE, counted(long, RECIPE)).answer.development.mean
    assert less < blamed - 0.3


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
    """A shadow placed on III with Zone II's density is a stop too thin; the highest says how far it
    is off (a normal negative's densities, common practice)."""
    judged = look(
        base_fog=0.2,
        measured=(
            MeasuredSpot(reading_id="rock", density=0.2 + NORMAL_NET[2]),
            MeasuredSpot(reading_id="ice", density=0.2 + NORMAL_NET[9]),
        ),
    )
    found = measured_errors(judged, FALLS, 0.0, 0.0)
    assert found.shadow_error_stops == pytest.approx(-1)
    assert found.highlight_error_zones == pytest.approx(1)
    assert found.text == "shadow measured 0.20, highlight measured 1.46 above clear film"
    contracted = measured_errors(judged, FALLS, 0.0, -1.0)
    assert contracted.highlight_error_zones == pytest.approx(9 - lands(8, -1))
    placed_lower = measured_errors(judged, {k: v - 1 for k, v in FALLS.items()}, -1.0, 0.0)
    assert placed_lower.shadow_error_stops == pytest.approx(-1)
    measured = of_negatives(
        FILM, RECIPE, counted([negative("a", judged, falls=FALLS)] * 1, RECIPE)
    ).answer.speed
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
