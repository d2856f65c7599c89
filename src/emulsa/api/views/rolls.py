"""Rolls, their frames and strips, as they are shown."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass

from emulsa.core.corrections.film_kinds import has_n, n_words
from emulsa.core.data.film_kinds import FilmKindName
from emulsa.core.development.ratings import pushed
from emulsa.core.film.formats import SheetFormat, format_name
from emulsa.core.film.pieces import Piece
from emulsa.core.film.roll_development import WantedFrame, planned_recipe, wanted
from emulsa.core.film.rolls import (
    Roll,
    Strip,
    frames_in,
    frames_text,
    is_out,
    rated,
    rating_text,
    strip_rated,
    unexposed_from,
)
from emulsa.core.film.states import State
from emulsa.core.kit.films import Film, FilmRecipe
from emulsa.core.logged.comparison import MOST
from emulsa.core.logged.record import Shot
from emulsa.core.logged.texts import part_text, twice_text
from emulsa.core.numbers import plain
from emulsa.core.versions import version_of
from emulsa.store import attachments, exposures, films, holders, pieces, preferences, scenes
from emulsa.store import rolls as store
from emulsa.store.database import Connection


@dataclass(frozen=True)
class FrameView:
    """A frame in words; ``ei_text`` says its EI where it is not the roll's."""

    frame: int
    piece_id: str
    state: State
    weight: int
    n_text: str
    part_text: str
    twice_text: str
    ei_text: str
    scene_id: str | None
    scene_title: str
    exposure_id: str | None


@dataclass(frozen=True)
class StripView:
    """A strip, its frames in words (none when it is the whole roll), and what was chosen for it;
    ``out``: it can be developed."""

    strip: Strip
    frames_text: str
    n_text: str
    recipe_name: str
    out: bool


@dataclass(frozen=True)
class RollView:
    """A roll, its version, its frames and strips; ``rating`` says what its EI means,
    ``rest_from`` the first frame of an unexposed rest that can go into a camera again,
    ``picture_ids`` scans of its frames to look at side by side."""

    roll: Roll
    version: str
    film_name: str
    has_n: bool
    format_name: str
    rating: str
    rest_from: int | None
    frames: tuple[FrameView, ...]
    strips: tuple[StripView, ...]
    picture_ids: tuple[str, ...]


def roll_views(db: Connection) -> list[RollView]:
    """Every roll, latest first."""
    found = store.rolls(db)
    frames = pieces.of_rolls(db, [each.id for each in found])
    every = [piece for of_roll in frames.values() for piece in of_roll]
    shots = exposures.shots(db, [each.id for each in every])
    titles = scenes.titles(db, {each.scene_id for given in shots.values() for each in given})
    strips, by_id = store.strips(db), {each.id: each for each in films.films(db)}
    recipes = {each.id: each for each in films.recipes(db)}
    own = holders.formats(db)
    return [
        _view(
            roll,
            by_id[roll.film_id],
            frames[roll.id],
            strips.get(roll.id, []),
            recipes,
            (shots, titles),
            tuple(each.id for each in attachments.first_of_roll(db, roll.id)[:MOST]),
            own,
        )
        for roll in found
        if roll.film_id in by_id  # else it cannot be read, which is said
    ]


def wanted_frames(
    db: Connection, roll: Roll, strip: Strip, exposure_index: float | None = None
) -> tuple[WantedFrame, ...]:
    """A strip's exposed frames with the N each of them wants as it was really exposed, when the
    strip is developed as rated at ``exposure_index``, else as it stands."""
    film = films.film(db, roll.film_id)
    assert film is not None
    frames = frames_in(strip, pieces.of_roll(db, strip.roll_id))
    shots = exposures.shots(db, [each.id for each in frames])
    titles = scenes.titles(db, {each.scene_id for given in shots.values() for each in given})
    own = film.exposure_index
    asked = exposure_index or strip.exposure_index
    rated_at, reason = asked or strip_rated(roll, strip, own), roll.rating_reason
    push = pushed(rated_at, own, "push_pull" if asked else reason)
    hold = preferences.holds_highlights(db)
    return tuple(
        WantedFrame(
            frame=each.frame or 0,
            n=wanted(shots[each.id], push, own, hold),
            weight=each.weight,
            title=titles[shots[each.id][-1].scene_id],
            recipe_id=shots[each.id][-1].recipe_id,
        )
        for each in frames
        if shots.get(each.id)
    )


def recipe_for(db: Connection, roll: Roll, frames: Sequence[WantedFrame]) -> str | None:
    """The recipe a strip's frames were exposed for, else the film's own."""
    planned = planned_recipe(frames)
    if planned is not None:
        return planned
    recipe = films.recipe_of(db, roll.film_id, None)
    return recipe.id if recipe else None


def _view(
    roll: Roll,
    film: Film,
    frames: Sequence[Piece],
    strips: Sequence[Strip],
    recipes: dict[str, FilmRecipe],
    exposed: tuple[dict[str, list[Shot]], dict[str, str]],
    picture_ids: tuple[str, ...],
    own: tuple[SheetFormat, ...],
) -> RollView:
    shots, titles = exposed
    recipe = recipes.get(_recipe_id(roll, frames, strips, shots, recipes) or "")
    return RollView(
        roll=roll,
        version=version_of(roll),
        film_name=film.name,
        has_n=has_n(film.kind),
        format_name=format_name(roll.format, own),
        rating=rating_text(roll, film.exposure_index, recipe.recipe if recipe else None),
        rest_from=None if roll.place == "camera" else unexposed_from(frames),
        frames=tuple(_frame(each, roll, film, shots.get(each.id, []), titles) for each in frames),
        strips=tuple(
            StripView(
                each,
                frames_text(roll, each),
                _developed(each.n, film.kind),
                recipes[each.recipe_id].name if each.recipe_id in recipes else "",
                is_out(roll, each),
            )
            for each in strips
        ),
        picture_ids=picture_ids,
    )


def _developed(n: float | None, kind: FilmKindName | None) -> str:
    """What a strip is developed for; nothing as long as it is to be chosen."""
    return "" if n is None and has_n(kind) else n_words(n or 0.0, kind)


def _recipe_id(
    roll: Roll,
    frames: Sequence[Piece],
    strips: Sequence[Strip],
    shots: dict[str, list[Shot]],
    recipes: dict[str, FilmRecipe],
) -> str | None:
    """The recipe a roll is most likely developed by: chosen, planned for its frames, the film's."""
    chosen = [each.recipe_id for each in strips if each.recipe_id]
    planned = [given[-1].recipe_id for each in frames if (given := shots.get(each.id))]
    votes = Counter(each for each in chosen or planned if each)
    if votes:
        return votes.most_common(1)[0][0]
    own = (each.id for each in recipes.values() if each.film_id == roll.film_id)
    return next(own, None)


def _frame(
    frame: Piece, roll: Roll, film: Film, shots: list[Shot], titles: dict[str, str]
) -> FrameView:
    last = shots[-1] if shots else None
    ei = rated(roll, film.exposure_index)
    other = last is not None and last.exposure_index not in (None, ei)
    return FrameView(
        frame=frame.frame or 0,
        piece_id=frame.id,
        state=frame.state,
        weight=frame.weight,
        n_text=n_words(last.n, last.film_kind) if last else "",
        part_text=part_text(last) if last else "",
        twice_text=twice_text(each.share for each in shots),
        ei_text=f"EI {plain(last.exposure_index or 0)}" if last and other else "",
        scene_id=last.scene_id if last else None,
        scene_title=titles[last.scene_id] if last else "",
        exposure_id=last.id if last else None,
    )
