"""Laws of every reciprocity law."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.corrections import reciprocity
from emulsa.core.corrections.reciprocity import (
    AdditiveLaw,
    Law,
    NoFailure,
    PowerLaw,
    ReciprocityRequest,
    StopsLaw,
    TableLaw,
    corrected_s,
    metered_s,
)
from emulsa.core.errors import CoreError, Missing, OutOfRange, Unsound

INVERSE_SLACK = 1e-9

times = st.floats(1e-4, 1e5)


@st.composite
def tables(draw: st.DrawFn) -> Law:
    """A sound table: both columns rise, nothing is shortened."""
    steps = draw(st.lists(st.tuples(st.floats(0.05, 2), st.floats(0, 2)), min_size=1, max_size=8))
    rows, metered, corrected = [], 0.1, 0.1
    for longer, added in steps:
        metered *= 2**longer
        corrected = max(corrected * 1.01, metered * 2**added)
        rows.append((metered, corrected))
    return TableLaw(rows=tuple(rows))


laws = st.one_of(
    st.builds(NoFailure, until_s=st.floats(0.1, 1e4)),
    st.builds(PowerLaw, exponent=st.floats(1, 2), from_s=st.floats(0.1, 10)),
    st.builds(AdditiveLaw, a=st.floats(0, 5), b=st.floats(1, 2)),
    tables(),
)


@given(laws, times)
def test_never_shorter_than_metered(law: Law, t: float) -> None:
    """Film never gains speed: F(t) ≥ t."""
    assert corrected_s(law, t) >= t


@given(laws, times, st.floats(1.0001, 100))
def test_strictly_rising(law: Law, t: float, more: float) -> None:
    """More metered time is more corrected time."""
    assert corrected_s(law, t * more) > corrected_s(law, t)


@given(laws, times)
def test_the_inverse_is_exact(law: Law, t: float) -> None:
    """F⁻¹(F(t)) = t for every law, at every time."""
    assert metered_s(law, corrected_s(law, t)) == pytest.approx(t, rel=INVERSE_SLACK)


@given(st.floats(1, 2), st.floats(0.1, 10))
def test_continuous_at_the_threshold(exponent: float, start: float) -> None:
    """A power law begins where it says, without a jump."""
    law = PowerLaw(exponent=exponent, from_s=start)
    assert corrected_s(law, start) == start
    assert corrected_s(law, start * (1 + 1e-9)) == pytest.approx(start, rel=1e-6)


def test_stops_are_times() -> None:
    """A table of added stops of time is the table of times it stands for."""
    stops = StopsLaw(rows=((1, 0), (10, 1), (100, 2)))
    same = TableLaw(rows=((1, 1), (10, 20), (100, 400)))
    for t in (0.5, 3, 30, 300):
        assert corrected_s(stops, t) == pytest.approx(corrected_s(same, t))


@pytest.mark.parametrize(
    ("law", "t", "flagged"),
    [
        (NoFailure(until_s=120), 120, False),
        (NoFailure(until_s=120), 121, True),
        (PowerLaw(exponent=1.3), 100, False),
        (PowerLaw(exponent=1.3), 101, True),  # where makers' figures mostly end, from memory
        (PowerLaw(exponent=1.3, from_s=120), 119, False),  # its own beginning is known
        (PowerLaw(exponent=1.3, tested_until_s=600), 601, True),
        (TableLaw(rows=((1, 1), (10, 15))), 10, False),
        (TableLaw(rows=((1, 1), (10, 15))), 10.1, True),
        (TableLaw(rows=((1, 1), (10, 15))), 0.01, False),
        (TableLaw(rows=((1, 2), (10, 50))), 0.9, True),
    ],
)
def test_what_rests_on_no_data_is_flagged(law: Law, t: float, flagged: bool) -> None:
    """Beyond the data, or below a first row that already corrects."""
    assert reciprocity.extrapolated(law, t) is flagged


def test_development_change_between_rows() -> None:
    """Linear in log t, held at the ends, one where the law corrects nothing."""
    law = TableLaw(rows=((1, 1, 1.0), (100, 400, 0.8)))
    assert reciprocity.development_change(law, 0.1) == 1
    assert reciprocity.development_change(law, 10) == pytest.approx(0.9)
    assert reciprocity.development_change(law, 1e4) == 0.8


@pytest.mark.parametrize(
    ("rows", "place"),
    [
        (((1, 0.5),), "rows.0"),
        (((1, 1), (1, 2)), "rows.1"),
        (((1, 5), (2, 4)), "rows.1"),
        (((1, 1, 1, 1),), "rows.0"),
    ],
)
def test_unsound_tables_are_refused_by_row(rows: tuple[tuple[float, ...], ...], place: str) -> None:
    """Laws that shorten, cross or decrease are refused with the offending row."""
    with pytest.raises(Unsound) as refusal:
        TableLaw(rows=rows)
    assert refusal.value.field == place


@pytest.mark.parametrize("bad", [((0, 1),), ((1, float("nan")),), ((1, 1e9),)])
def test_numbers_outside_are_refused(bad: tuple[tuple[float, ...], ...]) -> None:
    """Zero, NaN and absurd times have no place in a table."""
    with pytest.raises(OutOfRange):
        TableLaw(rows=bad)


def test_falling_stops_are_refused() -> None:
    """A correction that falls faster than the time rises would shorten the longer exposure."""
    with pytest.raises(CoreError, match="rise"):
        StopsLaw(rows=((1, 5), (2, 0)))


def test_the_operation_goes_both_ways() -> None:
    """Clock times are read backwards with the same law."""
    law = PowerLaw(exponent=1.26)
    there = reciprocity.reciprocity(ReciprocityRequest(law=law, metered_s=(4, 8, 15)))
    clocks = tuple(each.corrected_s for each in there.results)
    back = reciprocity.reciprocity(ReciprocityRequest(law=law, clock_s=clocks))
    assert [each.metered_s for each in back.results] == pytest.approx([4, 8, 15])
    assert [each.added_stops for each in back.results] == pytest.approx(
        [each.added_stops for each in there.results]
    )
    with pytest.raises(Missing):
        ReciprocityRequest(law=law)
