"""Doubts about N."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from emulsa.core.advice import Advice
from emulsa.core.corrections.film_kinds import has_n
from emulsa.core.exposing.answer import ExposureAnswer
from emulsa.core.exposing.deciding import decision, ei_by_thumb
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.numbers import plain
from emulsa.core.tones.development_number import half_steps, n_text

WORTH_ASKING = 0.5  # N: less is not asked about
DEVELOPMENT_ALONE = 2.0  # beyond N±2 development alone rarely does it (common practice)


def advise(request: ExposureRequest, answer: ExposureAnswer) -> Iterator[Advice]:
    if not has_n(request.film_kind):
        return
    plan = answer.development
    if abs(plan.n) > DEVELOPMENT_ALONE:
        text = (
            f"{plan.n_text} is more than development alone does well;"
            " think of another placement, a filter or another light."
        )
        yield Advice(code="development-extreme", severity="caution", text=text)
    yield from _who_decides(request, answer)
    yield from _by_thumb(request, plan.n)
    asked = decision(replace(request, n=None)).n
    if request.n is not None and plan.n * asked < 0 and abs(asked) >= 1:
        more = "contraction" if asked < 0 else "expansion"
        yield Advice(
            code="n-sign",
            severity="warning",
            text=f"This range asks for {more}, {n_text(round(asked * 2) / 2)}, and {plan.n_text}"
            " is chosen: a range above normal takes N−, one below it N+.",
        )


def _who_decides(request: ExposureRequest, answer: ExposureAnswer) -> Iterator[Advice]:
    """Who decides N where nobody marked a highlight, and what a mark would make of it."""
    if_marked = answer.n_if_marked
    if if_marked is None:
        return
    brightest = decision(request).reading
    name = next((each.label for each in request.readings if each.id == brightest), "")
    if if_marked >= WORTH_ASKING - 1e-9 and _above_placed(answer, brightest):
        text = f"Mark the highlight for {n_text(half_steps(if_marked))}."
        yield Advice(code="mark-highlight", severity="note", text=text)
    elif if_marked <= -WORTH_ASKING + 1e-9:
        text = (
            f"{answer.development.n_text} goes by {name or 'the brightest reading'}, the brightest;"
            " mark the highlight if another one matters."
        )
        yield Advice(code="n-by-brightest", severity="note", text=text)


def _above_placed(answer: ExposureAnswer, brightest: str | None) -> bool:
    """Whether the brightest reading is not the darkest of all: a shadow is no highlight."""
    zones = [each.zone for each in answer.falls if not each.incident]
    own = next(each.zone for each in answer.falls if each.id == brightest)
    return own > min(zones) + 1e-9


def _by_thumb(request: ExposureRequest, n: float) -> Iterator[Advice]:
    usual = ei_by_thumb(request, n)
    if usual is None:
        return
    text = (
        f"{n_text(n)} usually wants EI {plain(usual)}: less development costs speed."
        " Your recipe says nothing of it."
    )
    yield Advice(code="ei-by-thumb", severity="note", text=text)
