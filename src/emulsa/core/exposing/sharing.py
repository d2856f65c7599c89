"""Shares of a multiple exposure: openings that together are one exposure.

Of one scene each opening gets its part of the whole clock time, part · F(t): the film goes on where
it stopped, pausing costs nothing (idealised, as in ``light_change``), and the shares sum to F(t).
Different scenes on one film are exposures of their own: F(part · t) each. Common practice.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.corrections.reciprocity import Law, corrected_s, metered_s
from emulsa.core.limits import Within

Part = Annotated[float, Within("A share of a multiple exposure", 0.001, 1)]
ShareOf = Literal["one_scene", "scenes"]


@dataclass(frozen=True, kw_only=True, slots=True)
class Share:
    """The part of an exposure that one opening gives, and whether the others are of its scene."""

    part: Part = 1.0
    of: ShareOf = "one_scene"

    @property
    def of_time(self) -> float:
        """What the clock time is multiplied by."""
        return self.part if self.of == "one_scene" else 1.0

    @property
    def of_light(self) -> float:
        """What the metered time is multiplied by."""
        return self.part if self.of == "scenes" else 1.0


WHOLE = Share()


def opened_s(law: Law, metered: float, share: Share) -> float:
    """Clock seconds of one opening, ``metered`` being what it is metered at (of different scenes
    its part already).

    >>> from emulsa.core.corrections.reciprocity import PowerLaw
    >>> law = PowerLaw(exponent=1.3)
    >>> sum(round(opened_s(law, 80, Share(part=1 / 8)), 3) for _ in range(8))
    297.864
    """
    return share.of_time * corrected_s(law, metered)


def opened_error_stops(law: Law, metered: float, seconds: float, share: Share) -> float:
    """log2(F⁻¹(T/part)/t): how far off an opening of T seconds is, without a negative zero."""
    given = metered_s(law, seconds / share.of_time)
    return round(math.log2(given / metered), 12) + 0.0


def together_stops(law: Law, metered: float, seconds: Sequence[float]) -> float:
    """log2(F⁻¹(Σ T)/t): what openings of one scene gave together."""
    return math.log2(metered_s(law, math.fsum(seconds)) / metered)
