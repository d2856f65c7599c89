"""The bench: a film test of twelve curves, two hundred negatives weighed, a large scan read."""

from __future__ import annotations

import math
import random
import resource
import sys
import time
from collections.abc import Callable
from pathlib import Path
from typing import Any

from emulsa.core.sensitometry.curve import Curve, DensityStep, LuxSeconds
from emulsa.core.sensitometry.film_test import FilmTestRequest, film_test
from emulsa.core.sensitometry.learned import LearnRequest, MinutesPoint, Seen
from emulsa.core.sensitometry.learning import learn
from emulsa.exchange.levels import Box, levels

SCAN = (6_000, 4_000)  # 24 megapixels


def film_test_ms(best_us: Callable[[Any, int], float]) -> float:
    """Twelve curves of thirty-one steps."""
    curves = tuple(
        Curve(
            id=f"c{k}",
            minutes=5.0 + k,
            base_fog=0.2,
            exposure=LuxSeconds(kind="lux_seconds"),
            steps=tuple(
                DensityStep(
                    log_h=-3 + 0.1 * step,
                    density=0.2
                    + (0.5 + 0.04 * k) * 0.2 * math.log1p(math.exp(5 * (0.1 * step - 1))),
                )
                for step in range(31)
            ),
        )
        for k in range(12)
    )
    request = FilmTestRequest(curves=curves, box_speed=100)
    return best_us(lambda: film_test(request), 10) / 1e3


def _density(x: float, slope: float) -> float:
    """A toe and a straight line."""
    return 0.2 + slope * 0.2 * math.log1p(math.exp(5 * (x - 1)))


def learn_ms(best_us: Callable[[Any, int], float]) -> float:
    """Two hundred judged negatives, no two given alike."""
    dice = random.Random(7)
    negatives = tuple(
        Seen(
            id=str(k),
            given_error_stops=round(dice.uniform(-1, 1), 3),
            shadow=dice.choice(("none", "thin", "full")),
            highlight=dice.choice(("flat", "full", "blocked")),
        )
        for k in range(200)
    )
    points = (MinutesPoint(n=-1, minutes=6), MinutesPoint(n=0, minutes=8))
    request = LearnRequest(ei=100, minutes_per_n=points, negatives=negatives)
    return best_us(lambda: learn(request), 3) / 1e3


def scan(folder: Path) -> tuple[float, float]:
    """Thirty-one patches of a 16-bit scan: seconds, and megabytes the process grew by at most."""
    from PIL import Image

    path = folder / "scan.tif"
    Image.effect_noise(SCAN, 60).convert("I").point(lambda v: v * 200).convert("I;16").save(path)
    before = _peak_mb()
    began = time.perf_counter()
    levels(path, [Box(0.05 + 0.03 * k, 0.5, 0.02) for k in range(31)])
    return time.perf_counter() - began, _peak_mb() - before


def _peak_mb() -> float:
    peak = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss
    return peak / (1024 if sys.platform != "darwin" else 1_048_576)
