"""Requests the tests start from."""

from dataclasses import replace
from typing import Any

from emulsa.core import operations, wire
from emulsa.core.exposing.request import ExposureRequest


def canonical(**changes: Any) -> ExposureRequest:
    """The contract's own example: shade on III, lit frost, deep red, 30 mm of draw, f/32."""
    request: ExposureRequest = wire.decode(ExposureRequest, operations.EXPOSURE_EXAMPLE)
    return replace(request, **changes)
