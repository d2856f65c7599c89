"""Formats of film: image areas and how many frames a roll holds. Common practice, no source.

Image areas are nominal; what a holder's rails or a back's gate leave free differs by a millimetre
or two. Frames of 120 film are what its paper or a usual back counts.
"""

from __future__ import annotations

# key: name, width and height of the image in mm
SHEETS: dict[str, tuple[str, float, float]] = {
    "quarter": ("quarter plate", 108, 83),
    "4x5": ("4×5 in", 120, 95),
    "5x7": ("5×7 in", 172, 121),
    "8x10": ("8×10 in", 245, 194),
}

# key: name, width and height of the image in mm, frames, the film it is taken on
FRAMES: dict[str, tuple[str, float, float, int, str]] = {
    "6x4.5": ("6×4.5", 56, 41.5, 16, "120"),
    "6x6": ("6×6", 56, 56, 12, "120"),
    "6x7": ("6×7", 70, 56, 10, "120"),
    "6x8": ("6×8", 76, 56, 9, "120"),
    "6x9": ("6×9", 84, 56, 8, "120"),
    "6x12": ("6×12", 112, 56, 6, "120"),
    "6x17": ("6×17", 168, 56, 4, "120"),
    "24x36": ("24×36", 36, 24, 36, "135"),
}

# Nominal areas in square inches, as makers state capacities; of one's own sizes the image counts.
SHEET_IN2: dict[str, float] = {"quarter": 13.8125, "4x5": 20, "5x7": 35, "8x10": 80}

ROLLS = ("120", "135")
