"""What is mixed, line by line; data sheets as they are pasted; a run on paper."""

import re
from typing import Any, get_args

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.chemistry.baths import StepKind
from emulsa.core.chemistry.dilution import mix
from emulsa.core.chemistry.powder import Powder, PowderPart
from emulsa.core.darkroom import plan
from emulsa.core.darkroom.beside import Going, beside, held
from emulsa.core.darkroom.minding import minds
from emulsa.core.darkroom.mixing import MixingSheet, Water, for_powder, for_run
from emulsa.core.darkroom.run_sheet import run_sheet
from emulsa.core.data.cautions import CAUTIONS, HOT, MAKER, MIND, POWDER
from emulsa.core.development import data_sheet
from emulsa.core.development.developers import called
from emulsa.core.development.recipes import Point, Recipe
from emulsa.core.errors import CoreError, Impossible, Unreadable, Unsound
from emulsa.core.kit.darkroom import (
    Bath,
    Bottle,
    Line,
    Tank,
    age_of,
    charged,
    short_of,
    used_up,
)
from emulsa.core.written import Written, writing

TANK = Tank(id="tank", name="Tank", volume_ml=500, pour_s=10, drain_s=10)
LINE = Line(
    id="line",
    name="Line",
    baths=(
        Bath(name="Presoak", kind="presoak"),
        Bath(name="Developer", kind="developer"),
        Bath(name="Stop", kind="stop", dilution="1+19"),
        Bath(name="Fixer", kind="fixer", dilution="1+4", seconds=300),
        Bath(name="Wash", kind="wash", seconds=600),
        Bath(name="Wetting agent", kind="wetting agent", dilution="1+200", volume_ml=1_000),
    ),
)
POWDER_STOCK = Powder(
    id="mq",
    name="Metol–hydroquinone stock",
    volume_ml=1_000,
    start_ml=750,
    start_c=50,
    parts=(PowderPart(name="part A", grams=4.5), PowderPart(name="part B")),
)


def sheet(
    dilution: str = "1+25",
    water: Water | None = None,
    developer: str = "metol developer",
) -> MixingSheet:
    recipe = Recipe(developer=developer, dilution=dilution, points=(Point(n=0, minutes=8),))
    return for_run("Run", LINE, TANK, recipe, 500, 20, water)


def test_every_diluted_bath_is_on_the_sheet() -> None:
    """The developer first, then what the line dilutes; baths of water are not mixed."""
    made = sheet()
    assert [each.title for each in made.parts] == [
        "Metol developer",
        "Stop",
        "Fixer",
        "Wetting agent",
    ]
    assert [each.volume_ml for each in made.parts] == [500, 500, 500, 1_000]
    assert made.parts[1].lines == (
        "Measure 475 ml of water at 20 °C.",
        "Add 25 ml of concentrate; stir.",
        "500 ml of Stop: check it is at 20 °C.",
    )
    assert MAKER in made.cautions
    recipe = Recipe(developer="metol developer", dilution="1+25")
    ready = for_run("Run", LINE, TANK, recipe, 500, 20, None, ("fixer", "stop"))
    assert [each.title for each in ready.parts] == ["Metol developer", "Wetting agent"]
    assert CAUTIONS["stop"] in made.parts[1].cautions


@given(st.floats(5, 19), st.floats(25, 55))
def test_two_waters_make_the_water_there_is(tap: float, hot: float) -> None:
    """What is measured adds up to the volume, and by mass to the warmth (mass balance)."""
    lines = sheet(water=Water(tap_c=tap, other_c=hot)).parts[0].lines
    first, added = (float(re.findall(r"[\d.]+(?= ml)", line)[0]) for line in lines[:2])
    assert first + added == pytest.approx(500 * 25 / 26, abs=1.1)
    assert (first * tap + added * hot) / (first + added) == pytest.approx(20, abs=0.15)


def test_water_that_cannot_make_it_is_refused() -> None:
    with pytest.raises(Impossible, match="take colder water"):
        sheet(water=Water(tap_c=24, other_c=50))


def test_two_parts_have_two_syringes() -> None:
    """2 + 2 in 200: each part by its own syringe, and a staining developer says it is poison."""
    part = sheet("1+1+48", developer="two-part staining developer").parts[0]
    assert [line for line in part.lines if "syringe" in line] == [
        "With syringe A, and no other: add 10 ml of part A; stir.",
        "With syringe B, and no other: add 10 ml of part B; stir.",
    ]
    assert part.cautions == (
        CAUTIONS["developer"],
        CAUTIONS["two parts"],
        CAUTIONS["poison"],
    )
    assert CAUTIONS["poison"] not in sheet().parts[0].cautions


def test_measures_are_the_photographers() -> None:
    """68 °F is 20 °C by definition; a US fluid ounce 29.5735 ml by definition."""
    with writing(Written(temperature="F", volume="fl oz")):
        made = sheet()
    assert made.parts[0].lines[0] == "Measure 16.26 fl oz of water at 68 °F."
    assert HOT not in made.cautions
    assert HOT in sheet(water=Water(tap_c=12, other_c=45)).cautions


def test_stock_is_not_diluted() -> None:
    assert sheet("stock").parts[0].lines[0] == "Measure 500 ml of Metol developer, undiluted."


def test_stock_from_powder() -> None:
    """Warm water, part after part, made up to the volume, cooled; dust and hot water are said."""
    (part,) = for_powder(POWDER_STOCK).parts
    assert part.lines == (
        "Measure 750 ml of water at 50 °C.",
        "Pour in 4.5 g of part A slowly, close to the water; stir until it is gone.",
        "Pour in all of part B slowly, close to the water; stir until it is clear.",
        "Make up with cold water to 1000 ml (about 250 ml more).",
        "Let it cool to room temperature, closed; write the day on the bottle.",
    )
    assert part.cautions == (POWDER, HOT)
    with pytest.raises(Unsound, match="less water"):
        Powder(id="p", name="P", volume_ml=500, start_ml=500, parts=POWDER_STOCK.parts)


@pytest.mark.parametrize(
    ("text", "film", "ei", "minutes"),
    [
        ("Film | 1+1 | 1+3\nGrey | 9 | -", "Grey", None, (9, None)),
        ("Film\tEI\tstock\t1+1\nGrey\t400\t8:30\t10½", "Grey", 400, (8.5, 10.5)),
        ("Film  1+1  1+1+100\nGrey film  7,5  —", "Grey film", None, (7.5, None)),
        ("Film;ISO;1+50\n---;---;---\nGrey;100;12 min", "Grey", 100, (12,)),
        ("Film | 1:50\nGrey | not recommended", "Grey", None, (None,)),
    ],
)
def test_data_sheets_as_they_are_pasted(
    text: str, film: str, ei: float | None, minutes: tuple[float | None, ...]
) -> None:
    """Whatever parts their columns; a dash is not recommended, and no problem."""
    (row,) = data_sheet.read(text).rows
    assert (row.film, row.ei) == (film, ei)
    assert tuple(each.minutes for each in row.cells) == minutes
    assert all(each.problem == "" for each in row.cells)


@pytest.mark.parametrize(
    "text",
    [
        "Film | EI | MQ stock | MQ B = 1+31 | Staining, 1+1+100\nGrey | 100 | 7 | 12 | -",
        "Film | EI | MQ |  | Staining\n | | stock | B = 1+31 | 1+1+100\nGrey | 100 | 7 | 12 | -",
        "Film\tEI\tMQ\t\tStaining\n\t\tstock\tB = 1+31\t1+1+100\nGrey\t100\t7\t12\t-",
    ],
)
def test_several_developers_in_one_head(text: str) -> None:
    """Before their dilutions or in a line over them; a letter is kept with its ratio, which is
    what is mixed: 15.6 ml in 500 (1+31, common practice)."""
    sheet = data_sheet.read(text)
    assert sheet.developers == ("MQ", "Staining")
    (row,) = sheet.rows
    assert [(each.developer, each.dilution, each.minutes) for each in row.cells] == [
        ("MQ", "stock", 7),
        ("MQ", "B = 1+31", 12),
        ("Staining", "1+1+100", None),
    ]
    concentrate, water = mix("B = 1+31", 500)
    assert (round(concentrate.ml, 1), round(water.ml, 1)) == (15.6, 484.4)


def test_as_many_dilutions_for_each_developer() -> None:
    """Names alone in their line share what stands below them; a film below is no dilution."""
    sheet = data_sheet.read("Film  MQ  Ascorbate\nstock  1+1  1+1  1+2\nGrey  7  9  10  12")
    assert [(each.developer, each.dilution) for each in sheet.rows[0].cells] == [
        ("MQ", "stock"), ("MQ", "1+1"), ("Ascorbate", "1+1"), ("Ascorbate", "1+2"),
    ]  # fmt: skip
    with pytest.raises(Unreadable, match="not a dilution"):
        data_sheet.read("Film | MQ | Ascorbate\nGrey | 7 | 9")


@pytest.mark.parametrize(
    ("one", "other", "same"),
    [
        ("MQ developer", "Metol-hydroquinone stock", True),
        ("hydroquinone–metol", "metol–hydroquinone developer", True),
        ("Pyro", "two-part staining developer", True),
        ("metol developer", "metol–hydroquinone developer", False),
        ("PQ", "MQ", False),
    ],
)
def test_two_names_of_one_developer(one: str, other: str, same: bool) -> None:
    assert (called(one) == called(other)) is same


@pytest.mark.parametrize(
    ("cell", "says"),
    [
        ("8-10", "two times; choose one"),
        ("", "nothing is said"),
        ("soon", "is no time"),
        ("900", "outside 0.5 to 240"),
        ("0", "outside 0.5 to 240"),
    ],
)
def test_cells_that_are_asked_about(cell: str, says: str) -> None:
    """One bad cell spoils no sheet: it says what is wrong with it, and has no time."""
    (row,) = data_sheet.read(f"Film | 1+1 | 1+3\nGrey | {cell} | 9").rows
    assert says in row.cells[0].problem
    assert (row.cells[0].minutes, row.cells[1].minutes) == (None, 9)


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ("nothing", "head of the table"),
        ("Film | 1+1", "no film under the head"),
        ("Film | strong\nGrey | 8", "not a dilution"),
        ("Film | 1+1\nGrey | 8 | 9", "more times than the head"),
        ("Film | EI | 1+1\nGrey | fast | 9", "is no EI"),
        ("\n\n", "head of the table"),
    ],
)
def test_what_is_no_data_sheet(text: str, says: str) -> None:
    with pytest.raises(Unreadable, match=re.escape(says)):
        data_sheet.read(text)


@given(st.text(max_size=300))
def test_any_paste_is_read_or_refused(text: str) -> None:
    """Never anything but a sheet or one sentence."""
    try:
        found = data_sheet.read(text)
    except CoreError as refused:
        assert refused.message
    else:
        assert all(len(row.cells) == len(found.dilutions) for row in found.rows)


def test_a_bottle_is_used_up_by_runs() -> None:
    """Roll by roll, until it says so; what is too much for it is said before."""
    fixer = Bottle(id="f", name="Fixer", kind="fixer", capacity_rolls=2, used_rolls=1)
    assert short_of(fixer, 80) == ""
    assert "1 roll left in it, and this is 1.5 rolls" in short_of(fixer, 120)
    assert used_up(fixer) == ""
    assert charged(fixer, 0.25).used_rolls == 1.25
    assert "is exhausted (2 rolls)" in used_up(charged(fixer, 1))
    assert short_of(charged(fixer, 1), 80) == ""  # used up: said elsewhere, once
    assert short_of(Bottle(id="s", name="Stop", kind="stop"), 800) == ""


def test_only_developers_lengthen_the_time() -> None:
    old = Bottle(id="d", name="D", kind="developer", age_change=1.1)
    assert age_of([old, Bottle(id="f", name="F", kind="fixer", age_change=1.5)]) == 1.1
    assert age_of([]) == 1


def test_what_an_evening_takes() -> None:
    """Developers run by run, the other baths once for each tank, water with the wash's five."""
    recipe = Recipe(dilution="1+4", points=(Point(n=0, minutes=8),))
    course = plan.course(LINE, TANK, 8, 80, recipe)
    found = {each.what: each.ml for each in plan.totals(LINE, [(TANK, course.mix)] * 2)}
    assert found["developer, concentrate"] == 200
    assert found["Stop, concentrate"] == 25
    assert found["Fixer, concentrate"] == 100
    baths = 475 + 400 + 1_000 * 200 / 201
    assert found["water"] == pytest.approx(800 + baths + 2 * 500 * (1 + 5))
    ready = plan.totals(LINE, [(TANK, course.mix)], {"fixer", "stop"})
    assert not any(each.what.startswith(("Fixer", "Stop")) for each in ready)


def test_the_recipe_says_how_film_is_moved() -> None:
    """Before the bath and the tank; a tank that always turns shortens the time of others."""
    recipe = Recipe(scheme="semi-stand", minimum_ml_per_roll=10, dilution="1+100")
    course = plan.course(LINE, TANK, 45, 80, recipe)
    developer = next(each for each in course.steps if each.kind == "developer")
    moves = [each.start_s - developer.start_s for each in developer.cues if each.kind == "agitate"]
    assert moves == [0, 600, 1_200, 1_800, 2_400]
    assert course.volume_ml == pytest.approx(1_010)  # 10 ml a roll need more than the tank holds
    turning = Tank(id="r", name="Drum", agitation="rotary")
    assert plan.rotary(turning, Recipe())
    assert not plan.rotary(turning, Recipe(scheme="rotary"))


def test_a_run_on_paper() -> None:
    """Every bath with its moments, when film is moved, what is mixed, and the last word."""
    course = plan.course(LINE, TANK, 8, 40, Recipe(dilution="1+4"))
    page = run_sheet(
        "Run",
        "N, 8 min",
        ("1A Quarry",),
        "staining developer",
        course,
        minds(course.steps, "30+10"),
    )
    rows: dict[str, Any] = {each.name: each for each in page.steps}
    assert (rows["Developer"].begins, rows["Developer"].lasts) == ("1:20", "8:00")
    assert rows["Developer"].moves.startswith("0:00, 1:00, 2:00")
    assert rows["Wash"].moves == ""
    assert page.mix == "staining developer, 500 ml: concentrate 100 ml, water 400 ml"
    assert CAUTIONS["poison"] in page.notes
    assert page.notes[-1] == MAKER
    assert rows["Wash"].caution == (
        "As warm as the baths: a sudden cold one wrinkles the emulsion."
    )
    assert rows["Developer"].caution == f"{CAUTIONS['developer']} {MIND['developer']}"


def test_what_a_bath_asks_for_goes_by_how_film_is_moved() -> None:
    """In a tray film lies on film; in a tank bubbles cling and air is beaten in. Common practice,
    no source."""
    steps = plan.course(LINE, TANK, 8, 20, Recipe(dilution="1+4")).steps
    tank, tray, unknown = (minds(steps, moved) for moved in ("30+10", "shuffle", None))
    place = [each.kind for each in steps].index("developer")
    assert "bubbles" in tank[place]
    assert tray[place].startswith("One sheet after another")
    assert unknown == tank
    assert [each for k, each in enumerate(tray) if k != place] == [
        each for k, each in enumerate(tank) if k != place
    ]
    assert len(tank) == len(steps)
    assert [kind for kind in MIND if kind not in get_args(StepKind)] == []


@given(st.floats(0, 1_500), st.floats(4, 20), st.floats(4, 20))
def test_two_runs_never_need_the_hands_at_once(at_s: float, one: float, other: float) -> None:
    """Begun when it is said, no bath in hand is beside another; a second earlier one would be."""
    going = plan.course(LINE, TANK, one, 80, None).steps
    steps = plan.course(LINE, TANK, other, 80, None).steps
    answer = beside(steps, [Going(steps=going, at_s=at_s)])
    taken = held(going, at_s)

    def clash(wait: float) -> bool:
        return any(
            start + wait < free - 1e-3 and busy < end + wait - 1e-3
            for start, end in held(steps, 0)
            for busy, free in taken
        )

    assert not clash(answer.wait_s)
    assert answer.wait_s == 0 or clash(answer.wait_s - 1)
    assert ("begin in" in answer.text) == (answer.wait_s > 0)


@pytest.mark.parametrize(
    ("written", "water_ml", "volume_ml"),
    [
        ("1+25", 400, 416),  # for 400 ml of water: 16 ml; by definition of the parts
        ("1+1", 400, 800),
        ("1+1+48", 480, 500),
    ],
)
def test_water_that_is_measured_first_makes_the_volume(written, water_ml, volume_ml) -> None:
    mixed = plan.mixed_ml(TANK, 20, Recipe(dilution=written), water_ml)
    assert mixed == pytest.approx(volume_ml)


def test_by_its_water_there_is_developer_enough_or_it_is_said() -> None:
    recipe = Recipe(dilution="1+50", minimum_ml_per_roll=10)
    assert plan.mixed_ml(TANK, 80, recipe, 500) == pytest.approx(510)  # 10 ml to the drop
    with pytest.raises(Unsound, match="it takes 500 ml of water or more") as refused:
        plan.mixed_ml(TANK, 80, recipe, 400)
    assert refused.value.field == "water_ml"
    for undiluted in ("stock", "A, then B"):
        with pytest.raises(Unsound, match="undiluted"):
            plan.mixed_ml(TANK, 20, Recipe(dilution=undiluted), 400)
