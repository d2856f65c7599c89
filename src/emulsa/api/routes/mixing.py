"""Mixing: the sheet one follows line by line, for a run or for powder; the clearing test."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Annotated

from emulsa.api.lookup import needed
from emulsa.api.replies import PDF, attached
from emulsa.api.routing import Act, Db, File, Routes
from emulsa.core.chemistry.baths import Area
from emulsa.core.chemistry.dilution import Volume
from emulsa.core.darkroom import mixing, plan
from emulsa.core.darkroom.acts.testing import Cleared, ClearingTest, clear
from emulsa.core.darkroom.mixing import MixingSheet, Water, WaterC
from emulsa.core.development.recipes import Celsius
from emulsa.core.errors import Missing
from emulsa.core.limits import Id, Length
from emulsa.exchange.cards import pdf
from emulsa.store import darkroom, films

routes = Routes("mixing", "/api/mixing")


@dataclass(frozen=True, kw_only=True)
class WantedMix:
    """What is to be mixed: a recipe in a tank along a line, for so much film, so warm.

    ``tap_c`` and ``other_c`` are the waters there are; without them water comes at its temperature.
    ``filled_ml`` is what the tank is filled with this time, one reel in a tank of two; ``water_ml``
    the developer's water where that is measured first. ``ready`` names, with commas, the kinds of
    baths that stand in bottles and are not mixed.
    """

    recipe_id: Id
    tank_id: Id
    line_id: Id
    area_in2: Area = 20.0
    temperature_c: Celsius = 20.0
    tap_c: WaterC | None = None
    other_c: WaterC | None = None
    filled_ml: Volume | None = None
    water_ml: Volume | None = None
    ready: Annotated[str, Length("Baths that stand ready", 0, 200)] = ""


@routes.question("")
def sheet(db: Db, wanted: WantedMix) -> MixingSheet:
    """The mixing sheet of a run."""
    return _sheet(db, wanted)


@routes.question("/sheet.pdf", media_type=PDF)
def sheet_pdf(db: Db, wanted: WantedMix) -> File:
    """The same as a page to hang up."""
    return _page(_sheet(db, wanted))


@routes.question("/powders/{id}")
def powder(db: Db, id: str) -> MixingSheet:  # noqa: A002 - the path's name
    """Stock from powder, line by line."""
    return _powder(db, id)


@routes.question("/powders/{id}/sheet.pdf", media_type=PDF)
def powder_pdf(db: Db, id: str) -> File:  # noqa: A002
    """The same as a page to hang up."""
    return _page(_powder(db, id))


@routes.act("POST", "/clearing", says_over=True)
def clearing(act: Act, test: ClearingTest) -> Cleared:
    """The clearing test: the first one of a bottle is what it did when fresh."""
    bottle = None
    if test.bottle_id is not None:
        said = "This bottle is not in the kit."
        bottle = needed(darkroom.bottle(act.db, test.bottle_id), said, "bottle_id")
    cleared, outcome = clear(test, bottle)
    act.carry_out(outcome)
    return cleared


def _page(made: MixingSheet) -> File:
    return attached(pdf.render("mixing", made), PDF, f"mixing-{made.title}", "pdf")


def _sheet(db: Db, asked: WantedMix) -> MixingSheet:
    recipe = needed(
        films.recipe(db, asked.recipe_id), "This recipe is not in the kit.", "recipe_id"
    )
    tank = needed(darkroom.tank(db, asked.tank_id), "This tank is not in the kit.", "tank_id")
    line = needed(
        darkroom.line(db, asked.line_id), "This bath sequence is not in the kit.", "line_id"
    )
    if (asked.tap_c is None) != (asked.other_c is None):
        raise Missing("Give both waters, or neither.", field="other_c")
    if asked.filled_ml is not None:
        tank = replace(tank, volume_ml=asked.filled_ml)
    water = None
    if asked.tap_c is not None and asked.other_c is not None:
        water = Water(tap_c=asked.tap_c, other_c=asked.other_c)
    return mixing.for_run(
        f"{recipe.name}, {tank.name}",
        line,
        tank,
        recipe.recipe,
        plan.mixed_ml(tank, asked.area_in2, recipe.recipe, asked.water_ml),
        asked.temperature_c,
        water,
        tuple(asked.ready.split(",")),
    )


def _powder(db: Db, id_: str) -> MixingSheet:
    found = needed(darkroom.powder(db, id_), "This powder is not in the kit.")
    return mixing.for_powder(found)
