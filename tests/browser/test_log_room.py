"""The Log room: found as one types, kept in the address, walked with the keyboard; in and out."""

import io
import re
from pathlib import Path
from urllib.parse import parse_qs, urlsplit

import pytest
from PIL import Image
from playwright.sync_api import Locator, Page, expect

from tests.browser.conftest import PHONE, Open, Service
from tests.browser.looks import violations

pytestmark = pytest.mark.browser


def lines(page: Page) -> list[str]:
    """The scene titles of the lines in sight."""
    return page.get_by_role("list", name="Exposures").get_by_role("link").all_inner_texts()


def picture(colour: int = 90) -> bytes:
    file = io.BytesIO()
    Image.new("L", (320, 240), colour).save(file, "PNG")
    return file.getvalue()


def test_found_as_one_types(open_page: Open) -> None:
    """Beginnings of words narrow the lines; what is looked for stands in the address."""
    page = open_page("/log")
    field = page.get_by_label("Search the log")
    field.press_sequentially("windi")
    expect(page.get_by_text("2 exposures").first).to_be_visible()
    assert all("Winding house" in each for each in lines(page))
    expect(page).to_have_url(re.compile(r"text=windi"))
    page.reload()
    expect(field).to_have_value("windi")
    expect(page.get_by_text("2 exposures").first).to_be_visible()
    field.fill("nowhere")
    expect(page.get_by_text("No matching exposures.")).to_be_visible()
    page.get_by_role("button", name="Show everything").click()
    expect(page.get_by_text("18 exposures").first).to_be_visible()


def test_a_sentence_narrows_the_log(open_page: Open) -> None:
    """Film, lens, development, outing and state, one after the other; then everything again."""
    page = open_page("/log")
    page.get_by_label("Film", exact=True).select_option("film-ostrel")
    expect(page.get_by_text("6 exposures").first).to_be_visible()
    page.get_by_label("Development").select_option("1")
    expect(page.get_by_text("2 exposures").first).to_be_visible()
    page.get_by_role("button", name="show all").click()
    page.get_by_label("State").select_option("judged")
    expect(page.get_by_text("9 exposures").first).to_be_visible()
    page.get_by_label("Lens or pinhole").select_option("pinhole pinhole-box")
    expect(page.get_by_text("No matching exposures.")).to_be_visible()
    page.get_by_role("button", name="show all").click()
    page.get_by_label("From day").fill("2026-01-01")
    expect(page.get_by_text("4 exposures").first).to_be_visible()


# Chooses one after the other, so many milliseconds apart.
CHOOSE = """async ([choices, pause]) => {
    for (const [label, value] of choices) {
        const list = [...document.querySelectorAll('select')]
            .find((each) => each.getAttribute('aria-label') === label);
        const set = Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value').set;
        set.call(list, value);
        list.dispatchEvent(new Event('change', { bubbles: true }));
        await new Promise((done) => setTimeout(done, pause));
    }
}"""


def test_choices_faster_than_the_page_is_drawn(open_page: Open) -> None:
    """Each works on what the one before it left: none is lost, whatever is drawn meanwhile."""
    page = open_page("/log")
    # nobody chooses what is not offered yet
    for value in ("film-ostrel", "lens lens-150", "pinhole pinhole-box"):
        expect(page.locator(f"option[value='{value}']")).to_be_attached()
    for pause, n in zip((0, 1, 2, 4, 6, 8, 12, 16, 24), ("-1", "1", "0") * 3, strict=True):
        expect(page.get_by_text("18 exposures").first).to_be_visible()
        choices = [
            *[("Film", "film-ostrel"), ("State", "exposed"), ("Film", ""), ("Development", n)],
            *[("Lens or pinhole", "pinhole pinhole-box"), ("Lens or pinhole", "lens lens-150")],
        ]
        page.evaluate(CHOOSE, [choices, pause])
        wanted = {"state": ["exposed"], "n": [n], "lens_id": ["lens-150"]}
        # late on a busy machine is not lost; once there, nothing drawn later takes it away
        page.wait_for_url(lambda url, wanted=wanted: parse_qs(urlsplit(url).query) == wanted)
        page.wait_for_timeout(300)
        assert parse_qs(urlsplit(page.url).query) == wanted
        page.get_by_role("button", name="show all").click()


def test_walked_with_the_keyboard(open_page: Open) -> None:
    """Slash, words, arrows; v draws pictures and lines, the same line in hand; Enter, and back."""
    page = open_page("/log")
    expect(page.get_by_text("18 exposures").first).to_be_visible()
    page.keyboard.press("/")
    page.keyboard.type("tip ostrel")
    expect(page.get_by_text("5 exposures").first).to_be_visible()
    page.keyboard.press("ArrowDown")
    page.keyboard.press("ArrowDown")
    page.keyboard.press("ArrowDown")
    focused = page.locator(":focus")
    expect(focused).to_contain_text("R1-3")
    page.keyboard.press("End")
    expect(focused).to_contain_text("R1-1")
    page.wait_for_timeout(1_100)  # a letter right after typing would be none
    page.keyboard.press("v")
    expect(page).to_have_url(re.compile("view=pictures"))
    expect(focused).to_contain_text("R1-1 ·")
    page.keyboard.press("ArrowLeft")
    expect(focused).to_contain_text("R1-2 ·")
    page.keyboard.press("v")
    expect(focused).not_to_contain_text("R1-2 ·")
    expect(focused).to_contain_text("R1-2")
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", level=1)).to_contain_text("R1-2")
    page.go_back()
    expect(page.get_by_label("Search the log")).to_have_value("tip ostrel")


def test_the_whole_story(open_page: Open) -> None:
    """From its box to its judgement; the sums as they were that day, though the kit has changed."""
    page = open_page("/log/exposure-shed-A")
    main = page.get_by_role("main")
    for told in (
        "From a box of 25, C 417",
        "exposed: Cutting shed, saw beds",
        "put into a run: Corvane N−1, saw beds",
        "thin shadows, full highlights; saw teeth just hold",
        "Next time: give half a stop more",
    ):
        expect(main).to_contain_text(told)
    ledger = page.get_by_role("region", name="How it added up that day")
    expect(ledger).to_contain_text("under the saw bed, EV 7, film at EI 100")
    expect(ledger).to_contain_text("worked it out that day")


def test_a_picture_is_attached_and_taken_off(open_page: Open, tmp_path: Path) -> None:
    """Chosen, shown small, refused when it is none; taking it off is undone."""
    page = open_page("/log/exposure-1A")
    pictures = page.get_by_role("region", name="Pictures")
    chooser = page.get_by_label("Pictures to attach")
    chooser.set_input_files({"name": "drum.png", "mimeType": "image/png", "buffer": picture()})
    shown = pictures.get_by_role("img", name="drum.png")
    expect(shown).to_be_visible()
    page.wait_for_function("img => img.naturalWidth > 0", arg=shown.element_handle())
    expect(pictures).to_contain_text("320 × 240")
    chooser.set_input_files({"name": "page.png", "mimeType": "image/png", "buffer": b"<html>"})
    expect(page.get_by_role("alert").filter(has_text="page.png")).to_be_visible()
    assert violations(page) == []
    pictures.get_by_role("button", name="Remove drum.png").click()
    expect(shown).to_have_count(0)
    page.get_by_role("button", name="Undo: remove drum.png").click()
    expect(shown).to_be_visible()


def test_an_exposure_is_put_right_from_its_page(open_page: Open) -> None:
    """What was really given is corrected; the plan and its sums stay."""
    page = open_page("/log/exposure-1B")
    page.get_by_role("button", name="Correct").click()
    page.get_by_label("Time given").fill("2")
    page.get_by_role("button", name="Save").click()
    expect(page.locator("[data-result]")).to_contain_text("f/32, 2 s")
    expect(page.get_by_role("main")).to_contain_text("½ stop too much, planned f/32, 1.3 s")


def match_columns(dialog: Locator) -> None:
    """Say which column of the old notebook is which."""
    for ours, theirs in (
        ("exposed at", "Date"),
        ("scene", "Title"),
        ("film", "Emulsion"),
        ("aperture", "F"),
        ("time s", "Exp"),
    ):
        dialog.get_by_label(re.compile(f"^{ours}")).first.select_option(theirs)


def test_a_csv_comes_in_after_a_dry_run(open_page: Open, service: Service) -> None:
    """Columns are mapped, every bad row is named, and only a good file comes in; undone at once."""
    page = open_page("/log")
    page.get_by_role("button", name="Import and export").click()
    rows = ["2024-05-01,Old pit,Corvane 100,22,1/2", "May,Pit,Corvane 100,22,x"]
    bad = "\n".join(["Date,Title,Emulsion,F,Exp", *rows])
    choose = page.get_by_label("Choose a CSV")
    choose.set_input_files({"name": "old.csv", "mimeType": "text/csv", "buffer": bad.encode()})
    dialog = page.get_by_role("dialog", name="Import CSV")
    match_columns(dialog)
    dialog.get_by_role("button", name="Check file").click()
    expect(dialog.get_by_text("line 3").first).to_be_visible()
    partly = dialog.get_by_role("button", name="Import 1 good exposure, leave 1 out")
    expect(partly).to_be_visible()
    assert violations(page) == []
    dialog.get_by_role("button", name="Another file").click()
    good = "\n".join(bad.splitlines()[:2])
    choose.set_input_files({"name": "old.csv", "mimeType": "text/csv", "buffer": good.encode()})
    match_columns(dialog)
    dialog.get_by_role("button", name="Check file").click()
    dialog.get_by_role("button", name="Import 1 exposure").click()
    expect(dialog.get_by_text("1 exposure brought in")).to_be_visible()
    dialog.get_by_role("button", name="Close").click()
    expect(page.get_by_text("19 exposures").first).to_be_visible()
    page.get_by_role("button", name="Undo: import exposures").click()
    expect(page.get_by_text("18 exposures").first).to_be_visible()


def test_an_archive_goes_out_and_comes_in(open_page: Open, service: Service) -> None:
    """Written with progress, saved, and brought into an empty house whole."""
    page = open_page("/log")
    page.get_by_role("button", name="Import and export").click()
    page.get_by_role("button", name="Export archive").click()
    with page.expect_download() as saved:
        page.get_by_role("link", name="Save the archive").click()
    file = saved.value.path()
    assert re.fullmatch(r"emulsa-archive-\d{4}-\d\d-\d\d\.zip", saved.value.suggested_filename)
    service.lay(service.empty)
    page.goto(f"{service.url}/log")
    page.get_by_text("Nothing exposed yet.").wait_for()
    page.get_by_role("button", name="Import and export").click()
    page.get_by_label("Choose an archive").set_input_files(
        {"name": "a.zip", "mimeType": "application/zip", "buffer": file.read_bytes()}
    )
    expect(page.get_by_text("0 records were here already")).to_be_visible()
    page.get_by_role("dialog").get_by_role("button", name="Close").click()
    expect(page.get_by_text("18 exposures").first).to_be_visible()


def test_an_outing_is_planned(open_page: Open) -> None:
    """Back to a scene with what its negative showed; the bag is packed and stays packed."""
    page = open_page("/outing", PHONE)
    outing = page.get_by_role("region", name="Third outing, frost")
    outing.get_by_role("button", name="revisit a scene").click()
    page.get_by_label("Which scene").fill("saw")
    dialog = page.get_by_role("dialog")
    expect(dialog.get_by_role("listitem")).to_have_count(1)
    expect(dialog).to_contain_text("showed thin shadows, full highlights; saw teeth just hold")
    dialog.get_by_role("button", name="Plan it").click()
    outing.get_by_role("link", name="Cutting shed, saw beds").click()
    expect(page.get_by_text("Last time:")).to_contain_text("thin shadows")
    page.go_back()
    outing.get_by_role("button", name="pack").click()
    page.get_by_label("Dark cloth and loupe").check()
    page.get_by_label("Map; the phone may be dead in the cold").check()
    left = page.get_by_role("dialog").get_by_role("heading", level=2).inner_text()
    assert violations(page) == []
    page.wait_for_load_state("networkidle")
    page.reload()
    outing.get_by_role("button", name="pack").click()
    expect(page.get_by_role("dialog").get_by_role("heading", level=2)).to_have_text(left)
    expect(page.get_by_label("Dark cloth and loupe")).to_be_checked()


def test_the_day_is_typed_once(open_page: Open) -> None:
    """Weather, light, temperature and place; a coordinate alone is refused and nothing is lost."""
    page = open_page("/outing")
    page.get_by_role("region", name="Third outing").get_by_role("button", name="change").click()
    page.get_by_label("Light", exact=True).fill("fog, then sun")
    page.get_by_label("Temperature").fill("−4")
    page.get_by_label("Latitude").fill("54.5")
    page.get_by_label("Longitude").fill("")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("alert").filter(has_text="both coordinates")).to_be_visible()
    expect(page.get_by_label("Light", exact=True)).to_have_value("fog, then sun")
    page.get_by_label("Longitude").fill("-3")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("region", name="Third outing")).to_contain_text("fog, then sun · −4 °C")


def test_trouble_with_the_data_is_told_in_every_room(open_page: Open) -> None:
    """What the service says of its data stands above the room."""
    page = open_page("/kit")
    page.route(
        "**/api/health",
        lambda route: route.fulfill(
            json={"name": "emulsa", "version": "0", "trouble": "The data file is damaged."}
        ),
    )
    page.reload()
    expect(page.get_by_role("alert")).to_contain_text("The data file is damaged.")


def test_a_tablet_has_the_comb_and_the_columns(open_page: Open) -> None:
    """Held upright it shows the log as a desk does, N and what was off in words; a phone, upright
    or on its side, has lines of two and the comb behind *Filter*."""
    page = open_page("/log")
    comb = page.get_by_role("group", name="By development")
    row = page.locator("[data-place]").filter(has_text="4A").first
    off, way = row.get_by_text("N+1, ⅓ stop too little"), row.get_by_text("exposed")
    expect(comb).to_be_visible()
    expect(off).to_be_hidden()  # there is room for its wedge and its needle
    page.set_viewport_size({"width": 820, "height": 1180})
    expect(off).to_be_visible()
    expect(way).to_be_visible()
    expect(comb).to_be_visible()
    for width, height in ((390, 844), (844, 390)):
        page.set_viewport_size({"width": width, "height": height})
        expect(way).to_have_count(0)
        expect(comb).to_have_count(0)
    page.get_by_role("button", name="Filter").click()
    expect(comb).to_be_visible()
