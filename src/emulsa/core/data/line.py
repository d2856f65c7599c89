"""Where each bath happens and whether it takes the hands. Common practice, no source."""

from __future__ import annotations

# kind: place, hands all the while, follows the one before at once
WHERE: dict[str, tuple[str, bool, bool]] = {
    "presoak": ("tank", False, False),
    "developer": ("tank", True, True),
    "stop": ("tank", True, True),
    "fixer": ("tank", True, True),
    "rinse": ("tank", True, True),
    "washing aid": ("washer", False, False),
    "wash": ("washer", False, False),
    "wetting agent": ("tray", True, False),
    "dry": ("dryer", False, False),
}
GOOD_ENOUGH_ZONES = 0.25  # sharing a run may put a sheet this far off before another run is planned
