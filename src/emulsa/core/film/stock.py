"""Stock: boxes of sheets and bricks of rolls, what is left of them and what one exposure costs."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Annotated, Literal

from emulsa.core.data.formats import ROLLS
from emulsa.core.errors import Impossible, Unreadable, Unsound
from emulsa.core.film.formats import FormatKey
from emulsa.core.limits import Id, Label, Length, Note, Within
from emulsa.core.numbers import counted, plain
from emulsa.core.written import money_text, month_words, size_words

Count = Annotated[int, Within("Sheets or rolls in a box", 1, 10_000)]
Spent = Annotated[int, Within("Sheets or rolls gone already", 0, 10_000)]
BoxPrice = Annotated[float, Within("The price of a box", 0, 100_000)]
Place = Literal["freezer", "fridge", "shelf", "bag"]
Month = Annotated[str, Length("The expiry month", 0, 10)]

LOW_SHARE = 0.2  # a fifth of the box left: time to buy. Common practice, no source
SOON_MONTHS = 3  # said this long before the month on the box


YEARS_A_STOP = {"freezer": 40.0, "fridge": 20.0, "shelf": 10.0, "bag": 10.0}
LEAST_STOPS, NEARLY_HALF = 0.2, 0.4


@dataclass(frozen=True, kw_only=True, slots=True)
class Stock:
    """A box of sheets, or rolls of a kind bought together.

    ``format`` is a sheet's, or ``120`` or ``135``; ``spent`` counts what was used, lost or given
    away without being loaded here; ``expires`` is ``2027-06`` or empty.
    """

    id: Id
    film_id: Id
    format: FormatKey
    count: Count
    spent: Spent = 0
    price: BoxPrice | None = None
    expires: Month = ""
    kept: Place = "fridge"
    opened: Label = ""
    emulsion: Label = ""
    note: Note = ""
    archived: bool = False

    def __post_init__(self) -> None:
        if self.spent > self.count:
            raise Unsound(
                f"{self.spent} are gone of {self.count}; no more can be gone than there were.",
                field="spent",
                allowed=[0, self.count],
            )
        if self.expires:
            month_number(self.expires)


@dataclass(frozen=True, kw_only=True, slots=True)
class StockState:
    """What is left of a box, whether one loads from it, what one of it costs, and what is worth
    saying about it: ``says`` what may be amiss, ``warm_up`` what to do before it is opened.
    ``life`` is the share of its time between opening and expiry that has passed, over 1 when it is
    over; empty where either is not known. ``drawn`` says in words what its drawing shows."""

    left: int
    offered: bool
    each_text: str
    low: bool
    expired: bool
    says: str
    warm_up: str
    loaded: int
    life: float | None
    drawn: str


def left(stock: Stock, taken: int) -> int:
    """Sheets or rolls still in the box when ``taken`` of them were loaded."""
    return stock.count - stock.spent - taken


def cost_each(stock: Stock, frames: int = 1) -> float | None:
    """What one sheet costs, or one of a roll's ``frames``; nothing when the price is not known.

    >>> cost_each(Stock(id="s", film_id="f", format="120", count=5, price=30), frames=12)
    0.5
    """
    return None if stock.price is None else stock.price / stock.count / frames


def take(stock: Stock, taken: int, wanted: int) -> int:
    """What is left after taking ``wanted`` more; Impossible when the box does not hold them."""
    there = left(stock, taken)
    if wanted > there:
        noun = "rolls" if stock.format in ROLLS else "sheets"
        raise Impossible(
            f"This box has {plain(there)} {noun} left; {wanted} are asked for.",
            field="stock_id",
            allowed=[0, there],
        )
    return there - wanted


def open_(stock: Stock, day: str) -> Stock:
    """The box opened on a day."""
    return replace(stock, opened=day)


def state(stock: Stock, taken: int, today: str, loaded: int = 0) -> StockState:
    """A box as it stands on a day (``2026-11-25``), with so many loaded and unexposed."""
    there = left(stock, taken)
    months = month_number(stock.expires) - month_number(today[:7]) if stock.expires else None
    expired = months is not None and months < 0
    low = there <= LOW_SHARE * stock.count
    said = []
    if expired and months is not None:
        said.append(f"expired {month_words(stock.expires)}: test first")
        if slower := _slower_text(-months / 12, stock.kept):
            said.append(slower)
    elif months is not None and months <= SOON_MONTHS:
        said.append(f"expires {month_words(stock.expires)}")
    if there == 0:
        said.append("empty")
    elif low:
        said.append(f"only {there} left")
    cold = stock.kept in ("freezer", "fridge") and not stock.opened and there > 0
    each = cost_each(stock)
    return StockState(
        left=there,
        offered=there > 0 and not stock.archived,
        each_text="" if each is None else f"{money_text(each)} each",
        low=low,
        expired=expired,
        says="; ".join(said),
        warm_up="let it reach room temperature before opening" if cold else "",
        loaded=loaded,
        life=_life(stock, today),
        drawn=_drawn_text(stock, there, loaded),
    )


def _slower_text(years: float, kept: str) -> str:
    """How much speed old film may have lost, a guess: a stop in ten years at room temperature, in
    twenty in the fridge, in forty in the freezer. Common practice, no source.

    >>> _slower_text(10, "shelf"), _slower_text(10, "freezer"), _slower_text(1, "shelf")
    ('a guess: begin 1 stop slower', 'a guess: begin ⅓ stop slower', '')
    """
    lost = years / YEARS_A_STOP.get(kept, YEARS_A_STOP["shelf"])
    if lost < LEAST_STOPS:
        return ""
    about = round(2 * lost) / 2 if lost >= NEARLY_HALF else 1 / 3
    return f"a guess: begin {size_words(about)} slower"


def _drawn_text(stock: Stock, there: int, loaded: int) -> str:
    noun = "roll" if stock.format in ROLLS else "sheet"
    said = f"{there} of {counted(stock.count, noun)} left"
    return f"{said}, {loaded} loaded" if loaded else said


def _life(stock: Stock, today: str) -> float | None:
    """The share of the months from opening to expiry that has passed.

    >>> _life(
    ...     Stock(
    ...         id="s", film_id="f", format="120", count=5, opened="2026-01-05", expires="2027-01"
    ...     ),
    ...     "2026-07-20",
    ... )
    0.5
    """
    if not stock.expires or not stock.opened:
        return None
    try:
        begun = month_number(stock.opened[:7])
    except Unreadable:  # opened "last spring": kept before a day was asked for
        return None
    whole = month_number(stock.expires) - begun
    return (month_number(today[:7]) - begun) / whole if whole > 0 else 1.0 + LOW_SHARE


def month_number(month: str) -> int:
    """Months since year 0 of ``2027-06`` (a day after it is read over); Unreadable otherwise.

    >>> month_number("2027-01") - month_number("2026-11")
    2
    """
    year, _, rest = month.partition("-")
    number = rest[:2]
    if not (len(year) == 4 and year.isdigit() and number.isdigit() and 1 <= int(number) <= 12):
        raise Unreadable(
            f"“{month}” is not a month; write the year and the month, as in 2027-06.",
            field="expires",
        )
    return int(year) * 12 + int(number) - 1
