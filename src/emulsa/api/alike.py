"""Whether an act came to the same here as out there."""

from __future__ import annotations

import math
from typing import Any

WORDS = ("version", "says", "lines", "said")


def came_to_the_same(here: Any, there: Any) -> bool:
    """By what the act answered on both sides.

    >>> came_to_the_same({"ei": 64, "says": "roll 8"}, {"ei": 64.0, "says": "roll 7"})
    True
    """
    return alike(_worked(here), _worked(there))


def _worked(answer: Any) -> Any:
    """What an act came to: its words and the version it made are not what was worked out."""
    if not isinstance(answer, dict):
        return answer
    return {name: value for name, value in answer.items() if name not in WORDS}


def alike(one: Any, other: Any) -> bool:
    """Whether two answers say the same: two machines may differ in a number's last digits.

    >>> alike({"a": [1.0]}, {"a": [1.0 + 1e-15]}), alike({"a": 1}, {"a": 2}), alike([1], [1, 1])
    (True, False, False)
    """
    if isinstance(one, dict) and isinstance(other, dict):
        return one.keys() == other.keys() and all(alike(one[each], other[each]) for each in one)
    if isinstance(one, list) and isinstance(other, list):
        return len(one) == len(other) and all(map(alike, one, other))
    if isinstance(one, float) or isinstance(other, float):
        numbers = isinstance(one, (int, float)) and isinstance(other, (int, float))
        return numbers and math.isclose(one, other, rel_tol=1e-9, abs_tol=1e-12)
    return bool(one == other)
