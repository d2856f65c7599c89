"""Straight between known points, and on along the outermost two beyond them."""

from __future__ import annotations

from collections.abc import Iterable, Sequence


def straight(points: Sequence[tuple[float, float]], x: float) -> float:
    """The y of an x, through two or more points (x, y) of rising x.

    >>> straight([(0, 1), (2, 3), (3, 9)], 1), straight([(0, 1), (2, 3)], 4)
    (2.0, 5.0)
    """
    place = next((k for k in range(1, len(points) - 1) if x <= points[k][0]), len(points) - 1)
    (x1, y1), (x2, y2) = points[place - 1], points[place]
    return y1 + (y2 - y1) * (x - x1) / (x2 - x1)


def along(points: Sequence[tuple[float, float]], xs: Iterable[float]) -> list[float]:
    """The ys of many rising x, found in one walk.

    >>> along([(0, 1), (2, 3), (3, 9)], (-1, 1, 2.5, 4))
    [0.0, 2.0, 6.0, 15.0]
    """
    found, place, last = [], 1, len(points) - 1
    (x1, y1), (x2, y2) = points[0], points[1]
    slope = (y2 - y1) / (x2 - x1)
    for x in xs:
        while place < last and x > x2:
            place += 1
            (x1, y1), (x2, y2) = points[place - 1], points[place]
            slope = (y2 - y1) / (x2 - x1)
        found.append(y1 + slope * (x - x1))
    return found
