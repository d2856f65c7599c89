"""A log of a lifetime and more: 100,000 exposures, made row by row, and what it costs to use it."""

from __future__ import annotations

import csv
import io
import random
import sqlite3
import statistics
import time
from contextlib import closing
from pathlib import Path

import httpx2

from benchmarks.drag import chromium_page
from benchmarks.service import Running, speaking
from emulsa.demo.quarry import build
from emulsa.store import database, log, transactions
from emulsa.store.folder import DATABASE
from emulsa.store.log import match_text

EXPOSURES, OUTINGS, SCENES = 100_000, 1_000, 20_000
WORDS = (
    "adit tramway incline drum winding shed saw slab tip scree pool heather bracken wall sleeper"
    " rail frost fog mist sun snow gate lintel chimney wheel pit barrow terrace face blast magazine"
).split()
TYPED = ("win", "frost", "tram inc", "heather wall", "f", "mist sun", "zz", "adit 12", "bl", "slab")
UNDER_WAY = ("waiting", "running")
ROOMS = (
    "/api/outings",
    "/api/outings/names",
    "/api/scenes/scene-winding-house",
    "/api/holders",
    "/api/rolls",
    "/api/stock",
    "/api/darkroom",
    "/api/log",
    "/api/log?limit=100",
    "/api/log/shape",
    "/api/log/exposure-1A",
    "/api/kit",
    "/api/pieces/ready",
)


def fill(folder: Path) -> None:
    """The demo, and around it a log far larger than anybody's: copies of its exposures."""
    build(folder)
    dice = random.Random(4)
    with closing(database.connect(folder / DATABASE)) as db, transactions.transaction(db):
        model = dict(db.execute("SELECT * FROM exposure WHERE id = 'exposure-1A'").fetchone())
        db.executemany(
            "INSERT INTO outing (id, title, day, place, conditions, note)"
            " VALUES (?, ?, ?, ?, '', '')",
            (
                (
                    f"o{n}",
                    " ".join(dice.sample(WORDS, 2)),
                    _day(n * EXPOSURES // OUTINGS),
                    "Skarrowmoor",
                )
                for n in range(OUTINGS)
            ),
        )
        db.executemany(
            "INSERT INTO scene (id, outing_id, title, note, film_id, focus)"
            " VALUES (?, ?, ?, ?, 'film-corvane', '{}')",
            (
                (
                    f"s{n}",
                    f"o{n * OUTINGS // SCENES}",
                    " ".join(dice.sample(WORDS, 3)),
                    " ".join(dice.sample(WORDS, 6)),
                )
                for n in range(SCENES)
            ),
        )
        films = ("film-corvane", "film-ostrel", "film-velm")
        db.executemany(
            "INSERT INTO piece (id, film_id, label, state, loaded_at, in_place)"
            " VALUES (?, ?, ?, 'judged', '', 0)",
            ((f"p{n}", dice.choice(films), f"{n % 40}A") for n in range(EXPOSURES)),
        )
        names = list(model)
        with log.indexed_afterwards(db):
            db.executemany(
                f"INSERT INTO exposure ({', '.join(names)}) VALUES ({', '.join('?' * len(names))})",
                (
                    tuple(
                        (
                            model
                            | {
                                "id": f"e{n}",
                                "scene_id": f"s{n * SCENES // EXPOSURES}",
                                "piece_id": f"p{n}",
                                "exposed_at": f"{_day(n)}T{n % 12 + 8:02d}:{n % 60:02d}:00.000Z",
                                "note": " ".join(dice.sample(WORDS, 4)),
                                "n": dice.choice((-2, -1, -0.5, 0, 0.5, 1)),
                            }
                        ).values()
                    )
                    for n in range(EXPOSURES)
                ),
            )
        db.execute("PRAGMA optimize")


def _day(n: int) -> str:
    """Days spread over some forty years, a hundred exposures each outing."""
    outing = n * OUTINGS // EXPOSURES
    return f"{1984 + outing // 25:04d}-{outing % 12 + 1:02d}-{outing % 28 + 1:02d}"


def search_ms(running: Running) -> tuple[float, float]:
    """p95 of searching as one types: through the API, and the raw query of the index."""
    path = running.folder / DATABASE
    through: list[float] = []
    raw: list[float] = []
    with httpx2.Client(base_url=running.url) as client, closing(sqlite3.connect(path)) as db:
        for _ in range(12):
            for typed in TYPED:
                for end in range(1, len(typed) + 1):
                    text = typed[:end]
                    start = time.perf_counter()
                    assert client.get("/api/log", params={"text": text}).status_code == 200
                    through.append(time.perf_counter() - start)
                    raw.append(_raw_s(db, match_text(text)))
    return _p95_ms(through), _p95_ms(raw)


def _raw_s(db: sqlite3.Connection, words: str) -> float:
    """The page of sixty and the count of a search, asked of SQLite directly."""
    start = time.perf_counter()
    if words:
        db.execute(
            "SELECT rowid FROM log_text WHERE words MATCH ? ORDER BY rowid DESC LIMIT 60", (words,)
        ).fetchall()
        db.execute(
            "SELECT count(*) FROM (SELECT 1 FROM log_text WHERE words MATCH ? LIMIT 10001)",
            (words,),
        ).fetchone()
    return time.perf_counter() - start


def rooms_ms(running: Running) -> tuple[float, str]:
    """The slowest answer any room waits for, and which it is."""
    with httpx2.Client(base_url=running.url) as client:
        slowest = (0.0, "")
        for path in ROOMS:
            times = []
            for _ in range(7):
                start = time.perf_counter()
                assert client.get(path).status_code == 200, path
                times.append(1e3 * (time.perf_counter() - start))
            slowest = max(slowest, (statistics.median(times), path))
    return slowest


FIRST_ROW = """() => new Promise((there) => {
    const look = () => document.querySelector('[data-place="0"]')
        ? there(performance.now()) : requestAnimationFrame(look);
    look();
})"""
# After each leap of three windows: how long until the window is full of rows.
SCROLLED = """async (leaps) => {
    const list = [...document.querySelectorAll('main div')].find(
        (each) => each.scrollHeight > 4 * each.clientHeight && each.clientHeight > 100);
    let worst = 0;
    for (let leap = 1; leap <= leaps; leap += 1) {
        list.scrollTop += 3 * list.clientHeight;
        const began = performance.now();
        await new Promise((full) => {
            const look = () => {
                const box = list.getBoundingClientRect();
                const rows = [...list.querySelectorAll('[data-place]')].filter((row) => {
                    const at = row.getBoundingClientRect();
                    return at.bottom > box.top && at.top < box.bottom;
                });
                const last = Math.max(...rows.map((row) => row.getBoundingClientRect().bottom));
                if (rows.length > 3 && last >= box.bottom - 60) full();
                else requestAnimationFrame(look);
            };
            look();
        });
        worst = Math.max(worst, performance.now() - began);
    }
    return worst;
}"""


def log_on_screen_ms(running: Running) -> tuple[float, float]:
    """Until the Log's first lines with their slips are on the screen, the middle one of five
    visits; and the longest the window was not full after a leap of three windows."""
    with chromium_page(1280, 800, "day") as page:
        first = []
        for _ in range(5):
            page.goto(f"{running.url}/kit")
            page.wait_for_load_state("networkidle")
            page.evaluate(
                "addEventListener('pointerdown', () => { window.began = performance.now(); },"
                " { capture: true, once: true })"
            )
            page.get_by_role("link", name="Log").first.click()
            first.append(page.evaluate(FIRST_ROW) - page.evaluate("window.began"))
        return statistics.median(first), page.evaluate(SCROLLED, 20)


def export(running: Running) -> tuple[float, float]:
    """Seconds for the whole archive, and how many MB the service grew while writing it."""
    with speaking(running.url, timeout=30) as client:
        before, most = running.resident_mb(), 0.0
        start = time.perf_counter()
        job = client.post("/api/exchange/archive").json()
        while job["state"] in UNDER_WAY:
            most = max(most, running.resident_mb())
            time.sleep(0.05)
            job = client.get(f"/api/exchange/jobs/{job['id']}").json()
        assert job["state"] == "done", job
        took = time.perf_counter() - start
        with client.stream("GET", f"/api/exchange/archive/{job['id']}.zip") as answer:
            for _ in answer.iter_bytes():
                most = max(most, running.resident_mb())
    return took, most - before


def csv_in_s(running: Running, rows: int = 20_000) -> tuple[float, float]:
    """Seconds to bring a CSV of so many exposures in, with its log entries, and how many
    milliseconds one in a hundred of the writes waits that others make meanwhile."""
    file = io.StringIO()
    table = csv.writer(file)
    table.writerow(["exposed_at", "film", "aperture", "time_s", "scene", "outing", "n", "note"])
    for n in range(rows):
        day = f"2020-{n // 400 % 12 + 1:02d}-{n // 40 % 28 + 1:02d}"
        table.writerow([day, "Corvane 100", "f/32", "1/2", f"Pit {n // 4}", "Old book", -1, "wind"])
    with speaking(running.url, timeout=60) as client:
        start = time.perf_counter()
        handed = client.post("/api/exchange/csv", content=file.getvalue().encode()).json()
        body = {"id": handed["id"], "mapping": handed["mapping"], "write": True}
        job = client.post("/api/exchange/csv/read", json=body).json()
        waits: list[float] = []
        while job["state"] in UNDER_WAY:
            begun = time.perf_counter()
            outing = {"id": f"day-{len(waits)}", "title": "Meanwhile"}
            answer = client.put(f"/api/outings/{outing['id']}?base=", json=outing)
            assert answer.status_code == 200, answer.text
            waits.append(1e3 * (time.perf_counter() - begun))
            time.sleep(0.05)
            job = client.get(f"/api/exchange/jobs/{job['id']}").json()
        assert job["state"] == "done", job
        return time.perf_counter() - start, statistics.quantiles(waits, n=100)[-1]


def _p95_ms(times: list[float]) -> float:
    return 1e3 * statistics.quantiles(times, n=20)[-1]
