"""Doubts about N."""

from __future__ import annotations

from collections.abc import Iterator

from emulsa.core.advice import Advice
from emulsa.core.exposing.answer import ExposureAnswer
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.tones.development_number import n_text

DEVELOPMENT_ALONE = 2.0  # beyond N±2 development alone rarely does it (common practice)


def advise(request: ExposureRequest, answer: ExposureAnswer) -> Iterator[Advice]:
    plan = answer.development
    if abs(plan.n) > DEVELOPMENT_ALONE:
        text = (
            f"{plan.n_text} is more than development alone does well;"
            " think of another placement, a filter or another light."
        )
        yield Advice(code="development-extreme", severity="caution", text=text)
    asked = _asked(request, answer)
    if request.n is not None and asked is not None and plan.n * asked < 0 and abs(asked) >= 1:
        more = "contraction" if asked < 0 else "expansion"
        yield Advice(
            code="n-sign",
            severity="warning",
            text=f"This range asks for {more}, {n_text(round(asked * 2) / 2)}, and {plan.n_text}"
            " is chosen: a range above normal takes N−, one below it N+.",
        )


def _asked(request: ExposureRequest, answer: ExposureAnswer) -> float | None:
    """The N the important highlight asks for, whatever was chosen."""
    if request.high is None:
        return None
    falls = {each.id: each.zone for each in answer.falls}
    return (
        request.high.zone - falls[request.high.reading] if request.high.reading in falls else None
    )
