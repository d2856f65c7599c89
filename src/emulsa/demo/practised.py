"""A fortnight of wet evenings: questions answered before the outing, and a scene gone out to."""

from __future__ import annotations

from dataclasses import replace

from emulsa.core.corrections.reciprocity import PowerLaw
from emulsa.core.data.exercises import Topic
from emulsa.core.light.meters import EvReading
from emulsa.core.practice.exercise import drawn
from emulsa.core.practice.exposing import metered
from emulsa.core.practice.record import PracticeAnswer, PractisedScene, SpotTaken
from emulsa.core.practice.scene import PracticeScene, made
from emulsa.core.practice.verdict import (
    CountedDue,
    HighPatch,
    PlacedPatch,
    SceneJudgeRequest,
    scene_judge,
)
from emulsa.core.scene.record import Pin, Scene, SceneReading
from emulsa.demo.calendar import Moved
from emulsa.store import records
from emulsa.store.database import Connection

# day, topic, level, and the wrong way that was taken, where one was
EVENINGS: tuple[tuple[str, Topic, int, str], ...] = (
    ("2026-01-10", "dial", 1, ""),
    ("2026-01-10", "dial", 1, ""),
    ("2026-01-10", "dial", 1, ""),
    ("2026-01-10", "placement", 1, "as-metered"),
    ("2026-01-10", "filters", 1, "factor-as-stops"),
    ("2026-01-12", "placement", 1, ""),
    ("2026-01-12", "placement", 1, ""),
    ("2026-01-12", "filters", 1, ""),
    ("2026-01-12", "n", 1, ""),
    ("2026-01-12", "dial", 2, ""),
    ("2026-01-15", "bellows", 1, "bellows-not-squared"),
    ("2026-01-15", "reciprocity", 1, ""),
    ("2026-01-15", "filters", 1, "factor-as-stops"),
    ("2026-01-15", "spot", 1, ""),
    ("2026-01-15", "n", 1, ""),
)
SHED = PracticeScene(kind="drawn", name="cutting-shed", seed=16)
PLACES = ("under the saw bed", "slate slab", "hole in the roof")
BEGUN = "2026-01-15T19:40:00.000Z"


def fill(connection: Connection, moved: Moved) -> None:
    """Keep what was practised."""
    for number, (day, topic, level, slip) in enumerate(EVENINGS, start=1):
        seed = _showing(topic, level, slip, 1_000 * number + 1)
        found = drawn(topic, seed, level)
        given = next((e.answer for e in found.slips if e.misconception == slip), found.answer)
        answer = PracticeAnswer(
            id=f"practised-{number}", day=day, topic=topic, seed=seed, level=level, given=given
        )
        records.keep(connection, moved(answer))
    records.keep(connection, moved(_shed()))


def _showing(topic: Topic, level: int, slip: str, first: int) -> int:
    """A question in which the wrong way can be taken."""
    seed = first
    while slip and slip not in {each.misconception for each in drawn(topic, seed, level).slips}:
        seed += 1
    return seed


def _shed() -> PractisedScene:
    """The cutting shed, its filter counted twice."""
    at = {each.name: each for each in made(SHED).patches}
    spots = tuple(
        SpotTaken(reading=f"shed-{shot}", x=at[name].x, y=at[name].y, shot=shot)
        for shot, name in enumerate(PLACES)
    )
    read = [metered(SHED, each).ev100 for each in spots]
    readings = tuple(
        SceneReading(id=each.reading, label=name, reading=EvReading(ev=ev), taken_at=BEGUN)
        for each, name, ev in zip(spots, PLACES, read, strict=True)
    )
    scene = Scene(
        id="practised-shed",
        outing_id="practice",
        title="Cutting shed",
        film_id="film-corvane",
        lens_id="lens-150",
        meter_id="meter-spot",
        filter_ids=("filter-yellow",),
        aperture="22",
        readings=readings,
        pin=Pin(reading="shed-0", zone=3),
    )
    practised = PractisedScene(
        id=scene.id, begun_at=BEGUN, source=SHED, scene=scene, by_hand=True, spots=spots
    )
    exposed = SceneJudgeRequest(
        scene=SHED,
        exposed_minutes=4,
        placed=PlacedPatch(patch=PLACES[0], reading_ev100=read[0], zone=3),
        aperture="22",
        filter_stops=CountedDue(counted=2, due=1),
        law=PowerLaw(exponent=1.3),
        given_s=8,
        computed_s=8,
        n=-1,
        high=HighPatch(patch=PLACES[2]),
    )
    return replace(practised, exposed=exposed, off_stops=scene_judge(exposed).total_stops)
