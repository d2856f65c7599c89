"""Formats of film: image areas and how many frames a roll holds. Common practice, no source.

Image areas are nominal; what a holder's rails or a back's gate leave free differs by a millimetre
or two. Frames of 120 film are what its paper or a usual back counts. Continental plates: 6 mm less
than nominal for film in sheaths, plates 4 mm less.
"""

from __future__ import annotations

# key: name, width and height of the image in mm
SHEETS: dict[str, tuple[str, float, float]] = {
    "quarter": ("quarter plate", 108, 83),
    "6.5x9": ("6.5×9 cm", 87, 62),
    "9x12": ("9×12 cm", 117, 87),
    "half": ("half plate", 162, 118),
    "10x15": ("10×15 cm", 147, 97),
    "4x5": ("4×5 in", 120, 95),
    "13x18": ("13×18 cm", 177, 127),
    "5x7": ("5×7 in", 172, 121),
    "5x8": ("5×8 in", 200, 121),
    "whole": ("whole plate", 213, 162),
    "18x24": ("18×24 cm", 237, 177),
    "8x10": ("8×10 in", 245, 194),
    "11x14": ("11×14 in", 352, 276),
    "7x17": ("7×17 in", 429, 175),
    "8x20": ("8×20 in", 505, 200),
    "12x20": ("12×20 in", 505, 302),
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
    "18x24-135": ("half frame", 24, 18, 72, "135"),
    "24x65": ("24×65", 65, 24, 21, "135"),
    "4x4-127": ("4×4", 40, 40, 12, "127"),
    "6x24": ("6×24", 224, 56, 3, "120"),
    "6x4.5-220": ("6×4.5", 56, 41.5, 32, "220"),
    "6x6-220": ("6×6", 56, 56, 24, "220"),
    "6x7-220": ("6×7", 70, 56, 20, "220"),
}

# Nominal areas in square inches, as makers state capacities; of one's own sizes the image counts.
SHEET_IN2: dict[str, float] = {
    "quarter": 13.8125,
    "6.5x9": 9.07,
    "9x12": 16.74,
    "half": 30.875,
    "10x15": 23.25,
    "4x5": 20,
    "13x18": 36.27,
    "5x7": 35,
    "5x8": 40,
    "whole": 55.25,
    "18x24": 66.96,
    "8x10": 80,
    "11x14": 154,
    "7x17": 119,
    "8x20": 160,
    "12x20": 240,
}

ROLLS = ("120", "220", "127", "135")
TWICE = "220"  # as long as two rolls of 120, and so much more for the developer
