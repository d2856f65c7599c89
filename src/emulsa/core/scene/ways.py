"""Other ways of taking the same scene: every school and plan, and the edits that take each up."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from emulsa.core.corrections.filters import Filter
from emulsa.core.exposing.penalties import Weights
from emulsa.core.exposing.plans import FilterChoice, Plan, PlansRequest, plans
from emulsa.core.exposing.schools import SchoolRow, SchoolsRequest, schools
from emulsa.core.kit.bag import KitFilter
from emulsa.core.scene.changes import ChooseFilters, Edit, Place, PlaceBy, SetAperture, SetN
from emulsa.core.scene.plan import plan
from emulsa.core.scene.record import Scene, SceneKit
from emulsa.core.tones.placement import Placed, Placement

STACKS_AT_MOST = 12


@dataclass(frozen=True, kw_only=True, slots=True)
class SchoolChoice:
    """A school's answer and the edits that take it up; none where the school lacks something."""

    row: SchoolRow
    chosen: bool
    edits: tuple[Edit, ...]


@dataclass(frozen=True, kw_only=True, slots=True)
class PlanChoice:
    """A plan and the edits that take it up."""

    plan: Plan
    edits: tuple[Edit, ...]


def school_choices(scene: Scene, kit: SceneKit) -> tuple[SchoolChoice, ...]:
    """All seven schools on this scene; Missing as ``plan`` raises it."""
    request = plan(scene, kit)
    answer = schools(SchoolsRequest(exposure=request, low=scene.low, habits=kit.habits))
    return tuple(
        SchoolChoice(
            row=row,
            chosen=row.school == request.placement.school,
            edits=placing(scene, row.placement) if row.placement else (),
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
    return tuple(PlanChoice(plan=each, edits=_taking_up(scene, kit, each)) for each in answer.plans)


def placing(scene: Scene, placement: Placement) -> tuple[Edit, ...]:
    """What changes when a scene is placed another way; a placed tone becomes the pin."""
    if not isinstance(placement, Placed):
        return (PlaceBy(school=placement.school),)
    pinned = Place(reading=placement.reading, zone=placement.zone)
    return (pinned,) if scene.school is None else (PlaceBy(school=placement.school), pinned)


def _taking_up(scene: Scene, kit: SceneKit, chosen: Plan) -> tuple[Edit, ...]:
    own = plan(scene, kit).placement
    placed = placing(scene, chosen.placement) if chosen.placement != own else ()
    aperture = () if kit.pinhole is not None else (SetAperture(aperture=chosen.aperture),)
    return (*placed, ChooseFilters(filter_ids=chosen.filter_ids), *aperture, SetN(n=chosen.n))


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
