"""A photograph as a meter, in the real interface: from a file to an exposure logged, by pointer,
keys and touch; the print to come follows what is dragged."""

import io
import re
from typing import Any

import pytest
from PIL import Image
from playwright.sync_api import Locator, Page, expect

from tests.api.test_scene_picture import photograph
from tests.browser.conftest import PHONE, Open, Service
from tests.browser.test_exposing import as_kept

pytestmark = pytest.mark.browser

HOUSE, INCLINE = "/scene/scene-winding-house", "/scene/scene-incline"
OWN = "/scene/scene-own"
TOUCHED = "The place's name, or what the meter says of it"
Json = dict[str, Any]


@pytest.fixture
def own(service: Service) -> str:
    """A scene of one's own with a lens and film, its dark tone read, and no picture."""
    house = service.call("GET", "/api/scenes/scene-winding-house")["scene"]
    kept = {
        name: house[name] for name in ("outing_id", "film_id", "lens_id", "meter_id", "aperture")
    }
    dark = {"id": "dark", "label": "tramway", "reading": {"kind": "ev", "ev": 9}}
    scene = {"id": "scene-own", "title": "Tramway", "readings": [dark], **kept}
    service.call("PUT", "/api/scenes/scene-own", scene)
    return OWN


def kept(service: Service, id_: str = "scene-own") -> dict[str, Json]:
    told = service.call("GET", f"/api/scenes/{id_}")["scene"]["readings"]
    return {each["label"]: each for each in told}


def picture(page: Page) -> Locator:
    return page.get_by_role("group", name="The picture with its readings")


def touch(page: Page, x: float, y: float, *, tap: bool = False) -> None:
    """A place of the picture, as shares of it."""
    box = picture(page).bounding_box()
    assert box is not None
    at = box["x"] + x * box["width"], box["y"] + y * box["height"]
    if tap:
        page.touchscreen.tap(*at)
    else:
        page.mouse.click(*at)


def add(page: Page) -> None:
    chosen = {"name": "tramway.jpg", "mimeType": "image/jpeg", "buffer": photograph()}
    page.get_by_label("A picture of the scene").set_input_files(chosen)  # type: ignore[arg-type]
    expect(picture(page)).to_be_visible()


def print_of(page: Page) -> Locator:
    return page.get_by_role("img", name=re.compile("^As it will print"))


def test_from_a_file_to_an_exposure(open_page: Open, own: str, service: Service) -> None:
    """Chosen, known by its settings; a reading that was taken is put where it was taken, the meter
    is typed at another place, a third is read by touch, placed on V, and film is exposed by it."""
    page = open_page(own)
    add(page)
    expect(page.get_by_role("button", name="by its settings alone, ± ½")).to_be_visible()
    touch(page, 0.2, 0.5)
    page.get_by_role("button", name="tramway", exact=True).click()
    expect(page.get_by_role("button", name="by 1 spot reading", exact=False)).to_be_visible()
    assert kept(service)["tramway"]["spot"]["x"] == pytest.approx(0.2, abs=0.01)

    touch(page, 0.8, 0.5)
    field = page.get_by_label(TOUCHED)
    field.fill("12 1/3 snow")
    page.get_by_role("button", name="The meter says so").click()
    expect(page.get_by_role("button", name="by 2 spot readings", exact=False)).to_be_visible()
    assert kept(service)["snow"]["reading"]["kind"] == "ev"

    touch(page, 0.7, 0.2)
    expect(page.get_by_label("Picture", exact=True)).to_contain_text("EV 12⅓ ± ⅓")
    field.fill("bank")
    page.get_by_role("button", name="Read it here").click()
    bank = page.locator('[data-pin="bank"]')
    expect(bank).to_be_visible()
    told = kept(service)["bank"]
    assert told["reading"]["kind"] == "photo"
    assert told["reading"]["ev100"] == pytest.approx(12.33, abs=0.2)

    bank.focus()
    page.keyboard.press("ArrowRight")
    expect(bank).to_have_attribute("aria-label", "bank, placed")
    page.keyboard.press("e")
    page.get_by_role("button", name=re.compile("^Log")).click()
    expect(page.get_by_role("status").filter(has_text="exposed:")).to_be_visible()
    exposure = service.call("GET", "/api/scenes/scene-own")["exposures"][0]
    readings = as_kept(service, exposure["id"]).request["readings"]
    assert [each["reading"]["kind"] for each in readings] == ["ev", "ev", "photo"]


def test_a_place_is_read_by_keys(open_page: Open, own: str, service: Service) -> None:
    """Arrows move the circle, with shift further; + makes it larger; Enter goes to the name."""
    page = open_page(own)
    add(page)
    place = page.get_by_role("button", name=re.compile("^Read a place"))
    place.focus()
    for key in ("Shift+ArrowRight", "ArrowRight", "ArrowUp", "+"):
        page.keyboard.press(key)
    expect(place).to_have_attribute("aria-label", re.compile("EV 1[0-9]"))
    page.keyboard.press("Enter")
    expect(page.get_by_label(TOUCHED)).to_be_focused()
    page.keyboard.type("by keys")
    page.keyboard.press("Enter")
    expect(page.locator('[data-pin="by keys"]')).to_be_visible()
    spot = kept(service)["by keys"]["spot"]
    assert (spot["x"], spot["y"]) == (pytest.approx(0.56), pytest.approx(0.485, abs=0.001))
    assert spot["radius"] == pytest.approx(0.0063 * 1.25, abs=1e-4)


def test_a_mark_is_moved_and_opened(open_page: Open, service: Service) -> None:
    """Dragged, a reading lies elsewhere and stays what was read; touched, it opens."""
    page = open_page(INCLINE)
    mark = page.get_by_role("button", name=re.compile("^dry-stone wall, EV"))
    expect(mark).to_be_visible()
    box, whole = mark.locator("circle").first.bounding_box(), picture(page).bounding_box()
    assert box is not None
    assert whole is not None
    page.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
    page.mouse.down()
    page.mouse.move(whole["x"] + 0.15 * whole["width"], whole["y"] + 0.8 * whole["height"], steps=4)
    page.mouse.up()
    expect(page.get_by_role("button", name=re.compile("^Undo"))).to_be_enabled()
    wall = kept(service, "scene-incline")["dry-stone wall"]
    assert wall["spot"]["x"] == pytest.approx(0.15, abs=0.01)
    assert wall["reading"]["kind"] == "ev"
    page.get_by_role("button", name=re.compile("^dry-stone wall, EV")).focus()
    page.keyboard.press("Enter")
    expect(page.get_by_role("dialog", name="Reading")).to_be_visible()


def levels(page: Page) -> list[int]:
    """The greys of a row of the print, from the canvas."""
    found: list[int] = print_of(page).evaluate(
        """canvas => {
            const { data } = canvas.getContext('2d').getImageData(0, 60, canvas.width, 1);
            return [...data].filter((_, k) => k % 40 === 0);
        }"""
    )
    return found


def test_the_print_follows_the_plan(open_page: Open) -> None:
    """As N is set, another print; held, it is seen as the light falls, let go, as it will print."""
    page = open_page(HOUSE)
    expect(print_of(page)).to_have_attribute("data-drawn", "N−1")
    expect(page.get_by_text("full texture in 87 % of it")).to_be_visible()
    before = levels(page)
    page.locator('[data-pin="doorway in shade"]').focus()
    page.keyboard.press("ArrowRight")
    expect(page.get_by_text("full texture in 87 % of it")).to_have_count(0)
    assert levels(page) != before
    held = page.get_by_role("button", name="Hold to see it as the light falls")
    held.hover()
    page.mouse.down()
    expect(print_of(page)).to_have_count(0)
    page.mouse.up()
    expect(print_of(page)).to_be_visible()


def test_other_ways_are_seen(open_page: Open) -> None:
    """Three plans as three prints of one size; one that is taken up is the large one. So are the
    frames of a bracket, each by its own light."""
    page = open_page(HOUSE)
    page.get_by_role("tab", name="Second opinion").click()
    small = page.get_by_role("group", name="As each would print").get_by_role("img")
    expect(small).to_have_count(3)
    assert len({str(small.nth(at).bounding_box()["width"]) for at in range(3)}) == 1  # type: ignore[index]
    page.get_by_role("group", name=re.compile("^Second opinion")).get_by_role("button").nth(
        1
    ).click()
    expect(print_of(page)).to_have_attribute("data-drawn", "N")
    page.keyboard.press("b")
    bracket = page.get_by_role("dialog").get_by_role("group", name="As each would print")
    frames = bracket.get_by_role("img")
    expect(frames).to_have_count(3)
    names = [frames.nth(at).get_attribute("aria-label") or "" for at in range(3)]
    assert [each.split(":")[0] for each in names] == ["+1", "0", "−1"]
    assert len(set(names)) == 3


def test_a_print_and_a_judgement_begin_with_it(open_page: Open, service: Service) -> None:
    """Of a negative nobody scanned: its print is planned on the scene's picture, and it is judged
    against the print that was foretold."""
    of_scene = service.call("GET", "/api/log/exposure-shed-A")["exposure"]["scene_id"]
    page = open_page(f"/scene/{of_scene}")
    add(page)
    service.call("DELETE", "/api/attachments/scan-shed")
    page.goto(service.url + "/print/print-shed")
    expect(page.locator("canvas[data-preview=print]")).to_be_visible()
    expect(page.get_by_text("No scan yet: it is seen from the scene’s picture")).to_be_visible()
    expect(page.get_by_role("button", name="picture", exact=True)).to_be_visible()
    page.wait_for_function(
        """() => {
            const canvas = document.querySelector('canvas[data-preview=print]');
            const pen = canvas.getContext('2d');
            const at = (x) => pen.getImageData(x * canvas.width, 0.5 * canvas.height, 1, 1).data[0];
            return at(0.55) - at(0.35) > 30;
        }"""
    )  # its halves, cut to the negative's shape
    page.goto(service.url + "/log/exposure-shed-A")
    page.get_by_role("button", name="Judge again").click()
    sheet = page.get_by_role("dialog")
    expect(sheet.get_by_text("Does the negative hold what this print shows?")).to_be_visible()
    expect(sheet.get_by_role("img", name="Print as it was planned")).to_be_visible()


def test_where_to_read_is_proposed(open_page: Open) -> None:
    page = open_page(HOUSE)
    page.get_by_role("button", name="Where to read").click()
    dark = page.get_by_text("Darkest with texture")
    expect(dark).to_be_visible()
    dark.get_by_role("button").first.click()
    expect(page.get_by_label(TOUCHED)).to_be_visible()


def test_bridge_picture_and_print_on_a_phone(open_page: Open, service: Service) -> None:
    """One at a time by the thumb, the result in sight; a place is read by touch."""
    page = open_page(HOUSE, size=PHONE)
    result = page.locator("[data-result]")
    bridge = page.get_by_label("Tone bridge", exact=False)
    expect(bridge.locator("[data-fringe] rect").first).to_be_visible()
    page.get_by_role("tab", name="picture").click()
    touch(page, 0.87, 0.48, tap=True)
    page.get_by_label(TOUCHED).fill("gable")
    page.get_by_role("button", name="Read it here").click()
    expect(page.get_by_role("button", name=re.compile("^gable, EV 13"))).to_be_visible()
    expect(result).to_be_in_viewport()
    page.get_by_role("tab", name="print").click()
    expect(print_of(page)).to_be_visible()
    expect(page.get_by_label("How much of the picture falls where")).to_contain_text(
        "IV–VI, middle"
    )
    expect(result).to_be_in_viewport()
    assert kept(service, "scene-winding-house")["gable"]["reading"]["kind"] == "photo"


def test_what_it_is_metered_by(open_page: Open, own: str, service: Service) -> None:
    """Its settings as one types them; refused with the range; taken away it is gone, and undo
    brings it back."""
    page = open_page(own)
    add(page)
    page.get_by_role("button", name="by its settings alone, ± ½").click()
    sheet = page.get_by_role("dialog", name="tramway.jpg")
    expect(sheet.get_by_label("Time, s")).to_have_value("1/125")
    sheet.get_by_label("Sees across, in degrees").fill("400")
    sheet.get_by_role("button", name="Save", exact=True).click()
    expect(sheet.get_by_role("alert")).to_contain_text("must be between 1 and 170 degrees")
    sheet.get_by_label("Sees across, in degrees").fill("60")
    sheet.get_by_label("Time, s").fill("1/250")
    sheet.get_by_label("Its print is seen on").select_option(label="Sleet fibre, variable")
    sheet.get_by_label("Flare of the lens").select_option(label="2 %: bright sky about, no shade")
    sheet.get_by_role("button", name="Save", exact=True).click()
    expect(sheet).to_have_count(0)
    told = service.call("GET", "/api/scenes/scene-own")["picture"]["attachment"]["metering"]
    assert (told["settings"]["time_s"], told["view_deg"]) == (pytest.approx(1 / 250), 60)
    assert (told["paper_id"], told["flare_share"]) == ("paper-sleet", 0.02)
    expect(page.get_by_label("Picture", exact=True)).to_contain_text(
        "Sleet fibre, variable, flare 2 %"
    )
    page.get_by_role("button", name="by its settings alone, ± ½").click()
    sheet.get_by_role("button", name="Remove", exact=True).click()
    expect(picture(page)).to_have_count(0)
    expect(page.get_by_role("button", name="Add picture")).to_be_visible()
    page.keyboard.press("u")
    expect(picture(page)).to_be_visible()


def test_what_is_no_picture_is_refused(open_page: Open, own: str) -> None:
    """By its content, whatever its name says; the scene stays as it was."""
    page = open_page(own)
    lie = {"name": "tramway.jpg", "mimeType": "image/jpeg", "buffer": b"not a picture at all"}
    page.get_by_label("A picture of the scene").set_input_files(lie)  # type: ignore[arg-type]
    expect(page.get_by_text("This is not a JPEG, PNG or TIFF picture")).to_be_visible()
    broken = io.BytesIO()
    Image.new("RGB", (400, 300), (9, 99, 9)).save(broken, "JPEG")
    half = {
        "name": "half.jpg",
        "mimeType": "image/jpeg",
        "buffer": broken.getvalue()[: len(broken.getvalue()) // 2],
    }
    page.get_by_label("A picture of the scene").set_input_files(half)  # type: ignore[arg-type]
    expect(page.get_by_text("This picture is damaged")).to_be_visible()
    expect(page.get_by_role("button", name="Add picture")).to_be_visible()


def test_a_scene_without_a_picture_looks_as_before(open_page: Open, own: str) -> None:
    """Its bridge as high as it was, nothing of the picture asked or loaded."""
    page = open_page(own)
    expect(page.get_by_role("button", name="Add picture")).to_be_visible()
    bridge = page.get_by_role("group", name=re.compile("^Tone bridge")).bounding_box()
    assert bridge is not None
    assert bridge["height"] >= 368
    asked = page.evaluate("performance.getEntriesByType('resource').map(each => each.name)")
    assert not [each for each in asked if "scenes/seen" in each or "/attachments/" in each]
