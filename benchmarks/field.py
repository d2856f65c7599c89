"""A copy carried in a browser: how soon it answers, how fast it goes on, how much is fetched."""

from __future__ import annotations

import json
import os
import statistics
import time
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any
from uuid import uuid4

from playwright.sync_api import Page, Playwright, sync_playwright
from tests.browser import chromium

from benchmarks.drag import MEASURE, chromium_page

AT_REST_MS = 4_000

# the worker alone, as the page asks it: a page that runs nothing stands beside it
ASK = """
async ([worker, build, many]) => {
  const running = new Worker(worker, { type: "module" });
  let id = 0;
  const say = (said) => new Promise((done) => {
    const own = ++id;
    const hear = ({ data }) => {
      if (data.id !== own) return;
      running.removeEventListener("message", hear);
      done(data);
    };
    running.addEventListener("message", hear);
    running.postMessage({ id: own, build, ...said });
  });
  const text = new TextEncoder();
  const ask = (method, target, body = "", headers = {}) =>
    say({ ask: { method, target, headers, body: text.encode(body) } });
  const answered = (reply) => {
    if (!reply.answer) throw new Error(reply.fault);
    return reply.answer;
  };
  const json = async (target) =>
    JSON.parse(new TextDecoder().decode(answered(await ask("GET", target)).body));
  const begun = performance.now();
  const scene = (await json("/api/scenes/scene-winding-house")).scene;
  const first = performance.now() - begun;
  const took = async (act) => {
    const times = [];
    for (let k = 0; k < many; k++) {
      const start = performance.now();
      await act(k);
      times.push(performance.now() - start);
    }
    return times.sort((a, b) => a - b)[many >> 1];
  };
  const solve = await took(() => ask("POST", "/api/scenes/solve", JSON.stringify({ scene })));
  const kit = await json("/api/kit");
  const write = await took(async (k) => {
    const camera = { ...kit.cameras[0], note: `note ${k} ${Math.random()}` };
    const headers = { "idempotency-key": crypto.randomUUID() };
    const target = `/api/kit/cameras/${camera.id}?base=`;
    const told = await ask("PUT", `${target}none`, JSON.stringify(camera), headers);
    const { error } = JSON.parse(new TextDecoder().decode(told.answer.body));
    await ask("PUT", target + error.version, JSON.stringify(camera), headers);
  });
  running.terminate();
  return [first, solve, write];
}
"""


@dataclass(frozen=True)
class Measured:
    """Milliseconds to a first answer, cold and warm, by the whole page and by the worker; of a
    solution and a write; of a redraw while a pin is dragged; megabytes fetched."""

    page_cold_ms: float
    page_ms: float
    worker_ms: float
    solve_ms: float
    write_ms: float
    drag_p95_ms: float
    fetched_mb: float


def measured(url: str) -> Measured:
    """Make a field copy, and time it; the service stands by and is not asked."""
    parts = json.loads(urllib.request.urlopen(f"{url}/field/parts.json").read())
    worker = next(each["path"] for each in parts["page"] if "field.worker" in each["path"])
    with chromium_page(1_280, 800) as page:
        _take(page, url)
        opened = []
        for _ in range(4):
            began = time.perf_counter()
            page.goto(f"{url}/scene/scene-winding-house")
            page.wait_for_selector("[data-result]")
            opened.append((time.perf_counter() - began) * 1e3)
        page.evaluate(MEASURE)
        drags = page.evaluate(MEASURE)
        page.goto(f"{url}/api/health")
        page.wait_for_timeout(500)
        first, solve, write = page.evaluate(ASK, [worker, parts["build"], 40])
    return Measured(
        opened[0],
        statistics.median(opened[1:]),
        first,
        solve,
        write,
        drags[int(0.95 * len(drags))],
        sum(each["bytes"] for each in (*parts["runtime"],)) / 1e6,
    )


def more_memory_mb(url: str) -> float:
    """Megabytes a page on its carried copy needs more than one at home: the browser is begun anew,
    the scene is open and at rest. A page of memory that several processes share is counted once."""
    with sync_playwright() as playwright, TemporaryDirectory() as folder:
        needed = []
        for carrying in (False, True):
            if carrying:
                with _browser(playwright, folder) as page:
                    _take(page, url)
            with _browser(playwright, folder) as page:
                page.goto(f"{url}/scene/scene-winding-house")
                page.wait_for_selector("[data-result]")
                page.wait_for_timeout(AT_REST_MS)
                needed.append(sum(map(_share_mb, _children(os.getpid()))))
    return needed[1] - needed[0]


@contextmanager
def _browser(playwright: Playwright, folder: str) -> Iterator[Page]:
    context = playwright.chromium.launch_persistent_context(
        folder,
        executable_path=chromium.PATH,
        chromium_sandbox=False,
        args=chromium.ARGUMENTS,
        viewport={"width": 390, "height": 844},
    )
    yield context.pages[0]
    context.close()


def _children(parent: int) -> list[int]:
    """Every process under one, however deep."""
    found = Path(f"/proc/{parent}/task/{parent}/children").read_text().split()
    return [each for child in map(int, found) for each in (child, *_children(child))]


def _share_mb(process: int) -> float:
    """Its proportional share of memory, when it is one of the browser's."""
    if b"chrom" not in Path(f"/proc/{process}/cmdline").read_bytes():
        return 0.0
    rolled = Path(f"/proc/{process}/smaps_rollup").read_text()
    return next(int(line.split()[1]) for line in rolled.splitlines() if line[:4] == "Pss:") / 1024


def _take(page: Page, url: str) -> None:
    page.goto(f"{url}/kit")
    page.get_by_role("button", name="Carry along").click()
    page.get_by_role("button", name="Make a field copy").click()
    page.get_by_text("Ready without network.").wait_for()


def handing_in_s(url: str, many: int = 200) -> float:
    """Seconds to hand in so many acts, each in a transaction of its own."""

    def call(method: str, path: str, body: Any) -> Any:
        headers = {"X-Emulsa": "1", "Idempotency-Key": uuid4().hex}
        request = urllib.request.Request(
            url + path, data=json.dumps(body).encode(), method=method, headers=headers
        )
        return json.loads(urllib.request.urlopen(request).read())

    camera = json.loads(urllib.request.urlopen(f"{url}/api/kit").read())["cameras"][0]
    acts = [
        {
            "id": uuid4().hex,
            "moment": "2026-01-17T12:00:00.000Z",
            "name": "kit.put_camera",
            "request": json.dumps(
                {"path": {"id": id_}, "query": {"base": ""}, "body": {**camera, "id": id_}}
            ),
        }
        for id_ in (uuid4().hex for _ in range(many))
    ]
    began = time.perf_counter()
    for at in range(0, many, 100):
        body = {"device": "Phone", "version": "0", "acts": acts[at : at + 100]}
        came = call("POST", "/api/acts", body)["came"]
        assert all(each["came"] == "done" for each in came), came[0]
    return time.perf_counter() - began
