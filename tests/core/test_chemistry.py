"""Mixing, tempering, fixing and drift, by their definitions and by a general library."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.integrate import quad

from emulsa.core.chemistry import dilution, film_area, fixing, tempering
from emulsa.core.development import drift
from emulsa.core.errors import Impossible, Unreadable

volumes = st.floats(50, 20_000)


@given(st.floats(0.5, 500), volumes)
def test_parts_make_the_whole(n: float, volume: float) -> None:
    """1+n by definition: the parts are the volume, and stand as one to n."""
    concentrate, water = dilution.one_part(n, volume)
    assert concentrate.ml + water.ml == pytest.approx(volume)
    assert water.ml == pytest.approx(n * concentrate.ml)
    assert dilution.concentrate_for_water(n, water.ml) == pytest.approx(concentrate.ml)
    other = dilution.one_part(n + 1, volume, "one_in_n")[0]
    assert other.ml == pytest.approx(concentrate.ml)


@pytest.mark.parametrize(
    ("text", "volume", "parts"),
    [
        ("stock", 500, {"stock": 500}),
        ("1+31", 1000, {"concentrate": 31.25, "water": 968.75}),
        (" 1 + 1 ", 500, {"concentrate": 250, "water": 250}),
        ("1+1+100", 1020, {"A": 10, "B": 10, "water": 1000}),
        ("1:1:100", 1020, {"A": 10, "B": 10, "water": 1000}),
        ("A, then B", 500, {"A": 500, "B": 500}),
        ("A then B", 300, {"A": 300, "B": 300}),
        ("2+2+496", 500, {"A": 2, "B": 2, "water": 496}),
        ("1,5+1+47.5", 500, {"A": 15, "B": 10, "water": 475}),
    ],
)
def test_dilutions_as_written(text: str, volume: float, parts: dict[str, float]) -> None:
    """Read as makers write them; 2 + 2 in 500 ml and 1+31 for a litre are the issue's own rows.
    Three parts have one meaning; a divided developer is two baths, each the whole volume."""
    assert {each.part: each.ml for each in dilution.mix(text, volume)} == pytest.approx(parts)


@pytest.mark.parametrize(
    ("text", "says"), [("1:50", "1 in 50"), ("fifty", "1+50"), ("2+3", "is not a dilution")]
)
def test_dilutions_that_are_asked(text: str, says: str) -> None:
    """A colon is asked, never guessed; what is none is refused."""
    with pytest.raises(Unreadable, match=says.replace("+", r"\+")):
        dilution.mix(text, 500)
    if ":" in text:
        in_n = dilution.mix(text, 500, "one_in_n")
        plus = dilution.mix(text, 500, "one_plus_n")
        assert (in_n[0].ml, plus[0].ml) == pytest.approx((10, 500 / 51))


@given(volumes, st.floats(1, 60), st.floats(1, 60), st.floats(0, 1))
def test_tempering_is_a_balance(volume: float, one: float, other: float, share: float) -> None:
    """Mass and warmth of what is poured together are those of what is wanted."""
    wanted = one * (1 - share) + other * share
    if abs(one - other) < 0.1:
        return
    mixed = tempering.tempered(volume, wanted, one, other)
    assert mixed.first_ml + mixed.added_ml == pytest.approx(volume)
    warmth = mixed.first_ml * one + mixed.added_ml * other
    assert warmth == pytest.approx(volume * wanted, rel=1e-6)


def test_tempering_that_cannot_be() -> None:
    """Cold water makes nothing warm."""
    with pytest.raises(Impossible, match="take warmer water"):
        tempering.tempered(500, 30, 10, 20)
    with pytest.raises(Impossible, match="take colder water"):
        tempering.tempered(500, 5, 10, 20)
    assert tempering.tempered(500, 20, 20, 20).added_ml == 0


@given(st.floats(1, 1_000), st.floats(0, 30), st.floats(0.001, 0.5), st.floats(50, 5_000))
def test_the_film_gets_its_concentrate(
    area: float, least: float, share: float, tank: float
) -> None:
    """The volume holds at least what the film uses up, and never less than the tank."""
    volume = film_area.volume_ml(area, least, share, tank)
    assert volume >= tank
    assert volume * share >= film_area.needed_concentrate_ml(area, least) * (1 - 1e-9)


@given(st.floats(100, 5_000), st.floats(1, 90))
def test_enough_changes_of_water(volume: float, carried: float) -> None:
    """So many changes leave no more than the target, one less leaves more."""
    count = fixing.changes(volume, carried)
    assert fixing.residual(volume, carried, count) <= 1e-5 * (1 + 1e-9)
    assert count == 1 or fixing.residual(volume, carried, count - 1) > 1e-5


@given(
    st.lists(st.tuples(st.floats(0.5, 5), st.floats(18, 27)), min_size=1, max_size=5),
    st.floats(0.07, 0.1),
)
def test_the_dose_is_the_integral(stretches: list[tuple[float, float]], k: float) -> None:
    """Against scipy's quadrature of exp(k(T − 20)) over the same broken line."""
    measured, at = [], 0.0
    for minutes, degrees in stretches:
        measured.append((at, degrees))
        at += minutes

    def warmth(t: float) -> float:
        before = [each for each in measured if each[0] <= t]
        after = [each for each in measured if each[0] > t]
        if not after:
            return before[-1][1]
        (t0, c0), (t1, c1) = before[-1], after[0]
        return c0 + (c1 - c0) * (t - t0) / (t1 - t0)

    breaks = [each[0] for each in measured[1:]]
    expected, _ = quad(lambda t: math.exp(k * (warmth(t) - 20)), 0, at, points=breaks, limit=200)
    assert drift.dose(measured, at, k, 20) == pytest.approx(expected, rel=1e-7)


@given(st.floats(18, 27), st.floats(4, 20), st.floats(0, 1))
def test_what_is_left_completes_it(degrees: float, wanted: float, share: float) -> None:
    """At a steady temperature the whole takes the law's time, however much is done."""
    whole = wanted * math.exp(-0.09 * (degrees - 20))
    elapsed = whole * share
    left = drift.minutes_left([(0.0, degrees)], elapsed, wanted, 0.09, 20)
    assert elapsed + left == pytest.approx(whole)
    assert drift.minutes_left([(0.0, degrees)], 2 * whole, wanted, 0.09, 20) == 0
