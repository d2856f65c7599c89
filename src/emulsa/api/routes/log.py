"""The log: searched as one types, and an exposure's whole story."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Any

from fastapi import Depends, Query, Response

from emulsa.api.answers import Routes
from emulsa.api.connection import Db
from emulsa.api.errors import NotFound
from emulsa.api.files import disposition, file_name
from emulsa.api.routes.scenes import ExposureView, in_words
from emulsa.core.darkroom.run import Run
from emulsa.core.development.choice import choice_text
from emulsa.core.errors import CoreError
from emulsa.core.film.judgement import Judgement, next_time, showed
from emulsa.core.film.pieces import Piece
from emulsa.core.film.states import SAID, State
from emulsa.core.light.hand_time import stops_text
from emulsa.core.light.marks import f_number
from emulsa.core.logged.record import Exposure
from emulsa.core.logged.texts import planned_text, set_text
from emulsa.core.outing.record import Outing
from emulsa.core.scene.record import Scene
from emulsa.core.tones.development_number import n_text
from emulsa.exchange import sidecar
from emulsa.store import (
    attachments,
    exposures,
    films,
    kit,
    outings,
    pieces,
    runs,
    scenes,
    stock,
)
from emulsa.store import log as store
from emulsa.store.attachments import Attachment
from emulsa.store.database import Connection
from emulsa.store.log import Sought

router = Routes(prefix="/api/log", tags=["log"])

PAGE, LARGEST_PAGE = 60, 200
XMP: dict[int | str, dict[str, Any]] = {200: {"content": {"application/rdf+xml": {}}}}


@dataclass(frozen=True)
class LogLine:
    """An exposure as a line of the log, in words."""

    exposure_id: str
    exposed_at: str
    where: str
    kept_in: str
    state: State
    scene_id: str
    scene_title: str
    outing_title: str
    film_name: str
    lens_name: str
    filter_names: str
    set_text: str
    n_text: str
    error_text: str
    cost: float | None
    note: str
    picture_id: str | None


@dataclass(frozen=True)
class LogPage:
    """A page of the log; ``next`` asks for the one after it, ``total`` is counted on the first."""

    lines: list[LogLine]
    next: int | None
    total: int | None
    counted_to: int


@dataclass(frozen=True)
class StoryStep:
    """A step of the film's way, with its moment."""

    at: str
    said: str
    note: str


@dataclass(frozen=True)
class Story:
    """An exposure from its box to its judgement; ``ledger`` is the one of the day, kept whole."""

    exposure: ExposureView
    scene: Scene
    outing: Outing
    film_name: str
    lens_name: str
    filter_names: list[str]
    box: str
    state: State
    kept_in: str
    steps: list[StoryStep]
    ledger: list[dict[str, Any]]
    planned_text: str
    readings: list[str]
    shares: list[ExposureView]
    run: Run | None
    decided: str
    judgement: Judgement | None
    showed: str
    next_time: str
    attachments: list[Attachment]


def sought(
    text: Annotated[str, Query(max_length=200)] = "",
    film_id: str = "",
    lens_id: str = "",
    pinhole_id: str = "",
    filter_id: str = "",
    outing_id: str = "",
    state: str = "",
    n: Annotated[float | None, Query(ge=-5, le=5)] = None,
    day_from: Annotated[str, Query(max_length=10)] = "",
    day_to: Annotated[str, Query(max_length=10)] = "",
) -> Sought:
    return Sought(
        text, film_id, lens_id, pinhole_id, filter_id, outing_id, state, n, day_from, day_to
    )


@router.get("")
def read(
    db: Db,
    wanted: Annotated[Sought, Depends(sought)],
    before: Annotated[int | None, Query(ge=-(2**62), le=2**62)] = None,
    limit: Annotated[int, Query(ge=1, le=LARGEST_PAGE)] = PAGE,
) -> LogPage:
    """Exposures that match, newest first."""
    found = store.page(db, wanted, before, limit)
    return LogPage(
        lines=[_line(each) for each in found],
        next=found[-1].place if len(found) == limit else None,
        total=store.count(db, wanted) if before is None else None,
        counted_to=store.COUNTED_TO,
    )


@router.get("/{id}")
def story(id: str, db: Db) -> Story:  # noqa: A002
    """Everything that is known of one exposure."""
    exposure, scene, outing = found(db, id)
    piece = pieces.piece(db, exposure.piece_id)
    assert piece is not None
    film = films.film(db, piece.film_id)
    box = stock.stock(db, piece.stock_id) if piece.stock_id else None
    judged = runs.judgements(db, [piece.id]).get(piece.id)
    answer = exposure.answer
    others = exposures.of_pieces(db, [piece.id])[piece.id]
    return Story(
        exposure=in_words(exposure, piece.label),
        scene=scene,
        outing=outing,
        film_name=film.name if film else "",
        lens_name=_lens_name(db, exposure),
        filter_names=_filter_names(db, exposure),
        box=f"box of {box.count}, {box.emulsion or 'no emulsion number'}" if box else "",
        state=piece.state,
        kept_in=piece.kept_in,
        steps=[
            StoryStep(each.at, SAID[each.move], each.note) for each in pieces.steps(db, piece.id)
        ],
        ledger=answer.get("ledger", []),
        planned_text=planned_text(exposure),
        readings=[
            f"{each.get('label') or 'reading'}, zone {fall['zone_text']}"
            for each, fall in zip(
                exposure.request.get("readings", []), answer.get("falls", []), strict=False
            )
        ],
        shares=[in_words(each, piece.label) for each in others if each.id != id],
        run=runs.run(db, piece.run_id) if piece.run_id else None,
        decided=_decided(db, piece),
        judgement=judged,
        showed=showed(judged) if judged else "",
        next_time=next_time(judged) if judged else "",
        attachments=attachments.of_exposure(db, id),
    )


def _decided(db: Connection, piece: Piece) -> str:
    if piece.choice is None:
        return ""
    recipe = films.recipe(db, piece.choice.recipe_id) if piece.choice.recipe_id else None
    return choice_text(piece.choice, recipe.name if recipe else "")


@router.get("/{id}/sidecar.xmp", response_class=Response, responses=XMP)
def xmp(id: str, db: Db, beside: Annotated[str, Query(max_length=64)] = "") -> Response:  # noqa: A002
    """An XMP sidecar; named after the attached scan it is to lie beside, if one is named."""
    exposure, scene, outing = found(db, id)
    piece = pieces.piece(db, exposure.piece_id)
    scan = attachments.attachment(db, beside) if beside else None
    assert piece is not None
    film = films.film(db, piece.film_id)
    lens = kit.lens(db, exposure.taken.lens_id) if exposure.taken.lens_id else None
    told = sidecar.Sidecar(
        exposed_at=exposure.exposed_at,
        seconds=exposure.seconds,
        f_number=_f_number(exposure),
        iso=exposure.taken.exposure_index,
        focal_length_mm=lens.optics.focal_length_mm if lens else None,
        description=", ".join(each for each in (scene.title, outing.place, exposure.note) if each),
        holder=piece.label,
        n=n_text(exposure.n),
        film=film.name if film else "",
        zones=tuple(
            f"{fall['zone_text']} {reading.get('label', '')}".strip()
            for reading, fall in zip(
                exposure.request.get("readings", []),
                exposure.answer.get("falls", []),
                strict=False,
            )
        ),
        latitude=outing.latitude,
        longitude=outing.longitude,
    )
    name = scan.name.rsplit(".", 1)[0] if scan else f"emulsa-{file_name(scene.title)}-{piece.label}"
    headers = {"content-disposition": disposition(f"{name}.xmp")}
    return Response(sidecar.xml(told), media_type="application/rdf+xml", headers=headers)


def found(db: Connection, id_: str) -> tuple[Exposure, Scene, Outing]:
    exposure = exposures.exposure(db, id_)
    if exposure is None:
        raise NotFound("There is no such exposure in the log.", field="id")
    scene = scenes.scene(db, exposure.scene_id)
    assert scene is not None
    outing = outings.outing(db, scene.outing_id)
    assert outing is not None
    return exposure, scene, outing


def _line(entry: store.Entry) -> LogLine:
    return LogLine(
        exposure_id=entry.exposure_id,
        exposed_at=entry.exposed_at,
        where=entry.where,
        kept_in=entry.kept_in,
        state=entry.state,
        scene_id=entry.scene_id,
        scene_title=entry.scene_title,
        outing_title=entry.outing_title,
        film_name=entry.film_name,
        lens_name=entry.lens_name,
        filter_names=entry.filter_names,
        set_text=set_text(entry.aperture, entry.seconds),
        n_text=n_text(entry.n),
        error_text=stops_text(entry.error_stops),
        cost=entry.cost,
        note=entry.note,
        picture_id=entry.picture_id,
    )


def _lens_name(db: Connection, exposure: Exposure) -> str:
    lens = kit.lens(db, exposure.taken.lens_id) if exposure.taken.lens_id else None
    pinhole = kit.pinhole(db, exposure.taken.pinhole_id) if exposure.taken.pinhole_id else None
    return lens.name if lens else pinhole.name if pinhole else ""


def _filter_names(db: Connection, exposure: Exposure) -> list[str]:
    chosen = [kit.filter_(db, each) for each in exposure.taken.filter_ids]
    return [each.name for each in chosen if each is not None]


def _f_number(exposure: Exposure) -> float | None:
    try:
        return f_number(exposure.aperture)
    except CoreError:
        return None
