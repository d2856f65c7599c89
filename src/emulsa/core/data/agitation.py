"""Agitation schemes as data: seconds of the first, of each, and when they come. Common practice."""

from __future__ import annotations

# key: words, first, each, every, when the first repeat begins (all seconds); every 0: never again
SCHEMES: dict[str, tuple[str, float, float, float, float]] = {
    "30+10": ("30 s, then 10 s each minute", 30, 10, 60, 60),
    "60+10": ("60 s, then 10 s each minute from the second", 60, 10, 60, 120),
    "60+15": ("60 s, then 15 s each minute from the second", 60, 15, 60, 120),
    "inversions": ("5 inversions in 10 s at the start, 5 each minute", 10, 10, 60, 60),
    "tap": ("5 s and a tap, then 5 s each half minute", 5, 5, 30, 30),
    "hangers": ("30 s of lifting, then one lift each minute", 30, 10, 60, 60),
    "semi-stand": ("30 s, then 10 s every 10 min", 30, 10, 600, 600),
    "stand": ("30 s, then still", 30, 0, 0, 0),
}
ROCKING = "rocking"  # what a print in its tray gets
IN_TRAYS = ("shuffle", ROCKING)  # open, and even in a short time
CONTINUOUS: dict[str, str] = {
    "rotary": "continuous rotary",
    "shuffle": "tray shuffle, without a stop",
    ROCKING: "tray rocking, without a stop",
}
