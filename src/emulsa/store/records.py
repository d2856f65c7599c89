"""Every table that is a record: its kind and how its rows are ordered."""

from __future__ import annotations

from sqlite3 import Connection
from typing import Any

from emulsa.core.bench.record import FilmTest
from emulsa.core.chemistry.powder import Powder
from emulsa.core.darkroom.run import Run
from emulsa.core.film.formats import SheetFormat
from emulsa.core.film.holders import Holder
from emulsa.core.film.judgement import Judgement
from emulsa.core.film.moves import Moved, Outcome
from emulsa.core.film.pieces import Piece
from emulsa.core.film.rolls import Roll, Strip
from emulsa.core.film.stock import Stock
from emulsa.core.kit.bag import Camera, KitFilter, KitLens, KitPinhole, Meter
from emulsa.core.kit.darkroom import Bottle, Line, Tank
from emulsa.core.kit.films import Film, FilmRecipe
from emulsa.core.kit.printing import Enlarger, PrintingPaper
from emulsa.core.logged.attachment import Attachment
from emulsa.core.logged.record import Exposure
from emulsa.core.outing.record import Outing
from emulsa.core.practice.record import PracticeAnswer, PractisedScene
from emulsa.core.prints.record import KeptStrip
from emulsa.core.scene.record import Scene
from emulsa.store.drawn import DrawnShape, PrintRow, TryRow
from emulsa.store.rows import Table, delete, one, put

FILM = Table("film", Film, "name", pairs={"textural_range": ("textural_low", "textural_high")})
RECIPE = Table("recipe", FilmRecipe, "film_id, rowid")
CAMERA = Table("camera", Camera, "name", pairs={"format_mm": ("width_mm", "height_mm")})
LENS = Table("lens", KitLens, "json_extract(optics, '$.focal_length_mm'), name")
PINHOLE = Table("pinhole", KitPinhole, "name")
FILTER = Table("filter", KitFilter, "name")
METER = Table("meter", Meter, "name")
FORMAT = Table("sheet_format", SheetFormat, "name", pairs={"size_mm": ("width_mm", "height_mm")})
TANK = Table("tank", Tank, "name")
LINE = Table("line", Line, "name")
BOTTLE = Table("bottle", Bottle, "kind, name")
POWDER = Table("powder", Powder, "name")
STOCK = Table("stock", Stock)
HOLDER = Table("holder", Holder, "number")
ROLL = Table("roll", Roll, "number DESC")
STRIP = Table("strip", Strip, "roll_id, first_frame")
PIECE = Table("piece", Piece, "loaded_at, rowid")
RUN = Table("run", Run, "begun_at, rowid")
OUTING = Table("outing", Outing, "day DESC, rowid DESC")
SCENE = Table("scene", Scene, "rowid", without=("filter_ids", "readings"))
EXPOSURE = Table("exposure", Exposure, "exposed_at, rowid", within=("taken",))
JUDGEMENT = Table("judgement", Judgement, "at")
ATTACHMENT = Table("attachment", Attachment)
FILM_TEST = Table("film_test", FilmTest, "day DESC, rowid DESC")
PAPER = Table("printing_paper", PrintingPaper, "name")
ENLARGER = Table("enlarger", Enlarger, "name")
PRINT = Table("print", PrintRow, "rowid DESC")
PRINT_STRIP = Table("print_strip", KeptStrip)
PRINT_TRY = Table("print_try", TryRow, "number, rowid")
PRINT_SHAPE = Table("print_shape", DrawnShape)
PRACTICE_ANSWER = Table("practice_answer", PracticeAnswer, "day, rowid")
PRACTISED_SCENE = Table("practised_scene", PractisedScene, "rowid DESC")

BY_KIND: dict[type, Table[Any]] = {
    each.kind: each
    for each in (
        *(FILM, RECIPE, CAMERA, LENS, PINHOLE, FILTER, METER, FORMAT),
        *(TANK, LINE, BOTTLE, POWDER, STOCK, HOLDER, ROLL, STRIP, PIECE, RUN),
        *(OUTING, EXPOSURE, JUDGEMENT, ATTACHMENT, FILM_TEST, PAPER, ENLARGER),
        *(PRINT, PRINT_STRIP, PRINT_TRY, PRINT_SHAPE, PRACTICE_ANSWER, PRACTISED_SCENE),
    )
}

# Every kind of kit by the name of its list.
KINDS: dict[str, Table[Any]] = {
    "films": FILM,
    "recipes": RECIPE,
    "cameras": CAMERA,
    "lenses": LENS,
    "pinholes": PINHOLE,
    "filters": FILTER,
    "meters": METER,
    "formats": FORMAT,
    "tanks": TANK,
    "lines": LINE,
    "bottles": BOTTLE,
    "powders": POWDER,
    "papers": PAPER,
    "enlargers": ENLARGER,
}


def keep(connection: Connection, record: Any) -> None:
    """Insert a record of any kind, or make the stored one equal to it."""
    put(connection, BY_KIND[type(record)], record)


def read_back(connection: Connection, record: Any) -> Any:
    """A record as it is kept."""
    return one(connection, BY_KIND[type(record)], record.id)


def carry_out(connection: Connection, outcome: Outcome) -> None:
    """What an act comes to, as the core decided it: kept, moved, gone."""
    for record in outcome.kept:
        keep(connection, record)
    for each in outcome.moved:
        _move(connection, each)
    for gone in outcome.gone:
        delete(connection, BY_KIND[gone.kind], gone.id)


def _move(connection: Connection, moved: Moved) -> None:
    """A piece after its move, and the step its story gains; its steps stay when it is gone."""
    if moved.after is None:
        delete(connection, PIECE, moved.piece_id)
    else:
        put(connection, PIECE, moved.after)
    connection.execute(
        """
        INSERT INTO step (id, at, piece_id, move, before, after, note)
        SELECT
            :piece_id || ':' || (count(*) + 1), :at, :piece_id, :move, :before, :after, :note
        FROM step WHERE piece_id = :piece_id
        """,
        {
            "piece_id": moved.piece_id,
            "at": moved.at,
            "move": moved.move,
            "before": moved.state_before,
            "after": moved.state_after,
            "note": moved.note,
        },
    )
