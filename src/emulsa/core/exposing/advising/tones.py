"""Tones that fall outside what the film holds, and placements that count their safety twice."""

from __future__ import annotations

from collections.abc import Iterator

from emulsa.core.advice import Advice
from emulsa.core.corrections.film_kinds import has_n, row_of
from emulsa.core.corrections.pre_exposure import raised
from emulsa.core.exposing.advising.metering import steps_from_usual, upper
from emulsa.core.exposing.answer import ExposureAnswer, Fall
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.numbers import plain
from emulsa.core.rendering.own_film import knows
from emulsa.core.tones.development_number import n_text
from emulsa.core.tones.placement import Placed
from emulsa.core.tones.textural_range import lost
from emulsa.core.tones.zones import MIDDLE, zone_text
from emulsa.core.written import size_words

IV = 4.0
LEAST_N = 0.25  # less development than this is none (common practice)


def advise(request: ExposureRequest, answer: ExposureAnswer) -> Iterator[Advice]:
    low, high = request.keeps
    tones = [fall for fall in answer.falls if not fall.incident]
    above = [fall for fall in tones if lost(fall.zone, low, high) == "highlight"]
    below = [fall for fall in tones if lost(fall.zone, low, high) == "shadow"]
    if above:
        brightest = max(above, key=lambda fall: fall.zone)
        text = (
            f"{_name(request, brightest)} falls on {brightest.zone_text}, past this film's"
            f" {zone_text(high)}{_outcome(request, brightest, answer)}"
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
    yield from _kind(request, answer, tones)
    yield from _pre_exposed(request)
    yield from _safety(request)


def _kind(request: ExposureRequest, answer: ExposureAnswer, tones: list[Fall]) -> Iterator[Advice]:
    """What a kind of film does not bear: a range, an N, a placement by its thin end."""
    row = row_of(request.film_kind)
    if row is None:
        return
    apart = max((fall.zone for fall in tones), default=0) - min(
        (fall.zone for fall in tones), default=0
    )
    if apart > row.texture_stops + 1e-9:
        text = (
            f"These tones lie {size_words(apart)} apart, and {row.name} film usually holds"
            f" {size_words(row.texture_stops)}."
        )
        yield Advice(code="kind-range", severity="caution", text=text)
    low, high = row.n_range
    n = answer.development.n
    if row.n and not low - 1e-9 <= n <= high + 1e-9:
        text = (
            f"{n_text(n)} is more than {row.name} film usually gives: {n_text(low)} to"
            f" {n_text(high)}."
        )
        yield Advice(code="kind-range", severity="caution", text=text)
    placed = request.placement
    if row.place == "highlight" and isinstance(placed, Placed) and placed.school == "shadow":
        text = (
            f"{upper(row.name)} film keeps no texture in clear film: place the highlight, and let"
            " the shadows fall."
        )
        yield Advice(code="kind-place", severity="note", text=text)


def _pre_exposed(request: ExposureRequest) -> Iterator[Advice]:
    """The exposure that goes before, and what it does to a dark tone."""
    pre = request.pre_exposure_zone
    if pre is None:
        return
    under = size_words(MIDDLE - pre)
    text = (
        f"First an even card, out of focus at infinity, on Zone {zone_text(pre)}: {under} less than"
        f" its reading. It lifts II to {zone_text(raised(2.0, pre))} and III to"
        f" {zone_text(raised(3.0, pre))}; highlights hardly move."
    )
    yield Advice(code="pre-exposed", severity="note", text=text)


def _name(request: ExposureRequest, fall: Fall) -> str:
    label = next(each.label for each in request.readings if each.id == fall.id)
    return upper(label or f"EV {fall.ev_text}")


def _outcome(request: ExposureRequest, brightest: Fall, answer: ExposureAnswer) -> str:
    """What becomes of it; development brings it anywhere only where there is some."""
    if brightest.lost:
        contract = "contract, " if has_n(request.film_kind) else ""
        return f": its texture is lost unless you {contract}place it lower or hold it back."
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
