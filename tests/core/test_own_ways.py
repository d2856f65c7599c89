"""Film as it is used: one's own agitation, minutes as they are said, units, plain N."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core import lengths, watch, wire
from emulsa.core.chemistry.dilution import Volume
from emulsa.core.development import agitation
from emulsa.core.development.choice import Choice
from emulsa.core.development.negative import Negative, developing_time
from emulsa.core.development.recipes import Minutes, Point, Recipe
from emulsa.core.errors import CoreError
from emulsa.core.limits import FocalLength


@pytest.mark.parametrize(
    ("key", "total", "events"),
    [
        ("5", 300, ((0, 5),)),  # 5 s at the start, then nothing
        ("30+10/60", 150, ((0, 30), (60, 70), (120, 130))),
        ("0+5/30", 61, ((30, 35), (60, 61))),
        ("60+15/120", 130, ((0, 60), (120, 130))),
    ],
)
def test_a_scheme_of_ones_own(
    key: str, total: float, events: tuple[tuple[float, float], ...]
) -> None:
    """Written as its seconds; half-open like every other: nothing begins at the end."""
    assert agitation.named(key, total) == events


@given(st.integers(0, 9), st.integers(1, 60), st.integers(1, 600), st.floats(1, 3_600))
def test_own_schemes_stay_within_the_bath(first: int, each: int, every: int, total: float) -> None:
    """Whatever is written, each movement begins before the end and ends by it."""
    for start, end in agitation.named(f"{first}+{each}/{every}", total):
        assert 0 <= start < total
        assert end <= total


@pytest.mark.parametrize("key", ["5+", "a", "30+10/0", "-5", "5+10", "123456"])
def test_what_is_no_scheme_is_refused_with_the_way_to_write_one(key: str) -> None:
    """The keys there are, and how to write one's own."""
    with pytest.raises(CoreError, match="30\\+10/60"):
        agitation.named(key, 60)


@pytest.mark.parametrize(
    ("text", "minutes"),
    [("6:50", 6 + 50 / 60), ("6:50 min", 6 + 50 / 60), ("6 min 50 s", 6 + 50 / 60), ("8", 8),
     ("7.5", 7.5), ("45 s", 0.75), ("11 min", 11)],
)  # fmt: skip
def test_minutes_as_they_are_said(text: str, minutes: float) -> None:
    """At every door that takes developing minutes."""
    assert wire.decode(Minutes, text) == pytest.approx(minutes)


@given(st.integers(1, 239), st.integers(0, 59))
def test_a_clock_time_reads_back(whole: int, rest: int) -> None:
    """6:50 is six minutes and fifty seconds."""
    assert watch.minutes(f"{whole}:{rest:02}") * 60 == pytest.approx(whole * 60 + rest)


@pytest.mark.parametrize("text", ["6:75", "", "soon", "6:5", "min", "-3"])
def test_what_is_no_time_is_refused(text: str) -> None:
    """With the way to write it."""
    with pytest.raises(CoreError, match=r"6:50|between"):
        wire.decode(Minutes, text)


@pytest.mark.parametrize(
    ("kind", "text", "value"),
    [
        (FocalLength, "6 in", 152.4),  # 1 in = 25.4 mm, by definition (international inch)
        (FocalLength, "15 cm", 150),
        (FocalLength, "150", 150),
        (Volume, "1 gal", 3_785.411784),  # NIST SP 811, table of factors, from memory
        (Volume, "1 qt", 946.352946),
        (Volume, "16 fl oz", 473.176473),  # US fluid ounce: 29.5735295625 ml, by definition
        (Volume, "1.5 l", 1_500),
    ],
)
def test_lengths_and_volumes_in_other_units(kind: object, text: str, value: float) -> None:
    """Said beside the number, wherever it is typed."""
    assert wire.decode(kind, text) == pytest.approx(value)


def test_what_is_no_length_is_refused() -> None:
    """By its own sentence."""
    with pytest.raises(CoreError, match="not a length"):
        lengths.mm("six")
    with pytest.raises(CoreError, match="not a volume"):
        lengths.ml("a cup")


def test_plain_n_is_the_recipes_own_time() -> None:
    """Whatever was planned and however it was exposed; the temperature and a push still count."""
    recipe = Recipe(points=(Point(n=-1, minutes=6.5), Point(n=0, minutes=8.5)))
    planned = Negative(n=-1, error_stops=0.5, reciprocity_change=0.9)
    plain = Negative(n=-1, error_stops=0.5, reciprocity_change=0.9, choice=Choice(plain_n=True))
    assert developing_time(planned, 100, recipe).minutes < 6.5
    assert developing_time(plain, 100, recipe).minutes == 8.5
    assert [row.step for row in developing_time(plain, 100, recipe).ledger] == ["recipe"]
