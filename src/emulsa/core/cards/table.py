"""What every card is: a title, what it holds for, columns and rows of words, and its cautions."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, kw_only=True, slots=True)
class Card:
    """A card as a table of words; ``estimated`` marks rows that rest on no data of the film.
    ``figures`` are the same rows as numbers under ``figured``, for a spreadsheet to reckon with."""

    title: str
    holds_for: str
    columns: tuple[str, ...]
    rows: tuple[tuple[str, ...], ...]
    estimated: tuple[bool, ...] = ()
    notes: tuple[str, ...] = ()
    figured: tuple[str, ...] = ()
    figures: tuple[tuple[float, ...], ...] = ()

    @property
    def table(self) -> tuple[tuple[str, ...], ...]:
        """Columns, then rows, words first and their numbers behind them, then the notes, each alone
        on a line."""
        notes = (f"{self.title}: {self.holds_for}", *self.notes)
        numbers = self.figures or ((),) * len(self.rows)
        rows = (
            (*row, *(f"{each:.6g}" for each in behind))
            for row, behind in zip(self.rows, numbers, strict=True)
        )
        return ((*self.columns, *self.figured), *rows, *((each,) for each in notes))
