"""Calibrations that were worked out already: while something else is dragged they stay."""

from __future__ import annotations

from dataclasses import replace
from functools import lru_cache

from emulsa.core.picture.calibrated import PhotoCalibrateRequest
from emulsa.core.picture.mixture import Mixed, response
from emulsa.core.picture.places import Place, placed

KEPT = 16


def known(request: PhotoCalibrateRequest) -> tuple[tuple[Place, ...], Mixed]:
    """The readings where they lie and the picture's response by them, whatever tables are wanted;
    refused as ``photo_calibrate`` is."""
    return _known(replace(request, levels=None, pixels=None))


@lru_cache(maxsize=KEPT)
def _known(request: PhotoCalibrateRequest) -> tuple[tuple[Place, ...], Mixed]:
    places = tuple(placed(request))
    return places, response(request, places)
