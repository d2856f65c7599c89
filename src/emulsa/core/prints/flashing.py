"""Paper flashed before or after its exposure, by a strip of its own: how long, and what it brings.

Half a stop under the threshold unless told: common practice, no source.
"""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.corrections.pre_exposure import (
    OfPaper,
    PaperFlashed,
    StripSeconds,
    pre_exposure,
)
from emulsa.core.light.hand_time import time_text
from emulsa.core.numbers import number_text


@dataclass(frozen=True, kw_only=True, slots=True)
class FlashStrip:
    """A strip of paper under even light: the last step that stays white, the first grey one."""

    last_white_s: StripSeconds
    first_grey_s: StripSeconds


@dataclass(frozen=True, slots=True)
class FlashSaid:
    """The time to flash, and the same in a sentence."""

    flash_s: float
    says: str


def flash_said(strip: FlashStrip) -> FlashSaid:
    """What a strip under even light says.

    >>> flash_said(FlashStrip(last_white_s=4, first_grey_s=5)).says
    'Flash 3.2 s: highlights up to 1⅔ stops under the threshold begin to show'
    """
    found = pre_exposure(
        OfPaper(kind="paper", last_white_s=strip.last_white_s, first_grey_s=strip.first_grey_s)
    )
    assert isinstance(found, PaperFlashed)
    reach = number_text(found.reach_stops)
    says = (
        f"Flash {time_text(found.flash_s)}: highlights up to {reach} stops under the threshold"
        " begin to show"
    )
    return FlashSaid(found.flash_s, says)
