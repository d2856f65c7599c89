"""Runs and the film in them, as they are shown."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.api.film_area import Areas
from emulsa.core.darkroom.run import Run
from emulsa.core.film.judgement import Judgement
from emulsa.core.film.pieces import Piece
from emulsa.core.light.hand_time import minutes_text
from emulsa.core.tones.development_number import n_text
from emulsa.store import exposures, pieces, runs, scenes
from emulsa.store.database import Connection


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
    """A run, and the film in it with its area."""

    run: Run
    n_text: str
    minutes_text: str
    area_in2: float
    pieces: tuple[PieceLine, ...]


def run_view(db: Connection, run: Run) -> RunView:
    minutes = "" if run.minutes is None else minutes_text(run.minutes)
    found = pieces.of_run(db, run.id)
    return RunView(run, n_text(run.n), minutes, Areas(db).in2(found), piece_lines(db, found))


def piece_lines(db: Connection, found: list[Piece]) -> tuple[PieceLine, ...]:
    ids = [each.id for each in found]
    given, judged = exposures.of_pieces(db, ids), runs.judgements(db, ids)
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
