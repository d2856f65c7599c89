"""What is wrong is said, what takes long is found again, and who comes over a network is let in."""

import shutil
import urllib.request
from pathlib import Path

import pytest
from playwright.sync_api import Browser, expect
from starlette.testclient import TestClient

from emulsa.api.app import BUILT_PAGE, Settings, create_app
from tests.api.test_exchange import archived
from tests.api.test_merging import expose, loaded
from tests.browser.conftest import PHONE, Open, Service
from tests.conftest import HERE, OWN, Client

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
    dialog.get_by_role("radio", name="Take the archive").check()
    dialog.get_by_role("button", name="Import", exact=True).click()
    expect(dialog.get_by_text("the one of the archive is kept")).to_be_visible()
    shots = {line["exposure_id"] for line in service.call("GET", "/api/log")["lines"]}
    assert ("there" in shots, "here" in shots) == (True, False)


def test_work_is_found_again(open_page: Open) -> None:
    """The page is left and opened again; what was written can still be saved, and put away."""
    page = open_page("/log")
    page.get_by_role("button", name="Import and export").click()
    page.get_by_role("button", name="Write an archive").click()
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
    expect(page.get_by_label("What to call this device")).to_be_visible()
    box = page.get_by_role("button", name="Pair", exact=True).bounding_box()
    assert box is not None
    assert box["height"] >= 44
    assert page.evaluate("document.documentElement.scrollWidth") <= PHONE["width"]
    page.close()


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
