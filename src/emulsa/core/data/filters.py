"""What filters usually take of daylight and of tungsten light, by the words one calls them with.

For panchromatic film; a filter's own maker always wins. Common practice from memory, no source.
"""

from __future__ import annotations

USUAL_FACTORS: dict[str, tuple[float, float]] = {  # daylight, tungsten light
    "light yellow": (1.5, 1.2),
    "yellow": (2.0, 1.5),
    "medium yellow": (2.0, 1.5),
    "yellow-green": (2.5, 2.5),
    "light green": (3.0, 3.0),
    "green": (4.0, 4.0),
    "orange": (4.0, 2.5),
    "light red": (6.0, 4.0),
    "red": (8.0, 5.0),
    "deep red": (16.0, 8.0),
    "blue": (6.0, 12.0),
    "polariser": (3.0, 3.0),
}
