"""Drawn shapes, each kept once: plans name them by their digest, however many tries share one."""

from __future__ import annotations

import hashlib
import json
from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace
from functools import lru_cache
from sqlite3 import Connection
from typing import Annotated, Any

from emulsa.core import wire
from emulsa.core.limits import Length
from emulsa.core.printing.planned import AREAS
from emulsa.core.prints.record import PlannedArea, Print, PrintPlan, PrintTry, Shape

LENGTH = 32  # characters of a digest
Digest = Annotated[str, Length("The digest of a shape", 0, LENGTH)]
Digests = Annotated[tuple[Digest, ...], AREAS]


@dataclass(frozen=True, kw_only=True, slots=True)
class DrawnShape:
    """A shape under its digest."""

    id: Annotated[str, Length("The digest of a shape", LENGTH, LENGTH)]
    shape: Shape


@dataclass(frozen=True, kw_only=True, slots=True)
class PrintRow(Print):
    """A print as its row has it: which shape each area of its plan has, the plan without them."""

    shapes: Digests = ()


@dataclass(frozen=True, kw_only=True, slots=True)
class TryRow(PrintTry):
    """A try as its row has it."""

    shapes: Digests = ()


def digest(text: str) -> str:
    """What a shape is named by, as it is written."""
    return hashlib.sha256(text.encode()).hexdigest()[:LENGTH]


def apart(plan: PrintPlan) -> tuple[PrintPlan, tuple[str, ...], tuple[DrawnShape, ...]]:
    """A plan without its shapes, the digest of each area's (empty without one), and the shapes."""
    names, found = [], {}
    for area in plan.areas:
        name = digest(wire.dumps(area.shape)) if area.shape else ""
        names.append(name)
        if area.shape:
            found[name] = DrawnShape(id=name, shape=area.shape)
    bare = replace(plan, areas=tuple(replace(each, shape=None) for each in plan.areas))
    return bare, tuple(names), tuple(found.values())


def together(plan: PrintPlan, names: Iterable[str], shapes: Mapping[str, Shape]) -> PrintPlan:
    """A plan with its shapes again; one that is gone leaves its area undrawn."""
    pairs = zip(plan.areas, names, strict=False)
    areas = tuple(replace(area, shape=shapes.get(name)) for area, name in pairs)
    return replace(plan, areas=areas or plan.areas)


def shapes_of(connection: Connection, names: Iterable[str]) -> dict[str, Shape]:
    """The shapes of these digests; each is decoded once, however often it is asked for."""
    found = connection.execute(
        "SELECT id, shape FROM print_shape WHERE id IN (SELECT value FROM json_each(:ids))",
        {"ids": json.dumps(sorted(set(names) - {""}))},
    )
    return {row["id"]: _decoded(row["shape"]) for row in found}


@lru_cache(maxsize=4_096)
def _decoded(text: str) -> Shape:
    shape: Shape = wire.decode(Shape, json.loads(text))
    return shape


def plan_of(text: str, names: Iterable[str], shapes: Mapping[str, Shape]) -> PrintPlan:
    """A plan as its row has it, with its shapes. What many tries have alike is decoded once."""
    told = json.loads(text)
    areas = told.pop("areas")
    bare = _bare(json.dumps(told))
    pairs = zip(areas, names, strict=False)
    drawn = tuple(_area(json.dumps(each), shapes.get(name)) for each, name in pairs)
    return replace(bare, areas=drawn)


@lru_cache(maxsize=1_024)
def _bare(text: str) -> PrintPlan:
    plan: PrintPlan = wire.decode(PrintPlan, json.loads(text))
    return plan


@lru_cache(maxsize=16_384)
def _area(text: str, shape: Shape | None) -> PlannedArea:
    area: PlannedArea = wire.decode(PlannedArea, json.loads(text))
    return replace(area, shape=shape)


def plan_apart(plan: dict[str, Any]) -> tuple[dict[str, Any], list[str], dict[str, str]]:
    """``apart`` for a plan that is JSON, as older files and archives have it."""
    areas = plan.get("areas", [])
    texts = [_written(each["shape"]) if each.get("shape") else "" for each in areas]
    names = [digest(each) if each else "" for each in texts]
    bare = {**plan, "areas": [{**each, "shape": None} for each in areas]}
    return bare, names, {name: text for name, text in zip(names, texts, strict=True) if name}


def _written(value: Any) -> str:
    return json.dumps(value, ensure_ascii=False, separators=(",", ":"))


def for_migrations(connection: Connection) -> None:
    """What SQL asks while a file is brought up, each of a plan's text: ``plan_bare`` the plan
    without its shapes, ``plan_shapes`` their digests, ``plan_drawn`` the shapes by digest."""
    for place, name in enumerate(("plan_bare", "plan_shapes", "plan_drawn")):

        def part(plan: str, place: int = place) -> str:
            return _written(plan_apart(json.loads(plan))[place])

        connection.create_function(name, 1, part, deterministic=True)
