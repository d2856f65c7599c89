"""A card as CSV: the same table, for a spreadsheet."""

from __future__ import annotations

import csv
import io

from emulsa.core.cards.table import Card

FORMULA = ("=", "+", "-", "@", "\t", "\r")


def render(card: Card) -> str:
    """Columns, then rows, then the notes, each alone on a line; no cell can become a formula."""
    text = io.StringIO()
    writer = csv.writer(text, lineterminator="\r\n")
    writer.writerow([_safe(each) for each in card.columns])
    writer.writerows([_safe(each) for each in row] for row in card.rows)
    for note in (f"{card.title}: {card.holds_for}", *card.notes):
        writer.writerow([_safe(note)])
    return text.getvalue()


def _safe(cell: str) -> str:
    return f"'{cell}" if cell.startswith(FORMULA) else cell
