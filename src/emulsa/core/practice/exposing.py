"""The exposure of a practised scene: from what was read, decided and set to what is judged."""

from __future__ import annotations

from dataclasses import dataclass, replace

from emulsa.core.corrections.optics import Pinhole
from emulsa.core.corrections.pinhole import pinhole_f_number
from emulsa.core.errors import Missing
from emulsa.core.exposing.answer import ExposureAnswer, Fall
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.light.marks import ApertureMark, mark_text
from emulsa.core.limits import Seconds
from emulsa.core.practice.record import PractisedScene, SpotTaken
from emulsa.core.practice.scene import Minutes, PracticeScene, made
from emulsa.core.practice.spot import Aim, SceneMetered, SceneMeterRequest, scene_meter
from emulsa.core.practice.verdict import (
    Counted,
    CountedDue,
    HighPatch,
    PlacedPatch,
    SceneJudgeRequest,
)
from emulsa.core.scene.solve import Solution
from emulsa.core.tones.development_number import DevelopmentNumber


@dataclass(frozen=True, kw_only=True, slots=True)
class PracticeShot:
    """What was given: the time, the aperture where another was set, when, the N it is developed
    for, and one's own counts and sum where one did them by hand; what is empty is as Emulsa has
    it."""

    given_s: Seconds
    aperture: ApertureMark | None = None
    minutes: Minutes = 0.0
    n: DevelopmentNumber | None = None
    filter_stops: Counted | None = None
    bellows_stops: Counted | None = None
    computed_s: Seconds | None = None


def metered(source: PracticeScene, spot: SpotTaken) -> SceneMetered:
    """A reading as it was taken, and as it is every time it is asked for."""
    return scene_meter(
        SceneMeterRequest(
            scene=replace(source, minutes=spot.minutes),
            aim=Aim(x=spot.x, y=spot.y),
            angle_deg=spot.angle_deg,
            meter_offset_stops=spot.meter_offset_stops,
            shot=spot.shot,
            dial_step=spot.dial_step,
        )
    )


def read_again(practised: PractisedScene, reading: str) -> SceneMetered | None:
    """What a reading really took in; nothing where the meter was not pointed for it."""
    for each in practised.spots:
        if each.reading == reading:
            return metered(practised.source, each)
    return None


def judged_by(practised: PractisedScene, solved: Solution, shot: PracticeShot) -> SceneJudgeRequest:
    """What was made of a scene, to be judged; Missing where there is no exposure yet, or nothing
    that was placed lies in the scene."""
    answer, plan = solved.answer, solved.plan
    if answer is None or plan is None:
        said = solved.problem.message if solved.problem else solved.lacking
        raise Missing(said or "There is no exposure yet.", field="given_s")
    fall = _placed(solved)
    spot = next((each for each in practised.spots if each.reading == fall.id), None)
    met_at = spot.minutes if spot else 0.0
    return SceneJudgeRequest(
        scene=replace(practised.source, minutes=met_at),
        exposed_minutes=max(shot.minutes, met_at),
        placed=PlacedPatch(
            patch=_patch(practised, fall.id),
            reading_ev100=fall.ev100,
            zone=min(max(fall.zone, 0.0), 10.0),
        ),
        ei=answer.ei,
        true_ei=_true_ei(practised, plan.request, answer),
        aperture=shot.aperture or _aperture(plan.request, answer),
        filter_stops=_counted(answer, "filter", shot.filter_stops),
        bellows_stops=_counted(answer, "bellows", shot.bellows_stops),
        law=plan.request.law,
        given_s=shot.given_s,
        computed_s=shot.computed_s if practised.by_hand else _sum_at(answer, shot.aperture),
        n=answer.development.n if shot.n is None else shot.n,
        high=_high(practised, solved),
    )


def _placed(solved: Solution) -> Fall:
    """The reading that was placed; by a mean of several, the first of them as it falls."""
    falls = solved.falls
    for each in falls:
        if each.id == solved.placed_reading:
            return each
    return falls[0]


def _patch(practised: PractisedScene, reading: str) -> str:
    """The place a reading was taken of: where the meter was pointed, else by its name."""
    taken = read_again(practised, reading)
    if taken is not None:
        return taken.patch
    names = {each.name for each in made(practised.source).patches if each.cells}
    label = next((each.label for each in practised.scene.readings if each.id == reading), "")
    if label not in names:
        raise Missing(
            f"“{label}” is no place of this scene: point the meter at one, or name it so:"
            f" {', '.join(sorted(names))}.",
            field="readings",
        )
    return label


def _true_ei(practised: PractisedScene, asked: ExposureRequest, answer: ExposureAnswer) -> float:
    """What the film has: one's own word on it is what one decides, so the film's own counts."""
    if practised.scene.exposure_index is None:
        return answer.ei
    return asked.usual_ei or answer.ei


def _aperture(asked: ExposureRequest, answer: ExposureAnswer) -> ApertureMark:
    """The mark that is set; a pinhole has none, only its number."""
    optics = asked.optics
    if isinstance(optics, Pinhole):
        return pinhole_f_number(optics.distance_mm, optics.diameter_mm)
    return answer.set.aperture


def _counted(answer: ExposureAnswer, step: str, own: float | None) -> CountedDue:
    due = sum(each.stops for each in answer.ledger if each.step == step)
    return CountedDue(counted=due if own is None else own, due=due)


def _sum_at(answer: ExposureAnswer, aperture: ApertureMark | None) -> float | None:
    """What Emulsa works out at the aperture that was set; nothing where it has no sum for it."""
    if aperture is None or mark_text(aperture) == mark_text(answer.set.aperture):
        return answer.corrected_s
    wanted = mark_text(aperture)
    at = (each.corrected_s for each in answer.equivalents if mark_text(each.aperture) == wanted)
    return next(at, None)


def _high(practised: PractisedScene, solved: Solution) -> HighPatch | None:
    """The important highlight, where it lies in the scene and is not what was placed."""
    high = solved.high_reading
    if high is None or high == solved.placed_reading:
        return None
    try:
        return HighPatch(patch=_patch(practised, high))
    except Missing:
        return None
