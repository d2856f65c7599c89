"""A whole run by its clock: cues at their times, sounds that are made, blackout, a lost server."""

import json
from typing import Any

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import PHONE, Open, Service
from tests.browser.looks import violations

pytestmark = pytest.mark.browser

# Every oscillator that is really started, with its pitch; and every cue with how late it came.
LISTEN = """
window.heard = []; window.cues = [];
window.addEventListener('emulsa-cue', (event) => window.cues.push(event.detail));
const start = OscillatorNode.prototype.start;
OscillatorNode.prototype.start = function (at) {
    window.heard.push(Math.round(this.frequency.value));
    return start.call(this, at);
};
"""
LINE = {
    "id": "short",
    "name": "Short line",
    "baths": [
        {"name": "Presoak", "kind": "presoak", "seconds": 60},
        {"name": "Developer", "kind": "developer"},
        {"name": "Stop", "kind": "stop", "seconds": 30, "agitation": "shuffle"},
        {"name": "Fixer", "kind": "fixer", "seconds": 60},
        {"name": "Wash", "kind": "wash", "seconds": 120},
        {"name": "Dry", "kind": "dry", "seconds": 7200},
    ],
}


@pytest.fixture
def run(service: Service) -> Service:
    """1A and 1B in a run of four minutes along a short line."""
    service.call("PUT", "/api/kit/lines/short", LINE)
    begun = {
        "id": "run",
        "name": "Short run",
        "recipe_id": "recipe-corvane-mq",
        "minutes": 4,
        "temperature_c": 20,
        "tank_id": "tank-four",
        "line_id": "short",
    }
    body = {"run": begun, "piece_ids": ["sheet-1A", "sheet-1B"]}
    service.call("POST", "/api/darkroom/runs", body)
    return service


def opened(open_page: Open, **more: Any) -> Page:
    page = open_page("/darkroom", fresh=True, **more)  # what it listens by stays
    page.add_init_script(LISTEN)
    page.reload()
    page.get_by_role("region", name="Short run").get_by_role(
        "button", name="Open run clock"
    ).click()
    expect(page.get_by_role("dialog", name="Clock of Short run")).to_be_visible()
    return page


def kept(page: Page) -> dict[str, Any]:
    found: dict[str, Any] = json.loads(page.evaluate("localStorage.getItem('emulsa-runs')"))[
        "runs"
    ][0]
    return found


def shift(page: Page, seconds: float) -> None:
    """As if so much more time had gone by: the clock counts from the wall, not from ticks."""
    page.evaluate(
        """seconds => {
            const clocks = JSON.parse(localStorage.getItem('emulsa-runs'));
            for (const run of clocks.runs) run.since -= seconds * 1000;
            localStorage.setItem('emulsa-runs', JSON.stringify(clocks));
        }""",
        seconds,
    )


def test_a_rehearsal_gives_every_cue_in_its_time(open_page: Open, run: Service) -> None:
    """Sixty times as fast: every cue of the process is heard at its moment, and nothing is kept."""
    page = opened(open_page)
    assert violations(page) == []
    page.get_by_role("button", name="Rehearse").click()
    expect(page.get_by_text("Done", exact=True)).to_be_visible()
    course = run.call("GET", "/api/darkroom/runs/run/course")["process"]["steps"]
    cues = page.evaluate("window.cues")
    moves = [cue["start_s"] for step in course for cue in step["cues"] if cue["kind"] == "agitate"]
    assert [cue["at_s"] for cue in cues if cue["sound"] == "move"] == pytest.approx(moves)
    pours = [cue["start_s"] for step in course for cue in step["cues"] if cue["kind"] == "pour"]
    assert [cue["at_s"] for cue in cues if cue["sound"] == "pour"] == pytest.approx(pours)
    assert cues[-1]["sound"] == "end"
    assert [cue["at_s"] for cue in cues] == sorted(cue["at_s"] for cue in cues)
    heard = page.evaluate("window.heard")
    assert heard.count(740) == 3 * len(moves)
    assert heard.count(980) == 3
    page.get_by_role("button", name="Back to the beginning").click()
    page.get_by_role("button", name="Close").click()
    expect(page.get_by_role("region", name="Short run")).to_be_visible()
    assert run.call("GET", "/api/darkroom")["runs"][0]["run"]["went"] is None


def test_blackout_is_black_and_only_tells(open_page: Open, run: Service) -> None:
    """Pure black, by sound alone; a touch tells where the run is, only holding leaves."""
    page = opened(open_page, size=PHONE)
    page.get_by_role("button", name="Begin: Presoak").click()
    expect(page.get_by_text("As warm as the developer.")).to_be_visible()  # the bath's own word
    page.get_by_role("button", name="Blackout").click()
    black = page.locator("[data-blackout]")
    expect(black).to_have_css("background-color", "rgb(0, 0, 0)")
    box = black.bounding_box()
    assert box is not None
    assert (box["width"], box["height"]) == (390, 844)
    page.touchscreen.tap(200, 400)
    expect(black.get_by_role("status")).to_contain_text("Presoak")
    assert 600 in page.evaluate("window.heard")
    before = len(page.evaluate("window.heard"))
    shift(page, 70)
    page.wait_for_function("count => window.heard.length > count", arg=before)
    expect(black).to_be_visible()
    page.keyboard.press("Enter")
    expect(black.get_by_role("status")).to_contain_text("Developer")
    page.mouse.move(200, 400)
    page.mouse.down()
    page.wait_for_timeout(2_300)
    page.mouse.up()
    expect(black).to_have_count(0)
    expect(page.get_by_role("dialog", name="Clock of Short run")).to_contain_text("Developer")


def test_a_rehearsal_in_the_dark(open_page: Open, run: Service) -> None:
    """All of it behind the black screen: the same cues at their moments, told by sound alone."""
    page = opened(open_page)
    page.get_by_role("button", name="Rehearse").click()
    page.get_by_role("button", name="Blackout").click()
    expect(page.locator("[data-blackout]")).to_be_visible()
    page.wait_for_function("() => window.cues.at(-1)?.sound === 'end'")
    expect(page.locator("[data-blackout]")).to_have_count(0)
    heard = run.call("GET", "/api/darkroom/runs/run/course")["heard"]
    cues = [(cue["at_s"], cue["sound"]) for cue in page.evaluate("window.cues")]
    assert cues == [(each["at_s"], each["sound"]) for each in heard]
    pitches = page.evaluate("window.heard")
    assert pitches.count(440) == sum(sound in ("pour", "drain") for _, sound in cues)
    assert pitches.count(330) == sum(sound == "rest" for _, sound in cues)


# As a phone does it: sound asleep until touched, the screen's lock let go when the page is hidden.
PHONE_HABITS = """
window.touched = false;
for (const kind of ['pointerdown', 'keydown'])
    window.addEventListener(kind, () => { window.touched = true; }, true);
window.AudioContext = class extends AudioContext {
    constructor() { super(); void super.suspend(); }
    resume() { return window.touched ? super.resume() : new Promise(() => {}); }
};
window.locks = 0;
Object.defineProperty(navigator, 'wakeLock', { value: { request: async () => {
    window.locks += 1;
    const lock = new EventTarget();
    lock.release = async () => { window.locks -= 1; };
    window.letGo = () => { window.locks -= 1; lock.dispatchEvent(new Event('release')); };
    return lock;
} } });
window.seen = (how) => {
    Object.defineProperty(document, 'visibilityState', { value: how, configurable: true });
    document.dispatchEvent(new Event('visibilitychange'));
};
"""


def test_sound_and_light_come_back(open_page: Open, run: Service) -> None:
    """After a reload the browser is silent until touched: it is said, any touch wakes it, and what
    was missed is not heard all at once. The screen is kept awake again when one comes back."""
    page = opened(open_page)
    page.add_init_script(PHONE_HABITS)
    page.get_by_role("button", name="Begin: Presoak").click()
    page.get_by_role("button", name="Blackout").click()
    page.reload()
    expect(page.locator("[data-blackout]")).to_be_visible()
    assert page.evaluate("window.locks") == 1
    shift(page, 60)
    page.wait_for_function("() => window.cues.length > 0")
    assert page.evaluate("window.heard") == []
    page.mouse.click(200, 400)
    page.wait_for_function("() => window.heard.includes(600)")
    page.evaluate("() => { window.letGo(); window.seen('hidden'); }")
    assert page.evaluate("window.locks") == 0
    page.evaluate("window.seen('visible')")
    page.wait_for_function("() => window.locks === 1")


def test_a_silent_clock_says_so(open_page: Open, run: Service) -> None:
    """A notice stands on the clock until a key or a touch lets the sound begin."""
    page = opened(open_page)
    page.add_init_script(PHONE_HABITS)
    page.get_by_role("button", name="Begin: Presoak").click()
    expect(page.get_by_text("No sound yet")).to_have_count(0)
    page.reload()
    notice = page.get_by_role("alert").filter(has_text="No sound yet")
    expect(notice).to_contain_text("touch the screen or press a key")
    page.keyboard.press("x")
    expect(notice).to_have_count(0)


def test_a_screen_that_will_fall_asleep(open_page: Open, run: Service) -> None:
    """Where the browser cannot keep it awake that is said before the run begins."""
    page = opened(open_page)
    caution = page.get_by_text("lets the screen sleep")
    expect(page.get_by_role("button", name="Begin: Presoak")).to_be_visible()
    expect(caution).to_have_count(0)
    page.add_init_script("delete Navigator.prototype.wakeLock")
    page.reload()
    expect(caution).to_be_visible()
    page.add_init_script(
        "Object.defineProperty(navigator, 'wakeLock',"
        " { value: { request: async () => { throw new Error('low battery'); } } })"
    )
    page.reload()
    expect(page.get_by_role("button", name="Begin: Presoak")).to_be_visible()
    expect(caution).to_have_count(0)
    page.get_by_role("button", name="Begin: Presoak").click()
    expect(caution).to_be_visible()


def test_a_run_survives_and_is_written(open_page: Open, run: Service) -> None:
    """Through a reload and a killed server to its end; then film is developed, times are kept."""
    page = opened(open_page)
    page.get_by_role("button", name="Begin: Presoak").click()
    shift(page, 30)
    page.reload()
    dialog = page.get_by_role("dialog", name="Clock of Short run")
    expect(dialog).to_contain_text("Presoak")
    page.get_by_role("button", name="Pause").click()
    expect(dialog).to_contain_text("Paused")
    page.get_by_role("button", name="Continue").click()
    shift(page, 60)
    expect(page.get_by_role("button", name="No pause in this bath")).to_be_disabled()
    run.stop()
    shift(page, 900)
    expect(page.get_by_text("How the run went is kept here")).to_be_visible()
    run.start()
    expect(dialog).to_have_count(0)
    expect(page.get_by_role("region", name="To judge")).to_contain_text("1A")
    problems = open_page.problems  # type: ignore[attr-defined]
    problems[:] = [each for each in problems if "ERR_CONNECTION" not in each]
    went = run.call("GET", "/api/log/exposure-1A")["run"]["went"]
    assert [each["name"] for each in went["steps"]] == [
        "Presoak", "Developer", "Stop", "Fixer", "Wash",
    ]  # fmt: skip
    assert went["steps"][1]["seconds"] == 240


def test_a_warm_bath_is_shorter(open_page: Open, run: Service) -> None:
    """A temperature typed in the developer times the rest anew; the thermometer is read as well."""
    page = opened(open_page)
    page.get_by_role("button", name="Begin: Presoak").click()
    shift(page, 100)
    field = page.get_by_label("Developer now, °C")
    expect(field).to_be_visible()
    before = kept(page)["steps"][1]
    field.fill("80")
    page.get_by_role("button", name="Recalculate").click()
    expect(page.get_by_role("alert").filter(has_text="between 5 and 60")).to_be_visible()
    expect(field).to_have_value("80")
    field.fill("23")
    page.get_by_role("button", name="Recalculate").click()
    expect(page.get_by_role("status").filter(has_text="23 °C")).to_be_visible()
    after = kept(page)["steps"][1]
    assert after["end_s"] < before["end_s"] - 20
    assert kept(page)["steps"][2]["start_s"] == pytest.approx(after["end_s"] + 10)
    page.get_by_role("button", name="Simulated thermometer").click()
    expect(page.get_by_role("status").filter(has_text="23 °C")).to_have_count(0)
    assert len(kept(page)["measured"]) == 3


def second(service: Service) -> None:
    """4A in a run of its own along the same line."""
    begun = {
        "id": "second",
        "name": "Second run",
        "recipe_id": "recipe-corvane-mq",
        "minutes": 6,
        "temperature_c": 20,
        "tank_id": "tank-four",
        "line_id": "short",
    }
    service.call("POST", "/api/darkroom/runs", {"run": begun, "piece_ids": ["sheet-4A"]})


def test_two_tanks_at_once(open_page: Open, run: Service) -> None:
    """The second says when the hands are free, sounds lower, and both are told in the dark."""
    second(run)
    page = opened(open_page)
    page.get_by_role("button", name="Begin: Presoak").click()
    shift(page, 100)
    page.get_by_role("button", name="Hide clock (keeps running)").click()
    expect(page.get_by_role("navigation", name="Clocks")).to_contain_text("Developer")
    page.get_by_role("region", name="Short run").get_by_role(
        "button", name="Open run clock"
    ).click()
    expect(page.get_by_role("dialog", name="Clock of Short run")).to_contain_text("Developer")
    page.get_by_role("button", name="Hide clock (keeps running)").click()
    page.get_by_role("region", name="Second run").get_by_role(
        "button", name="Open run clock"
    ).click()
    dialog = page.get_by_role("dialog", name="Clock of Second run")
    expect(dialog).to_contain_text("both runs would need the hands at once; begin in")
    assert violations(page) == []
    page.get_by_role("button", name="Begin: Presoak").click()
    page.wait_for_function("window.heard.includes(220)")  # the pour of the second, an octave lower
    page.get_by_role("button", name="Blackout").click()
    page.keyboard.press("Enter")
    black = page.locator("[data-blackout]")
    expect(black.get_by_role("status")).to_contain_text("Short run: Developer")
    expect(black.get_by_role("status")).to_contain_text("Second run: Presoak")


def test_how_a_run_went_is_in_the_story(open_page: Open, run: Service) -> None:
    """Every bath's true time and what the thermometer said, on each negative's page."""
    went = {
        "started_at": "2026-01-20T20:00:00.000Z",
        "steps": [{"name": "Developer", "seconds": 246}, {"name": "Fixer", "seconds": 62}],
        "measured": [{"minute": 2, "temperature_c": 20.4}],
    }
    run.call("POST", "/api/darkroom/runs/run/went", went)
    run.call("POST", "/api/darkroom/runs/run/developed")
    page = open_page("/log/exposure-1A")
    expect(page.get_by_text("As it went: Developer 4:06, Fixer 1:02")).to_contain_text(
        "20.4 °C after 2 min"
    )
