"""Mixing: the sheet one follows line by line, for a run or for powder; the clearing test."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Annotated

from fastapi import Depends, Response

from emulsa.api.answers import Routes
from emulsa.api.bodies import body, documented
from emulsa.api.clock import now
from emulsa.api.connection import Db
from emulsa.api.errors import NotFound
from emulsa.api.files import PDF, attached
from emulsa.core import wire
from emulsa.core.chemistry import fixing
from emulsa.core.chemistry.baths import Area
from emulsa.core.darkroom import mixing, plan
from emulsa.core.darkroom.mixing import MixingSheet, Water, WaterC
from emulsa.core.development.recipes import Celsius
from emulsa.core.errors import Missing
from emulsa.core.kit.darkroom import Clearing, used_up
from emulsa.core.limits import Id, Length
from emulsa.exchange.cards import pdf
from emulsa.store import darkroom, films, journal, preferences
from emulsa.store.database import Connection

router = Routes(prefix="/api/mixing", tags=["mixing"])


@dataclass(frozen=True, kw_only=True)
class Wanted:
    """What is to be mixed: a recipe in a tank along a line, for so much film, so warm.

    ``tap_c`` and ``other_c`` are the waters there are; without them water comes at its temperature.
    ``ready`` names, with commas, the kinds of baths that stand in bottles and are not mixed.
    """

    recipe_id: Id
    tank_id: Id
    line_id: Id
    area_in2: Area = 20.0
    temperature_c: Celsius = 20.0
    tap_c: WaterC | None = None
    other_c: WaterC | None = None
    ready: Annotated[str, Length("Baths that stand ready", 0, 200)] = ""


def wanted(
    recipe_id: str,
    tank_id: str,
    line_id: str,
    area_in2: float = 20.0,
    temperature_c: float = 20.0,
    tap_c: float | None = None,
    other_c: float | None = None,
    ready: str = "",
) -> Wanted:
    """The question in the address, by the same decoder as every body."""
    asked: Wanted = wire.decode(
        Wanted,
        {
            "recipe_id": recipe_id,
            "tank_id": tank_id,
            "line_id": line_id,
            "area_in2": area_in2,
            "temperature_c": temperature_c,
            "tap_c": tap_c,
            "other_c": other_c,
            "ready": ready,
        },
    )
    return asked


Asked = Annotated[Wanted, Depends(wanted)]


@router.get("")
def sheet(db: Db, asked: Asked) -> MixingSheet:
    """The mixing sheet of a run."""
    return _sheet(db, asked)


@router.get("/sheet.pdf", response_class=Response, responses=PDF)
def sheet_pdf(db: Db, asked: Asked) -> Response:
    """The same as a page to hang up."""
    made = _sheet(db, asked)
    return attached(pdf.render("mixing", made), "application/pdf", f"mixing-{made.title}", "pdf")


@router.get("/powders/{id}")
def powder(id: str, db: Db) -> MixingSheet:  # noqa: A002 - the path's name
    """Stock from powder, line by line."""
    return _powder(db, id)


@router.get("/powders/{id}/sheet.pdf", response_class=Response, responses=PDF)
def powder_pdf(id: str, db: Db) -> Response:  # noqa: A002
    """The same as a page to hang up."""
    made = _powder(db, id)
    return attached(pdf.render("mixing", made), "application/pdf", f"mixing-{made.title}", "pdf")


@dataclass(frozen=True, kw_only=True)
class ClearingTest:
    """How long a snip of film took to clear; with a bottle, it is kept with it."""

    clearing_s: Clearing
    tabular: bool = False
    bottle_id: Id | None = None


@dataclass(frozen=True)
class Cleared:
    """How long to fix, and what is wrong with the fixer; empty when it is good."""

    fixing_s: float
    trouble: str


@router.post("/clearing", openapi_extra=documented(ClearingTest))
def clearing(db: Db, test: ClearingTest = body(ClearingTest)) -> Cleared:
    """The clearing test: the first one of a bottle is what it did when fresh."""
    trouble = ""
    if test.bottle_id is not None:
        bottle = darkroom.bottle(db, test.bottle_id)
        if bottle is None:
            raise NotFound("There is no such bottle in the kit.", field="bottle_id")
        if bottle.kind != "fixer":
            raise Missing(f"{bottle.name} is no fixer; choose one.", field="bottle_id")
        tested = replace(
            bottle,
            clearing_s=test.clearing_s,
            fresh_clearing_s=bottle.fresh_clearing_s or test.clearing_s,
        )
        with journal.action(db, f"clearing test of {bottle.name}", now()):
            darkroom.put_bottle(db, tested)
        trouble = used_up(tested)
    return Cleared(fixing.fixing_s(test.clearing_s, test.tabular), trouble)


def _sheet(db: Connection, asked: Wanted) -> MixingSheet:
    recipe = films.recipe(db, asked.recipe_id)
    tank = darkroom.tank(db, asked.tank_id)
    line = darkroom.line(db, asked.line_id)
    if recipe is None:
        raise NotFound("There is no such recipe in the kit.", field="recipe_id")
    if tank is None:
        raise NotFound("There is no such tank in the kit.", field="tank_id")
    if line is None:
        raise NotFound("There is no such line of baths in the kit.", field="line_id")
    if (asked.tap_c is None) != (asked.other_c is None):
        raise Missing("Give both waters, or neither.", field="other_c")
    water = None
    if asked.tap_c is not None and asked.other_c is not None:
        water = Water(tap_c=asked.tap_c, other_c=asked.other_c)
    measures = preferences.preferences(db).measures
    return mixing.for_run(
        f"{recipe.name}, {tank.name}",
        line,
        tank,
        recipe.recipe,
        plan.mixed_ml(tank, asked.area_in2, recipe.recipe),
        asked.temperature_c,
        water,
        measures,
        tuple(asked.ready.split(",")),
    )


def _powder(db: Connection, id_: str) -> MixingSheet:
    found = darkroom.powder(db, id_)
    if found is None:
        raise NotFound("There is no such powder in the kit.", field="id")
    return mixing.for_powder(found, preferences.preferences(db).measures)
