"""The log as it is shown: its lines, an exposure's story, what a sidecar says of it."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from typing import Any

from emulsa.api.routing import Db
from emulsa.api.views.exposures import ExposureView, filter_names, in_words, lens_name
from emulsa.api.views.pictures import ScanTold, Together, scan_told, together
from emulsa.api.views.prints import made_text
from emulsa.api.views.sidecar import found, tones_of
from emulsa.api.views.slips import slips
from emulsa.core.corrections.film_kinds import n_words
from emulsa.core.darkroom.run import Run, went_text
from emulsa.core.development.choice import choice_text
from emulsa.core.development.ratings import RATING_WORDS, is_push, pushed_words
from emulsa.core.exposing.slip import Slip
from emulsa.core.film.judgement import Judgement, afterwards, next_time, showed
from emulsa.core.film.latitude import latitude_text
from emulsa.core.film.pieces import Piece
from emulsa.core.film.states import SAID, State
from emulsa.core.light.hand_time import minutes_text
from emulsa.core.logged.attachment import Attachment
from emulsa.core.logged.record import Exposure
from emulsa.core.logged.texts import against_plan, doubts_of, off_text, part_of, set_text
from emulsa.core.numbers import plain
from emulsa.core.outing.record import Outing
from emulsa.core.scene.record import Scene
from emulsa.core.tones.development_number import n_text
from emulsa.core.versions import version_of
from emulsa.core.written import stops_text, temperature_text
from emulsa.store import (
    attachments,
    exposures,
    films,
    log,
    pieces,
    preferences,
    prints,
    runs,
    stock,
)
from emulsa.store.log import Entry, Month, Sought
from emulsa.store.prints import KeptPrint


@dataclass(frozen=True)
class LogLine:
    """An exposure as a line of the log, in words."""

    exposure_id: str
    exposed_at: str
    where: str
    kept_in: str
    state: State
    scene_id: str
    scene_title: str
    outing_title: str
    film_name: str
    lens_name: str
    filter_names: str
    set_text: str
    n_text: str
    part_text: str
    error_text: str
    cost: float | None
    note: str
    picture_id: str | None
    n: float
    error_stops: float
    off_text: str
    printed: bool
    slip: Slip | None


@dataclass(frozen=True)
class CountedN:
    """So many exposures of one film planned for one N, by its words."""

    n: float
    n_text: str
    film_name: str
    count: int


@dataclass(frozen=True)
class LogShape:
    """What matches, seen from afar: how much of it for which N, and in which month. Each is counted
    as if it were not itself narrowed, so that one can go from one to the other."""

    by_n: list[CountedN]
    by_month: list[Month]


@dataclass(frozen=True)
class LogPage:
    """A page of the log; ``next`` asks for the one after it, ``total`` is counted on the first."""

    lines: list[LogLine]
    next: int | None
    total: int | None
    counted_to: int


@dataclass(frozen=True)
class StoryPrint:
    """A print of the negative: how many were made, and what became of the final one."""

    id: str
    title: str
    says: str


@dataclass(frozen=True)
class StoryStep:
    """A step of the film's way, with its moment."""

    at: str
    said: str
    note: str


@dataclass(frozen=True)
class Story:
    """An exposure from its box to its judgement; ``ledger`` is the one of the day, kept whole,
    ``scans`` how each of its pictures was made, ``n_why`` who decided N, ``doubts`` what was
    unsure of it then; ``picture_id`` the picture its scene was metered by."""

    exposure: ExposureView
    scene: Scene
    outing: Outing
    film_id: str
    film_name: str
    lens_name: str
    filter_names: list[str]
    box: str
    state: State
    kept_in: str
    steps: list[StoryStep]
    ledger: list[dict[str, Any]]
    n_why: str
    doubts: list[str]
    rating_text: str
    core_version: str
    planned_text: str
    readings: list[str]
    shares: list[ExposureView]
    run: Run | None
    run_text: str
    went_text: str
    decided: str
    judgement: Judgement | None
    judgement_version: str
    in_bracket: bool
    showed: str
    next_time: str
    afterwards: str
    latitude_text: str
    attachments: list[Attachment]
    scans: dict[str, ScanTold]
    together: tuple[Together, ...]
    prints: tuple[StoryPrint, ...]
    picture_id: str | None


def story_of(db: Db, id_: str) -> Story:
    """Everything that is known of one exposure."""
    exposure, scene, outing, piece = found(db, id_)
    box = stock.stock(db, piece.stock_id)
    judged = runs.judgements(db, [piece.id]).get(piece.id)
    answer, run = exposure.answer, runs.run(db, piece.run_id)
    hold = preferences.holds_highlights(db)
    return Story(
        exposure=in_words(exposure, piece.label, hold),
        scene=scene,
        outing=outing,
        film_id=piece.film_id,
        film_name=films.names(db)[piece.film_id],
        lens_name=lens_name(db, exposure),
        filter_names=filter_names(db, exposure),
        box=f"box of {box.count}, {box.emulsion or 'no emulsion number'}" if box else "",
        state=piece.state,
        kept_in=piece.kept_in,
        steps=[
            StoryStep(each.at, SAID[each.move], each.note) for each in pieces.steps(db, piece.id)
        ],
        ledger=[_rewritten(row) for row in answer.get("ledger", [])],
        n_why=answer.get("development", {}).get("why", ""),
        doubts=doubts_of(exposure),
        rating_text=_rating_text(exposure),
        core_version=exposure.core_version,
        planned_text=against_plan(exposure),
        readings=[
            f"{each.get('label') or 'reading'}, zone {fall['zone_text']}"
            for each, fall in tones_of(exposure)
        ],
        shares=[
            in_words(each, piece.label, hold)
            for each in exposures.of_piece(db, piece.id)
            if each.id != id_
        ],
        run=run,
        run_text=_run_text(run) if run else "",
        went_text=went_text(run.went) if run and run.went else "",
        decided=_decided(db, piece),
        judgement=judged,
        judgement_version=version_of(judged) if judged else "",
        in_bracket=exposure.bracket_id is not None,
        showed=showed(judged) if judged else "",
        next_time=next_time(judged) if judged else "",
        afterwards=afterwards(judged) if judged else "",
        latitude_text=_latitude_text(db, exposure.bracket_id),
        attachments=(scans := attachments.of_exposure(db, id_)),
        scans={each.id: scan_told(each) for each in scans},
        together=together(db, exposure, piece),
        prints=tuple(_printed(each) for each in prints.lines(db, id_)),
        picture_id=picture.id if (picture := attachments.of_scene(db, scene.id)) else None,
    )


def _latitude_text(db: Db, bracket_id: str | None) -> str:
    """How far the bracket of an exposure prints; nothing without one."""
    if bracket_id is None:
        return ""
    frames = exposures.bracket_frames(db, bracket_id)
    judged = runs.judgements(db, list(frames))
    return latitude_text((at, judged[piece]) for piece, at in frames.items() if piece in judged)


def _rating_text(exposure: Exposure) -> str:
    """Why film was exposed at another index than its own, as it was said; nothing where it was
    not. What was brought in without a plan says no index but its own."""
    taken, usual = exposure.taken, exposure.request.get("usual_ei")
    words = RATING_WORDS[taken.rating_reason] if taken.rating_reason else ""
    if taken.exposure_index is None or taken.exposure_index == usual:
        return ""
    if usual is None:
        return f"EI {plain(taken.exposure_index)}: {words}" if words else ""
    stops = math.log2(taken.exposure_index / usual)
    if is_push(taken.rating_reason, stops):
        words = pushed_words(stops)
    said = f"EI {plain(taken.exposure_index)}, the film's own is {plain(usual)}"
    return f"{said}: {words}" if words else said


def _rewritten(row: dict[str, Any]) -> dict[str, Any]:
    """A kept row of the sums; its stops as they are written now."""
    return {**row, "stops_text": stops_text(row["stops"])} if row.get("stops_text") else row


def _run_text(run: Run) -> str:
    """A run's name, its time and its warmth, as the darkroom says them."""
    minutes = "" if run.minutes is None else minutes_text(run.minutes)
    warm = "" if run.temperature_c is None else temperature_text(run.temperature_c)
    return ", ".join(each for each in (f"Run “{run.name}”", minutes, warm) if each)


def _decided(db: Db, piece: Piece) -> str:
    if piece.choice is None:
        return ""
    recipe = films.recipe(db, piece.choice.recipe_id)
    return choice_text(piece.choice, recipe.name if recipe else "")


def lines(db: Db, entries: list[Entry]) -> list[LogLine]:
    drawn = slips(db, [each.exposure_id for each in entries])
    return [_line(each, drawn.get(each.exposure_id)) for each in entries]


def shape(db: Db, sought: Sought) -> LogShape:
    """The log from afar."""
    return LogShape(
        [
            CountedN(each.n, n_text(each.n), each.film_name, each.count)
            for each in log.by_n(db, replace(sought, n=None))
        ],
        log.by_month(db, replace(sought, day_from="", day_to="")),
    )


def _line(entry: Entry, slip: Slip | None) -> LogLine:
    return LogLine(
        exposure_id=entry.exposure_id,
        exposed_at=entry.exposed_at,
        where=entry.where,
        kept_in=entry.kept_in,
        state=entry.state,
        scene_id=entry.scene_id,
        scene_title=entry.scene_title,
        outing_title=entry.outing_title,
        film_name=entry.film_name,
        lens_name=entry.lens_name,
        filter_names=entry.filter_names,
        set_text=set_text(entry.aperture, entry.seconds, entry.mark),
        n_text=n_words(entry.n, entry.film_kind),
        part_text=part_of(entry.share, entry.bracket_id, entry.bracket_stops),
        error_text=stops_text(entry.error_stops),
        cost=entry.cost,
        note=entry.note,
        picture_id=entry.picture_id,
        n=entry.n,
        error_stops=entry.error_stops,
        off_text=off_text(entry.error_stops),
        printed=entry.printed,
        slip=slip,
    )


def _printed(found: KeptPrint) -> StoryPrint:
    said, final = [made_text(found)], found.final
    if final is not None:
        kept = (f"print {final.number} is final", final.edition, final.toning, final.hangs)
        said += [each for each in kept if each]
    return StoryPrint(found.print.id, found.print.title, ", ".join(said))
