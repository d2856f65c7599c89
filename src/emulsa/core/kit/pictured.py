"""What a record of the kit means, beside its sheet while it is typed: a recipe's ladder of N, the
marks of a lens in one light, what a pinhole sees, a film's law as a drawing."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.corrections.optics import Lens, Pinhole
from emulsa.core.corrections.pinhole import DEFAULT_FORMAT_MM, PinholeRequest, pinhole
from emulsa.core.corrections.reciprocity import (
    Corrected,
    Law,
    NoFailure,
    ReciprocityRequest,
    reciprocity,
)
from emulsa.core.development.recipes import Recipe, time_for
from emulsa.core.exposing.chain import exposure
from emulsa.core.exposing.request import ExposureRequest, SpotReading
from emulsa.core.light.hand_time import minutes_text
from emulsa.core.light.meters import EvReading
from emulsa.core.numbers import plain
from emulsa.core.tones.development_number import n_text
from emulsa.core.tones.placement import AsMetered

AUTHORS = {  # whose best diameter it is, by its formula
    "petzval": "√2·√(λv), the smallest",
    "airy": "Airy disc as wide as the hole",
    "rayleigh": "1.9·√(λv), the usual one",
    "rayleigh_exact": "√3.6·√(λv)",
    "fresnel": "one Fresnel zone, the largest",
}
CORNERS_STOPS = 1.0  # what the corners lose before it is worth saying
LAW_FROM_S, LAW_POINTS, LAW_A_DECADE = 0.1, 33, 8
METERED_TICKS, GIVEN_TICKS = (0.1, 1, 10, 60, 600), (1, 10, 60, 600, 3_600)

LADDER = (-2.0, -1.0, 0.0, 1.0, 2.0)
OPEN_SHADE_EV = 12.0  # common practice, no source
EI = 100.0


@dataclass(frozen=True, kw_only=True, slots=True)
class LadderRung:
    """The minutes of one N, as a share of the longest of all, and who says them."""

    n_text: str
    minutes: float
    minutes_text: str
    share: float
    said_by: str
    estimated: bool


@dataclass(frozen=True, kw_only=True, slots=True)
class MarkShown:
    """A mark, and the time it takes."""

    aperture: str
    text: str


@dataclass(frozen=True, kw_only=True, slots=True)
class Fact:
    """A line of what follows from a record; ``beside`` is what one compares it with."""

    name: str
    text: str
    beside: bool = False


@dataclass(frozen=True, kw_only=True, slots=True)
class SeenByPinhole:
    """What a hole and its distance make of a format, and what to beware of."""

    facts: tuple[Fact, ...]
    caution: str


@dataclass(frozen=True, kw_only=True, slots=True)
class Tick:
    """A time on an axis."""

    at_s: float
    text: str


@dataclass(frozen=True, kw_only=True, slots=True)
class LawDrawn:
    """A law from a tenth of a second on: points, ticks along both axes, and in words."""

    points: tuple[Corrected, ...]
    metered: tuple[Tick, ...]
    given: tuple[Tick, ...]
    says: str


def ladder(recipe: Recipe) -> tuple[LadderRung, ...]:
    """A recipe's own minutes from N−2 to N+2, whatever speaks against using it; Missing without
    any."""
    found = [(n, time_for(recipe, n)) for n in LADDER]
    longest = max(timed.minutes for _, timed in found)
    return tuple(
        LadderRung(
            n_text=n_text(n),
            minutes=timed.minutes,
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


def seen(optics: Pinhole, format_mm: tuple[float, float] = DEFAULT_FORMAT_MM) -> SeenByPinhole:
    """What a pinhole makes of a format; OutOfRange for a hole nobody makes."""
    asked = PinholeRequest(
        diameter_mm=optics.diameter_mm, distance_mm=optics.distance_mm, format_mm=format_mm
    )
    found = pinhole(asked)
    facts = [
        Fact(name="Its f-number", text=f"f/{found.f_number:.0f}"),
        Fact(name="It sees, corner to corner", text=f"{found.angle_deg:.0f}°"),
        Fact(name="The corners lose", text=f"{found.corner_stops:.1f} stops"),
        Fact(name="The edges of the long side lose", text=f"{found.edge_stops:.1f} stops"),
        *(
            Fact(name=AUTHORS[author], text=f"{best_mm:.3f} mm", beside=True)
            for author, best_mm in found.optimum_mm.items()
        ),
    ]
    caution = "Keep what matters out of the corners, or give it that much more."
    return SeenByPinhole(
        facts=tuple(facts), caution=caution if found.corner_stops > CORNERS_STOPS else ""
    )


def law_drawn(law: Law) -> LawDrawn:
    """A law as it is typed, from a tenth of a second to a quarter of an hour."""
    times = tuple(LAW_FROM_S * 10 ** (each / LAW_A_DECADE) for each in range(LAW_POINTS))
    points = reciprocity(ReciprocityRequest(law=law, metered_s=times)).results
    said = (
        f"{_about(each.metered_s)} {_about(each.corrected_s)}" for each in points[::LAW_A_DECADE]
    )
    return LawDrawn(
        points=points,
        metered=tuple(Tick(at_s=each, text=_about(each)) for each in METERED_TICKS),
        given=tuple(Tick(at_s=each, text=_about(each)) for each in GIVEN_TICKS),
        says=f"Metered and given: {', '.join(said)}",
    )


def _about(seconds: float) -> str:
    """A time to two digits, as an axis says it.

    >>> _about(0.1), _about(75.0), _about(5_400)
    ('0.1 s', '1.2 min', '1.5 h')
    """
    for unit, name in ((3_600, "h"), (60, "min")):
        if seconds >= unit:
            return f"{plain(float(f'{seconds / unit:.2g}'))} {name}"
    return f"{plain(float(f'{seconds:.2g}'))} s"
