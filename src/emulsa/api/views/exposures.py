"""Exposures as they are shown: without the sums they were made from, which their story keeps."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.api.routing import Db
from emulsa.core.corrections.film_kinds import n_words
from emulsa.core.light.marks import ApertureMark
from emulsa.core.logged.log import as_developed
from emulsa.core.logged.record import Exposure, Shot
from emulsa.core.logged.texts import off_text, part_text, set_text
from emulsa.core.versions import version_of
from emulsa.store import kit


@dataclass(frozen=True)
class ExposureView:
    """A logged exposure: what was given, where the film is, how far off it was, and its place in a
    bracket or a multiple exposure. ``n`` is the planned one, ``development_text`` says what the
    error makes of it."""

    id: str
    version: str
    scene_id: str
    piece_id: str
    where: str
    exposed_at: str
    aperture: ApertureMark
    seconds: float
    set_text: str
    n: float
    n_text: str
    development_text: str
    recipe_id: str | None
    error_stops: float
    off_text: str
    share: float
    part_text: str
    note: str
    cost: float | None


def in_words(exposure: Exposure, where: str, hold_highlights: bool = False) -> ExposureView:
    return ExposureView(
        id=exposure.id,
        version=version_of(exposure),
        scene_id=exposure.scene_id,
        piece_id=exposure.piece_id,
        where=where,
        exposed_at=exposure.exposed_at,
        aperture=exposure.aperture,
        seconds=exposure.seconds,
        set_text=set_text(exposure.aperture, exposure.seconds, exposure.mark),
        n=exposure.n,
        n_text=n_words(exposure.n, exposure.film_kind),
        development_text=as_developed(
            exposure.n, exposure.error_stops, hold_highlights, exposure.film_kind
        ),
        recipe_id=exposure.recipe_id,
        error_stops=exposure.error_stops,
        off_text=off_text(exposure.error_stops),
        share=exposure.share,
        part_text=part_text(exposure),
        note=exposure.note,
        cost=exposure.taken.cost,
    )


def shot_text(shots: list[Shot]) -> str:
    """The N a piece was last exposed for, and its place in a bracket."""
    if not shots:
        return ""
    return ", ".join(
        each for each in (n_words(shots[-1].n, shots[-1].film_kind), part_text(shots[-1])) if each
    )


def lens_name(db: Db, exposure: Exposure) -> str:
    """What it was taken through: its lens or pinhole."""
    lens, pinhole = exposure.taken.lens_id, exposure.taken.pinhole_id
    found = kit.lens(db, lens) or kit.pinhole(db, pinhole)
    return found.name if found else ""


def filter_names(db: Db, exposure: Exposure) -> list[str]:
    """The filters it was taken with."""
    chosen = [kit.filter_(db, each) for each in exposure.taken.filter_ids]
    return [each.name for each in chosen if each is not None]
