"""The ledger: every step as a row with its stops and the running time."""

from __future__ import annotations

import math
from dataclasses import replace

from emulsa.core.corrections import filters as filtering
from emulsa.core.corrections import reciprocity
from emulsa.core.corrections.film_kinds import has_n, light_stops, no_n_words, row_of
from emulsa.core.corrections.filters import Counted
from emulsa.core.corrections.optics import Lens, Optics, bellows_factor, speeds
from emulsa.core.corrections.reciprocity import Law, NoFailure
from emulsa.core.exposing.answer import Row, Step
from emulsa.core.exposing.deciding import Decided
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.exposing.setting import Setting
from emulsa.core.exposing.sharing import Share
from emulsa.core.light.exposure_value import at_speed, seconds_for
from emulsa.core.light.hand_time import time_text
from emulsa.core.numbers import plain
from emulsa.core.tones import development_number
from emulsa.core.tones.development_number import n_text
from emulsa.core.tones.placement import Average, IncidentPair
from emulsa.core.tones.zones import MIDDLE, ev_text, zone_text
from emulsa.core.written import size_words, stops_text

SAME_EI_STOPS = 1e-9


def to_film(
    request: ExposureRequest,
    anchored: tuple[float, float],
    planned: tuple[float, float],
    f_number: float,
) -> tuple[Row, ...]:
    """The rows up to the film: meter, placement, the index of N, each filter, bellows.

    ``anchored`` is the EV that is pinned and its zone, ``planned`` N and the index it is made at.
    """
    (placed_ev, zone), (n, ei) = anchored, planned
    start = seconds_for(at_speed(placed_ev, request.ei), f_number)
    rated = f"EV {ev_text(placed_ev)}"
    steps: list[tuple[Step, str, float, str, str]] = [
        (
            "meter",
            "Meter",
            0.0,
            f"{_anchor_name(request)}, {rated}{_through(request)}, film at EI {plain(request.ei)}",
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
    if abs(math.log2(request.ei / ei)) > SAME_EI_STOPS:
        label = f"{n_text(n)} at EI {plain(round(ei, 1))}"
        speed = "slower" if ei < request.ei else "faster"
        why = f"{'less' if n < 0 else 'more'} development, {speed} film"
        steps.append(("ei", label, math.log2(request.ei / ei), why, "stroebel-materials"))
    warm = light_stops(request.film_kind, request.light)
    if warm:
        row = row_of(request.film_kind)
        why = f"{row.name if row else ''} film sees less of warm light, typical"
        steps.append(("light", "Warm light", warm, why, "practice"))
    for counted in filtering.count(request.stack, request.light):
        label = counted.filter.label or "Filter"
        why = _filter_why(counted, request)
        steps.append(("filter", label, counted.stops, why, "stroebel-materials"))
    factor = bellows_factor(request.optics, request.focus)
    if factor > 1:
        steps.append(
            ("bellows", "Bellows", math.log2(factor), f"factor {factor:.2f}", "stroebel-view")
        )
    if request.bracket_stops:
        why = "this frame's place in its bracket"
        steps.append(("bracket", "Bracket", request.bracket_stops, why, "practice"))
    if request.share.of_light != 1:
        why = "one of several scenes on this film, each its part of the light"
        steps.append(("share", _share_label(request.share), _stops(request.share), why, "practice"))
    rows: list[Row] = []
    for step, label, stops, why, source in steps:
        start *= 2**stops
        rows.append(_row(step, label, stops, start, why, source))
    return tuple(rows)


def _row(
    step: Step,
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


def _anchors(request: ExposureRequest) -> tuple[str, ...]:
    placement = request.placement
    if isinstance(placement, (Average, IncidentPair)):
        return placement.low, placement.high
    return (placement.reading,)


def _through(request: ExposureRequest) -> str:
    """Said when what was metered through the filters is given back its stops."""
    ids = _anchors(request)
    if not any(each.through for each in request.readings if each.id in ids):
        return ""
    taken = filtering.total_stops(request.stack, request.light)
    if taken:
        return f" (read through the filters, {size_words(taken)} given back)"
    return ""


def _anchor_name(request: ExposureRequest) -> str:
    ids = _anchors(request)
    names = {each.id: each.label or "reading" for each in request.readings}
    return " and ".join(names[each] for each in ids)


def _placement_why(zone: float) -> str:
    shift = zone - MIDDLE
    if abs(shift) < 1e-9:
        return "the meter's own V"
    return f"{size_words(shift)} {'under' if shift < 0 else 'over'} the meter's V"


def _filter_why(counted: Counted, request: ExposureRequest) -> str:
    each = counted.filter
    if each.metered_through:
        return "metered through it"
    if each.type == "graduated":
        under = sum(reading.graduated for reading in request.readings)
        readings = f"{under} reading" + ("" if under == 1 else "s")
        return f"holds back {readings} by {size_words(filtering.strength(each))}"
    if counted.outdone:
        return "a deeper filter of its family counts"
    row = row_of(request.film_kind)
    if each.usual and row is not None and each.colour:
        warm = request.light == "tungsten" and each.tungsten_factor is not None
        factor = each.tungsten_factor if warm else each.factor
        return f"usual ×{plain(factor or 1)} on {row.name} film; its maker's wins"
    if request.light == "tungsten" and each.tungsten_factor is not None:
        return f"factor ×{plain(each.tungsten_factor)} in tungsten light"
    if each.factor is not None:
        return f"factor ×{plain(each.factor)}"
    if each.density is not None:
        return f"density {plain(each.density)}"
    return f"{plain(each.stops or 0)} stops"


def film_rows(request: ExposureRequest, metered: float) -> tuple[Row, ...]:
    """What the film asks of a long time, and the part of it that one opening gives."""
    law, share = request.law, request.share
    corrected = reciprocity.corrected_s(law, metered)
    stops = math.log2(corrected / metered)
    row = _row(
        "reciprocity",
        "Reciprocity",
        stops,
        corrected,
        _film_why(law, metered),
        "schwarzschild-1900",
    )
    if share.of_time == 1:
        return (row,)
    why = "openings of one scene are one exposure: each its part of the whole time"
    part = _row(
        "share", _share_label(share), _stops(share), share.of_time * corrected, why, "practice"
    )
    return row, part


def _film_why(law: Law, metered: float) -> str:
    if isinstance(law, NoFailure):
        if law.unknown:
            return "not known for this film"
        if reciprocity.extrapolated(law, metered):
            return f"this film's data end at {time_text(law.until_s)}; not corrected"
        return "this film needs none"
    return {
        "power": f"exponent {plain(getattr(law, 'exponent', 1))}",
        "additive": "t + a·tᵇ",
        "table": "from the film's table",
        "stops": "from the film's table",
    }[law.kind]


def _share_label(share: Share) -> str:
    return f"{plain(round(100 * share.part, 1))} % of it"


def _stops(share: Share) -> float:
    return math.log2(share.part)


def n_why(request: ExposureRequest, wanted: Decided, planned: float) -> str:
    """Who decides N, in a sentence."""
    names = {each.id: each.label or "a reading" for each in request.readings}
    if not has_n(request.film_kind):
        return no_n_words(request.film_kind)
    n = n_text(planned)
    if wanted.by == "chosen":
        return f"{n} as you chose"
    if wanted.by == "pair":
        return f"{n} by the range between the two readings of the light"
    if wanted.by == "none" or wanted.reading is None:
        return f"{n}: no highlight is marked" if wanted.if_marked is not None else n
    target = zone_text(request.high.zone if request.high else development_number.TARGET)
    if wanted.by == "marked":
        return f"{n} brings {names[wanted.reading]}, your highlight, to {target}"
    return f"{n} brings {names[wanted.reading]}, the brightest reading, to {target}"


def set_row(corrected: float, setting: Setting, optics: Optics) -> Row:
    by = {"shutter": "the nearest mark", "bulb": "hand-timed", "aperture": "as given"}
    why = by[setting.means]
    if setting.means == "shutter" and isinstance(optics, Lens):
        engraved = replace(optics.shutter, measured=())
        mark = setting.text.removesuffix(" s")
        if dict(speeds(engraved))[mark] != setting.seconds:
            why = f"marked {mark}, measured {time_text(setting.seconds)}"
    stops = math.log2(setting.seconds / corrected)
    return _row("set", "Set", stops, setting.seconds, why, "practice")
