"""What forms the image: a lens with its marks, or a pinhole."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache
from typing import Annotated, Literal

from emulsa.core.advice import Advice
from emulsa.core.corrections import bellows
from emulsa.core.corrections.bellows import Focus, Infinity
from emulsa.core.corrections.filters import factor_to_stops
from emulsa.core.corrections.pinhole import Diameter, PinholeDistance
from emulsa.core.errors import OutOfRange, Unsound
from emulsa.core.light.marks import (
    ApertureMark,
    Mark,
    Series,
    TimeMark,
    aperture_scale,
    f_number,
    seconds,
    time_scale,
)
from emulsa.core.limits import FocalLength, Within, plain

Pupil = Annotated[float, Within("The pupil magnification", 0.2, 5)]


@dataclass(frozen=True, kw_only=True, slots=True)
class Shutter:
    """A lens's own shutter: the marks from fastest to slowest; beyond them B or T and a watch."""

    fastest: TimeMark = "1/500"
    slowest: TimeMark = "1"
    series: Series = "full"


@dataclass(frozen=True, kw_only=True, slots=True)
class Lens:
    """A lens; ``widest`` and ``smallest`` bound its apertures when they are known."""

    kind: Literal["lens"] = "lens"
    focal_length_mm: FocalLength
    pupil_magnification: Pupil = 1.0
    telephoto: bool = False
    widest: ApertureMark | None = None
    smallest: ApertureMark | None = None
    aperture_series: Series = "third"
    shutter: Shutter = Shutter()


@dataclass(frozen=True, kw_only=True, slots=True)
class Pinhole:
    """A hole and its distance from the film."""

    kind: Literal["pinhole"] = "pinhole"
    diameter_mm: Diameter
    distance_mm: PinholeDistance


Optics = Lens | Pinhole


@dataclass(frozen=True, kw_only=True, slots=True)
class BellowsRequest:
    """A lens or pinhole and how it is focused."""

    optics: Optics
    focus: Focus = Infinity()


@dataclass(frozen=True, kw_only=True, slots=True)
class BellowsAnswer:
    """Magnification and what it costs."""

    magnification: float
    factor: float
    stops: float
    advice: tuple[Advice, ...]


def magnification(optics: Optics, focus: Focus) -> float:
    """m on the film; a pinhole has none to correct for, its N holds the distance."""
    if isinstance(optics, Pinhole):
        return 0.0
    return bellows.magnification(focus, optics.focal_length_mm)


def bellows_factor(optics: Optics, focus: Focus) -> float:
    """The exposure factor of the extension; 1 for a pinhole, always."""
    if isinstance(optics, Pinhole):
        return 1.0
    return bellows.factor(magnification(optics, focus), optics.pupil_magnification)


def aperture_of(lens: Lens, mark: str | float, field: str = "aperture") -> float:
    """The f-number of ``mark`` on this lens; OutOfRange when the lens does not open or close so."""
    value = f_number(mark, lens.aperture_series)
    widest = f_number(lens.widest, lens.aperture_series) if lens.widest is not None else 0.5
    smallest = f_number(lens.smallest, lens.aperture_series) if lens.smallest is not None else 2e3
    if not widest * 0.999 <= value <= smallest * 1.001:
        low, high = mark_text(lens.widest or 0.5), mark_text(lens.smallest or 2e3)
        raise OutOfRange(
            f"This lens has no {mark_text(mark)}: its apertures run from {low} to {high}.",
            field=field,
            allowed=[low, high],
        )
    return value


def apertures(lens: Lens, around: float, series: Series) -> tuple[Mark, ...]:
    """The lens's marks of a series, widest first; without limits three stops about ``around``."""
    low = f_number(lens.widest, lens.aperture_series) if lens.widest is not None else around / 2.9
    high = (
        f_number(lens.smallest, lens.aperture_series) if lens.smallest is not None else around * 2.9
    )
    return _between(aperture_scale(series), low, high)


@lru_cache(256)
def speeds(shutter: Shutter) -> tuple[Mark, ...]:
    """The marks of a shutter, fastest first; Unsound when it has none between its ends."""
    fastest, slowest = (
        seconds(mark, shutter.series) for mark in (shutter.fastest, shutter.slowest)
    )
    within = _between(time_scale(shutter.series), fastest, slowest)
    if not within:
        raise Unsound(
            "The shutter's fastest time must be shorter than its slowest.",
            field="optics.shutter.fastest",
        )
    return within


@lru_cache(256)
def _between(scale: tuple[Mark, ...], low: float, high: float) -> tuple[Mark, ...]:
    return tuple(mark for mark in scale if low * 0.999 <= mark[1] <= high * 1.001)


def mark_text(mark: str | float) -> str:
    """An aperture as written.

    >>> mark_text("22"), mark_text("f/8"), mark_text(138.0)
    ('f/22', 'f/8', 'f/138')
    """
    text = mark.strip() if isinstance(mark, str) else plain(mark)
    return "f/" + text.lstrip("fF").lstrip(" /")


def bellows_operation(request: BellowsRequest) -> BellowsAnswer:
    """The operation ``bellows``: magnification, factor and stops of a focus."""
    factor = bellows_factor(request.optics, request.focus)
    return BellowsAnswer(
        magnification=magnification(request.optics, request.focus),
        factor=factor,
        stops=factor_to_stops(factor),
        advice=focus_advice(request.optics, request.focus),
    )


def focus_advice(optics: Optics, focus: Focus) -> tuple[Advice, ...]:
    """What is doubtful about a focus statement."""
    if isinstance(optics, Pinhole) and not isinstance(focus, Infinity):
        text = "A pinhole takes no bellows correction: its f-number already holds the distance."
        return (Advice(code="bellows-on-pinhole", severity="note", text=text),)
    if isinstance(optics, Lens) and optics.telephoto and isinstance(focus, bellows.ByExtension):
        text = (
            "A telephoto stands closer to the film than its focal length:"
            " give the draw beyond infinity focus, not the whole extension."
        )
        return (Advice(code="extension-on-telephoto", severity="caution", text=text),)
    return ()
