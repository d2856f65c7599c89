"""How a run goes: in its tank, along its line, second by second."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.api.routing import Db
from emulsa.core.chemistry import dilution
from emulsa.core.corrections.film_kinds import row_of
from emulsa.core.darkroom import plan
from emulsa.core.darkroom.cues import Heard, heard
from emulsa.core.darkroom.minding import minds
from emulsa.core.darkroom.process import ProcessAnswer
from emulsa.core.darkroom.run import Run
from emulsa.core.data.cautions import of_run
from emulsa.core.development.recipes import Recipe
from emulsa.core.kit import plain
from emulsa.core.kit.darkroom import Line, Tank
from emulsa.core.kit.usual import usual
from emulsa.store import darkroom, films, holders, pieces


@dataclass(frozen=True)
class Course:
    """How a run goes: in which tank, along which line, second by second, what is heard, what to
    beware of, and in ``minds`` what each step asks for."""

    tank: Tank
    line: Line
    process: ProcessAnswer
    mix_text: str
    heard: tuple[Heard, ...]
    cautions: tuple[str, ...]
    minds: tuple[str, ...]


def course_of(db: Db, run: Run, minutes: float) -> Course:
    """In its own tank and along its own line, else the first there are, else plain ones."""
    tank = usual(darkroom.tanks(db), run.tank_id, plain.TANK)
    line = usual(darkroom.lines(db), run.line_id, plain.SEQUENCE)
    area = holders.areas(db).in2(pieces.of_run(db, run.id))
    recipe = recipe_of(db, run)
    film = pieces.of_run(db, run.id)[:1]
    known = films.film(db, film[0].film_id) if film else None
    kind = known.kind if known else None
    process = plan.course(plan.by_the_clock(line), tank, minutes, area, recipe, kind)
    row = row_of(kind)
    cautions = of_run(recipe.developer if recipe else "") + ((row.dark,) if row else ())
    mix_text = f"{tank.name}: {dilution.mix_text(process.mix)}"
    minded = minds(process.steps, plan.developer_moved(line, tank, recipe))
    return Course(tank, line, process, mix_text, heard(process.steps), cautions, minded)


def recipe_of(db: Db, run: Run) -> Recipe | None:
    known = films.recipe(db, run.recipe_id)
    return known.recipe if known else None
