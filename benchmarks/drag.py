"""Dragging a pin in Chromium: from the pointer's event to the frame with all pins moved."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from playwright.sync_api import Page, sync_playwright
from tests.browser import chromium

MEASURE = """
async () => {
  const pin = document.querySelector('[data-pin="doorway in shade"]');
  const other = document.querySelector('[data-pin="lit frost"]');
  const circle = pin.querySelectorAll('circle')[1].getBoundingClientRect();
  const x = circle.x + circle.width / 2, y = circle.y + circle.height / 2;
  const fire = (kind, at) => pin.dispatchEvent(new PointerEvent(kind, {
    bubbles: true, pointerId: 1, button: 0, clientX: at, clientY: y, isPrimary: true }));
  pin.setPointerCapture = () => {};
  const took = [];
  fire('pointerdown', x);
  for (let step = 1; step <= 80; step++) {
    const at = x + 24 * (1 + (step % 7));
    const before = other.getAttribute('aria-valuenow');
    const start = performance.now();
    fire('pointermove', at);
    while (other.getAttribute('aria-valuenow') === before && performance.now() - start < 200)
      await new Promise(requestAnimationFrame);
    took.push(performance.now() - start);
  }
  fire('pointerup', x + 24);
  return took.sort((a, b) => a - b);
}
"""


@contextmanager
def chromium_page(width: int, height: int, light: str = "day") -> Iterator[Page]:
    """A page in the system's Chromium, touch on a phone's width."""
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(
            executable_path=chromium.PATH, chromium_sandbox=False, args=chromium.ARGUMENTS
        )
        touch = width < 900
        context = browser.new_context(
            viewport={"width": width, "height": height}, has_touch=touch, is_mobile=touch
        )
        context.grant_permissions(chromium.GRANTED)
        context.add_init_script(f"localStorage.setItem('emulsa-light', '{light}')")
        yield context.new_page()
        browser.close()


def redraw_p95_ms(url: str) -> float:
    """The 95th percentile over 80 steps of a drag."""
    with chromium_page(1280, 800) as page:
        page.goto(f"{url}/scene/scene-winding-house")
        page.wait_for_selector("[data-result]")
        page.wait_for_load_state("networkidle")
        page.evaluate(MEASURE)  # a first drag warms the page; the second one is measured
        took: list[float] = page.evaluate(MEASURE)
    return took[int(len(took) * 0.95)]


# counts what is drawn on a canvas and how long a megapixel of it takes, from the pen taken up until
# it is put on the canvas; and how long the page was held up
WATCHED = """
window.redrawn = [];
const pen = HTMLCanvasElement.prototype.getContext;
HTMLCanvasElement.prototype.getContext = function (...all) {
  this.began = performance.now();
  return pen.apply(this, all);
};
const put = CanvasRenderingContext2D.prototype.putImageData;
CanvasRenderingContext2D.prototype.putImageData = function (...all) {
  this.canvas.drawn = (this.canvas.drawn || 0) + 1;
  put.apply(this, all);
  const { began, width, height } = this.canvas;
  window.redrawn.push(((performance.now() - began) * 1e6) / (width * height));
};
window.held = [];
new PerformanceObserver((seen) => {
  for (const each of seen.getEntries()) window.held.push(each.duration);
}).observe({ type: 'longtask', buffered: true });
"""
SEEN = MEASURE.replace(
    "const before = other.getAttribute('aria-valuenow');",
    "const canvas = document.querySelector('canvas[data-drawn]'), before = canvas.drawn;",
).replace("other.getAttribute('aria-valuenow') === before", "canvas.drawn === before")


def seen_p95_ms(url: str) -> tuple[float, float]:
    """From the pointer's event to the print to come drawn anew, beside everything else that
    follows; and the drawing alone, of one megapixel; each the 95th percentile."""
    with chromium_page(1280, 800) as page:
        page.add_init_script(WATCHED)
        page.goto(f"{url}/scene/scene-winding-house")
        page.wait_for_selector("canvas[data-drawn]")
        page.wait_for_load_state("networkidle")
        page.evaluate(SEEN)
        page.evaluate("window.redrawn = []")
        took: list[float] = page.evaluate(SEEN)
        redrawn: list[float] = page.evaluate("window.redrawn.sort((a, b) => a - b)")
    return took[int(len(took) * 0.95)], redrawn[int(len(redrawn) * 0.95)]


def first_print_ms(url: str, photograph: Path) -> tuple[float, float]:
    """A photograph chosen on a scene that has none, until its print is drawn; and the longest the
    page was held up meanwhile."""
    with chromium_page(1280, 800) as page:
        page.add_init_script(WATCHED)
        page.goto(f"{url}/scene/scene-shed")
        page.get_by_role("button", name="Add picture").wait_for()
        page.wait_for_load_state("networkidle")
        page.evaluate("window.held = []; window.began = performance.now()")
        page.get_by_label("A picture of the scene").set_input_files(photograph)
        page.wait_for_selector("canvas[data-drawn]")
        took: float = page.evaluate("performance.now() - window.began")
        held: list[float] = page.evaluate("window.held")
    return took, max(held, default=0.0)
