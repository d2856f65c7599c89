"""A film test on paper: one page with its curves, its verdict and its ladder."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass

from emulsa.core.bench.beside import Compared
from emulsa.core.bench.drawing import CurveLine
from emulsa.core.bench.record import FilmTest
from emulsa.core.bench.sheet import Worked
from emulsa.core.tones.zones import zone_text

Points = tuple[tuple[float, float], ...]

NOTES = (
    "Densities are with base. The figures hold for this developer, agitation, water and"
    " thermometer; what the makers say of film and chemistry holds before them.",
)


@dataclass(frozen=True, kw_only=True, slots=True)
class PaperLine:
    """A curve on paper."""

    name: str
    line: Points
    points: Points
    main: bool
    dotted: bool


@dataclass(frozen=True, kw_only=True, slots=True)
class PaperRung:
    """An N on paper."""

    n: str
    minutes: str
    ei: str
    sure: str


@dataclass(frozen=True, kw_only=True, slots=True)
class FilmTestPaper:
    """The page: ``marks`` stand along the exposure, ``levels`` across the densities."""

    title: str
    says: str
    zones: bool
    low: float
    high: float
    top: float
    ticks: tuple[float, ...]
    marks: tuple[tuple[float, str], ...]
    levels: tuple[tuple[str, float], ...]
    lines: tuple[PaperLine, ...]
    rate_at: str
    rate_why: str
    ladder: tuple[PaperRung, ...]
    other: str
    films: tuple[str, ...]
    beside: tuple[tuple[str, ...], ...]
    colours: tuple[tuple[str, tuple[tuple[str, float, str], ...]], ...]
    unequal: tuple[str, ...]
    verdict: str
    notes: tuple[str, ...]


def on_paper(test: FilmTest, worked: Worked, says: str) -> FilmTestPaper:
    """The page of a test; ``says`` names its film, recipe and day."""
    shown = [each for each in worked.lines if each.points]
    reference = worked.compared.line if worked.compared else None
    every = [*shown, *([reference] if reference else [])]
    across = [x for each in every for x, _ in each.points] or [0.0, 10.0]
    up = [y for each in every for _, y in each.points] or [2.0]
    low, high = math.floor(min(across)), math.ceil(max(across))
    top = max(up) + 0.1
    zones = worked.axis == "zones"
    main = next((each for each in shown if each.id == worked.main), None)
    levels = []
    if main is not None:
        levels.append(("0.10 above clear film", main.base_fog + worked.speed_net))
        if main.base_fog + worked.net_at_viii < top:
            levels.append(("wanted at VIII", main.base_fog + worked.net_at_viii))
    return FilmTestPaper(
        title=test.title,
        says=says,
        zones=zones,
        low=low,
        high=max(high, low + 1),
        top=top,
        ticks=tuple(tick / 2 for tick in range(int(top * 2) + 1)),
        marks=tuple(
            (mark, zone_text(mark) if zones else f"{mark}")
            for mark in range(low, high + 1)
            if not zones or 0 <= mark <= 10
        ),
        levels=tuple(levels),
        lines=(
            *(_line(each, each.id == worked.main, dotted=False) for each in shown),
            *([_line(reference, main=False, dotted=True)] if reference else []),
        ),
        rate_at=worked.rate_at,
        rate_why=worked.rate_why,
        ladder=tuple(
            PaperRung(
                n=each.n_text,
                minutes=each.minutes_text,
                ei=each.ei_text,
                sure="extrapolated" if each.extrapolated else "",
            )
            for each in worked.ladder
        ),
        other=worked.compared.title if worked.compared else "",
        films=tuple(each.title for each in worked.compared.films) if worked.compared else (),
        beside=tuple(_table(worked.compared)) if worked.compared else (),
        colours=tuple(_colours(worked.compared)) if worked.compared else (),
        unequal=tuple(_unequal(worked.compared)) if worked.compared else (),
        verdict=test.verdict,
        notes=NOTES,
    )


def _line(line: CurveLine, main: bool, dotted: bool) -> PaperLine:
    return PaperLine(
        name="" if dotted else line.id,
        line=line.line,
        points=() if dotted else line.points,
        main=main,
        dotted=dotted,
    )


def _table(compared: Compared) -> Iterator[tuple[str, ...]]:
    """Every figure and observation in a row, a column for each film; empty rows left out."""
    rows = dict.fromkeys(what for each in compared.films for what, _ in each.rows)
    for what in rows:
        yield (what, *(dict(each.rows).get(what, "") for each in compared.films))
    for what, reference in compared.observed:
        seen = [dict(each.observed).get(what, "") for each in compared.films]
        if reference or any(seen):
            beside = f"{what} (reference: {reference})" if reference else what
            yield (beside, *seen)


def _colours(
    compared: Compared,
) -> Iterator[tuple[str, tuple[tuple[str, float, str], ...]]]:
    for each in compared.films:
        if each.colours:
            yield each.title, tuple((dot.label, dot.stops, dot.text) for dot in each.colours)


def _unequal(compared: Compared) -> Iterator[str]:
    for each in compared.films:
        if each.unequal:
            yield f"{each.title}: {' '.join(each.unequal)}"
