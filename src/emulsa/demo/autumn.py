"""The outing before: two sheets developed and judged, one of them scanned, and a finished roll."""

from __future__ import annotations

from dataclasses import replace
from pathlib import Path

from emulsa.core.darkroom.run import Run
from emulsa.core.exposing.request import High
from emulsa.core.film.formats import frame_format
from emulsa.core.film.judgement import Judgement, Shadow
from emulsa.core.film.pieces import Piece, Side, frame_label
from emulsa.core.film.rolls import Roll, Strip
from emulsa.core.outing.record import Outing
from emulsa.core.scene.record import Pin, Scene, SceneReading
from emulsa.demo import made, scan
from emulsa.demo.bag import METER
from emulsa.store import outings, pieces, rolls, runs, scenes
from emulsa.store.database import Connection

DAY = "2025-11-22"
DEVELOPED = "2025-11-25T20:10:00.000Z"

OUTING = Outing(
    id="outing-autumn",
    title="Second outing, first frost",
    day=DAY,
    place="Skarrowmoor slate quarry, disused",
    conditions="High cloud, no wind",
    light="thin sun after eleven",
    temperature_c=1,
)


def _reading(id_: str, label: str, ev: float, minute: int) -> SceneReading:
    return made.reading(DAY, id_, label, ev, minute)


SHED = Scene(
    id="scene-shed",
    outing_id=OUTING.id,
    title="Cutting shed, saw beds",
    film_id="film-corvane",
    lens_id="lens-150",
    meter_id=METER.id,
    aperture="22",
    pin=Pin(reading="under", zone=3),
    high=High(reading="roof", zone=8),
    readings=(
        _reading("under", "under the saw bed", 7, 95),
        _reading("slab", "slate slab", 9 + 1 / 3, 96),
        _reading("roof", "hole in the roof", 13, 96),
    ),
)

# One roll, three lights: what one development does to each of them is the roll's whole trouble.
TIPS = tuple(
    Scene(
        id=f"scene-tip-{number}",
        outing_id=OUTING.id,
        title=title,
        film_id="film-ostrel",
        pinhole_id="pinhole-box",
        meter_id=METER.id,
        pin=Pin(reading=f"dark-{number}", zone=3),
        high=High(reading=f"bright-{number}", zone=8),
        readings=(
            _reading(f"dark-{number}", dark, ev, 150 + number),
            _reading(f"bright-{number}", bright, ev + span, 150 + number),
        ),
    )
    for number, title, dark, bright, ev, span in (
        (1, "Tip in sun, long shadows", "shadow of the tip", "sunlit scree", 8, 6),
        (2, "Tip under cloud", "wet slate", "pale sky", 9, 5),
        (3, "Tip in mist", "near blocks", "mist", 9, 4),
    )
)

ROLL = Roll(
    id="roll-tips",
    number=1,
    film_id="film-ostrel",
    stock_id="brick-ostrel",
    format="6x6",
    frames=frame_format("6x6").frames,
    camera_id="camera-box",
    place="done",
    advanced=True,
    next_frame=8,
    loaded_at=f"{DAY}T08:00:00.000Z",
)
NEGATIVES: tuple[tuple[Side, Shadow, str], ...] = (
    ("A", "thin", "saw teeth just hold"),
    ("B", "full", ""),
)
FRAMES = ((1, 0), (2, 0), (3, 1), (6, 2), (7, 2))  # frame, and which light


def fill(connection: Connection, folder: Path) -> None:
    """Put the outing, its sheets and its roll into a database whose kit is there."""
    outings.put(connection, OUTING)
    for scene in (SHED, *TIPS):
        scenes.put(connection, scene)
    _sheets(connection)
    scan.attach(connection, folder, "exposure-shed-A")
    _roll(connection)


def _sheets(connection: Connection) -> None:
    run = Run(
        id="run-shed",
        name="Corvane N−1, saw beds",
        recipe_id="recipe-corvane-mq",
        n=-1,
        minutes=6.5,
        temperature_c=20,
        begun_at=DEVELOPED,
        developed_at=DEVELOPED,
    )
    runs.put(connection, run)
    for side, shadow, note in NEGATIVES:
        piece = made.sheet(
            connection, f"sheet-shed-{side}", f"5{side}", "film-corvane", f"{DAY}T07:40:00.000Z"
        )
        at = f"{DAY}T10:{41 if side == 'A' else 44}:00.000Z"
        made.expose(connection, SHED, f"exposure-shed-{side}", piece.id, at)
        piece = _found(connection, piece.id)
        piece = pieces.move(connection, piece, "start_run", DEVELOPED, run.name, run_id=run.id)
        piece = pieces.move(connection, piece, "develop", DEVELOPED, run.name, in_place=False)
        pieces.move(connection, piece, "judge", "2025-11-26T18:00:00.000Z")
        runs.put_judgement(
            connection,
            Judgement(
                id=piece.id,
                at="2025-11-26T18:00:00.000Z",
                shadow=shadow,
                highlight="full",
                note=note,
            ),
        )


def _roll(connection: Connection) -> None:
    rolls.put(connection, ROLL)
    strip = Strip(
        id=f"{ROLL.id}-1-{ROLL.frames}", roll_id=ROLL.id, first_frame=1, last_frame=ROLL.frames
    )
    rolls.put_strips(connection, ROLL.id, [strip])
    lights = dict(FRAMES)
    for frame in range(1, ROLL.frames + 1):
        piece = pieces.load(
            connection,
            Piece(
                id=f"{ROLL.id}-{frame}",
                film_id=ROLL.film_id,
                stock_id=ROLL.stock_id,
                label=frame_label(ROLL.number, frame),
                roll_id=ROLL.id,
                frame=frame,
                state="loaded",
                loaded_at=ROLL.loaded_at,
            ),
        )
        at = f"{DAY}T12:{10 + frame}:00.000Z"
        if frame in lights:
            made.expose(connection, TIPS[lights[frame]], f"exposure-tip-{frame}", piece.id, at)
        else:
            pieces.move(connection, piece, "skip", at)
    first = _found(connection, f"{ROLL.id}-1")
    pieces.put(connection, replace(first, weight=2))


def _found(connection: Connection, id_: str) -> Piece:
    piece = pieces.piece(connection, id_)
    assert piece is not None
    return piece
