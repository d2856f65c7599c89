"""Rolls: loading, winding, changing in mid-roll, cutting, and one development for many frames."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Annotated

from emulsa.api.answers import Routes
from emulsa.api.bodies import body, documented
from emulsa.api.clock import now
from emulsa.api.connection import Db
from emulsa.api.errors import NotFound
from emulsa.api.keeping import own_id, unchanged
from emulsa.api.roll_views import RollView, views, wanted_frames
from emulsa.api.routes.holders import box_for
from emulsa.core.errors import Impossible
from emulsa.core.film import rolls
from emulsa.core.film.formats import FormatKey, frame_format
from emulsa.core.film.pieces import FrameNumber, Piece, Weight, frame_label
from emulsa.core.film.roll_development import RollChoice, choices
from emulsa.core.film.rolls import (
    FrameCount,
    Roll,
    RollPlace,
    Strip,
    strip_text,
)
from emulsa.core.limits import ExposureIndex, Id, Label, Length, Note
from emulsa.core.tones.development_number import DevelopmentNumber, n_text
from emulsa.store import films, journal, pieces
from emulsa.store import rolls as store
from emulsa.store.database import Connection

router = Routes(prefix="/api/rolls", tags=["rolls"])


@dataclass(frozen=True, kw_only=True)
class RollLoading:
    """A roll to load; without ``frames`` it has as many as its format usually gives."""

    id: Id
    film_id: Id
    format: FormatKey
    stock_id: Id | None = None
    frames: FrameCount | None = None
    camera_id: Id | None = None
    back: Label = ""
    exposure_index: ExposureIndex | None = None
    note: Note = ""


@dataclass(frozen=True, kw_only=True)
class TakingOut:
    """A roll out of its camera: finished, or to go on with later."""

    finished: bool


@dataclass(frozen=True, kw_only=True)
class PuttingBack:
    """A partly exposed roll back into a camera, wound on to its next frame."""

    camera_id: Id | None = None
    back: Label = ""


@dataclass(frozen=True, kw_only=True)
class Cutting:
    """The frames behind which the roll is cut."""

    after: Annotated[tuple[FrameNumber, ...], Length("Cuts", 0, 20)]


@dataclass(frozen=True, kw_only=True)
class Weighing:
    """How much a frame's picture matters."""

    frame: FrameNumber
    weight: Weight


@dataclass(frozen=True, kw_only=True)
class StripDevelopment:
    """The one development of a strip, and the recipe it is developed in."""

    n: DevelopmentNumber | None
    recipe_id: Id | None = None


@router.get("")
def read(db: Db) -> list[RollView]:
    """Every roll, latest first."""
    return views(db)


@router.post("", openapi_extra=documented(RollLoading))
def load(db: Db, loading: RollLoading = body(RollLoading)) -> RollView:
    """Load a roll; asked twice, it is loaded once."""
    if store.roll(db, loading.id) is not None:
        return _view(db, loading.id)
    film = films.film(db, loading.film_id)
    if film is None:
        raise NotFound("There is no such film in the kit.", field="film_id")
    format_ = frame_format(loading.format)
    frames, at = loading.frames or format_.frames, now()
    with journal.action(db, f"roll of {film.name} loaded", at):
        box = box_for(db, film, loading.stock_id, 1)
        if box is not None and box.format != format_.film:
            raise Impossible(
                f"{format_.name} is taken on {format_.film} film; this box holds {box.format}.",
                field="stock_id",
            )
        roll = Roll(
            id=loading.id,
            number=store.next_number(db),
            film_id=film.id,
            stock_id=loading.stock_id,
            format=loading.format,
            frames=frames,
            camera_id=loading.camera_id,
            back=loading.back,
            exposure_index=loading.exposure_index,
            loaded_at=at,
            note=loading.note,
        )
        store.put(db, roll)
        store.put_strips(db, roll.id, [_strip(roll, range(1, frames + 1))])
        for frame in range(1, frames + 1):
            pieces.load(db, _frame(roll, frame))
    return _view(db, roll.id)


@router.put("/{id}", openapi_extra=documented(Roll))
def put(id: str, db: Db, roll: Roll = body(Roll), base: str | None = None) -> RollView:  # noqa: A002
    """Change a roll's note, camera, back or rating; a roll with exposures keeps its rating."""
    own_id(id, roll)
    known = _found(db, id)
    wanted = replace(
        known,
        camera_id=roll.camera_id,
        back=roll.back,
        exposure_index=roll.exposure_index,
        note=roll.note,
    )
    shot = any(each.state not in ("loaded", "blank") for each in pieces.of_roll(db, id))
    if shot and wanted.exposure_index != known.exposure_index:
        raise Impossible(
            f"Frames of roll {known.number} are exposed; the whole roll keeps its rating.",
            field="exposure_index",
        )
    with journal.action(db, f"roll {known.number}", now()):
        unchanged(f"Roll {known.number}", known, wanted, base)
        store.put(db, wanted)
    return _view(db, id)


@router.delete("/{id}", status_code=204)
def delete(id: str, db: Db) -> None:  # noqa: A002
    """Take a roll out unexposed: as if it had not been loaded; its steps stay in the log."""
    roll, at = _found(db, id), now()
    with journal.action(db, f"roll {roll.number} taken out unexposed", at):
        for frame in pieces.of_roll(db, id):
            pieces.move(db, frame, "unload", at, f"roll {roll.number}, back to its box")
        store.delete(db, id)


@router.post("/{id}/advanced")
def advanced(id: str, db: Db) -> RollView:  # noqa: A002
    """The film was seen to move: the rewind knob turned, or the backing paper ran."""
    roll = _found(db, id)
    with journal.action(db, f"roll {roll.number} advances", now()):
        store.put(db, replace(roll, advanced=True))
    return _view(db, id)


@router.post("/{id}/skip")
def skip(id: str, db: Db) -> RollView:  # noqa: A002
    """Wind on without an exposure: the frame stays blank."""
    roll, at = _found(db, id), now()
    with journal.action(db, f"roll {roll.number} wound on", at):
        frame = _gate(db, roll)
        rolls.exposing(roll, roll.next_frame)
        if frame is not None:
            pieces.move(db, frame, "skip", at)
        store.put(db, replace(roll, next_frame=roll.next_frame + 1))
    return _view(db, id)


@router.post("/{id}/take-out", openapi_extra=documented(TakingOut))
def take_out(id: str, db: Db, taking: TakingOut = body(TakingOut)) -> RollView:  # noqa: A002
    """Out of the camera; a finished roll's frames that were not exposed are blank."""
    roll, at = _found(db, id), now()
    if roll.place == "done":
        raise Impossible(f"Roll {roll.number} is finished already.", field="id")
    place: RollPlace = "done" if taking.finished else "bag"
    said = "finished" if taking.finished else f"taken out before frame {roll.next_frame}"
    with journal.action(db, f"roll {roll.number} {said}", at):
        if taking.finished:
            for frame in pieces.of_roll(db, id):
                if frame.state == "loaded":
                    pieces.move(db, frame, "skip", at)
        store.put(db, replace(roll, place=place))
    return _view(db, id)


@router.post("/{id}/put-back", openapi_extra=documented(PuttingBack))
def put_back(id: str, db: Db, putting: PuttingBack = body(PuttingBack)) -> RollView:  # noqa: A002
    """Into a camera again, wound on to the frame after the last one used; check that it moves."""
    roll = _found(db, id)
    if roll.place != "bag":
        raise Impossible(f"Roll {roll.number} is not in the bag.", field="id")
    with journal.action(db, f"roll {roll.number} put back", now()):
        back = replace(
            roll,
            place="camera",
            camera_id=putting.camera_id,
            back=putting.back,
            advanced=False,
        )
        store.put(db, back)
    return _view(db, id)


@router.post("/{id}/cut", openapi_extra=documented(Cutting))
def cut(id: str, db: Db, cutting: Cutting = body(Cutting)) -> RollView:  # noqa: A002
    """Cut a finished roll into strips, or make it one again; each strip its own development."""
    roll = _found(db, id)
    frames = pieces.of_roll(db, id)
    if roll.place != "done":
        raise Impossible(f"Finish roll {roll.number} before it is cut.", field="id")
    if any(each.run_id for each in frames):
        raise Impossible(f"Roll {roll.number} is in a run already.", field="id")
    wanted = [_strip(roll, each) for each in rolls.cut(roll, frames, cutting.after)]
    known = {each.id: each for each in store.strips(db).get(id, [])}
    strips = [known.get(each.id, each) for each in wanted]
    with journal.action(db, f"roll {roll.number} cut", now()):
        store.put_strips(db, id, strips)
    return _view(db, id)


@router.post("/{id}/weight", openapi_extra=documented(Weighing))
def weigh(id: str, db: Db, weighing: Weighing = body(Weighing)) -> RollView:  # noqa: A002
    """Say how much a frame matters when one development must serve the roll."""
    roll = _found(db, id)
    frame = next((each for each in pieces.of_roll(db, id) if each.frame == weighing.frame), None)
    if frame is None:
        raise NotFound(f"Roll {roll.number} has no frame {weighing.frame}.", field="frame")
    with journal.action(db, f"frame {weighing.frame} of roll {roll.number} weighed", now()):
        pieces.put(db, replace(frame, weight=weighing.weight))
    return _view(db, id)


@router.get("/strips/{id}/choices")
def strip_choices(id: str, db: Db) -> tuple[RollChoice, ...]:  # noqa: A002
    """Every development this strip could have, and what each frame would lose by it."""
    return choices(wanted_frames(db, _strip_found(db, id)))


@router.put("/strips/{id}/development", openapi_extra=documented(StripDevelopment))
def develop_for(
    id: str,  # noqa: A002
    db: Db,
    chosen: StripDevelopment = body(StripDevelopment),
) -> RollView:
    """Choose the one development of a strip."""
    strip = _strip_found(db, id)
    roll = _found(db, strip.roll_id)
    label = "left open" if chosen.n is None else f"for {n_text(chosen.n)}"
    with journal.action(db, f"{strip_text(roll, strip)} {label}", now()):
        store.put_strip(db, replace(strip, n=chosen.n, recipe_id=chosen.recipe_id))
    return _view(db, roll.id)


def _view(db: Connection, id_: str) -> RollView:
    return views(db, id_)[0]


def _found(db: Connection, id_: str) -> Roll:
    roll = store.roll(db, id_)
    if roll is None:
        raise NotFound("There is no such roll.", field="id")
    return roll


def _strip_found(db: Connection, id_: str) -> Strip:
    strip = store.strip(db, id_)
    if strip is None:
        raise NotFound("There is no such strip; the roll may have been cut anew.", field="id")
    return strip


def _gate(db: Connection, roll: Roll) -> Piece | None:
    frames = pieces.of_roll(db, roll.id)
    return next((each for each in frames if each.frame == roll.next_frame), None)


def _strip(roll: Roll, frames: range) -> Strip:
    return Strip(
        id=f"{roll.id}-{frames[0]}-{frames[-1]}",
        roll_id=roll.id,
        first_frame=frames[0],
        last_frame=frames[-1],
    )


def _frame(roll: Roll, frame: int) -> Piece:
    return Piece(
        id=f"{roll.id}-{frame}",
        film_id=roll.film_id,
        stock_id=roll.stock_id,
        label=frame_label(roll.number, frame),
        roll_id=roll.id,
        frame=frame,
        state="loaded",
        loaded_at=roll.loaded_at,
    )
