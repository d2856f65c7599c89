"""The mat over a print: its window, and the borders it leaves in the frame."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.prints.record import Mat
from emulsa.core.written import area_text, length_text

NARROW_MM = 20  # a border that looks like a mistake, and is weak (common practice, no source)


@dataclass(frozen=True, kw_only=True, slots=True)
class Matted:
    """A mat as it is cut: the window, the border beside it, above and below, in words; what speaks
    against it, else nothing. The frame is as large as the mat."""

    width_mm: float
    height_mm: float
    window_width_mm: float
    window_height_mm: float
    side_mm: float
    top_mm: float
    bottom_mm: float
    text: str
    trouble: str


def matted(mat: Mat, image_width_mm: float, image_height_mm: float) -> Matted:
    """The mat around an image.

    >>> cut = matted(Mat(width_mm=400, height_mm=500, free_mm=5, lower_mm=20), 240, 190)
    >>> cut.window_width_mm, cut.window_height_mm, cut.side_mm, cut.top_mm, cut.bottom_mm
    (250, 200, 75.0, 140.0, 160.0)
    """
    width, height = (each + 2 * mat.free_mm for each in (image_width_mm, image_height_mm))
    side = (mat.width_mm - width) / 2
    top = (mat.height_mm - height - mat.lower_mm) / 2
    bottom = top + mat.lower_mm
    window = area_text((round(width), round(height)))
    around = area_text((mat.width_mm, mat.height_mm))
    borders = (
        f"{length_text(round(side))} left and right, {length_text(round(top))} above,"
        f" {length_text(round(bottom))} below"
    )
    return Matted(
        width_mm=mat.width_mm,
        height_mm=mat.height_mm,
        window_width_mm=width,
        window_height_mm=height,
        side_mm=side,
        top_mm=top,
        bottom_mm=bottom,
        text=f"Mat and frame {around}; window {window}; borders {borders}.",
        trouble=_trouble(mat, width, height, min(side, top)),
    )


def _trouble(mat: Mat, width: float, height: float, least: float) -> str:
    if min(width, height) <= 0:
        return "The window would cover the whole image."
    if least < 0:
        turned = width <= mat.height_mm and height + mat.lower_mm <= mat.width_mm
        return "The window is larger than the mat" + ("; turned, it fits." if turned else ".")
    if least < NARROW_MM:
        return f"Its narrowest border is {length_text(round(least))}: take a larger mat."
    return ""
