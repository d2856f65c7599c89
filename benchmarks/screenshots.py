"""One current picture of each main view, from the demo outing, into docs/screenshots."""

from __future__ import annotations

import tempfile
from pathlib import Path

from benchmarks.drag import chromium_page
from benchmarks.service import Running

FOLDER = Path(__file__).parent.parent / "docs" / "screenshots"
WIDE, PHONE = (1280, 800), (390, 844)

VIEWS = (
    ("scene", "/scene/scene-winding-house", WIDE, "day", ""),
    ("scene-phone", "/scene/scene-pool", PHONE, "day", ""),
    ("scene-dusk", "/scene/scene-adit", WIDE, "dusk", ""),
    ("expose", "/scene/scene-pool", WIDE, "day", "e"),
    ("outing", "/outing", WIDE, "day", ""),
    ("outing-phone", "/outing", PHONE, "day", ""),
    ("film", "/film", WIDE, "day", ""),
    ("film-phone", "/film", PHONE, "dusk", ""),
    ("darkroom", "/darkroom", WIDE, "day", ""),
    ("darkroom-phone", "/darkroom", PHONE, "dusk", ""),
    ("kit", "/kit", WIDE, "day", ""),
)


def main() -> None:
    FOLDER.mkdir(parents=True, exist_ok=True)
    with tempfile.TemporaryDirectory() as folder, Running(Path(folder)) as running:
        for name, path, (width, height), light, key in VIEWS:
            with chromium_page(width, height, light) as page:
                page.goto(running.url + path)
                page.wait_for_load_state("networkidle")
                if key:
                    page.keyboard.press(key)
                    page.wait_for_selector('[role="dialog"]')
                page.wait_for_timeout(300)
                page.screenshot(path=str(FOLDER / f"{name}.png"))
                print(f"docs/screenshots/{name}.png")


if __name__ == "__main__":
    main()
