"""Exposed film that waits for the darkroom: sheets, and strips whose development is chosen."""

from __future__ import annotations

from emulsa.core.darkroom.waiting import WaitingFilm
from emulsa.core.development.choice import Choice
from emulsa.core.film.pieces import Piece
from emulsa.core.film.rolls import Roll, Strip, strip_text
from emulsa.core.logged.record import Shot
from emulsa.core.logged.texts import set_text
from emulsa.store import exposures, pieces, rolls, scenes
from emulsa.store.database import Connection


def waiting_film(db: Connection) -> tuple[list[WaitingFilm], tuple[str, ...]]:
    """Sheets and chosen strips that wait, and the strips nobody chose a development for."""
    exposed = pieces.in_state(db, "exposed")
    given = exposures.last_of_pieces(db, [each.id for each in exposed])
    titles = scenes.titles(db, list({each.scene_id for each in given.values()}))
    waiting = [
        _waiting_sheet(each, given[each.id], titles)
        for each in exposed
        if each.roll_id is None and each.id in given
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
                and each.id in given
            ]
            if frames and strip.n is None:
                undecided.append(strip_text(roll, strip))
            elif frames:
                last = [given[each.id] for each in frames]
                waiting.append(_waiting_strip(roll, strip, frames, last))
    return waiting, tuple(undecided)


def _waiting_sheet(sheet: Piece, last: Shot, titles: dict[str, str]) -> WaitingFilm:
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
        exposure_index=last.exposure_index,
        weight=sheet.weight,
        choice=sheet.choice or Choice(),
    )


def _waiting_strip(roll: Roll, strip: Strip, frames: list[Piece], last: list[Shot]) -> WaitingFilm:
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
        weight=max(each.weight for each in frames),
        choice=frames[0].choice or Choice(),
    )
