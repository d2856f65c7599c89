"""How the image lies on the sheet, and whether the margins one wants are left."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.numbers import plain
from emulsa.core.prints.record import EaselMask, PaperSheet
from emulsa.core.written import length_text

SQUARE = (1, 1)
NEAR_ENOUGH = 0.08  # rails and gates take some of a format (common practice)


@dataclass(frozen=True, kw_only=True, slots=True)
class Layout:
    """The sheet as it lies, the image in its middle with its black edge, the margin that is left
    all around, and what is wrong with it; ``turn``: it fits the other way round."""

    width_mm: float
    height_mm: float
    image_width_mm: float
    image_height_mm: float
    side_mm: float
    top_mm: float
    fits: bool
    turn: bool
    says: str


def layout(
    sheet: PaperSheet,
    picture: tuple[int, int] | None,
    magnification: float | None = None,
    negative_long_mm: float | None = None,
) -> Layout:
    """The image within its mask at its longer side, in the middle of the sheet. Said before it is
    exposed when it does not fit that way round, or when its size is not what the magnification
    makes of the negative: they are one fact."""
    width, height = _image(sheet, picture or SQUARE)
    lying = _lying(sheet, sheet.turned)
    side, top = _left(sheet, lying, (width, height))
    fits = min(side, top) >= sheet.margin_mm - 1e-9
    other = _left(sheet, _lying(sheet, not sheet.turned), (width, height))
    turn = not fits and min(other) >= sheet.margin_mm - 1e-9
    made = _made_mm(sheet, picture or SQUARE, magnification, negative_long_mm)
    apart = made is not None and abs(made / sheet.image_long_mm - 1) > NEAR_ENOUGH
    return Layout(
        width_mm=lying[0],
        height_mm=lying[1],
        image_width_mm=width,
        image_height_mm=height,
        side_mm=side,
        top_mm=top,
        fits=fits and not apart,
        turn=turn and not apart,
        says=f"{plain(round(magnification or 0, 2))}× makes {length_text(round(made or 0))} of this"
        f" {length_text(negative_long_mm or 0)} negative, and the sheet says"
        f" {length_text(sheet.image_long_mm)}: put one of them right."
        if apart
        else _says(sheet, min(side, top), fits, turn),
    )


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
    """What is left beside and above the image and its black edge."""
    side, top = (
        (paper - shown) / 2 - sheet.black_edge_mm for paper, shown in zip(lying, image, strict=True)
    )
    return side, top


def _says(sheet: PaperSheet, least: float, fits: bool, turn: bool) -> str:
    wanted = length_text(sheet.margin_mm)
    if fits:
        return f"The image fits with {length_text(round(least))} all around at least."
    if turn:
        return f"This way round it leaves no {wanted} to mount it by; turned, it does."
    if least < 0:
        return "The image is larger than the sheet: make it smaller, or take a larger sheet."
    return f"It leaves {length_text(round(least))}; {wanted} are wanted. Make the image smaller."
