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
    ApertureSeries,
    Mark,
    MarkText,
    Series,
    TimeMark,
    aperture_scale,
    f_number,
    mark_text,
    seconds,
    time_scale,
)
from emulsa.core.limits import FocalLength, Length, Seconds, Within
from emulsa.core.numbers import plain

LARGEST_SHUTTER_ERROR = 4.0  # a shutter two stops off is broken or mistyped (common practice)


Pupil = Annotated[float, Within("The pupil magnification", 0.2, 5)]


@dataclass(frozen=True, kw_only=True, slots=True)
class MeasuredSpeed:
    """A mark of the shutter and the time it really gives."""

    mark: MarkText
    seconds: Seconds


@dataclass(frozen=True, kw_only=True, slots=True)
class Shutter:
    """A lens's own shutter: the marks from fastest to slowest; beyond them B or T and a watch.

    ``measured`` holds marks and the seconds a tester found for them, which then count. Without
    ``by_hand`` (B or T) nothing longer than the slowest mark can be given.
    """

    fastest: TimeMark = "1/500"
    slowest: TimeMark = "1"
    series: Series = "full"
    by_hand: Literal["B", "T", "B and T", "none"] = "B and T"
    measured: Annotated[tuple[MeasuredSpeed, ...], Length("Measured speeds", 0, 40)] = ()


@dataclass(frozen=True, kw_only=True, slots=True)
class Lens:
    """A lens; ``widest`` and ``smallest`` bound its apertures when they are known."""

    kind: Literal["lens"] = "lens"
    focal_length_mm: FocalLength
    pupil_magnification: Pupil = 1.0
    telephoto: bool = False
    widest: ApertureMark | None = None
    smallest: ApertureMark | None = None
    aperture_series: ApertureSeries = "third"
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


def magnification(optics: Optics, focus: Focus | None) -> float:
    """m on the film, none where no focus is said; a pinhole has none to correct for, its N holds
    the distance."""
    if isinstance(optics, Pinhole) or focus is None:
        return 0.0
    return bellows.magnification(focus, optics.focal_length_mm)


def bellows_factor(optics: Optics, focus: Focus | None) -> float:
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


def apertures(lens: Lens, around: float, series: ApertureSeries) -> tuple[Mark, ...]:
    """The lens's marks of a series, widest first; without limits three stops about ``around``."""
    low = f_number(lens.widest, lens.aperture_series) if lens.widest is not None else around / 2.9
    high = (
        f_number(lens.smallest, lens.aperture_series) if lens.smallest is not None else around * 2.9
    )
    return _between(aperture_scale(series), low, high)


@lru_cache(256)
def speeds(shutter: Shutter) -> tuple[Mark, ...]:
    """The marks of a shutter with the times they give, measured where they were, fastest first.

    Unsound when it has no mark between its ends, a measured mark it does not have, or one measured
    more than two stops off, which is a slip.

    >>> dict(speeds(Shutter(measured=(MeasuredSpeed(mark="1/60", seconds=1 / 48),))))["1/60"]
    0.020833333333333332
    """
    fastest, slowest = (
        seconds(mark, shutter.series) for mark in (shutter.fastest, shutter.slowest)
    )
    within = _between(time_scale(shutter.series), fastest, slowest)
    if not within:
        raise Unsound(
            "The shutter's fastest time must be shorter than its slowest.",
            field="optics.shutter.fastest",
        )
    return _measured(within, shutter.measured)


def _measured(within: tuple[Mark, ...], found: tuple[MeasuredSpeed, ...]) -> tuple[Mark, ...]:
    times = dict(within)
    for place, each in enumerate(found):
        field = f"optics.shutter.measured.{place}"
        if each.mark not in times:
            raise Unsound(
                f"This shutter has no mark {each.mark}; it has {', '.join(times)}.", field=field
            )
        exact = dict(within)[each.mark]
        if not exact / LARGEST_SHUTTER_ERROR <= each.seconds <= exact * LARGEST_SHUTTER_ERROR:
            raise Unsound(
                f"{each.mark} measured as {plain(each.seconds)} s is more than two stops off;"
                " check the mark and the unit (seconds).",
                field=field,
            )
        times[each.mark] = each.seconds
    rising = tuple(sorted(times.items(), key=lambda mark: mark[1]))
    if [mark for mark, _ in rising] != [mark for mark, _ in within]:
        raise Unsound("Measured times must rise with their marks.", field="optics.shutter.measured")
    return rising


@lru_cache(256)
def _between(scale: tuple[Mark, ...], low: float, high: float) -> tuple[Mark, ...]:
    return tuple(mark for mark in scale if low * 0.999 <= mark[1] <= high * 1.001)


def bellows_operation(request: BellowsRequest) -> BellowsAnswer:
    """The operation ``bellows``: magnification, factor and stops of a focus."""
    factor = bellows_factor(request.optics, request.focus)
    return BellowsAnswer(
        magnification=magnification(request.optics, request.focus),
        factor=factor,
        stops=factor_to_stops(factor),
        advice=focus_advice(request.optics, request.focus),
    )


def focus_advice(optics: Optics, focus: Focus | None) -> tuple[Advice, ...]:
    """What is doubtful about a focus statement."""
    if isinstance(optics, Pinhole) and focus is not None and not isinstance(focus, Infinity):
        text = "A pinhole takes no bellows correction: its f-number already holds the distance."
        return (Advice(code="bellows-on-pinhole", severity="note", text=text),)
    if isinstance(optics, Lens) and optics.telephoto and isinstance(focus, bellows.ByExtension):
        text = (
            "A telephoto stands closer to the film than its focal length:"
            " give the draw beyond infinity focus, not the whole extension."
        )
        return (Advice(code="extension-on-telephoto", severity="caution", text=text),)
    return ()
