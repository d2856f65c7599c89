"""A print that is made from its scan, by inkjet: how large, and whether the scan is enough."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.prints.record import Inkjet
from emulsa.core.written import area_text

MM_PER_INCH = 25.4
SOFT_DPI = 180  # held in the hand (common practice, no source)


@dataclass(frozen=True, kw_only=True, slots=True)
class InkjetSheet:
    """The image on its sheet with its white border, in words, and what speaks against it."""

    image_width_mm: float
    image_height_mm: float
    side_mm: float
    top_mm: float
    text: str
    trouble: str


def on_sheet(inkjet: Inkjet, picture: tuple[int, int] | None) -> InkjetSheet:
    """The image as large as the border leaves it, in the middle; points of the scan to an inch.

    >>> found = on_sheet(Inkjet(width_mm=300, height_mm=240, border_mm=20), (3_000, 2_400))
    >>> found.image_width_mm, found.text
    (250.0, 'Image 250 × 200 mm on 300 × 240 mm; 305 points of the scan to an inch.')
    """
    width, height = picture or (5, 4)
    room = (inkjet.width_mm - 2 * inkjet.border_mm, inkjet.height_mm - 2 * inkjet.border_mm)
    scale = max(0.0, min(room[0] / width, room[1] / height))
    image = (scale * width, scale * height)
    text = f"Image {area_text((round(image[0]), round(image[1])))} on" + (
        f" {area_text((inkjet.width_mm, inkjet.height_mm))}"
    )
    dpi = width / (image[0] / MM_PER_INCH) if picture and image[0] > 0 else None
    return InkjetSheet(
        image_width_mm=image[0],
        image_height_mm=image[1],
        side_mm=(inkjet.width_mm - image[0]) / 2,
        top_mm=(inkjet.height_mm - image[1]) / 2,
        text=f"{text}." if dpi is None else f"{text}; {dpi:.0f} points of the scan to an inch.",
        trouble=_trouble(scale, dpi),
    )


def _trouble(scale: float, dpi: float | None) -> str:
    if scale <= 0:
        return "The border leaves nothing of the sheet: make it narrower."
    if dpi is None:
        return "No scan of this negative is attached."
    if dpi < SOFT_DPI:
        return (
            f"Under {SOFT_DPI} points to an inch it looks soft in the hand: scan larger, or print"
            " smaller."
        )
    return ""
