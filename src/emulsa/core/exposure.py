"""The chain: readings → placement → filters → bellows → reciprocity → what the hands set.

Every step is a row of the ledger with its stops and the running time at the aperture that is set;
the rows sum to the result and nothing is rounded on the way. Reciprocity comes last, on the full
corrected time. Sources stand on the rows; the steps live in ``tones`` and ``corrections``.
"""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from typing import Annotated, Literal

from emulsa.core import exposure_advice
from emulsa.core.advice import Advice
from emulsa.core.corrections import filters as filtering
from emulsa.core.corrections import reciprocity
from emulsa.core.corrections.bellows import Focus, Infinity
from emulsa.core.corrections.filters import Filter
from emulsa.core.corrections.optics import (
    Lens,
    Optics,
    Pinhole,
    aperture_of,
    apertures,
    bellows_factor,
    mark_text,
)
from emulsa.core.corrections.pinhole import pinhole_f_number
from emulsa.core.corrections.reciprocity import Law
from emulsa.core.errors import Missing, Unsound
from emulsa.core.light import meters
from emulsa.core.light.exposure_value import at_speed, f_number_for, seconds_for
from emulsa.core.light.hand_time import stops_text, time_text
from emulsa.core.light.marks import ApertureMark, TimeMark, nearest, seconds
from emulsa.core.light.meters import Calibrated, Reading
from emulsa.core.limits import ExposureIndex, Id, Label, Length, Within, Zone, plain
from emulsa.core.setting import Setting, choose_time, error_stops
from emulsa.core.tones import development_number, textural_range
from emulsa.core.tones.placement import (
    Average,
    IncidentPair,
    Placement,
    anchor,
    camera_ev,
    fall,
    pair_range,
)
from emulsa.core.tones.zones import MIDDLE, ev_text, number_text, zone_text

DevelopmentNumber = Annotated[float, Within("N", -5, 5)]


@dataclass(frozen=True, kw_only=True, slots=True)
class SpotReading:
    """One reading with a name of its own."""

    id: Id
    label: Label = ""
    reading: Reading


@dataclass(frozen=True, kw_only=True, slots=True)
class High:
    """The important highlight and the zone it is meant for."""

    reading: Id
    zone: Zone = development_number.TARGET


@dataclass(frozen=True, kw_only=True, slots=True)
class ExposureRequest:
    """A scene as the camera sees it. ``n`` overrides the N that ``high`` asks for."""

    ei: ExposureIndex
    readings: Annotated[tuple[SpotReading, ...], Length("Readings", 1, 200)]
    placement: Placement
    high: High | None = None
    textural_range: tuple[Zone, Zone] = textural_range.TYPICAL
    filters: Annotated[tuple[Filter, ...], Length("Filters", 0, 12)] = ()
    optics: Optics
    focus: Focus = Infinity()
    solve_for: Literal["time", "aperture"] = "time"
    aperture: ApertureMark | None = None
    time: TimeMark | None = None
    law: Law
    meter: Calibrated = Calibrated()
    n: DevelopmentNumber | None = None

    def __post_init__(self) -> None:
        textural_range.check(*self.textural_range)
        ids = [each.id for each in self.readings]
        if len(set(ids)) < len(ids):
            raise Unsound("Two readings have the same id; each needs its own.", field="readings")


@dataclass(frozen=True, kw_only=True, slots=True)
class Fall:
    """Where a reading falls, where development carries it, and whether texture is lost there."""

    id: str
    zone: float
    lands: float
    ev100: float
    zone_text: str
    lands_text: str
    ev_text: str
    lost: Literal["", "shadow", "highlight"]


@dataclass(frozen=True, kw_only=True, slots=True)
class Row:
    """One line of the ledger: what, its stops, the running time, why, and the source's key."""

    step: Literal["meter", "placement", "filter", "bellows", "reciprocity", "set"]
    label: str
    stops: float
    time_s: float
    stops_text: str
    time_text: str
    why: str
    source: str


@dataclass(frozen=True, kw_only=True, slots=True)
class Equivalent:
    """The same exposure at another mark of the lens, and what rules it out."""

    aperture: str
    metered_s: float
    corrected_s: float
    text: str
    ruled_out_by: tuple[str, ...]


@dataclass(frozen=True, kw_only=True, slots=True)
class DevelopmentPlan:
    """N to the half, as planned, and the factor reciprocity asks on the developing time."""

    n: float
    n_text: str
    change: float


@dataclass(frozen=True, kw_only=True, slots=True)
class ExposureAnswer:
    """The whole exposure; numbers unrounded, words ready to show."""

    camera_ev: float
    range_stops: float
    n: float
    falls: tuple[Fall, ...]
    metered_s: float
    corrected_s: float
    set: Setting
    ledger: tuple[Row, ...]
    equivalents: tuple[Equivalent, ...]
    development: DevelopmentPlan
    advice: tuple[Advice, ...]


def exposure(request: ExposureRequest) -> ExposureAnswer:
    """The operation ``exposure``."""
    levels = {each.id: meters.ev100(each.reading, request.meter) for each in request.readings}
    placed_ev, zone = anchor(request.placement, levels)
    n = wanted_n(request, levels, placed_ev, zone)
    planned = request.n if request.n is not None else development_number.half_steps(n)
    target = request.high.zone if request.high else development_number.TARGET
    falls = falls_of(levels, (placed_ev, zone), (planned, target), request.textural_range)
    camera = at_speed(camera_ev(placed_ev, zone), request.ei)
    aperture, f_number = _aperture(request, camera)
    ledger = _ledger_to_film(request, placed_ev, zone, f_number)
    metered = ledger[-1].time_s
    corrected = reciprocity.corrected_s(request.law, metered)
    setting = _setting(request, metered, corrected, aperture, f_number)
    answer = ExposureAnswer(
        camera_ev=camera,
        range_stops=_range_stops(request.placement, levels),
        n=n,
        falls=falls,
        metered_s=metered,
        corrected_s=corrected,
        set=setting,
        ledger=(*ledger, _film_row(request.law, metered), _set_row(corrected, setting)),
        equivalents=_equivalents(request, metered, f_number),
        development=DevelopmentPlan(
            n=planned,
            n_text=development_number.n_text(planned),
            change=reciprocity.development_change(request.law, metered),
        ),
        advice=(),
    )
    return replace(answer, advice=exposure_advice.advise(request, answer))


def metered_at(request: ExposureRequest, aperture: str | float | None) -> float:
    """The time before reciprocity at an aperture other than the planned one, in seconds."""
    changed = replace(request, solve_for="time", aperture=aperture)
    levels = {each.id: meters.ev100(each.reading, request.meter) for each in request.readings}
    placed_ev, zone = anchor(request.placement, levels)
    camera = at_speed(camera_ev(placed_ev, zone), request.ei)
    _, f_number = _aperture(changed, camera)
    return seconds_for(camera, f_number) * 2 ** intensity_stops(request)


def intensity_stops(request: ExposureRequest) -> float:
    """Stops that filters and bellows cost together; their order does not matter."""
    through_filters = sum(filtering.stops(each) for each in request.filters)
    return through_filters + math.log2(bellows_factor(request.optics, request.focus))


def wanted_n(
    request: ExposureRequest, levels: dict[str, float], placed_ev: float, zone: float
) -> float:
    """N from the important highlight, from an incident pair's range, or normal; or as chosen."""
    if request.n is not None:
        return request.n
    if isinstance(request.placement, IncidentPair):
        return development_number.NORMAL_INCIDENT_RANGE - _range_stops(request.placement, levels)
    if request.high is None:
        return 0.0
    if request.high.reading not in levels:
        raise Missing(
            f"The important highlight “{request.high.reading}” is not among the readings.",
            field="high.reading",
        )
    falls_on = fall(levels[request.high.reading], placed_ev, zone)
    return development_number.development_number(request.high.zone, falls_on) + 0.0


def _range_stops(placement: Placement, levels: dict[str, float]) -> float:
    if isinstance(placement, IncidentPair):
        return pair_range(levels[placement.low], levels[placement.high])
    return max(levels.values()) - min(levels.values())


def falls_of(
    levels: dict[str, float],
    anchored: tuple[float, float],
    planned: tuple[float, float],
    keeps: tuple[float, float],
) -> tuple[Fall, ...]:
    """Where every reading falls and what development makes of it.

    ``anchored`` is the EV that is pinned and its zone, ``planned`` N and the highlight's target,
    ``keeps`` the textural range.
    """
    placed_ev, zone = anchored
    return tuple(
        _fall(reading, level, fall(level, placed_ev, zone), planned, keeps)
        for reading, level in levels.items()
    )


def _fall(
    reading: str,
    level: float,
    falls_on: float,
    planned: tuple[float, float],
    keeps: tuple[float, float],
) -> Fall:
    lands_on = development_number.lands(falls_on, *planned)
    return Fall(
        id=reading,
        zone=falls_on,
        lands=lands_on,
        ev100=level,
        zone_text=zone_text(falls_on),
        lands_text=zone_text(lands_on),
        ev_text=ev_text(level),
        lost=textural_range.lost(lands_on, *keeps),
    )


def _aperture(request: ExposureRequest, camera: float) -> tuple[str, float]:
    """The aperture as written and its f-number: given, solved for, or the pinhole's own."""
    optics = request.optics
    if isinstance(optics, Pinhole):
        if request.solve_for == "aperture":
            raise Unsound("A pinhole has one aperture; solve for the time.", field="solve_for")
        f_number = pinhole_f_number(optics.distance_mm, optics.diameter_mm)
        return mark_text(plain(round(f_number, 1))), f_number
    if request.solve_for == "time":
        if request.aperture is None:
            raise Missing("Choose an aperture on the lens.", field="aperture")
        return mark_text(request.aperture), aperture_of(optics, request.aperture)
    if request.time is None:
        raise Missing("Choose the time the aperture should be found for.", field="time")
    clock = seconds(request.time, optics.shutter.series)
    light = reciprocity.metered_s(request.law, clock) / 2 ** intensity_stops(request)
    wanted = f_number_for(camera, light)
    text, exact = nearest(wanted, apertures(optics, wanted, optics.aperture_series))
    return mark_text(text), exact


def _ledger_to_film(
    request: ExposureRequest, placed_ev: float, zone: float, f_number: float
) -> tuple[Row, ...]:
    """The rows up to the film: meter, placement, each filter, bellows."""
    start = seconds_for(at_speed(placed_ev, request.ei), f_number)
    rated = f"EV {ev_text(placed_ev)}"
    steps: list[tuple[Literal["meter", "placement", "filter", "bellows"], str, float, str, str]] = [
        (
            "meter",
            "Meter",
            0.0,
            f"{_anchor_name(request)}, {rated}, film at EI {plain(request.ei)}",
            "iso-2720",
        ),
        (
            "placement",
            f"Placed on {zone_text(zone)}",
            zone - MIDDLE,
            _placement_why(zone),
            "stroebel-materials",
        ),
    ]
    for each in request.filters:
        why = "metered through it" if each.metered_through else _filter_why(each)
        label = each.label or "Filter"
        steps.append(("filter", label, filtering.stops(each), why, "stroebel-materials"))
    factor = bellows_factor(request.optics, request.focus)
    if factor > 1:
        steps.append(
            ("bellows", "Bellows", math.log2(factor), f"factor {factor:.2f}", "stroebel-view")
        )
    rows: list[Row] = []
    for step, label, stops, why, source in steps:
        start *= 2**stops
        rows.append(_row(step, label, stops, start, why, source))
    return tuple(rows)


def _row(
    step: Literal["meter", "placement", "filter", "bellows", "reciprocity", "set"],
    label: str,
    stops: float,
    time_s: float,
    why: str,
    source: str,
) -> Row:
    return Row(
        step=step,
        label=label,
        stops=stops,
        time_s=time_s,
        stops_text="" if step == "meter" else stops_text(stops),
        time_text=time_text(time_s),
        why=why,
        source=source,
    )


def _anchor_name(request: ExposureRequest) -> str:
    placement = request.placement
    if isinstance(placement, (Average, IncidentPair)):
        ids: tuple[str, ...] = (placement.low, placement.high)
    else:
        ids = (placement.reading,)
    names = {each.id: each.label or "reading" for each in request.readings}
    return " and ".join(names[each] for each in ids)


def _placement_why(zone: float) -> str:
    shift = zone - MIDDLE
    if abs(shift) < 1e-9:
        return "the meter's own V"
    stops = f"{number_text(abs(shift))} stop" + ("s" if abs(shift) > 1 else "")
    return f"{stops} {'under' if shift < 0 else 'over'} the meter's V"


def _filter_why(each: Filter) -> str:
    if each.factor is not None:
        return f"factor ×{plain(each.factor)}"
    if each.density is not None:
        return f"density {plain(each.density)}"
    return f"{plain(each.stops or 0)} stops"


def _film_row(law: Law, metered: float) -> Row:
    corrected = reciprocity.corrected_s(law, metered)
    stops = math.log2(corrected / metered)
    why = {
        "none": "this film needs none",
        "power": f"reciprocity, exponent {plain(getattr(law, 'exponent', 1))}",
        "additive": "reciprocity, t + a·tᵇ",
        "table": "reciprocity, from the film's table",
        "stops": "reciprocity, from the film's table",
    }[law.kind]
    return _row("reciprocity", "Film in long light", stops, corrected, why, "schwarzschild-1900")


def _setting(
    request: ExposureRequest, metered: float, corrected: float, aperture: str, f_number: float
) -> Setting:
    means: Literal["shutter", "bulb", "aperture"]
    if request.solve_for == "aperture" and request.time is not None:
        assert isinstance(request.optics, Lens)
        clock = seconds(request.time, request.optics.shutter.series)
        text, means = time_text(clock), "aperture"
    else:
        text, clock, means = choose_time(corrected, request.optics)
    return Setting(
        text=text,
        seconds=clock,
        means=means,
        error_stops=error_stops(request.law, metered, clock),
        aperture=aperture,
        f_number=f_number,
    )


def _set_row(corrected: float, setting: Setting) -> Row:
    by = {"shutter": "the nearest mark", "bulb": "by the watch", "aperture": "as given"}
    stops = math.log2(setting.seconds / corrected)
    return _row("set", "Set", stops, setting.seconds, by[setting.means], "practice")


def _equivalents(
    request: ExposureRequest, metered: float, f_number: float
) -> tuple[Equivalent, ...]:
    if isinstance(request.optics, Pinhole):
        return ()
    pairs = []
    for text, exact in apertures(request.optics, f_number, "full"):
        at_mark = metered * (exact / f_number) ** 2
        corrected = reciprocity.corrected_s(request.law, at_mark)
        words, clock, means = choose_time(corrected, request.optics)
        off = error_stops(request.law, at_mark, clock)
        pairs.append(
            Equivalent(
                aperture=text,
                metered_s=at_mark,
                corrected_s=corrected,
                text=words,
                ruled_out_by=exposure_advice.ruled_out(request.law, at_mark, off, means),
            )
        )
    return tuple(pairs)
