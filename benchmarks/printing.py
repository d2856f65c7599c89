"""Print: a plan, a print opened, and its preview of two megapixels while stops are dragged."""

from __future__ import annotations

import statistics
import time
from collections.abc import Callable
from typing import Any

from benchmarks.drag import chromium_page
from emulsa.core.prints.lamp import lamp
from emulsa.demo.prints import THIRD

# six areas over a picture of about two megapixels on a screen of high density
DRAG = """
async () => {
  const slider = document.querySelector('section[aria-label^="Area"] input[type="range"]');
  const canvas = document.querySelector('canvas[data-preview]');
  const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;
  let shown = 0;
  const own = CanvasRenderingContext2D.prototype.putImageData;
  CanvasRenderingContext2D.prototype.putImageData = function (...all) {
    shown += 1;
    return own.apply(this, all);
  };
  const began = performance.now();
  for (let step = 0; step < 90; step++) {
    set.call(slider, String((step % 36) / 12));
    slider.dispatchEvent(new Event('input', { bubbles: true }));
    await new Promise(requestAnimationFrame);
  }
  const seconds = (performance.now() - began) / 1000;
  CanvasRenderingContext2D.prototype.putImageData = own;
  const pen = canvas.getContext('2d');
  const copy = pen.getImageData(0, 0, canvas.width, canvas.height);
  const start = performance.now();
  for (let k = 0; k < 60; k++) {
    pen.putImageData(copy, 0, 0);
    await new Promise(requestAnimationFrame);
  }
  const bare = (performance.now() - start) / 60;
  return [shown / seconds, bare, canvas.width * canvas.height / 1e6];
}
"""


def plan_ms(best_us: Callable[[Any, int], float]) -> float:
    """Two parts and four areas."""
    return best_us(lambda: lamp(THIRD), 200) / 1e3


def preview_fps(url: str) -> tuple[float, float, float]:
    """Frames a second while stops are dragged, milliseconds of a frame that is a bare copy, and
    megapixels."""
    with chromium_page(2_400, 1_900) as page:
        page.goto(f"{url}/print/print-shed")
        page.wait_for_load_state("networkidle")
        for name in ("Vignette", "Corner", "Corner"):
            page.get_by_role("button", name=name, exact=True).click()
            page.get_by_role("application").click(position={"x": 500, "y": 400})
        page.wait_for_timeout(1_500)
        page.evaluate(DRAG)  # a first drag warms the page
        fps, bare, pixels = page.evaluate(DRAG)
    return fps, bare, pixels


def opening_ms(url: str) -> float:
    """From the list to the picture as it prints: the median of five."""
    took = []
    with chromium_page(1280, 800) as page:
        for _ in range(6):
            page.goto(f"{url}/print")
            page.wait_for_load_state("networkidle")
            began = time.perf_counter()
            page.get_by_role("link", name="Cutting shed, saw beds").click()
            page.wait_for_selector("canvas[data-preview]")
            page.get_by_text("in the developer").wait_for()
            took.append((time.perf_counter() - began) * 1e3)
    return statistics.median(took[1:])
