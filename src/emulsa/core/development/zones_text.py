"""An error of sharing in words."""

from __future__ import annotations

from emulsa.core.data.line import GOOD_ENOUGH_ZONES

EXACT = 0.02  # of a zone; nobody sees less


def too_far(error_zones: float) -> bool:
    """Whether sharing puts a piece further off than runs are planned for."""
    return abs(error_zones) > GOOD_ENOUGH_ZONES


def zones_text(error_zones: float) -> str:
    """What sharing does to a high value: *as wanted*, *0.2 zone soft*, *0.3 zone hard*.

    >>> zones_text(0.0), zones_text(-0.21), zones_text(0.3)
    ('as wanted', '0.2 zone soft', '0.3 zone hard')
    """
    if abs(error_zones) < EXACT:
        return "as wanted"
    return f"{abs(error_zones):.1f} zone {'hard' if error_zones > 0 else 'soft'}".replace(
        "0.0 zone", "under 0.1 zone"
    )
