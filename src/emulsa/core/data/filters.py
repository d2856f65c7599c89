"""What filters usually take, by the words one calls them with. Common practice, no source."""

from __future__ import annotations

USUAL_FACTORS: dict[str, float] = {
    "light yellow": 1.5,
    "yellow": 2.0,
    "medium yellow": 2.0,
    "yellow-green": 2.5,
    "light green": 3.0,
    "green": 4.0,
    "orange": 4.0,
    "light red": 6.0,
    "red": 8.0,
    "deep red": 8.0,
    "blue": 6.0,
    "polariser": 3.0,
}
