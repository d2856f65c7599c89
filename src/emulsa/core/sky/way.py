"""A body's way among the stars: its place at nodes some hours apart, cubics between them.

Everything that is asked of a whole day goes this way; a node every three hours keeps the moon
within a thousandth of a degree.
"""

from __future__ import annotations

import math
from collections.abc import Callable
from typing import NamedTuple

from emulsa.core.sky.bodies import Body

NODE_S = 10_800.0
FEWEST = 16  # of fewer moments each is worked out by itself


class AmongStars(NamedTuple):
    """Right ascension, declination and distance; longitude and latitude along the ecliptic."""

    right_ascension_deg: float
    declination_deg: float
    distance_km: float
    longitude_deg: float
    latitude_deg: float


class Way:
    """Where a body stands among the stars between two moments."""

    def __init__(self, body: Callable[[float], Body], begin_s: float, end_s: float) -> None:
        self._first = begin_s - NODE_S
        many = math.ceil((end_s - self._first) / NODE_S) + 2
        self._last = many - 3
        self._nodes: list[AmongStars] = []
        for k in range(many):
            found = body(self._first + k * NODE_S)
            ascension, longitude = found.right_ascension_deg, found.longitude_deg
            if self._nodes:  # goes on over 360°
                before = self._nodes[-1]
                ascension += 360 * round((before.right_ascension_deg - ascension) / 360)
                longitude += 360 * round((before.longitude_deg - longitude) / 360)
            self._nodes.append(
                AmongStars(
                    ascension,
                    found.declination_deg,
                    found.distance_km,
                    longitude,
                    found.latitude_deg,
                )
            )

    def at(self, moment_s: float) -> AmongStars:
        """By Lagrange's cubic through the two nodes before and the two behind."""
        place = (moment_s - self._first) / NODE_S
        k = min(max(int(place), 1), self._last)
        x = place - k
        a = -x * (x - 1) * (x - 2) / 6
        b = (x + 1) * (x - 1) * (x - 2) / 2
        c = -(x + 1) * x * (x - 2) / 2
        d = (x + 1) * x * (x - 1) / 6
        p, q, r, s = self._nodes[k - 1 : k + 3]
        return AmongStars(
            a * p[0] + b * q[0] + c * r[0] + d * s[0],
            a * p[1] + b * q[1] + c * r[1] + d * s[1],
            a * p[2] + b * q[2] + c * r[2] + d * s[2],
            a * p[3] + b * q[3] + c * r[3] + d * s[3],
            a * p[4] + b * q[4] + c * r[4] + d * s[4],
        )
