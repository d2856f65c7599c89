"""The real interface: the built page, the real service, headless Chromium, and nothing outside."""

import json
import shutil
import sqlite3
import subprocess
import sys
import urllib.error
import urllib.request
from collections.abc import Callable, Iterator
from contextlib import closing
from pathlib import Path
from typing import Any
from uuid import uuid4

import pytest
from playwright.sync_api import Browser, ConsoleMessage, Page, Request, expect

from emulsa.server.app import BUILT_PAGE, Settings
from tests import databases
from tests.browser import chromium
from tests.serving import asked, free_port

PATIENT_MS = 40_000  # a busy machine is slow, not wrong
expect.set_options(timeout=PATIENT_MS)

WIDE = {"width": 1280, "height": 800}
PHONE = {"width": 390, "height": 844}

# Sheets come at once instead of sliding in: waiting for that cost more than what is tested.
STILL = """document.addEventListener('DOMContentLoaded', () => {
    const style = document.createElement('style');
    style.textContent = '*, *::before, *::after {'
        + ' animation-duration: 0s !important; transition: none !important; }';
    document.head.append(style);
});"""


@pytest.fixture(scope="session")
def browser_type_launch_args() -> dict[str, Any]:
    """The system's own Chromium; nothing is downloaded."""
    return {
        "executable_path": chromium.PATH,
        "chromium_sandbox": False,
        "args": chromium.ARGUMENTS,
    }


class Service:
    """The application on the demo outing, as ``emulsa demo`` starts it.

    It is started once for all tests; before each its data are laid anew, through SQLite's own
    backup, while it runs.
    """

    def __init__(self, folder: Path, fresh: Path) -> None:
        self.port = free_port()
        self.url = f"http://127.0.0.1:{self.port}"
        self.folder = folder
        self.fresh, self.empty = folder.parent / "fresh", folder.parent / "empty"
        shutil.copytree(fresh, self.fresh)
        databases.lay(self.empty)
        shutil.copytree(fresh, self.folder)
        self.start()

    def start(self) -> None:
        command = ["demo", "--port", str(self.port), "--data", str(self.folder)]
        self.process = subprocess.Popen(
            [sys.executable, "-m", "emulsa", *command], stdout=subprocess.DEVNULL
        )
        asked(f"{self.url}/api/health")

    def lay(self, data: Path) -> None:
        """Make the data those of another folder: ``fresh`` the demo, ``empty`` a first start."""
        if self.process.poll() is not None:
            self.start()
        source, target = (sqlite3.connect(Settings(each).database) for each in (data, self.folder))
        with closing(source), closing(target):
            source.backup(target)

    def stop(self) -> None:
        self.process.kill()
        self.process.wait()

    def call(self, method: str, path: str, body: Any = None) -> Any:
        data = None if body is None else json.dumps(body).encode()
        own = {"X-Emulsa": "1"}
        if method != "GET":
            own["Idempotency-Key"] = uuid4().hex
        url = f"{self.url}{path}"
        if method == "PUT" and "base=" not in path:
            url += f"?base={self.version(path, data, own)}"
        request = urllib.request.Request(url, data=data, method=method, headers=own)
        with urllib.request.urlopen(request, timeout=10) as answer:
            return json.loads(answer.read() or b"null")

    def version(self, path: str, data: bytes | None, own: dict[str, str]) -> str:
        """The version of a record as it is kept, which a change names; asked by not naming it."""
        url = f"{self.url}{path}?base=none"
        asked = urllib.request.Request(url, data=data, method="PUT", headers=own)
        try:
            urllib.request.urlopen(asked, timeout=10).close()
        except urllib.error.HTTPError as told:
            return str(json.loads(told.read())["error"]["version"])
        return "none"  # it was as wanted already


@pytest.fixture(scope="session")
def running(tmp_path_factory: pytest.TempPathFactory, demo_built: Path) -> Iterator[Service]:
    """The service of this worker; the page must have been built (make page)."""
    assert (BUILT_PAGE / "index.html").exists(), "build the page first: make page"
    started = Service(tmp_path_factory.mktemp("house") / "demo", demo_built)
    yield started
    started.stop()


@pytest.fixture
def service(running: Service) -> Service:
    """The service with the demo outing as it is when it is built."""
    running.lay(running.fresh)
    return running


Open = Callable[..., Page]


# no request is under way, and none came lately: the room is as it will be
SETTLED = """() => new Promise((settled) => {
    let [last, since] = [-1, performance.now()];
    const look = () => {
        const now = performance.getEntriesByType('resource').length;
        if (now !== last) [last, since] = [now, performance.now()];
        if (performance.now() - since > 150) settled(true);
        else setTimeout(look, 30);
    };
    look();
})"""


def settled(page: Page) -> None:
    """Wait until a room has everything it asked for."""
    page.evaluate(SETTLED)


class Pages:
    """Pages of a worker, used by test after test: a page that is there opens a room in half the
    time of a new one. What a test leaves in its storage is wiped before the next."""

    def __init__(self, browser: Browser, url: str) -> None:
        self.browser, self.nowhere = browser, f"{url}/api/health"
        self.kept: dict[bool, Page] = {}
        self.touched: dict[Page, bool] = {}  # a window may be another by the end of a test

    def page(self, size: dict[str, int], light: str, fresh: bool) -> Page:
        """A page of this size, in this light, with nothing in its storage. ``fresh``: of its own,
        for what cannot be taken back."""
        touch = size["width"] < 900
        page = None if fresh else self.kept.pop(touch, None)
        if page is None:
            context = self.browser.new_context(viewport=size, has_touch=touch, is_mobile=touch)  # type: ignore[arg-type]
            context.grant_permissions(chromium.GRANTED)
            context.set_default_timeout(PATIENT_MS)
            context.add_init_script(STILL)
            page = context.new_page()
            self.touched[page] = touch
        page.set_viewport_size(size)  # type: ignore[arg-type]
        if page.url != self.nowhere:
            page.goto(self.nowhere)
        page.evaluate("light => localStorage.setItem('emulsa-light', light)", light)
        return page

    def back(self, page: Page) -> None:
        """A page nobody uses any more."""
        page.unroute_all()
        page.emulate_media(media="null")
        page.mouse.move(0, 0)
        page.goto(self.nowhere)
        page.evaluate("localStorage.clear(); sessionStorage.clear()")
        other = self.kept.setdefault(self.touched[page], page)
        if other is not page:
            page.context.close()


@pytest.fixture(scope="session")
def pages(browser: Browser, running: Service) -> Pages:
    """The pages of this worker."""
    return Pages(browser, running.url)


class Heard:
    """What a page says by itself: errors on its console, and requests to elsewhere."""

    def __init__(self, own: str) -> None:
        self.own, self.problems = own, list[str]()
        self.events: dict[Any, Callable[[Any], None]] = {
            "console": self.console,
            "pageerror": lambda error: self.problems.append(str(error)),
            "request": self.request,
        }

    def console(self, said: ConsoleMessage) -> None:
        # A refusal is an answer: Chromium reports its status as a console error, which it is not.
        if said.type == "error" and "the server responded with a status of 4" not in said.text:
            self.problems.append(said.text)

    def request(self, asked: Request) -> None:
        if not asked.url.startswith((self.own, "data:", "blob:")):
            self.problems.append(f"asked outside: {asked.url}")

    def listen(self, page: Page) -> None:
        for event, hears in self.events.items():
            page.on(event, hears)

    def leave(self, page: Page) -> None:
        for event, hears in self.events.items():
            page.remove_listener(event, hears)


# a letter that comes late moves what one is about to click
LETTERS = """document.fonts.load("16px 'Atkinson Hyperlegible Next Variable'").then(() => true)"""


@pytest.fixture
def open_page(pages: Pages, service: Service) -> Iterator[Open]:
    """Open a room at a size and light; a console error or an outside request fails the test."""
    heard = Heard(service.url)
    opened_: list[tuple[Page, bool]] = []

    def opened(
        path: str, size: dict[str, int] = WIDE, light: str = "day", fresh: bool = False
    ) -> Page:
        page = pages.page(size, light, fresh)
        opened_.append((page, fresh))
        heard.listen(page)
        page.goto(service.url + path)
        page.evaluate(LETTERS)
        return page

    opened.problems = heard.problems  # type: ignore[attr-defined]
    yield opened
    for page, fresh in opened_:
        heard.leave(page)
        if fresh or page.is_closed():
            page.context.close()
        else:
            pages.back(page)
    assert heard.problems == []


@pytest.fixture
def begun(service: Service) -> str:
    """A new scene with film and lens chosen, nothing read yet."""
    scene = service.call(
        "POST", "/api/outings/outing-quarry/scenes", {"id": "new", "title": "Tramway bridge"}
    )
    scene |= {"film_id": "film-corvane", "lens_id": "lens-150", "pinhole_id": None}
    service.call("PUT", "/api/scenes/new", scene)
    return "/scene/new"
