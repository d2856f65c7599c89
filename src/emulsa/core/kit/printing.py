"""What prints are made with: papers as their filters make them, and the enlarger."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from emulsa.core import tables
from emulsa.core.chemistry.baths import StepKind
from emulsa.core.data.agitation import ROCKING
from emulsa.core.errors import Unsound
from emulsa.core.kit.darkroom import Bath, check_baths
from emulsa.core.light.marks import ApertureMark
from emulsa.core.limits import Day, Id, Label, Length, Name, Note, Within
from emulsa.core.moments import day_number
from emulsa.core.printing.grade import PaperRange
from emulsa.core.printing.planned import (
    DryingDown,
    FilterFactor,
    Magnification,
    PaperMm,
    PaperSpeed,
)
from emulsa.core.printing.strip import LampLag
from emulsa.core.rendering.paper import PaperBlack, PaperStep, PaperWhite

FocalLengths = Annotated[
    tuple[Annotated[float, Within("An enlarging lens's focal length", 10, 1_000, "mm")], ...],
    Length("Enlarging lenses", 0, 12, tables.numbers),
]
SheetCount = Annotated[int, Within("Sheets in a box of paper", 1, 10_000)]
SheetsGone = Annotated[int, Within("Sheets of paper gone already", 0, 10_000)]
PaperPrice = Annotated[float, Within("The price of a box of paper", 0, 100_000)]
Cut = Annotated[int, Within("Strips cut from a sheet", 1, 40)]


LongExponent = Annotated[float, Within("The paper’s exponent over a minute", 1, 2)]


@dataclass(frozen=True, kw_only=True, slots=True)
class PaperFilter:
    """A filter, or the grade of a graded paper: the range it gives, its speed and its factor."""

    label: Label
    range: PaperRange = 1.05
    speed: PaperSpeed = 100.0
    factor: FilterFactor = 1.0


@dataclass(frozen=True, kw_only=True, slots=True)
class PaperBox:
    """A box of a paper in one size: sheets bought, those gone otherwise than by prints noted here,
    since when it is open, its price, and into how many strips a sheet is cut for tests."""

    width_mm: PaperMm
    height_mm: PaperMm
    sheets: SheetCount
    opened: Day = ""
    gone: SheetsGone = 0
    price: PaperPrice | None = None
    cut: Cut = 5

    def __post_init__(self) -> None:
        if self.gone > self.sheets:
            raise Unsound(
                f"{self.gone} are gone of {self.sheets}; no more can be gone than there were.",
                field="gone",
                allowed=[0, self.sheets],
            )
        if self.opened:
            day_number(self.opened, "opened")


PaperBoxes = Annotated[tuple[PaperBox, ...], Length("Boxes of a paper", 0, 40, tables.paper_boxes)]
PaperFilters = Annotated[
    tuple[PaperFilter, ...], Length("Filters of a paper", 1, 16, tables.paper_filters)
]
PaperSteps = Annotated[
    tuple[PaperStep, ...], Length("Measured steps of a paper", 0, 60, tables.paper_steps)
]


@dataclass(frozen=True, kw_only=True, slots=True)
class PaperBath(Bath):
    """A bath of the paper; its developer has a time of its own. Without a kind it is no more than
    a time, as papers were kept before."""

    kind: StepKind = "rinse"


USUAL_BATHS = (
    PaperBath(name="Developer", kind="developer", seconds=120, agitation=ROCKING),
    PaperBath(name="Stop bath", kind="stop", seconds=30, agitation=ROCKING),
    PaperBath(name="Fixer", kind="fixer", seconds=300, agitation=ROCKING),
    PaperBath(name="Wash", kind="wash", seconds=1_800),
)


@dataclass(frozen=True, kw_only=True, slots=True)
class PrintingPaper:
    """A paper: its filters or grades, black, white, what it loses as it dries, and its own measured
    steps where there are some; ``baths`` as its maker gives them."""

    id: Id
    name: Name
    surface: Label = ""
    filters: PaperFilters = (PaperFilter(label="no filter"),)
    dmax: PaperBlack = 2.1
    dmin: PaperWhite = 0.05
    drying_down: DryingDown = 0.0
    long_exponent: LongExponent = 1.0
    steps: PaperSteps = ()
    boxes: PaperBoxes = ()
    baths: Annotated[tuple[PaperBath, ...], Length("Baths of a paper", 0, 12)] = USUAL_BATHS
    note: Note = ""
    archived: bool = False

    def __post_init__(self) -> None:
        labels = [each.label for each in self.filters]
        if len(set(labels)) < len(labels):
            raise Unsound("Each filter of a paper needs a name of its own.", field="filters")
        check_baths(self.baths)


@dataclass(frozen=True, kw_only=True, slots=True)
class Enlarger:
    """An enlarger: its lamp's lag, lenses, marks, and how far it goes."""

    id: Id
    name: Name
    lamp_lag_s: LampLag = 0.0
    focal_lengths_mm: FocalLengths = ()
    widest: ApertureMark = "5.6"
    smallest: ApertureMark = "22"
    least_magnification: Magnification = 1.0
    most_magnification: Magnification = 12.0
    note: Note = ""
    archived: bool = False

    def __post_init__(self) -> None:
        if self.most_magnification <= self.least_magnification:
            raise Unsound(
                "The largest magnification must lie above the smallest.",
                field="most_magnification",
            )
