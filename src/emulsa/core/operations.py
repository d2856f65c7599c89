"""The table of compute operations: one name, one request type, one answer type, one function.

Three doors lead here and none adds a rule: ``POST /api/compute/<name>``, ``emulsa compute <name>``
and the page's own worker. ``answer_json`` takes and gives JSON text.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from emulsa.core import wire
from emulsa.core.corrections import (
    aperture_choice,
    light_change,
    optics,
    pinhole,
    reciprocity,
)
from emulsa.core.darkroom import batches, process
from emulsa.core.development import time
from emulsa.core.errors import Unreadable
from emulsa.core.exposing import bracket, plans, schools
from emulsa.core.exposing.answer import ExposureAnswer
from emulsa.core.exposing.chain import exposure
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.light.metering import ReadingAnswer, ReadingRequest, reading


@dataclass(frozen=True)
class Operation:
    """One rule of the job, callable from every door; ``example`` is a request that runs."""

    name: str
    request: Any
    answer: Any
    function: Callable[[Any], Any]
    example: dict[str, Any]


EXPOSURE_EXAMPLE: dict[str, Any] = {
    "ei": 100,
    "readings": [
        {"id": "shade", "label": "Slate in shade", "reading": {"kind": "ev", "ev": 9}},
        {"id": "frost", "label": "Lit frost", "reading": {"kind": "ev", "ev": 15}},
    ],
    "placement": {"school": "shadow", "reading": "shade", "zone": 3},
    "high": {"reading": "frost", "zone": 8},
    "textural_range": [2, 8],
    "filters": [{"label": "Deep red", "factor": 8}],
    "optics": {"kind": "lens", "focal_length_mm": 150, "pupil_magnification": 1},
    "focus": {"kind": "draw", "draw_mm": 30},
    "solve_for": "time",
    "aperture": "32",
    "law": {"kind": "power", "exponent": 1.26, "from_s": 1},
}

TABLE: dict[str, Operation] = {
    operation.name: operation
    for operation in (
        Operation(
            "reading",
            ReadingRequest,
            ReadingAnswer,
            reading,
            {"kind": "time_at_aperture", "time": "1/2", "aperture": "22", "iso": 125},
        ),
        Operation("exposure", ExposureRequest, ExposureAnswer, exposure, EXPOSURE_EXAMPLE),
        Operation(
            "reciprocity",
            reciprocity.ReciprocityRequest,
            reciprocity.ReciprocityAnswer,
            reciprocity.reciprocity,
            {"law": {"kind": "power", "exponent": 1.26}, "metered_s": [4, 8, 15]},
        ),
        Operation(
            "bellows",
            optics.BellowsRequest,
            optics.BellowsAnswer,
            optics.bellows_operation,
            {
                "optics": {"kind": "lens", "focal_length_mm": 150},
                "focus": {"kind": "draw", "draw_mm": 30},
            },
        ),
        Operation(
            "pinhole",
            pinhole.PinholeRequest,
            pinhole.PinholeAnswer,
            pinhole.pinhole,
            {"diameter_mm": 0.2, "distance_mm": 30, "format_mm": [120, 95]},
        ),
        Operation(
            "light_change",
            light_change.LightChangeRequest,
            light_change.LightChangeAnswer,
            light_change.light_change,
            {
                "law": {"kind": "power", "exponent": 1.3},
                "intervals": [{"metered_s": 30, "elapsed_s": 40}],
                "now_metered_s": 60,
            },
        ),
        Operation(
            "aperture_choice",
            aperture_choice.ApertureChoiceRequest,
            aperture_choice.ApertureChoiceAnswer,
            aperture_choice.aperture_choice,
            {"focus_spread_mm": 5, "magnification": 0.5},
        ),
        Operation(
            "schools",
            schools.SchoolsRequest,
            schools.SchoolsAnswer,
            schools.schools,
            {"exposure": EXPOSURE_EXAMPLE, "habits": {"shadow_zone": 4}},
        ),
        Operation(
            "bracket",
            bracket.BracketRequest,
            bracket.BracketAnswer,
            bracket.bracket,
            {"exposure": EXPOSURE_EXAMPLE, "step_stops": 0.5, "frames": 3},
        ),
        Operation(
            "plans",
            plans.PlansRequest,
            plans.PlansAnswer,
            plans.plans,
            {
                "exposure": EXPOSURE_EXAMPLE,
                "choices": [{"ids": []}, {"ids": ["yellow"], "filters": [{"factor": 2}]}],
            },
        ),
        Operation(
            "development",
            time.DevelopmentRequest,
            time.DevelopmentAnswer,
            time.development,
            {
                "recipe": {"points": [{"n": 0, "minutes": 8.5, "origin": "personal"}]},
                "n": -1,
                "temperature_c": 21,
            },
        ),
        Operation(
            "batches",
            batches.BatchesRequest,
            batches.BatchesAnswer,
            batches.batches,
            {
                "sheets": [
                    {"id": "1A", "minutes": 6.8},
                    {"id": "1B", "minutes": 6.8, "weight": 0.5},
                    {"id": "3A", "minutes": 7.7},
                    {"id": "4A", "minutes": 11.5, "weight": 2},
                ],
                "capacity": 4,
                "max_runs": 2,
            },
        ),
        Operation(
            "process",
            process.ProcessRequest,
            process.ProcessAnswer,
            process.process,
            {
                "steps": [
                    {
                        "name": "Developer",
                        "kind": "developer",
                        "seconds": 410,
                        "agitation": "30+10",
                        "pour_s": 10,
                        "drain_s": 10,
                    },
                    {"name": "Stop", "kind": "stop", "seconds": 30, "agitation": "shuffle"},
                    {"name": "Fixer", "kind": "fixer", "seconds": 300, "agitation": "30+10"},
                ],
                "volume_ml": 500,
                "film_area_in2": 80,
                "chemistry": {"dilution": "1+50", "minimum_ml_per_roll": 6},
            },
        ),
    )
}


def find(name: str) -> Operation:
    """The operation called ``name``; Unreadable, with the names there are, otherwise."""
    if name not in TABLE:
        raise Unreadable(
            f"There is no operation “{name}”; there are {', '.join(TABLE)}.",
            field="operation",
            allowed=list(TABLE),
        )
    return TABLE[name]


def answer_json(name: str, request_json: str | bytes) -> str:
    """One operation from JSON text to JSON text; raises CoreError with a sentence and a field."""
    operation = find(name)
    return wire.dumps(operation.function(wire.loads(operation.request, request_json)))
