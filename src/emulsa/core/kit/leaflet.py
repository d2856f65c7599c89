"""Leaflets: a pinhole's own times by sky, as its box or leaflet says them."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated

from emulsa.core.corrections import reciprocity
from emulsa.core.corrections.reciprocity import Law
from emulsa.core.data.sky import SKY_EV, Sky
from emulsa.core.limits import ExposureIndex, Label, Within

LeafletTime = Annotated[float, Within("A leaflet's time", 0.01, 86_400, "seconds")]


@dataclass(frozen=True, kw_only=True, slots=True)
class Leaflet:
    """A pinhole's own times by sky, in literal seconds.

    They hold for film of ``exposure_index``; ``law`` is that film's, when the leaflet names one,
    and is then taken off again before another film's is put on.
    """

    exposure_index: ExposureIndex = 100.0
    bright_s: LeafletTime
    hazy_s: LeafletTime
    cloudy_bright_s: LeafletTime
    overcast_s: LeafletTime
    law: Law | None = None
    said_by: Label = ""

    def time_s(self, sky: Sky) -> float:
        """The time for a sky; open shade is as dull as an overcast one, and deep shade is begun
        from there."""
        return {
            "bright sun": self.bright_s,
            "hazy sun": self.hazy_s,
            "cloudy bright": self.cloudy_bright_s,
            "overcast": self.overcast_s,
            "open shade": self.overcast_s,
            "deep shade": self.overcast_s,
        }[sky]


def leaflet_ev(leaflet: Leaflet, sky: Sky, f_number: float) -> float:
    """EV at ISO 100 a leaflet's time means: ``log2(N²/t) − log2(S/100)``, its film's law taken off.

    >>> leaflet = Leaflet(bright_s=2, hazy_s=4, cloudy_bright_s=8, overcast_s=16)
    >>> round(leaflet_ev(leaflet, "bright sun", 128), 6)
    13.0
    """
    time_s = leaflet.time_s(sky)
    metered_s = reciprocity.metered_s(leaflet.law, time_s) if leaflet.law else time_s
    told = math.log2(f_number**2 / metered_s) - math.log2(leaflet.exposure_index / 100)
    # no leaflet tells of deep shade: it is as much darker as the table says
    return told - (SKY_EV["overcast"] - SKY_EV[sky] if sky == "deep shade" else 0.0)
