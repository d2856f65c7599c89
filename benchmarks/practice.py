"""Practice: a scene opened and looked at, a spot read, a verdict with its two prints, and the next
question with five thousand answers behind."""

from __future__ import annotations

import sqlite3
import statistics
import time
from pathlib import Path
from typing import Any

from benchmarks.service import Running, speaking
from emulsa.core.data.exercises import TOPICS
from emulsa.core.practice.exercise import drawn
from emulsa.store.folder import DATABASE

ANSWERS, OFTEN = 5_000, 30
DAYS = 250


def fill(folder: Path) -> None:
    """Answers of most of a year, one in four wrong by a stop."""
    connection = sqlite3.connect(folder / DATABASE)
    with connection:
        connection.executemany(
            "INSERT INTO practice_answer (id, day, topic, seed, level, given) VALUES (?,?,?,?,?,?)",
            (_answer(number) for number in range(ANSWERS)),
        )
    connection.close()


def _answer(number: int) -> tuple[Any, ...]:
    topic, level, seed = TOPICS[number % 9], 1 + number % 3, 1_000 * number + 1
    day = f"2025-{1 + (number * DAYS // ANSWERS) // 28:02}-{1 + (number * DAYS // ANSWERS) % 28:02}"
    right = drawn(topic, seed, level).answer
    return f"a{number}", day, topic, seed, level, right * (2 if number % 4 == 0 else 1)


def next_ms(running: Running) -> tuple[float, float]:
    """The first question of a session, and the next."""
    with speaking(running.url, timeout=60) as client:
        took = [_took(lambda: client.get("/api/practice/question?day=2026-01-17"))]
        took += [
            _took(lambda: client.get("/api/practice/question?day=2026-01-17")) for _ in range(OFTEN)
        ]
    return took[0], statistics.median(took[1:])


def scene_ms(running: Running) -> tuple[float, float, float]:
    """A scene opened (itself, how it looks, its picture), a spot, a verdict."""
    with speaking(running.url) as client:
        opened, spot = [], []
        for number in range(OFTEN):
            id_ = f"bench-{number}"
            body = {"id": id_, "kind": "drawn", "name": "winding-house", "seed": number}
            client.post("/api/practice/scenes", json=body)

            def opening(id_: str = id_) -> None:
                client.get(f"/api/practice/scenes/{id_}")
                client.get(f"/api/practice/scenes/{id_}/field?minutes=0")
                client.get("/api/practice/drawn/winding-house.png")

            opened.append(_took(opening))
            at = {"x": 0.3 + number / 200, "y": 0.8}
            address = f"/api/practice/scenes/{id_}/meter"
            spot.append(_took(lambda a=address, at=at: client.post(a, json=at)))
        judged = [
            _took(lambda: client.get("/api/practice/scenes/practised-shed")) for _ in range(OFTEN)
        ]
    return statistics.median(opened), statistics.median(spot), statistics.median(judged)


def _took(call: Any) -> float:
    start = time.perf_counter()
    call()
    return (time.perf_counter() - start) * 1e3
