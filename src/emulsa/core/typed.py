"""Numbers as they are typed: 6.3, −1½, 13 1/3; zones VII½; N−1. One rule for the decimal comma.

Whether 6,3 is 6.3 the photographer says once, and every field and line follows (``commas``); until
then it is asked. Files and pasted tables of others say it by themselves and are not read here.
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from contextlib import contextmanager
from contextvars import ContextVar
from typing import Any

from emulsa.core.errors import Comma, Unreadable

ROMAN = ("0", "I", "II", "III", "IV", "V", "VI", "VII", "VIII", "IX", "X")
FRACTIONS = {"¼": 1 / 4, "⅓": 1 / 3, "½": 1 / 2, "⅔": 2 / 3, "¾": 3 / 4}
DECIMAL_COMMA = re.compile(r"(?<=\d),(?=\d)")
PART = r"(?:\s*([¼⅓½⅔¾])|\s+(\d)/(\d))"
NUMBER = re.compile(rf"([-+−]?)\s*(?:(\d+(?:\.\d*)?(?:[eE][-+]?\d+)?|\.\d+){PART}?|([¼⅓½⅔¾]))")
ZONE = re.compile(r"(?:[zZ]\s*)?([IVXivx]+(?:\.\d+)?|\d+(?:\.\d+)?)?\s*(?:([¼⅓½⅔¾])|(\d)/(\d))?")
LONGEST = 40

_commas: ContextVar[bool | None] = ContextVar("commas", default=None)


@contextmanager
def commas(are_points: bool | None) -> Iterator[None]:
    """Inside, a comma between digits is what the photographer said it is; nothing: it is asked."""
    token = _commas.set(are_points)
    try:
        yield
    finally:
        _commas.reset(token)


def pointed(text: str, field: str | None = None) -> str:
    """Text whose decimal commas are points, if they are; Comma asks, Unreadable says they are none.

    >>> with commas(True):
    ...     pointed("6,3 and 0,25")
    '6.3 and 0.25'
    """
    if not DECIMAL_COMMA.search(text):
        return text
    points = DECIMAL_COMMA.sub(".", text)
    said = _commas.get()
    if said is None:
        raise Comma(
            f"Is the comma a decimal point, as in {points[:LONGEST]}? Choose once.",
            field=field,
            allowed=[points],
        )
    if not said:
        raise Unreadable(
            f"Write decimals with a point, as in {points[:LONGEST]}.", field=field, allowed=[points]
        )
    return points


def number(text: str, field: str | None = None) -> float:
    """A number as one writes it, a share in per cent too; Unreadable for anything else.

    >>> number("6.3"), number("−1½"), number("13 1/3") == 13 + 1 / 3, number(" .5 "), number("6 %")
    (6.3, -1.5, True, 0.5, 0.06)
    """
    said = pointed(text.strip(), field)
    if said.endswith("%"):
        return number(said[:-1], field) / 100
    found = NUMBER.fullmatch(said)
    if not found:
        raise Unreadable(f"“{_short(text)}” is not a number.", field=field)
    sign, whole, part, upper, lower, alone = found.groups()
    size = FRACTIONS[alone] if alone else float(whole) + _fraction(part, upper, lower)
    return -size if sign in ("-", "−") else size


def zone(text: str, field: str | None = None) -> float:
    """A zone as one writes it: ``VII½``, ``vii 1/2``, ``VII.5``, ``z7.5``, ``7``.

    >>> zone("VII½"), zone("z7.5"), zone("VII.5"), zone("⅓") == 1 / 3
    (7.5, 7.5, 7.5, True)
    """
    found = ZONE.fullmatch(pointed(text.strip(), field))
    if not found or not any(found.groups()):
        raise Unreadable(
            f"“{_short(text)}” is not a zone; write 0 to X, as in VII½ or z7.5.", field=field
        )
    word, part, upper, lower = found.groups()
    return _whole(word or "0", text, field) + _fraction(part, upper, lower)


def development_n(text: str, field: str | None = None) -> float:
    """N as one writes it: ``N−1½``, ``n+1``, ``N``, ``-1``.

    >>> development_n("N−1½"), development_n("n + 1"), development_n("N"), development_n("-0.5")
    (-1.5, 1.0, 0.0, -0.5)
    """
    said = text.strip()
    rest = said[1:].strip() if said[:1] in ("N", "n") else said
    if said and not rest:
        return 0.0
    if rest == said or rest[:1] in "-+−":
        return number(rest, field)
    raise Unreadable(f"“{_short(text)}” is no N; write N, N−1 or N+½.", field=field)


def number_of(value: Any, field: str | None = None) -> Any:
    """A number from text; anything else as it is."""
    return number(value, field) if isinstance(value, str) else value


def zone_of(value: Any, field: str | None = None) -> Any:
    """A zone from text; anything else as it is."""
    return zone(value, field) if isinstance(value, str) else value


def n_of(value: Any, field: str | None = None) -> Any:
    """N from text; anything else as it is."""
    return development_n(value, field) if isinstance(value, str) else value


def _whole(word: str, text: str, field: str | None) -> float:
    if word[0].isdigit():
        return float(word)
    numeral, _, decimals = word.upper().partition(".")
    if numeral not in ROMAN:
        raise Unreadable(f"“{_short(text)}” is not a zone; write 0 to X.", field=field)
    return ROMAN.index(numeral) + float(f"0.{decimals or 0}")


def _fraction(sign: str | None, upper: str | None, lower: str | None) -> float:
    if sign:
        return FRACTIONS[sign]
    return int(upper) / int(lower) if upper and lower and lower != "0" else 0.0


def _short(text: str) -> str:
    clean = "".join("?" if 0xD800 <= ord(each) <= 0xDFFF else each for each in text)
    return clean if len(clean) <= LONGEST else clean[: LONGEST - 1] + "…"
