"""Directions of the compass, as one says them and in degrees from north over east."""

from __future__ import annotations

from emulsa.core.errors import Unreadable

POINTS = (
    "N", "NNE", "NE", "ENE", "E", "ESE", "SE", "SSE",
    "S", "SSW", "SW", "WSW", "W", "WNW", "NW", "NNW",
)  # fmt: skip
NAMES = {"north": "N", "east": "E", "south": "S", "west": "W"}
STEP_DEG = 360 / len(POINTS)


def azimuth_of(text: str) -> float:
    """Degrees of a direction: by its letters, its name, or as a number; Unreadable for another.

    >>> azimuth_of("SE"), azimuth_of("north-west"), azimuth_of("110")
    (135.0, 315.0, 110.0)
    """
    said = text.strip().lower().replace("°", "")
    for name, letter in NAMES.items():
        said = said.replace(name, letter.lower())
    letters = said.replace("-", "").replace(" ", "").upper()
    if letters in POINTS:
        return POINTS.index(letters) * STEP_DEG
    try:
        return float(said)
    except ValueError:
        raise Unreadable(
            f"“{text[:40]}” is no direction; write SE, or degrees from north as 135.", field="text"
        ) from None


def compass_text(azimuth_deg: float) -> str:
    """The nearest of sixteen points.

    >>> compass_text(134), compass_text(350)
    ('SE', 'N')
    """
    return POINTS[round(azimuth_deg / STEP_DEG) % len(POINTS)]


def bearing_text(azimuth_deg: float) -> str:
    """A direction with its degrees: ``SE, 134°``."""
    return f"{compass_text(azimuth_deg)}, {azimuth_deg:.0f}°"
