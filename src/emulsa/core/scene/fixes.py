"""What one touch would put right, or undo, of what was decided for a scene: each a few edits."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace

from emulsa.core.development.ratings import RATING_WORDS, RatingReason
from emulsa.core.exposing.answer import ExposureAnswer
from emulsa.core.exposing.deciding import decision, ei_by_thumb, ei_for, has_own_ei
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.numbers import plain
from emulsa.core.scene.changes import Edit, KeepEi, MarkHigh, Rate
from emulsa.core.scene.plan import ei_by_n, high
from emulsa.core.scene.record import Scene, SceneKit
from emulsa.core.tones.development_number import n_text

REASONS: tuple[RatingReason, ...] = ("index", "filter", "safety", "push_pull")
SAME_EI = 1e-6


@dataclass(frozen=True, kw_only=True, slots=True)
class Fix:
    """``about`` is the advice's code, or the ledger's step, it stands beside; ``label`` the word to
    touch."""

    about: str
    label: str
    edits: tuple[Edit, ...]


def fixes_of(
    scene: Scene, kit: SceneKit, request: ExposureRequest, answer: ExposureAnswer
) -> tuple[Fix, ...]:
    """Everything that can be taken up or undone at a touch."""
    return (
        *_highlight(scene, kit, request),
        *_ei(scene, kit, request, answer),
        *_reasons(scene, request),
    )


def _highlight(scene: Scene, kit: SceneKit, request: ExposureRequest) -> Iterator[Fix]:
    wanted = decision(request)
    if wanted.if_marked is None or wanted.reading is None:
        return
    name = next((each.label for each in scene.readings if each.id == wanted.reading), "")
    mark = MarkHigh(reading=wanted.reading, zone=high(scene, kit).zone)
    for code in ("mark-highlight", "n-by-brightest"):
        yield Fix(about=code, label=f"Mark {name or 'it'}", edits=(mark,))


def _ei(
    scene: Scene, kit: SceneKit, request: ExposureRequest, answer: ExposureAnswer
) -> Iterator[Fix]:
    if abs(answer.ei - request.ei) > SAME_EI:
        label = f"Keep EI {plain(request.ei)}"
        yield Fix(about="ei", label=label, edits=(KeepEi(keep=True),))
    n = answer.development.n
    if scene.keep_ei and not has_own_ei(request):
        points = ei_by_n(replace(scene, keep_ei=False), kit)
        own = ei_for(replace(request, ei_by_n=points), n)
        if kit.habits.ei_by_n and abs(own - request.ei) > SAME_EI:
            label = f"Expose {n_text(n)} at EI {plain(round(own, 1))}"
            yield Fix(about="placement", label=label, edits=(KeepEi(keep=False),))
    usual = ei_by_thumb(request, n)
    if usual is not None:
        edits = (Rate(exposure_index=usual, reason="index"),)
        yield Fix(about="ei-by-thumb", label=f"Rate it EI {plain(usual)}", edits=edits)


def _reasons(scene: Scene, request: ExposureRequest) -> Iterator[Fix]:
    if not has_own_ei(request) or scene.rating_reason is not None:
        return
    for reason in REASONS:
        edits = (Rate(exposure_index=request.ei, reason=reason),)
        yield Fix(about="rating-reason", label=RATING_WORDS[reason], edits=edits)
