"""Tones that fall outside what the film holds, and placements that count their safety twice."""

from __future__ import annotations

from collections.abc import Iterator

from emulsa.core.advice import Advice
from emulsa.core.exposing.advising.metering import steps_from_usual, upper
from emulsa.core.exposing.answer import ExposureAnswer, Fall
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.numbers import plain
from emulsa.core.rendering.own_film import knows
from emulsa.core.tones.placement import Placed
from emulsa.core.tones.textural_range import lost
from emulsa.core.tones.zones import zone_text

IV = 4.0
LEAST_N = 0.25  # less development than this is none (common practice)


def advise(request: ExposureRequest, answer: ExposureAnswer) -> Iterator[Advice]:
    low, high = request.textural_range
    tones = [fall for fall in answer.falls if not fall.incident]
    above = [fall for fall in tones if lost(fall.zone, low, high) == "highlight"]
    below = [fall for fall in tones if lost(fall.zone, low, high) == "shadow"]
    if above:
        brightest = max(above, key=lambda fall: fall.zone)
        text = (
            f"{_name(request, brightest)} falls on {brightest.zone_text}, past this film's"
            f" {zone_text(high)}{_outcome(brightest, answer)}"
        )
        yield Advice(code="highlight-beyond-range", severity="caution", text=text)
    if below:
        darkest = min(below, key=lambda fall: fall.zone)
        text = (
            f"{_name(request, darkest)} falls on {darkest.zone_text}, below this film's"
            f" {zone_text(low)}: no development brings its texture back."
        )
        yield Advice(code="shadow-below-range", severity="caution", text=text)
    own = request.own_film
    if own is not None and knows(own, answer.development.n):
        text = f"Print tones go by your film test “{own.title}”."
        yield Advice(code="own-film", severity="note", text=text)
    yield from _safety(request)


def _name(request: ExposureRequest, fall: Fall) -> str:
    label = next(each.label for each in request.readings if each.id == fall.id)
    return upper(label or f"EV {fall.ev_text}")


def _outcome(brightest: Fall, answer: ExposureAnswer) -> str:
    """What becomes of it; development brings it anywhere only where there is some."""
    if brightest.lost:
        return ": its texture is lost unless you contract, place it lower or hold it back."
    if abs(answer.development.n) < LEAST_N - 1e-9:
        return "."
    return f": {answer.development.n_text} brings it to {brightest.lands_text}."


def _safety(request: ExposureRequest) -> Iterator[Advice]:
    placed = request.placement
    if not isinstance(placed, Placed) or placed.school != "shadow" or placed.zone != IV:
        return
    steps = steps_from_usual(request)
    if steps == 1:
        yield Advice(
            code="safety-same",
            severity="note",
            text=f"IV at EI {plain(request.ei)} is the same exposure as III at EI"
            f" {plain(request.ei / 2)}.",
        )
    if steps == -1:
        yield Advice(
            code="safety-counted-twice",
            severity="caution",
            text=f"IV and half the EI are the same safety counted twice: one stop more than III at"
            f" EI {plain(request.ei)}.",
        )
