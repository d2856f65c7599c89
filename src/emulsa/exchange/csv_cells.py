"""Cells of a CSV file that a spreadsheet cannot take for a formula, and back again."""

from __future__ import annotations

import re

FORMULA = ("=", "+", "-", "@", "\t", "\r")
NUMBER = re.compile(r"[-+]?\d+([.,]\d+)?([eE][-+]?\d+)?")


def safe(cell: str) -> str:
    """Text as a cell: what would begin a formula gets an apostrophe before it; numbers do not.

    >>> safe("=1+1"), safe("-1.5"), safe("N−1"), safe("'quoted")
    ("'=1+1", '-1.5', 'N−1', "''quoted")
    """
    if cell.startswith("'") or (cell.startswith(FORMULA) and not NUMBER.fullmatch(cell)):
        return f"'{cell}"
    return cell


def plain(cell: str) -> str:
    """A cell as the text it was: the inverse of ``safe``.

    >>> plain("'=1+1"), plain("-1.5"), plain("''quoted")
    ('=1+1', '-1.5', "'quoted")
    """
    return cell[1:] if cell.startswith("'") else cell
