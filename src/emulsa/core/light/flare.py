"""Light that strays in lens and camera, as a share of the scene's mean light spread over all of it.
As added illuminance: The Manual of Photography."""

from __future__ import annotations

from typing import Annotated

from emulsa.core.limits import Within

FlareShare = Annotated[float, Within("The share of flare", 0, 0.2)]

USUAL_FLARE = 0.01  # of a coated lens with a shade (common practice, no source)
# as it is offered, in words (common practice, no source)
FLARES = {
    "0": "none",
    "0.005": "½ %: a few coated lenses, well shaded",
    "0.01": "1 %: usual",
    "0.02": "2 %: bright sky about, no shade",
    "0.04": "4 %: against the light, or an uncoated lens",
}


def flare_text(share: float) -> str:
    """A share in words, by itself.

    >>> flare_text(0.005), flare_text(0.02), flare_text(0)
    ('flare ½ %', 'flare 2 %', 'no flare')
    """
    percent = {0.005: "½", 0.015: "1½"}.get(share, f"{100 * share:g}")
    return f"flare {percent} %" if share else "no flare"
