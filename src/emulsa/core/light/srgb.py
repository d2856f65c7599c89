"""Levels of a screen and the light they stand for. Source: IEC 61966-2-1, from memory."""

from __future__ import annotations


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
