"""The first outing: a film tried on one light, in two developers and at three indices; five of its
negatives are a bracket. All are developed, judged and scanned."""

from __future__ import annotations

from dataclasses import dataclass, replace
from pathlib import Path

from emulsa.core.corrections.reciprocity import PowerLaw
from emulsa.core.darkroom.run import Run
from emulsa.core.development.recipes import Point, Rating, Recipe
from emulsa.core.exposing.request import High
from emulsa.core.film.judgement import Grain, Judgement
from emulsa.core.film.stock import Stock
from emulsa.core.kit.films import Film, FilmRecipe, FilmUse
from emulsa.core.outing.record import Outing
from emulsa.core.scene.record import Pin, Scene
from emulsa.core.sensitometry.belief import Highlight, Shadow
from emulsa.demo import made, scan
from emulsa.demo.bag import METER
from emulsa.demo.calendar import Moved
from emulsa.demo.scanned import COARSE, FINE, MEDIUM, Shot
from emulsa.store import records, scenes
from emulsa.store.database import Connection

DAY = "2025-10-18"
DEVELOPED = {
    "recipe-harle-mq": "2025-10-21T19:30:00.000Z",
    "recipe-harle-fine": "2025-10-22T19:30:00.000Z",
}
JUDGED = "2025-10-24T18:00:00.000Z"
SCANNED = "2025-10-25T17:00:00.000Z"

FILM = Film(
    id="film-harle",
    name="Harle 200",
    exposure_index=200,
    law=PowerLaw(exponent=1.28, from_s=1),
    price=2.8,
    uses=(
        FilmUse(use="mist and soft light"),
        FilmUse(use="hand-held, in the streets", verdict="perhaps"),
        FilmUse(use="large prints", verdict="no"),
    ),
    note="On trial: one light, two developers, three indices.",
)
BOX = Stock(id="box-harle", film_id=FILM.id, format="4x5", count=10, price=28, opened="2025-10-12")
RECIPES = (
    FilmRecipe(
        id="recipe-harle-mq",
        film_id=FILM.id,
        name="Metol–hydroquinone 1+2, trays",
        recipe=Recipe(
            developer="metol–hydroquinone developer",
            dilution="1+2",
            agitation="tray shuffle",
            ratings=(Rating(ei=100, minutes=8), Rating(ei=200, minutes=9.5)),
            points=(Point(n=0, minutes=9.5, ei=200, origin="published", who="the film's leaflet"),),
        ),
    ),
    FilmRecipe(
        id="recipe-harle-fine",
        film_id=FILM.id,
        name="Fine-grain metol, trays",
        recipe=Recipe(
            developer="fine-grain metol developer",
            dilution="stock",
            agitation="tray shuffle",
            ratings=(
                Rating(ei=100, minutes=12),
                Rating(ei=200, minutes=14),
                Rating(ei=400, minutes=18),
            ),
            points=(Point(n=0, minutes=14, ei=200, origin="published", who="the film's leaflet"),),
        ),
    ),
)
OUTING = Outing(
    id="outing-trials",
    title="First outing, a film on trial",
    day=DAY,
    place="Skarrowmoor slate quarry, disused",
    conditions="Mist on the tip all day, no wind",
    temperature_c=6,
)
TIP = Scene(
    id="scene-trial-tip",
    outing_id=OUTING.id,
    title="Tip in mist, post",
    film_id=FILM.id,
    recipe_id="recipe-harle-mq",
    lens_id="lens-150",
    meter_id=METER.id,
    aperture="16",
    pin=Pin(reading="trial-blocks", zone=3),
    high=High(reading="trial-mist", zone=7),
    n=0,
    readings=(
        made.reading(DAY, "trial-blocks", "near blocks", 9 + 1 / 3, 60),
        made.reading(DAY, "trial-scree", "scree", 11 + 2 / 3, 60),
        made.reading(DAY, "trial-mist", "mist", 13, 61),
    ),
)
FINE_TIP = replace(
    TIP, id="scene-trial-fine", title="Tip in mist, fine grain", recipe_id="recipe-harle-fine"
)


@dataclass(frozen=True)
class Trial:
    """A sheet of the trial: its side, how it was exposed, what it showed."""

    where: str
    minute: int
    shadow: Shadow
    highlight: Highlight
    stops: float = 0
    ei: float = 200
    note: str = ""
    best: bool = False
    seen: Grain = "medium"


BRACKET = (
    Trial("1A", 20, "heavy", "blocked", 2, note="the mist has no tones left"),
    Trial("1B", 21, "full", "full", 1, best=True),
    Trial("2A", 22, "full", "full", 0),
    Trial("2B", 23, "thin", "full", -1),
    Trial("3A", 24, "none", "flat", -2, note="the blocks are one black"),
)
SINGLE = (
    Trial("3B", 40, "full", "full", ei=100, note="the finest grain of all", seen="fine"),
    Trial("4A", 44, "thin", "flat", ei=400, note="rough, but there", seen="coarse"),
)


def fill(connection: Connection, folder: Path, moved: Moved) -> None:
    """Put the film, its trial and its scans into a database whose kit is there."""
    for record in (FILM, BOX, *RECIPES, OUTING):
        records.keep(connection, moved(record))
    rated = [
        replace(
            FINE_TIP,
            id=f"{FINE_TIP.id}-{each.ei:g}",
            title=f"{FINE_TIP.title} at EI {each.ei:g}",
            exposure_index=each.ei,
        )
        for each in SINGLE
    ]
    for scene in (TIP, *rated):
        scenes.put(connection, moved(scene))
    for trial in BRACKET:
        _expose(connection, moved, TIP, trial, bracket_id="bracket-tip")
    for scene, trial in zip(rated, SINGLE, strict=True):
        _expose(connection, moved, scene, trial)
    _develop(connection, moved, BRACKET, RECIPES[0], 9.5)
    for trial, minutes in zip(SINGLE, (12, 18), strict=True):
        _develop(connection, moved, (trial,), RECIPES[1], minutes)
    for trial in (*BRACKET, *SINGLE):
        word = Judgement(
            id=_sheet(trial),
            shadow=trial.shadow,
            highlight=trial.highlight,
            best=trial.best,
            note=trial.note,
            grain=trial.seen,
        )
        made.judge(connection, word, moved(JUDGED))
        name, id_ = f"tip-in-mist-{trial.where}", f"scan-trial-{trial.where}"
        at = moved(SCANNED)
        scan.attach(connection, folder, _shot(trial), name, at, id_=id_, exposure_id=_id(trial))


def _sheet(trial: Trial) -> str:
    return f"sheet-trial-{trial.where}"


def _id(trial: Trial) -> str:
    return f"exposure-trial-{trial.where}"


def _expose(
    connection: Connection, moved: Moved, scene: Scene, trial: Trial, bracket_id: str | None = None
) -> None:
    made.sheet(connection, _sheet(trial), trial.where, FILM.id, moved(f"{DAY}T07:30:00.000Z"))
    made.expose(
        connection,
        moved(scene),
        _id(trial),
        _sheet(trial),
        moved(f"{DAY}T10:{trial.minute}:00.000Z"),
        bracket_id=bracket_id,
        bracket_stops=trial.stops,
    )


def _develop(
    connection: Connection,
    moved: Moved,
    trials: tuple[Trial, ...],
    recipe: FilmRecipe,
    minutes: float,
) -> None:
    run = Run(
        id=f"run-trial-{trials[0].where}",
        name=f"{FILM.name}, {recipe.name}",
        recipe_id=recipe.id,
        n=0,
        minutes=minutes,
        temperature_c=20,
    )
    made.develop(connection, run, [_sheet(each) for each in trials], moved(DEVELOPED[recipe.id]))


def _shot(trial: Trial) -> Shot:
    grain = {"fine": FINE, "coarse": COARSE}.get(trial.seen, MEDIUM)
    light = trial.stops if trial in BRACKET else 0
    return Shot("tip", ev=9.33, zone=3, error_stops=light, grain=grain, left=0)
