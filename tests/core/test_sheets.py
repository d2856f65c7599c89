"""Sheets: the moves there are, and the reason of every move there is not."""

import itertools

import pytest

from emulsa.core.errors import CoreError, Impossible
from emulsa.core.film import sheets

STATES: list[sheets.State] = ["empty", "loaded", "exposed"]
MOVES: list[sheets.Move] = ["load", "unload", "expose", "expose_again"]


@pytest.mark.parametrize(("state", "move"), list(itertools.product(STATES, MOVES)))
def test_every_move(state: sheets.State, move: sheets.Move) -> None:
    """A move either leads somewhere or says why not; none is silent and none skips."""
    after = sheets.MOVES.get((state, move))
    if after:
        assert sheets.move(state, move, "2B") == after
        steps = abs(STATES.index(after) - STATES.index(state))
        assert steps == (0 if move == "expose_again" else 1)
    else:
        with pytest.raises(Impossible, match="Side 2B"):
            sheets.move(state, move, "2B")


@pytest.mark.parametrize(
    ("text", "sides"),
    [
        ("2B", ["2B"]),
        ("2b", ["2B"]),
        ("3", ["3A", "3B"]),
        ("1-2", ["1A", "1B", "2A", "2B"]),
        ("1A, 3 1A", ["1A", "3A", "3B"]),
    ],
)
def test_sides_as_typed(text: str, sides: list[str]) -> None:
    """One side, both, several holders; each once."""
    found = sheets.sides(text, {1, 2, 3})
    assert [f"{number}{side}" for number, side in found] == sides


@pytest.mark.parametrize("text", ["", "B2", "9", "1-9", "2C", "1A-2B"])
def test_sides_that_are_none(text: str) -> None:
    """Unknown holders and unreadable words are refused before anything is loaded."""
    with pytest.raises(CoreError) as refusal:
        sheets.sides(text, {1, 2, 3})
    assert refusal.value.field == "sides"
