"""A card as CSV: the same table, for a spreadsheet."""

from __future__ import annotations

import csv
import io

from emulsa.core.cards.table import Card
from emulsa.exchange.csv_cells import safe


def render(card: Card) -> str:
    """Columns, then rows, then the notes, each alone on a line; no cell can become a formula."""
    text = io.StringIO()
    writer = csv.writer(text, lineterminator="\r\n")
    writer.writerow([safe(each) for each in card.columns])
    writer.writerows([safe(each) for each in row] for row in card.rows)
    for note in (f"{card.title}: {card.holds_for}", *card.notes):
        writer.writerow([safe(note)])
    return text.getvalue()
