"""Records as they are begun: what a sheet shows before anything is typed into it.

What a record says of itself is its own default; what it cannot be without is a usual value here,
to be written over. Ids, names and days are given when it is kept. Common practice, no source.
"""

from __future__ import annotations

from typing import Any

from emulsa.core.bench.record import FilmTest
from emulsa.core.chemistry.powder import Powder
from emulsa.core.corrections.filters import Filter
from emulsa.core.corrections.optics import Lens, Pinhole, Shutter
from emulsa.core.darkroom.run import Run
from emulsa.core.development.recipes import Point, Recipe
from emulsa.core.film.formats import SheetFormat
from emulsa.core.film.holders import Holder
from emulsa.core.film.stock import Stock
from emulsa.core.kit.bag import Camera, KitFilter, KitLens, KitPinhole, Meter
from emulsa.core.kit.darkroom import Bath, Bottle, Line, Tank
from emulsa.core.kit.films import Film, FilmRecipe
from emulsa.core.kit.plain import SEQUENCE
from emulsa.core.kit.printing import Enlarger, PrintingPaper
from emulsa.core.logged.record import Given
from emulsa.core.outing.record import Outing
from emulsa.core.prints.record import Mat, OwnLight
from emulsa.core.scene.record import Scene
from emulsa.core.scene.seeing import SeeingAsked

POUR_S = 10.0  # to fill a tank, and to empty it

BEGUN: dict[str, Any] = {
    "films": Film(id="", name="", exposure_index=100.0),
    "recipes": FilmRecipe(id="", film_id="", name="", recipe=Recipe()),
    "cameras": Camera(id="", name=""),
    "lenses": KitLens(
        id="", name="", optics=Lens(focal_length_mm=150, widest="5.6", smallest="64")
    ),
    "pinholes": KitPinhole(id="", name="", optics=Pinhole(diameter_mm=0.3, distance_mm=75)),
    "filters": KitFilter(id="", name="", filter=Filter(factor=2)),
    "formats": SheetFormat(id="", name="", size_mm=(164, 119)),
    "meters": Meter(id="", name=""),
    "tanks": Tank(id="", name="", pour_s=POUR_S, drain_s=POUR_S),
    "lines": Line(id="", name="", baths=SEQUENCE.baths),
    "bottles": Bottle(id="", name="", kind="fixer"),
    "powders": Powder(id="", name="", parts=()),
    "papers": PrintingPaper(id="", name=""),
    "enlargers": Enlarger(id="", name=""),
    "bath": Bath(name="", kind="rinse"),
    "point": Point(n=0, minutes=1, origin="published"),
    "seeing": SeeingAsked(),
    "scene": Scene(id="", outing_id="", title="New scene"),
    "outing": Outing(id="", title=""),
    "stock": Stock(id="", film_id="", format="4x5", count=25),
    "holder": Holder(id="", number=1),
    "test": FilmTest(id="", film_id="", title=""),
    "run": Run(id="", name=""),
    "mat": Mat(),
    "own_light": OwnLight(),
    "shutter": Shutter(),
    "given": Given(id="", scene_id="", piece_id=""),
}
