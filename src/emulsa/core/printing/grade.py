"""Which paper a negative wants: its density range against the range papers hold.

ISO 6846 exposure ranges as handbooks print them for the grades, from memory. A range on the edge of
two grades belongs to the harder one.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from emulsa.core.errors import Missing, Unsound
from emulsa.core.limits import Label, Length, Within
from emulsa.core.sensitometry.curve import STOP, Density

DensityRange = Annotated[float, Within("A density range", 0.01, 4)]
PaperRange = Annotated[float, Within("A paper's range", 0.2, 3)]

# grade: from, to (log exposure)
GRADES: tuple[tuple[int, float, float], ...] = (
    (0, 1.40, 1.70),
    (1, 1.15, 1.40),
    (2, 0.95, 1.15),
    (3, 0.80, 0.95),
    (4, 0.65, 0.80),
    (5, 0.50, 0.65),
)
SOFTEST, HARDEST = GRADES[0], GRADES[-1]
NORMAL_GRADE = 2.0
EPSILON = 1e-9
WANTS = "From the darkest tone that must keep texture (Zone I or II) to Zone VIII."


@dataclass(frozen=True, kw_only=True, slots=True)
class OwnPaper:
    """A paper, or a filter, as one has measured it."""

    label: Label
    range: PaperRange


@dataclass(frozen=True, kw_only=True, slots=True)
class PaperGradeRequest:
    """A negative by its density range, or by its lowest and highest density that matter."""

    density_range: DensityRange | None = None
    low: Density | None = None
    high: Density | None = None
    papers: Annotated[tuple[OwnPaper, ...], Length("Papers", 0, 60)] = ()


@dataclass(frozen=True, kw_only=True, slots=True)
class PaperGradeAnswer:
    """The log exposure range the paper must hold, and the grade, or the own paper, that does;
    stops that are lost, or left grey, where none does. ``wants`` says which densities to give."""

    log_exposure_range: float
    iso_range: float
    grade: int | str
    lost_stops: float
    grey_stops: float
    wants: str = WANTS


def paper_grade(request: PaperGradeRequest) -> PaperGradeAnswer:
    """The operation ``paper_grade``.

    >>> paper_grade(PaperGradeRequest(low=0.3, high=1.35)).grade
    2
    """
    wanted = _wanted(request)
    grade, off = _own(request, wanted) if request.papers else _graded(wanted)
    return PaperGradeAnswer(
        log_exposure_range=wanted,
        iso_range=100 * wanted,
        grade=grade,
        lost_stops=max(0.0, off) / STOP,
        grey_stops=max(0.0, -off) / STOP,
    )


def held(grade: float) -> float:
    """A grade as far as papers and filters go."""
    return max(float(SOFTEST[0]), min(float(HARDEST[0]), grade))


def range_of(grade: float) -> float:
    """The middle of a grade's range; half grades lie between.

    >>> round(range_of(2), 4), round(range_of(2.5), 4)
    (1.05, 0.9625)
    """
    whole = int(held(grade))
    part = held(grade) - whole
    low, high = (sum(GRADES[min(each, 5)][1:]) / 2 for each in (whole, whole + 1))
    return low + part * (high - low)


def _wanted(request: PaperGradeRequest) -> float:
    if request.density_range is not None:
        if request.low is not None or request.high is not None:
            raise Unsound("Give the range, or the two densities, not both.", field="density_range")
        return request.density_range
    if request.low is None and request.high is None:
        raise Missing("Give the negative's density range.", field="density_range")
    for name in ("low", "high"):
        if getattr(request, name) is None:
            raise Missing("Both densities are needed for a range.", field=name)
    assert request.low is not None
    assert request.high is not None
    if request.high <= request.low:
        raise Unsound(
            "The high density must lie above the low one.",
            field="high",
            allowed=[request.low, 6],
        )
    return request.high - request.low


def _graded(wanted: float) -> tuple[int, float]:
    """The grade, and how far the negative's range lies outside all grades."""
    if wanted > SOFTEST[2] + EPSILON:
        return SOFTEST[0], wanted - SOFTEST[2]
    if wanted < HARDEST[1] - EPSILON:
        return HARDEST[0], wanted - HARDEST[1]
    return next(grade for grade, low, _ in GRADES if wanted > low + EPSILON or grade == 5), 0.0


def _own(request: PaperGradeRequest, wanted: float) -> tuple[str, float]:
    best = min(request.papers, key=lambda each: abs(each.range - wanted))
    off = wanted - best.range
    return best.label, 0.0 if abs(off) < EPSILON else off
