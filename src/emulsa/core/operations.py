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
from emulsa.core.errors import Unreadable


@dataclass(frozen=True)
class Operation:
    """One rule of the job, callable from every door: where it stands, the names of its request,
    answer and function there."""

    name: str
    module: str
    request_name: str
    answer_name: str
    function_name: str = ""

    def _of(self, name: str) -> Any:
        return getattr(import_module(f"emulsa.core.{self.module}"), name)

    @property
    def example(self) -> dict[str, Any]:
        """A request that runs."""
        found: dict[str, Any] = import_module("emulsa.core.data.examples").EXAMPLES[self.name]
        return found

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
        Operation("reading", "light.metering", "ReadingRequest", "ReadingAnswer"),
        Operation("exposure", "exposing.chain", "ExposureRequest", "ExposureAnswer"),
        Operation(
            "reciprocity", "corrections.reciprocity", "ReciprocityRequest", "ReciprocityAnswer"
        ),
        Operation(
            "bellows", "corrections.optics", "BellowsRequest", "BellowsAnswer", "bellows_operation"
        ),
        Operation("pinhole", "corrections.pinhole", "PinholeRequest", "PinholeAnswer"),
        Operation(
            "light_change", "corrections.light_change", "LightChangeRequest", "LightChangeAnswer"
        ),
        Operation(
            "aperture_choice",
            "corrections.aperture_choice",
            "ApertureChoiceRequest",
            "ApertureChoiceAnswer",
        ),
        Operation("schools", "exposing.schools", "SchoolsRequest", "SchoolsAnswer"),
        Operation("bracket", "exposing.bracket", "BracketRequest", "BracketAnswer"),
        Operation("plans", "exposing.plans", "PlansRequest", "PlansAnswer"),
        Operation("development", "development.time", "DevelopmentRequest", "DevelopmentAnswer"),
        Operation("batches", "darkroom.batches", "BatchesRequest", "BatchesAnswer"),
        Operation("process", "darkroom.process", "ProcessRequest", "ProcessAnswer"),
        Operation("film_test", "sensitometry.film_test", "FilmTestRequest", "FilmTestAnswer"),
        Operation("compare_films", "sensitometry.compare", "CompareRequest", "CompareAnswer"),
        Operation("scan_density", "sensitometry.scanning", "ScanRequest", "ScanAnswer"),
        Operation("learn", "sensitometry.learning", "LearnRequest", "LearnAnswer"),
        Operation("test_strip", "printing.strip", "StripRequest", "StripAnswer", "strip_times"),
        Operation("print_plan", "printing.plan", "PrintPlanRequest", "PrintPlanAnswer"),
        Operation("paper_grade", "printing.grade", "PaperGradeRequest", "PaperGradeAnswer"),
        Operation(
            "picture_settings", "picture.settings", "PictureSettingsRequest", "PictureSettings"
        ),
        Operation("photo_calibrate", "picture.calibrate", "PhotoCalibrateRequest", "Calibration"),
        Operation("photo_spots", "picture.spots", "PhotoSpotsRequest", "PhotoSpots"),
        Operation(
            "photo_reading", "picture.by_settings", "PhotoReadingRequest", "PhotoReadingAnswer"
        ),
        Operation(
            "photo_preview", "rendering.preview", "PhotoPreviewRequest", "PhotoPreviewAnswer"
        ),
        Operation("scene_make", "practice.scene", "SceneMakeRequest", "SceneMade"),
        Operation("scene_meter", "practice.spot", "SceneMeterRequest", "SceneMetered"),
        Operation("scene_judge", "practice.verdict", "SceneJudgeRequest", "SceneJudged"),
        Operation("exercise", "practice.exercise", "ExerciseRequest", "Exercise"),
        Operation("exercise_judge", "practice.exercise", "ExerciseJudgeRequest", "ExerciseJudged"),
        Operation("practice_next", "practice.course", "PracticeNextRequest", "PracticeNext"),
        Operation("sky", "sky.at", "SkyRequest", "SkyAnswer"),
        Operation("sky_day", "sky.day", "SkyDayRequest", "SkyDay"),
        Operation("sky_light", "light.estimated", "SkyLightRequest", "SkyLight"),
        Operation("star_time", "sky.stars", "StarTimeRequest", "StarTime"),
        Operation("focus", "corrections.focusing", "FocusRequest", "FocusAnswer"),
        Operation("corners", "corrections.corners", "CornersRequest", "Corners"),
        Operation("film_kind", "corrections.film_kinds", "FilmKindRequest", "FilmKind"),
        Operation("pre_exposure", "corrections.pre_exposure", "PreExposureRequest", "PreExposed"),
        Operation("flash", "corrections.flash", "FlashRequest", "Flash"),
        Operation("aperture_scale", "light.old_scales", "ApertureScaleRequest", "OldAperture"),
        Operation("one_tank", "development.one_tank", "OneTankRequest", "OneTank"),
        Operation("tones", "rendering.tones", "TonesRequest", "TonesAnswer"),
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
