"""Kinds of film: what each lets a filter, a lamp, a range and a development do.

Typical values by the contract's table (common practice, no source); laws derived.
"""

from __future__ import annotations

from dataclasses import replace
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.corrections.film_kinds import n_words
from emulsa.core.corrections.filters import Filter
from emulsa.core.corrections.pre_exposure import raised
from emulsa.core.data.contrast import FAMILIES, SHADES, SHIFTS
from emulsa.core.data.film_kinds import KINDS, FilmKindName
from emulsa.core.development.negative import Negative, Tankful, developing_time
from emulsa.core.development.recipes import Point, Recipe
from emulsa.core.development.temperature import outside
from emulsa.core.development.time import development, short_time
from emulsa.core.development.time_answer import DevelopmentRequest
from emulsa.core.errors import CoreError, Missing, OutOfRange, Unsound
from emulsa.core.exposing.chain import exposure, metered_at
from emulsa.core.exposing.plans import FilterChoice, PlansRequest, plans
from emulsa.core.exposing.request import ExposureRequest, High, SpotReading
from emulsa.core.exposing.schools import SchoolsRequest, schools
from emulsa.core.kit.films import Film
from emulsa.core.kit.kinds import kind_said
from emulsa.core.light.meters import EvReading
from emulsa.core.line.making import filter_
from emulsa.core.scene.plan import plan
from emulsa.core.scene.solve import solved
from emulsa.core.tones.placement import Placed
from emulsa.demo.quarry import WINDING_HOUSE
from tests.core.requests import canonical
from tests.core.test_scene import AT, kit_of

WITHOUT_N = sorted(kind for kind, row in KINDS.items() if not row.n)
ABOUT_N = {"mark-highlight", "n-by-brightest", "ei-by-thumb", "n-sign", "development-extreme"}
RECIPE = Recipe(points=(Point(n=0, minutes=6), Point(n=-1, minutes=5)), temperature_c=20)


def asked(kind: FilmKindName | None, high_ev: float = 14, **changes: Any) -> ExposureRequest:
    """A shadow on III and a light tone, on a kind of film, without filters or bellows."""
    tones = {"shade": 9.0, "frost": high_ev}
    return canonical(
        **{
            "filters": (),
            "focus": None,
            "readings": tuple(
                SpotReading(id=name, label=name, reading=EvReading(ev=ev))
                for name, ev in tones.items()
            ),
            "high": High(reading="frost", zone=8),
            "film_kind": kind,
            **changes,
        }
    )


@given(st.sampled_from(WITHOUT_N), st.floats(4, 18))
def test_a_kind_without_n_never_says_n(kind: FilmKindName, ev: float) -> None:
    """Whatever the range: none planned, none advised, in no plan and no school."""
    request = asked(kind, ev)
    answer = exposure(request)
    assert (answer.n, answer.n_from, answer.development.n_text) == (0, "none", "normal")
    assert ABOUT_N.isdisjoint(each.code for each in answer.advice)
    assert "has no N" in answer.development.why
    assert {each.n for each in plans(PlansRequest(exposure=request)).plans} == {0}
    rows = schools(SchoolsRequest(exposure=request)).schools
    assert {each.n_text for each in rows if each.placement} == {"normal"}


@pytest.mark.parametrize("kind", sorted(KINDS))
def test_n_where_there_is_one(kind: FilmKindName) -> None:
    """A range of nine stops asks for contraction where N exists; beyond what the kind gives it is
    said, and an N somebody chose is refused where there is none."""
    answer = exposure(asked(kind, 17))
    said = {each.code for each in answer.advice}
    assert answer.n == (-3 if KINDS[kind].n else 0)
    assert "kind-range" in said  # more stops than any kind holds
    if KINDS[kind].n:
        low = KINDS[kind].n_range[0]
        texts = [each.text for each in answer.advice if each.code == "kind-range"]
        assert any("usually gives" in text for text in texts) is (low > -3)
        assert exposure(asked(kind, n=-1)).development.n == -1
    else:
        with pytest.raises(Unsound) as refused:
            asked(kind, n=-1)
        assert refused.value.field == "n"


@pytest.mark.parametrize("kind", sorted(KINDS))
@pytest.mark.parametrize("colour", sorted(FAMILIES))
def test_every_colour_before_every_kind(kind: FilmKindName, colour: Any) -> None:
    """What it does not see is refused at its place, whatever its factor; else the usual factor
    stands where there is none, and the filter's own wins."""
    called = "yellow-green" if colour == "yellow_green" else colour.replace("_", " ")
    known = KINDS[kind].filters
    bare = Filter(label="It", type="contrast", colour=colour)
    own = replace(bare, factor=3.0)
    grey = Filter(label="Grey", factor=2)
    if called in known and known[called] is None:
        for each in (bare, own):
            with pytest.raises(Unsound) as refused:
                asked(kind, filters=(grey, each))
            assert refused.value.field == "filters.1"
            assert called in refused.value.message
        return
    plain = exposure(asked(kind)).metered_s
    assert exposure(asked(kind, filters=(own,))).metered_s == pytest.approx(3 * plain)
    if called not in known:
        with pytest.raises(Missing):
            asked(kind, filters=(bare,))
        return
    factor = known[called]
    assert factor is not None
    answer = exposure(asked(kind, filters=(bare,)))
    assert answer.metered_s == pytest.approx(factor[0] * plain)
    row = next(each for each in answer.ledger if each.step == "filter")
    assert row.why.startswith("usual ×")
    assert KINDS[kind].name in row.why
    warm = exposure(asked(kind, filters=(bare,), light="tungsten")).metered_s
    more = 2 ** KINDS[kind].warm_light_stops
    assert warm == pytest.approx(factor[1] * more * plain)


def test_a_colour_without_a_factor_needs_a_kind() -> None:
    """Nobody says the film: nobody knows what it costs."""
    with pytest.raises(Missing) as refused:
        asked(None, filters=(Filter(label="It", type="contrast", colour="yellow"),))
    assert refused.value.field == "filters.0"


@pytest.mark.parametrize(
    ("said", "kind", "factor"),
    [
        ("yellow", "orthochromatic", 2.5),
        ("yellow", "panchromatic", 2),
        ("yellow", None, 2),
        ("yellow ×3", "orthochromatic", 3),
        ("deep red", "infrared", 16),
    ],
)
def test_a_filter_of_the_line_goes_by_the_film(
    said: str, kind: FilmKindName | None, factor: float
) -> None:
    """One made of its colour alone has the factor that is usual on the film; one that was said
    keeps its own."""
    made = filter_("f", said).filter
    got = exposure(asked(kind, filters=(made,))).metered_s / exposure(asked(kind)).metered_s
    assert got == pytest.approx(factor)


@pytest.mark.parametrize("kind", sorted(KINDS))
def test_warm_light_is_a_row(kind: FilmKindName) -> None:
    """As many stops as the kind loses, behind the meter and before the filters; the camera's EV
    stays, and the rows sum to the time."""
    day, warm = exposure(asked(kind)), exposure(asked(kind, light="tungsten"))
    stops = KINDS[kind].warm_light_stops
    rows = [each for each in warm.ledger if each.step == "light"]
    assert [each.stops for each in rows] == ([stops] if stops else [])
    assert warm.camera_ev == day.camera_ev
    assert warm.metered_s == pytest.approx(day.metered_s * 2**stops)
    at_mark = metered_at(asked(kind, light="tungsten"), "32")
    assert at_mark == pytest.approx(warm.metered_s)


def test_the_range_is_the_kinds_where_none_is_said() -> None:
    """A paper's tones end at VII½; a range of the film's own wins."""
    assert asked("paper_negative", textural_range=None).keeps == (3.0, 7.5)
    assert asked("paper_negative", textural_range=(1, 9)).keeps == (1, 9)
    assert asked(None, textural_range=None).keeps == (2, 8)


@pytest.mark.parametrize(
    ("kind", "school", "said"),
    [
        ("reversal", "shadow", True),
        ("reversal", "highlight", False),
        ("panchromatic", "shadow", False),
        ("colour_negative", "shadow", False),
    ],
)
def test_by_which_end_it_is_placed(kind: FilmKindName, school: Any, said: bool) -> None:
    """Only film whose thin end is the light one asks for its highlight."""
    placed = Placed(school=school, reading="frost" if school == "highlight" else "shade", zone=7)
    codes = {each.code for each in exposure(asked(kind, placement=placed, high=None)).advice}
    assert ("kind-place" in codes) is said


class TestPreExposed:
    """A little even light before."""

    @given(st.floats(-4, 5), st.floats(5, 17))
    def test_light_adds_up(self, zone: float, ev: float) -> None:
        """Every fall is raised by the law, the camera is set as before, and N is smaller."""
        plain, lifted = (exposure(asked(None, ev, pre_exposure_zone=z)) for z in (None, zone))
        assert lifted.camera_ev == plain.camera_ev
        for before, after in zip(plain.falls, lifted.falls, strict=True):
            assert after.zone == pytest.approx(raised(before.zone, zone))
            assert after.zone > before.zone - 1e-9
        assert lifted.n <= plain.n + 1e-9

    def test_next_to_none_changes_next_to_nothing(self) -> None:
        """On Zone −4 a III is a III."""
        (shade, _) = exposure(asked(None, pre_exposure_zone=-4)).falls
        assert shade.zone == pytest.approx(3, abs=0.02)

    def test_the_card_that_goes_before_is_told(self) -> None:
        """II is three stops under the card's reading and lifts itself by a stop."""
        advice = exposure(asked(None, pre_exposure_zone=2)).advice
        text = next(each.text for each in advice if each.code == "pre-exposed")
        assert "3 stops less" in text
        assert "II to III" in text


class TestDevelopment:
    """Times, temperatures and N by the kind."""

    @pytest.mark.parametrize("kind", sorted(KINDS))
    def test_short_times(self, kind: FilmKindName) -> None:
        """Cautioned under its first minutes, warned under its second."""
        first, second = KINDS[kind].minutes
        codes = [[each.code for each in short_time(m, kind)] for m in (first, second, second - 0.1)]
        assert codes == [[], ["time-short"], ["time-much-too-short"]]
        text = next(short_time(second - 0.1, kind)).text
        assert text.startswith(f"Under {second:g} minute")

    @pytest.mark.parametrize("kind", sorted(KINDS))
    def test_temperatures(self, kind: FilmKindName) -> None:
        """Where its processes are at home; a reason goes further."""
        low, high = KINDS[kind].temperature_c
        assert not outside(Recipe(), low, kind)
        assert not outside(Recipe(), high, kind)
        for at_c in (low - 1, high + 1):
            asked = DevelopmentRequest(recipe=RECIPE, film_kind=kind, temperature_c=at_c)
            with pytest.raises(OutOfRange) as refused:
                development(asked)
            assert refused.value.allowed == [low, high]
            assert development(replace(asked, reason="tested")).temperature_c == at_c

    @pytest.mark.parametrize("kind", WITHOUT_N)
    def test_a_planned_n_is_nothing_to_it(self, kind: FilmKindName) -> None:
        """Film whose kind was said later keeps its log, and is developed as its process says."""
        plain = developing_time(Negative(), 100, RECIPE, kind=kind).minutes
        off = Negative(n=-1, error_stops=1, hold_highlights=True)
        assert developing_time(off, 100, RECIPE, Tankful(), kind).minutes == plain == 6
        assert developing_time(off, 100, RECIPE).minutes < 6


def test_a_chosen_n_stays_with_the_film_that_has_one() -> None:
    """A scene keeps what was chosen when another film is put in, and asks for nothing of it."""
    kit = kit_of(WINDING_HOUSE)
    assert kit.film is not None
    chrome = replace(kit, film=replace(kit.film, kind="reversal"))
    scene = replace(WINDING_HOUSE, n=-1)
    assert (plan(scene, kit).n, plan(scene, chrome).n) == (-1, None)
    seen = solved(scene, chrome, None, AT)
    assert seen.no_n == "Reversal film is developed as its process says: it has no N."
    assert seen.answer is not None
    assert seen.answer.development.n_text == "normal"
    assert solved(scene, kit, None, AT).no_n == ""


def test_a_refused_filter_is_a_problem_of_the_scene_and_no_plan() -> None:
    """Red before ortho: the sentence says what to do; another stack is still a plan."""
    red = Filter(label="Red", factor=8, type="contrast", colour="red")
    with pytest.raises(CoreError) as refused:
        asked("orthochromatic", filters=(red,))
    assert "take it off" in refused.value.message
    choices = (FilterChoice(ids=("red",), filters=(red,)), FilterChoice())
    found = plans(PlansRequest(exposure=asked("orthochromatic"), choices=choices)).plans
    assert {each.filter_ids for each in found} == {()}


def test_shades_move_colours_as_the_colour_they_are_of() -> None:
    """Every colour that can be chosen has its family, and shifts to say."""
    assert set(FAMILIES) == set(SHADES)
    assert set(SHADES.values()) == set(SHIFTS)


@pytest.mark.parametrize("kind", sorted(KINDS))
def test_a_kind_in_facts(kind: FilmKindName) -> None:
    """N only where there is one; its range and law are a film's, to be taken over."""
    said = kind_said(kind)
    facts = {each.name: each.text for each in said.facts}
    assert ("N" in facts["Development"]) is KINDS[kind].n
    assert said.source.endswith("no source")
    film = Film(
        id="f", name="It", exposure_index=6, textural_range=said.textural_range, law=said.law
    )
    assert film.textural_range == KINDS[kind].textural_range
    assert n_words(0, kind) == ("N" if KINDS[kind].n else "normal")
