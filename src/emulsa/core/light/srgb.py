"""Levels of a screen and the light they stand for. Source: IEC 61966-2-1, from memory."""

from __future__ import annotations

from bisect import bisect_right


def decoded(share: float) -> float:
    """The light of a level, both as a share of the whole.

    >>> decoded(0), round(decoded(118 / 255), 3), decoded(1)
    (0.0, 0.181, 1.0)
    """
    return share / 12.92 if share <= 0.04045 else float(((share + 0.055) / 1.055) ** 2.4)


def encoded(light: float) -> float:
    """The level that shows a light, both as a share of the whole; light outside is held.

    >>> round(255 * encoded(decoded(118 / 255))), encoded(-1), round(encoded(2), 9)
    (118, 0.0, 1.0)
    """
    held = min(max(light, 0.0), 1.0)
    return 12.92 * held if held <= 0.0031308 else 1.055 * held ** (1 / 2.4) - 0.055


_SHOWN_FROM = tuple(decoded((level - 0.5) / 255) for level in range(1, 256))


def level_of(light: float) -> int:
    """The whole level, of 0 to 255, that shows a light best.

    >>> level_of(decoded(118 / 255)), level_of(-1), level_of(2)
    (118, 0, 255)
    """
    return bisect_right(_SHOWN_FROM, light)
