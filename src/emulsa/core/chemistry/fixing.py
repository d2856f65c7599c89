"""The clearing test, and what is left after washing.

Fixing takes twice the clearing time, three times for tabular grain; a fixer whose clearing time
has doubled is discarded (common practice, no source). Washing by changes, ideally mixed:
residual = (v / (V + v))ⁿ, a lower bound that leaves diffusion out.
"""

from __future__ import annotations

import math

from emulsa.core.data.chemistry import (
    EXHAUSTED_CLEARINGS,
    FIX_CLEARINGS,
    FIX_CLEARINGS_TABULAR,
    WASH_TARGET,
)


def fixing_s(clearing_s: float, tabular: bool = False) -> float:
    """Seconds in the fixer.

    >>> fixing_s(30), fixing_s(30, tabular=True)
    (60.0, 90.0)
    """
    return clearing_s * (FIX_CLEARINGS_TABULAR if tabular else FIX_CLEARINGS)


def exhausted_s(fresh_clearing_s: float) -> float:
    """The clearing time at which the fixer is discarded."""
    return fresh_clearing_s * EXHAUSTED_CLEARINGS


def residual(volume_ml: float, carried_ml: float, changes: int) -> float:
    """The share of fixer left after changes of water."""
    return float((carried_ml / (volume_ml + carried_ml)) ** changes)


def changes(volume_ml: float, carried_ml: float, target: float = WASH_TARGET) -> int:
    """Changes of water until no more than ``target`` is left.

    >>> changes(500, 15)
    4
    """
    each = math.log(carried_ml / (volume_ml + carried_ml))
    return math.ceil(math.log(target) / each - 1e-12)
