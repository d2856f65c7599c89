"""Runs: begun, worked by their clock, developed or cancelled."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Annotated

from emulsa.api.lookup import needed
from emulsa.api.replies import CSV, PDF, attached
from emulsa.api.routing import Act, Db, File, Routes
from emulsa.api.views.courses import Course, course_of, recipe_of
from emulsa.api.views.darkroom import tankful_of, waiting
from emulsa.api.views.done import Done
from emulsa.api.views.runs import run_view, sent
from emulsa.core.cards.laboratory import slip
from emulsa.core.darkroom.acts import running
from emulsa.core.darkroom.acts.running import InRun, RunBeginning
from emulsa.core.darkroom.beside import BesideRuns, Going, beside
from emulsa.core.darkroom.run import BathReading, Minutes, Run, Went
from emulsa.core.darkroom.run_sheet import run_sheet
from emulsa.core.darkroom.shifting import Shift, Shifted, shifted
from emulsa.core.darkroom.together import Tanked, check_together
from emulsa.core.data.development import BATH_C, K_PER_C
from emulsa.core.development import drift, temperature
from emulsa.core.development.recipes import Recipe
from emulsa.core.errors import Missing
from emulsa.core.film.moves import Outcome
from emulsa.core.film.pieces import Piece
from emulsa.core.light.hand_time import minutes_text
from emulsa.core.limits import Length, Within
from emulsa.core.written import day_words, temperature_text
from emulsa.exchange.cards import pdf
from emulsa.exchange.run_table import csv_runs
from emulsa.store import darkroom, films, holders, pieces, rolls
from emulsa.store import runs as store

routes = Routes("runs", "/api/darkroom/runs", tag="darkroom")


@dataclass(frozen=True, kw_only=True)
class Retiming:
    """How long the film has been in the developer, and what the thermometer said when."""

    elapsed_min: Annotated[float, Within("The minutes so far", 0, 600, "min")]
    measured: Annotated[tuple[BathReading, ...], Length("Measurements", 1, 200)]


@dataclass(frozen=True)
class Retimed:
    """What is left at the last temperature, in words too, what was measured, and the run as it
    goes then."""

    left_min: float
    left_text: str
    says: str
    measured: tuple[BathReading, ...]
    course: Course


@dataclass(frozen=True, kw_only=True)
class Others:
    """The runs that go already."""

    others: Annotated[tuple[Going, ...], Length("Runs that go", 0, 10)]


@routes.act("POST", "")
def begin(act: Act, beginning: RunBeginning) -> Done:
    """Put film into a run; one of this id that was begun already stays as it is."""
    run = beginning.run
    if store.run(act.db, run.id) is not None:
        return Done("", (run.id,))
    ids = tuple(dict.fromkeys(beginning.piece_ids))
    there = pieces.of_ids(act.db, ids)
    said = "This sheet is no longer in the log."
    found = [needed(there.get(each), said, "piece_ids") for each in ids]
    recipe = films.recipe(act.db, run.recipe_id)
    film = films.film(act.db, found[0].film_id) if found else None
    kind = film.kind if film else None
    outcome = running.begin(
        run,
        recipe.recipe if recipe else Recipe(),
        found,
        rolls.with_film(act.db, found),
        darkroom.tank(act.db, run.tank_id),
        darkroom.bottles_of(act.db, run.bottle_ids),
        holders.areas(act.db),
        act.moment,
        kind,
        _together(act.db, run, found),
    )
    return _done(act, outcome, run.id)


def _together(db: Db, run: Run, found: Sequence[Piece]) -> bool:
    """Whether film of several kinds was found to go into one tank; Impossible, with why, if not."""
    if len({each.film_id for each in found}) < 2:
        return False
    ids = {each.id for each in found}
    there = [each for each in waiting(db)[0] if ids & set(each.piece_ids)]
    apart = {(each.film_id, each.chosen_recipe_id): each for each in there}
    recipe = films.recipe(db, run.recipe_id)
    check_together(
        tuple(apart.values()),
        Tanked(
            {each.id: each for each in films.films(db)},
            {each.id: each for each in films.recipes(db)},
            tankful_of(db, run, recipe.recipe if recipe else Recipe()),
        ),
    )
    return True


@routes.question("/table.csv", media_type=CSV)
def table(db: Db) -> File:
    """Every run there was, a line each, oldest first; times in minutes and seconds as numbers."""
    return attached(csv_runs(store.lines(db)), CSV, "runs", "csv", "attachment")


@routes.question("/{id}/course")
def course(db: Db, id: str) -> Course:  # noqa: A002
    """A run second by second: its own tank and line, or the first there are."""
    run = _found(db, id)
    return course_of(db, run, _minutes(run))


@routes.question("/{id}/sheet.pdf", media_type=PDF)
def sheet(db: Db, id: str) -> File:  # noqa: A002
    """The run as a page to hang up beside the line."""
    run = _found(db, id)
    view, made, recipe = run_view(db, run), course_of(db, run, _minutes(run)), recipe_of(db, run)
    warm = temperature_text(BATH_C if run.temperature_c is None else run.temperature_c)
    page = run_sheet(
        run.name,
        f"{view.n_text}, {view.minutes_text} at {warm}, {made.tank.name}, {made.line.name}",
        tuple(
            " ".join(filter(None, (each.where, each.scene_title, each.part_text)))
            for each in view.pieces
        ),
        recipe.developer if recipe else "",
        made.process,
        made.minds,
    )
    return attached(pdf.render("run", page), PDF, f"run-{run.name}", "pdf")


@routes.question("/{id}/slip.pdf", media_type=PDF)
def laboratory_slip(db: Db, id: str) -> File:  # noqa: A002
    """The slip that goes with the film of a run to a laboratory."""
    run = _found(db, id)
    page = slip(run.laboratory or run.name, day_words(run.begun_at[:10]), run.note, sent(db, run))
    return attached(pdf.render("table", page), PDF, f"slip-{run.name}", "pdf")


@routes.question("/{id}/retime", "POST")
def retime(db: Db, id: str, retiming: Retiming) -> Retimed:  # noqa: A002
    """The run again by the temperatures measured so far; nothing is kept."""
    run = _found(db, id)
    recipe = recipe_of(db, run)
    measured = sorted((each.minute, each.temperature_c) for each in retiming.measured)
    reference = BATH_C if run.temperature_c is None else run.temperature_c
    k = temperature.k_near(recipe, measured[-1][1]) if recipe else K_PER_C
    left = drift.minutes_left(measured, retiming.elapsed_min, _minutes(run), k, reference)
    again = course_of(db, run, retiming.elapsed_min + left)
    text = minutes_text(left)
    warm = temperature_text(measured[-1][1])
    return Retimed(left, text, f"{warm}: {text} left", retiming.measured, again)


@routes.question("/{id}/beside", "POST")
def begin_beside(db: Db, id: str, others: Others) -> BesideRuns:  # noqa: A002
    """When one pair of hands can begin this run beside others."""
    run = _found(db, id)
    return beside(course_of(db, run, _minutes(run)).process.steps, others.others)


@routes.question("/shift", "POST")
def shift(shift: Shift) -> Shifted:
    """A run as its clock counts it, with the next bath now or this one longer; nothing is kept."""
    return shifted(shift)


@routes.act("POST", "/{id}/went", says_over=True)
def keep_course(act: Act, id: str, went: Went) -> Done:  # noqa: A002
    """Keep how a run went by its clock."""
    return _done(act, running.keep_course(_found(act.db, id), went), id)


@routes.act("POST", "/{id}/finished", says_over=True)
def finished(act: Act, id: str, went: Went) -> Done:  # noqa: A002
    """Its clock is over: keep how it went, and its film is developed."""
    run = _found(act.db, id)
    return _done(act, running.finished(run, went, _held(act, run), act.moment), id)


@routes.act("POST", "/{id}/developed", says_over=True)
def developed(act: Act, id: str, minutes: Minutes | None = None) -> Done:  # noqa: A002
    """The run is out of the developer and fixed: its film is developed; in how many minutes, where
    no clock counted them."""
    run = _found(act.db, id)
    if minutes is not None and run.went is None:
        run = running.by_hand(run, minutes, darkroom.line(act.db, run.line_id))
    return _done(act, running.developed(run, _held(act, run), act.moment), id)


@routes.act("DELETE", "/{id}")
def leave(act: Act, id: str) -> Done:  # noqa: A002
    """Take all film out of a run before it meets the developer."""
    run, found = _found(act.db, id), pieces.of_run(act.db, id)
    return _done(act, running.leave(run, found, act.moment), id)


def _held(act: Act, run: Run) -> InRun:
    """What a run holds as it is kept."""
    found = pieces.of_run(act.db, run.id)
    return InRun(
        pieces=found,
        on_rolls=rolls.with_film(act.db, found),
        bottles=darkroom.bottles_of(act.db, run.bottle_ids),
        areas=holders.areas(act.db),
    )


def _done(act: Act, outcome: Outcome, id_: str) -> Done:
    act.carry_out(outcome)
    return Done(outcome.says, (id_,))


def _minutes(run: Run) -> float:
    if run.minutes is None:
        raise Missing("This run has no developing time; cancel it and give it one.", field="id")
    return run.minutes


def _found(db: Db, id_: str) -> Run:
    return needed(store.run(db, id_), "This run was not found.")
