"""Rolls, their frames and strips, as they are shown."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.api.versions import version_of
from emulsa.core.film.formats import frame_format
from emulsa.core.film.pieces import Piece
from emulsa.core.film.roll_development import WantedFrame
from emulsa.core.film.rolls import Roll, Strip, rating_text
from emulsa.core.film.states import State
from emulsa.core.tones.development_number import n_text
from emulsa.store import exposures, films, pieces, scenes
from emulsa.store import rolls as store
from emulsa.store.database import Connection


@dataclass(frozen=True)
class FrameView:
    """A frame in words."""

    frame: int
    piece_id: str
    state: State
    weight: int
    n_text: str
    scene_id: str | None
    scene_title: str
    exposure_id: str | None


@dataclass(frozen=True)
class StripView:
    """A strip and what was chosen for it."""

    strip: Strip
    n_text: str
    recipe_name: str


@dataclass(frozen=True)
class RollView:
    """A roll, its version, its frames and strips; ``rating`` says what its EI means."""

    roll: Roll
    version: str
    film_name: str
    format_name: str
    rating: str
    frames: tuple[FrameView, ...]
    strips: tuple[StripView, ...]


def wanted_frames(db: Connection, strip: Strip) -> tuple[WantedFrame, ...]:
    """A strip's exposed frames with the N each of them wants."""
    frames = frames_of(db, strip)
    given = exposures.of_pieces(db, [each.id for each in frames])
    titles = scenes.titles(db, [each.scene_id for found in given.values() for each in found])
    return tuple(
        WantedFrame(
            frame=each.frame or 0,
            n=given[each.id][-1].n,
            weight=each.weight,
            title=titles[given[each.id][-1].scene_id],
        )
        for each in frames
        if given[each.id]
    )


def frames_of(db: Connection, strip: Strip) -> list[Piece]:
    """The frames of a strip."""
    return [
        each
        for each in pieces.of_roll(db, strip.roll_id)
        if strip.first_frame <= (each.frame or 0) <= strip.last_frame
    ]


def views(db: Connection, only: str | None = None) -> list[RollView]:
    names = {each.id: each for each in films.films(db)}
    recipes = {each.id: each.name for each in films.recipes(db)}
    strips = store.strips(db)
    found = []
    for roll in store.rolls(db):
        if only is not None and roll.id != only:
            continue
        film = names[roll.film_id]
        found.append(
            RollView(
                roll=roll,
                version=version_of(roll),
                film_name=film.name,
                format_name=frame_format(roll.format).name,
                rating=rating_text(roll, film.exposure_index),
                frames=_frames(db, roll),
                strips=tuple(
                    StripView(
                        each,
                        "" if each.n is None else n_text(each.n),
                        recipes.get(each.recipe_id or "", ""),
                    )
                    for each in strips.get(roll.id, [])
                ),
            )
        )
    return found


def _frames(db: Connection, roll: Roll) -> tuple[FrameView, ...]:
    frames = pieces.of_roll(db, roll.id)
    given = exposures.of_pieces(db, [each.id for each in frames])
    titles = scenes.titles(db, [each.scene_id for found in given.values() for each in found])

    def view(frame: Piece) -> FrameView:
        last = given[frame.id][-1] if given[frame.id] else None
        return FrameView(
            frame=frame.frame or 0,
            piece_id=frame.id,
            state=frame.state,
            weight=frame.weight,
            n_text=n_text(last.n) if last else "",
            scene_id=last.scene_id if last else None,
            scene_title=titles[last.scene_id] if last else "",
            exposure_id=last.id if last else None,
        )

    return tuple(view(each) for each in frames)
