"""Chance that repeats: the same seed makes the same scene and the same question, everywhere.

Source: SplitMix64 (Steele, Lea and Flood, 2014), from memory.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from statistics import NormalDist
from typing import Annotated, TypeVar

from emulsa.core.limits import Within

Seed = Annotated[int, Within("The seed", 0, 2**31 - 1)]

T = TypeVar("T")

MASK = 2**64 - 1
GAMMA = 0x9E3779B97F4A7C15
FIRST, SECOND = 0xBF58476D1CE4E5B9, 0x94D049BB133111EB
SMALLEST = 2.0**-53
NORMAL = NormalDist()


def mixed(z: int) -> int:
    """The generator's own mixing of 64 bits.

    >>> mixed((1234567 + GAMMA) & MASK)
    6457827717110365317
    """
    z = (z ^ (z >> 30)) * FIRST & MASK
    z = (z ^ (z >> 27)) * SECOND & MASK
    return z ^ (z >> 31)


def uniform(seed: int, *keys: int) -> float:
    """A number from 0 up to 1 of a seed and what it is wanted for.

    >>> 0 <= uniform(1, 0, 0) < 1, uniform(1, 0, 0) == uniform(1, 0, 1)
    (True, False)
    """
    return _number(_state(seed, keys))


def uniforms(many: int, seed: int, *keys: int) -> list[float]:
    """The same for the keys 0, 1, 2 … behind these.

    >>> uniforms(2, 1, 7) == [uniform(1, 7, 0), uniform(1, 7, 1)]
    True
    """
    state = _state(seed, keys)
    return [_number(mixed((state + GAMMA * (key + 1)) & MASK)) for key in range(many)]


def _state(seed: int, keys: Iterable[int]) -> int:
    state = seed
    for key in keys:
        state = mixed((state + GAMMA * (key + 1)) & MASK)
    return state


def _number(state: int) -> float:
    return (mixed((state + GAMMA) & MASK) >> 11) * SMALLEST


def pick(entries: Sequence[T], seed: int, *keys: int) -> T:
    """One of several, all as likely."""
    return entries[int(uniform(seed, *keys) * len(entries))]


def normal(seed: int, *keys: int) -> float:
    """A normal number, mean 0, standard deviation 1."""
    held = min(max(uniform(seed, *keys), SMALLEST), 1 - SMALLEST)
    return NORMAL.inv_cdf(held)
