"""The demo's prints: one negative from strips over four tries to a final print, one just begun; the
paper and the enlarger, of no maker."""

from __future__ import annotations

from dataclasses import replace

from emulsa.core.kit.printing import Enlarger, PaperBox, PaperFilter, PrintingPaper
from emulsa.core.logged.attachment import PicturePlace
from emulsa.core.printing.planned import PrintPart, PrintSetting
from emulsa.core.printing.strip import StripRequest
from emulsa.core.prints.record import (
    KeptStrip,
    Margins,
    Mat,
    OwnLight,
    PaperSheet,
    PlannedArea,
    Print,
    PrintMark,
    PrintPlan,
    PrintTry,
    Shape,
)

PAPER = PrintingPaper(
    id="paper-sleet",
    name="Sleet fibre, variable",
    surface="semi-matt",
    filters=(
        PaperFilter(label="Soft filter", range=1.55, speed=200, factor=1.0),
        PaperFilter(label="Middle filter", range=1.05, speed=200, factor=1.0),
        PaperFilter(label="Hard filter", range=0.60, speed=100, factor=2.0),
    ),
    dmax=2.05,
    dmin=0.06,
    drying_down=0.06,
    boxes=(
        PaperBox(width_mm=240, height_mm=300, sheets=25, opened="2025-11-22", price=45),
        PaperBox(width_mm=240, height_mm=300, sheets=25, price=48),
    ),
    note="Own wedge on three filters, one box.",
)
ENLARGER = Enlarger(
    id="enlarger-loft",
    name="Loft enlarger 4×5",
    lamp_lag_s=0.3,
    focal_lengths_mm=(150,),
    widest="5.6",
    smallest="45",
    least_magnification=1.0,
    most_magnification=5.5,
)


def _outline(*points: tuple[float, float]) -> Shape:
    return Shape(kind="outline", points=tuple(PicturePlace(x=x, y=y) for x, y in points))


FLOOR = PlannedArea(
    id="floor",
    label="Floor",
    act="burn",
    part="hard",
    stops=0.5,
    shape=_outline((0.48, 0.62), (0.64, 0.62), (0.77, 0.94), (0.42, 0.96)),
)
ROOF = PlannedArea(
    id="roof",
    label="Roof hole",
    act="burn",
    part="soft",
    stops=1,
    shape=Shape(kind="circle", points=(PicturePlace(x=0.65, y=0.1), PicturePlace(x=0.75, y=0.1))),
)
BEAMS = PlannedArea(
    id="beams",
    label="Beams",
    act="dodge",
    part="soft",
    stops=1 / 3,
    shape=_outline((0.02, 0.18), (0.46, 0.08), (0.46, 0.15), (0.1, 0.24), (0.1, 0.6), (0.02, 0.6)),
)
CORNER = PlannedArea(
    id="corner",
    label="Corner",
    act="burn",
    part="soft",
    stops=1 / 3,
    shape=Shape(kind="corner", points=(PicturePlace(x=0.8, y=0.78),)),
)

FIRST = PrintPlan(
    paper_id=PAPER.id,
    enlarger_id=ENLARGER.id,
    setting=PrintSetting(aperture="16", magnification=2.0, paper_speed=200, base_fog=0.2),
    parts=(
        PrintPart(id="soft", label="Soft filter", seconds=18),
        PrintPart(id="hard", label="Hard filter", seconds=12),
    ),
    lamp_lag_s=0.3,
    drying_down=0.06,
    sheet=PaperSheet(
        width_mm=240, height_mm=300, image_long_mm=230, turned=True, margin_mm=25, black_edge_mm=1
    ),
)
SECOND = replace(FIRST, areas=(ROOF, FLOOR))
THIRD = replace(FIRST, areas=(ROOF, FLOOR, BEAMS, CORNER))
FOURTH = replace(FIRST, areas=(replace(ROOF, stops=1.5), FLOOR, BEAMS))

SHED_PRINT = Print(
    id="print-shed",
    exposure_id="exposure-shed-A",
    title="Cutting shed, saw beds",
    plan=FOURTH,
    low=0.41,
    high=1.29,
    base_fog=0.20,
    right_s=28.2,
    positive=True,
)
STRIPS = (
    KeptStrip(
        id="strip-soft",
        print_id="print-shed",
        label="Soft filter",
        strip=StripRequest(kind="linear", step_s=6, strips=6, lamp_lag_s=0.3, chosen=3),
        note="first grey in the roof hole",
    ),
    KeptStrip(
        id="strip-hard",
        print_id="print-shed",
        label="Hard filter",
        over="Soft filter",
        strip=StripRequest(
            kind="stops", first_s=6, step_stops=0.5, strips=6, lamp_lag_s=0.3, chosen=3
        ),
        note="black under the saw bed",
    ),
)
TRIES = (
    PrintTry(
        id="print-shed:1",
        print_id="print-shed",
        number=1,
        at="2026-01-11T19:25:00.000Z",
        plan=FIRST,
        marks=(PrintMark(x=0.65, y=0.1, says="empty"), PrintMark(x=0.55, y=0.8, says="pale")),
        says="straight, to see what it has",
        next_time="burn the hole and the floor",
    ),
    PrintTry(
        id="print-shed:2",
        print_id="print-shed",
        number=2,
        at="2026-01-12T19:30:00.000Z",
        plan=SECOND,
        marks=(PrintMark(x=0.06, y=0.4, says="beams block up"),),
        says="the hole has a rim now",
        next_time="hold the beams, try a darker corner",
    ),
    PrintTry(
        id="print-shed:3",
        print_id="print-shed",
        number=3,
        at="2026-01-13T19:35:00.000Z",
        plan=THIRD,
        marks=(PrintMark(x=0.9, y=0.9, says="corner too dark"),),
        says="beams open",
        next_time="leave the corner alone",
    ),
    PrintTry(
        id="print-shed:4",
        print_id="print-shed",
        number=4,
        at="2026-01-14T19:40:00.000Z",
        plan=FOURTH,
        says="it stands",
        final=True,
        edition="1 of 5",
        toning="selenium 1+20, 3 min",
        developer="paper developer 1+9, 2 min at 20 °C",
        hangs="hallway",
    ),
)

TIP_PRINT = Print(
    id="print-shed-b",
    exposure_id="exposure-shed-B",
    title="Cutting shed, second sheet",
    plan=replace(FIRST, parts=(PrintPart(id="base", label="Middle filter", seconds=10),), areas=()),
)
MIST = PlannedArea(
    id="mist",
    label="Mist",
    act="burn",
    part="none",
    seconds=14,
    own=OwnLight(filter="Soft filter", aperture="22"),
    shape=Shape(kind="edge", points=(PicturePlace(x=0.1, y=0.62), PicturePlace(x=0.9, y=0.4))),
)
MIST_PRINT = Print(
    id="print-mist",
    exposure_id="exposure-trial-1B",
    title="Tip in mist, post",
    plan=replace(
        FIRST,
        parts=(PrintPart(id="base", label="Middle filter", seconds=16),),
        areas=(
            MIST,
            replace(
                MIST,
                id="mist-hard",
                seconds=6,
                own=OwnLight(filter="Hard filter", aperture="22", by_eye=True),
            ),
            PlannedArea(
                id="post",
                label="Post",
                act="dodge",
                part="mist",
                seconds=8,
                shape=_outline((0.1, 0.42), (0.2, 0.42), (0.2, 0.8), (0.1, 0.8)),
            ),
        ),
        sheet=PaperSheet(
            width_mm=240,
            height_mm=300,
            image_long_mm=230,
            turned=True,
            black_edge_mm=1,
            black_edge_s=3,
            sides=Margins(left_mm=20, right_mm=20, top_mm=15, bottom_mm=25),
            mat=Mat(width_mm=400, height_mm=350, free_mm=4, lower_mm=15),
        ),
    ),
    low=0.45,
    high=1.2,
    base_fog=0.22,
    right_s=16,
    positive=True,
)
PRINTS = (MIST_PRINT, TIP_PRINT, SHED_PRINT)
