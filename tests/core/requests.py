"""Requests the tests start from."""

from dataclasses import replace
from typing import Any

from emulsa.core import wire
from emulsa.core.data import examples
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.logged.record import Shot


def canonical(**changes: Any) -> ExposureRequest:
    """The contract's own example: shade on III, lit frost, deep red, 30 mm of draw, f/32."""
    request: ExposureRequest = wire.decode(ExposureRequest, examples.EXPOSURE_EXAMPLE)
    return replace(request, **changes)


def shot(**more: Any) -> Shot:
    """One exposure of a piece: f/32, 1 s, as planned for N, in recipe r, at EI 100."""
    plain = {
        "id": "e",
        "piece_id": "p",
        "scene_id": "s",
        "exposed_at": "",
        "aperture": "32",
        "seconds": 1.0,
        "error_stops": 0.0,
        "n": 0.0,
        "development_change": 1.0,
        "recipe_id": "r",
        "exposure_index": 100.0,
    }
    return Shot(**{**plain, **more})
