"""Runs: begun, worked by their clock, developed or put off."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Annotated

from fastapi import Response

from emulsa.api.answers import Routes
from emulsa.api.bodies import body, documented
from emulsa.api.clock import now
from emulsa.api.connection import Db
from emulsa.api.errors import NotFound
from emulsa.api.files import CSV, PDF, attached
from emulsa.api.film_area import Areas
from emulsa.api.roll_views import frames_of
from emulsa.api.run_views import RunView, run_view
from emulsa.core.chemistry.film_area import rolls as rolls_of
from emulsa.core.darkroom import plan
from emulsa.core.darkroom.beside import BesideRuns, Going, beside
from emulsa.core.darkroom.cues import Heard, heard
from emulsa.core.darkroom.process import ProcessAnswer
from emulsa.core.darkroom.run import BathReading, Run, Went
from emulsa.core.darkroom.run_sheet import run_sheet
from emulsa.core.data.cautions import of_run
from emulsa.core.data.development import BATH_C, K_PER_C
from emulsa.core.development import drift, temperature
from emulsa.core.development.recipes import Recipe
from emulsa.core.errors import Impossible, Missing
from emulsa.core.film.pieces import Piece
from emulsa.core.film.rolls import strip_text
from emulsa.core.kit.darkroom import Bottle, Line, Tank, charged, used_up
from emulsa.core.light.hand_time import minutes_text
from emulsa.core.limits import Id, Length, Within
from emulsa.exchange.cards import pdf
from emulsa.exchange.run_table import csv_runs
from emulsa.store import darkroom, films, journal, pieces, preferences, rolls
from emulsa.store import runs as store
from emulsa.store.database import Connection

router = Routes(prefix="/api/darkroom/runs", tags=["darkroom"])


@dataclass(frozen=True, kw_only=True)
class RunBeginning:
    """A run and the film that goes into it; a strip goes whole."""

    run: Run
    piece_ids: Annotated[tuple[Id, ...], Length("Pieces of film in a run", 1, 500)]


@dataclass(frozen=True)
class Course:
    """How a run goes: in which tank, along which line, second by second, what is heard, and what to
    beware of."""

    tank: Tank
    line: Line
    process: ProcessAnswer
    mix_text: str
    heard: tuple[Heard, ...]
    cautions: tuple[str, ...]


@dataclass(frozen=True, kw_only=True)
class Retiming:
    """How long the film has been in the developer, and what the thermometer said when."""

    elapsed_min: Annotated[float, Within("The minutes so far", 0, 600, "min")]
    measured: Annotated[tuple[BathReading, ...], Length("Measurements", 1, 200)]


@dataclass(frozen=True)
class Retimed:
    """What is left at the last temperature, and the run as it goes then."""

    left_min: float
    left_text: str
    course: Course


@router.post("", openapi_extra=documented(RunBeginning))
def begin(db: Db, beginning: RunBeginning = body(RunBeginning)) -> RunView:
    """Put film into a run; asked twice, it is begun once."""
    known = store.run(db, beginning.run.id)
    if known is not None:
        return run_view(db, known)
    at = now()
    run = replace(beginning.run, begun_at=at, developed_at="")
    with journal.action(db, f"run {run.name} begun", at):
        found = [_piece(db, each) for each in dict.fromkeys(beginning.piece_ids)]
        if len({each.film_id for each in found}) > 1:
            raise Impossible(
                "Different films never share a run; begin one for each.", field="piece_ids"
            )
        _strips_whole(db, found)
        _fits(db, run, found)
        for bottle in _bottles(db, run):
            if said := used_up(bottle):
                raise Impossible(said, field="run.bottle_ids")
        store.put(db, run)
        for each in found:
            pieces.move(db, each, "start_run", at, run.name, run_id=run.id)
    return run_view(db, run)


@router.get("/table.csv", response_class=Response, responses=CSV)
def table(db: Db) -> Response:
    """Every run there was, a line each, oldest first; times in minutes and seconds as numbers."""
    content = csv_runs(store.lines(db))
    return attached(content, "text/csv; charset=utf-8", "runs", "csv", "attachment")


@router.get("/{id}/course")
def course(id: str, db: Db) -> Course:  # noqa: A002
    """A run second by second: its own tank and line, or the first there are."""
    run = _found(db, id)
    return _course(db, run, _minutes(run))


@router.get("/{id}/sheet.pdf", response_class=Response, responses=PDF)
def sheet(id: str, db: Db) -> Response:  # noqa: A002
    """The run as a page to hang up beside the line."""
    run = _found(db, id)
    view, made, recipe = run_view(db, run), _course(db, run, _minutes(run)), _recipe(db, run)
    measures = preferences.preferences(db).measures
    warm = measures.temperature_text(BATH_C if run.temperature_c is None else run.temperature_c)
    page = run_sheet(
        run.name,
        f"{view.n_text}, {view.minutes_text} at {warm}, {made.tank.name}, {made.line.name}",
        tuple(f"{each.where} {each.scene_title}".strip() for each in view.pieces),
        recipe.developer if recipe else "",
        made.process,
        measures,
    )
    return attached(pdf.render("run", page), "application/pdf", f"run-{run.name}", "pdf")


@router.post("/{id}/retime", openapi_extra=documented(Retiming))
def retime(id: str, db: Db, retiming: Retiming = body(Retiming)) -> Retimed:  # noqa: A002
    """The run anew by the temperatures measured so far; nothing is kept."""
    run = _found(db, id)
    recipe = _recipe(db, run)
    measured = sorted((each.minute, each.temperature_c) for each in retiming.measured)
    reference = BATH_C if run.temperature_c is None else run.temperature_c
    k = temperature.k_near(recipe, measured[-1][1]) if recipe else K_PER_C
    left = drift.minutes_left(measured, retiming.elapsed_min, _minutes(run), k, reference)
    course = _course(db, run, retiming.elapsed_min + left)
    return Retimed(left_text=minutes_text(left), left_min=left, course=course)


@dataclass(frozen=True, kw_only=True)
class Others:
    """The runs that go already."""

    others: Annotated[tuple[Going, ...], Length("Runs that go", 0, 10)]


@router.post("/{id}/beside", openapi_extra=documented(Others))
def begin_beside(id: str, db: Db, others: Others = body(Others)) -> BesideRuns:  # noqa: A002
    """When one pair of hands can begin this run beside others."""
    run = _found(db, id)
    return beside(_course(db, run, _minutes(run)).process.steps, others.others)


@router.put("/{id}/went", openapi_extra=documented(Went))
def went(id: str, db: Db, went: Went = body(Went)) -> RunView:  # noqa: A002
    """Keep how a run went by its clock; handed in twice, it is kept once."""
    run = replace(_found(db, id), went=went)
    with journal.action(db, f"run {run.name} as it went", now()):
        store.put(db, run)
    return run_view(db, run)


@router.post("/{id}/developed")
def developed(id: str, db: Db) -> RunView:  # noqa: A002
    """The run is out of the developer and fixed: its film is developed."""
    run, at = _found(db, id), now()
    if run.developed_at:
        return run_view(db, run)
    with journal.action(db, f"run {run.name} developed", at):
        done = replace(run, developed_at=at)
        store.put(db, done)
        found = pieces.of_run(db, id)
        for bottle in _bottles(db, run):
            darkroom.put_bottle(db, charged(bottle, rolls_of(Areas(db).in2(found))))
        for each in found:
            pieces.move(db, each, "develop", at, run.name, in_place=False)
    return run_view(db, done)


@router.delete("/{id}", status_code=204)
def leave(id: str, db: Db) -> None:  # noqa: A002
    """Take all film out of a run before it meets the developer."""
    run, at = _found(db, id), now()
    with journal.action(db, f"run {run.name} put off", at):
        for each in pieces.of_run(db, id):
            pieces.move(db, each, "leave_run", at, run.name, run_id=None)
        store.delete(db, id)


def _course(db: Connection, run: Run, minutes: float) -> Course:
    tanks = [each for each in darkroom.tanks(db) if not each.archived or each.id == run.tank_id]
    lines = [each for each in darkroom.lines(db) if not each.archived or each.id == run.line_id]
    tank = next((each for each in tanks if each.id == run.tank_id), tanks[0] if tanks else None)
    line = next((each for each in lines if each.id == run.line_id), lines[0] if lines else None)
    if tank is None or line is None:
        raise NotFound("Add a tank and a line of baths in Kit; the run's clock goes by them.")
    area = Areas(db).in2(pieces.of_run(db, run.id))
    recipe = _recipe(db, run)
    process = plan.course(plan.by_the_clock(line), tank, minutes, area, recipe)
    cautions = of_run(recipe.developer if recipe else "")
    measures = preferences.preferences(db).measures
    mix_text = f"{tank.name}: {measures.mix_text(process.mix)}"
    return Course(tank, line, process, mix_text, heard(process.steps), cautions)


def _minutes(run: Run) -> float:
    if run.minutes is None:
        raise Missing("This run has no developing time; put it off and give it one.", field="id")
    return run.minutes


def _recipe(db: Connection, run: Run) -> Recipe | None:
    known = films.recipe(db, run.recipe_id) if run.recipe_id else None
    return known.recipe if known else None


def _strips_whole(db: Connection, found: list[Piece]) -> None:
    """A strip hangs together: all of its exposed frames go into the run, or none."""
    chosen = {each.id for each in found}
    for roll_id in {each.roll_id for each in found if each.roll_id}:
        roll = rolls.roll(db, roll_id)
        assert roll is not None
        if roll.place != "done":
            raise Impossible(f"Finish roll {roll.number} first.", field="piece_ids")
        for strip in rolls.strips(db).get(roll_id, []):
            frames = {each.id for each in frames_of(db, strip) if each.state == "exposed"}
            if frames & chosen and not frames <= chosen:
                raise Impossible(
                    f"The frames of {strip_text(roll, strip)} hang together; put all of them in.",
                    field="piece_ids",
                )


def _fits(db: Connection, run: Run, found: list[Piece]) -> None:
    """A tank holds so many sheets, a roll takes a reel's places; a bath has its temperatures."""
    if run.temperature_c is not None:
        temperature.allowed(run.temperature_c, "run.temperature_c")
    tank = darkroom.tank(db, run.tank_id)
    if tank is None:
        return
    areas = Areas(db)
    sheets = [areas.in2([each]) for each in found if each.roll_id is None]
    rolls = len({each.roll_id for each in found if each.roll_id})
    plan.check_room(tank, plan.places_together(sheets, rolls), "piece_ids")


def _bottles(db: Connection, run: Run) -> list[Bottle]:
    return [each for each in darkroom.bottles(db) if each.id in run.bottle_ids]


def _piece(db: Connection, id_: str) -> Piece:
    piece = pieces.piece(db, id_)
    if piece is None:
        raise NotFound("There is no such piece of film any more.", field="piece_ids")
    return piece


def _found(db: Connection, id_: str) -> Run:
    run = store.run(db, id_)
    if run is None:
        raise NotFound("There is no such run.", field="id")
    return run
