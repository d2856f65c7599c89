"""One row of a notebook: what each cell may look like, and the sentence when it may not."""

import math
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.exchange.logbook import columns, rows

NEEDED = {"exposed_at": "2024-05-01", "film": "Corvane 100", "aperture": "32", "time_s": "1/2"}


def read(**cells: str) -> rows.Row:
    return rows.read({**NEEDED, **cells})


@pytest.mark.parametrize(
    ("column", "cell", "field", "value"),
    [
        ("exposed_at", "2024-05-01", "exposed_at", "2024-05-01T12:00:00.000Z"),
        ("exposed_at", "2024-05-01T09:20", "exposed_at", "2024-05-01T09:20:00.000Z"),
        ("exposed_at", "2024-05-01 09:20:30", "exposed_at", "2024-05-01T09:20:30.000Z"),
        ("exposed_at", "1.5.2024", "exposed_at", "2024-05-01T12:00:00.000Z"),
        ("exposed_at", "17. 11. 2024 9:05", "exposed_at", "2024-11-17T09:05:00.000Z"),
        ("n", "N", "n", 0.0),
        ("n", "N-1", "n", -1.0),
        ("n", "N−1½", "n", -1.5),
        ("n", "n+2", "n", 2.0),
        ("aperture", "f/22", "aperture", "22"),
        ("aperture", "F 5.6", "aperture", "5.6"),
        ("aperture", "f32", "aperture", "32"),
        ("aperture", "138", "aperture", 138.0),
        ("aperture", "6,8", "aperture", 6.8),
        ("time_s", "1/60", "seconds", 1 / 64),
        ("time_s", "9", "seconds", 9.0),
        ("time_s", "9 s", "seconds", 9.0),
        ("time_s", "2:10", "seconds", 130.0),
        ("time_s", "0,5", "seconds", 0.5),
        ("time_s", "12 seconds", "seconds", 12.0),
        ("n", "-1", "n", -1.0),
        ("n", "−0,5", "n", -0.5),
        ("n", "", "n", 0.0),
        ("share", "0.5", "share", 0.5),
        ("state", "", "state", "developed"),
        ("state", "judged", "state", "judged"),
        ("filters", " Deep red ; Polariser;", "filters", ("Deep red", "Polariser")),
        ("cost", "2,40", "cost", 2.4),
        ("ei", "64", "ei", 64.0),
        ("scene", "", "scene", "untitled"),
        ("outing", "", "outing", "2024-05-01"),
        ("where", "'4B", "where", "4B"),
        ("note", "'=1+1", "note", "=1+1"),
    ],
)
def test_cells_as_notebooks_write_them(column: str, cell: str, field: str, value: Any) -> None:
    """Marks stay marks, numbers are numbers in either comma, what is missing has its default."""
    found = getattr(read(**{column: cell}), field)
    if isinstance(value, float):
        assert found == pytest.approx(value)
        assert isinstance(found, float)
    else:
        assert found == value


@pytest.mark.parametrize(
    ("column", "cell", "says"),
    [
        ("exposed_at", "", "needed"),
        ("exposed_at", "32.5.2024", "is not a day"),
        ("exposed_at", "1.13.2024", "is not a day"),
        ("exposed_at", "2023-02-29", "is not a day"),
        ("film", "  ", "needed"),
        ("film", "x" * 81, "80"),
        ("aperture", "wide", "is not a number"),
        ("aperture", "0.2", "between"),
        ("time_s", "1/0", ""),
        ("time_s", "long", "is not a number"),
        ("time_s", "-3", "between"),
        ("n", "six", "is not a number"),
        ("n", "6", "between −5 and 5"),
        ("share", "2", "between 0.001 and 1"),
        ("state", "lost", "judged"),
        ("cost", "-1", "between"),
        ("ei", "0", "between"),
        ("error_stops", "40", "between"),
        ("note", "x" * 3_000, "2000"),
    ],
)
def test_cells_that_are_refused(column: str, cell: str, says: str) -> None:
    """By their column, in one sentence."""
    with pytest.raises(rows.RowRefused) as caught:
        read(**{column: cell})
    (problem,) = caught.value.problems
    assert problem.field == column
    assert says in problem.message


def test_all_that_is_wrong_with_a_row_is_said() -> None:
    """In the order of its columns, not only the first."""
    with pytest.raises(rows.RowRefused) as caught:
        read(exposed_at="", aperture="wide", n="six", cost="-1")
    assert [each.field for each in caught.value.problems] == ["exposed_at", "aperture", "n", "cost"]


def test_rows_make_up_their_own_id() -> None:
    """The same words are the same row, other words another; one that has an id keeps it."""
    assert read().id == read().id
    assert read().id != read(note="windy").id
    assert read(id="e7").id == "e7"
    assert rows.again(read(id="e7"), 3).id == "e7"
    assert rows.again(read(), 0).id == read().id
    assert rows.again(read(), 2).id == f"{read().id}-2"


@given(st.sampled_from(["22", "5.6", "32", "64"]) | st.floats(1, 900).map(lambda f: round(f, 3)))
def test_apertures_come_back(aperture: str | float) -> None:
    """Written as a cell and read again: a mark is a mark, a number a number."""
    found = read(aperture=rows.aperture_cell(aperture)).aperture
    assert found == aperture
    assert type(found) is type(aperture)


@given(st.floats(1e-3, 1e5))
def test_times_come_back(seconds: float) -> None:
    """Seconds written as a number are those seconds."""
    assert math.isclose(read(time_s=repr(seconds)).seconds, seconds)


@pytest.mark.parametrize(
    ("header", "mapping"),
    [
        (list(columns.NAMES), {name: name for name in columns.NAMES}),
        (["Date", "Stock", "F-Number", "Exposure time"], {"exposed_at": "Date", "film": "Stock", "aperture": "F-Number", "time_s": "Exposure time"}),
        (["taken", "Emulsion", "f", "sec"], {"exposed_at": "taken", "film": "Emulsion", "aperture": "f"}),
        (["a", "b"], {}),
        ([], {}),
    ],
)  # fmt: skip
def test_headers_are_guessed(header: list[str], mapping: dict[str, str]) -> None:
    """By the names notebooks use; what is not known is left open."""
    assert columns.guess(header) == mapping


@given(st.lists(st.text(max_size=12), max_size=12))
def test_no_column_is_taken_twice(header: list[str]) -> None:
    """Whatever the header says, each of its columns stands for one thing at most."""
    found = columns.guess(header)
    assert set(found) <= set(columns.NAMES)
    assert len(set(found.values())) == len(found)
    assert set(found.values()) <= set(header)
