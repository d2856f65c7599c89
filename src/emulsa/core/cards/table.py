"""What every card is: a title, what it holds for, columns and rows of words, and its cautions."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, kw_only=True, slots=True)
class Card:
    """A card as a table of words; ``estimated`` marks rows that rest on no data of the film."""

    title: str
    holds_for: str
    columns: tuple[str, ...]
    rows: tuple[tuple[str, ...], ...]
    estimated: tuple[bool, ...] = ()
    notes: tuple[str, ...] = ()

    @property
    def table(self) -> tuple[tuple[str, ...], ...]:
        """Columns, then rows, then the notes, each alone on a line."""
        notes = (f"{self.title}: {self.holds_for}", *self.notes)
        return (self.columns, *self.rows, *((each,) for each in notes))
