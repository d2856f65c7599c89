"""How the image lies on the sheet, and whether the margins one wants are left."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.numbers import plain
from emulsa.core.prints.mat import Matted, matted
from emulsa.core.prints.record import EaselMask, Margins, PaperSheet
from emulsa.core.written import length_text

SQUARE = (1, 1)
NEAR_ENOUGH = 0.08  # rails and gates take some of a format (common practice)


@dataclass(frozen=True, kw_only=True, slots=True)
class Layout:
    """The sheet as it lies, the image with its black edge on it, the margin that is left beside and
    above it, and what is wrong with it; ``turn``: it fits the other way round; the mat over it."""

    width_mm: float
    height_mm: float
    image_width_mm: float
    image_height_mm: float
    side_mm: float
    top_mm: float
    edge_mm: float
    fits: bool
    turn: bool
    says: str
    matted: Matted | None


def layout(
    sheet: PaperSheet,
    picture: tuple[int, int] | None,
    magnification: float | None = None,
    negative_long_mm: float | None = None,
) -> Layout:
    """The image within its mask at its longer side, on the sheet so that the margins wanted are
    left, what is more on both sides alike. Said before it is exposed when it does not fit that way
    round, or when its size is not what the magnification makes of the negative: they are one
    fact."""
    width, height = _image(sheet, picture or SQUARE)
    lying = _lying(sheet, sheet.turned)
    wanted = margins(sheet)
    beside, above = _left(sheet, lying, (width, height))
    fits = _enough(wanted, beside, above)
    turn = not fits and _enough(
        wanted, *_left(sheet, _lying(sheet, not sheet.turned), (width, height))
    )
    side = _before(beside, wanted.left_mm, wanted.right_mm)
    top = _before(above, wanted.top_mm, wanted.bottom_mm)
    least = min(beside, above) / 2
    made = _made_mm(sheet, picture or SQUARE, magnification, negative_long_mm)
    apart = made is not None and abs(made / sheet.image_long_mm - 1) > NEAR_ENOUGH
    return Layout(
        width_mm=lying[0],
        height_mm=lying[1],
        image_width_mm=width,
        image_height_mm=height,
        side_mm=side,
        top_mm=top,
        edge_mm=sheet.black_edge_mm,
        fits=fits and not apart,
        turn=turn and not apart,
        says=f"{plain(round(magnification or 0, 2))}× makes {length_text(round(made or 0))} of this"
        f" {length_text(negative_long_mm or 0)} negative, and the sheet says"
        f" {length_text(sheet.image_long_mm)}: put one of them right."
        if apart
        else _says(sheet, least, fits, turn),
        matted=matted(sheet.mat, width, height) if sheet.mat else None,
    )


def margins(sheet: PaperSheet) -> Margins:
    """What one wants to be left on each side."""
    if sheet.sides is not None:
        return sheet.sides
    same = sheet.margin_mm
    return Margins(left_mm=same, right_mm=same, top_mm=same, bottom_mm=same)


def _enough(wanted: Margins, beside: float, above: float) -> bool:
    """Whether what is left in all holds the margins of two sides."""
    return (
        beside >= wanted.left_mm + wanted.right_mm - 1e-9
        and above >= wanted.top_mm + wanted.bottom_mm - 1e-9
    )


def _before(left: float, first: float, second: float) -> float:
    """The margin left of, or above, the image."""
    return first + (left - first - second) / 2


def _made_mm(
    sheet: PaperSheet,
    picture: tuple[int, int],
    magnification: float | None,
    negative_long_mm: float | None,
) -> float | None:
    """The longer side the enlarger throws of what the mask leaves; nothing where the negative's
    size is not known."""
    if magnification is None or negative_long_mm is None:
        return None
    mask = sheet.mask
    seen = max(picture[0] * (1 - mask.left - mask.right), picture[1] * (1 - mask.top - mask.bottom))
    return magnification * negative_long_mm * seen / max(picture)


def _image(sheet: PaperSheet, picture: tuple[int, int]) -> tuple[float, float]:
    mask = sheet.mask
    seen = (
        picture[0] * (1 - mask.left - mask.right),
        picture[1] * (1 - mask.top - mask.bottom),
    )
    longer = max(seen)
    return (sheet.image_long_mm * seen[0] / longer, sheet.image_long_mm * seen[1] / longer)


def mask_text(mask: EaselMask) -> str:
    """What the blades cover, side by side; nothing when they cover none of it.

    >>> mask_text(EaselMask(left=0.05, top=0.1))
    'left 5 %, top 10 %'
    """
    sides = ((name, getattr(mask, name)) for name in ("left", "right", "top", "bottom"))
    return ", ".join(f"{name} {plain(round(100 * share, 1))} %" for name, share in sides if share)


def _lying(sheet: PaperSheet, turned: bool) -> tuple[float, float]:
    """Width and height of the sheet as it lies in the easel."""
    both = (sheet.width_mm, sheet.height_mm)
    return (both[1], both[0]) if turned else both


def _left(
    sheet: PaperSheet, lying: tuple[float, float], image: tuple[float, float]
) -> tuple[float, float]:
    """What is left in all beside, and above and below, the image and its black edge."""
    beside, above = (
        paper - shown - 2 * sheet.black_edge_mm for paper, shown in zip(lying, image, strict=True)
    )
    return beside, above


def _says(sheet: PaperSheet, least: float, fits: bool, turn: bool) -> str:
    if fits and sheet.sides is not None:
        return "The image fits with the margins wanted on each side."
    wanted = "the margins" if sheet.sides is not None else length_text(sheet.margin_mm)
    if fits:
        return f"The image fits with {length_text(round(least))} all around at least."
    if turn:
        if sheet.sides is not None:
            return "This way round the margins wanted are not left; turned, they are."
        return f"This way round it leaves no {wanted} to mount it by; turned, it does."
    if least < 0:
        return "The image is larger than the sheet: make it smaller, or take a larger sheet."
    if sheet.sides is not None:
        return "It leaves less than the margins wanted. Make the image smaller."
    return f"It leaves {length_text(round(least))}; {wanted} are wanted. Make the image smaller."
