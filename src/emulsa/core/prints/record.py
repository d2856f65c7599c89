"""A print as it is kept: its negative and its plan; its strips; every try."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.errors import Unsound
from emulsa.core.light.marks import ApertureMark
from emulsa.core.limits import Id, Label, Length, Name, Note, Within
from emulsa.core.logged.attachment import PicturePlace
from emulsa.core.printing.planned import (
    AREAS,
    PARTS,
    AreaSeconds,
    DryingDown,
    PaperMm,
    PrintArea,
    PrintPart,
    PrintSetting,
)
from emulsa.core.printing.strip import LampLag, StripRequest
from emulsa.core.sensitometry.curve import Density, Fog

MarginMm = Annotated[float, Within("A margin", 0, 500, "mm")]
Covered = Annotated[float, Within("What a blade covers of the picture", 0, 0.45)]
Feather = Annotated[float, Within("How soft an edge is", 0, 0.5)]

MOST_TRIES = 999
FEWEST_POINTS = {"outline": 3, "circle": 2, "edge": 2, "corner": 1, "vignette": 1}


@dataclass(frozen=True, kw_only=True, slots=True)
class Shape:
    """Where an area lies. ``outline``: points, smoothed. ``circle``: its middle and a point of its
    rim, a hole in a card. ``edge``: two points of a line, everything beyond it, away from the
    middle. ``corner``: how far it reaches in. ``vignette``: all but an oval through the point."""

    kind: Literal["outline", "circle", "edge", "corner", "vignette"]
    points: Annotated[tuple[PicturePlace, ...], Length("Points of a shape", 1, 40)]
    feather: Feather = 0.04

    def __post_init__(self) -> None:
        least = FEWEST_POINTS[self.kind]
        if len(self.points) < least:
            raise Unsound(
                f"This shape needs {least} points; there are {len(self.points)}.", field="points"
            )


@dataclass(frozen=True, kw_only=True, slots=True)
class OwnLight:
    """What a burn of its own is given by: a filter or grade (none: white light), an aperture if it
    is another than the print's, and whether its seconds are only about right, because it is ended
    by eye."""

    filter: Label = ""
    aperture: ApertureMark | None = None
    by_eye: bool = False


@dataclass(frozen=True, kw_only=True, slots=True)
class PlannedArea(PrintArea):
    """An area of the plan with its shape, where it was drawn. A burn in no part (``none``) has
    light of its own: seconds, through white light unless ``own`` says what else. Other areas may be
    held back in it by naming it as their part."""

    shape: Shape | None = None
    own: OwnLight | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class EaselMask:
    """What the easel's blades cover of the picture on each side, as a share of it."""

    left: Covered = 0.0
    right: Covered = 0.0
    top: Covered = 0.0
    bottom: Covered = 0.0


@dataclass(frozen=True, kw_only=True, slots=True)
class Margins:
    """What one wants to be left of the sheet on each side as the print hangs."""

    left_mm: MarginMm = 20
    right_mm: MarginMm = 20
    top_mm: MarginMm = 20
    bottom_mm: MarginMm = 20


@dataclass(frozen=True, kw_only=True, slots=True)
class Mat:
    """The mat a print is shown in, as large as its frame: what the window leaves free of the sheet
    around the image (below zero it covers the image), how much wider the border is below."""

    width_mm: PaperMm = 400
    height_mm: PaperMm = 500
    free_mm: Annotated[float, Within("What the window leaves free", -50, 100, "mm")] = 3
    lower_mm: Annotated[float, Within("How much wider it is below", 0, 200, "mm")] = 10


@dataclass(frozen=True, kw_only=True, slots=True)
class PaperSheet:
    """How the image lies on the sheet: the paper, the longer side of what the mask leaves of the
    image, whether the sheet is turned, the margin one wants to mount it by (``sides`` where it is
    not the same all around), a black edge by flash and its seconds, the mat."""

    width_mm: PaperMm = 240
    height_mm: PaperMm = 300
    image_long_mm: PaperMm = 240
    turned: bool = False
    mask: EaselMask = EaselMask()
    margin_mm: MarginMm = 20
    black_edge_mm: MarginMm = 0
    black_edge_s: AreaSeconds = 0
    sides: Margins | None = None
    mat: Mat | None = None


USUAL_SETTING = PrintSetting(aperture="8", magnification=2.0)
USUAL_PARTS = (PrintPart(id="base", label="no filter", seconds=10),)


@dataclass(frozen=True, kw_only=True, slots=True)
class PrintPlan:
    """Everything that makes the same print again: paper, setting, parts and areas in their order,
    what was taken off for the lamp and for drying down, the sheet."""

    paper_id: Id | None = None
    enlarger_id: Id | None = None
    setting: PrintSetting = USUAL_SETTING
    parts: Annotated[tuple[PrintPart, ...], PARTS] = USUAL_PARTS
    areas: Annotated[tuple[PlannedArea, ...], AREAS] = ()
    lamp_lag_s: LampLag = 0.0
    drying_down: DryingDown = 0.0
    sheet: PaperSheet = PaperSheet()


@dataclass(frozen=True, kw_only=True, slots=True)
class KeptStrip:
    """A test strip of a print: through which filter, over which parts, and which of it is right."""

    id: Id
    print_id: Id
    at: Label = ""
    label: Label = ""
    over: Note = ""
    strip: StripRequest
    note: Note = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class PrintMark(PicturePlace):
    """What is wrong, or right, at a place of a print."""

    says: Label


@dataclass(frozen=True, kw_only=True, slots=True)
class TryNotes:
    """What a print that was made showed, and what to do next. ``final`` with its edition, toning,
    developer, and where it hangs."""

    marks: Annotated[tuple[PrintMark, ...], Length("Marks on a print", 0, 40)] = ()
    says: Note = ""
    next_time: Note = ""
    final: bool = False
    edition: Label = ""
    toning: Label = ""
    developer: Label = ""
    hangs: Label = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class PrintTry(TryNotes):
    """A print that was made: of which plan, under which number, and what was noted of it."""

    id: Id
    print_id: Id
    number: Annotated[int, Within("A try's number", 1, MOST_TRIES)]
    at: Label = ""
    plan: PrintPlan


@dataclass(frozen=True, kw_only=True, slots=True)
class Inkjet:
    """A print from the scan: its paper, its sheet, the white border that is left at least."""

    paper: Label = ""
    width_mm: PaperMm = 300
    height_mm: PaperMm = 240
    border_mm: MarginMm = 15


@dataclass(frozen=True, kw_only=True, slots=True)
class Print:
    """A negative that is printed. Densities are the negative's, with base; ``right_s`` is the base
    time at which the picture is as it should be in the middle, by which the preview counts;
    ``positive``: the picture that is shown is a positive already. ``inkjet``: it is printed from
    its scan, and its plan is none."""

    id: Id
    exposure_id: Id
    title: Name
    plan: PrintPlan = PrintPlan()
    low: Density | None = None
    high: Density | None = None
    base_fog: Fog | None = None
    right_s: Annotated[float, Within("The right base time", 0.1, 3_600, "s")] | None = None
    positive: bool = False
    inkjet: Inkjet | None = None
    note: Note = ""

    def __post_init__(self) -> None:
        if self.low is not None and self.high is not None and self.high <= self.low:
            raise Unsound(
                "The high density must lie above the low one.", field="high", allowed=[self.low, 6]
            )
