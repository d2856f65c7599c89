"""What was really given to a sheet, and how far off it was."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from emulsa.core import wire
from emulsa.core.exposing.request import DevelopmentNumber, ExposureRequest
from emulsa.core.exposing.setting import error_stops
from emulsa.core.exposure import exposure, metered_at
from emulsa.core.light import marks
from emulsa.core.light.marks import ApertureMark, TimeMark
from emulsa.core.limits import Id, Label, Note


@dataclass(frozen=True, kw_only=True, slots=True)
class Given:
    """An exposure as it is reported: empty aperture or time mean *as planned*."""

    id: Id
    scene_id: Id
    sheet_id: Id
    aperture: ApertureMark | None = None
    time: TimeMark | None = None
    note: Note = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class Correction:
    """What is put right later about a logged exposure; the plan it was made with stays."""

    aperture: ApertureMark
    time: TimeMark
    n: DevelopmentNumber
    recipe_id: Id | None = None
    note: Note = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class Exposure:
    """A logged exposure. ``request`` and ``answer`` are the plan as it was, never recomputed."""

    id: Id
    scene_id: Id
    sheet_id: Id
    exposed_at: Label
    aperture: ApertureMark
    seconds: float
    error_stops: float
    n: float
    development_change: float
    recipe_id: Id | None
    request: dict[str, Any]
    answer: dict[str, Any]
    core_version: str
    note: str


def log(
    given: Given, request: ExposureRequest, recipe_id: str | None, exposed_at: str, version: str
) -> Exposure:
    """The exposure as it goes into the log; raises as ``exposure`` does."""
    answer = exposure(request)
    aperture = given.aperture
    if aperture is None:
        aperture = request.aperture if request.aperture is not None else answer.set.f_number
    seconds = answer.set.seconds if given.time is None else marks.seconds(given.time)
    return Exposure(
        id=given.id,
        scene_id=given.scene_id,
        sheet_id=given.sheet_id,
        exposed_at=exposed_at,
        aperture=aperture,
        seconds=seconds,
        error_stops=given_error_stops(request, aperture, seconds),
        n=answer.development.n,
        development_change=answer.development.change,
        recipe_id=recipe_id,
        request=wire.encode(request),
        answer=wire.encode(answer),
        core_version=version,
        note=given.note,
    )


def given_error_stops(request: ExposureRequest, aperture: str | float, seconds: float) -> float:
    """Stops of light too much (+) or too little (−) that aperture and time really gave the film."""
    return error_stops(request.law, metered_at(request, aperture), seconds)
