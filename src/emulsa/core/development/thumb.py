"""The rule of thumb between N and developing time, always said to be an estimate.

Common practice, no source.
"""

from __future__ import annotations

import math
from collections.abc import Sequence

from emulsa.core.data.development import THUMB

UP, DOWN = math.log(THUMB[3][1]), -math.log(THUMB[1][1])  # ln of the time of one zone, up and down


def thumb_factor(n: float) -> float:
    """The rule of thumb's factor of the normal time, log-linear in N, end slopes carried on.

    >>> thumb_factor(-1), thumb_factor(2)
    (0.8, 1.8)
    """
    return 1.0 if n == 0 else log_linear(THUMB, n)


def zones_off(given: float, wanted: float) -> float:
    """Zones the high value moves when film gets other minutes than it wants: one N's worth of time
    is one zone.

    >>> round(zones_off(13.5, 10), 6), round(zones_off(8, 10), 6)
    (1.0, -1.0)
    """
    off = math.log(given / wanted)
    return off / (UP if off > 0 else DOWN)


def log_linear(rows: Sequence[tuple[float, float]], x: float) -> float:
    """Through rising rows of (x, y), straight in log y; end slopes carried on, one row is flat.

    >>> log_linear([(0, 8.0), (1, 12.0)], 0), log_linear([(20, 9.0)], 24)
    (8.0, 9.0)
    """
    if len(rows) == 1:
        return rows[0][1]
    place = next((k for k in range(1, len(rows)) if rows[k][0] >= x), len(rows) - 1)
    (x0, y0), (x1, y1) = rows[place - 1], rows[place]
    if x == x1:
        return y1
    return float(y0 * math.exp(math.log(y1 / y0) * (x - x0) / (x1 - x0)))
