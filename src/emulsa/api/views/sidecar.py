"""What a sidecar beside a scan says of its exposure."""

from __future__ import annotations

from typing import Any

from emulsa.api.lookup import needed
from emulsa.api.routing import Db
from emulsa.core.corrections.film_kinds import n_words
from emulsa.core.errors import CoreError
from emulsa.core.film.pieces import Piece
from emulsa.core.light.marks import f_number
from emulsa.core.logged.record import Exposure
from emulsa.core.outing.record import Outing
from emulsa.core.scene.record import Scene
from emulsa.exchange.sidecar import Sidecar
from emulsa.store import (
    exposures,
    films,
    kit,
    outings,
    pieces,
    scenes,
)


def sidecar_of(db: Db, id_: str) -> Sidecar:
    """What a sidecar says of an exposure."""
    exposure, scene, outing, piece = found(db, id_)
    lens = kit.lens(db, exposure.taken.lens_id)
    return Sidecar(
        exposed_at=exposure.exposed_at,
        seconds=exposure.seconds,
        f_number=_f_number(exposure),
        iso=exposure.taken.exposure_index,
        focal_length_mm=lens.optics.focal_length_mm if lens else None,
        description=", ".join(each for each in (scene.title, outing.place, exposure.note) if each),
        holder=piece.label,
        n=n_words(exposure.n, exposure.film_kind),
        film=films.names(db)[piece.film_id],
        zones=tuple(
            f"{fall['zone_text']} {reading.get('label', '')}".strip()
            for reading, fall in tones_of(exposure)
        ),
        latitude=outing.latitude,
        longitude=outing.longitude,
    )


def found(db: Db, id_: str) -> tuple[Exposure, Scene, Outing, Piece]:
    """An exposure, its scene, its outing and its film."""
    exposure = needed(exposures.exposure(db, id_), "This exposure was not found in the log.")
    scene = needed(scenes.scene(db, exposure.scene_id), "Its scene is gone.")
    outing = needed(outings.outing(db, scene.outing_id), "Its outing is gone.")
    return exposure, scene, outing, needed(pieces.piece(db, exposure.piece_id), "Its film is gone.")


def tones_of(exposure: Exposure) -> list[tuple[dict[str, Any], dict[str, Any]]]:
    """Readings of the day with where each fell on this frame."""
    readings, falls = exposure.request.get("readings", []), exposure.answer.get("falls", [])
    return list(zip(readings, falls, strict=False))


def _f_number(exposure: Exposure) -> float | None:
    try:
        return f_number(exposure.aperture)
    except CoreError:
        return None
