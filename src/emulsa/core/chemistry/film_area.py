"""Film by its area, and the volume of working solution it needs.

80 in² is one roll, four 4×5 or one 8×10; makers state their minimum amounts for it (common
practice, no source).
"""

from __future__ import annotations

import math
from collections.abc import Iterable

from emulsa.core.data.chemistry import ROLL_AREA_IN2

MM2_PER_IN2 = 25.4**2


def area_in2(width_mm: float, height_mm: float) -> float:
    """Of one sheet.

    >>> round(area_in2(101.6, 127), 6)
    20.0
    """
    return width_mm * height_mm / MM2_PER_IN2


def together_in2(sheets_in2: Iterable[float], rolls: int) -> float:
    """Of what shares a run: its sheets, and each roll whole, its blank frames too.

    >>> together_in2([20, 20], 1)
    120.0
    """
    return math.fsum(sheets_in2) + rolls * ROLL_AREA_IN2


def rolls(area: float) -> float:
    """An area in rolls, as capacities are stated.

    >>> rolls(20)
    0.25
    """
    return area / ROLL_AREA_IN2


def needed_concentrate_ml(area: float, minimum_ml_per_roll: float) -> float:
    """What the film uses up at least.

    >>> needed_concentrate_ml(160, 10)
    20.0
    """
    return rolls(area) * minimum_ml_per_roll


def volume_ml(area: float, minimum_ml_per_roll: float, share: float, tank_ml: float) -> float:
    """The tank's volume, or more when the film needs more concentrate than that holds.

    >>> round(volume_ml(80, 6, 1 / 51, 300), 6), volume_ml(80, 3.5, 1 / 101, 1000)
    (306.0, 1000)
    """
    wanted = needed_concentrate_ml(area, minimum_ml_per_roll) / share
    return max(tank_ml, wanted)
