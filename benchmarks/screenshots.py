"""One current picture of each main view, from the demo outing, into docs/screenshots."""

from __future__ import annotations

import tempfile
from pathlib import Path
from typing import Any

from benchmarks.drag import chromium_page
from benchmarks.service import Running

FOLDER = Path(__file__).parent.parent / "docs" / "screenshots"
WIDE, PHONE = (1280, 800), (390, 844)

BRACKET = "scan-trial-1B,scan-trial-2A,scan-trial-2B"

VIEWS = (
    ("scene", "/scene/scene-winding-house", WIDE, "day", ""),
    ("scene-phone", "/scene/scene-pool", PHONE, "day", ""),
    ("outing", "/outing", WIDE, "day", ""),
    ("carried-phone", "/scene/scene-winding-house", PHONE, "day", "a copy carried"),
    ("film", "/film", WIDE, "day", ""),
    ("log", "/log", WIDE, "day", ""),
    ("side", f"/log/together?of={BRACKET}", WIDE, "day", "post"),
    ("emulsion", "/bench/film/film-harle", WIDE, "day", ""),
    ("story", "/log/exposure-shed-A", WIDE, "dusk", ""),
    ("darkroom", "/darkroom", WIDE, "day", ""),
    ("evening", "/darkroom/evening", WIDE, "day", ""),
    ("kit", "/kit", WIDE, "day", ""),
    ("bench", "/bench/test-corvane", WIDE, "day", ""),
    ("print", "/print/print-shed", WIDE, "day", ""),
    ("practice", "/practice", WIDE, "day", ""),
    ("verdict", "/practice/scene/practised-shed", WIDE, "day", ""),
    ("opinion", "/scene/scene-winding-house", WIDE, "dusk", "Second opinion"),
    ("clock-phone", "/scene/scene-adit", PHONE, "dusk", "open clock"),
    ("run", "/darkroom/evening", WIDE, "dusk", "a run"),
)


# As if the run had been going for three minutes and a half: in the middle of the developer.
LATER = """() => {
    const clocks = JSON.parse(localStorage.getItem('emulsa-runs'));
    clocks.runs[0].since -= 210_000;
    localStorage.setItem('emulsa-runs', JSON.stringify(clocks));
}"""


def main() -> None:
    FOLDER.mkdir(parents=True, exist_ok=True)
    with tempfile.TemporaryDirectory() as folder, Running(Path(folder)) as running:
        for name, path, (width, height), light, key in VIEWS:
            with chromium_page(width, height, light) as page:
                page.goto(running.url + path)
                page.wait_for_load_state("networkidle")
                if key:
                    _open(page, key)
                page.wait_for_timeout(300)
                page.screenshot(path=str(FOLDER / f"{name}.png"))
                print(f"docs/screenshots/{name}.png")


def _open(page: Any, what: str) -> None:
    """What is shown of a room: a sheet by its key, a strip, the clock, or its end."""
    if len(what) == 1:
        page.keyboard.press(what)
        page.wait_for_selector('[role="dialog"]')
    elif what == "post":
        page.mouse.move(165, 320)
        page.mouse.wheel(0, -700)
        page.wait_for_timeout(900)
    elif what.endswith("clock"):
        page.keyboard.press("e")
        page.get_by_role("button", name="Clock", exact=True).click()
        if what.startswith("open"):
            page.get_by_role("button", name="Open the shutter").click()
            page.wait_for_timeout(2_000)
    elif what == "a run":
        page.get_by_role("button", name="Set up run 1 ").first.click()
        page.get_by_role("banner").get_by_role("link", name="Darkroom").click()
        page.get_by_role("button", name="Open run clock").click()
        page.get_by_role("button", name="Begin").click()
        page.evaluate(LATER)
        page.wait_for_timeout(1_000)
    elif what == "a copy carried":
        scene = page.url
        page.goto(scene.replace("/scene/scene-winding-house", "/kit"))
        page.get_by_role("button", name="Carry along").click()
        page.get_by_role("button", name="Make a field copy").click()
        page.get_by_text("Ready without network.").wait_for()
        page.goto(scene)
        page.locator("[data-result]").wait_for()
    else:
        page.get_by_role("tab", name=what).click()
        small = page.get_by_role("group", name="As each would print").locator("[data-drawn]")
        small.last.wait_for()
        page.get_by_role("tab", name=what).evaluate("each => each.scrollIntoView()")


if __name__ == "__main__":
    main()
