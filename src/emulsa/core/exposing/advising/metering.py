"""Doubts about the readings themselves."""

from __future__ import annotations

import math
from collections.abc import Iterator

from emulsa.core.advice import Advice
from emulsa.core.exposing.answer import ExposureAnswer
from emulsa.core.exposing.request import ExposureRequest, SpotReading
from emulsa.core.light.meters import ESTIMATED, EvReading, IlluminanceReading, TimeReading
from emulsa.core.light.sky import SkyReading, estimated_doubt
from emulsa.core.numbers import plain
from emulsa.core.tones.placement import IncidentPair
from emulsa.core.tones.zones import ev_text
from emulsa.core.written import doubt_text

SAME_STOPS = 0.2  # EIs nearer than this to a whole step are that step
OLD_S = 600.0  # ten minutes: light on a landscape has moved (common practice, no source)
PAST_S = 43_200.0  # after half a day one is looking back, not working
NEAR_STOPS = 3.0  # a reading whose EV without its sign lies so near the others is doubtful


def advise(request: ExposureRequest, _: ExposureAnswer) -> Iterator[Advice]:
    yield from _sign(request)
    yield from _iso(request)
    yield from _sky(request)
    placement = request.placement
    if not isinstance(placement, IncidentPair):
        return
    pair = [each for each in request.readings if each.id in (placement.low, placement.high)]
    if not all(_is_incident(each) for each in pair):
        yield Advice(
            code="pair-of-spots",
            severity="caution",
            text="An incident pair adds 5 stops to the difference; spot readings hold the range"
            " already, so mark both as incident or place a spot instead.",
        )
    if steps_from_usual(request) == 1:
        yield Advice(
            code="pair-ei-twice",
            severity="caution",
            text=f"The incident pair already uses twice the EI; EI {plain(request.ei)} doubles it"
            " again, one stop under.",
        )


def steps_from_usual(request: ExposureRequest) -> int | None:
    """Whole stops the film is rated above (+) or below (−) its usual EI; nothing between steps."""
    if request.usual_ei is None:
        return None
    stops = math.log2(request.ei / request.usual_ei)
    return round(stops) if abs(stops - round(stops)) < SAME_STOPS else None


def _sign(request: ExposureRequest) -> Iterator[Advice]:
    for each in request.readings:
        reading = each.reading
        if not isinstance(reading, EvReading) or reading.ev >= -0.5:
            continue
        others = [
            other.reading.ev
            for other in request.readings
            if other.id != each.id and isinstance(other.reading, EvReading) and other.reading.ev > 0
        ]
        if others and min(abs(-reading.ev - other) for other in others) <= NEAR_STOPS:
            yield Advice(
                code="ev-sign",
                severity="caution",
                text=f"{upper(each.label or 'A reading')} is EV {ev_text(reading.ev)} beside"
                f" readings near {ev_text(-reading.ev)}: is its sign right?",
            )
            return


def _iso(request: ExposureRequest) -> Iterator[Advice]:
    isos = {
        each.reading.iso
        for each in request.readings
        if isinstance(each.reading, (EvReading, TimeReading))
    }
    if len(isos) > 1:
        listed = " and ".join(plain(iso) for iso in sorted(isos))
        yield Advice(
            code="iso-differs",
            severity="caution",
            text=f"These readings were taken at ISO {listed}: take them again if the meter was"
            " not really reset between them.",
        )


def _sky(request: ExposureRequest) -> Iterator[Advice]:
    told = [each.reading for each in request.readings if isinstance(each.reading, ESTIMATED)]
    if not told:
        return
    first = told[0]
    if isinstance(first, SkyReading) and first.leaflet_ev is not None:
        said = "the leaflet's for this sky"
    else:
        by = "the sky" if isinstance(first, SkyReading) else "where it comes from"
        doubt = estimated_doubt(first)
        said = f"told by {by}, {doubt_text(doubt)} {'stop' if doubt <= 1 else 'stops'}"
        if isinstance(first, SkyReading) and first.sun_altitude_deg is None:
            said += " for a subject lit from the front"
    text = f"The light is {said}; bracket what matters."
    yield Advice(code="sky-estimated", severity="note", text=text)


def _is_incident(reading: SpotReading) -> bool:
    return reading.incident or isinstance(reading.reading, IlluminanceReading)


def upper(text: str) -> str:
    """A name at the beginning of a sentence."""
    return text[:1].upper() + text[1:]


def aged(ages_s: dict[str, float], labels: dict[str, str]) -> tuple[Advice, ...]:
    """Whether a reading is older than ten minutes while one is still working.

    >>> [each.code for each in aged({"a": 700.0}, {"a": "frost"})]
    ['reading-old']
    """
    old = {each: age for each, age in ages_s.items() if OLD_S < age < PAST_S}
    if not old:
        return ()
    oldest = max(old, key=lambda each: old[each])
    return (
        Advice(
            code="reading-old",
            severity="caution",
            text=f"{upper(labels.get(oldest) or 'A reading')} was read"
            f" {old[oldest] / 60:.0f} minutes ago; read it again if the light has changed.",
        ),
    )


def age_text(ages_s: dict[str, float]) -> str:
    """How old the oldest reading is while one is working; nothing when one is looking back.

    >>> age_text({"a": 130.0}), age_text({"a": 1e6})
    ('readings 2 min old', '')
    """
    oldest = max(ages_s.values(), default=PAST_S)
    if not 0 <= oldest < PAST_S:
        return ""
    return f"readings {oldest // 60:.0f} min old" if oldest >= 60 else "readings just taken"
