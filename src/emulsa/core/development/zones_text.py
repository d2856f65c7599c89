"""An error of sharing in words."""

from __future__ import annotations

from emulsa.core.data.line import GOOD_ENOUGH_ZONES

EXACT = 0.02  # of a zone; nobody sees less


def too_far(error_zones: float) -> bool:
    """Whether sharing puts a piece further off than runs are planned for."""
    return abs(error_zones) > GOOD_ENOUGH_ZONES


def zones_text(error_zones: float) -> str:
    """What a time does to the high values: *on target*, *0.2 zone too low*, *0.3 zone too high*.

    >>> zones_text(0.0), zones_text(-0.21), zones_text(0.3)
    ('on target', '0.2 zone too low', '0.3 zone too high')
    """
    if abs(error_zones) < EXACT:
        return "on target"
    return f"{abs(error_zones):.1f} zone too {'high' if error_zones > 0 else 'low'}".replace(
        "0.0 zone", "under 0.1 zone"
    )
