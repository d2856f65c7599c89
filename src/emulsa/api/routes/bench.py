"""The bench: film tests and what judged negatives teach."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from emulsa.api.keeping import own_id, unchanged, why_not
from emulsa.api.lookup import needed
from emulsa.api.replies import CSV, PDF, attached
from emulsa.api.routing import Act, Db, File, Routes
from emulsa.api.views.done import Done
from emulsa.api.views.learned import learned
from emulsa.core.bench.curve_form import CurveForm, curve_forms
from emulsa.core.bench.negatives import Learned
from emulsa.core.bench.paper import on_paper
from emulsa.core.bench.plan import BracketPlan, PlannedFrames, frames_of
from emulsa.core.bench.record import FilmTest
from emulsa.core.bench.sheet import Worked, worked_out
from emulsa.core.bench.stub import Stub, stub_of
from emulsa.core.bench.tablet import StepRow, exposed
from emulsa.core.bench.tested import (
    after_test,
    change_text,
    changed_by_test,
    holding_as_tested,
)
from emulsa.core.kit.films import Film, FilmRecipe
from emulsa.core.limits import Length
from emulsa.core.sensitometry.curve import Curve, DensityStep
from emulsa.core.sensitometry.film_test import targets_for
from emulsa.core.versions import version_of
from emulsa.core.written import day_words
from emulsa.exchange import curves, densities
from emulsa.exchange.cards import pdf
from emulsa.store import bench as store
from emulsa.store import films, kit, preferences
from emulsa.store.spoilt import sound

routes = Routes("bench", "/api/bench")

CGATS = "text/plain; charset=utf-8"

EVEN = StepRow()

Pasted = Annotated[str, Length("Pasted densities", 0, 100_000)]


@dataclass(frozen=True)
class TestLine:
    """A film test in the list."""

    id: str
    title: str
    film_name: str
    day: str
    curves: int
    waiting: int
    rate_at: str
    stub: Stub


@dataclass(frozen=True)
class BenchView:
    """The room: its tests, and what negatives say of each recipe."""

    tests: tuple[TestLine, ...]
    learned: tuple[Learned, ...]


@dataclass(frozen=True)
class TestView:
    """A test with its version, the film's and recipe's names and versions, and what it says;
    ``use_text`` is what using its times would change in the recipe, ``forms`` each development as
    it is typed, and the next."""

    test: FilmTest
    version: str
    film_name: str
    recipe_name: str
    film_version: str
    recipe_version: str
    worked: Worked
    use_text: str
    forms: tuple[CurveForm, ...]


@dataclass(frozen=True, kw_only=True)
class PastedDensities:
    """A column, a table or a CGATS text as it was pasted, and how its steps were exposed."""

    text: Pasted
    row: StepRow = EVEN
    turn: bool = False


@dataclass(frozen=True, kw_only=True)
class PastedCurves:
    """A file of curves: a test's own table, or its CGATS text."""

    text: Annotated[str, Length("A file of curves", 0, 1_000_000)]


@dataclass(frozen=True)
class ReadDensities:
    """The densities as they stand in the text, whether they fall, and the steps they are."""

    densities: tuple[float, ...]
    turned: bool
    steps: tuple[DensityStep, ...]


@routes.question("")
def read(db: Db) -> BenchView:
    """Every test, the latest day first, and what the judged negatives of each recipe say."""
    names = films.names(db)
    tests = sound(store.tests(db), lambda each: _line(db, each, names[each.film_id]))
    said = sound(store.recipes_judged(db), lambda each: learned(db, each, ()))
    return BenchView(tuple(tests), tuple(said))


@routes.question("/tests/{id}.csv", media_type=CSV)
def test_csv(db: Db, id: str) -> File:  # noqa: A002
    """The curves as a table: a row for each step, its exposure and its density."""
    test = needed(store.test(db, id), "This film test was not found.")
    return attached(curves.table(test), CSV, test.title, "csv", "attachment")


@routes.question("/tests/{id}.pdf", media_type=PDF)
def test_pdf(db: Db, id: str) -> File:  # noqa: A002
    """The test on one page: curves, verdict, ladder, and the film beside it."""
    view = _view(db, needed(store.test(db, id), "This film test was not found."))
    said = (view.film_name, view.recipe_name, day_words(view.test.day))
    page = on_paper(view.test, view.worked, ", ".join(each for each in said if each))
    return attached(pdf.render("bench", page), PDF, view.test.title, "pdf")


@routes.question("/tests/{id}.txt", media_type=CGATS)
def test_cgats(db: Db, id: str) -> File:  # noqa: A002
    """The curves as CGATS.17 text, one set of data after the other."""
    test = needed(store.test(db, id), "This film test was not found.")
    return attached(curves.cgats(test), CGATS, test.title, "txt", "attachment")


@routes.question("/tests/{id}")
def read_test(db: Db, id: str) -> TestView:  # noqa: A002
    """A test and what it says."""
    return _view(db, needed(store.test(db, id), "This film test was not found."))


@routes.question("/draw", "POST")
def draw(db: Db, test: FilmTest) -> Worked:
    """What a test says as it stands in the form; nothing is kept."""
    return _worked(db, test)


@routes.question("/plan")
def plan(db: Db, lens_id: str, bracket: BracketPlan) -> PlannedFrames:
    """What to set for every frame of a test, with a lens and its shutter as measured."""
    lens = needed(kit.lens(db, lens_id), "This lens is not in the kit.", "lens_id")
    return frames_of(bracket, lens.optics)


@routes.act("PUT", "/tests/{id}")
def put(act: Act, id: str, base: str, test: FilmTest) -> TestView:  # noqa: A002
    """Keep a film test, new or changed; one that waits for its densities is kept as it is."""
    own_id(id, test)
    needed(films.film(act.db, test.film_id), "This film is not in the kit.", "film_id")
    if test.recipe_id is not None:
        needed(films.recipe(act.db, test.recipe_id), "This recipe was not found.", "recipe_id")
    act.says(f"save film test {test.title}")
    unchanged("This film test", store.test(act.db, id), test, base)
    act.keep(test)
    return _view(act.db, needed(act.read_back(test), "This film test was not found."))


@routes.act("DELETE", "/tests/{id}")
def delete(act: Act, id: str) -> Done:  # noqa: A002
    """Delete a film test; the times that were taken from it stay."""
    found = needed(store.test(act.db, id), "This film test was not found.")
    act.says(f"delete film test {found.title}")
    store.delete(act.db, id)
    return Done(f"delete film test {found.title}", (id,))


@routes.act("POST", "/tests/{id}/use", works_out=True)
def use_times(act: Act, id: str, base: str) -> FilmRecipe:  # noqa: A002
    """Give the test's recipe its tested minutes and indices; the old points stay in its history."""
    test = needed(store.test(act.db, id), "This film test was not found.")
    recipe = needed(films.recipe(act.db, test.recipe_id), "Choose a recipe first.", "recipe_id")
    changed = after_test(recipe, test, _worked(act.db, test))
    act.says(f"use tested times of {test.title}")
    unchanged(recipe.name, recipe, changed, base)
    act.keep(changed)
    return changed


@routes.act("POST", "/tests/{id}/textural", works_out=True)
def use_textural(act: Act, id: str, base: str) -> Film:  # noqa: A002
    """Give the film the tones its own curve holds."""
    test = needed(store.test(act.db, id), "This film test was not found.")
    film = needed(films.film(act.db, test.film_id), "This film is not in the kit.", "film_id")
    changed = holding_as_tested(film, test, _worked(act.db, test))
    act.says(f"use the tested tones of {film.name}")
    unchanged(film.name, film, changed, base)
    act.keep(changed)
    return changed


@routes.question("/densities", "POST")
def read_densities(pasted: PastedDensities) -> ReadDensities:
    """Densities out of a pasted column, a table or CGATS text, each with its exposure."""
    found = densities.read(pasted.text)
    steps = exposed(found.densities, pasted.row, pasted.turn)
    return ReadDensities(found.densities, found.turned, steps)


@routes.question("/curves", "POST")
def read_curves(pasted: PastedCurves) -> tuple[Curve, ...]:
    """Curves out of a file of them, as a test writes it; nothing is kept."""
    return curves.read(pasted.text)


def _line(db: Db, test: FilmTest, film_name: str) -> TestLine:
    worked = _worked(db, test)
    waiting = sum(1 for each in test.curves if not each.steps)
    return TestLine(
        test.id,
        test.title,
        film_name,
        test.day,
        len(test.curves),
        waiting,
        worked.rate_at,
        stub_of(worked),
    )


def _view(db: Db, test: FilmTest) -> TestView:
    film = needed(films.film(db, test.film_id), "This film is not in the kit.")
    recipe, worked = films.recipe(db, test.recipe_id), _worked(db, test)
    return TestView(
        test,
        version_of(test),
        film.name,
        recipe.name if recipe else "",
        version_of(film),
        version_of(recipe) if recipe else "",
        worked,
        _use_text(recipe, test, worked) if recipe and worked.ladder else "",
        curve_forms(test),
    )


def _use_text(recipe: FilmRecipe, test: FilmTest, worked: Worked) -> str:
    """What using its times would change, or why they cannot be used."""
    problem = why_not(after_test(recipe, test, worked))
    return problem or change_text(changed_by_test(recipe, test, worked))


def _worked(db: Db, test: FilmTest) -> Worked:
    film = needed(films.film(db, test.film_id), "This film is not in the kit.", "film_id")
    recipe = films.recipe(db, test.recipe_id)
    beside = store.of_ids(db, [each for each in (test.beside, *test.others) if each])
    targets = targets_for(preferences.preferences(db).printed_by)
    return worked_out(test, film, recipe.recipe if recipe else None, beside, targets)
