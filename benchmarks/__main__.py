"""One run over everything; each line is what was measured, the target, and their ratio."""

from __future__ import annotations

import gzip
import re
import subprocess
import sys
import tempfile
import time
import timeit
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

import httpx2
import uvicorn
from fastapi import FastAPI

from benchmarks import bench, darkroom, field, large, light, picture, practice, printing
from benchmarks.drag import first_print_ms, redraw_p95_ms, seen_p95_ms
from benchmarks.service import Running, free_port, speaking
from emulsa.core import wire
from emulsa.core.data import examples
from emulsa.core.exposing.chain import exposure
from emulsa.core.exposing.plans import PlansRequest, plans
from emulsa.core.exposing.request import ExposureRequest
from emulsa.server.app import BUILT_PAGE

ROUNDS = 15


def twenty_readings() -> dict[str, Any]:
    """The contract's example with 20 readings."""
    request = dict(examples.EXPOSURE_EXAMPLE)
    request["readings"] = [
        {"id": f"r{k}", "label": f"slate {k}", "reading": {"kind": "ev", "ev": 4 + k / 2}}
        for k in range(20)
    ]
    request["placement"] = {"school": "shadow", "reading": "r3", "zone": 3}
    request["high"] = {"reading": "r15", "zone": 8}
    return request


def best_us(call: Any, number: int) -> float:
    """Microseconds of one call, the best of several rounds: what the machine can do."""
    return min(timeit.repeat(call, number=number, repeat=ROUNDS)) / number * 1e6


def core_us() -> tuple[float, float]:
    """Core `exposure` with 20 readings; and how long this machine takes to add 1,000 numbers, by
    which a slow one, or a slow hour, is told (10 µs where the targets were set)."""
    request = wire.decode(ExposureRequest, twenty_readings())
    return best_us(lambda: exposure(request), 200), best_us(lambda: sum(range(1_000)), 1_000)


def plans_ms() -> float:
    """`plans` for 20 readings, all marks of a lens and three choices of filters."""
    body = twenty_readings()
    body["optics"] = {**body["optics"], "widest": "5.6", "smallest": "64"}
    choices = [{"filters": body["filters"]}, {}, {"ids": ["yellow"], "filters": [{"factor": 2}]}]
    request = wire.decode(PlansRequest, {"exposure": body, "choices": choices})
    return best_us(lambda: plans(request), 5) / 1e3


def line_ms(url: str) -> float:
    """What a typed line means, from the page's request to the answer: the median."""
    with speaking("") as client:
        scene = client.get(f"{url}/api/scenes/scene-winding-house").json()["scene"]
        body = {"scene": scene, "text": "9 + 9 1/3 shade III @through", "reading_id": "new"}
        took = []
        for _ in range(100):
            start = time.perf_counter()
            client.post(f"{url}/api/scenes/line", json=body)
            took.append((time.perf_counter() - start) * 1e3)
    return sorted(took)[len(took) // 2]


def card_ms(url: str) -> float:
    """The slowest of the cards, its compiler loaded already; the first of all takes longer."""
    paths = (
        "pinhole.pdf?pinhole_id=pinhole-box&film_id=film-ostrel",
        "reciprocity.pdf?film_id=film-corvane",
        "bellows.pdf?lens_id=lens-150",
        "target/bellows.pdf?lens_id=lens-150",
        "dial/zones.pdf",
    )
    took = []
    with speaking("") as client:
        for path in paths * 3:
            start = time.perf_counter()
            client.get(f"{url}/api/cards/{path}")
            took.append((time.perf_counter() - start) * 1e3)
    print(f"{'the first card of a session':46} {took[0]:9.1f} ms")
    return max(took[1:])


@contextmanager
def bare_route() -> Iterator[str]:
    """A FastAPI route that validates the same body with Pydantic and echoes it, in a process."""
    port = free_port()
    process = subprocess.Popen([sys.executable, "-m", "benchmarks.__main__", "echo", str(port)])
    try:
        yield f"http://127.0.0.1:{port}/echo"
    finally:
        process.kill()
        process.wait()


def serve_echo(port: int) -> None:
    app = FastAPI()

    @app.post("/echo")
    def echo(body: ExposureRequest) -> ExposureRequest:
        return body

    uvicorn.run(app, port=port, log_level="error")


def request_ms(*urls: str) -> list[float]:
    """The medians of many requests to each, in turn, so that a machine's moods meet all alike."""
    body = wire.dumps(twenty_readings())
    took: list[list[float]] = [[] for _ in urls]
    with speaking("") as client:
        for _ in range(100):
            try:
                for url in urls:
                    client.post(url, content=body)
                break
            except httpx2.TransportError:
                time.sleep(0.1)
        for _ in range(400):
            for url, times in zip(urls, took, strict=True):
                start = time.perf_counter()
                answer = client.post(
                    url, content=body, headers={"content-type": "application/json"}
                )
                times.append((time.perf_counter() - start) * 1e3)
                assert answer.status_code == 200, answer.text
    return [sorted(times)[len(times) // 2] for times in took]


def first_route_kb() -> float:
    """Gzip kilobytes of every script the scene, the heaviest first route, loads."""
    assets = BUILT_PAGE / "assets"
    wanted = set(re.findall(r"assets/([\w.-]+\.js)", (BUILT_PAGE / "index.html").read_text()))
    wanted |= {each.name for each in assets.glob("scene-*.js")}
    seen: set[str] = set()
    while wanted - seen:
        name = (wanted - seen).pop()
        seen.add(name)
        text = (assets / name).read_text()
        static = re.findall(r"""(?:from|import)\s*["']\./([\w.-]+\.js)["']""", text)
        wanted |= set(static)
    return sum(len(gzip.compress((assets / name).read_bytes(), 6)) for name in seen) / 1024


def report(what: str, measured: float, target: float, unit: str) -> None:
    verdict = "within" if measured <= target else "BEYOND"
    ratio = measured / target
    print(f"{what:46} {measured:9.1f} {unit:4} target {target:6g}  ratio {ratio:4.2f} {verdict}")


def main() -> None:
    took, pace = core_us()
    report(f"core exposure, 20 readings (pace {pace:.0f} µs)", took, 200, "µs")
    report("core plans, 20 readings × marks × 3 filters", plans_ms(), 15, "ms")
    report("film_test, 12 curves of 31 steps", bench.film_test_ms(best_us), 5, "ms")
    report("learn, 200 negatives", bench.learn_ms(best_us), 50, "ms")
    report("print_plan", printing.plan_ms(best_us), 1, "ms")
    report("photo_calibrate, 5 readings", picture.calibrated_ms(best_us), 2, "ms")
    report("its tables of levels and pixels", picture.tables_ms(best_us), 16, "ms")
    report("photo_preview, a plan's greys", picture.plan_ms(best_us), 4, "ms")
    with tempfile.TemporaryDirectory() as folder:
        took_s, grown = bench.scan(Path(folder))
        report("31 patches of a 24-megapixel 16-bit scan", took_s, 1.5, "s")
        report("memory for that", grown, 300, "MB")
    with tempfile.TemporaryDirectory() as folder:
        with Running(Path(folder)) as running:
            report("a first start, demo made", running.ready_s * 1e3, 2500, "ms")
        with Running(Path(folder)) as running:
            report("server ready after its command", running.ready_s * 1e3, 1200, "ms")
            service(running)
    report("scripts of the first route, gzip", first_route_kb(), 210, "kB")
    carried()
    evenings()
    practised()
    large_log()


def service(running: Running) -> None:
    """What one waits for in the rooms."""
    with bare_route() as echo:
        echoed, answered = request_ms(echo, f"{running.url}/api/compute/exposure")
    report(f"POST exposure ÷ bare route ({echoed:.2f} ms)", answered / echoed, 1.4, "×")
    report("dragging a pin, redraw p95", redraw_p95_ms(running.url), 50, "ms")
    followed, redrawn = seen_p95_ms(running.url)
    report("dragging a pin, print to come redrawn p95", followed, 100, "ms")
    report("a megapixel of it redrawn p95", redrawn, 33, "ms")
    with tempfile.TemporaryDirectory() as folder:
        large = picture.twelve_megapixels(Path(folder) / "large.jpg")
        took, held = first_print_ms(running.url, large)
    report("12 megapixels chosen, to their print", took / 1e3, 1.5, "s")
    report("the page held up meanwhile, at most", held, 50, "ms")
    report("server resident", running.resident_mb(), 130, "MB")
    report("reading line, answer", line_ms(running.url), 50, "ms")
    report("a card as PDF", card_ms(running.url), 300, "ms")
    report("a print opened", printing.opening_ms(running.url), 300, "ms")
    fps, bare, pixels = printing.preview_fps(running.url)
    print(f"{'preview while dragging':46} {fps:9.1f} frames/s of {pixels:.1f} MP")
    report(f"a frame ÷ a bare copy ({bare:.1f} ms)", 1e3 / fps / bare, 3, "×")


def carried() -> None:
    """A copy in a browser, from a fresh demo."""
    with tempfile.TemporaryDirectory() as folder, Running(Path(folder)) as running:
        found = field.measured(running.url)
        report("carried copy, first answer cold", found.page_cold_ms, 3_000, "ms")
        report("carried copy, first answer", found.page_ms, 1_500, "ms")
        report("carried copy, its worker's first answer", found.worker_ms, 1_500, "ms")
        report("carried copy, a scene solved", found.solve_ms, 15, "ms")
        report("carried copy, a write with its version", found.write_ms, 60, "ms")
        report("carried copy, dragging a pin, redraw p95", found.drag_p95_ms, 50, "ms")
        report("carried copy, fetched once", found.fetched_mb, 12, "MB")
        report("carried, memory more", field.more_memory_mb(running.url), 200, "MB")
        report("200 acts handed in", 1e3 * field.handing_in_s(running.url), 3_000, "ms")


def evenings() -> None:
    """The darkroom's arithmetic, its room with 500 sheets, and its cues."""
    even, uneven = darkroom.sharing_ms()
    report("200 equal sheets into runs", even, 100, "ms")
    report("200 unequal sheets into runs", uneven, 100, "ms")
    report("the schedule of 30 runs", darkroom.schedule_ms(), 100, "ms")
    with tempfile.TemporaryDirectory() as folder:
        darkroom.fill(Path(folder))
        with Running(Path(folder)) as running:
            answer, shown = darkroom.room_ms(running)
            report("Darkroom with 500 waiting, its answer", answer, 300, "ms")
            report("Darkroom with 500 waiting, on the screen", shown, 300, "ms")
            late, count = darkroom.cues_p99_ms(running)
            report(f"cues of a 20-minute run, late by, p99 of {count}", late, 50, "ms")


def practised() -> None:
    """Sun and moon; simulated scenes, and questions after a year of them."""
    day, minutes = light.day_ms()
    report("a day of sun and moon with two bearings", day, 20, "ms")
    report("a day of them by its minutes", minutes, 50, "ms")
    with tempfile.TemporaryDirectory() as folder:
        with Running(Path(folder)) as running:
            of_day, focused = light.room_ms(running)
            report("the light of an outing's day", of_day, 50, "ms")
            report("a scene's focus while one types", focused, 50, "ms")
            opened, spot, judged = practice.scene_ms(running)
            report("a scene of practice opened", opened, 300, "ms")
            report("a spot reading", spot, 20, "ms")
            report("a verdict with two prints", judged, 150, "ms")
        practice.fill(Path(folder))
        with Running(Path(folder)) as running:
            first, again = practice.next_ms(running)
            print(f"{'the first question of a session':46} {first:9.1f} ms")
            report("the next question, 5,000 answers behind", again, 30, "ms")


def large_log() -> None:
    """The same service on a log of 100,000 exposures."""
    with tempfile.TemporaryDirectory() as folder:
        large.fill(Path(folder))
        with Running(Path(folder)) as running:
            report("100,000 exposures: ready after its command", running.ready_s * 1e3, 1200, "ms")
            through, raw = large.search_ms(running)
            report("searching as one types, p95", through, 50, "ms")
            report(f"the same ÷ the raw query ({raw:.1f} ms)", through / raw, 1.5, "×")
            slowest, path = large.rooms_ms(running)
            report(f"the slowest room ({path})", slowest, 300, "ms")
            first, gap = large.log_on_screen_ms(running)
            report("the Log of 100,000 with its slips, on the screen", first, 300, "ms")
            report("its window full again after a leap, at the latest", gap, 300, "ms")
            took, grown = large.export(running)
            print(f"{'the whole archive written and fetched':46} {took:9.1f} s")
            report("the service grew by, meanwhile", grown, 50, "MB")
            took, waited = large.csv_in_s(running)
            report("20,000 rows of CSV brought in", took, 15, "s")
            report("p99 of other writes meanwhile", waited, 300, "ms")


if __name__ == "__main__":
    if sys.argv[1:2] == ["echo"]:
        serve_echo(int(sys.argv[2]))
    else:
        main()
