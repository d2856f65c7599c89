"""Filters counted twice, stacked in vain, or moving a colour the meter did not see them move."""

from __future__ import annotations

import math
from collections.abc import Iterator

from emulsa.core.advice import Advice
from emulsa.core.corrections.filters import Counted, Filter, count, factor_to_stops, strength
from emulsa.core.data.contrast import (
    FAMILIES,
    SHADES,
    SHIFTS,
    SUBJECTS,
    WORTH_SAYING_STOPS,
    subject_of,
)
from emulsa.core.exposing.advising.metering import SAME_STOPS, upper
from emulsa.core.exposing.answer import ExposureAnswer
from emulsa.core.exposing.request import ExposureRequest, SpotReading
from emulsa.core.numbers import plain
from emulsa.core.tones.zones import zone_text
from emulsa.core.written import size_words

DEEPEST_COLOUR_STOPS = 5.0  # no contrast filter is deeper: a factor of 32 (common practice)


def advise(request: ExposureRequest, answer: ExposureAnswer) -> Iterator[Advice]:
    stack = count(request.stack, request.light)
    yield from _twice(request, sum(each.stops for each in stack))
    yield from _stack(request, stack)
    yield from _doubtful(request)
    yield from _graduated(request)
    yield from _contrast(request, answer, stack)


def _twice(request: ExposureRequest, taken: float) -> Iterator[Advice]:
    through = any(each.through for each in request.readings)
    if through and any(each.metered_through for each in request.filters):
        yield Advice(
            code="filter-counted-twice",
            severity="warning",
            text="Both the readings and the filter are marked as metered through it;"
            " keep one of the two marks.",
        )
        return
    if request.usual_ei is None or taken < 0.5:
        return
    lowered = factor_to_stops(max(request.usual_ei / request.ei, 1))
    if abs(lowered - taken) < SAME_STOPS:
        yield Advice(
            code="filter-counted-twice",
            severity="warning",
            text=f"EI {plain(request.ei)} instead of {plain(request.usual_ei)} already gives the"
            f" {size_words(taken)} of the filter, and the filter's row adds them again.",
        )


def _stack(request: ExposureRequest, stack: tuple[Counted, ...]) -> Iterator[Advice]:
    outdone = [each for each in stack if each.outdone]
    if outdone:
        name = outdone[0].filter.label or outdone[0].filter.colour
        yield Advice(
            code="same-family",
            severity="caution",
            text=f"{upper(name)} adds nothing behind a deeper filter of its family;"
            " only the deeper one is counted, take the other off.",
        )
    families = {FAMILIES[each.filter.colour]: each for each in stack if each.filter.colour}
    if len(families) > 1:
        names = " and ".join(
            each.filter.label or each.filter.colour.replace("_", "-") for each in families.values()
        )
        yield Advice(
            code="families-crossed",
            severity="warning",
            text=f"{upper(names)} together let hardly any light in common through: their factors do"
            " not multiply, and the sum is far too short. Take one off, or meter through both.",
        )
    polarisers = [each for each in request.filters if each.type == "polariser"]
    if len(polarisers) > 1:
        yield Advice(
            code="polarisers-stacked",
            severity="warning",
            text="Two polarisers shut out anything from 1 stop to all light, by their angle;"
            " meter through both or take one off.",
        )
    elif polarisers and not polarisers[0].metered_through:
        yield Advice(
            code="polariser-sky",
            severity="note",
            text="The polariser's factor stays as it is though the sky darkens;"
            " read the sky through it to see where it falls.",
        )


def _doubtful(request: ExposureRequest) -> Iterator[Advice]:
    for each in request.stack:
        stops = strength(each, request.light)
        if each.colour and stops >= DEEPEST_COLOUR_STOPS:
            said = plain(round(stops, 1))
            yield Advice(
                code="factor-or-stops",
                severity="caution",
                text=f"{upper(each.label or each.colour)} at {said} stops is a factor of"
                f" {2**stops:.0f}: if {said} is its factor, it costs"
                f" {size_words(math.log2(stops))}.",
            )


def _graduated(request: ExposureRequest) -> Iterator[Advice]:
    there = any(each.type == "graduated" for each in request.filters)
    under = any(each.graduated for each in request.readings)
    if there != under:
        text = (
            "Mark the readings that lie under the graduated filter; it holds back only those."
            if there
            else "Readings are marked as under a graduated filter, and none is chosen."
        )
        yield Advice(code="graduated-idle", severity="note", text=text)


def _contrast(
    request: ExposureRequest, answer: ExposureAnswer, stack: tuple[Counted, ...]
) -> Iterator[Advice]:
    counted = [
        each.filter
        for each in stack
        if each.filter.colour and not each.outdone and not each.filter.metered_through
    ]
    if not counted:
        return
    falls = {each.id: each.lands for each in answer.falls}
    said: set[str] = set()
    for filter_ in counted:
        for reading in request.readings:
            subject = subject_of(reading.label, reading.subject)
            if reading.through or reading.incident or not subject or subject in said:
                continue
            advice = _moved(filter_, reading, subject, falls[reading.id])
            if advice is not None:
                said.add(subject)
                yield advice


def _moved(filter_: Filter, reading: SpotReading, subject: str, zone: float) -> Advice | None:
    shift = SHIFTS[SHADES[filter_.colour]].get(subject, 0.0)
    if abs(shift) < WORTH_SAYING_STOPS:
        return None
    way = "darkens" if shift < 0 else "lightens"
    size = size_words(round(shift * 3) / 3)
    return Advice(
        code="contrast-shift",
        severity="note",
        text=f"{upper(filter_.label or filter_.colour)} {way} {SUBJECTS[subject]} by about {size}"
        f" more than the meter saw: read {reading.label or 'it'} through the filter, or expect"
        f" it near {zone_text(max(0, min(10, zone + shift)))}.",
    )
