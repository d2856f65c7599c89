"""A burn of its own: its filter, aperture and seconds within its shape, others held back in it."""

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.errors import CoreError
from emulsa.core.printing.planned import PrintPart, PrintSetting
from emulsa.core.prints.acts import Reworking, TryMade, keep_try, rework
from emulsa.core.prints.differences import differences
from emulsa.core.prints.lamp import EndedByEye, as_ended, lamp, worth
from emulsa.core.prints.layout import layout
from emulsa.core.prints.map import print_map, table
from emulsa.core.prints.mat import matted
from emulsa.core.prints.negative import PrintedNegative
from emulsa.core.prints.preview import area_steps, of_negative, preview
from emulsa.core.prints.record import (
    Margins,
    Mat,
    OwnLight,
    PaperSheet,
    PlannedArea,
    Print,
    PrintPlan,
)
from emulsa.core.prints.worked import worked_out
from emulsa.demo.prints import MIST_PRINT, PAPER

SKY = PlannedArea(
    id="sky",
    label="Sky",
    act="burn",
    part="none",
    seconds=12,
    own=OwnLight(filter="Hard filter", aperture="16"),
)
TREE = PlannedArea(id="tree", label="Tree", act="dodge", part="sky", seconds=3)
PLAN = PrintPlan(
    setting=PrintSetting(aperture="11", magnification=3),
    parts=(PrintPart(id="base", label="Middle filter", seconds=20),),
    areas=(SKY, TREE),
)
SKY_PRINT = Print(id="p", exposure_id="e", title="Sky", plan=PLAN)
SCANNED = of_negative(250)


def test_it_is_a_part_that_not_all_of_the_picture_gets() -> None:
    """Its seconds are burned, not base; what is held back in it is held from its start."""
    worked = worked_out(SKY_PRINT, PAPER, None)
    assert (worked.base_text, worked.burned_text) == ("20 s", "+ 12 s burned")
    base, sky = worked.rows
    assert (base.title, base.text, base.act) == ("Middle filter", "20 s", "base")
    assert (sky.title, sky.text, sky.act) == ("Burn sky, hard filter at f/16", "+12 s", "burn")
    assert [(each.label, each.start_s, each.hold_s) for each in sky.holds] == [("Tree", 0, 3)]
    assert [(each.at_s, each.text) for each in sky.cues] == [(0, "hold the tree"), (3, "let go")]
    assert [each.text for each in worked.areas] == ["+12 s", "−3 s"]
    by_eye = replace(SKY, own=OwnLight(by_eye=True))
    (_, white) = worked_out(
        replace(SKY_PRINT, plan=replace(PLAN, areas=(by_eye,))), None, None
    ).rows
    assert (white.title, white.text, white.by_eye) == (
        "Burn sky, white light",
        "by eye, about 12 s",
        True,
    )


def test_what_is_done_before_each_light() -> None:
    """The grain is focused with the lens open; the lens is set wherever it changes, and back; the
    border is laid last, and is no light for the picture."""
    again = replace(SKY, id="again", own=None)
    sheet = replace(PLAN.sheet, black_edge_mm=2, black_edge_s=4)
    plan = replace(PLAN, areas=(SKY, again), sheet=sheet, lamp_lag_s=0.5)
    worked = worked_out(replace(SKY_PRINT, plan=plan), None, None)
    assert [(each.act, each.before) for each in worked.rows] == [
        ("base", "Focus on the grain with the lens open, then stop down to f/11."),
        ("burn", "Set the lens to f/16."),
        ("burn", "Set the lens to f/11."),
        ("edge", "Take the negative out and lay the mask on the picture, 2 mm free all around."),
    ]
    assert (worked.rows[-1].set_s, worked.total_s) == (4.5, 44)


def test_burns_that_cannot_be() -> None:
    """Stops of nothing, a hold longer than its burn, a hold in a burn that is gone: each is said of
    the area as this plan counts it."""
    for areas, field, said in (
        ((TREE, replace(SKY, stops=1, seconds=None)), "areas.1.stops", "give its seconds"),
        ((SKY, replace(TREE, seconds=12)), "areas.1.seconds", "nothing is left of it"),
        ((TREE,), "areas.0.part", "a part that is not there"),
        ((SKY, replace(SKY, id="x", act="dodge")), "areas.1.part", "cannot be held back"),
    ):
        with pytest.raises(CoreError, match=said) as refusal:
            lamp(replace(PLAN, areas=areas))
        assert refusal.value.field == field


@given(st.sampled_from(["8", "11", "16", "22", "32"]), st.floats(1, 60))
def test_another_aperture_is_another_light(aperture: str, seconds: float) -> None:
    """As many seconds through half the aperture are a quarter of the light: the preview of a burn
    is that of one at the print's own aperture, its seconds counted so (inverse square)."""
    own = replace(SKY, seconds=seconds, own=OwnLight(filter="Hard filter", aperture=aperture))
    same = replace(own, seconds=seconds * worth(own, PLAN), own=OwnLight(filter="Hard filter"))
    shown = [
        preview(replace(SKY_PRINT, plan=replace(PLAN, areas=(each,))), PAPER, SCANNED)
        for each in (own, same)
    ]
    assert shown[0] == shown[1]
    halves = {"8": 2, "11": 1, "16": 0.5, "22": 0.25, "32": 0.125}[aperture]
    assert worth(own, PLAN) == pytest.approx(halves, rel=1e-9)


def test_what_is_held_back_in_it_is_lighter_there() -> None:
    """Laid over the burn it comes to what the rest of the burn's seconds make; every amount it may
    be dragged to is told alike."""
    tables = preview(SKY_PRINT, PAPER, SCANNED)
    sky, tree = ({each.id: each.greys for each in tables.areas}[i] for i in ("sky", "tree"))
    less = replace(SKY_PRINT, plan=replace(PLAN, areas=(replace(SKY, seconds=9),)))
    rest = preview(less, PAPER, SCANNED).areas[0].greys
    laid = [a + b - base for a, b, base in zip(sky, tree, tables.base, strict=True)]
    assert laid == list(rest)
    assert sum(tree) > sum(tables.base) > sum(sky)
    steps = {each.amount: each.greys for each in area_steps(SKY_PRINT, PAPER, SCANNED, "tree")}
    assert steps[3] == tree
    assert max(steps) < 12


def test_what_was_ended_by_eye_is_kept_as_it_was() -> None:
    """The seconds the lamp was on, without its lag and before drying down; nothing else changes."""
    plan = replace(
        PLAN,
        areas=(replace(SKY, own=OwnLight(by_eye=True)), replace(SKY, id="other")),
        lamp_lag_s=0.4,
        drying_down=0.1,
    )
    ended = (EndedByEye(area="sky", lamp_s=9.4), EndedByEye(area="other", lamp_s=30))
    found = as_ended(plan, ended)
    assert [each.seconds for each in found.areas] == [10.0, 12]
    (_, sky, _) = worked_out(replace(SKY_PRINT, plan=found), None, None).rows
    assert sky.set_s == pytest.approx(9.4)
    assert as_ended(plan, (EndedByEye(area="sky", lamp_s=0.2),)) == plan
    made = keep_try(SKY_PRINT, 0, TryMade(plan=plan, by_eye=ended[:1]), "act", "")
    assert made.plan.areas[0].seconds == 10.0


def test_it_is_worked_again_as_its_light_asks() -> None:
    """White light takes no filter factor, another aperture of the print is none of a burn that has
    its own, and what is held back in it goes with it."""
    white = replace(SKY, id="white", own=OwnLight())
    held = replace(TREE, id="held", part="white")
    plan = replace(PLAN, areas=(SKY, TREE, white, held))
    wanted = replace(PLAN.setting, aperture="22", magnification=3, filter_factor=1.5)
    found = rework(replace(SKY_PRINT, plan=plan), Reworking(setting=wanted)).print.plan
    assert [each.seconds for each in found.areas] == pytest.approx([18, 4.5, 48, 12])
    assert found.parts[0].seconds == pytest.approx(20 * 4 * 1.5)


def test_it_is_told_apart_and_mapped() -> None:
    """What changed of it, in words; every light with its name on the map and in the table."""
    longer = replace(
        PLAN, areas=(replace(SKY, seconds=15, own=OwnLight(filter="Hard filter")), TREE)
    )
    assert list(differences(PLAN, longer)) == [
        "Sky burned 15 s by hard filter; was Sky burned 12 s by hard filter at f/16"
    ]
    negative = PrintedNegative(
        exposure_id="e", label="1A", scene_title="Sky", film_name="Harle", n=None, best=False,
        in_bracket=False, picture_id=None, width=0, height=0, low=None, high=None, base_fog=None,
    )  # fmt: skip
    found = print_map(MIST_PRINT, (), negative, PAPER)
    assert found.rows[1:4] == (
        ("Burn mist, soft filter at f/22", "+13 s"),
        ("   hold post from 0 s", "7.5 s"),
        ("Burn mist, hard filter at f/22", "by eye, about 5.6 s"),
    )
    assert dict(found.facts)["Mat"].startswith("Mat and frame 400 × 350 mm; window 238 × ")
    assert ["Burn sky, hard filter at f/16", "burn", 12, 12, ""] in table(SKY_PRINT, PAPER)


def test_margins_by_side_find_how_the_sheet_lies() -> None:
    """A square of 203 mm on a sheet of 203 × 254 leaves nothing beside it: with margins wanted
    above and below only, it fits as it stands, and lying it must be turned (worked by hand)."""
    sides = Margins(left_mm=0, right_mm=0, top_mm=20, bottom_mm=30)
    sheet = PaperSheet(width_mm=203, height_mm=254, image_long_mm=203, sides=sides)
    square = layout(sheet, (1_000, 1_000))
    assert (square.fits, square.side_mm, square.top_mm) == (True, 0, 20.5)
    assert square.says == "The image fits with the margins wanted on each side."
    lying = layout(replace(sheet, turned=True), (1_000, 1_000))
    assert (lying.fits, lying.turn) == (False, True)
    assert lying.says == "This way round the margins wanted are not left; turned, they are."
    wider = layout(replace(sheet, sides=replace(sides, left_mm=1)), (1_000, 1_000))
    assert (wider.fits, wider.turn) == (False, False)
    assert "less than the margins wanted" in wider.says
    assert not layout(replace(sheet, sides=None), (1_000, 1_000)).fits


def test_a_mat_is_cut() -> None:
    """Window, borders and frame in words, wider below; what speaks against it is said."""
    cut = matted(Mat(width_mm=400, height_mm=500, free_mm=5, lower_mm=20), 240, 190)
    assert cut.text == (
        "Mat and frame 400 × 500 mm; window 250 × 200 mm; borders 75 mm left and right, 140 mm"
        " above, 160 mm below."
    )
    assert cut.trouble == ""
    covering = matted(Mat(width_mm=400, height_mm=500, free_mm=-3, lower_mm=0), 240, 190)
    assert (covering.window_width_mm, covering.bottom_mm) == (234, covering.top_mm)
    for mat, said in (
        (Mat(width_mm=220, height_mm=400), "larger than the mat; turned, it fits."),
        (Mat(width_mm=200, height_mm=200), "The window is larger than the mat."),
        (Mat(width_mm=270, height_mm=400), "narrowest border is 12 mm"),
        (Mat(width_mm=400, height_mm=400, free_mm=-100), "cover the whole image"),
    ):
        assert said in matted(mat, 240, 190).trouble
