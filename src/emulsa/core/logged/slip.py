"""A logged exposure as a slip: where the readings of the day fell, as its plan was kept."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from emulsa.core import wire
from emulsa.core.data.film_kinds import FilmKindName
from emulsa.core.exposing.falls import FilmTones
from emulsa.core.exposing.slip import Slip, SlipTick, slip
from emulsa.core.rendering.own_film import OwnFilm
from emulsa.core.tones.development_number import TARGET
from emulsa.core.tones.textural_range import TYPICAL


@dataclass(frozen=True, slots=True)
class KeptTones:
    """What of a kept plan its slip is drawn from: JSON as it was kept, empty where nothing was."""

    n: float
    readings: list[dict[str, Any]]
    falls: list[dict[str, Any]]
    placement: dict[str, Any]
    high: dict[str, Any]
    textural_range: list[float]
    own_film: dict[str, Any] | None
    ei: float | None
    film_kind: FilmKindName | None = None


def kept_slip(kept: KeptTones) -> Slip | None:
    """The slip of the day; nothing for an exposure that was brought in without readings."""
    if not kept.falls:
        return None
    placed = kept.placement.get("reading")
    own = wire.decode(OwnFilm, kept.own_film) if kept.own_film else None
    low, high = kept.textural_range or TYPICAL
    return slip(
        (
            SlipTick(
                fall["zone"],
                reading.get("label", ""),
                reading.get("id") == placed,
                fall.get("lost", ""),
            )
            for reading, fall in zip(kept.readings, kept.falls, strict=False)
        ),
        FilmTones((low, high), own, kept.ei or 100.0),
        kept.n,
        kept.high.get("zone", TARGET),
        kept.film_kind,
    )
