"""Small drawings of records, tests and boxes: to one scale, said in words."""

import math
from dataclasses import replace

import pytest

from emulsa.core.bench.range import index_range, minutes_range
from emulsa.core.bench.sheet import worked_out
from emulsa.core.bench.stub import stub_of
from emulsa.core.corrections.filters import Filter
from emulsa.core.film.stock import Stock, state
from emulsa.core.kit.bag import KitFilter
from emulsa.core.kit.darkroom import Bottle
from emulsa.core.kit.drawn import DRAWS, drawn
from emulsa.core.sensitometry.learned import LearnRequest, MinutesPoint, Seen
from emulsa.core.sensitometry.learning import learn
from emulsa.core.sensitometry.single import lights_of, speeds_of
from emulsa.demo import bag
from emulsa.demo.bag import FILMS, FILTERS, LENSES, PINHOLE
from emulsa.demo.sheets import TESTS
from emulsa.demo.shelf import BOTTLES

POINTS = tuple(MinutesPoint(n=n, minutes=m) for n, m in ((-1, 6.8), (0, 8.5), (1, 11.5)))


def asked(*negatives: Seen, ei: float = 100) -> LearnRequest:
    return LearnRequest(ei=ei, minutes_per_n=POINTS, negatives=negatives)


def test_a_word_alone() -> None:
    """Its range's middle, or where an open one begins; light given and minutes count."""
    request = asked(
        Seen(id="a", shadow="thin", highlight="full"),
        Seen(id="b", shadow="none", highlight="blocked", given_error_stops=1),
        Seen(id="c", shadow="heavy", highlight="flat", developed_error_zones=0.5),
        Seen(id="d", shadow_error_stops=-0.5, highlight_error_zones=0.25),
        Seen(id="e", shadow="full", ei=50),
    )
    assert [(each.id, round(each.at, 3), each.open) for each in speeds_of(request)] == [
        ("a", 0.667, ""),
        ("b", 2.0, "up"),
        ("c", -0.667, "down"),
        ("d", 0.5, ""),
        ("e", 0.833, ""),
    ]
    assert [(each.id, round(each.at, 3), each.open) for each in lights_of(request, 0.5)] == [
        ("a", 0.5, ""),
        ("b", 0.0, "up"),
        ("c", -0.5, "down"),
        ("d", 0.75, ""),
    ]


def test_what_negatives_hold_on_a_line() -> None:
    """The range lies where the answer says, the value in use beside it, in words too."""
    request = asked(*(Seen(id=str(each), highlight="blocked", shadow="thin") for each in range(4)))
    answer = learn(request)
    labels = {str(each): f"{each}A" for each in range(4)}
    minutes = minutes_range(request, answer, POINTS, labels)
    speed = index_range(request, answer, labels)
    assert minutes is not None
    assert speed is not None
    assert minutes.in_use_text == "8 min 30 s"
    assert 0 < minutes.low < minutes.high < minutes.in_use < 1
    assert minutes.text.endswith("in use 8 min 30 s, outside it")
    assert minutes.text.startswith("Minutes for N: 4 negatives hold between")
    # blocked lights want less time: their word is open to the shorter side
    assert {each.open for each in minutes.marks} == {"down"}
    assert [each.label for each in minutes.marks] == ["0A", "1A", "2A", "3A"]
    assert speed.high < speed.in_use
    assert speed.in_use_text == "EI 100"
    one = asked(Seen(id="0", highlight="full", shadow="full"))
    within = index_range(one, learn(one), labels)
    assert within is not None
    assert within.text.startswith("EI: 1 negative holds between")
    assert within.text.endswith("in use EI 100, within it")


def test_equal_ratios_are_equal_steps() -> None:
    """A stop of EI is as long anywhere on the line."""
    request = asked(Seen(id="a", shadow_error_stops=-1), Seen(id="b", shadow_error_stops=1))
    found = index_range(request, learn(request), {})
    assert found is not None
    slow, fast = sorted(each.at for each in found.marks)
    assert found.in_use - slow == pytest.approx(fast - found.in_use)
    assert math.isclose(slow, 0.08, abs_tol=1e-9)


def test_nothing_seen_is_not_drawn() -> None:
    """No line before a judged highlight, or a judged shadow."""
    shadow, light = asked(Seen(id="a", shadow="full")), asked(Seen(id="a", highlight="full"))
    assert minutes_range(shadow, learn(shadow), POINTS, {}) is None
    assert index_range(light, learn(light), {}) is None


def test_every_kind_of_record_of_the_demo() -> None:
    """Within the strip, with a sentence."""
    records = [*FILMS, *LENSES, PINHOLE, *FILTERS, *bag.TANKS, bag.LINE]
    records += [*BOTTLES, *bag.RECIPES]
    found = [drawn(each) for each in records]
    assert all(each is None or each.text for each in found)
    parts = [part for each in found if each for part in each.parts]
    assert all(0 <= part.start <= 1 and 0 <= part.end <= 1 for part in parts)
    assert {type(each) for each in records} <= set(DRAWS)


def test_filters_are_drawn_to_one_scale() -> None:
    """Three stops are three tenths of it, and said."""
    red = drawn(KitFilter(id="r", name="Red", filter=Filter(factor=8)))
    assert red is not None
    assert (red.parts[0].end, red.text) == (0.3, "3 stops")


def test_what_is_left_in_a_bottle() -> None:
    """As a level; one that never runs out has none."""
    bottle = Bottle(id="b", name="Fixer", kind="fixer", capacity_rolls=20, used_rolls=5)
    found = drawn(bottle)
    assert found is not None
    assert (found.parts[0].end, found.text) == (0.75, "15 rolls left in it")
    assert drawn(replace(bottle, capacity_rolls=None)) is None


BOX = Stock(
    id="s",
    film_id="f",
    format="4x5",
    count=25,
    opened="2026-01-05",
    expires="2027-01",
    kept="shelf",
)


@pytest.mark.parametrize(
    ("today", "life"), [("2026-01-20", 0.0), ("2026-07-01", 0.5), ("2027-04-01", 1.25)]
)
def test_a_box_s_time(today: str, life: float) -> None:
    """From opening to expiry; over one when it is over."""
    assert state(BOX, 8, today, 3).life == pytest.approx(life)


def test_a_box_in_words() -> None:
    """What its drawing shows; what to do before it is opened, once, is no fault."""
    found = state(BOX, 8, "2026-07-01", 3)
    assert (found.drawn, found.loaded) == ("17 of 25 sheets left, 3 loaded", 3)
    assert found.warm_up == ""
    cold = replace(BOX, kept="freezer", opened="", expires="")
    assert state(cold, 0, "2026-07-01").warm_up == "let it reach room temperature before opening"
    assert (state(cold, 0, "2026-07-01").life, state(cold, 0, "2026-07-01").says) == (None, "")
    assert state(replace(BOX, opened="last spring"), 0, "2026-07-01").life is None
    rolls = replace(BOX, format="120", count=1)
    assert state(rolls, 0, "2026-07-01").drawn == "1 of 1 roll left"


def test_a_film_test_at_a_glance() -> None:
    """Its curves in a square of one; without densities it says so."""
    films = {each.id: each for each in FILMS}
    for test in TESTS:
        worked = worked_out(test, films[test.film_id], None)
        stub = stub_of(worked)
        if not any(each.steps for each in test.curves):
            assert (stub.lines, stub.text) == ((), "no densities yet")
            continue
        every = [point for each in stub.lines for point in each.points]
        assert min(x for x, _ in every) == 0
        assert max(x for x, _ in every) == 1
        assert all(0 <= y <= 1 for _, y in every)
        assert [each.main for each in stub.lines].count(True) == 1
        assert all(each.speed is None for each in stub.lines if not each.main)
