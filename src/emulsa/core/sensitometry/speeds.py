"""Exposure indices as they are said: to the third of a stop, beside the box."""

from __future__ import annotations

import math

from emulsa.core.numbers import number_text, plain

# ISO 5800 and ISO 6, from memory: ten steps to a decade, a third of a stop apart.
SERIES = (100, 125, 160, 200, 250, 320, 400, 500, 640, 800)


def rounded(ei: float) -> float:
    """The nearest index of the series.

    >>> rounded(123), rounded(63.3), rounded(12.6)
    (125.0, 64.0, 12.5)
    """
    place = round(10 * math.log10(ei / 100))
    return SERIES[place % 10] * 10.0 ** (place // 10)


def beside(ei: float, box: float | None, named: str = "the box") -> str:
    """An index, and how far it lies from the box, or from what else is ``named``.

    >>> beside(63.3, 100), beside(123, 125)
    ('EI 64, ⅔ stop under the box', 'EI 125, as the box says')
    >>> beside(504, 400), beside(50, 200)
    ('EI 500, ⅓ stop over the box', 'EI 50, 2 stops under the box')
    """
    said = f"EI {plain(rounded(ei))}"
    if box is None:
        return said
    thirds = round(3 * math.log2(rounded(ei) / box))  # from what is said, not from what is behind
    if thirds == 0:
        return f"{said}, as {named} says"
    size = number_text(abs(thirds) / 3)
    noun = "stop" if abs(thirds) <= 3 else "stops"
    return f"{said}, {size} {noun} {'over' if thirds > 0 else 'under'} {named}"
