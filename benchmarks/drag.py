"""Dragging a pin in Chromium: from the pointer's event to the frame with all pins moved."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager

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
