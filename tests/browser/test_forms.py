"""A form that is refused: one sentence, at the field it means, and nothing typed is lost."""

import pytest
from playwright.sync_api import expect

from tests.browser.conftest import Open

pytestmark = pytest.mark.browser

SAVE = "Save"


@pytest.mark.parametrize(
    ("room", "opened", "field", "typed", "sent", "said"),
    [
        ("/film", "Holder 1", "Number", "0", SAVE, "A holder's number must be between 1 and 999"),
        ("/film/stock", "Corvane 100", "Expires", "soon", SAVE, "“soon” is not a month"),
        ("/film/stock", "Corvane 100", "Price of the whole box", "a lot", SAVE, "not a number"),
        ("/print/print-shed-b", "f/16", "Magnification", "900", SAVE, "between 0.05 and 100"),
        # a line of several is said where they are typed
        ("/bench/test-corvane", "Details", "Colours of a card", "red", SAVE, "“red” is not a"),
        # a record within the form, under the form's longer name for it
        (
            "/darkroom",
            "Add to run",
            "Development time",
            "900:00",
            "Add 2 sheets to run",
            "The developing time must be between 0.5 and 600 min; this is 900.",
        ),
        (
            "/scene/scene-winding-house",
            "Expose",
            "Side or frame",
            "9Z",
            "Log exposure",
            "9Z holds no unexposed Corvane 100; choose from 2A, 2B, 4B, or no holder.",
        ),
    ],
    ids=lambda each: str(each)[:20],
)
def test_a_refusal_is_said_once_at_its_field(
    open_page: Open, room: str, opened: str, field: str, typed: str, sent: str, said: str
) -> None:
    """The sheet stays open with what was typed; put right, nothing is said any more."""
    page = open_page(room)
    page.get_by_role("button", name=opened).first.click()
    sheet = page.get_by_role("dialog")
    entry = sheet.get_by_label(field, exact=True)
    before = entry.input_value()
    entry.fill(typed)
    sheet.get_by_role("button", name=sent, exact=True).click()
    alerts = sheet.get_by_role("alert").filter(has_text=said)
    expect(alerts).to_have_count(1)
    expect(sheet.get_by_role("alert").filter(visible=True)).to_have_count(1)
    expect(entry).to_have_attribute("aria-invalid", "true")
    expect(entry).to_have_value(typed)
    entry.fill(before)
    sheet.get_by_role("button", name=sent, exact=True).click()
    expect(sheet).to_have_count(0)
