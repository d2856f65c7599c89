"""What is dragged: from where to where it goes, and by which steps, for hand and keys alike."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, kw_only=True, slots=True)
class Handle:
    """A value that is dragged: its ends, its step, and the step of the keys that go further."""

    lowest: float
    highest: float
    step: float
    far: float


# Placements go by thirds, as meters do; N by halves, as developing times do; burning by twelfths
# of a stop. Common practice, no source.
HANDLES: dict[str, Handle] = {
    "placement": Handle(lowest=0, highest=10, step=1 / 3, far=1),
    "print_zone": Handle(lowest=4, highest=10, step=1 / 2, far=1),
    "match_net": Handle(lowest=0.02, highest=1.5, step=0.01, far=0.1),
    "area_stops": Handle(lowest=0, highest=3, step=1 / 12, far=1),
    "area_seconds": Handle(lowest=0, highest=30, step=0.5, far=5),
}
