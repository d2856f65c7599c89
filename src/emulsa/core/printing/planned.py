"""The plan of a print as it is asked for and answered."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.advice import Advice
from emulsa.core.light.marks import ApertureMark
from emulsa.core.limits import Id, Label, Length, Within
from emulsa.core.printing.strip import LampLag
from emulsa.core.sensitometry.curve import Fog

PARTS, AREAS = Length("Parts of a print", 1, 8), Length("Areas of a print", 0, 40)
PartSeconds = Annotated[float, Within("A part's time", 0.1, 3_600, "s")]
AreaSeconds = Annotated[float, Within("An area's time", 0, 3_600, "s")]
AreaStops = Annotated[float, Within("An area's stops", 0, 8, "stops")]
PAPER_MM = Within("A side of the paper", 20, 3_000, "mm")
PaperMm = Annotated[float, PAPER_MM]
DryingDown = Annotated[float, Within("Drying down", 0, 0.5)]
Magnification = Annotated[float, Within("The enlargement", 0.05, 100)]
PaperSpeed = Annotated[float, Within("The paper's speed", 1, 10_000)]
FilterFactor = Annotated[float, Within("A printing filter's factor", 0.05, 100)]


LampDistance = Annotated[float, Within("How far the lamp hangs", 50, 10_000, "mm")]


@dataclass(frozen=True, kw_only=True, slots=True)
class FactorChange:
    """A part's own filter factor, before and after."""

    before: FilterFactor = 1.0
    after: FilterFactor = 1.0


@dataclass(frozen=True, kw_only=True, slots=True)
class PrintPart:
    """A share of the base exposure, through a filter or a grade."""

    id: Id
    label: Label
    seconds: PartSeconds
    filter_factor: FactorChange | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class PrintArea:
    """What is burned or held back, in stops or in seconds, in one part; ``none`` is white light."""

    id: Id
    label: Label
    act: Literal["burn", "dodge"]
    part: Id
    stops: AreaStops | None = None
    seconds: AreaSeconds | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class PrintSetting:
    """What the times were, or will be, found with; ``lamp_mm`` is how far a lamp hangs over a
    contact print."""

    aperture: ApertureMark
    magnification: Magnification
    paper_speed: PaperSpeed = 100.0
    filter_factor: FilterFactor = 1.0
    base_fog: Fog = 0.0
    lamp_mm: LampDistance | None = None


Change = dict[Literal["from", "to"], PrintSetting]


@dataclass(frozen=True, kw_only=True, slots=True)
class PrintPlanRequest:
    """Parts in their order, areas in theirs; ``change`` re-works every time for something else."""

    parts: Annotated[tuple[PrintPart, ...], PARTS]
    areas: Annotated[tuple[PrintArea, ...], AREAS] = ()
    lamp_lag_s: LampLag = 0.0
    drying_down: DryingDown = 0.0
    change: Change | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class PrintHold:
    """A dodge within its part: when it begins, how long it is held, in stops."""

    id: str
    label: str
    start_s: float
    hold_s: float
    stops: float


@dataclass(frozen=True, kw_only=True, slots=True)
class PrintRow:
    """One time the lamp is on: a part with its holds, or a burn (its stops against its part)."""

    id: str
    label: str
    act: Literal["base", "burn"]
    part: str
    seconds: float
    set_s: float
    stops: float | None
    dodges: tuple[PrintHold, ...]


@dataclass(frozen=True, kw_only=True, slots=True)
class ChangeRow:
    """A cause of the change, in stops of time."""

    label: str
    stops: float


@dataclass(frozen=True, kw_only=True, slots=True)
class PrintPlanAnswer:
    """The rows in the order worked, the light in all, what changed the times, what to think of."""

    rows: tuple[PrintRow, ...]
    total_s: float
    ledger: tuple[ChangeRow, ...]
    advice: tuple[Advice, ...]
