"""Several lines at once: typed with semicolons between, or a table pasted from elsewhere."""

from __future__ import annotations

import re

from emulsa.core.limits import Length

AT_ONCE = Length("Lines at once", 1, 40)
BETWEEN = re.compile(r"[;\r\n]+")
BEGINS = re.compile(r"^(?:EV\s*)?[-−]?\d", re.I)


def split(text: str) -> tuple[str, ...]:
    """The lines of a text, each as one would type it; a row of cells has its number first.

    >>> split("shade\\t9\\tIII\\nfrost\\t13 1/3")
    ('9 shade III', '13 1/3 frost')
    """
    lines = [_row(each) for each in BETWEEN.split(text) if each.strip()]
    return tuple(AT_ONCE.check(lines or [""], "text"))


def _row(line: str) -> str:
    cells = [each.strip() for each in line.split("\t") if each.strip()]
    number = next((each for each in cells if BEGINS.match(each)), None)
    if number is not None and cells[0] != number:
        cells.remove(number)
        cells.insert(0, number)
    return " ".join(cells)
