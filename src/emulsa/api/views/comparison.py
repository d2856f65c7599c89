"""What one sees of negatives side by side."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from pathlib import Path

from emulsa.api.routing import Db
from emulsa.api.views.exposures import filter_names, lens_name
from emulsa.api.views.sidecar import found
from emulsa.core.corrections.film_kinds import n_words
from emulsa.core.darkroom.run import Run
from emulsa.core.film.judgement import Judgement
from emulsa.core.film.pieces import Piece
from emulsa.core.light.hand_time import minutes_text
from emulsa.core.logged.attachment import Attachment, NamedPlace, scanned_text
from emulsa.core.logged.comparison import Difference, Facts, differences, matched
from emulsa.core.logged.record import Exposure
from emulsa.core.logged.texts import part_of, set_text
from emulsa.core.numbers import plain
from emulsa.core.versions import version_of
from emulsa.exchange import pictures, tiles
from emulsa.store import films, runs


@dataclass(frozen=True)
class Seen:
    """A scan as it stands beside others; ``levels``: how many sizes there are tiles of, none where
    the original is not; ``gain``: by what its levels are multiplied to match."""

    id: str
    name: str
    title: str
    exposure_id: str | None
    piece_id: str | None
    width: int
    height: int
    levels: int
    gain: float
    judgement: Judgement | None
    judgement_version: str
    in_bracket: bool
    judged: bool


@dataclass(frozen=True)
class Comparison:
    """Scans side by side, what differs, the places that were named in any of them, and in which."""

    seen: tuple[Seen, ...]
    differs: tuple[Difference, ...]
    places: tuple[NamedPlace, ...]
    named: dict[str, list[str]]
    tile_px: int


def compared(
    db: Db, folder: Path, of: Sequence[Attachment], place: tuple[float, float] | None
) -> Comparison:
    """The scans, as they are looked at together."""
    greys = [_grey(folder, each, place) for each in of]
    told = [_told(db, each) for each in of]
    named = {place.name: place for each in reversed(of) for place in each.places}
    return Comparison(
        seen=tuple(
            _seen(db, folder, each, gain) for each, gain in zip(of, matched(greys), strict=True)
        ),
        differs=differences(told),
        places=tuple(sorted(named.values(), key=lambda each: each.name.casefold())),
        named={
            name: [each.id for each in of if any(place.name == name for place in each.places)]
            for name in named
        },
        tile_px=tiles.TILE_PX,
    )


def _grey(folder: Path, of: Attachment, place: tuple[float, float] | None) -> float | None:
    if place is None or not pictures.openable():
        return None
    return pictures.grey_at(pictures.view(folder, of.digest, of.media_type), *place)


def _seen(db: Db, folder: Path, of: Attachment, gain: float) -> Seen:
    width, height = pictures.upright_size(folder, of)
    here = pictures.openable() and pictures.original(folder, of.digest, of.media_type).exists()
    title, piece, exposure, judged = of.name, None, None, None
    if of.exposure_id is not None:
        exposure, scene, _, piece = found(db, of.exposure_id)
        judged = runs.judgements(db, [piece.id]).get(piece.id)
        part = part_of(exposure.share, exposure.bracket_id, exposure.bracket_stops)
        title = " · ".join(each for each in (piece.label, scene.title, part) if each)
    return Seen(
        id=of.id,
        name=of.name,
        title=title,
        exposure_id=of.exposure_id,
        piece_id=piece.id if piece else None,
        width=width,
        height=height,
        levels=tiles.levels(width, height) if here else 0,
        gain=gain,
        judgement=judged,
        judgement_version=version_of(judged) if judged else "",
        in_bracket=exposure is not None and exposure.bracket_id is not None,
        judged=piece is not None and piece.state in ("developed", "judged"),
    )


def _told(db: Db, of: Attachment) -> Facts:
    scanned = scanned_text(of.scanned) if of.scanned else ""
    if of.exposure_id is None:
        return Facts(scanned=scanned)
    exposure, _, _, piece = found(db, of.exposure_id)
    run = runs.run(db, piece.run_id)
    return Facts(
        film=_film(db, exposure, piece),
        developer=_developer(db, exposure, run, piece.film_id),
        given=_given(exposure, run),
        lens=", ".join(filter(None, (lens_name(db, exposure), *filter_names(db, exposure)))),
        exposure=set_text(exposure.aperture, exposure.seconds, exposure.mark),
        light=part_of(exposure.share, exposure.bracket_id, exposure.bracket_stops) or "as planned",
        scanned=scanned,
    )


def _film(db: Db, exposure: Exposure, piece: Piece) -> str:
    ei = exposure.taken.exposure_index
    name = films.names(db)[piece.film_id]
    return name if ei is None else f"{name}, EI {plain(ei)}"


def _developer(db: Db, exposure: Exposure, run: Run | None, film_id: str) -> str:
    recipe = films.recipe(db, run.recipe_id if run else None)
    if recipe is None or recipe.film_id != film_id:  # it shared the tank of another film
        recipe = films.recipe(db, exposure.recipe_id) or recipe
    return recipe.name if recipe else ""


def _given(exposure: Exposure, run: Run | None) -> str:
    n = n_words(exposure.n if run is None or run.n is None else run.n, exposure.film_kind)
    return n if run is None or run.minutes is None else f"{minutes_text(run.minutes)}, {n}"
