"""Light by the sky, where there is no meter."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.data.sky import SKY_EV, SNOW_STOPS, Sky
from emulsa.core.limits import EV, Within

Shifted = Annotated[float, Within("What you add to the sky", -1, 1, "stops")]


@dataclass(frozen=True, kw_only=True, slots=True)
class SkyReading:
    """The light told by the sky: a table's EV at ISO 100, or a leaflet's if ``leaflet_ev`` is set.

    ``snow``: the subject stands on snow or light sand. ``shift_stops``: a stop brighter or darker
    than the word, as one sees it.
    """

    kind: Literal["sky"] = "sky"
    sky: Sky
    snow: bool = False
    shift_stops: Shifted = 0.0
    leaflet_ev: EV | None = None


def sky_ev(reading: SkyReading) -> float:
    """EV at ISO 100 of a sky, ±1 stop. Common practice, no source.

    >>> sky_ev(SkyReading(sky="hazy sun", snow=True))
    15.0
    """
    level = SKY_EV[reading.sky] if reading.leaflet_ev is None else reading.leaflet_ev
    return level + SNOW_STOPS * reading.snow + reading.shift_stops


def sky_text(reading: SkyReading) -> str:
    """A sky as one says it: ``hazy sun, on snow or sand``."""
    said: str = reading.sky
    if reading.shift_stops:
        said += f", {'a little brighter' if reading.shift_stops > 0 else 'a little darker'}"
    said += ", on snow or sand" if reading.snow else ""
    return said + (", by the leaflet" if reading.leaflet_ev is not None else "")
