"""Whatever can be said can be kept: every record comes back from SQLite as it went in."""

from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import replace
from typing import Any

from hypothesis import given, settings

from emulsa.core import wire
from emulsa.core.darkroom.run import Run
from emulsa.core.film.formats import SheetFormat
from emulsa.core.film.holders import Holder
from emulsa.core.film.judgement import Judgement
from emulsa.core.film.pieces import Piece
from emulsa.core.film.rolls import Roll
from emulsa.core.film.stock import Stock
from emulsa.core.kit.bag import Camera, KitFilter, KitLens, KitPinhole, Meter
from emulsa.core.kit.films import Film, FilmRecipe
from emulsa.core.outing.record import Outing
from emulsa.core.scene.record import Scene
from emulsa.demo.bag import CAMERAS, FILMS, FILTERS, LENSES, METER, PINHOLE
from emulsa.demo.quarry import OUTING
from emulsa.store import (
    database,
    films,
    holders,
    kit,
    outings,
    pieces,
    rolls,
    runs,
    scenes,
    stock,
)
from tests import databases, strategies

FEW = settings(max_examples=40)


@contextmanager
def memory() -> Iterator[database.Connection]:
    """A database in memory with the demo's kit in it."""
    db = databases.empty()
    for film in FILMS:
        films.put_film(db, film)
    for camera in CAMERAS:
        kit.put_camera(db, camera)
    for lens in LENSES:
        kit.put_lens(db, lens)
    kit.put_pinhole(db, PINHOLE)
    for each in FILTERS:
        kit.put_filter(db, each)
    kit.put_meter(db, METER)
    outings.put(db, OUTING)
    try:
        yield db
    finally:
        db.close()


def through_the_wire(record: Any) -> None:
    """The JSON of a record reads back to it."""
    assert wire.loads(type(record), wire.dumps(record)) == record


@FEW
@given(strategies.films, strategies.films)
def test_films(first: Film, second: Film) -> None:
    """Kept and changed; the second writing wins whole."""
    through_the_wire(first)
    with memory() as db:
        films.put_film(db, first)
        assert films.film(db, "film") == first
        films.put_film(db, second)
        assert films.film(db, "film") == second
        assert len(films.films(db)) == len(FILMS) + 1


@FEW
@given(strategies.films, strategies.recipes)
def test_recipes(film: Film, recipe: FilmRecipe) -> None:
    """With all their points; the first one of a film is its usual one."""
    through_the_wire(recipe)
    with memory() as db:
        films.put_film(db, film)
        films.put_recipe(db, recipe)
        assert films.recipe(db, "recipe") == recipe
        assert films.first_recipe(db, "film") == recipe
        assert films.recipes(db) == [recipe]


@FEW
@given(strategies.lenses, strategies.pinholes)
def test_lenses_and_pinholes(lens: KitLens, pinhole: KitPinhole) -> None:
    """Marks stay marks and numbers stay numbers."""
    through_the_wire(lens)
    through_the_wire(pinhole)
    with memory() as db:
        kit.put_lens(db, lens)
        kit.put_pinhole(db, pinhole)
        assert kit.lens(db, "lens") == lens
        assert kit.pinhole(db, "pinhole") == pinhole
        focal_lengths = [each.optics.focal_length_mm for each in kit.lenses(db)]
        assert focal_lengths == sorted(focal_lengths)


@FEW
@given(strategies.filters, strategies.meters, strategies.cameras, strategies.outings)
def test_the_rest_of_the_bag(
    filter_: KitFilter, meter: Meter, camera: Camera, outing: Outing
) -> None:
    """Filters by what they were said as, meters, cameras, outings."""
    for record in (filter_, meter, camera, outing):
        through_the_wire(record)
    with memory() as db:
        kit.put_filter(db, filter_)
        kit.put_meter(db, meter)
        kit.put_camera(db, camera)
        outings.put(db, outing)
        assert kit.filter_(db, "filter") == filter_
        assert kit.meter(db, "meter") == meter
        assert camera in kit.cameras(db)
        assert outings.outing(db, "outing") == outing


@FEW
@given(strategies.stocks, strategies.sheet_formats, strategies.holders, strategies.places)
def test_what_film_lies_in(
    box: Stock, format_: SheetFormat, holder: Holder, place: tuple[float, float]
) -> None:
    """Boxes, sizes, holders with their faults; a place keeps both of its numbers."""
    outing = replace(OUTING, id="there", latitude=place[0], longitude=place[1])
    for record in (box, format_, holder, outing):
        through_the_wire(record)
    with memory() as db:
        stock.put(db, box)
        holders.put_format(db, format_)
        holders.put_holder(db, holder)
        outings.put(db, outing)
        assert stock.stock(db, "stock") == box
        assert holders.formats(db) == [format_]
        assert holders.holders(db) == [holder]
        assert outings.outing(db, "there") == outing


@FEW
@given(strategies.rolls, strategies.rolls, strategies.runs, strategies.judgements)
def test_what_becomes_of_film(first: Roll, second: Roll, run: Run, judgement: Judgement) -> None:
    """Rolls loaded and changed, runs, and what a negative showed."""
    for record in (first, run, judgement):
        through_the_wire(record)
    sheet = Piece(id="sheet", film_id="film-corvane", label="1A", state="judged", loaded_at="")
    with memory() as db:
        rolls.put(db, first)
        assert rolls.roll(db, "roll") == first
        changed = replace(second, number=first.number, format=first.format, frames=first.frames)
        rolls.put(db, changed)
        assert rolls.roll(db, "roll") == replace(changed, loaded_at=first.loaded_at)
        runs.put(db, run)
        assert runs.run(db, "run") == run
        pieces.put(db, sheet)
        runs.put_judgement(db, judgement)
        assert runs.judgements(db, ["sheet"]) == {"sheet": judgement}


@FEW
@given(strategies.scenes(), strategies.scenes())
def test_scenes(first: Scene, second: Scene) -> None:
    """Any scene becomes any other: readings and filters come, go and change places."""
    through_the_wire(first)
    with memory() as db:
        scenes.put(db, first)
        assert scenes.scene(db, "scene") == first
        scenes.put(db, second)
        assert scenes.scene(db, "scene") == second
        assert scenes.of_outing(db, "outing-quarry") == [second]
        scenes.delete(db, "scene")
        assert scenes.scene(db, "scene") is None
        for table in ("reading", "scene_filter"):
            assert db.execute(f"SELECT count(*) FROM {table}").fetchone()[0] == 0
