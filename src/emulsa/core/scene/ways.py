"""Other ways of taking the same scene: every school and plan, as a scene to work on with."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from emulsa.core.corrections.filters import Filter
from emulsa.core.exposing.penalties import Weights
from emulsa.core.exposing.plans import FilterChoice, Plan, PlansRequest, plans
from emulsa.core.exposing.schools import SchoolRow, SchoolsRequest, schools
from emulsa.core.kit.bag import KitFilter
from emulsa.core.scene.plan import plan
from emulsa.core.scene.record import Pin, Scene, SceneKit
from emulsa.core.tones.placement import Placed, Placement

STACKS_AT_MOST = 12


@dataclass(frozen=True, kw_only=True, slots=True)
class SchoolChoice:
    """A school's answer and the scene that takes it up; empty where the school lacks something."""

    row: SchoolRow
    chosen: bool
    scene: Scene | None


@dataclass(frozen=True, kw_only=True, slots=True)
class PlanChoice:
    """A plan and the scene that takes it up."""

    plan: Plan
    scene: Scene


def school_choices(scene: Scene, kit: SceneKit) -> tuple[SchoolChoice, ...]:
    """All seven schools on this scene; Missing as ``plan`` raises it."""
    request = plan(scene, kit)
    answer = schools(SchoolsRequest(exposure=request, low=scene.low, habits=kit.habits))
    return tuple(
        SchoolChoice(
            row=row,
            chosen=row.school == request.placement.school,
            scene=placed_so(scene, row.placement) if row.placement else None,
        )
        for row in answer.schools
    )


def plan_choices(
    scene: Scene, kit: SceneKit, others: Sequence[KitFilter], weights: Weights
) -> tuple[PlanChoice, ...]:
    """The second opinion: up to three plans with the filters there are; Missing as ``plan``."""
    request = plan(scene, kit)
    answer = plans(
        PlansRequest(
            exposure=request,
            choices=_stacks(scene, request.filters, others),
            weights=weights,
            habits=kit.habits,
        )
    )
    return tuple(PlanChoice(plan=each, scene=_with_plan(scene, kit, each)) for each in answer.plans)


def placed_so(scene: Scene, placement: Placement) -> Scene:
    """The scene placed another way; a placed tone becomes the pin."""
    if not isinstance(placement, Placed):
        return replace(scene, school=placement.school, n=None)
    pin = Pin(reading=placement.reading, zone=placement.zone)
    high = scene.high if scene.high and scene.high.reading != placement.reading else None
    school = placement.school if scene.school is not None else None
    return replace(scene, school=school, pin=pin, high=high, n=None)


def _with_plan(scene: Scene, kit: SceneKit, chosen: Plan) -> Scene:
    changed = scene
    if chosen.placement != plan(scene, kit).placement:
        changed = placed_so(scene, chosen.placement)
    aperture = scene.aperture if kit.pinhole is not None else chosen.aperture
    return replace(changed, filter_ids=chosen.filter_ids, n=chosen.n, aperture=aperture)


def _stacks(
    scene: Scene, own: tuple[Filter, ...], others: Sequence[KitFilter]
) -> tuple[FilterChoice, ...]:
    """What is on the lens, nothing, and each other filter of the kit alone."""
    stacks = [FilterChoice(ids=scene.filter_ids, filters=own)]
    if scene.filter_ids:
        stacks.append(FilterChoice())
    for each in others:
        alone = FilterChoice(ids=(each.id,), filters=(replace(each.filter, label=each.name),))
        if scene.filter_ids != (each.id,) and each.filter.type != "graduated":
            stacks.append(alone)
    return tuple(stacks[:STACKS_AT_MOST])
