"""Loading and unloading: film out of its box into sides or a camera, and back."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace
from typing import Annotated

from emulsa.core.development.ratings import RatingReason
from emulsa.core.errors import Impossible
from emulsa.core.film import stock
from emulsa.core.film.formats import FormatKey, SheetFormat, format_name, frame_format
from emulsa.core.film.holders import Holder, sides
from emulsa.core.film.moves import Gone, Moved, Outcome, load, move
from emulsa.core.film.pieces import Piece, Side, frame_label
from emulsa.core.film.rolls import FrameCount, Roll, Strip, whole_strip
from emulsa.core.film.states import move as state_after
from emulsa.core.film.stock import Stock
from emulsa.core.kit.films import Film
from emulsa.core.limits import ExposureIndex, Id, Label, Length, Note

SidesText = Annotated[str, Length("The sides", 1, 200)]


@dataclass(frozen=True, kw_only=True, slots=True)
class Loading:
    """Film into sides, as typed: ``3-4 6B``, from a box or from none that is in stock.

    The id is the loading's: its sheets are named by it, and a sheet is loaded once.
    """

    id: Id
    film_id: Id
    sides: SidesText
    stock_id: Id | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class Unloading:
    """Sheets out of their sides: unexposed ones back into their box, exposed ones into a named one.

    Without ``box`` only unexposed sheets may be named; with it, only exposed ones.
    """

    sides: SidesText
    box: Label = ""


@dataclass(frozen=True, kw_only=True, slots=True)
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
    rating_reason: RatingReason | None = None
    note: Note = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class Board:
    """The holders, what lies in their sides now, one's own formats, and every piece there ever was
    of the ids a loading would make."""

    holders: tuple[Holder, ...]
    lying: Mapping[tuple[str, str], Piece]
    formats: tuple[SheetFormat, ...] = ()
    known_ids: frozenset[str] = frozenset()

    def holder(self, number: int) -> Holder:
        return next(each for each in self.holders if each.number == number)

    def sides(self, text: str) -> list[tuple[Holder, Side]]:
        numbers = {each.number for each in self.holders}
        return [(self.holder(number), side) for number, side in sides(text, numbers)]


@dataclass(frozen=True, kw_only=True, slots=True)
class Box:
    """A box of film and how much of it was taken already."""

    stock: Stock
    taken: int


def piece_id(loading: Loading, holder: Holder, side: Side) -> str:
    """A sheet's name, by its loading and its side."""
    return f"{loading.id}-{holder.number}{side}"


def load_sides(loading: Loading, film: Film, board: Board, box: Box | None, at: str) -> Outcome:
    """All the sides named, or none: each must be empty, of the box's format, and its holder in use.

    A sheet of this loading that is known already, wherever it is by now, was loaded by an earlier
    sending of the same loading: it is left as it is.
    """
    new = []
    for holder, side in board.sides(loading.sides):
        if piece_id(loading, holder, side) in board.known_ids:
            continue
        there = board.lying.get((holder.id, side))
        state_after(there.state if there else "empty", "load", f"Side {holder.number}{side}")
        _fits(holder, box, board.formats)
        new.append((holder, side))
    moved = tuple(load(_sheet(loading, holder, side, at)) for holder, side in new)
    return Outcome(
        says=f"load {loading.sides} with {film.name}",
        kept=_opened(film, box, len(new), at) if new else (),
        moved=moved,
    )


def unload_sides(unloading: Unloading, board: Board, at: str) -> Outcome:
    """Sheets out of their holders."""
    box = unloading.box.strip()
    moved: list[Moved] = []
    for holder, side in board.sides(unloading.sides):
        there = board.lying.get((holder.id, side))
        if there is None:
            state_after("empty", "box" if box else "unload", f"Side {holder.number}{side}")
        elif box:
            moved.append(move(there, "box", at, box, in_place=False, kept_in=box))
        elif there.state == "exposed":
            raise Impossible(
                f"Side {there.label} holds an exposed sheet; name the box it goes into.",
                field="box",
            )
        else:
            moved.append(move(there, "unload", at, f"{there.label}, back to its box"))
    return Outcome(
        says=f"unload {unloading.sides}" + (f" into {box}" if box else ""), moved=tuple(moved)
    )


def load_roll(
    loading: RollLoading,
    film: Film,
    box: Box | None,
    number: int,
    at: str,
    own: tuple[SheetFormat, ...] = (),
) -> Outcome:
    """A roll with all its frames, unexposed; its number is the next one free. ``own`` are one's own
    formats."""
    format_ = frame_format(loading.format, own)
    if box is not None and box.stock.format != format_.film:
        raise Impossible(
            f"{format_.name} is taken on {format_.film} film; this box holds {box.stock.format}.",
            field="stock_id",
        )
    roll = Roll(
        id=loading.id,
        number=number,
        film_id=film.id,
        stock_id=loading.stock_id,
        format=loading.format,
        frames=loading.frames or format_.frames,
        camera_id=loading.camera_id,
        back=loading.back,
        exposure_index=loading.exposure_index,
        rating_reason=loading.rating_reason,
        loaded_at=at,
        note=loading.note,
    )
    return Outcome(
        says=f"load a roll of {film.name}",
        kept=(*_opened(film, box, 1, at), roll, whole_strip(roll)),
        moved=tuple(load(_frame(roll, frame)) for frame in range(1, roll.frames + 1)),
    )


def unload_roll(roll: Roll, frames: Iterable[Piece], strips: Iterable[Strip], at: str) -> Outcome:
    """A roll out unexposed: as if it had not been loaded; its steps stay in the log."""
    note = f"roll {roll.number}, back to its box"
    return Outcome(
        says=f"take roll {roll.number} out unexposed",
        moved=tuple(move(each, "unload", at, note) for each in frames),
        gone=(
            *(Gone(kind=Strip, id=each.id) for each in strips),
            Gone(kind=Roll, id=roll.id),
        ),
    )


def _opened(film: Film, box: Box | None, wanted: int, at: str) -> tuple[Stock, ...]:
    """The box film is taken from, opened by it if it was not; refused when it does not hold it."""
    if box is None:
        return ()
    if box.stock.film_id != film.id:
        raise Impossible(f"That box does not hold {film.name}.", field="stock_id")
    stock.take(box.stock, box.taken, wanted)
    return () if box.stock.opened else (replace(box.stock, opened=at[:10]),)


def _fits(holder: Holder, box: Box | None, own: tuple[SheetFormat, ...]) -> None:
    if holder.retired:
        raise Impossible(f"Holder {holder.number} is retired; choose another.", field="sides")
    if box is not None and box.stock.format != holder.format:
        raise Impossible(
            f"Holder {holder.number} takes {format_name(holder.format, own)}; this box holds"
            f" {format_name(box.stock.format, own)}.",
            field="stock_id",
        )


def _sheet(loading: Loading, holder: Holder, side: Side, at: str) -> Piece:
    return Piece(
        id=piece_id(loading, holder, side),
        film_id=loading.film_id,
        stock_id=loading.stock_id,
        label=f"{holder.number}{side}",
        holder_id=holder.id,
        side=side,
        state="loaded",
        loaded_at=at,
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
