"""The darkroom's film: what waits, grouped with its times, what is in a run, what to judge."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Annotated

from fastapi import APIRouter

from emulsa.api.bodies import body, documented
from emulsa.api.clock import now
from emulsa.api.connection import Db
from emulsa.api.errors import NotFound
from emulsa.api.keeping import own_id
from emulsa.api.routes.rolls import frames_of, strip_text
from emulsa.core.data.development import K_PER_C
from emulsa.core.development import drift, temperature
from emulsa.core.development.waiting import Group, WaitingFilm, groups
from emulsa.core.errors import Impossible, Missing
from emulsa.core.exposed import Exposure, set_text
from emulsa.core.film.judgement import Judgement
from emulsa.core.film.pieces import Piece
from emulsa.core.film.rolls import Roll, Strip
from emulsa.core.film.runs import BathReading, Run, Went
from emulsa.core.light.hand_time import minutes_text
from emulsa.core.limits import Id, Length, Within
from emulsa.core.runs import plan
from emulsa.core.runs.darkroom_kit import Line, Tank
from emulsa.core.runs.process import ProcessAnswer
from emulsa.core.tones.development_number import n_text
from emulsa.store import darkroom, exposures, films, journal, pieces, rolls, scenes
from emulsa.store import runs as store
from emulsa.store.database import Connection

router = APIRouter(prefix="/api/darkroom", tags=["darkroom"])


@dataclass(frozen=True)
class PieceLine:
    """A piece of film in a run or to be judged, in a line."""

    piece_id: str
    where: str
    scene_title: str
    exposure_id: str | None
    n_text: str
    judgement: Judgement | None


@dataclass(frozen=True)
class RunView:
    """A run and the film in it."""

    run: Run
    n_text: str
    minutes_text: str
    pieces: tuple[PieceLine, ...]


@dataclass(frozen=True)
class DarkroomView:
    """Everything the darkroom has to do with film today.

    ``temperature_c`` is the developer's, for which the times hold; ``undecided`` are rolls and
    strips that wait for their one development to be chosen.
    """

    temperature_c: float
    groups: tuple[Group, ...]
    undecided: tuple[str, ...]
    runs: tuple[RunView, ...]
    to_judge: tuple[PieceLine, ...]


@dataclass(frozen=True, kw_only=True)
class RunBeginning:
    """A run and the film that goes into it; a strip goes whole."""

    run: Run
    piece_ids: Annotated[tuple[Id, ...], Length("Pieces of film in a run", 1, 500)]


@dataclass(frozen=True)
class Course:
    """How a run goes: in which tank, along which line, second by second."""

    tank: Tank
    line: Line
    process: ProcessAnswer


@dataclass(frozen=True, kw_only=True)
class Retiming:
    """How long the film has been in the developer, and what the thermometer said when."""

    elapsed_min: Annotated[float, Within("The minutes so far", 0, 600, "min")]
    measured: Annotated[tuple[BathReading, ...], Length("Measurements", 1, 200)]


@dataclass(frozen=True)
class Retimed:
    """What is left at the last temperature."""

    left_min: float
    left_text: str
    k_per_c: float


@router.get("")
def read(
    db: Db, temperature_c: float | None = None, temperature_f: float | None = None
) -> DarkroomView:
    """Exposed film by kind, recipe and N, at 20 °C unless told; open runs; what to judge."""
    if temperature_f is not None:
        at_c = temperature.allowed(temperature.celsius(temperature_f), "temperature_f")
    else:
        at_c = temperature.allowed(
            20.0 if temperature_c is None else temperature_c, "temperature_c"
        )
    by_id = {each.id: each for each in films.films(db)}
    recipes = {each.id: each for each in films.recipes(db)}
    waiting, undecided = waiting_film(db)
    return DarkroomView(
        temperature_c=at_c,
        groups=groups(waiting, by_id, recipes, at_c),
        undecided=undecided,
        runs=tuple(_run_view(db, each) for each in store.open_runs(db)),
        to_judge=_lines(db, pieces.in_state(db, "developed")),
    )


@router.post("/runs", openapi_extra=documented(RunBeginning))
def begin(db: Db, beginning: RunBeginning = body(RunBeginning)) -> RunView:
    """Put film into a run; asked twice, it is begun once."""
    known = store.run(db, beginning.run.id)
    if known is not None:
        return _run_view(db, known)
    at = now()
    run = replace(beginning.run, begun_at=at, developed_at="")
    with journal.action(db, f"run {run.name} begun", at):
        found = [_piece(db, each) for each in dict.fromkeys(beginning.piece_ids)]
        if len({each.film_id for each in found}) > 1:
            raise Impossible(
                "Different films never share a run; begin one for each.", field="piece_ids"
            )
        _strips_whole(db, found)
        store.put(db, run)
        for each in found:
            pieces.move(db, each, "start_run", at, run.name, run_id=run.id)
    return _run_view(db, run)


@router.get("/runs/{id}/course")
def course(id: str, db: Db) -> Course:  # noqa: A002
    """A run second by second: its own tank and line, or the first there are."""
    run = _found(db, id)
    tanks = [each for each in darkroom.tanks(db) if not each.archived or each.id == run.tank_id]
    lines = [each for each in darkroom.lines(db) if not each.archived or each.id == run.line_id]
    tank = next((each for each in tanks if each.id == run.tank_id), tanks[0] if tanks else None)
    line = next((each for each in lines if each.id == run.line_id), lines[0] if lines else None)
    if tank is None or line is None:
        raise NotFound("Add a tank and a line of baths in Kit; the run's clock goes by them.")
    if run.minutes is None:
        raise Missing("This run has no developing time; put it off and give it one.", field="id")
    recipe = films.recipe(db, run.recipe_id) if run.recipe_id else None
    found = pieces.of_run(db, id)
    area = sum(20.0 if each.roll_id is None else 80.0 / 12 for each in found) or 20.0
    return Course(
        tank=tank,
        line=line,
        process=plan.course(
            line, tank, run.minutes, area, recipe.recipe.dilution if recipe else "stock"
        ),
    )


@router.post("/runs/{id}/retime", openapi_extra=documented(Retiming))
def retime(id: str, db: Db, retiming: Retiming = body(Retiming)) -> Retimed:  # noqa: A002
    """What is left of the development, by the temperatures measured so far; nothing is kept."""
    run = _found(db, id)
    recipe = films.recipe(db, run.recipe_id) if run.recipe_id else None
    if run.minutes is None:
        raise Missing("This run has no developing time.", field="id")
    measured = sorted((each.minute, each.temperature_c) for each in retiming.measured)
    k = recipe.recipe.k_per_c if recipe else K_PER_C
    reference = 20.0 if run.temperature_c is None else run.temperature_c
    left = drift.minutes_left(measured, retiming.elapsed_min, run.minutes, k, reference)
    return Retimed(left_min=left, left_text=minutes_text(left), k_per_c=k)


@router.put("/runs/{id}/went", openapi_extra=documented(Went))
def went(id: str, db: Db, went: Went = body(Went)) -> RunView:  # noqa: A002
    """Keep how a run went by its clock; handed in twice, it is kept once."""
    run = replace(_found(db, id), went=went)
    with journal.action(db, f"run {run.name} as it went", now()):
        store.put(db, run)
    return _run_view(db, run)


@router.post("/runs/{id}/developed")
def developed(id: str, db: Db) -> RunView:  # noqa: A002
    """The run is out of the developer and fixed: its film is developed."""
    run, at = _found(db, id), now()
    if run.developed_at:
        return _run_view(db, run)
    with journal.action(db, f"run {run.name} developed", at):
        done = replace(run, developed_at=at)
        store.put(db, done)
        for each in pieces.of_run(db, id):
            pieces.move(db, each, "develop", at, run.name, in_place=False)
    return _run_view(db, done)


@router.delete("/runs/{id}", status_code=204)
def leave(id: str, db: Db) -> None:  # noqa: A002
    """Take all film out of a run before it meets the developer."""
    run, at = _found(db, id), now()
    with journal.action(db, f"run {run.name} put off", at):
        for each in pieces.of_run(db, id):
            pieces.move(db, each, "leave_run", at, run.name, run_id=None)
        store.delete(db, id)


@router.put("/judgements/{id}", openapi_extra=documented(Judgement))
def judge(id: str, db: Db, judgement: Judgement = body(Judgement)) -> Judgement:  # noqa: A002
    """Keep what a negative shows; judged again, the later word counts."""
    own_id(id, judgement)
    piece, at = _piece(db, id), now()
    known = store.judgements(db, [id]).get(id)
    if known is not None and replace(judgement, at=known.at) == known:
        return known
    kept = replace(judgement, at=at)
    with journal.action(db, f"{piece.label} judged", at):
        pieces.move(db, piece, "judge", at)
        store.put_judgement(db, kept)
    return kept


def waiting_film(db: Connection) -> tuple[list[WaitingFilm], tuple[str, ...]]:
    """Sheets and chosen strips that wait, and the strips nobody chose a development for."""
    exposed = pieces.in_state(db, "exposed")
    given = exposures.of_pieces(db, [each.id for each in exposed])
    titles = scenes.titles(db, [each.scene_id for found in given.values() for each in found])
    waiting = [
        _waiting_sheet(each, given[each.id][-1], titles)
        for each in exposed
        if each.roll_id is None and given[each.id]
    ]
    undecided: list[str] = []
    strips = rolls.strips(db)
    for roll in rolls.rolls(db):
        if roll.place != "done":
            continue
        for strip in strips.get(roll.id, []):
            frames = [
                each
                for each in exposed
                if each.roll_id == roll.id
                and strip.first_frame <= (each.frame or 0) <= strip.last_frame
                and given[each.id]
            ]
            if frames and strip.n is None:
                undecided.append(strip_text(roll, strip))
            elif frames:
                last = [given[each.id][-1] for each in frames]
                waiting.append(_waiting_strip(roll, strip, frames, last))
    return waiting, tuple(undecided)


def _waiting_sheet(sheet: Piece, last: Exposure, titles: dict[str, str]) -> WaitingFilm:
    return WaitingFilm(
        exposure_id=last.id,
        piece_ids=(sheet.id,),
        film_id=sheet.film_id,
        recipe_id=last.recipe_id,
        where=f"{sheet.label}, {sheet.kept_in}" if sheet.kept_in else sheet.label,
        scene_title=titles[last.scene_id],
        scene_id=last.scene_id,
        exposed_at=last.exposed_at,
        n=last.n,
        development_change=last.development_change,
        error_stops=last.error_stops,
        set_text=set_text(last.aperture, last.seconds),
        exposure_index=last.taken.exposure_index,
    )


def _waiting_strip(
    roll: Roll, strip: Strip, frames: list[Piece], last: list[Exposure]
) -> WaitingFilm:
    """A strip as one: its chosen N, and no change for the failing of single frames' long times."""
    first = last[0]
    return WaitingFilm(
        exposure_id=first.id,
        piece_ids=tuple(each.id for each in frames),
        film_id=roll.film_id,
        recipe_id=strip.recipe_id or first.recipe_id,
        where=strip_text(roll, strip).capitalize(),
        scene_title=f"{len(frames)} frames" if len(frames) > 1 else "1 frame",
        scene_id=first.scene_id,
        exposed_at=first.exposed_at,
        n=strip.n or 0.0,
        development_change=1.0,
        error_stops=0.0,
        set_text="",
        exposure_index=roll.exposure_index,
    )


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


def _run_view(db: Connection, run: Run) -> RunView:
    minutes = "" if run.minutes is None else minutes_text(run.minutes)
    return RunView(run, n_text(run.n), minutes, _lines(db, pieces.of_run(db, run.id)))


def _lines(db: Connection, found: list[Piece]) -> tuple[PieceLine, ...]:
    ids = [each.id for each in found]
    given, judged = exposures.of_pieces(db, ids), store.judgements(db, ids)
    titles = scenes.titles(db, [each.scene_id for last in given.values() for each in last])

    def line(piece: Piece) -> PieceLine:
        last = given[piece.id][-1] if given[piece.id] else None
        return PieceLine(
            piece_id=piece.id,
            where=piece.label,
            scene_title=titles[last.scene_id] if last else "",
            exposure_id=last.id if last else None,
            n_text=n_text(last.n) if last else "",
            judgement=judged.get(piece.id),
        )

    return tuple(line(each) for each in found)


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
