"""Where sun and moon are wanted from, in words."""

from __future__ import annotations

from emulsa.core.numbers import plain
from emulsa.core.sky.compass import bearing_text
from emulsa.core.sky.day import Bearing

FACING_DEG = 45.0  # so wide it is what a subject faces, not a gap one looks at


def bearing_words(bearing: Bearing) -> str:
    """A bearing as it was said: ``faces SE, 135°, over a skyline of 8°``.

    >>> bearing_words(Bearing(azimuth_deg=135, width_deg=90))
    'faces SE, 135°'
    >>> bearing_words(Bearing(azimuth_deg=110, skyline_deg=8))
    'looks ESE, 110°, over a skyline of 8°'
    """
    verb = "faces" if bearing.width_deg >= FACING_DEG else "looks"
    over = f", over a skyline of {plain(bearing.skyline_deg)}°" if bearing.skyline_deg else ""
    return f"{verb} {bearing_text(bearing.azimuth_deg)}{over}"
