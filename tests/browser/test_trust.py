"""What is wrong is said, what takes long is found again, and who comes over a network is let in."""

import itertools
import re
import shutil
import subprocess
import sys
import urllib.request
from collections.abc import Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Playwright, expect
from starlette.testclient import TestClient

from emulsa.server.app import BUILT_PAGE, Settings, create_app
from tests.api.test_exchange import archived
from tests.api.test_merging import expose, loaded
from tests.browser import chromium
from tests.browser.conftest import PHONE, Open, Service
from tests.conftest import HERE, OWN, Client
from tests.serving import free_port

pytestmark = pytest.mark.browser


def copied(service: Service, folder: Path) -> TestClient:
    """The same log on another machine."""
    shutil.copytree(service.fresh, folder)
    return Client(create_app(Settings(folder, caretaker=False)), base_url=HERE, headers=OWN)


def test_two_stories_are_told_and_decided(
    open_page: Open, service: Service, tmp_path: Path
) -> None:
    """A sheet exposed here and on the copy: nothing is imported until it is said which is kept."""
    with copied(service, tmp_path / "copy") as copy:
        piece = loaded(copy)["piece_id"]
        expose(copy, piece, "there", share=0.5)
        content = archived(copy)
    service.call(
        "POST",
        "/api/exposures",
        {"id": "here", "scene_id": "scene-winding-house", "piece_id": piece, "share": 1},
    )
    page = open_page("/log", PHONE)
    page.get_by_role("button", name="Import and export").click()
    page.get_by_label("Choose an archive").set_input_files(
        {"name": "a.zip", "mimeType": "application/zip", "buffer": content}
    )
    dialog = page.get_by_role("dialog")
    expect(dialog.get_by_text("1 piece of film went two ways")).to_be_visible()
    expect(dialog.get_by_text("1 not decided")).to_be_visible()
    expect(dialog.get_by_role("button", name="Import", exact=True)).to_be_disabled()
    expect(dialog.get_by_role("group", name="2A")).to_contain_text("50 % of it")
    dialog.get_by_role("radio", name="Use the archive").check()
    dialog.get_by_role("button", name="Import", exact=True).click()
    expect(dialog.get_by_text("the one of the archive is kept")).to_be_visible()
    shots = {line["exposure_id"] for line in service.call("GET", "/api/log")["lines"]}
    assert ("there" in shots, "here" in shots) == (True, False)


def test_work_is_found_again(open_page: Open) -> None:
    """The page is left and opened again; what was written can still be saved, and put away."""
    page = open_page("/log")
    page.get_by_role("button", name="Import and export").click()
    page.get_by_role("button", name="Export archive").click()
    page.get_by_role("link", name="Save the archive").wait_for()
    page.reload()
    page.get_by_role("button", name="Import and export").click()
    expect(page.get_by_role("link", name="Save the archive")).to_be_visible()
    page.get_by_role("button", name="Done with it").click()
    expect(page.get_by_role("link", name="Save the archive")).to_have_count(0)


@pytest.fixture
def networked(tmp_path: Path) -> TestClient:
    """A service on a network, with the built page."""
    settings = Settings(
        tmp_path / "data", page=BUILT_PAGE, caretaker=False, network="http://192.168.7.9:8017"
    )
    return TestClient(create_app(settings), base_url="http://192.168.7.9:8017")


def test_the_pairing_page_needs_no_script(networked: TestClient, browser: Browser) -> None:
    """One heading, two fields and a button, each with its label; at a phone's width too."""
    content = networked.get("/pair?code=ABCD2345").text
    page = browser.new_page(viewport=PHONE, java_script_enabled=False)
    page.set_content(content)
    expect(page.get_by_role("heading", name="Pair this device")).to_be_visible()
    expect(page.get_by_label("Code")).to_have_value("ABCD2345")
    expect(page.get_by_label("Device name")).to_be_visible()
    box = page.get_by_role("button", name="Pair", exact=True).bounding_box()
    assert box is not None
    assert box["height"] >= 44
    assert page.evaluate("document.documentElement.scrollWidth") <= PHONE["width"]
    page.close()


@pytest.fixture
def listening(service: Service, tmp_path: Path) -> Iterator[list[str]]:
    """A service that answers this machine's network by https; what it said when it began."""
    shutil.copytree(service.fresh, tmp_path / "net")
    ports = ["--port", str(free_port()), "--secure-port", str(free_port())]
    command = ["serve", "--network", *ports, "--data", str(tmp_path / "net")]
    started = subprocess.Popen(
        [sys.executable, "-m", "emulsa", *command], stdout=subprocess.PIPE, text=True
    )
    assert started.stdout
    told = list(
        itertools.takewhile(lambda line: "The code is good once" not in line, started.stdout)
    )
    yield told
    started.kill()
    started.wait()
    started.stdout.close()


def test_a_device_is_let_in_by_https(listening: list[str], playwright: Playwright) -> None:
    """A browser as it is, at the network's address: the code is typed, and the rooms are there. It
    trusts anybody here; that it trusts this authority was tried by hand."""
    said = re.search(r"open (https://\S+) there and type the code (\S+)", "".join(listening))
    if said is None:
        pytest.skip("this machine is on no network")
    elsewhere = [each for each in chromium.ARGUMENTS if "host-resolver" not in each]
    browser = playwright.chromium.launch(executable_path=chromium.PATH, args=elsewhere)
    page = browser.new_page(viewport=PHONE, ignore_https_errors=True)  # type: ignore[arg-type]
    page.goto(said[1])
    page.get_by_label("Code").fill("WRONG-234")
    page.get_by_role("button", name="Pair", exact=True).click()
    expect(page.get_by_text("This is not the code Emulsa shows now")).to_be_visible()
    page.get_by_label("Code").fill(said[2])
    page.get_by_label("Device name").fill("Small phone")
    page.get_by_role("button", name="Pair", exact=True).click()
    expect(page.get_by_role("heading", name="Outing", exact=True)).to_be_visible()
    browser.close()


def test_devices_under_preferences(open_page: Open, service: Service) -> None:
    """The code in large letters, its picture named, a device turned out by name."""
    told = {
        "active": True,
        "address": "http://192.168.7.9:8017",
        "code": "ABCD2345",
        "picture": "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 1 1'/>",
        "devices": [
            {
                "id": "d",
                "name": "Small phone",
                "paired_at": "2026-01-17T09:20:00Z",
                "seen_at": "2026-01-17T10:20:00Z",
            }
        ],
    }
    page = open_page("/kit")
    page.route("**/api/pairing", lambda route: route.fulfill(json=told))
    page.route(
        "**/api/pairing/devices/d", lambda route: route.fulfill(json={**told, "devices": []})
    )
    page.reload()
    page.get_by_role("button", name="Devices").click()
    dialog = page.get_by_role("dialog")
    expect(dialog.get_by_text("ABCD-2345")).to_be_visible()
    expect(dialog.get_by_role("img", name="QR code of http://192.168.7.9:8017")).to_be_visible()
    page.unroute("**/api/pairing")
    page.route("**/api/pairing", lambda route: route.fulfill(json={**told, "devices": []}))
    dialog.get_by_role("button", name="Turn out Small phone").click()
    expect(dialog.get_by_text("No device is paired.")).to_be_visible()
    with urllib.request.urlopen(f"{service.url}/api/pairing") as answer:
        assert b'"active":false' in answer.read()
