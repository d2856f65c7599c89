"""Prints: strips, plans, grades and tones by their laws; acts, layout, preview, map."""

import math
from dataclasses import replace
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.bench.proof import Proof, measured_paper, read
from emulsa.core.errors import CoreError, Impossible, Missing, Unsound
from emulsa.core.film.judgement import Judgement, MeasuredSpot
from emulsa.core.logged.attachment import PicturePlace
from emulsa.core.printing.grade import OwnPaper, PaperGradeRequest, paper_grade, range_of
from emulsa.core.printing.plan import print_plan
from emulsa.core.printing.planned import (
    FactorChange,
    PrintArea,
    PrintPart,
    PrintPlanRequest,
    PrintSetting,
)
from emulsa.core.printing.strip import StripRequest, strip_times
from emulsa.core.prints.acts import (
    Reworking,
    StripChosen,
    TryAgain,
    TryMade,
    again,
    choose,
    keep_try,
    note,
    notes_of,
    rework,
)
from emulsa.core.prints.baths import paper_course
from emulsa.core.prints.differences import differences
from emulsa.core.prints.differences import told as told_apart
from emulsa.core.prints.layout import layout, mask_text
from emulsa.core.prints.map import print_map, table
from emulsa.core.prints.negative import PrintedNegative, from_densities
from emulsa.core.prints.preview import area_steps, of_negative, of_positive, preview, preview_says
from emulsa.core.prints.record import EaselMask, KeptStrip, PaperSheet, Shape, TryNotes
from emulsa.core.prints.strips import shown, told
from emulsa.core.prints.worked import worked_out
from emulsa.core.rendering.paper import Paper, PaperStep, lightness, reflectance_of, response
from emulsa.core.rendering.tones import TonesRequest, tones
from emulsa.demo.prints import (
    ENLARGER,
    FIRST,
    FOURTH,
    PAPER,
    SECOND,
    SHED_PRINT,
    THIRD,
    TIP_PRINT,
    TRIES,
)

SOFT = PrintPart(id="soft", label="Soft", seconds=30)
HARD = PrintPart(id="hard", label="Hard", seconds=15)
SETTING = PrintSetting(aperture="16", magnification=2, paper_speed=200, base_fog=0.2)


def test_common_practice_of_the_enlarger() -> None:
    """Base 10 s held for 3 s is half a stop less there; 30 s soft and 15 s hard with the sky a stop
    more by the hard filter; strips of 3, 6, 9, 12, 15 s (common practice, no source)."""
    base = PrintPart(id="base", label="Base", seconds=10)
    hold = PrintArea(id="face", label="Face", act="dodge", part="base", seconds=3)
    (row,) = print_plan(PrintPlanRequest(parts=(base,), areas=(hold,))).rows
    assert row.dodges[0].stops == pytest.approx(0.5146, abs=1e-4)
    sky = PrintArea(id="sky", label="Sky", act="burn", part="hard", stops=1)
    answer = print_plan(PrintPlanRequest(parts=(SOFT, HARD), areas=(sky,)))
    assert [each.seconds for each in answer.rows] == [30, 15, 15]
    strips = strip_times(StripRequest(kind="linear", step_s=3, strips=5)).strips
    assert [each.total_s for each in strips] == [3, 6, 9, 12, 15]


@given(st.floats(1, 60), st.floats(0.05, 3))
def test_a_burn_and_a_dodge_are_inverse(seconds: float, stops: float) -> None:
    """What is burned by so many stops and then held back by as many has had the part's own time."""
    part = PrintPart(id="p", label="P", seconds=seconds)
    burn = PrintArea(id="a", label="A", act="burn", part="p", stops=stops)
    burned = print_plan(PrintPlanRequest(parts=(part,), areas=(burn,))).rows[1].seconds
    whole = PrintPart(id="p", label="P", seconds=seconds + burned)
    dodge = replace(burn, act="dodge")
    row = print_plan(PrintPlanRequest(parts=(whole,), areas=(dodge,))).rows[0]
    assert whole.seconds - row.dodges[0].hold_s == pytest.approx(seconds)


@given(
    st.sampled_from(["5.6", "8", "11", "16", "22"]),
    st.floats(0.5, 12),
    st.floats(20, 500),
    st.floats(0.5, 8),
    st.floats(0, 0.6),
)
def test_changed_there_and_back_is_the_same(
    aperture: str, magnification: float, speed: float, factor: float, fog: float
) -> None:
    """Every cause has its inverse; the ledger adds up to the factor."""
    other = PrintSetting(
        aperture=aperture,
        magnification=magnification,
        paper_speed=speed,
        filter_factor=factor,
        base_fog=fog,
    )
    there = print_plan(PrintPlanRequest(parts=(SOFT,), change={"from": SETTING, "to": other}))
    seconds = there.rows[0].seconds
    stops = math.fsum(each.stops for each in there.ledger)
    assert seconds == pytest.approx(30 * 2**stops)
    if 0.1 <= seconds <= 3_600:
        part = replace(SOFT, seconds=seconds)
        back = print_plan(PrintPlanRequest(parts=(part,), change={"from": other, "to": SETTING}))
        assert back.rows[0].seconds == pytest.approx(30)


def test_white_light_and_own_filters_take_their_own_factor() -> None:
    """White light takes the change without the filter's factor, a part with a filter of its own
    takes that one."""
    own = replace(HARD, filter_factor=FactorChange(before=2, after=1))
    edge = PrintArea(id="edge", label="Edge", act="burn", part="none", seconds=8)
    change = {"from": SETTING, "to": replace(SETTING, filter_factor=2.0, aperture="11")}
    answer = print_plan(
        PrintPlanRequest(parts=(SOFT, own), areas=(edge,), change=change)  # type: ignore[arg-type]
    )
    assert [round(each.seconds, 6) for each in answer.rows] == [30, 3.75, 4]


def test_what_is_hard_to_do_is_said() -> None:
    """Short parts, long parts, short holds, holds that overlap, burns without end."""
    long = print_plan(PrintPlanRequest(parts=(replace(SOFT, seconds=70), replace(HARD, seconds=2))))
    assert {each.code for each in long.advice} == {"print-long", "print-short"}
    holds = tuple(
        PrintArea(id=name, label=name, act="dodge", part="hard", seconds=seconds)
        for name, seconds in (("a", 1), ("b", 14.5))
    )
    answer = print_plan(PrintPlanRequest(parts=(SOFT, HARD), areas=holds))
    assert {each.code for each in answer.advice} == {"print-hold-short", "print-holds-at-once"}
    starts = [each.start_s for each in answer.rows[1].dodges]
    assert starts == pytest.approx([0, 0.5])
    burns = tuple(
        PrintArea(id=name, label="Sky", act="burn", part="soft", stops=1.6) for name in ("a", "b")
    )
    much = print_plan(PrintPlanRequest(parts=(SOFT,), areas=burns))
    assert {each.code for each in much.advice} == {"print-burns-much"}


@given(st.floats(0.05, 2.5))
def test_a_grade_holds_its_range(wanted: float) -> None:
    """ISO 6846 ranges as handbooks print them (from memory): the range lies within its grade, or
    the difference to the end grade is told in stops."""
    found = paper_grade(PaperGradeRequest(density_range=wanted))
    assert found.iso_range == pytest.approx(100 * wanted)
    lost, grey = found.lost_stops * math.log10(2), found.grey_stops * math.log10(2)
    assert 0.50 - 1e-9 <= wanted - lost + grey <= 1.70 + 1e-9
    assert min(lost, grey) == 0


def test_ones_own_papers_are_chosen_by_their_range() -> None:
    """The nearest, by its own name; half grades lie between their neighbours."""
    papers = tuple(OwnPaper(label=f.label, range=f.range) for f in PAPER.filters)
    assert paper_grade(PaperGradeRequest(density_range=1.1, papers=papers)).grade == "Middle filter"
    assert range_of(2) > range_of(2.5) > range_of(3)


@given(st.floats(0, 1))
def test_lightness_and_back(reflectance: float) -> None:
    """CIE 1976 L* and its inverse."""
    assert reflectance_of(lightness(reflectance)) == pytest.approx(reflectance, abs=1e-9)


@given(st.floats(-3, 2), st.floats(0.5, 1.7), st.floats(0, 2))
def test_tables_are_monotone(n: float, paper_range: float, flare: float) -> None:
    """More light on the film is never darker in the print; the table agrees with the zones."""
    answer = tones(
        TonesRequest(zones=(5,), n=n, paper=Paper(range=paper_range), flare_stops=flare, levels=49)
    )
    assert all(b >= a - 1e-9 for a, b in pairwise(answer.table))
    assert answer.table[24] == pytest.approx(answer.zones[0].lightness)


def test_a_grey_card_prints_as_a_grey_card() -> None:
    """Zone V of a normal negative on range 1.05: L* 49.5 (a card of 18 %)."""
    (middle,) = tones(TonesRequest(zones=(5,))).zones
    assert middle.lightness == pytest.approx(49.5, abs=0.05)


def test_a_papers_own_steps() -> None:
    """Measured steps are the paper; too few, or falling ones, are refused by name."""
    steps = tuple(
        PaperStep(log_h=0.3 * k, density=d)
        for k, d in enumerate((0.06, 0.1, 0.4, 1.0, 1.6, 1.95, 2.05))
    )
    answer = response(Paper(steps=steps))
    assert answer(0) == pytest.approx(0.745, abs=0.01)  # the middle stands at the origin
    assert answer(9) == pytest.approx(2.05)
    with pytest.raises(Unsound, match="five steps"):
        response(Paper(steps=steps[:4]))
    with pytest.raises(Unsound, match="gets darker"):
        response(
            Paper(steps=steps[::-1] and tuple(replace(s, density=2 - s.density) for s in steps))
        )


def test_tries_are_kept_told_apart_and_made_again() -> None:
    """Each has its plan as it was; the next says how it differs; an earlier one is taken up."""
    made = keep_try(SHED_PRINT, 4, TryMade(says="fine"), "act", "2026-02-01T10:00:00.000Z")
    assert (made.id, made.number, made.plan) == ("act", 5, SHED_PRINT.plan)
    of_another = keep_try(SHED_PRINT, 4, TryMade(plan=FIRST), "act", "")
    assert of_another.plan == FIRST
    tries = (*TRIES, made)
    assert again(SHED_PRINT, tries, TryAgain(id="print-shed:1"))[0].plan == FIRST
    older = TryAgain(number=5, at="2026-02-01T10:00:00.000Z")
    assert again(SHED_PRINT, tries, older) == (SHED_PRINT, 5)
    for unknown in (TryAgain(id="other"), TryAgain(number=5), TryAgain()):
        with pytest.raises(Missing, match="was not found"):
            again(SHED_PRINT, tries, unknown)
    with pytest.raises(Impossible, match="999 prints are kept"):
        keep_try(SHED_PRINT, 999, TryMade(), "act", "")
    assert list(differences(FIRST, SECOND)) == [
        "Roof hole burned 1 stop, new",
        "Floor burned ½ stop, new",
    ]
    said = list(differences(THIRD, FOURTH))
    assert said == ["Roof hole burned 1½ stops; was Roof hole burned 1 stop", "Corner left alone"]
    longer = replace(FIRST, parts=(replace(FIRST.parts[0], seconds=24), *FIRST.parts[1:]))
    assert list(differences(FIRST, longer)) == ["Soft filter 24 s, was 18 s"]


def test_one_of_a_print_is_the_final_one() -> None:
    """Noted as final, the one that was is none any more; only what was noted changes."""
    changed = note(TRIES, "print-shed:2", TryNotes(says="this one", final=True))
    assert [(each.id, each.final) for each in changed] == [
        ("print-shed:2", True),
        ("print-shed:4", False),
    ]
    assert (changed[0].says, changed[0].plan) == ("this one", SECOND)
    assert changed[1].hangs == "hallway"
    (only,) = note(TRIES, "print-shed:1", TryNotes(says="pale"))
    assert notes_of(only) == TryNotes(says="pale")
    with pytest.raises(Missing, match="was not found"):
        note(TRIES, "other", TryNotes())


def test_a_strip_gives_its_part_the_base_time() -> None:
    """Between two strips; kept with what it was laid over; without a choice nothing changes."""
    strip = StripRequest(kind="linear", step_s=6, strips=6, chosen=2.5)
    chosen, kept = choose(SHED_PRINT, StripChosen(id="s", part_id="hard", strip=strip), "now")
    assert [each.seconds for each in chosen.plan.parts] == [18, 15]
    assert (kept.id, kept.print_id, kept.over) == ("s", "print-shed", "Soft filter")
    assert chosen.right_s == pytest.approx(33 * 0.94)
    only, _ = choose(
        SHED_PRINT, StripChosen(id="s", part_id="soft", strip=replace(strip, chosen=None)), ""
    )
    assert only.plan == SHED_PRINT.plan
    with pytest.raises(Missing, match="not in the plan"):
        choose(SHED_PRINT, StripChosen(id="s", part_id="other", strip=strip), "now")


def test_another_size_works_every_time_again_and_back() -> None:
    """Parts and areas in seconds by the ledger; areas in stops stay; there and back is the same."""
    bigger = replace(SHED_PRINT.plan.setting, magnification=4.0, filter_factor=2.0)
    held = replace(SHED_PRINT.plan.areas[0], stops=None, seconds=9.0)
    white = replace(held, id="white", act="burn", part="none")
    print_ = replace(SHED_PRINT, plan=replace(SHED_PRINT.plan, areas=(held, white)))
    found = rework(print_, Reworking(setting=bigger))
    factor = (5 / 3) ** 2 * 2
    assert [each.seconds for each in found.print.plan.parts] == pytest.approx(
        [18 * factor, 12 * factor], rel=1e-5
    )
    assert found.print.plan.areas[0].seconds == pytest.approx(9 * factor)
    assert found.print.plan.areas[1].seconds == pytest.approx(9 * factor / 2)
    back = rework(found.print, Reworking(setting=SHED_PRINT.plan.setting)).print
    assert [each.seconds for each in back.plan.parts] == pytest.approx([18, 12], rel=1e-5)
    assert back.right_s == pytest.approx(SHED_PRINT.right_s)


def test_the_sheet_says_when_it_lies_the_wrong_way_round() -> None:
    """A lying picture on a standing sheet leaves no margin; turned, it does; too large is too
    large."""
    sheet = PaperSheet(width_mm=240, height_mm=300, image_long_mm=230, margin_mm=25)
    wrong = layout(sheet, (1_000, 800))
    assert (wrong.fits, wrong.turn) == (False, True)
    assert "turned, it does" in wrong.says
    right = layout(replace(sheet, turned=True), (1_000, 800))
    assert right.fits
    assert (right.side_mm, right.top_mm) == (35, 28)
    mask = EaselMask(left=0.1, right=0.1)
    square = layout(replace(sheet, turned=True, mask=mask), (1_000, 800))
    assert square.image_width_mm == square.image_height_mm == sheet.image_long_mm
    assert mask_text(replace(mask, top=0.025)) == "left 10 %, right 10 %, top 2.5 %"
    large = layout(replace(sheet, image_long_mm=400), (1_000, 800))
    assert "larger than the sheet" in large.says
    edged = layout(replace(sheet, turned=True, black_edge_mm=4), (1_000, 800))
    assert not edged.fits
    assert "smaller" in edged.says


def test_a_print_goes_through_its_baths_by_the_clock_of_a_run() -> None:
    """Rocked all the while, lifted ten seconds before a bath ends (common practice, no source), the
    next announced; a wash may stand; a way of moving that nobody knows is refused at its bath."""
    course = paper_course(PAPER)
    assert course is not None
    assert [(each.name, each.start_s, each.end_s) for each in course.steps] == [
        ("Developer", 0, 120),
        ("Stop bath", 120, 150),
        ("Fixer", 150, 450),
        ("Wash", 450, 2_250),
    ]
    assert [(each.at_s, each.says) for each in course.heard[:4]] == [
        (0, "Agitate"),
        (0, "Developer"),
        (110, "Lift and drain: Developer"),
        (110, "In ten seconds: Stop bath"),
    ]
    assert [each.may_wait for each in course.steps] == [False, False, False, True]
    assert any("selenium" in each for each in course.cautions)
    assert paper_course(None) is None
    assert paper_course(replace(PAPER, baths=())) is None
    with pytest.raises(Missing) as refusal:
        replace(PAPER, baths=(replace(PAPER.baths[0], agitation="by magic"),))
    assert refusal.value.field == "baths.0.agitation"


def test_strips_in_words() -> None:
    """What the lamp gives, lag included, to the tenth; between two; what was kept, in a line."""
    asked = StripRequest(kind="linear", step_s=3, strips=5, lamp_lag_s=0.3, chosen=3.5)
    read = shown(asked)
    assert [each.total_text for each in read.strips] == ["3 s", "6 s", "9 s", "12 s", "15 s"]
    assert read.strips[1].give_text == "3.3 s"
    assert read.base_text == "10.5 s"
    kept = KeptStrip(
        id="a", print_id="p", label="Soft", strip=replace(asked, chosen=4), note="flat"
    )
    assert told(kept) == "Soft: 5 strips of 3 s; strip 4 chosen; flat"
    assert told(replace(kept, strip=replace(asked, chosen=None))).endswith("of 3 s; flat")


def test_the_preview_goes_the_way_of_the_plan() -> None:
    """A burn prints darker, a dodge lighter, more time darker, a negative turned; greys never turn
    round along the levels."""
    found = preview(SHED_PRINT, PAPER, of_positive())
    tables = {each.id: each.greys for each in found.areas}
    middle = 128
    assert tables["roof"][middle] < found.base[middle]
    assert tables["beams"][middle] > found.base[middle]
    assert all(b >= a for a, b in pairwise(found.base))  # a positive
    negative = preview(SHED_PRINT, PAPER, of_negative(250))
    assert all(b <= a for a, b in pairwise(negative.base))
    parts = tuple(replace(each, seconds=each.seconds * 2) for each in SHED_PRINT.plan.parts)
    longer = preview(
        replace(SHED_PRINT, plan=replace(SHED_PRINT.plan, parts=parts)), PAPER, of_positive()
    )
    assert sum(longer.base) < sum(found.base)
    assert "typical paper" in preview_says(SHED_PRINT, PAPER)
    assert "Choose a strip" in preview_says(TIP_PRINT, None)
    by_scene = preview_says(SHED_PRINT, PAPER, by_scene=True)
    assert by_scene.endswith("No scan yet: it is seen from the scene’s picture, as it was exposed.")


def test_what_one_drags_is_known_beforehand() -> None:
    """Every twelfth of a stop of an area, and each is what the preview says of it; holding back for
    all of a part is left out."""
    steps = {
        round(each.amount, 6): each.greys
        for each in area_steps(SHED_PRINT, PAPER, of_positive(), "roof")
    }
    assert len(steps) == 37
    found = {each.id: each.greys for each in preview(SHED_PRINT, PAPER, of_positive()).areas}
    assert steps[1.5] == found["roof"]
    assert sum(steps[3]) < sum(steps[1]) < sum(steps[0])
    beams = replace(SHED_PRINT.plan.areas[2], stops=None, seconds=3.0)
    held = replace(SHED_PRINT, plan=replace(SHED_PRINT.plan, areas=(beams,)))
    amounts = [each.amount for each in area_steps(held, PAPER, of_positive(), "beams")]
    assert max(amounts) == 17.5  # of 18 s
    with pytest.raises(Missing, match="not in the plan"):
        area_steps(SHED_PRINT, PAPER, of_positive(), "none")


def test_a_plan_that_cannot_be_worked_says_so() -> None:
    """It is shown with what is wrong and where; the sums are worked as soon as it is right."""
    area = replace(SHED_PRINT.plan.areas[0], part="gone")
    broken = replace(SHED_PRINT, plan=replace(SHED_PRINT.plan, areas=(area,)))
    worked = worked_out(broken, PAPER, None)
    assert "not there" in worked.problem
    assert worked.field == "areas.0.part"
    right = worked_out(SHED_PRINT, PAPER, (600, 475), last=FOURTH)
    assert (right.base_text, right.burned_text) == ("28 s", "+ 36 s burned")
    assert right.grade_text.startswith("Its densities ask for Middle filter")
    assert right.changed == ()
    assert [each.text for each in right.areas] == ["+1½", "+½", "−⅓"]
    before, after = list(told_apart(TRIES))[:2]
    assert before == ()
    assert after == ("Roof hole burned 1 stop, new", "Floor burned ½ stop, new")
    beside = worked_out(SHED_PRINT, PAPER, None, last=THIRD).changed
    assert beside[-1] == "Corner left alone"


def test_an_enlarger_goes_so_far() -> None:
    """A size or an aperture it cannot be set to is said."""
    far = replace(SHED_PRINT.plan.setting, magnification=9.0, aperture="64")
    print_ = replace(SHED_PRINT, plan=replace(SHED_PRINT.plan, setting=far))
    said = " ".join(worked_out(print_, PAPER, None, ENLARGER).advice)
    assert "goes from 1 to 5.5 ×; 9 ×" in said
    assert "f/5.6 to f/45" in said
    assert worked_out(SHED_PRINT, PAPER, None, ENLARGER).advice == ()


def test_shapes_need_their_points() -> None:
    """A circle of one point is none."""
    with pytest.raises(CoreError, match="needs 2 points"):
        Shape(kind="circle", points=(PicturePlace(x=0.5, y=0.5),))


def test_a_negatives_densities_are_those_the_paper_must_hold() -> None:
    """Tones without texture do not count; one density is no range."""
    spots = (("deep", 0.2), ("shadow", 0.41), ("light", 1.29), ("sun", 1.9))
    judged = Judgement(
        id="p",
        shadow="full",
        highlight="full",
        base_fog=0.2,
        measured=tuple(MeasuredSpot(reading_id=name, density=d) for name, d in spots),
    )
    falls = {"deep": 0.5, "shadow": 3.0, "light": 8.0, "sun": 10.0}
    assert from_densities(judged, falls) == (0.41, 1.29, 0.2)
    one = replace(judged, measured=judged.measured[:2])
    assert from_densities(one, falls) == (None, None, 0.2)
    assert from_densities(None, {}) == (None, None, None)


def test_the_map_tells_all_that_makes_it_again() -> None:
    """Areas by number, every time, setting, paper, baths and tries."""
    negative = PrintedNegative(
        exposure_id="e",
        label="5A",
        scene_title="Shed",
        film_name="Corvane 100",
        n=-1,
        best=False,
        in_bracket=False,
        picture_id=None,
        width=600,
        height=475,
        low=None,
        high=None,
        base_fog=None,
    )
    page = print_map(SHED_PRINT, TRIES, negative, PAPER)
    assert [each.number for each in page.areas] == [1, 2, 3]
    assert ("Enlarger", "f/16, 2 ×") in page.facts
    assert page.baths[0] == ("Developer", "2:00")
    assert "selenium" in page.tries[3][2]
    assert "Gloves" in page.notes[0]
    dried = replace(SHED_PRINT, plan=replace(SHED_PRINT.plan, drying_down=0.08, lamp_lag_s=0.4))
    facts = print_map(dried, TRIES, negative, PAPER).facts
    assert ("Drying down", "8 % off every time") in facts
    assert ("Lamp lag", "0.4 s more on the clock") in facts
    rows = table(SHED_PRINT, PAPER)
    assert rows[1][:3] == ["Soft filter", "base", 16.92]
    assert len(rows) == 1 + 4 + 1


def proof(*densities: float, label: str = "Hard filter") -> Proof:
    return Proof(
        paper_id="p",
        label=label,
        target="own tablet",
        tablet=tuple(0.15 * k for k in range(len(densities))),
        densities=densities,
    )


CURVE = (0.06, 0.06, 0.08, 0.2, 0.62, 1.3, 1.8, 2.0, 2.05, 2.06)


def test_a_paper_is_measured_by_a_contact_proof() -> None:
    """The range between 0.04 above white and 90 % of the net black (ISO 6846, from memory), worked
    by hand between the steps; the filter takes it, the paper its white and black."""
    found = read(proof(*CURVE))
    low = 0.15 * (2 + (0.10 - 0.08) / (0.2 - 0.08))
    high = 0.15 * (6 + (0.06 + 0.9 * 2.0 - 1.8) / (2.0 - 1.8))
    assert found.range == pytest.approx(high - low, abs=0.006)
    assert "ISO R" in found.says
    assert read(proof(*(each + 0.3 for each in CURVE))).range == found.range  # a greyer support
    changed = measured_paper(PAPER, proof(*CURVE))
    assert next(f for f in changed.filters if f.label == "Hard filter").range == found.range
    assert (changed.dmin, changed.dmax, changed.steps) == (0.06, 2.06, ())
    alone = replace(PAPER, filters=(PAPER.filters[0],))
    assert len(measured_paper(alone, proof(*CURVE, label="Soft filter")).steps) == len(CURVE)
    assert len(measured_paper(PAPER, proof(*CURVE, label="Grade 3")).filters) == 4
    with pytest.raises(Unsound, match="paper white to full black"):
        read(proof(*CURVE[3:]))
    with pytest.raises(Unsound, match="gets lighter"):
        read(proof(*CURVE[::-1]))
    with pytest.raises(Unsound, match="21 steps"):
        read(replace(proof(*CURVE), target="21-step tablet"))
