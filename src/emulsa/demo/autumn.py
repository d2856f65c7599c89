"""The outing before: two sheets developed and judged, one of them scanned, and a finished roll."""

from __future__ import annotations

from dataclasses import replace
from pathlib import Path

from emulsa.core.darkroom.run import Run
from emulsa.core.exposing.request import High
from emulsa.core.film.acts import rolling
from emulsa.core.film.acts.loading import RollLoading, load_roll
from emulsa.core.film.acts.rolling import TakingOut, Weighing
from emulsa.core.film.judgement import Judgement, MeasuredSpot
from emulsa.core.film.pieces import Side
from emulsa.core.film.rolls import Roll
from emulsa.core.outing.record import Outing
from emulsa.core.scene.record import Pin, Scene, SceneReading
from emulsa.core.sensitometry.belief import Shadow
from emulsa.demo import made, scan
from emulsa.demo.bag import METER
from emulsa.demo.calendar import Moved
from emulsa.demo.scanned import Shot
from emulsa.store import films, pieces, records, rolls, scenes, stock
from emulsa.store.database import Connection

DAY = "2025-11-22"
DEVELOPED = "2025-11-25T20:10:00.000Z"
JUDGED = "2025-11-26T18:00:00.000Z"
SCANNED = "2025-11-27T19:00:00.000Z"

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

ROLL = RollLoading(
    id="roll-tips",
    film_id="film-ostrel",
    stock_id="brick-ostrel",
    format="6x6",
    camera_id="camera-box",
)
RUN = Run(
    id="run-shed",
    name="Corvane N−1, saw beds",
    recipe_id="recipe-corvane-mq",
    n=-1,
    minutes=6.5,
    temperature_c=20,
)
# Side, what the eye says, and what the densitometer found under the saw bed and in the roof's hole.
NEGATIVES: tuple[tuple[Side, Shadow, str, float, float], ...] = (
    ("A", "thin", "saw teeth just hold", 0.41, 1.29),
    ("B", "full", "", 0.44, 1.33),
)
CLEAR_FILM = 0.20
FRAMES = ((1, 0), (2, 0), (3, 1), (6, 2), (7, 2))  # frame, and which light
SHOT = Shot("cutting-shed", ev=7, zone=3, n=-1)
SCANS = (
    ("cutting-shed-5A", "scan-shed", "exposure-shed-A", SHOT),
    ("cutting-shed-5B", "scan-shed-b", "exposure-shed-B", replace(SHOT, error_stops=0.3)),
)
LAST = 12  # the roll was wound to its end


def fill(connection: Connection, folder: Path, moved: Moved) -> None:
    """Put the outing, its sheets and its roll into a database whose kit is there."""
    records.keep(connection, moved(OUTING))
    for scene in (SHED, *TIPS):
        scenes.put(connection, moved(scene))
    _sheets(connection, moved)
    for name, id_, exposure_id, shot in SCANS:
        at = moved(SCANNED)
        scan.attach(connection, folder, shot, name, at, id_=id_, exposure_id=exposure_id)
    _roll(connection, moved)


def _sheets(connection: Connection, moved: Moved) -> None:
    for side, *_ in NEGATIVES:
        id_ = f"sheet-shed-{side}"
        made.sheet(connection, id_, f"5{side}", "film-corvane", moved(f"{DAY}T07:40:00.000Z"))
        at = moved(f"{DAY}T10:{41 if side == 'A' else 44}:00.000Z")
        made.expose(connection, moved(SHED), f"exposure-shed-{side}", id_, at)
    ids = [f"sheet-shed-{side}" for side, *_ in NEGATIVES]
    made.develop(connection, RUN, ids, moved(DEVELOPED))
    for (_, shadow, note, low, high), id_ in zip(NEGATIVES, ids, strict=True):
        word = Judgement(
            id=id_,
            shadow=shadow,
            highlight="full",
            note=note,
            base_fog=CLEAR_FILM,
            measured=(
                MeasuredSpot(reading_id="under", density=low),
                MeasuredSpot(reading_id="roof", density=high),
            ),
        )
        made.judge(connection, word, moved(JUDGED))


def _roll(connection: Connection, moved: Moved) -> None:
    film = films.film(connection, ROLL.film_id)
    assert film is not None
    box = stock.box(connection, ROLL.stock_id)
    at = moved(f"{DAY}T08:00:00.000Z")
    loaded = load_roll(ROLL, film, box, rolls.next_number(connection), at)
    records.carry_out(connection, loaded)
    records.carry_out(connection, rolling.advance(_loaded(connection)))
    lights = dict(FRAMES)
    for frame in range(1, LAST + 1):
        at = moved(f"{DAY}T12:{10 + frame}:00.000Z")
        if frame in lights:
            scene = moved(TIPS[lights[frame]])
            made.expose(connection, scene, f"exposure-tip-{frame}", f"{ROLL.id}-{frame}", at)
        else:
            frames = pieces.of_roll(connection, ROLL.id)
            records.carry_out(connection, rolling.wind_on(_loaded(connection), frames, at))
    weighing = Weighing(frame=1, weight=2)
    frames = pieces.of_roll(connection, ROLL.id)
    records.carry_out(connection, rolling.weigh(_loaded(connection), frames, weighing))
    finished = rolling.take_out(_loaded(connection), TakingOut(finished=True))
    records.carry_out(connection, finished)


def _loaded(connection: Connection) -> Roll:
    roll = rolls.roll(connection, ROLL.id)
    assert roll is not None
    return roll
