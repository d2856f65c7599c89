"""What a record of the kit means, beside its sheet while it is typed: a recipe's ladder of N, the
marks of a lens in one light."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.corrections.optics import Lens
from emulsa.core.corrections.reciprocity import NoFailure
from emulsa.core.development.recipes import Recipe, time_for
from emulsa.core.exposing.chain import exposure
from emulsa.core.exposing.request import ExposureRequest, SpotReading
from emulsa.core.light.hand_time import minutes_text
from emulsa.core.light.meters import EvReading
from emulsa.core.tones.development_number import n_text
from emulsa.core.tones.placement import AsMetered

LADDER = (-2.0, -1.0, 0.0, 1.0, 2.0)
OPEN_SHADE_EV = 12.0  # common practice, no source
EI = 100.0


@dataclass(frozen=True, kw_only=True, slots=True)
class LadderRung:
    """The minutes of one N, as a share of the longest of all, and who says them."""

    n_text: str
    minutes_text: str
    share: float
    said_by: str
    estimated: bool


@dataclass(frozen=True, kw_only=True, slots=True)
class MarkShown:
    """A mark, and the time it takes."""

    aperture: str
    text: str


def ladder(recipe: Recipe) -> tuple[LadderRung, ...]:
    """A recipe's own minutes from N−2 to N+2, whatever speaks against using it; Missing without
    any."""
    found = [(n, time_for(recipe, n)) for n in LADDER]
    longest = max(timed.minutes for _, timed in found)
    return tuple(
        LadderRung(
            n_text=n_text(n),
            minutes_text=minutes_text(timed.minutes),
            share=timed.minutes / longest,
            said_by=", ".join(filter(None, (timed.origin, timed.who))),
            estimated=timed.origin == "estimated",
        )
        for n, timed in found
    )


def lens_marks(optics: Lens) -> tuple[MarkShown, ...]:
    """Every mark with the time it takes in open shade, as the shutter gives it."""
    light = SpotReading(id="light", reading=EvReading(ev=OPEN_SHADE_EV))
    answer = exposure(
        ExposureRequest(
            ei=EI,
            readings=(light,),
            placement=AsMetered(reading="light"),
            optics=optics,
            law=NoFailure(until_s=100),
            aperture=optics.widest,
        )
    )
    return tuple(MarkShown(aperture=each.aperture, text=each.text) for each in answer.equivalents)
