"""Exposures: unexposed film becomes exposed, and the log keeps what was given."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from emulsa import __version__
from emulsa.api.keeping import unchanged
from emulsa.api.lookup import needed
from emulsa.api.routing import Act, Db, Routes
from emulsa.api.views.exposed import exposed
from emulsa.api.views.exposures import ExposureView, in_words
from emulsa.api.views.targets import targets_of
from emulsa.core.advice import Advice
from emulsa.core.film.acts.exposing import (
    Bracketed,
    Logging,
    doubts,
    expose,
    expose_bracket,
    expose_unplaced,
)
from emulsa.core.film.pieces import NO_HOLDER, Piece
from emulsa.core.logged.correct import correct
from emulsa.core.logged.log import GivenCheck, check
from emulsa.core.logged.record import Correction, Exposure, Given, Planned
from emulsa.core.scene.plan import plan
from emulsa.core.scene.record import Scene
from emulsa.core.scene.seeing import PictureSeen, SeeingAsked
from emulsa.core.scene.seen import picture_seen
from emulsa.core.scene.solve import planned
from emulsa.store import exposures, films, pieces, preferences, scenes

routes = Routes("exposures", "/api/exposures")


@dataclass(frozen=True)
class Weighed:
    """What a typed time would do to the film, and what speaks against exposing it there at all."""

    check: GivenCheck
    doubts: tuple[Advice, ...]


@routes.act("POST", "")
def log(act: Act, given: Given) -> ExposureView:
    """Log an exposure on film of the plan's kind.

    A share below 1 is part of an intended multiple exposure and may go onto exposed film; what
    nobody would advise is logged when it is said to have happened.
    """
    scene = _scene(act.db, given.scene_id)
    plan, logging = given.plan or _planned(act.db, scene), _logging(act, scene)
    if given.unplaced:
        film, where = films.film(act.db, plan.film_id), NO_HOLDER
        there = pieces.piece(act.db, given.piece_id) or exposures.exposure(act.db, given.id)
        outcome = expose_unplaced(given, plan, film, logging, known=there is not None)
    else:
        piece = _piece(act.db, given.piece_id)
        target, where = targets_of(act.db, [piece])[piece.id], piece.label
        outcome = expose(given, plan, target, logging)
    act.carry_out(outcome)
    return in_words(_logged(outcome.kept)[0], where, preferences.holds_highlights(act.db))


@routes.act("POST", "/bracket")
def log_bracket(act: Act, bracket: Bracketed) -> list[ExposureView]:
    """Log a bracket: every frame on a piece of its own, one undoable act."""
    found = {each.scene_id: _scene(act.db, each.scene_id) for each in bracket.frames}
    plans = {id_: _planned(act.db, scene) for id_, scene in found.items()}
    on = pieces.of_ids(act.db, [each.piece_id for each in bracket.frames])
    logging = _logging(act, found[bracket.frames[0].scene_id])
    outcome = expose_bracket(bracket, plans, targets_of(act.db, list(on.values())), logging)
    act.carry_out(outcome)
    hold = preferences.holds_highlights(act.db)
    return [in_words(each, on[each.piece_id].label, hold) for each in _logged(outcome.kept)]


@routes.question("/check", "POST")
def weigh(db: Db, given: Given) -> Weighed:
    """What a typed time would do to the film; nothing is kept. A piece that is not named, or not
    there, has nothing said of it."""
    plan = given.plan or _planned(db, _scene(db, given.scene_id))
    piece = pieces.piece(db, given.piece_id)
    against = doubts(given, plan, targets_of(db, [piece])[piece.id]) if piece else ()
    hold = preferences.holds_highlights(db)
    return Weighed(check(given, plan.request, hold), against)


@routes.question("/{id}/seen", "POST")
def seen(db: Db, id: str, asked: SeeingAsked) -> PictureSeen | None:  # noqa: A002
    """The picture of an exposure's scene, and the prints it was to make: as planned, and as it was
    really given. Nothing without a picture, or without the plan of its day."""
    found = exposed(db, needed(exposures.exposure(db, id), "This exposure was not found."))
    if found is None:
        return None
    return picture_seen(found.scene, found.kit, asked, (found.planned, found.given))


@routes.act("PUT", "/{id}")
def put_right(act: Act, id: str, base: str, correction: Correction) -> ExposureView:  # noqa: A002
    """Correct what was really given; the plan it was made by stays."""
    known = needed(exposures.exposure(act.db, id), "This exposure was not found.")
    exposure = correct(known, correction)
    act.says("correct an exposure")
    unchanged("This exposure", known, exposure, base)
    act.keep(exposure)
    piece = _piece(act.db, known.piece_id)
    return in_words(exposure, piece.label, preferences.holds_highlights(act.db))


def _logging(act: Act, scene: Scene) -> Logging:
    return Logging(title=scene.title, at=act.moment, version=__version__)


def _scene(db: Db, id_: str) -> Scene:
    found = scenes.scene(db, id_)
    return needed(found, "This scene was not found; it may have been deleted.", "scene_id")


def _piece(db: Db, id_: str) -> Piece:
    said = "No film is in that place any more; choose another."
    return needed(pieces.piece(db, id_), said, "piece_id")


def _planned(db: Db, scene: Scene) -> Planned:
    """The plan of a scene as it stands; Missing without a reading."""
    recipe = films.recipe_of(db, scene.film_id, scene.recipe_id)
    return planned(scene, plan(scene, scenes.kit_of(db, scene)), recipe)


def _logged(kept: Sequence[object]) -> list[Exposure]:
    return [each for each in kept if isinstance(each, Exposure)]
