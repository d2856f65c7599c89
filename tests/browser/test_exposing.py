"""The clock, brackets, schools, second opinions and devices, in the real interface."""

import re
from contextlib import closing
from typing import Any

import pytest
from playwright.sync_api import Page, expect

from emulsa.core import wire
from emulsa.core.logged.record import Exposure
from emulsa.server.app import Settings
from emulsa.store import database, exposures
from tests.browser.conftest import PHONE, Open, Service

pytestmark = pytest.mark.browser

APERTURES = "The same exposure at other apertures"
ADIT, POOL, HOUSE = "/scene/scene-adit", "/scene/scene-pool", "/scene/scene-winding-house"


def as_kept(service: Service, id_: str) -> Exposure:
    """An exposure as the store has it, with its plan and its intervals."""
    with closing(database.connect(Settings(service.folder).database)) as db:
        kept = exposures.exposure(db, id_)
    assert kept is not None
    return kept


def clock_of(page: Page) -> Any:
    """Open the expose sheet and use the clock."""
    expect(page.locator("[data-result]")).to_be_visible()
    page.keyboard.press("e")
    page.get_by_role("button", name="Clock", exact=True).click()
    face = page.get_by_role("dialog", name=re.compile("^Clock for"))
    expect(face).to_be_visible()
    return face


def wound_forward(page: Page, seconds: float) -> None:
    """As if the shutter had been opened so much earlier."""
    page.evaluate(
        """(seconds) => {
          const timed = JSON.parse(localStorage.getItem('emulsa-clock'));
          timed.since -= seconds * 1000;
          localStorage.setItem('emulsa-clock', JSON.stringify(timed));
        }""",
        seconds,
    )
    page.reload()


def test_a_timed_exposure_survives_a_reload(open_page: Open, service: Service) -> None:
    """Opened, reloaded, still counting; closed, and what was really given is logged."""
    page = open_page(ADIT)
    face = clock_of(page)
    expect(page.locator("[data-clock]")).to_have_text("13:30")
    face.get_by_label("Shutter closed").check()  # a pinhole has no aperture to set
    page.keyboard.press("Tab")
    face.get_by_role("button", name="Open the shutter").click()
    expect(face).to_contain_text("shutter open")
    wound_forward(page, 690)
    expect(page.locator("[data-clock]")).to_have_text(re.compile(r"^[12]:\d\d$"))
    wound_forward(page, 150)
    expect(page.get_by_text("Close the shutter now")).to_be_visible()
    page.get_by_role("button", name="Close and log").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    expect(
        page.get_by_role("status").filter(has_text="logged on Into the adit: f/200")
    ).to_be_visible()
    exposure = service.call("GET", "/api/scenes/scene-adit")["exposures"][0]
    assert exposure["seconds"] == pytest.approx(850, abs=30)
    assert 0 < exposure["error_stops"] < 0.3
    assert page.evaluate("localStorage.getItem('emulsa-clock')") is None


def test_pausing_and_light_that_changes(open_page: Open, service: Service) -> None:
    """Half given, paused, a stop less light: what is left comes from the core, and is logged."""
    page = open_page(POOL)
    face = clock_of(page)
    face.get_by_role("button", name="Open the shutter").click()
    wound_forward(page, 5)
    page.get_by_role("button", name="Pause").click()
    expect(page.get_by_text("paused: shutter closed")).to_be_visible()
    field = page.get_by_label("Light changed? Read dark crack again")
    field.fill("half past")
    page.get_by_role("button", name="Use this reading").click()
    expect(
        page.get_by_role("alert").filter(has_text="does not begin with a reading")
    ).to_be_visible()
    expect(field).to_have_value("half past")
    field.fill("8")
    page.get_by_role("button", name="Use this reading").click()
    expect(page.get_by_text("−1 stop of light")).to_be_visible()
    page.get_by_role("button", name="Open again").click()
    wound_forward(page, 12)
    page.get_by_role("button", name="Close and log").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    exposure = service.call("GET", "/api/scenes/scene-pool")["exposures"][0]
    kept = as_kept(service, exposure["id"])
    assert len(kept.intervals) == 2
    light = [each.metered_s for each in kept.intervals]
    assert light[1] == pytest.approx(2 * light[0])
    worked_out = service.call(
        "POST",
        "/api/compute/light_change",
        {
            "law": kept.request["law"],
            "intervals": wire.encode(kept.intervals),
            "now_metered_s": light[0],
        },
    )
    assert exposure["error_stops"] == pytest.approx(worked_out["error_stops_if_stopped"])


def test_light_that_fades_away_is_said(open_page: Open) -> None:
    """No number is promised where none can be kept."""
    page = open_page(ADIT)
    clock_of(page).get_by_role("button", name="Open the shutter").click()
    wound_forward(page, 60)
    for ev in ("0", "-4"):  # one drop of light is no fading; two are
        page.get_by_label("Light changed? Read pit props again").fill(ev)
        page.get_by_role("button", name="Use this reading").click()
        expect(page.get_by_text(f"EV {ev.replace('-', '−')}").first).to_be_visible()
        wound_forward(page, 60)
    expect(page.get_by_text("it will never complete")).to_be_visible()
    expect(page.locator("[data-clock]")).to_have_text(re.compile(r"^\d"))
    page.get_by_role("button", name="Discard").click()
    page.get_by_role("button", name="Continue").click()
    page.get_by_role("button", name="Discard").click()
    page.get_by_role("button", name="Discard").last.click()
    expect(page.get_by_role("dialog")).to_have_count(0)


def test_a_lost_server_loses_no_exposure(open_page: Open, service: Service) -> None:
    """It counts on, says that it will log, and does when the server is back."""
    page = open_page(POOL)
    clock_of(page).get_by_role("button", name="Open the shutter").click()
    service.stop()
    expect(page.get_by_text(re.compile("^shutter open"))).to_be_visible()
    page.get_by_role("button", name="Close and log").click()
    expect(page.get_by_text("will be logged when it is back")).to_be_visible()
    service.start()
    expect(page.get_by_role("dialog")).to_have_count(0)
    exposures = service.call("GET", "/api/scenes/scene-pool")["exposures"]
    assert len(exposures) == 1
    assert exposures[0]["where"] == "2A"
    problems = open_page.problems  # type: ignore[attr-defined]
    problems[:] = [each for each in problems if "ERR_CONNECTION" not in each]


def test_a_bracket_by_keyboard(open_page: Open, service: Service) -> None:
    """b, half stops, Enter: three sheets, most exposure first, one action that undo takes back."""
    page = open_page(POOL)
    expect(page.locator("[data-result]")).to_be_visible()
    page.keyboard.press("b")
    sheet = page.get_by_role("dialog", name="Bracket on Corvane 100")
    frames = sheet.get_by_role("list", name="Frames, most exposure first")
    expect(frames.get_by_role("listitem")).to_have_count(3)
    expect(frames).to_contain_text("f/32, 28 s")
    expect(sheet).to_contain_text("Uses 3 sheets, 7.20 of film")
    sheet.get_by_label("Frames", exact=True).fill("4")
    expect(
        sheet.get_by_role("alert").filter(has_text="cannot be even on both sides")
    ).to_be_visible()
    sheet.get_by_label("Frames", exact=True).fill("3")
    sheet.get_by_label("Step").select_option(label="½ stop")
    expect(frames).to_contain_text("+½")
    sheet.get_by_label("Sides or frames of a roll, most exposure first").fill("2A 2B 1A")
    sheet.get_by_role("button", name="Log 3 exposures").click()
    expect(
        sheet.get_by_role("alert").filter(has_text="3 different unexposed sides")
    ).to_be_visible()
    sheet.get_by_label("Sides or frames of a roll, most exposure first").fill("2a 2b 4b")
    page.keyboard.press("Enter")
    expect(page.get_by_role("dialog")).to_have_count(0)
    expect(page.get_by_text("Bracket of 3 logged on 2A, 2B, 4B")).to_be_visible()
    assert len(service.call("GET", "/api/scenes/scene-pool")["exposures"]) == 3
    page.wait_for_timeout(1_100)  # a letter right after typing would be none
    page.keyboard.press("u")
    expect(page.get_by_role("button", name=re.compile("^2A ·"))).to_have_count(0)


def test_an_intended_multiple_exposure(open_page: Open, service: Service) -> None:
    """Half, then half again on the same side; without saying so that side is not offered."""
    page = open_page(POOL)
    for place, offered in enumerate(("2A", "2A again")):
        expect(page.locator("[data-result]")).to_be_visible()
        page.keyboard.press("e")
        sheet = page.get_by_role("dialog", name="Expose Corvane 100")
        if place:
            expect(sheet.get_by_role("button", name="2A", exact=True)).to_have_count(0)
        sheet.get_by_label("Share of exposure").select_option(label="½ of a multiple exposure")
        sheet.get_by_role("button", name=offered, exact=True).click()
        expect(sheet.locator("[data-check]")).to_contain_text("5.5 s")
        sheet.get_by_role("button", name="Log exposure").click()
        expect(sheet).to_have_count(0)
    shares = [each["share"] for each in service.call("GET", "/api/scenes/scene-pool")["exposures"]]
    assert shares == [0.5, 0.5]


def test_what_is_typed_as_given_is_weighed(open_page: Open) -> None:
    """Minutes typed as seconds are noticed before they are logged; nothing typed is lost."""
    page = open_page(POOL)
    expect(page.locator("[data-result]")).to_be_visible()
    page.keyboard.press("e")
    sheet = page.get_by_role("dialog", name="Expose Corvane 100")
    sheet.get_by_label("Time given").fill("600")
    expect(sheet.get_by_text("minutes and seconds mixed up?")).to_be_visible()
    sheet.get_by_label("Time given").fill("20")
    expect(sheet.locator("[data-check]")).to_have_text("20 s: ⅔ stop too much, N")
    sheet.get_by_label("Time given").fill("soon")
    expect(sheet.get_by_role("alert").filter(has_text="soon")).to_be_visible()
    expect(sheet.get_by_label("Time given")).to_have_value("soon")


def test_schools_side_by_side(open_page: Open, service: Service) -> None:
    """What each would give, and taking one up; the readings stay, undo brings the old way back."""
    page = open_page(HOUSE)
    page.get_by_role("tab", name="Placement methods").click()
    strip = page.get_by_role("group", name="Placement methods")
    expect(strip.get_by_role("button")).to_have_count(7)
    shadow = strip.get_by_role("button", name=re.compile("^shadow"))
    expect(shadow).to_have_attribute("aria-pressed", "true")
    expect(shadow).to_contain_text("EV 10⅔ · N−1")
    expect(strip.get_by_role("button", name=re.compile("^incident pair"))).to_contain_text("needs")
    strip.get_by_role("button", name=re.compile("^average")).click()
    expect(page.get_by_role("button", name="Placement: average on V")).to_be_visible()
    expect(page.locator("[data-result]")).to_have_text("f/321/2")
    scene = service.call("GET", "/api/scenes/scene-winding-house")["scene"]
    assert (scene["school"], len(scene["readings"])) == ("average", 4)
    page.keyboard.press("u")
    expect(page.get_by_role("button", name="Placement: shadow on III")).to_be_visible()


def test_a_dome_joins_the_spots(open_page: Open) -> None:
    """Two readings of the light typed on the line open the incident pair."""
    page = open_page(HOUSE)
    line = page.get_by_label("Type a reading")
    for text in ("10 @dome dark side", "13 @dome lit side"):
        line.fill(text)
        expect(page.get_by_text("of the light").first).to_be_visible()
        line.press("Enter")
        expect(line).to_have_value("")
    page.get_by_role("button", name=re.compile("^Placement:")).click()
    page.get_by_label("Placement method").select_option("incident_pair")
    expect(page.get_by_role("button", name="Placement: incident pair")).to_be_visible()
    expect(page.locator("[data-result]")).to_contain_text("f/32")


def test_the_second_opinion_is_taken(open_page: Open) -> None:
    """Three plans with reason and cost; the best is the scene as it stands."""
    page = open_page(HOUSE)
    page.get_by_role("tab", name="Second opinion").click()
    plans = page.get_by_role("group", name="Second opinion: plans, best first")
    expect(plans.get_by_role("button")).to_have_count(3)
    first = plans.get_by_role("button").first
    expect(first).to_contain_text("1 · f/32, 1.3 s")
    expect(first).to_contain_text("Costs nothing but the sheet.")
    other = plans.get_by_role("button", name=re.compile("loses texture in lit frost"))
    other.click()
    expect(page.locator("[data-handle]")).to_have_attribute(
        "aria-valuetext", re.compile("^N: lit frost")
    )


def test_other_ways_on_a_phone(open_page: Open) -> None:
    """Behind a word; taking a plan closes it."""
    page = open_page(HOUSE, PHONE)
    page.get_by_role("button", name="other ways").tap()
    sheet = page.get_by_role("dialog", name="Other ways")
    expect(sheet).to_contain_text("needs two readings of the light")
    sheet.get_by_role("button", name=re.compile("^highlight")).tap()
    expect(sheet).to_have_count(0)
    expect(page.get_by_role("button", name="Placement: highlight on VII½")).to_be_visible()


def test_a_spot_meter_pulls_its_trigger(open_page: Open, service: Service) -> None:
    """The reading arrives in the open scene, and the filter's advice follows its name."""
    page = open_page(HOUSE)
    page.get_by_role("button", name=re.compile("^Meter:")).click()
    page.get_by_role("button", name="north sky").click()
    expect(page.get_by_role("status").filter(has_text="north sky: EV 13")).to_be_visible()
    expect(page.locator('[data-pin="north sky"]')).to_be_visible()
    page.keyboard.press("Escape")
    page.get_by_role("button", name=re.compile(r"^\d more$")).click()
    expect(page.get_by_text("Medium yellow darkens blue sky")).to_be_visible()
    readings = service.call("GET", "/api/scenes/scene-winding-house")["scene"]["readings"]
    assert readings[-1]["label"] == "north sky"


def test_depth_and_movement_rule_out(open_page: Open) -> None:
    """Said once, they stand under the apertures they rule out."""
    page = open_page(HOUSE)
    page.get_by_role("button", name="Depth and movement: not set").click()
    page.get_by_label("Depth that must be sharp").select_option("spread")
    page.get_by_label("Near to far focus, mm").fill("-3")
    page.get_by_role("button", name="Set", exact=True).click()
    expect(page.get_by_role("alert").filter(has_text="between 0.01 and 500")).to_be_visible()
    page.get_by_label("Near to far focus, mm").fill("5")
    page.get_by_label("What moves").select_option("grass or leaves in a breeze")
    page.get_by_label("How far away, m").fill("5")
    page.get_by_role("button", name="Set", exact=True).click()
    strip = page.get_by_role("group", name=APERTURES)
    expect(strip.get_by_role("button", name="f/8")).to_contain_text("too little depth")
    expect(strip.get_by_role("button", name="f/64")).to_contain_text("motion blur")
    expect(strip.get_by_role("button", name="f/45")).to_contain_text("motion blur")
    expect(page.get_by_text("depth and diffraction balance at f/")).to_be_visible()


def test_water_shall_flow(open_page: Open, service: Service) -> None:
    """Said once, short times are ruled out, and the sentence says from when on it flows."""
    page = open_page(HOUSE)
    page.get_by_role("button", name="Depth and movement: not set").click()
    page.get_by_label("What moves").select_option("running water")
    page.get_by_label("How far away, m").fill("20")
    page.get_by_label("It shall").select_option("flow")
    page.get_by_label("How many times the sharp time, at least").fill("1")
    page.get_by_role("button", name="Set", exact=True).click()
    expect(page.get_by_role("alert").filter(has_text="between 2 and 10000")).to_be_visible()
    page.get_by_label("How many times the sharp time, at least").fill("300")
    page.get_by_role("button", name="Set", exact=True).click()
    expect(page.get_by_role("button", name="running water shall flow")).to_be_visible()
    strip = page.get_by_role("group", name=APERTURES)
    expect(strip.get_by_role("button", name="f/8")).to_contain_text("less blur than wanted")
    expect(strip.get_by_role("button", name="f/64")).not_to_contain_text("less blur than wanted")
    movement = service.call("GET", "/api/scenes/scene-winding-house")["scene"]["movement"]
    assert (movement["what"], movement["blur_times"]) == ("running water", 300)


def test_how_a_reading_was_read(open_page: Open, service: Service) -> None:
    """Through the filter, under a graduated one, of blue sky: each kept at the reading."""
    page = open_page(POOL)
    page.locator('[data-pin="white bubbles"]').focus()
    page.keyboard.press("Enter")
    page.get_by_label("Reading type").select_option("through")
    expect(page.get_by_role("dialog")).to_have_count(0)
    page.locator('[data-pin="white bubbles"]').focus()
    page.keyboard.press("Enter")
    expect(page.get_by_label("Reading and name")).to_have_value("14 white bubbles @through")
    page.get_by_label("Colour of the subject").select_option("blue_sky")
    expect(page.get_by_role("dialog")).to_have_count(0)
    reading = service.call("GET", "/api/scenes/scene-pool")["scene"]["readings"][2]
    assert (reading["through"], reading["subject"]) == (True, "blue_sky")
    expect(page.locator('[data-pin="white bubbles"]')).to_have_attribute("aria-valuenow", "11")


def test_two_tabs_on_one_scene(open_page: Open, service: Service) -> None:
    """The later one is told, sees both, and chooses; nothing is overwritten unasked."""
    first, second = open_page(POOL), open_page(POOL)
    for page in (first, second):
        expect(page.locator("[data-result]")).to_have_text("f/3211 s")
    second.route("**/api/scenes/scene-pool", lambda route: route.abort()
                 if route.request.method == "GET" else route.fallback())  # fmt: skip
    first.get_by_role("group", name=APERTURES).get_by_role("button", name="f/45").click()
    expect(first.locator("[data-result]")).to_have_text("f/4528 s")
    second.get_by_role("group", name=APERTURES).get_by_role("button", name="f/22").click()
    clash = second.get_by_role("dialog", name="Changed on another device")
    expect(clash).to_contain_text("f/45")
    expect(clash).to_contain_text("f/22")
    assert service.call("GET", "/api/scenes/scene-pool")["scene"]["aperture"] == "45"
    second.unroute("**/api/scenes/scene-pool")
    clash.get_by_role("button", name="Make my change to it").click()
    expect(clash).to_have_count(0)
    expect(second.locator("[data-result]")).to_contain_text("f/22")
    assert service.call("GET", "/api/scenes/scene-pool")["scene"]["aperture"] == "22"
    problems = open_page.problems  # type: ignore[attr-defined]
    problems[:] = [each for each in problems if "ERR_FAILED" not in each]
