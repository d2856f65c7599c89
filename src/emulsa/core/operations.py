"""The table of compute operations: one name, one request type, one answer type, one function.

Three doors lead here and none adds a rule: ``POST /api/compute/<name>``, ``emulsa compute <name>``
and the page's own worker. ``answer_json`` takes and gives JSON text. A rule is loaded when it is
asked for: a door need not carry them all to open.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from importlib import import_module
from typing import Any

from emulsa.core import wire
from emulsa.core.data.examples import (
    CALIBRATION_EXAMPLE,
    CURVE_EXAMPLE,
    EXIF_EXAMPLE,
    EXPOSURE_EXAMPLE,
)
from emulsa.core.errors import Unreadable


@dataclass(frozen=True)
class Operation:
    """One rule of the job, callable from every door: where it stands, the names of its request,
    answer and function there, and a request that runs."""

    name: str
    module: str
    request_name: str
    answer_name: str
    example: dict[str, Any]
    function_name: str = ""

    def _of(self, name: str) -> Any:
        return getattr(import_module(f"emulsa.core.{self.module}"), name)

    @property
    def request(self) -> Any:
        return self._of(self.request_name)

    @property
    def answer(self) -> Any:
        return self._of(self.answer_name)

    @property
    def function(self) -> Callable[[Any], Any]:
        found: Callable[[Any], Any] = self._of(self.function_name or self.name)
        return found


TABLE: dict[str, Operation] = {
    operation.name: operation
    for operation in (
        Operation(
            "reading",
            "light.metering",
            "ReadingRequest",
            "ReadingAnswer",
            {"kind": "time_at_aperture", "time": "1/2", "aperture": "22", "iso": 125},
        ),
        Operation(
            "exposure",
            "exposing.chain",
            "ExposureRequest",
            "ExposureAnswer",
            EXPOSURE_EXAMPLE,
        ),
        Operation(
            "reciprocity",
            "corrections.reciprocity",
            "ReciprocityRequest",
            "ReciprocityAnswer",
            {"law": {"kind": "power", "exponent": 1.26}, "metered_s": [4, 8, 15]},
        ),
        Operation(
            "bellows",
            "corrections.optics",
            "BellowsRequest",
            "BellowsAnswer",
            {
                "optics": {"kind": "lens", "focal_length_mm": 150},
                "focus": {"kind": "draw", "draw_mm": 30},
            },
            "bellows_operation",
        ),
        Operation(
            "pinhole",
            "corrections.pinhole",
            "PinholeRequest",
            "PinholeAnswer",
            {"diameter_mm": 0.2, "distance_mm": 30, "format_mm": [120, 95]},
        ),
        Operation(
            "light_change",
            "corrections.light_change",
            "LightChangeRequest",
            "LightChangeAnswer",
            {
                "law": {"kind": "power", "exponent": 1.3},
                "intervals": [{"metered_s": 30, "elapsed_s": 40}],
                "now_metered_s": 60,
            },
        ),
        Operation(
            "aperture_choice",
            "corrections.aperture_choice",
            "ApertureChoiceRequest",
            "ApertureChoiceAnswer",
            {"focus_spread_mm": 5, "magnification": 0.5},
        ),
        Operation(
            "schools",
            "exposing.schools",
            "SchoolsRequest",
            "SchoolsAnswer",
            {"exposure": EXPOSURE_EXAMPLE, "habits": {"shadow_zone": 4}},
        ),
        Operation(
            "bracket",
            "exposing.bracket",
            "BracketRequest",
            "BracketAnswer",
            {"exposure": EXPOSURE_EXAMPLE, "step_stops": 0.5, "frames": 3},
        ),
        Operation(
            "plans",
            "exposing.plans",
            "PlansRequest",
            "PlansAnswer",
            {
                "exposure": EXPOSURE_EXAMPLE,
                "choices": [{"ids": []}, {"ids": ["yellow"], "filters": [{"factor": 2}]}],
            },
        ),
        Operation(
            "development",
            "development.time",
            "DevelopmentRequest",
            "DevelopmentAnswer",
            {
                "recipe": {"points": [{"n": 0, "minutes": 8.5, "origin": "personal"}]},
                "n": -1,
                "temperature_c": 21,
            },
        ),
        Operation(
            "batches",
            "darkroom.batches",
            "BatchesRequest",
            "BatchesAnswer",
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
            "darkroom.process",
            "ProcessRequest",
            "ProcessAnswer",
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
        Operation(
            "film_test",
            "sensitometry.film_test",
            "FilmTestRequest",
            "FilmTestAnswer",
            {"curves": [CURVE_EXAMPLE], "box_speed": 125},
        ),
        Operation(
            "compare_films",
            "sensitometry.compare",
            "CompareRequest",
            "CompareAnswer",
            {"reference": CURVE_EXAMPLE, "others": [{**CURVE_EXAMPLE, "id": "other"}]},
        ),
        Operation(
            "scan_density",
            "sensitometry.scanning",
            "ScanRequest",
            "ScanAnswer",
            {
                "encoding": "linear",
                "white": 65535,
                "clear_level": 52000,
                "samples": [{"id": "a", "level": 12000, "spread": 150}],
            },
        ),
        Operation(
            "learn",
            "sensitometry.learning",
            "LearnRequest",
            "LearnAnswer",
            {
                "ei": 100,
                "minutes_per_n": [{"n": -1, "minutes": 6.5}, {"n": 0, "minutes": 8.5}],
                "negatives": [
                    {"id": "1A", "shadow": "thin", "highlight": "full"},
                    {"id": "2B", "shadow": "none", "highlight": "flat"},
                ],
            },
        ),
        Operation(
            "test_strip",
            "printing.strip",
            "StripRequest",
            "StripAnswer",
            {"kind": "stops", "first_s": 8, "step_stops": 0.5, "strips": 6, "chosen": 3.5},
            "strip_times",
        ),
        Operation(
            "print_plan",
            "printing.plan",
            "PrintPlanRequest",
            "PrintPlanAnswer",
            {
                "parts": [
                    {"id": "soft", "label": "Soft filter", "seconds": 30},
                    {"id": "hard", "label": "Hard filter", "seconds": 15},
                ],
                "areas": [
                    {"id": "sky", "label": "Sky", "act": "burn", "part": "hard", "stops": 1},
                    {"id": "path", "label": "Path", "act": "dodge", "part": "soft", "seconds": 3},
                ],
                "lamp_lag_s": 0.2,
                "drying_down": 0.06,
                "change": {
                    "from": {"aperture": "16", "magnification": 2},
                    "to": {"aperture": "11", "magnification": 3},
                },
            },
        ),
        Operation(
            "paper_grade",
            "printing.grade",
            "PaperGradeRequest",
            "PaperGradeAnswer",
            {"low": 0.32, "high": 1.45},
        ),
        Operation(
            "picture_settings",
            "picture.settings",
            "PictureSettingsRequest",
            "PictureSettings",
            {"exif_base64": EXIF_EXAMPLE},
        ),
        Operation(
            "photo_calibrate",
            "picture.calibrate",
            "PhotoCalibrateRequest",
            "Calibration",
            CALIBRATION_EXAMPLE,
        ),
        Operation(
            "photo_spots",
            "picture.spots",
            "PhotoSpotsRequest",
            "PhotoSpots",
            {
                "calibration": CALIBRATION_EXAMPLE,
                "samples": [{"id": "bank", "area": {"level": 76}}],
            },
        ),
        Operation(
            "photo_reading",
            "picture.by_settings",
            "PhotoReadingRequest",
            "PhotoReadingAnswer",
            {
                "time": "1/125",
                "aperture": "8",
                "iso": 200,
                "encoding": "srgb",
                "white": 255,
                "samples": [{"id": "bank", "level": 76}, {"id": "sky", "level": [180, 200, 230]}],
            },
        ),
        Operation(
            "photo_preview",
            "rendering.preview",
            "PhotoPreviewRequest",
            "PhotoPreviewAnswer",
            {
                "plans": [
                    {"id": "normal", "camera_ev": 11},
                    {"id": "held", "placed": {"ev100": 9, "zone": 3}, "n": -1},
                ]
            },
        ),
        Operation(
            "scene_make",
            "practice.scene",
            "SceneMakeRequest",
            "SceneMade",
            {"scene": {"kind": "sun", "seed": 1}},
        ),
        Operation(
            "scene_meter",
            "practice.spot",
            "SceneMeterRequest",
            "SceneMetered",
            {"scene": {"kind": "sun", "seed": 1}, "aim": {"patch": "doorway"}, "angle_deg": 5},
        ),
        Operation(
            "scene_judge",
            "practice.verdict",
            "SceneJudgeRequest",
            "SceneJudged",
            {
                "scene": {"kind": "snow", "seed": 3},
                "placed": {"patch": "lit snow", "reading_ev100": 18, "zone": 5},
                "aperture": "22",
                "given_s": "1/500",
                "law": {"kind": "power", "exponent": 1.26},
            },
        ),
        Operation(
            "exercise",
            "practice.exercise",
            "ExerciseRequest",
            "Exercise",
            {"topic": "placement", "seed": 1},
        ),
        Operation(
            "exercise_judge",
            "practice.exercise",
            "ExerciseJudgeRequest",
            "ExerciseJudged",
            {"topic": "placement", "seed": 1, "given": 9},
        ),
        Operation(
            "practice_next",
            "practice.course",
            "PracticeNextRequest",
            "PracticeNext",
            {
                "today": 1,
                "history": [{"day": 0, "topic": "dial", "seed": 1, "level": 1, "given": 16}],
            },
        ),
        Operation(
            "sky",
            "sky.at",
            "SkyRequest",
            "SkyAnswer",
            {
                "place": {"latitude_deg": 53.1, "longitude_deg": -4.05},
                "moments": ["2026-01-17T09:20:00Z"],
            },
        ),
        Operation(
            "sky_day",
            "sky.day",
            "SkyDayRequest",
            "SkyDay",
            {
                "place": {"latitude_deg": 53.1, "longitude_deg": -4.05},
                "from": "2026-01-17T00:00:00Z",
                "bearings": [{"azimuth_deg": 210, "skyline_deg": 4}],
            },
        ),
        Operation(
            "sky_light",
            "light.estimated",
            "SkyLightRequest",
            "SkyLight",
            {"kind": "sky", "sky": "bright sun", "sun_altitude_deg": 12, "side": "side"},
        ),
        Operation(
            "star_time",
            "sky.stars",
            "StarTimeRequest",
            "StarTime",
            {"focal_length_mm": 90, "format_mm": [120, 95], "declination_deg": 40},
        ),
        Operation(
            "focus",
            "corrections.focusing",
            "FocusRequest",
            "FocusAnswer",
            {
                "focal_length_mm": 150,
                "format_mm": [120, 95],
                "depth": {"kind": "limits", "near_mm": 2000, "far_mm": 30000},
                "aperture": "45",
            },
        ),
        Operation(
            "corners",
            "corrections.corners",
            "CornersRequest",
            "Corners",
            {"focal_length_mm": 90, "format_mm": [120, 95], "rise_mm": 20, "circle_mm": 216},
        ),
        Operation(
            "film_kind",
            "corrections.film_kinds",
            "FilmKindRequest",
            "FilmKind",
            {"kind": "orthochromatic", "light": "tungsten", "ei": 100},
        ),
        Operation(
            "pre_exposure",
            "corrections.pre_exposure",
            "PreExposureRequest",
            "PreExposed",
            {"kind": "film", "zone": 2, "card_ev100": 10, "ei": 100, "aperture": "16"},
        ),
        Operation(
            "flash",
            "corrections.flash",
            "FlashRequest",
            "Flash",
            {"guide_number": 40, "distance": 4, "aperture": "16", "pops": 2},
        ),
        Operation(
            "aperture_scale",
            "light.old_scales",
            "ApertureScaleRequest",
            "OldAperture",
            {"scale": "uniform", "mark": "16"},
        ),
        Operation(
            "one_tank",
            "development.one_tank",
            "OneTankRequest",
            "OneTank",
            {
                "films": [
                    {
                        "id": "a",
                        "developer": "metol-hydroquinone",
                        "dilution": "1+1",
                        "minutes": 10,
                        "temperature_c": 20,
                    },
                    {
                        "id": "b",
                        "developer": "metol-hydroquinone",
                        "dilution": "1+1",
                        "minutes": 11,
                        "temperature_c": 20,
                    },
                ]
            },
        ),
        Operation(
            "tones",
            "rendering.tones",
            "TonesRequest",
            "TonesAnswer",
            {"zones": [2, 5, 8], "n": -1, "paper": {"range": 1.05}, "levels": 13},
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
