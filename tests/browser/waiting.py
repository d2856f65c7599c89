"""Waiting for what no locator sees."""

from collections.abc import Callable

from playwright.sync_api import Page


def until(page: Page, reached: Callable[[], bool]) -> None:
    """Wait until it is so: what is kept, what a canvas shows; it fails when that never comes."""
    for _ in range(200):
        if reached():
            return
        page.wait_for_timeout(50)
    assert reached()
