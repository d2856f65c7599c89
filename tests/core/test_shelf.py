"""What is used up and what is sent: paper by the box, chemistry at one's pace, threads, hardener,
a laboratory's slip, prints by inkjet."""

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core import wire
from emulsa.core.cards.laboratory import SentPiece, push_text, slip
from emulsa.core.chemistry.powder import Powder
from emulsa.core.corrections.filters import Filter
from emulsa.core.corrections.optics import Lens
from emulsa.core.darkroom.mixing import for_run
from emulsa.core.development.recipes import Recipe
from emulsa.core.errors import CoreError
from emulsa.core.kit.bag import KitFilter, KitLens, goes_on
from emulsa.core.kit.darkroom import Bath, Bottle, Line, Tank
from emulsa.core.kit.pace import (
    WEEKS,
    DevelopedThen,
    bottle_says,
    meant_for,
    package_says,
    per_week,
)
from emulsa.core.kit.printing import PaperBox, PrintingPaper
from emulsa.core.kit.table_text import table_texts
from emulsa.core.prints.inkjet import on_sheet
from emulsa.core.prints.paper_left import PaperUse, left_of
from emulsa.core.prints.record import Inkjet

TODAY = "2026-04-02"


def box(**more: object) -> PaperBox:
    return wire.decode(PaperBox, {"width_mm": 240, "height_mm": 300, "sheets": 25, **more})  # type: ignore[no-any-return]


def use(day: str, *, width: float = 240, height: float = 300, strip: bool = False) -> PaperUse:
    return PaperUse(width_mm=width, height_mm=height, day=day, strip=strip)


def test_prints_and_strips_take_paper_from_the_box_that_was_open() -> None:
    """Of its size whichever way round, opened last before the day; a strip is a fifth of a sheet;
    a box that is closed stays whole; what was made before any was open took none of these."""
    paper = PrintingPaper(
        id="p",
        name="Sleet",
        boxes=(
            box(opened="2026-01-10", gone=2, price=50),
            box(opened="2026-03-01"),
            box(width_mm=180, opened="2026-01-01"),
            box(),
        ),
    )
    uses = [
        use("2026-01-09"),
        use("2026-01-10"),
        use("2026-02-01", width=300, height=240),
        use("2026-02-01", strip=True),
        use("2026-02-01", strip=True),
        use("2026-03-02"),
        use("2026-03-02", width=180),
    ]
    first, second, small, closed = left_of(paper, uses)
    assert first.left == pytest.approx(20.6)
    assert (first.left_text, first.low) == ("20 and 3 strips of 25 sheets left", False)
    assert first.says == "opened 10 January 2026, 2.00 a sheet"
    assert first.size_text == "240 × 300 mm"
    assert second.left_text == small.left_text == "24 of 25 sheets left"
    assert (closed.left_text, closed.says) == ("25 of 25 sheets left", "not opened")


@pytest.mark.parametrize(("gone", "says"), [(19, ""), (20, "time to buy"), (25, "empty")])
def test_a_box_says_when_it_is_time_to_buy(gone: int, says: str) -> None:
    """At a fifth of it, and when it is empty (common practice, no source)."""
    (left,) = left_of(PrintingPaper(id="p", name="S", boxes=(box(gone=gone),)), ())
    assert left.says == ", ".join(filter(None, ("not opened", says)))
    assert left.low is bool(says)


def test_boxes_are_typed_as_a_table() -> None:
    """What is typed comes back as it is kept; what cannot be is refused by its field."""
    text = "240  300  25  opened 2026-01-10  gone 2  price 45.5  cut 4\n180  240  50"
    paper: PrintingPaper = wire.decode(PrintingPaper, {"id": "p", "name": "S", "boxes": text})
    assert paper.boxes == (
        box(opened="2026-01-10", gone=2, price=45.5, cut=4),
        box(width_mm=180, height_mm=240, sheets=50),
    )
    assert table_texts(paper)["boxes"] == text
    for line, field, said in (
        ("240 300", "boxes.0.sheets", "number"),
        ("240 300 25 colour red", "boxes.0.colour", "colour"),
        ("240 300 25 gone 26", "boxes.0.gone", "no more can be gone"),
        ("240 300 25 opened 2026-02-30", "boxes.0.opened", "not a day"),
    ):
        with pytest.raises(CoreError, match=said) as refusal:
            wire.decode(PrintingPaper, {"id": "p", "name": "S", "boxes": line})
        assert refusal.value.field == field


def test_a_package_is_weighed_against_the_shelf() -> None:
    """A package for fourteen rolls at a roll a week, keeping eight weeks (from a printer's notes,
    no source); used in time nothing is advised; by nobody, nothing is foretold."""
    powder = Powder(id="p", name="Metol stock", parts=(), does_rolls=14, keeps_days=56)
    assert package_says(powder, 1) == (
        "A package would be used in 14 weeks; it keeps 8. Mix a part of it, or buy a smaller one."
    )
    assert package_says(powder, 2) == "A package would be used in 7 weeks; it keeps 8."
    assert package_says(replace(powder, keeps_days=None), 28) == (
        "A package would be used in 1 week."
    )
    assert package_says(powder, 0) == f"No film went through it in the last {WEEKS} weeks."
    assert package_says(replace(powder, does_rolls=None), 1) == "It keeps 8 weeks."
    assert package_says(replace(powder, does_rolls=None, keeps_days=None), 1) == ""


def test_the_pace_is_that_of_the_last_quarter() -> None:
    """Rolls a week; older runs and those to come do not count; a developer by its own runs, a fixer
    by all."""
    runs = [
        DevelopedThen(day="2026-04-02", rolls=10, developer="metol developer"),
        DevelopedThen(day="2026-01-02", rolls=3, developer="Metol stock"),
        DevelopedThen(day="2026-01-01", rolls=100, developer="metol"),
        DevelopedThen(day="2026-04-03", rolls=100, developer="metol"),
        DevelopedThen(day="2026-04-01", rolls=13, developer="another developer"),
        DevelopedThen(day="2026-04-01", rolls=0.5),
    ]
    powder = Powder(id="p", name="Metol", parts=())
    assert per_week(meant_for(powder, runs), TODAY) == pytest.approx(13 / WEEKS)
    fixer = replace(powder, kind="fixer")
    assert per_week(meant_for(fixer, runs), TODAY) == pytest.approx(26.5 / WEEKS)
    assert meant_for(Powder(id="p", name="stock", parts=()), runs) == ()


def test_a_bottle_lasts_as_it_was_used() -> None:
    """Six rolls in three weeks: four more last two; it keeps what is left of its days."""
    fixer = Bottle(
        id="b", name="F", kind="fixer", mixed="2026-03-12", used_rolls=6, capacity_rolls=10
    )
    assert bottle_says(fixer, TODAY) == "4 of 10 rolls left: 2 weeks at your pace."
    kept = replace(fixer, shelf_days=49)
    assert bottle_says(kept, TODAY).endswith("at your pace; it keeps 4 weeks more.")
    assert bottle_says(replace(kept, used_rolls=0), TODAY) == (
        "10 of 10 rolls left; it keeps 4 weeks more."
    )
    assert bottle_says(replace(fixer, capacity_rolls=None), TODAY) == ""
    assert bottle_says(replace(fixer, mixed=""), TODAY) == "4 of 10 rolls left."


SIZES = st.none() | st.sampled_from([49.0, 58.0, 77.0])


@given(SIZES, SIZES)
def test_a_filter_goes_on_threads_as_narrow_as_its_own(
    own: float | None, lens: float | None
) -> None:
    """By a ring on narrower ones (common practice, no source); unknown goes on everything; one that
    names its lenses goes on those alone."""
    made = KitFilter(id="f", name="Grey", filter=Filter(factor=2), thread_mm=own)
    optics = Lens(focal_length_mm=150, widest="8", smallest="32")
    there = KitLens(id="l", name="150", thread_mm=lens, optics=optics)
    assert goes_on(made, there) is (own is None or lens is None or own >= lens)
    assert goes_on(made, None)
    assert goes_on(replace(made, lens_ids=("l",)), there)
    assert not goes_on(replace(made, lens_ids=("other",)), there)


def test_hardener_goes_into_the_fixer_last() -> None:
    """1+39 of a litre is 25 ml, and the fixer is mixed for the rest; it is washed longer; only a
    fixer has one, and only as 1+n."""
    fixer = Bath(name="Fixer", kind="fixer", dilution="1+4", hardener="1+39")
    line = Line(id="l", name="L", baths=(Bath(name="Developer", kind="developer"), fixer))
    tank = Tank(id="t", name="T", volume_ml=1_000)
    sheet = for_run("S", line, tank, Recipe(dilution="1+9"), 1_000, 20, None)
    part = sheet.parts[1]
    assert part.lines == (
        "Measure 780 ml of water at 20 °C.",
        "Add 195 ml of concentrate; stir.",
        "975 ml of Fixer: check it is at 20 °C.",
        "Add 25 ml of hardener slowly, stirring: 1000 ml.",
    )
    assert (part.volume_ml, part.cautions[-1][:29]) == (1_000, "Hardened film washes out slow")
    plain = replace(line, baths=(line.baths[0], replace(fixer, hardener="")))
    assert "hardener" not in " ".join(
        for_run("S", plain, tank, Recipe(dilution="1+9"), 1_000, 20, None).parts[1].lines
    )
    with pytest.raises(CoreError, match="as 1\\+n") as refusal:
        replace(line, baths=(line.baths[0], replace(fixer, hardener="a splash")))
    assert refusal.value.field == "baths.1.hardener"


def test_the_slip_says_what_each_piece_needs() -> None:
    """Its index, how far it was pushed from the box, its N, and the note to the laboratory."""
    found = slip(
        "Ridge laboratory",
        "2 Apr 2026",
        "uncut",
        (
            SentPiece(where="1A", film="Harle 200", ei=800, box_ei=200, n_text="normal"),
            SentPiece(
                where="1B", film="Harle 200", ei=None, box_ei=200, n_text="N−1", note="one over"
            ),
        ),
    )
    assert found.holds_for == "Ridge laboratory, 2 Apr 2026"
    assert found.rows == (
        ("1A", "Harle 200", "800", "push +2", "normal", ""),
        ("1B", "Harle 200", "", "", "N−1", "one over"),
    )
    assert found.notes[0] == "uncut"
    assert push_text(125, 100) == "push +⅓"
    assert push_text(50, 100) == "pull −1"
    assert push_text(110, 100) == ""


def test_a_print_by_inkjet_is_as_large_as_its_border_leaves_it() -> None:
    """The image in the middle; the scan's points to an inch; under 180 it is said to be soft
    (common practice, no source)."""
    sheet = Inkjet(width_mm=300, height_mm=240, border_mm=20)
    found = on_sheet(sheet, (3_000, 2_400))
    assert (found.image_width_mm, found.image_height_mm) == pytest.approx((250, 200))
    assert (found.side_mm, found.top_mm) == pytest.approx((25, 20))
    assert found.text == "Image 250 × 200 mm on 300 × 240 mm; 305 points of the scan to an inch."
    assert found.trouble == ""
    assert "Under 180 points" in on_sheet(sheet, (1_500, 1_200)).trouble
    assert "No scan" in on_sheet(sheet, None).trouble
    assert "leaves nothing" in on_sheet(replace(sheet, border_mm=120), (3_000, 2_400)).trouble
