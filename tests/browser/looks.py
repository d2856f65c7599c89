"""What every room and dialog owes its user in any window and light, and how it is looked at."""

from pathlib import Path
from typing import Any

from playwright.sync_api import Page

from tests.browser.conftest import settled
from tests.effort import MUCH

AXE = Path(__file__).parents[2] / "web" / "node_modules" / "axe-core" / "axe.min.js"
ROOMS = [
    "/outing",
    "/scene/scene-winding-house",
    "/film",
    "/film/rolls",
    "/film/stock",
    "/darkroom",
    "/darkroom/mixing",
    "/darkroom/evening",
    "/bench",
    "/bench/test-corvane",
    "/print",
    "/print/print-shed",
    "/log",
    "/log?view=pictures",
    "/log/exposure-shed-A",
    "/practice",
    "/practice/questions",
    "/practice/scene/practised-shed",
    "/kit",
]

# By day and at dusk, and as each is printed; in windows of every shape.
DAY, DUSK = ("day", "screen"), ("dusk", "screen")
LOOKS = (DAY, DUSK, ("day", "print"), ("dusk", "print"))
WINDOWS = ((1280, 800), (820, 1180), (844, 390), (640, 400), (390, 844), (320, 568))
Look = tuple[str, str]
Window = tuple[int, int]
COMBINED = [(look, window) for window in WINDOWS for look in LOOKS]
DAILY = [(DAY, (1280, 800)), (DUSK, (390, 844))]


def some_looks(place: int) -> list[tuple[Look, Window]]:
    """In which looks and windows something is tried: one of all each day, another for each."""
    return COMBINED if MUCH > 1 else [COMBINED[(7 * place + 5) % len(COMBINED)]]


def daily_looks() -> list[tuple[Look, Window]]:
    """A desk by day and a phone at dusk; all of them where thoroughness was asked for."""
    return COMBINED if MUCH > 1 else DAILY


def dress(page: Page, look: Look, window: Window) -> None:
    """Show a page in a light, on the screen or as it is printed, in a window, and wait for it."""
    light, media = look
    page.set_viewport_size({"width": window[0], "height": window[1]})
    page.emulate_media(media=media)  # type: ignore[arg-type]
    page.evaluate(
        "dusk => { const root = document.documentElement.classList;"
        " root.toggle('dark', dusk); root.toggle('light', !dusk); }",
        light == "dusk",
    )
    settled(page)


def violations(page: Page, *rules: str) -> list[str]:
    """What axe finds on the page as it is now, by all rules or by some."""
    page.evaluate(AXE.read_text(encoding="utf-8"))
    asked: dict[str, Any] = {"resultTypes": ["violations"]}
    result = page.evaluate(
        "asked => axe.run(document, asked)", asked | ({"runOnly": list(rules)} if rules else {})
    )
    return [
        f"{each['id']}: {node['target']} {node.get('failureSummary', '')}"
        for each in result["violations"]
        for node in each["nodes"]
    ]


# What is named twice on a page by the same name cannot be told apart by ear.
NAMED_ALIKE = """() => {
  const seen = new Map();
  const marked = 'button, a[href], select, input, textarea, [role=slider], [role=tab]';
  for (const each of document.querySelectorAll(marked)) {
    if (!each.checkVisibility()) continue;
    const own = each.getAttribute('aria-label') || each.labels?.[0]?.innerText || each.innerText;
    const link = each.tagName === 'A';
    const name = (link ? 'link ' : 'control ') + (own || '').trim().replace(/\\s+/g, ' ');
    seen.set(name, (seen.get(name) || new Set()).add(link ? each.getAttribute('href') : each));
  }
  return [...seen].filter(([, each]) => each.size > 1).map(([name]) => name);
}"""
