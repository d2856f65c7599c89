"""Tables as they are typed: taken apart by the core, written as they are read."""

from dataclasses import replace
from typing import Any

import pytest

from emulsa.core import tables, wire
from emulsa.core.bench.checks import MeterReadings, ShutterReadings
from emulsa.core.chemistry.powder import Powder, PowderPart
from emulsa.core.corrections.optics import Lens
from emulsa.core.development.recipes import Point, Rating, Recipe, Warmth
from emulsa.core.errors import CoreError
from emulsa.core.kit.films import FilmRecipe
from emulsa.core.kit.pictured import ladder, lens_marks
from emulsa.core.kit.printing import Enlarger, PaperFilter, PrintingPaper
from emulsa.core.kit.table_text import table_texts
from emulsa.core.rendering.paper import PaperStep
from emulsa.core.typed import commas
from emulsa.core.written import Written, writing

RECIPE = Recipe(
    points=(
        Point(n=-1.5, minutes=6.5, origin="personal", ei=80, who="own sheets", note="cold room"),
        Point(n=0, minutes=8, origin="published", who="the leaflet"),
        Point(n=0, minutes=8.25, origin="personal", ei=64, learned=True),
        Point(n=1, minutes=10 + 25 / 60, origin="tested"),
    ),
    ratings=(Rating(ei=800, minutes=14.5, who="leaflet"), Rating(ei=400, minutes=11)),
    warmth=(Warmth(temperature_c=18, minutes=9.5), Warmth(temperature_c=24, minutes=6.25)),
)
LENS = Lens(focal_length_mm=150, widest="5.6", smallest="64")
RECORDS = [
    FilmRecipe(id="r", film_id="f", name="R", recipe=RECIPE),
    Powder(
        id="p",
        name="P",
        parts=(PowderPart(name="sodium sulphite", grams=45.5), PowderPart(name="part A")),
    ),
    PrintingPaper(
        id="s",
        name="S",
        filters=(
            PaperFilter(label="Soft filter", range=1.55),
            PaperFilter(label="Hard", speed=200),
        ),
        steps=tuple(PaperStep(log_h=at / 5, density=0.1 + at / 2) for at in range(4)),
    ),
    Enlarger(id="e", name="E", focal_lengths_mm=(50, 150.5)),
]


@pytest.mark.parametrize("scale", ["C", "F"])
@pytest.mark.parametrize("record", RECORDS, ids=lambda each: type(each).__name__)
def test_a_table_is_read_as_it_is_written(record: Any, scale: Any) -> None:
    """Each table of a record, sent back as its lines, is the table; to the last digit."""
    with writing(Written(temperature=scale)):
        told = table_texts(record)
        sent = wire.encode(record)
        for path, text in told.items():
            *way, last = path.split(".")
            within = sent
            for step in way:
                within = within[step]
            assert isinstance(within[last], list)
            within[last] = text
        found = wire.decode(type(record), sent)
    if isinstance(record, FilmRecipe):
        assert found.recipe.warmth == tuple(
            replace(each, temperature_c=pytest.approx(each.temperature_c)) for each in RECIPE.warmth
        )
        found = replace(found, recipe=replace(found.recipe, warmth=RECIPE.warmth))
    assert found == record


def test_a_point_as_it_stands_in_a_notebook() -> None:
    """N with its letter or without, the comma as it was said, an origin left out is one's own."""
    with commas(True):
        recipe = wire.decode(
            Recipe, {"points": "N−1½  6:30  80  own sheets // cold\n+1 11,5 tested\n\nN 8 min 10 s"}
        )
    assert recipe.points == (
        Point(n=-1.5, minutes=6.5, ei=80, who="own sheets", note="cold"),
        Point(n=1, minutes=11.5, origin="tested"),
        Point(n=0, minutes=8, ei=None, who="min 10 s"),
    )


@pytest.mark.parametrize(
    ("text", "field", "said"),
    [
        ("0", "points.0.minutes", "between 0.5 and 240 min"),
        ("N 8\nN+1 soon", "points.1.minutes", "not a time"),
        ("Nx 8", "points.0.n", "no N"),
        ("0 900:00", "points.0.minutes", "between"),
    ],
)
def test_a_row_that_is_none_is_refused_where_it_stands(text: str, field: str, said: str) -> None:
    """By its place and in the sentence of the field."""
    with pytest.raises(CoreError, match=said) as refused:
        wire.decode(Recipe, {"points": text})
    assert refused.value.field == field


def test_what_a_tester_and_two_meters_said() -> None:
    """A mark with its readings; a patch with both meters' EV."""
    shutter = wire.decode(ShutterReadings, {"lens_id": "l", "marks": "1/60  0.0208 0.0212\n1 1.02"})
    assert [(each.mark, each.seconds) for each in shutter.marks] == [
        ("1/60", (0.0208, 0.0212)),
        ("1", (1.02,)),
    ]
    both = {"trusted_id": "a", "other_id": "b", "pairs": "wet slate 9.3 9⅔\n12 12.5"}
    pairs = wire.decode(MeterReadings, both).pairs
    assert [(each.label, each.trusted_ev, each.other_ev) for each in pairs] == [
        ("wet slate", 9.3, pytest.approx(29 / 3)),
        ("", 12, 12.5),
    ]
    assert tables.numbers(" ; ") == []


def test_a_ladder_shows_what_is_not_recommended() -> None:
    """N by N as the recipe stands, whatever speaks against using it; none without minutes."""
    rungs = ladder(replace(RECIPE, not_recommended="the leaflet"))
    assert [each.n_text for each in rungs] == ["N−2", "N−1", "N", "N+1", "N+2"]
    assert rungs[2].minutes_text == "8 min 15 s"  # one's own word before the published one
    assert rungs[2].said_by == "personal"
    assert [each.estimated for each in rungs] == [True, False, False, False, True]
    assert max(each.share for each in rungs) == 1
    with pytest.raises(CoreError, match="no developing time"):
        ladder(Recipe())


def test_the_marks_of_a_lens_in_open_shade() -> None:
    """EV 12 at EI 100 is 1/125 at f/5.6 by the definition of EV, and two stops more at f/11."""
    shown = {each.aperture: each.text for each in lens_marks(LENS)}
    assert shown["5.6"] == "1/125"
    assert shown["11"] == "1/30"
