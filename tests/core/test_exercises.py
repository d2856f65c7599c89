"""Every exercise's answer once more, by another path: the operations the rest of the house uses."""

import math
from typing import Any

import pytest

from emulsa.core import wire
from emulsa.core.corrections.bellows import factor, magnification
from emulsa.core.data.exercises import TOPICS
from emulsa.core.exposing.bracket import BracketRequest, bracket
from emulsa.core.exposing.chain import exposure
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.practice.exercise import drawn
from emulsa.core.practice.question import Drawn, Question

LENS = {"kind": "lens", "focal_length_mm": 150, "widest": "2.8", "smallest": "64"}
NO_FAILURE = {"kind": "none", "until_s": 10_000}
SEEDS = range(1, 25)


def plain(value: Any) -> Any:
    return wire.encode(value)


def given_s(asked: Question, ev: float, zone: float, **more: Any) -> float:
    """What the house exposes for: a reading placed, then everything before the lens and film."""
    request = {
        "ei": asked.ei or asked.iso or 100,
        "readings": [{"id": "r", "reading": {"kind": "ev", "ev": ev}}],
        "placement": {"school": "shadow", "reading": "r", "zone": zone},
        "optics": LENS,
        "aperture": f"{asked.aperture:g}" if asked.aperture else "16",
        "filters": [plain(each) for each in asked.filters],
        "law": plain(asked.law) if asked.law else NO_FAILURE,
        **more,
    }
    return exposure(wire.decode(ExposureRequest, request)).corrected_s


def at_time(asked: Question) -> float:
    """The EV a meter has that says this time at f/16."""
    assert asked.metered_s is not None
    return math.log2(16**2 / asked.metered_s)


def dial(of: Drawn) -> float:
    asked = of.question
    assert asked.ev100 is not None
    return given_s(asked, asked.ev100, 5)


def placement(of: Drawn) -> float:
    """Where it falls, or what the camera is set to."""
    asked = of.question
    readings = [{"id": "r", "reading": {"kind": "ev", "ev": asked.ev100}}]
    if asked.other_ev100 is not None:
        readings.append({"id": "o", "reading": {"kind": "ev", "ev": asked.other_ev100}})
    request = {
        "ei": 100,
        "readings": readings,
        "placement": {"school": "shadow", "reading": "r", "zone": asked.zone},
        "optics": LENS,
        "aperture": "16",
        "law": NO_FAILURE,
    }
    answer = exposure(wire.decode(ExposureRequest, request))
    return answer.falls[1].zone if asked.other_ev100 is not None else answer.camera_ev


def development(of: Drawn) -> float:
    asked = of.question
    request = {
        "ei": 100,
        "readings": [
            {"id": "low", "reading": {"kind": "ev", "ev": asked.low_ev100}},
            {"id": "high", "reading": {"kind": "ev", "ev": asked.high_ev100}},
        ],
        "placement": {"school": "shadow", "reading": "low", "zone": asked.zone},
        "high": {"reading": "high", "zone": asked.target},
        "optics": LENS,
        "aperture": "16",
        "law": NO_FAILURE,
    }
    return exposure(wire.decode(ExposureRequest, request)).n


def filters(of: Drawn) -> float:
    return given_s(of.question, at_time(of.question), 5)


def bellows(of: Drawn) -> float:
    asked = of.question
    assert asked.metered_s is not None
    if asked.pinhole_mm is not None:
        return asked.metered_s  # its f-number holds its distance
    told = {
        "extension": asked.extension_mm,
        "draw": asked.draw_mm,
        "subject": asked.subject_mm,
    }
    kind, value = next((kind, value) for kind, value in told.items() if value is not None)
    name = {"extension": "extension_mm", "draw": "draw_mm", "subject": "distance_mm"}[kind]
    from emulsa.core.corrections.bellows import Focus

    focus: Any = wire.decode(Focus, {"kind": kind, name: value})
    assert asked.focal_length_mm is not None
    return asked.metered_s * factor(magnification(focus, asked.focal_length_mm))


def reciprocity(of: Drawn) -> float:
    """With a bracket: its slower frame, corrected by itself."""
    asked = of.question
    if asked.bracket_stops is None:
        return given_s(asked, at_time(asked), 5)
    request = {
        "exposure": {
            "ei": 100,
            "readings": [{"id": "r", "reading": {"kind": "ev", "ev": at_time(asked)}}],
            "placement": {"school": "shadow", "reading": "r", "zone": 5},
            "optics": LENS,
            "aperture": "16",
            "law": plain(asked.law),
        },
        "step_stops": asked.bracket_stops,
        "frames": 2,
        "side": "over",
    }
    frames = bracket(wire.decode(BracketRequest, request)).frames
    return max(each.corrected_s for each in frames)


def outing(of: Drawn) -> float:
    asked = of.question
    assert asked.ev100 is not None
    assert asked.light_change_stops is not None
    more: dict[str, Any] = {}
    if asked.draw_mm:
        more["focus"] = {"kind": "draw", "draw_mm": asked.draw_mm}
        more["optics"] = {**LENS, "focal_length_mm": asked.focal_length_mm}
    return given_s(asked, asked.ev100 + asked.light_change_stops, asked.zone or 5, **more)


def spot(of: Drawn) -> float:
    """Placed; or the light of patch and surround mixed, as the simulated meter mixes it."""
    asked = of.question
    if asked.zone is not None:
        return placement(of)
    assert asked.ev100 is not None
    light = 2**asked.ev100
    if asked.share is not None:
        assert asked.surround_ev100 is not None
        light = asked.share * light + (1 - asked.share) * 2**asked.surround_ev100
    if asked.flare_share is not None:
        assert asked.mean_ev100 is not None
        light = (1 - asked.flare_share) * light + asked.flare_share * 2**asked.mean_ev100
    return math.log2(light)


def roll(of: Drawn) -> float:
    """By trying every N: a blocked highlight costs twice a soft one."""

    def cost(n: float) -> float:
        off = [(n - each.n, each.weight) for each in of.question.frames]
        return sum(weight * (2 * by if by > 0 else -by) for by, weight in off)

    tries = [half / 2 for half in range(-6, 7)]
    least = min(map(cost, tries))
    best = [n for n in tries if cost(n) == pytest.approx(least)]
    return min(best, key=lambda n: abs(n - of.answer))


PATHS = {
    "dial": dial,
    "placement": placement,
    "n": development,
    "filters": filters,
    "bellows": bellows,
    "reciprocity": reciprocity,
    "spot": spot,
    "roll": roll,
    "outing": outing,
}


@pytest.mark.parametrize("level", [1, 2, 3])
@pytest.mark.parametrize("topic", TOPICS)
def test_the_house_answers_alike(topic: str, level: int) -> None:
    """To a hundredth: times by their ratio, the rest by their difference."""
    for seed in SEEDS:
        found = drawn(topic, seed, level)  # type: ignore[arg-type]
        other = PATHS[topic](found)
        if found.unit == "s":
            assert other / found.answer == pytest.approx(1, abs=0.01), (seed, found.question)
        else:
            assert other == pytest.approx(found.answer, abs=0.01), (seed, found.question)
