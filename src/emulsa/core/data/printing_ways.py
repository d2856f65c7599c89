"""What a negative is meant for: net density of Zone VIII by the way it is printed.

Common practice from memory, no source. A condenser prints silver harder than diffused light;
contact processes on hand-coated paper want far more range.
"""

from __future__ import annotations

from typing import Literal

PrintedBy = Literal["diffusion", "condenser", "iron contact", "salt contact"]

# what it is called, and the net density Zone VIII is wanted at
WAYS: dict[PrintedBy, tuple[str, float]] = {
    "diffusion": ("enlarging with diffused light, contact on silver paper", 1.25),
    "condenser": ("enlarging with a condenser", 1.1),
    "iron contact": ("contact on iron or platinum paper", 1.6),
    "salt contact": ("contact on salted or albumen paper", 2.0),
}

# what may still be done to a negative, with its effect in N where it has one
AFTERWARDS: dict[str, tuple[str, ...]] = {
    "flat": ("selenium toning, strong: about N+½ to N+1", "chromium intensifier: about N+1"),
    "blocked": (
        "proportional or super-proportional reducer: about N−1",
        "print with a burn, or a softer filter",
    ),
    "heavy": ("cutting reducer: takes the same density everywhere, shadows clear first",),
}
AFTERWARDS_CAUTION = "try it on a lesser negative; gloves and air, by the maker's instructions"
