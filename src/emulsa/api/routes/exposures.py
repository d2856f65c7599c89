"""Exposures: unexposed film becomes exposed, and the log keeps what was given."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Annotated

from emulsa import __version__
from emulsa.api.answers import Routes
from emulsa.api.bodies import body, documented
from emulsa.api.clock import now
from emulsa.api.connection import Db
from emulsa.api.errors import NotFound
from emulsa.api.keeping import unchanged
from emulsa.api.routes.scenes import found, recipe_of
from emulsa.core.errors import Impossible
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.film.pieces import Piece, share_left, where_text
from emulsa.core.film.rolls import exposing, rated
from emulsa.core.film.states import Move, move
from emulsa.core.limits import Id, Length, plain
from emulsa.core.logged.correct import correct
from emulsa.core.logged.log import GivenCheck, check, log
from emulsa.core.logged.record import Correction, Exposure, Given, Taken
from emulsa.core.scene.plan import plan
from emulsa.core.scene.record import Scene
from emulsa.store import exposures as store
from emulsa.store import films, journal, pieces, rolls, scenes, stock
from emulsa.store.database import Connection

router = Routes(prefix="/api/exposures", tags=["exposures"])


@dataclass(frozen=True, kw_only=True)
class Bracketed:
    """All frames of a bracket as they were given, slowest first; logged together or not at all."""

    id: Id
    frames: Annotated[tuple[Given, ...], Length("Frames of a bracket", 1, 15)]


@router.post("", openapi_extra=documented(Given))
def expose(db: Db, given: Given = body(Given)) -> Exposure:
    """Log an exposure on unexposed film of the scene's kind; asked twice, it is logged once.

    A share below 1 is part of an intended multiple exposure and may go onto exposed film.
    """
    known = store.exposure(db, given.id)
    if known is not None:
        return known
    scene = found(db, given.scene_id)
    label = _piece(db, given.piece_id).label
    with journal.action(db, f"{label} exposed on {scene.title}", now()):
        return _exposed(db, given, scene)


@router.post("/bracket", openapi_extra=documented(Bracketed))
def expose_bracket(db: Db, bracket: Bracketed = body(Bracketed)) -> list[Exposure]:
    """Log a bracket: every frame on a piece of its own, one undoable action."""
    frames = [replace(each, bracket_id=bracket.id) for each in bracket.frames]
    known = [store.exposure(db, each.id) for each in frames]
    if all(known):
        return [each for each in known if each is not None]
    scene = found(db, frames[0].scene_id)
    with journal.action(db, f"bracket of {len(frames)} on {scene.title}", now()):
        return [_exposed(db, each, found(db, each.scene_id)) for each in frames]


@router.post("/check", openapi_extra=documented(Given))
def check_given(db: Db, given: Given = body(Given)) -> GivenCheck:
    """What a typed time would do to the film; nothing is kept."""
    scene = found(db, given.scene_id)
    return check(given, plan(scene, scenes.kit_of(db, scene)))


@router.put("/{id}", openapi_extra=documented(Correction))
def put_right(
    id: str,  # noqa: A002
    db: Db,
    correction: Correction = body(Correction),
    base: str | None = None,
) -> Exposure:
    """Put right what was really given; the plan it was made with stays."""
    known = store.exposure(db, id)
    if known is None:
        raise NotFound("There is no such exposure.", field="id")
    exposure = correct(known, correction)
    with journal.action(db, "exposure corrected", now()):
        unchanged("This exposure", known, exposure, base)
        store.put(db, exposure)
    return exposure


def _exposed(db: Connection, given: Given, scene: Scene) -> Exposure:
    """One frame onto its film, looked at under the lock: of two hands only one gets it."""
    piece, at = _piece(db, given.piece_id), now()
    again = given.share < 1 and piece.state == "exposed"
    step: Move = "expose_again" if again else "expose"
    move(piece.state, step, where_text(piece))
    if again:
        share_left(store.share_given(db, piece.id), given.share, where_text(piece))
    _right_film(db, piece, scene.film_id)
    request = plan(scene, scenes.kit_of(db, scene))
    if piece.roll_id is not None:
        _wind(db, piece, piece.roll_id, request, again)
    recipe = recipe_of(db, scene)
    taken = Taken(
        lens_id=scene.lens_id,
        pinhole_id=scene.pinhole_id,
        filter_ids=scene.filter_ids,
        exposure_index=request.ei,
        cost=None if again else stock.piece_cost(db, piece.id),
    )
    exposure = log(given, request, recipe.id if recipe else None, at, __version__, taken)
    store.put(db, exposure)
    pieces.move(db, piece, step, at, scene.title)
    return exposure


def _wind(
    db: Connection, frame: Piece, roll_id: str, request: ExposureRequest, again: bool
) -> None:
    """The frame must be in the gate and the roll rated as the scene; afterwards it is wound on.

    A further share of a multiple exposure goes on the frame last exposed, before winding counts.
    """
    roll = rolls.roll(db, roll_id)
    film = films.film(db, frame.film_id)
    assert roll is not None
    assert film is not None
    assert frame.frame is not None
    exposing(replace(roll, next_frame=roll.next_frame - 1) if again else roll, frame.frame)
    ei = rated(roll, film.exposure_index)
    if abs(ei - request.ei) > 1e-6 * ei:
        raise Impossible(
            f"Roll {roll.number} is rated EI {plain(ei)}, this scene is worked out for"
            f" EI {plain(request.ei)}. Change the scene's EI, or take other film.",
            field="piece_id",
        )
    if not again:
        rolls.put(db, replace(roll, next_frame=frame.frame + 1))


def _piece(db: Connection, id_: str) -> Piece:
    piece = pieces.piece(db, id_)
    if piece is None:
        raise NotFound("There is no film in that place any more; choose another.", field="piece_id")
    return piece


def _right_film(db: Connection, piece: Piece, wanted: str | None) -> None:
    if piece.film_id != wanted:
        film = films.film(db, piece.film_id)
        name = film.name if film else "another film"
        raise Impossible(
            f"{where_text(piece)} holds {name}, which this scene is not worked out for.",
            field="piece_id",
        )
