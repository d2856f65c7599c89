"""A film test's film: frames logged, strips put into runs, scans of them read."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa import __version__
from emulsa.api.lookup import needed
from emulsa.api.refusals import NotFound
from emulsa.api.routing import Act, Db, House, Routes
from emulsa.api.views.done import Done
from emulsa.api.views.targets import targets_of
from emulsa.core.bench.brackets import BracketTaken, LoggedBracket, take_bracket
from emulsa.core.bench.record import StripScan
from emulsa.core.bench.scan import ScanRead, densities, spots
from emulsa.core.bench.strips import (
    FrameGiven,
    StripExposing,
    StripRun,
    UnexposedFilm,
    expose_strip,
    full,
    outing_of,
    run_of,
    scene_of,
    unexposed,
)
from emulsa.core.darkroom.acts import running
from emulsa.core.development.recipes import Recipe
from emulsa.core.film.acts.exposing import Logging
from emulsa.core.limits import Id
from emulsa.core.logged.attachment import Attachment
from emulsa.core.logged.record import Exposure
from emulsa.core.numbers import counted
from emulsa.core.scene.plan import plan
from emulsa.exchange import pictures
from emulsa.exchange.levels import Box, levels
from emulsa.store import (
    attachments,
    bench,
    exposures,
    films,
    holders,
    kit,
    outings,
    pieces,
    rolls,
    scenes,
)

routes = Routes("strips", "/api/bench/tests", tag="bench")


@dataclass(frozen=True)
class TestFilm:
    """Film that can be exposed for a test, brackets that are logged on it, the pictures of its
    strips, and why it takes no further development, when it is full."""

    unexposed: tuple[UnexposedFilm, ...]
    brackets: tuple[LoggedBracket, ...]
    pictures: tuple[Attachment, ...]
    full_text: str


@dataclass(frozen=True)
class StripExposed(Done):
    """Done, and what every frame was given."""

    given: tuple[FrameGiven, ...] = ()


@routes.question("/{id}/film")
def film(db: Db, id: str) -> TestFilm:  # noqa: A002
    """Unexposed film of the test's kind, and the scans that are attached to it."""
    test = needed(bench.test(db, id), "This film test was not found.")
    found = pieces.unexposed_of(db, test.film_id)
    ready = {each.id: each for each in rolls.rolls(db) if each.place == "camera"}
    next_frames = {id_: each.next_frame for id_, each in ready.items()}
    pictures_of = tuple(attachments.of_test(db, id))
    taken = {each for strip in test.strips for each in strip.piece_ids}
    logged = tuple(
        each
        for each in exposures.brackets_of_film(db, test.film_id)
        if taken.isdisjoint(exposures.bracket_frames(db, each.id))
    )
    return TestFilm(unexposed(found, next_frames), logged, pictures_of, full(test))


@routes.act("POST", "/{id}/frames")
def expose(act: Act, id: str, asked: StripExposing) -> StripExposed:  # noqa: A002
    """Log the frames of one development as the exposure list gives them, all at once."""
    test = needed(bench.test(act.db, id), "This film test was not found.")
    lens = needed(kit.lens(act.db, asked.lens_id), "This lens is not in the kit.", "lens_id")
    outing = outings.outing(act.db, outing_of(test, "").id) or outing_of(test, act.moment[:10])
    scene = scene_of(test, outing, asked)
    act.keep(outing)
    scenes.put(act.db, scene)
    found = pieces.of_ids(act.db, asked.piece_ids)
    said = "No film is in that place any more; choose another."
    on = [needed(found.get(each), said, "piece_ids") for each in asked.piece_ids]
    changed, outcome = expose_strip(
        test,
        asked,
        scene,
        plan(scene, scenes.kit_of(act.db, scene)),
        lens.optics,
        targets_of(act.db, on),
        Logging(title=scene.title, at=act.moment, version=__version__),
    )
    act.carry_out(outcome)
    act.keep(changed)
    logged = [each for each in outcome.kept if isinstance(each, Exposure)]
    given = tuple(FrameGiven(aperture=each.aperture, seconds=each.seconds) for each in logged)
    return StripExposed(outcome.says, asked.piece_ids, given)


@routes.act("POST", "/{id}/brackets")
def take(act: Act, id: str, asked: BracketTaken) -> Done:  # noqa: A002
    """Take a bracket that is logged already as a development of the test."""
    test = needed(bench.test(act.db, id), "This film test was not found.")
    frames = exposures.bracket_as_steps(act.db, asked.bracket_id, test.film_id)
    changed = take_bracket(test, frames, asked)
    label = f"take a bracket of {counted(len(frames), 'frame')} for {test.title}"
    act.says(label)
    act.keep(changed)
    return Done(label, (id,))


@routes.act("POST", "/{id}/strips/{curve_id}/run")
def put_into_run(act: Act, id: str, curve_id: str, asked: StripRun) -> Done:  # noqa: A002
    """Set up a run of a development's minutes with the film that was exposed for it."""
    test = needed(bench.test(act.db, id), "This film test was not found.")
    changed, run, ids = run_of(test, curve_id, asked)
    there = pieces.of_ids(act.db, ids)
    film = [
        needed(there.get(each), "This sheet is no longer in the log.", "curve_id") for each in ids
    ]
    on_rolls = rolls.with_film(act.db, film)
    recipe = films.recipe(act.db, run.recipe_id)
    bath, areas = recipe.recipe if recipe else Recipe(), holders.areas(act.db)
    outcome = running.begin(run, bath, film, on_rolls, None, (), areas, act.moment)
    act.carry_out(outcome)
    act.keep(changed)
    return Done(outcome.says, (run.id,))


@routes.question("/{id}/scan", "POST", opens_pictures=True)
def read_scan(db: Db, house: House, id: Id, scan: StripScan) -> ScanRead:  # noqa: A002
    """Densities of the patches laid over a picture of the strip, from the file as it was
    recorded."""
    said = "This picture was not found."
    picture = needed(attachments.attachment(db, scan.attachment_id), said, "attachment_id")
    path = pictures.original(house.attachments, picture.digest, picture.media_type)
    if picture.test_id != id or not path.exists():
        raise NotFound("This picture does not belong to this test, or its file is gone.")
    found = levels(path, [Box(each.x, each.y, scan.size) for each in spots(scan)])
    return densities(scan, found.white, found.boxes)
