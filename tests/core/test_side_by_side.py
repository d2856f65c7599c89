"""Films side by side, tablets, scans of strips, two-sheet tests, checks of shutters and meters."""

import math
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.bench.beside import Compared, side_by_side
from emulsa.core.bench.checks import (
    MarkReadings,
    MeterPair,
    check_meters,
    check_shutter,
    corrected_meter,
    measured_lens,
)
from emulsa.core.bench.conditions import unequal
from emulsa.core.bench.record import Colour, Conditions, FilmTest, StripScan, WedgeSpot
from emulsa.core.bench.scan import densities, spots
from emulsa.core.bench.sheet import worked_out
from emulsa.core.bench.tablet import StepRow, densities_of, exposed
from emulsa.core.bench.zone_sheets import zone_sheets
from emulsa.core.corrections.optics import Lens, Shutter
from emulsa.core.errors import Missing, Unreadable, Unsound
from emulsa.core.kit.bag import KitLens, Meter
from emulsa.core.kit.films import Film
from emulsa.core.logged.attachment import PicturePlace
from emulsa.core.sensitometry.curve import STOP, Curve, DensityStep, LuxSeconds, Metered
from emulsa.demo.sheets import CORVANE_TEST, OSTREL_TEST, VELM_BESIDE, VELM_TEST

FILM = Film(id="film-corvane", name="Corvane 100", exposure_index=100)


def beside(test: FilmTest, *others: FilmTest) -> Compared:
    found = side_by_side(test, others)
    assert isinstance(found, Compared)
    return found


def test_three_films_against_one_reference() -> None:
    """The test one looks at and another, each against the reference; colours in stops; what was
    not equal is said (the demo's films, by formula)."""
    found = beside(CORVANE_TEST, OSTREL_TEST, VELM_BESIDE)
    own, velm = found.films
    assert (found.title, own.own, velm.own) == (OSTREL_TEST.title, True, False)
    rows = dict(own.rows)
    assert rows["Speed at equal shadows"] == "1⅔ stops slower"
    assert rows["Frame of the bracket to print"].startswith("+1⅔")
    assert rows["Print time"] == "10 s"  # 12 s less for 0.08 of base and fog
    assert own.unequal == ()
    assert any("Another day" in each for each in velm.unequal)
    assert any("Another light" in each for each in velm.unequal)
    rust = next(each for each in own.colours if each.label == "rust")
    assert (rust.named, rust.text) == (True, "+⅔")
    assert "rust ⅔ stop lighter" in own.says[0]
    assert not next(each for each in own.colours if each.label == "grey").named


def test_the_test_itself_may_be_the_reference() -> None:
    """Without a film named as reference the others are measured against it; nothing beside it is
    nothing; a test that waits cannot be compared with."""
    here = replace(CORVANE_TEST, beside=None, others=(OSTREL_TEST.id,))
    found = beside(here, OSTREL_TEST)
    assert found.own
    assert found.films[0].gap_text == "1⅔ stops faster"
    assert side_by_side(replace(CORVANE_TEST, beside=None, others=()), []) is None
    waiting = side_by_side(replace(CORVANE_TEST, beside=VELM_TEST.id), [VELM_TEST])
    assert waiting == f"{VELM_TEST.title} has no curve to compare yet."


def test_another_index_on_the_meter_is_the_same_light() -> None:
    """A film metered at twice the index had half the light on each zone: its curve is drawn a zone
    to the left, and the gap is a stop."""
    steps = CORVANE_TEST.curves[2].steps
    twin = FilmTest(
        id="twin",
        film_id="f",
        title="Twin at 200",
        curves=(replace(CORVANE_TEST.curves[2], exposure=Metered(kind="metered", ei=200)),),
    )
    one = replace(CORVANE_TEST, curves=(CORVANE_TEST.curves[2],), beside=None, others=("twin",))
    found = beside(one, twin)
    assert found.films[0].gap_text == "1 stop faster"
    line = found.films[0].line
    assert line is not None
    assert line.points[0][0] == pytest.approx((steps[0].stops or 0) + 5 - 1)


@given(st.floats(0.05, 0.6))
def test_a_film_beside_itself_differs_by_nothing(net: float) -> None:
    """At whatever density the two are matched."""
    twin = replace(CORVANE_TEST, id="twin", others=(), beside=None)
    found = beside(replace(CORVANE_TEST, beside=None, others=("twin",), match_net=net), twin)
    rows = dict(found.films[0].rows)
    assert rows["Speed at equal shadows"] == "alike"
    assert rows["Gradient"] == "1.00 of it"
    assert all(not each.named for each in found.films[0].colours)


def test_what_nobody_noted_is_asked() -> None:
    """A lens that differs is said, one that is not noted is asked for, capitals do not matter."""
    plain = replace(CORVANE_TEST, conditions=Conditions(lens="150 MM", light="overcast, north"))
    assert any("was not measured" in each for each in unequal(plain, OSTREL_TEST))
    assert not any("lens" in each for each in unequal(plain, OSTREL_TEST))
    other = replace(CORVANE_TEST, conditions=Conditions(lens="210 mm"))
    said = " ".join(unequal(other, OSTREL_TEST))
    assert "Another lens: 210 mm" in said
    assert "Was it the same light?" in said


def test_many_films_are_lines_to_sort() -> None:
    """The reference first, then each with its figures and what the eye says, and what each is
    sorted by, the better before; what is not known has no place."""
    seen = replace(VELM_BESIDE.observed, grain="fine", sharpness="fair", price=3.5)
    film = replace(VELM_BESIDE, observed=seen, verdict="for mist")
    waiting = replace(VELM_TEST, observed=replace(seen, grain=""), verdict="")
    asking = replace(CORVANE_TEST, others=(film.id, waiting.id))
    table = beside(asking, OSTREL_TEST, film, waiting).table
    assert [each.title for each in table.lines] == [
        OSTREL_TEST.title, CORVANE_TEST.title, film.title, waiting.title,
    ]  # fmt: skip
    names = [key for key, _ in table.columns]

    def cell(line: int, column: str) -> tuple[str, float | None]:
        found = table.lines[line].cells[names.index(column)]
        return found.text, found.order

    assert cell(0, "speed") == ("reference", 0)
    text, order = cell(1, "speed")
    assert text == "1⅔ stops slower"
    assert order == pytest.approx(5 / 3, abs=0.1)
    assert cell(1, "fog")[0] == "−0.08"
    assert cell(1, "mids")[1] == pytest.approx(-float(cell(1, "mids")[0]), abs=0.005)
    assert cell(2, "grain") == ("fine", 0)
    assert cell(2, "edge") == ("fair", 1)
    assert cell(2, "price") == ("3.50", 3.5)
    assert cell(2, "verdict") == ("for mist", None)
    assert cell(3, "speed") == cell(3, "grain") == ("", None)
    assert cell(3, "price") == ("3.50", 3.5)
    assert all(len(each.cells) == len(names) for each in table.lines)


def test_fog_may_be_the_age_of_one_roll() -> None:
    """Said beside a film that is more fogged and was past its month on the day of the test."""
    steps = tuple(
        replace(each, density=each.density + 0.2) for each in CORVANE_TEST.curves[2].steps
    )
    old = FilmTest(
        id="old",
        film_id="f",
        title="Old roll",
        day="2026-03-01",
        curves=(replace(CORVANE_TEST.curves[2], base_fog=0.41, steps=steps),),
        conditions=Conditions(emulsion="12-4", expires="2025-06"),
    )
    one = replace(CORVANE_TEST, curves=(CORVANE_TEST.curves[2],), beside=None, others=("old",))
    found = beside(one, old).films[0]
    assert found.says[0] == ("It expired in June 2025: its fog may be its age, and not the film’s.")
    assert ("Emulsion", "12-4, expires June 2025") in found.observed
    for fresh in (
        replace(old, day="2025-06-30"),
        replace(old, day=""),
        replace(old, conditions=Conditions()),
    ):
        assert not any("age" in each for each in beside(one, fresh).films[0].says)
    assert not any(
        "age" in each for each in beside(one, replace(old, curves=one.curves)).films[0].says
    )
    with pytest.raises(Unreadable, match="is not a month"):
        Conditions(expires="summer")


def test_the_greys_of_a_card_are_one_row() -> None:
    """Greys that drift from end to end by a third of a stop or more say that contrast is in the
    colours; colours do not count as greys."""
    base = replace(CORVANE_TEST, curves=(CORVANE_TEST.curves[2],), beside=None, others=("twin",))

    def said(**densities: float) -> str:
        colours = tuple(Colour(label=name.replace("_", " "), density=1.0) for name in densities)
        theirs = tuple(
            Colour(label=name.replace("_", " "), density=density)
            for name, density in densities.items()
        )
        twin = replace(base, id="twin", others=(), colours=theirs)
        return " ".join(beside(replace(base, colours=colours), twin).films[0].says)

    assert "greys are not one row" in said(grey_light=1.15, gray_dark=0.9)
    assert "greys" not in said(grey_light=1.15, gray_dark=1.15)
    assert "greys" not in said(grey_light=1.0, deep_red=1.4)


TABLETS = [
    # common step tablets, by the trade: 21 × 0.15 and 31 × 0.10, clear support 0.05
    ("21-step tablet", 21, 0.15),
    ("31-step tablet", 31, 0.10),
]


@pytest.mark.parametrize(("name", "count", "step"), TABLETS)
def test_a_tablet_lets_through_what_its_densities_leave(name: str, count: int, step: float) -> None:
    """log H behind a step is what reached the film beside it, less the step's density; by the meter
    the same in stops of 0.30103."""
    found = densities_of(name)
    assert len(found) == count
    assert found[0] - found[1] == pytest.approx(step)
    row = StepRow(how=name, first=0.3, light=True)  # type: ignore[arg-type]
    steps = exposed([0.1] * count, row, turn=False)
    assert steps[-1].log_h == pytest.approx(0.3 - found[-1])
    metered = exposed([0.1] * count, replace(row, light=False), turn=False)
    assert metered[0].stops == pytest.approx(0.3 - found[0] / STOP)
    with pytest.raises(Unsound, match=f"{count} steps"):
        exposed([0.1] * 5, row, turn=False)


def test_an_own_tablet_and_exposures_that_are_kept() -> None:
    """An own tablet by its sheet, in whatever order it is typed; steps one by one as they were."""
    row = StepRow(how="own tablet", first=2, tablet=(0.04, 1.1, 0.5), light=True)
    steps = exposed([0.1, 0.4, 0.9], row, turn=False)
    assert [each.log_h for each in steps] == pytest.approx([0.9, 1.5, 1.96])
    with pytest.raises(Missing, match="your tablet"):
        exposed([0.1], StepRow(how="own tablet"), turn=False)
    kept = StepRow(how="kept", kept=(-3.0, -2.8, 0.5), light=True)
    turned = exposed([0.9, 0.4, 0.1], kept, turn=True)
    assert [(each.log_h, each.density) for each in turned] == [(-3.0, 0.1), (-2.8, 0.4), (0.5, 0.9)]


SCAN = StripScan(
    attachment_id="a",
    encoding="linear",
    patches=(PicturePlace(x=0.1, y=0.2), PicturePlace(x=0.2, y=0.2)),
    clear=PicturePlace(x=0.5, y=0.9),
)


def test_levels_become_densities_over_clear_film() -> None:
    """A tenth of the light is density 1, whatever full scale is; without a wedge that is said."""
    assert len(spots(SCAN)) == 3
    read = densities(SCAN, 65_535, [(5_000, 10), (500, 5), (50_000, 20)])
    assert read.densities == pytest.approx((1.0, 2.0))
    assert read.base_fog is None
    assert "wedge" in read.says[0]
    with pytest.raises(Missing, match="Mark clear film"):
        densities(replace(SCAN, clear=None), 65_535, [(5_000, 10), (500, 5)])


def test_a_wedge_beside_the_strip_measures() -> None:
    """With two steps of a wedge clear film has a density of its own; beyond it is said."""
    wedge = (WedgeSpot(x=0.1, y=0.8, density=0.1), WedgeSpot(x=0.3, y=0.8, density=1.1))
    scan = replace(SCAN, wedge=wedge)
    levels = [(10_000, 0), (1_000, 900), (40_000, 0), (40_000, 0), (4_000, 0)]
    read = densities(scan, 65_535, levels)
    assert read.base_fog == pytest.approx(0.1)
    assert read.densities == pytest.approx((0.1 + math.log10(4), 0.1 + math.log10(40)))
    assert any("beyond the wedge" in each for each in read.says)
    assert any("uneven" in each for each in read.says)


def sheets(minutes: float, *steps: tuple[float, float], ei: float = 100) -> Curve:
    return Curve(
        id=f"{minutes:g} min",
        minutes=minutes,
        base_fog=0.2,
        exposure=Metered(kind="metered", ei=ei),
        steps=tuple(DensityStep(stops=stops, density=0.2 + net) for stops, net in steps),
    )


def test_two_sheets_say_index_and_minutes() -> None:
    """Zone I 0.10 and Zone VIII 1.25, what every film test aims at (common practice, no source):
    0.10 lies between two sheets a stop apart, 1.25 between two developments."""
    test = FilmTest(
        id="t",
        film_id="f",
        title="Two sheets",
        target="Zone I and Zone VIII",
        curves=(
            sheets(8, (-4, 0.06), (-3, 0.14), (3, 1.17)),
            sheets(10, (-4, 0.07), (3, 1.40)),
        ),
    )
    found = zone_sheets(test)
    assert found is not None
    assert found.ei == pytest.approx(100 * 2**-0.5)
    assert found.minutes == pytest.approx(8 * 1.25 ** (0.08 / 0.23))
    assert "rate it lower" in found.lines[0].says
    assert "develop longer" in found.lines[0].says
    assert "develop shorter" in found.lines[1].says
    assert worked_out(test, FILM, None).problem == ""
    right = replace(test, curves=(sheets(9, (-4, 0.10), (3, 1.25)),))
    only = zone_sheets(right)
    assert only is not None
    assert (only.lines[0].says, only.minutes) == ("both stand right", None)
    assert zone_sheets(replace(test, target="bracket in stops")) is None
    by_light = replace(test.curves[0], exposure=LuxSeconds(kind="lux_seconds"), steps=())
    assert zone_sheets(replace(test, curves=(by_light,))) is None


LENS = KitLens(
    id="l",
    name="150 mm",
    optics=Lens(focal_length_mm=150, widest="5.6", smallest="45", shutter=Shutter()),
)


def test_a_shutter_by_several_readings() -> None:
    """Means in stops; a mark whose readings wander is said; the lens takes the means, and marks
    nobody tested stay."""
    marks = [
        MarkReadings(mark="1/60", seconds=(1 / 48, 1 / 48)),
        MarkReadings(mark="1/8", seconds=(0.1, 0.15)),
        MarkReadings(mark="1/125", seconds=(1 / 128,)),
    ]
    found = check_shutter(LENS.optics.shutter, marks)
    assert [each.mark for each in found.marks] == ["1/125", "1/60", "1/8"]
    slow = found.marks[1]
    assert slow.error_stops == pytest.approx(math.log2(64 / 48))
    assert found.marks[0].error_text == "right"
    assert "unsteady" in found.marks[2].says
    assert "serviced" in found.says
    taken = measured_lens(LENS, found)
    assert {each.mark: each.seconds for each in taken.optics.shutter.measured}[
        "1/60"
    ] == pytest.approx(1 / 48, rel=1e-3)
    again = measured_lens(taken, check_shutter(LENS.optics.shutter, marks[2:]))
    assert len(again.optics.shutter.measured) == 3
    with pytest.raises(Unsound, match="no mark 1/3"):
        check_shutter(LENS.optics.shutter, [MarkReadings(mark="1/3", seconds=(0.3,))])


@given(st.lists(st.floats(2, 15), min_size=3, max_size=8), st.floats(-1.5, 1.5))
def test_a_meter_corrected_by_another_reads_as_it(evs: list[float], off: float) -> None:
    """A constant difference is found and taken away; a second look finds nothing."""
    pairs = [MeterPair(trusted_ev=ev, other_ev=ev - off) for ev in evs]
    found = check_meters(pairs)
    assert found.add_stops == pytest.approx(off)
    assert found.spread_stops == pytest.approx(0, abs=1e-9)
    meter = corrected_meter(Meter(id="m", name="Old"), found)
    assert meter.calibration.offset_stops == pytest.approx(off, abs=0.005)
    again = check_meters([MeterPair(trusted_ev=each, other_ev=each) for each in evs])
    assert again.says[0] == "They agree."


def test_meters_that_differ_from_patch_to_patch() -> None:
    """One number does not mend that; one patch is too few."""
    pairs = [
        MeterPair(trusted_ev=5, other_ev=5.5),
        MeterPair(trusted_ev=9, other_ev=9),
        MeterPair(trusted_ev=13, other_ev=12.5),
    ]
    assert "patch to patch" in " ".join(check_meters(pairs).says)
    assert "Three patches" in " ".join(check_meters(pairs[:1]).says)
    with pytest.raises(Missing):
        check_meters([])
