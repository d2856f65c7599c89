"""Carried along: the real page in a browser of its own, the service stopped, and home again."""

import json
import mimetypes
import os
import re
import shutil
import signal
import subprocess
import sys
import urllib.request
import zipfile
from collections.abc import Iterator
from pathlib import Path
from random import Random
from typing import Any

import pytest
from PIL import Image
from playwright.sync_api import BrowserContext, Page, Playwright, Route, expect

from tests.browser import chromium
from tests.browser.conftest import PHONE, STILL, Service
from tests.browser.test_run_clock import LINE

pytestmark = pytest.mark.browser


# a clock that began so long ago that its run is over
ENDED = """() => {
    const clocks = JSON.parse(localStorage.getItem('emulsa-runs'));
    clocks.runs[0].since -= 9_000_000;
    clocks.black = false;
    localStorage.setItem('emulsa-runs', JSON.stringify(clocks));
}"""

# what lies there when the device was switched off while a copy was taken in: a new one without its
# beginning; or the new one, and the log before it half written over
SWITCHED_OFF = """async (whole) => {
    const root = await navigator.storage.getDirectory();
    const folder = await root.getDirectoryHandle('emulsa');
    const write = async (name, content) => {
        const file = await folder.getFileHandle(name, {create: true});
        for (let tries = 100; ; tries -= 1) try {
            const into = await file.createWritable();
            await into.write(content);
            return await into.close();
        } catch (held) {
            if (tries === 0) throw held;
            await new Promise((done) => setTimeout(done, 100));
        }
    };
    const log = await (await folder.getFileHandle('emulsa.sqlite3')).getFile();
    const content = new Uint8Array(await log.arrayBuffer());
    if (!whole) return write('emulsa.sqlite3-next', content.fill(0, 0, 16));
    await write('emulsa.sqlite3-next', content.slice());
    await write('emulsa.sqlite3', content.slice(0, 5000));
}"""
# how many shades there are in the picture a print is planned on: a plain frame has none
SHADES = """async () => {
    const canvas = document.querySelector('canvas[data-preview]');
    for (let tries = 50; tries > 0; tries -= 1) {
        const {data} = canvas.getContext('2d').getImageData(0, 0, canvas.width, canvas.height);
        const found = new Set(data.filter((_, at) => at % 4 === 0));
        if (found.size > 40) return found.size;
        await new Promise((done) => setTimeout(done, 100));
    }
    return 0;
}"""
# what is one running browser's alone
ONE_BROWSER = shutil.ignore_patterns("Singleton*", "DevToolsActivePort")
# the copy as the browser removes it: not before the worker of the page that was left has let it go
REMOVED = """async () => {
    const root = await navigator.storage.getDirectory();
    for (let tries = 100; tries > 0; tries -= 1) {
        const held = await root.removeEntry('emulsa', {recursive: true}).then(() => null, (e) => e);
        if (held === null) return;
        if (held.name !== 'NoModificationAllowedError') throw held;
        await new Promise((done) => setTimeout(done, 100));
    }
    throw new Error('the copy is still held');
}"""


# the copy beside itself, and what stands in the storage of the page: laid again before each test
REMEMBERED = """async () => {
    const root = await navigator.storage.getDirectory();
    const folder = await root.getDirectoryHandle('emulsa');
    const whole = await (await folder.getFileHandle('emulsa.sqlite3')).getFile();
    const beside = await (await root.getFileHandle('laid', {create: true})).createWritable();
    await beside.write(await whole.arrayBuffer());
    await beside.close();
    const mode = await caches.open('emulsa-carried');
    const kept = [];
    for (const request of await mode.keys())
        kept.push([request.url, await (await mode.match(request)).json()]);
    return {stored: {...localStorage}, caches: await caches.keys(), mode: kept};
}"""
LAID = """async ({stored, caches: known, mode}) => {
    const root = await navigator.storage.getDirectory();
    for (let tries = 100; ; tries -= 1) try {
        await root.removeEntry('emulsa', {recursive: true});
        break;
    } catch (held) {
        if (held.name === 'NotFoundError') break;
        if (tries === 0) throw held;
        await new Promise((done) => setTimeout(done, 50));
    }
    const folder = await root.getDirectoryHandle('emulsa', {create: true});
    const file = await folder.getFileHandle('emulsa.sqlite3', {create: true});
    const into = await file.createWritable();
    await into.write(await (await (await root.getFileHandle('laid')).getFile()).arrayBuffer());
    await into.close();
    for (const name of await caches.keys()) if (!known.includes(name)) await caches.delete(name);
    const carried = await caches.open('emulsa-carried');
    for (const [url, said] of mode) await carried.put(url, Response.json(said));
    sessionStorage.clear();
    localStorage.clear();
    for (const [name, value] of Object.entries(stored)) localStorage.setItem(name, value);
}"""
# from room to room without reading the page anew: the copy in the worker goes on
ROOM = """(path) => {
    history.pushState({}, '', path);
    dispatchEvent(new PopStateEvent('popstate'));
}"""


def go(page: Page, home: Service, path: str) -> None:
    """To a room: within the page where it is there already."""
    there = page.url.startswith(home.url) and page.locator("nav").count()
    if there:
        page.evaluate(ROOM, path)
    else:
        page.goto(home.url + path)


@pytest.fixture(scope="module")
def house(tmp_path_factory: pytest.TempPathFactory, demo_built: Path) -> Iterator[Service]:
    """A service that is stopped and started again."""
    started = Service(tmp_path_factory.mktemp("home") / "demo", demo_built)
    yield started
    started.stop()


@pytest.fixture
def home(house: Service) -> Service:
    house.lay(house.fresh)
    return house


class Phone:
    """A browser with a storage of its own, that can be killed."""

    def __init__(self, playwright: Playwright, folder: Path) -> None:
        self.playwright, self.folder = playwright, folder
        self.context: BrowserContext | None = None
        self.problems: list[str] = []

    def open(self) -> Page:
        self.context = self.playwright.chromium.launch_persistent_context(
            str(self.folder),
            executable_path=chromium.PATH,
            chromium_sandbox=False,
            args=chromium.ARGUMENTS,
            viewport=PHONE,  # type: ignore[arg-type]
            has_touch=True,
            is_mobile=True,
        )
        self.context.grant_permissions(chromium.GRANTED)
        self.context.set_default_timeout(40_000)
        self.context.add_init_script(STILL)
        page = self.context.pages[0]
        page.on("pageerror", lambda error: self.problems.append(str(error)))
        return page

    def page(self) -> Page:
        """Another page of a browser that is open."""
        assert self.context is not None
        page = self.context.new_page()
        page.on("pageerror", lambda error: self.problems.append(str(error)))
        return page

    def kill(self) -> None:
        """Every process of it, as when the battery is empty."""
        found = subprocess.run(
            ["pgrep", "-f", f"user-data-dir={self.folder}"], capture_output=True, text=True
        )
        for each in found.stdout.split():
            try:
                os.kill(int(each), signal.SIGKILL)
            except ProcessLookupError:
                continue
        self.context = None

    def close(self) -> None:
        if self.context is not None:
            self.context.close()


@pytest.fixture
def phone(playwright: Playwright, tmp_path: Path) -> Iterator[Phone]:
    found = Phone(playwright, tmp_path / "phone")
    yield found
    found.close()
    assert found.problems == []


@pytest.fixture(scope="module")
def taken(house: Service, playwright: Playwright, tmp_path_factory: pytest.TempPathFactory) -> Path:
    """A browser's folder in which a copy of the demo was taken along."""
    found = Phone(playwright, tmp_path_factory.mktemp("taken") / "phone")
    house.lay(house.fresh)
    take(found.open(), house)
    found.close()
    return found.folder


@pytest.fixture
def carrying(phone: Phone, taken: Path, home: Service) -> Phone:
    """A browser of its own that carries a copy of the demo already; its page is still to be
    opened. For what is done to the browser itself."""
    shutil.copytree(taken, phone.folder, ignore=ONE_BROWSER)
    return phone


@pytest.fixture(scope="module")
def shared(
    house: Service, taken: Path, playwright: Playwright, tmp_path_factory: pytest.TempPathFactory
) -> Iterator[tuple[Phone, Any]]:
    """A browser that carries a copy, for test after test, and what it remembers of it."""
    found = Phone(playwright, tmp_path_factory.mktemp("shared") / "phone")
    shutil.copytree(taken, found.folder, ignore=ONE_BROWSER)
    page = found.open()
    page.goto(f"{house.url}/api/health")
    remembered = page.evaluate(REMEMBERED)
    yield found, remembered
    found.close()


@pytest.fixture
def out(shared: tuple[Phone, Any], home: Service) -> Iterator[Page]:
    """A page of a browser that carries a copy of the demo, as it was when it was taken."""
    phone, remembered = shared
    assert phone.context is not None
    page = phone.page()
    page.goto(f"{home.url}/api/health")
    for other in phone.context.pages:
        if other is not page:
            other.close()
    page.evaluate(LAID, remembered)
    yield page
    phone.context.clear_permissions()
    phone.context.grant_permissions(chromium.GRANTED)
    assert phone.problems == []


@pytest.fixture
def other(playwright: Playwright, taken: Path, home: Service, tmp_path: Path) -> Iterator[Phone]:
    """A second browser that carries one."""
    found = Phone(playwright, tmp_path / "other")
    shutil.copytree(taken, found.folder, ignore=ONE_BROWSER)
    yield found
    found.close()


def take(page: Page, home: Service) -> None:
    """Make a field copy, as it is done in Preferences."""
    go(page, home, "/kit")
    page.get_by_role("button", name="Carry along").click()
    page.get_by_role("button", name="Make a field copy").click()
    expect(page.get_by_text("Ready without network.")).to_be_visible()
    with page.expect_event("load"):
        page.get_by_role("button", name="Go on in the carried copy").click()
    expect(page.get_by_role("status", name="Where you are")).to_contain_text("Carried copy, from")


def expose(page: Page, home: Service, side: str) -> None:
    """Expose the scene of the demo on a side."""
    go(page, home, "/scene/scene-winding-house")
    page.locator("[data-result]").wait_for()
    page.get_by_role("button", name="Expose", exact=True).click()
    sheet = page.get_by_role("dialog")
    sheet.get_by_role("button", name=side, exact=True).click()
    sheet.get_by_role("button", name="Log exposure").click()
    expect(sheet).to_have_count(0)


def status(page: Page) -> Any:
    return page.get_by_role("status", name="Where you are")


def hand_in(page: Page) -> None:
    """Out of the open sheet; done when the page that was out there has given way to home's."""
    sheet = page.get_by_role("dialog", name="Back home")
    with page.expect_event("load"):
        sheet.get_by_role("button", name="Hand in", exact=True).click()
    expect(status(page)).to_contain_text("At home")


def back_home(page: Page) -> None:
    page.get_by_role("button", name="Back home").click()
    hand_in(page)


def logged(home: Service) -> list[Any]:
    found: list[Any] = home.call("GET", "/api/log")["lines"]
    return found


def test_a_day_without_network(phone: Phone, home: Service) -> None:
    """The service is stopped: a scene is solved, film exposed, taken back and exposed again, found
    in the log, kept through a reload and a kill of the browser; home again, everything is there
    once, at its moment, and the mode is never silent."""
    page = phone.open()
    before = len(logged(home))
    take(page, home)
    home.stop()
    expose(page, home, "2B")
    expect(status(page)).to_contain_text("1 to hand in")
    page.get_by_role("button", name="Undo", exact=False).first.click()
    expect(status(page)).not_to_contain_text("to hand in")
    expose(page, home, "2A")
    page.reload()
    expect(status(page)).to_contain_text("1 to hand in")
    phone.kill()
    page = phone.open()
    go(page, home, "/log")
    expect(status(page)).to_contain_text("1 to hand in")
    page.get_by_label("Search").first.fill("winding")
    expect(page.get_by_text("Winding house", exact=False).first).to_be_visible()
    page.get_by_role("button", name="Back home").click()
    sheet = page.get_by_role("dialog", name="Back home")
    sheet.get_by_role("button", name="Hand in", exact=True).click()
    expect(sheet).to_contain_text("Home is not reached. Everything stays here")
    home.start()
    hand_in(page)
    lines = logged(home)
    assert len(lines) == before + 1
    assert sum("2A" in str(each) for each in lines) >= 1


def test_a_run_by_its_clock(phone: Phone, home: Service) -> None:
    """In a bathroom without a network: the run of two sheets by its clock, black screen and all; it
    is written in the copy when it ends, and handed in at its moment."""
    home.call("PUT", "/api/kit/lines/short", LINE)
    begun = {"id": "run", "name": "Short run", "recipe_id": "recipe-corvane-mq", "minutes": 4}
    more = {"temperature_c": 20, "tank_id": "tank-four", "line_id": "short"}
    body = {"run": begun | more, "piece_ids": ["sheet-1A", "sheet-1B"]}
    home.call("POST", "/api/darkroom/runs", body)
    page = phone.open()
    take(page, home)
    home.stop()
    go(page, home, "/darkroom")
    page.get_by_role("region", name="Short run").get_by_role(
        "button", name="Open run clock"
    ).click()
    page.get_by_role("button", name="Begin: Presoak").click()
    page.get_by_role("button", name="Blackout").click()
    black = page.locator("[data-blackout]")
    expect(black).to_have_css("background-color", "rgb(0, 0, 0)")
    page.evaluate(ENDED)  # as if it had been going all the while
    page.reload()
    expect(status(page)).to_contain_text("1 to hand in")  # how it went and its film are one
    home.start()
    back_home(page)
    went = home.call("GET", "/api/log/exposure-1A")["run"]["went"]
    assert went["steps"][1] == {"name": "Developer", "seconds": 240}
    judged = [each["where"] for each in home.call("GET", "/api/darkroom")["to_judge"]]
    assert {"1A", "1B"} <= set(judged)


def test_where_one_is(out: Page, home: Service) -> None:
    """Without a network the device itself says where it is, when it is let; it is typed into the
    outing, and handed in with it."""
    page = out
    home.stop()
    page.context.set_geolocation({"latitude": 54.123456, "longitude": -3.2, "accuracy": 6})
    page.context.grant_permissions([*chromium.GRANTED, "geolocation"])
    go(page, home, "/outing")
    page.get_by_role("main").get_by_role("button", name=re.compile("^Change ")).first.click()
    sheet = page.get_by_role("dialog", name="Outing")
    sheet.get_by_role("button", name="Use my position").click()
    expect(sheet.get_by_label("Latitude, degrees")).to_have_value("54.12346")
    expect(sheet).to_contain_text("To 6 m.")
    sheet.get_by_role("button", name="Save").click()
    expect(status(page)).to_contain_text("1 to hand in")
    home.start()
    back_home(page)
    assert 54.12346 in [each["outing"]["latitude"] for each in home.call("GET", "/api/outings")]


def attach(page: Page, path: Path) -> None:
    """By its content: handed over by its path, a browser that is busy may wait for it for ever."""
    kind = mimetypes.guess_type(path)[0] or ""
    page.get_by_label("Pictures to attach").set_input_files(
        {"name": path.name, "mimeType": kind, "buffer": path.read_bytes()}
    )


def test_a_picture_is_attached(out: Page, home: Service, tmp_path: Path) -> None:
    """Out there it is seen in small; handed in, home has the file itself, once, by the device, by
    a saved file or by both; one that was taken off again is not sent; what cannot be opened there
    says that it waits."""
    paths = [tmp_path / name for name in ("wall.png", "door.jpg", "drum.tif")]
    for shade, path in enumerate(paths):
        Image.new("L", (1_200, 900), 60 + 40 * shade).save(path)
    page = out
    home.stop()
    go(page, home, "/log/exposure-3A")
    for path in paths[:2]:
        attach(page, path)
        expect(page.get_by_text(path.name).first).to_be_visible()
    small = page.locator("img[src*=thumbnail]").first
    expect(small).to_have_js_property("naturalWidth", 480)
    attach(page, paths[2])
    expect(page.get_by_text("others wait for home").first).to_be_visible()
    page.get_by_role("button", name=re.compile("^Undo: attach door")).click()
    expect(status(page)).to_contain_text("1 to hand in")
    page.get_by_role("button", name="Back home").click()
    sheet = page.get_by_role("dialog", name="Back home")
    with page.expect_download() as saved:
        sheet.get_by_role("button", name="Save to a file").click()
    outing = tmp_path / "outing.json"
    saved.value.save_as(outing)
    home.start()
    before = home.call("GET", "/api/log/exposure-3A")["attachments"]

    def new() -> list[Any]:
        after = home.call("GET", "/api/log/exposure-3A")["attachments"]
        return [each for each in after if each["id"] not in [known["id"] for known in before]]

    command = [sys.executable, "-m", "emulsa", "hand-in", str(outing), "--data", str(home.folder)]
    subprocess.run(command, check=True, stdout=subprocess.DEVNULL)
    assert [(each["name"], each["width"], each["height"]) for each in new()] == [
        ("wall.png", 1_200, 900)
    ]
    hand_in(page)
    go(page, home, "/kit")
    page.get_by_role("button", name="Carry along").click()
    page.get_by_label("Choose a saved file").set_input_files(outing)
    expect(page.get_by_role("region", name="From the field")).to_contain_text(
        "1 picture is at home."
    )
    assert len(new()) == 1
    url = f"{home.url}/api/attachments/{new()[0]['id']}"
    with urllib.request.urlopen(url, timeout=10) as answer:
        assert answer.read() == paths[0].read_bytes()
    waiting = "caches.open('emulsa-taken').then((cache) => cache.keys()).then((all) => all.length)"
    assert page.evaluate(waiting) == 0


def test_files_are_made_out_there(out: Page, home: Service) -> None:
    """What the copy can make is saved, what it cannot is said beside the link; the page is never
    left for it. An archive is written in the worker, and read again."""
    page = out
    home.stop()
    go(page, home, "/log")
    page.get_by_role("button", name="Import and export").click()
    sheet = page.get_by_role("dialog")
    with page.expect_download() as table:
        sheet.get_by_role("button", name="CSV", exact=True).click()
    assert re.fullmatch(r"emulsa-exposures-[\d-]{10}\.csv", table.value.suggested_filename)
    assert "Winding house" in table.value.path().read_text("utf-8-sig")
    sheet.get_by_role("button", name="Export archive").click()
    with page.expect_download() as whole:
        sheet.get_by_role("button", name="Save the archive").click()
    with zipfile.ZipFile(whole.value.path()) as archive:
        assert "Winding house" in archive.read("tables/scene.jsonl").decode()
    expect(sheet).to_contain_text("Not in it, because their files are not here:")
    # what came in by a file would not go along
    expect(sheet).to_contain_text("Files are brought in at home")
    expect(sheet.locator("input[type=file]")).to_have_count(0)
    go(page, home, "/print/print-shed")
    page.get_by_role("button", name="Map of this print as PDF").click()
    expect(page.get_by_text("This waits for home")).to_be_visible()
    expect(page.locator("canvas[data-preview]")).to_be_visible()


def test_a_print_is_planned(out: Page, home: Service) -> None:
    """In a darkroom without a network the picture is there, as large as a print is planned on; an
    area is drawn, and handed in."""
    page = out
    home.stop()
    go(page, home, "/print/print-shed")
    canvas = page.locator("canvas[data-preview]")
    expect(canvas).to_be_visible()
    expect(page.get_by_text("A preview, by a typical paper")).to_be_visible()
    assert page.evaluate(SHADES) > 40
    page.get_by_role("button", name="Corner", exact=True).click()
    box = canvas.bounding_box()
    assert box is not None
    page.mouse.click(box["x"] + 0.8 * box["width"], box["y"] + 0.2 * box["height"])
    expect(status(page)).to_contain_text("1 to hand in")
    home.start()
    back_home(page)
    areas = home.call("GET", "/api/prints/print-shed")["print"]["plan"]["areas"]
    assert areas[-1]["shape"]["kind"] == "corner"


# the log without its end, and without what lay beside it
SPOILT = """async () => {
    const root = await navigator.storage.getDirectory();
    const folder = await root.getDirectoryHandle('emulsa');
    for (let tries = 100; tries > 0; tries -= 1) try {
        for (const name of ['emulsa.sqlite3-wal', 'emulsa.sqlite3-journal', 'emulsa.sqlite3']) {
            const file = await folder.getFileHandle(name);
            const into = await file.createWritable({keepExistingData: name === 'emulsa.sqlite3'});
            await into.truncate(name === 'emulsa.sqlite3' ? 9000 : 0);
            await into.close();
        }
        return;
    } catch (held) {
        if (tries === 1) throw held;
        await new Promise((done) => setTimeout(done, 100));
    }
}"""


def test_a_full_storage(carrying: Phone, home: Service, tmp_path: Path) -> None:
    """There is no room for one thing more: what is typed is refused with its sentence, and stays;
    everything done before is read, counted, saved to a file and handed in, also after a reload."""
    page = carrying.open()
    assert carrying.context is not None
    home.stop()
    expose(page, home, "2B")
    expect(status(page)).to_contain_text("1 to hand in")
    browser = carrying.context.new_cdp_session(page)
    usage = page.evaluate("navigator.storage.estimate().then(({usage}) => usage)")
    full = {"origin": home.url, "quotaSize": usage}
    browser.send("Storage.overrideQuotaForOrigin", full)
    go(page, home, "/outing")
    refused = page.get_by_text("There is no room left on this device for the carried copy").first
    for number in range(60):
        page.get_by_role("main").get_by_role("button", name=re.compile("^Change ")).first.click()
        sheet = page.get_by_role("dialog", name="Outing")
        sheet.get_by_label("Note").fill(f"{number} " + "thaw, " * 250)
        sheet.get_by_role("button", name="Save").click()
        expect(refused.or_(status(page).get_by_text(f"{number + 2} to hand in"))).to_be_visible()
        if refused.is_visible():
            break
    done = number + 1  # the exposure, and the notes that found room
    expect(sheet.get_by_label("Note")).to_have_value(re.compile(f"^{number} thaw"))
    page.reload()
    expect(status(page)).to_contain_text(f"{done} to hand in")
    go(page, home, "/log")
    expect(page.get_by_text("Winding house", exact=False).first).to_be_visible()
    page.get_by_role("button", name="Back home").click()
    sheet = page.get_by_role("dialog", name="Back home")
    if done > 1:
        expect(sheet).to_contain_text(f"{done} things were done in this copy")
    with page.expect_download() as saved:
        sheet.get_by_role("button", name="Save to a file").click()
    assert len(json.loads(saved.value.path().read_text())["acts"]) == done
    home.start()
    before = len(logged(home))
    hand_in(page)
    assert len(logged(home)) == before + 1


def test_a_part_that_was_removed(out: Page, home: Service) -> None:
    """What lay beside the log is gone, and what was done last with it: that is said. A log that
    cannot be opened says what became of it, in every room."""
    page = out
    home.stop()
    expose(page, home, "2B")
    expect(status(page)).to_contain_text("1 to hand in")
    page.evaluate(
        "localStorage.setItem('emulsa-waiting',"
        " localStorage.getItem('emulsa-waiting').replace('\"waiting\":1', '\"waiting\":3'))"
    )
    page.reload()
    expect(page.get_by_text("2 things done in this copy are not here any more")).to_be_visible()
    home.start()
    page.goto(f"{home.url}/api/health")
    page.evaluate(SPOILT)
    go(page, home, "/log")
    expect(
        page.get_by_text("cannot be read any more: a part of it was removed").first
    ).to_be_visible()
    page.get_by_role("button", name="Back home").click()
    sheet = page.get_by_role("dialog", name="Back home")
    expect(sheet).not_to_contain_text("Nothing was done in this copy")


def test_two_tabs_one_leads(carrying: Phone, home: Service) -> None:
    """The second tab says so; when the first is closed it takes over."""
    page = carrying.open()
    go(page, home, "/log")
    expect(page.get_by_role("heading", name="Log", exact=True)).to_be_visible()
    assert carrying.context is not None
    second = carrying.context.new_page()
    second.goto(f"{home.url}/log")
    expect(second.get_by_text("Emulsa is open in another tab").first).to_be_visible()
    page.close()
    second.get_by_role("button", name="Try again").click()
    expect(second.get_by_text("Emulsa is open in another tab")).to_have_count(0)
    expect(second.get_by_role("heading", name="Log", exact=True)).to_be_visible()


def test_a_copy_that_is_gone(out: Page, home: Service) -> None:
    """What the browser removed is said, and not mistaken for an empty log."""
    page = out
    page.goto(f"{home.url}/api/health")
    page.evaluate(REMOVED)
    go(page, home, "/log")
    expect(page.get_by_text("The browser has removed the carried copy")).to_be_visible()
    page.reload()
    expect(page.get_by_text("The browser has removed the carried copy")).to_be_visible()


def test_handing_in_is_broken_off(carrying: Phone, home: Service) -> None:
    """Twenty times, at random: it did not arrive, it was done and the answer was lost, the browser
    was killed meanwhile. At last everything is there once, at its moment."""
    chance = Random(20)
    page = carrying.open()
    for side in ("2A", "2B", "4B"):
        expose(page, home, side)
    before = len(logged(home))

    def broken(route: Route) -> None:
        if chance.random() < 0.5:
            route.fetch()  # home did it; nobody hears of it
        route.abort()

    for time in range(20):
        if time % 7 == 6:
            carrying.kill()
            page = carrying.open()
            go(page, home, "/log")
        if time == 0 or time % 7 == 6:
            page.route("**/api/acts", broken)
            page.get_by_role("button", name="Back home").click()
        sheet = page.get_by_role("dialog", name="Back home")
        sheet.get_by_role("button", name="Hand in", exact=True).click()
        expect(sheet).to_contain_text("Home is not reached. Everything stays here")
        expect(sheet).to_contain_text("3 things were done in this copy")
    page.unroute("**/api/acts")
    hand_in(page)
    new = logged(home)[: len(logged(home)) - before]
    assert sorted(each["where"] for each in new) == ["2A", "2B", "4B"]


def test_a_new_copy_is_whole_or_not_there(out: Page, home: Service) -> None:
    """The device was switched off while a new copy was written: half of one is nobody's; a whole
    one takes the place of the log even when that was half written over."""
    page = out
    for whole in (False, True):
        page.goto(f"{home.url}/api/health")
        page.evaluate(SWITCHED_OFF, whole)
        go(page, home, "/log")
        expect(status(page)).to_contain_text("Carried copy, from")
        expect(page.get_by_text("Winding house", exact=False).first).to_be_visible()


def test_a_mode_that_was_lost_loses_nothing(carrying: Phone, home: Service) -> None:
    """A copy with things to hand in is not written over: they go home before the next is taken."""
    page = carrying.open()
    before = len(logged(home))
    expose(page, home, "2A")
    page.goto(f"{home.url}/api/health")
    page.evaluate("caches.delete('emulsa-carried').then(() => localStorage.clear())")
    take(page, home)
    assert len(logged(home)) == before + 1


def test_a_clash_is_decided(out: Page, other: Phone, home: Service) -> None:
    """Two devices expose the same side: the second lies aside with both stories, and is decided in
    the browser; the first is there once."""
    pages = [out, other.open()]
    for page in pages:
        expose(page, home, "2A")
    back_home(pages[0])
    before = len(logged(home))
    back_home(pages[1])
    assert len(logged(home)) == before
    expect(status(pages[1])).to_contain_text("1 of what was handed in waits for you")
    pages[1].get_by_role("button", name="Decide").click()
    sheet = pages[1].get_by_role("dialog", name="Handed in, and set aside")
    waits = sheet.get_by_role("region").first
    expect(waits).to_contain_text("Out there")
    expect(waits.get_by_text(": expose")).to_be_visible()  # what was done here to that sheet
    waits.get_by_role("button", name="Do it here now").click()
    expect(waits).to_contain_text("2A")  # refused as before
    waits.get_by_label("It was on").select_option(label="2B, Corvane 100")
    waits.get_by_role("button", name="Do it here now").click()
    expect(sheet).to_contain_text("Nothing waits for you.")
    assert len(logged(home)) == before + 1
    assert logged(home)[0]["where"] == "2B"
    sheet.get_by_role("button", name="Close").click()
    expect(status(pages[1])).not_to_contain_text("waits for you")


def test_a_note_from_out_there(out: Page, home: Service) -> None:
    """Kept as a note it is found again under Kit, where what was carried is looked after."""
    page = out
    expose(page, home, "2A")
    body = {"id": "here", "scene_id": "scene-winding-house", "piece_id": "sheet-2A"}
    home.call("POST", "/api/exposures", body)
    back_home(page)
    page.get_by_role("button", name="Decide").click()
    sheet = page.get_by_role("dialog", name="Handed in, and set aside")
    sheet.get_by_role("button", name="Keep as a note").click()
    expect(sheet.get_by_role("region", name="Notes from out there")).to_contain_text("expose")
    sheet.get_by_role("button", name="Close").click()
    expect(status(page)).not_to_contain_text("waits for you")
    go(page, home, "/kit")
    page.get_by_role("button", name="Carry along").click()
    page.get_by_role("button", name="What was set aside").click()
    expect(page.get_by_role("region", name="Notes from out there")).to_contain_text("expose")


def test_only_the_worker_may_compile(home: Service) -> None:
    """The page keeps its policy; the one script that runs the copy may compile its runtime; the
    runtime goes out compressed, and may be kept."""

    def headers(path: str, **more: str) -> Any:
        request = urllib.request.Request(home.url + path, headers=more)
        with urllib.request.urlopen(request, timeout=10) as answer:
            return answer.headers

    assert "wasm" not in headers("/")["content-security-policy"]
    parts = home.call("GET", "/field/parts.json")
    worker = next(each["path"] for each in parts["page"] if "field.worker" in each["path"])
    assert "'wasm-unsafe-eval'" in headers(worker)["content-security-policy"]
    memory = next(each for each in parts["runtime"] if each["path"].endswith("memory.bin"))
    sent = headers(memory["path"], **{"accept-encoding": "br"})
    assert sent["content-encoding"] == "br"
    assert int(sent["content-length"]) == memory["bytes"]
    assert "immutable" in sent["cache-control"]
    # the drawn scenes are 2.2 million of it, sky, focus and kinds of film 0.4
    assert sum(each["bytes"] for each in parts["runtime"]) < 15_100_000


def test_one_file_for_emergencies(
    phone: Phone, home: Service, tmp_path: Path, playwright: Playwright
) -> None:
    """Opened from the device's files it asks nobody: a scene is solved, film is exposed, and what
    was done is saved to a file, which home takes in once."""
    file = tmp_path / "emulsa.html"
    command = [sys.executable, "-m", "emulsa", "single-file", str(file), "--data"]
    subprocess.run([*command, str(home.folder)], check=True, stdout=subprocess.DEVNULL)
    page = phone.open()
    asked: list[str] = []
    page.on("request", lambda request: asked.append(request.url))
    page.goto(f"{file.as_uri()}#/scene/scene-winding-house")
    expect(page.locator("[data-result]")).to_contain_text("1.3 s")
    page.get_by_role("button", name="Expose", exact=True).click()
    sheet = page.get_by_role("dialog")
    sheet.get_by_role("button", name="2A", exact=True).click()
    sheet.get_by_role("button", name="Log exposure").click()
    expect(status(page)).to_contain_text("1 not saved at home")
    with page.expect_download() as saved:
        page.get_by_role("button", name="Save to a file").click()
    outing = tmp_path / "outing.json"
    saved.value.save_as(outing)
    assert not [url for url in asked if url.startswith("http")]
    before = len(logged(home))
    go(page, home, "/kit")
    page.get_by_role("button", name="Carry along").click()
    chosen = page.get_by_label("Choose a saved file")
    chosen.set_input_files({"name": "x.json", "mimeType": "application/json", "buffer": b"[1]"})
    expect(page.get_by_text("This file was not saved by Emulsa out there")).to_be_visible()
    chosen.set_input_files(outing)
    expect(page.get_by_role("region", name="From the field")).to_contain_text("1 done at home.")
    for _ in range(2):
        told = subprocess.run(
            [sys.executable, "-m", "emulsa", "hand-in", str(outing), "--data", str(home.folder)],
            check=True,
            capture_output=True,
            text=True,
        )
        assert told.stdout.startswith("1 of 1 done.")
        assert len(logged(home)) == before + 1
