"""Film against a small model: thousands of random moves, no illegal state, undo exact."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import settings
from hypothesis import strategies as st
from hypothesis.stateful import RuleBasedStateMachine, invariant, rule, run_state_machine_as_test

from emulsa.core.errors import Impossible
from emulsa.core.film.acts.loading import Loading, load_sides
from emulsa.core.film.holders import Holder
from emulsa.core.film.moves import Outcome, move
from emulsa.core.film.pieces import Side
from emulsa.demo.bag import FILMS
from emulsa.store import holders, journal, pieces, records
from tests import databases

# Written by hand from the trade's own words, not from the program's table.
ALLOWED = {
    "unload": {"loaded": None},
    "expose": {"loaded": "exposed"},
    "expose_again": {"exposed": "exposed"},
    "skip": {"loaded": "blank"},
    "box": {"exposed": "exposed"},
    "start_run": {"exposed": "in_run"},
    "leave_run": {"in_run": "exposed"},
    "develop": {"in_run": "developed"},
    "judge": {"developed": "judged", "judged": "judged"},
}
SIDES: tuple[tuple[int, Side], ...] = ((1, "A"), (1, "B"), (2, "A"))
ACTS = st.sampled_from(["load", *ALLOWED, "undo", "redo"])


class Film(RuleBasedStateMachine):
    """Three sides; the model is a dict, its past and its undone future are lists of dicts."""

    def __init__(self) -> None:
        super().__init__()
        self.db = databases.empty()
        records.keep(self.db, FILMS[0])
        for number in (1, 2):
            records.keep(self.db, Holder(id=f"h{number}", number=number))
        self.model: dict[tuple[int, Side], str] = {}
        self.past: list[tuple[dict[Any, str], Any]] = []
        self.future: list[tuple[dict[Any, str], Any]] = []
        self.made = 0

    @rule(place=st.sampled_from(SIDES), act=ACTS)
    def does(self, place: tuple[int, Side], act: str) -> None:
        if act in ("undo", "redo"):
            self.turns(act)
            return
        before, rows = dict(self.model), self.rows()
        state = self.model.get(place)
        legal = state is None if act == "load" else state in ALLOWED[act]
        if not legal:
            if act == "load" or state is not None:
                with pytest.raises(Impossible, match=f"Side {place[0]}{place[1]} "):
                    self.move(place, act)
            assert self.rows() == rows
            return
        self.move(place, act)
        after = "loaded" if act == "load" else ALLOWED[act][state or ""]
        if after is None:
            del self.model[place]
        else:
            self.model[place] = after
        self.past.append((before, rows))
        self.future.clear()

    def turns(self, act: str) -> None:
        source, target = (self.past, self.future) if act == "undo" else (self.future, self.past)
        replay = databases.undo if act == "undo" else databases.redo
        if not source:
            with pytest.raises(Impossible):
                replay(self.db)
            return
        target.append((dict(self.model), self.rows()))
        self.model, rows = source.pop()
        replay(self.db)
        assert self.rows() == rows

    def move(self, place: tuple[int, Side], act: str) -> None:
        number, side = place
        with journal.action(self.db, act, "now"):
            if act == "load":
                self.made += 1
                loading = Loading(id=f"p{self.made}", film_id=FILMS[0].id, sides=f"{number}{side}")
                board = holders.board(self.db, loading.id)
                outcome = load_sides(loading, FILMS[0], board, None, "then")
            else:
                there = holders.board(self.db).lying[f"h{number}", side]
                moved = move(there, act, "now")  # type: ignore[arg-type]
                outcome = Outcome(says=act, moved=(moved,))
            records.carry_out(self.db, outcome)

    def rows(self) -> Any:
        return [
            sorted(tuple(row) for row in self.db.execute(f"SELECT * FROM {table}"))
            for table in ("piece", "step")
        ]

    @invariant()
    def agrees(self) -> None:
        """Each side holds what the model says, and the last step of a piece led to its state."""
        there = {(each.holder_id, each.side): each for each in pieces.in_holders(self.db)}
        assert {key: each.state for key, each in there.items()} == {
            (f"h{number}", side): state for (number, side), state in self.model.items()
        }
        for each in there.values():
            assert pieces.steps(self.db, each.id)[-1].after == each.state

    def teardown(self) -> None:
        self.db.close()


def test_film_in_any_hands() -> None:
    """Sixty evenings of fifty moves."""
    run_state_machine_as_test(
        Film, settings=settings(max_examples=60, stateful_step_count=50, deadline=None)
    )
