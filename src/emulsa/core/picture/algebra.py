"""Small symmetric systems: by Cholesky, as matrices here are thirteen by thirteen at most."""

from __future__ import annotations

import math
from collections.abc import Sequence
from operator import mul

Vector = list[float]
Matrix = list[Vector]


def dot(one: Sequence[float], other: Sequence[float]) -> float:
    return math.fsum(map(mul, one, other))


def inverse(of: Matrix) -> tuple[Matrix, float]:
    """The inverse of a positive definite matrix, and the logarithm of its determinant.

    >>> inverse([[4.0, 0.0], [0.0, 0.25]])[0]
    [[0.25, 0.0], [0.0, 4.0]]
    """
    size = len(of)
    low: Matrix = [[0.0] * size for _ in range(size)]
    for i in range(size):
        for j in range(i + 1):
            rest = of[i][j] - dot(low[i][:j], low[j][:j])
            low[i][j] = math.sqrt(rest) if i == j else rest / low[j][j]
    columns = [_solved(low, [float(i == k) for i in range(size)]) for k in range(size)]
    logarithm = 2 * math.fsum(math.log(low[i][i]) for i in range(size))
    return [[columns[j][i] for j in range(size)] for i in range(size)], logarithm


def times(matrix: Matrix, vector: Sequence[float]) -> Vector:
    return [dot(row, vector) for row in matrix]


def _solved(low: Matrix, wanted: Vector) -> Vector:
    """x of L·Lᵀ·x = wanted."""
    size = len(low)
    half = [0.0] * size
    for i in range(size):
        half[i] = (wanted[i] - dot(low[i][:i], half[:i])) / low[i][i]
    found = [0.0] * size
    for i in reversed(range(size)):
        known = math.fsum(low[k][i] * found[k] for k in range(i + 1, size))
        found[i] = (half[i] - known) / low[i][i]
    return found
