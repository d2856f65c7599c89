"""What filters usually take of daylight and of tungsten light, by the words one calls them with.

For panchromatic film; a filter's own maker always wins. Common practice from memory, no source.
"""

from __future__ import annotations

from emulsa.core.data.film_kinds import KINDS

USUAL_FACTORS: dict[str, tuple[float, float]] = {  # daylight, tungsten light
    name: both for name, both in KINDS["panchromatic"].filters.items() if both is not None
}
