"""The darkroom: film shared among runs, an evening, 500 sheets that wait, cues in time."""

from __future__ import annotations

import random
import sqlite3
import statistics
import time
from collections.abc import Callable
from contextlib import closing
from pathlib import Path
from typing import Any

from benchmarks.drag import chromium_page
from benchmarks.service import Running, speaking
from emulsa.core.darkroom.batch_search import BatchesRequest, Sheet
from emulsa.core.darkroom.batches import batches
from emulsa.core.darkroom.evening import EveningRequest, EveningRun, Task, evening
from emulsa.demo.quarry import build
from emulsa.store import database, transactions
from emulsa.store.folder import DATABASE

WAITING = 500
TWENTY = {
    "id": "twenty",
    "name": "Twenty minutes",
    "baths": [
        {"name": "Presoak", "kind": "presoak", "seconds": 60},
        {"name": "Developer", "kind": "developer"},
        {"name": "Fixer", "kind": "fixer", "seconds": 300},
    ],
}


def sharing_ms() -> tuple[float, float]:
    """200 sheets into runs: all alike in weight, and unlike."""
    dice = random.Random(4)
    minutes = [5 + 10 * dice.random() for _ in range(200)]

    def asked(weights: list[float]) -> BatchesRequest:
        sheets = tuple(
            Sheet(id=str(at), minutes=wanted, weight=weight)
            for at, (wanted, weight) in enumerate(zip(minutes, weights, strict=True))
        )
        return BatchesRequest(sheets=sheets, capacity=4, max_runs=50)

    even, uneven = asked([1.0] * 200), asked([dice.choice((0.25, 1.0, 2.0, 3.0)) for _ in minutes])
    return _median_ms(lambda: batches(even)), _median_ms(lambda: batches(uneven))


def schedule_ms(runs: int = 30) -> float:
    """An evening of so many runs, two tanks, one pair of hands."""
    dice = random.Random(4)

    def tasks() -> tuple[Task, ...]:
        return (
            Task(name="Presoak", place="tank", seconds=120),
            Task(name="Developer", place="tank", seconds=300 + dice.randrange(600), hands=True),
            Task(name="Stop", place="tank", seconds=30, hands=True, follows_at_once=True),
            Task(name="Fixer", place="tank", seconds=300, hands=True, follows_at_once=True),
            Task(name="Wash", place="washer", seconds=600),
            Task(name="Wetting agent", place="tray", seconds=60, hands=True),
            Task(name="Dry", place="dryer", seconds=7_200),
        )

    asked = EveningRequest(
        runs=tuple(EveningRun(id=str(at), tasks=tasks()) for at in range(runs)),
        places={"tank": 2, "washer": 1, "tray": 1, "dryer": 6},
    )
    return _median_ms(lambda: evening(asked))


def fill(folder: Path) -> None:
    """The demo, and 500 exposed sheets more in boxes, of many N."""
    build(folder)
    with closing(database.connect(folder / DATABASE)) as db, transactions.transaction(db):
        _copies(db, "piece", "sheet-1A", "w", {"in_place": 0, "kept_in": "Box 7"})
        _copies(db, "exposure", "exposure-1A", "e", {})


def _copies(
    db: sqlite3.Connection, table: str, model_id: str, mark: str, more: dict[str, Any]
) -> None:
    dice = random.Random(4)
    model = dict(db.execute(f"SELECT * FROM {table} WHERE id = ?", (model_id,)).fetchone()) | more
    names = list(model)
    rows = []
    for at in range(WAITING):
        own: dict[str, Any] = {"id": f"{mark}{at}"}
        if table == "exposure":
            own |= {"piece_id": f"w{at}", "n": dice.choice((-2, -1, -0.5, 0, 0.5, 1))}
        rows.append(tuple((model | own).values()))
    marks = ", ".join("?" * len(names))
    db.executemany(f"INSERT INTO {table} ({', '.join(names)}) VALUES ({marks})", rows)


def room_ms(running: Running) -> tuple[float, float]:
    """The Darkroom's answer with all that waits, and how soon it is on the screen."""
    with speaking(running.url) as client:
        answer = _median_ms(lambda: client.get("/api/darkroom").raise_for_status())
    with chromium_page(1280, 800) as page:
        page.goto(f"{running.url}/darkroom")
        page.get_by_text(f"{WAITING + 4} to develop").wait_for()
        shown = []
        for _ in range(5):
            page.get_by_role("link", name="Kit").click()
            page.get_by_role("heading", name="Films").wait_for()
            start = time.perf_counter()
            page.get_by_role("link", name="Darkroom").click()
            page.get_by_text(f"{WAITING + 4} to develop").wait_for()
            shown.append((time.perf_counter() - start) * 1e3)
    return answer, statistics.median(shown)


def cues_p99_ms(running: Running) -> tuple[float, int]:
    """How late the cues of a run of twenty minutes come, sixty times as fast, in the clock's own
    seconds of the wall; the worst but one in a hundred."""
    with speaking(running.url) as client:
        client.put("/api/kit/lines/twenty?base=", json=TWENTY).raise_for_status()
        run = {
            "id": "cues",
            "name": "Cues",
            "recipe_id": "recipe-corvane-mq",
            "minutes": 14,
            "temperature_c": 20,
            "tank_id": "tank-four",
            "line_id": "twenty",
        }
        body = {"run": run, "piece_ids": ["sheet-1A"]}
        client.post("/api/darkroom/runs", json=body).raise_for_status()
    late: list[float] = []
    with chromium_page(1280, 800) as page:
        page.add_init_script(
            "window.late = []; window.addEventListener('emulsa-cue',"
            " event => window.late.push(event.detail.late_s));"
        )
        page.goto(f"{running.url}/darkroom")
        page.get_by_role("button", name="Open run clock").click()
        for _ in range(4):
            page.get_by_role("button", name="Rehearse").click()
            page.get_by_role("button", name="Back to the beginning").click(timeout=120_000)
        late = page.evaluate("window.late")
    late.sort()
    return late[min(len(late) - 1, int(len(late) * 0.99))] * 1e3, len(late)


def _median_ms(call: Callable[[], object]) -> float:
    times = []
    for _ in range(9):
        start = time.perf_counter()
        call()
        times.append((time.perf_counter() - start) * 1e3)
    return statistics.median(times)
