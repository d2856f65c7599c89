"""Runs and the film in them, as they are shown."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from emulsa.core.cards.laboratory import SentPiece
from emulsa.core.corrections.film_kinds import n_words
from emulsa.core.darkroom.run import Run
from emulsa.core.film.judgement import Judgement
from emulsa.core.film.pieces import Piece
from emulsa.core.light.hand_time import minutes_text
from emulsa.core.logged.log import as_developed, light_stops
from emulsa.core.logged.texts import off_text, part_text
from emulsa.core.watch import minutes_typed
from emulsa.core.written import temperature_text
from emulsa.store import exposures, films, holders, pieces, preferences, runs, scenes
from emulsa.store.database import Connection


@dataclass(frozen=True)
class PieceLine:
    """A piece of film in a run or to be judged, in a line."""

    piece_id: str
    where: str
    scene_title: str
    exposure_id: str | None
    bracket_id: str | None
    n_text: str
    part_text: str
    judgement: Judgement | None


@dataclass(frozen=True)
class RunView:
    """A run, and the film in it with its area; ``minutes_typed`` is its time as it is typed."""

    run: Run
    n_text: str
    minutes_text: str
    minutes_typed: str
    temperature_text: str
    area_in2: float
    pieces: tuple[PieceLine, ...]


def run_view(db: Connection, run: Run) -> RunView:
    minutes = "" if run.minutes is None else minutes_text(run.minutes)
    found = pieces.of_run(db, run.id)
    area = holders.areas(db).in2(found)
    warm = "" if run.temperature_c is None else temperature_text(run.temperature_c)
    typed = "" if run.minutes is None else minutes_typed(float(round(60 * run.minutes)) / 60)
    film = films.film(db, found[0].film_id) if found else None
    called = n_words(run.n or 0.0, film.kind if film else None)
    return RunView(run, called, minutes, typed, warm, area, piece_lines(db, found))


def piece_lines(db: Connection, found: Sequence[Piece]) -> tuple[PieceLine, ...]:
    ids = [each.id for each in found]
    shots, judged = exposures.shots(db, ids), runs.judgements(db, ids)
    titles = scenes.titles(db, {each.scene_id for given in shots.values() for each in given})

    hold = preferences.holds_highlights(db)

    def line(piece: Piece) -> PieceLine:
        given = shots.get(piece.id, [])
        last = given[-1] if given else None
        off = light_stops(given) if given else 0.0
        return PieceLine(
            piece_id=piece.id,
            where=piece.label,
            scene_title=titles[last.scene_id] if last else "",
            exposure_id=last.id if last else None,
            bracket_id=last.bracket_id if last else None,
            n_text=_needed(last.n, off, hold) if last else "",
            part_text=part_text(last) if last else "",
            judgement=judged.get(piece.id),
        )

    return tuple(line(each) for each in found)


def sent(db: Connection, run: Run) -> tuple[SentPiece, ...]:
    """What goes to a laboratory, piece by piece, as it was exposed."""
    found = pieces.of_run(db, run.id)
    shots = exposures.shots(db, [each.id for each in found])
    on = {each.id: each for each in films.films(db)}

    def one(piece: Piece) -> SentPiece:
        last = next(iter(reversed(shots.get(piece.id, []))), None)
        film = on[piece.film_id]
        return SentPiece(
            where=piece.label,
            film=film.name,
            ei=last.exposure_index if last else None,
            box_ei=film.box_speed or film.exposure_index,
            n_text=n_words(last.n if last else 0.0, film.kind),
            note=off_text(light_stops(shots[piece.id])) if last else "",
        )

    return tuple(one(each) for each in found)


def _needed(n: float, off: float, hold: bool) -> str:
    """The N of a piece, and how far off it was exposed where that shows."""
    return ", ".join(each for each in (as_developed(n, off, hold), off_text(off)) if each)
