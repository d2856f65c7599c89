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
REUSED = ("stop", "fixer", "washing aid", "wetting agent")  # baths kept in bottles, run after run
NEVER_WAIT = ("developer", "stop", "fixer")  # from the developer to the end of the fixer
ROLL_PLACES = 4  # sheets of 4×5 a roll on its reel takes the place of
SHEET_IN2 = 20.0  # a 4×5, what tanks are counted in
LEAST_WEIGHT = 0.25  # film said not to matter still counts a little when runs are shared
GOOD_ENOUGH_ZONES = 0.25  # sharing a run may put a sheet this far off before another run is planned
WATER_CHANGES = {"presoak": 1, "rinse": 1, "wash": 5}  # tanks of water a bath of it takes
