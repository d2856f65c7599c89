"""Tables as they are typed: a line a row, the way they stand in a leaflet or a notebook.

A reader only takes a line apart; what its words are, numbers, times, N, is read where the row's
fields are. So each is refused in the one sentence it has everywhere.
"""

from __future__ import annotations

import re
from collections.abc import Callable
from itertools import zip_longest
from typing import Any

Row = dict[str, Any]
ORIGINS = ("tested", "personal", "published")
LEARNED = "learned"  # a point taken over from judged negatives
AMOUNT = re.compile(r"\d+(?:[.,]\d+)?")
NOTE = "//"


def points(text: str) -> list[Row]:
    """N, minutes, origin, EI, who says so; a note after “//”.

    >>> points("-1  6:30  personal  80  own sheets // cold")[0]["who"]
    'own sheets'
    """
    return _lines(text, _point)


def ratings(text: str) -> list[Row]:
    """EI, minutes, origin, who says so."""

    def row(words: list[str]) -> Row:
        origin, rest = _origin(words[2:], "published")
        return {"ei": _at(words, 0), "minutes": _at(words, 1)} | {
            "origin": origin,
            "who": " ".join(rest),
        }

    return _lines(text, row)


def warmth(text: str) -> list[Row]:
    """°C, minutes for N."""
    return _lines(text, _named("temperature_c", "minutes"))


def powder_parts(text: str) -> list[Row]:
    """A name, and grams if it is weighed.

    >>> powder_parts("carbonate 12,5")
    [{'name': 'carbonate', 'grams': '12,5'}]
    """

    def row(words: list[str]) -> Row:
        weighed = len(words) > 1 and AMOUNT.fullmatch(words[-1]) is not None
        name = words[:-1] if weighed else words
        return {"name": " ".join(name), "grams": words[-1] if weighed else None}

    return _lines(text, row)


def paper_filters(text: str) -> list[Row]:
    """Range, speed, factor, then the filter's name."""
    numbers_of = _named("range", "speed", "factor")
    return _lines(text, lambda words: numbers_of(words) | {"label": " ".join(words[3:])})


def paper_boxes(text: str) -> list[Row]:
    """Width, height, sheets; then, each by its word, what is known: ``opened`` a day, ``gone`` so
    many, ``price``, ``cut`` into so many strips.

    >>> paper_boxes("240 300 25 opened 2026-01-10 price 38")
    [{'width_mm': '240', 'height_mm': '300', 'sheets': '25', 'opened': '2026-01-10', 'price': '38'}]
    """
    sizes = _named("width_mm", "height_mm", "sheets")

    def row(words: list[str]) -> Row:
        known = dict(zip_longest(words[3::2], words[4::2], fillvalue=""))
        return sizes(words) | known

    return _lines(text, row)


def paper_steps(text: str) -> list[Row]:
    """Log exposure, density."""
    return _lines(text, _named("log_h", "density"))


def numbers(text: str) -> list[str]:
    """Numbers with blanks, ends of lines or semicolons between.

    >>> numbers("0.05 0,20; 0.35")
    ['0.05', '0,20', '0.35']
    """
    return [each for each in re.split(r"[\s;]+", text) if each]


def shutter_marks(text: str) -> list[Row]:
    """A mark and its readings in seconds.

    >>> shutter_marks("1/60  0.0208 0.0212")
    [{'mark': '1/60', 'seconds': ['0.0208', '0.0212']}]
    """
    return _lines(text, lambda words: {"mark": words[0], "seconds": words[1:]})


def meter_pairs(text: str) -> list[Row]:
    """What was metered, then EV by the one and by the other."""
    return _lines(
        text,
        lambda words: {
            "label": " ".join(words[:-2])[:80],
            "trusted_ev": words[-2] if len(words) > 1 else "",
            "other_ev": words[-1],
        },
    )


def colours(text: str) -> list[Row]:
    """A colour, and its density.

    >>> colours("deep red 0.86")
    [{'label': 'deep red', 'density': '0.86'}]
    """
    return _lines(text, lambda words: {"label": " ".join(words[:-1]), "density": words[-1]})


def _lines(text: str, row: Callable[[list[str]], Row]) -> list[Row]:
    return [row(line.split()) for line in text.splitlines() if line.strip()]


def _named(*fields: str) -> Callable[[list[str]], Row]:
    return lambda words: {name: _at(words, place) for place, name in enumerate(fields)}


def _at(words: list[str], place: int) -> str:
    return words[place] if place < len(words) else ""


def _origin(words: list[str], usual: str) -> tuple[str, list[str]]:
    return (words[0], words[1:]) if words and words[0] in ORIGINS else (usual, words)


def _point(words: list[str]) -> Row:
    if len(words) == 1 and AMOUNT.fullmatch(words[0].replace(":", "")):
        words = ["0", *words]  # a lone number is the minutes for N
    learned = words[2:3] == [LEARNED]
    rest = words[3:] if learned else words[2:]
    cut = rest.index(NOTE) if NOTE in rest else len(rest)
    origin, said = _origin(rest[:cut], "personal")
    rated = bool(said) and AMOUNT.fullmatch(said[0]) is not None
    return {
        "n": words[0],
        "minutes": _at(words, 1),
        "origin": origin,
        "ei": said[0] if rated else None,
        "who": " ".join(said[1:] if rated else said),
        "note": " ".join(rest[cut + 1 :]),
        "learned": learned,
    }
