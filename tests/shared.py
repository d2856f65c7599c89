"""What all workers of a run have in common is made by one of them."""

import os
import time
from collections.abc import Callable
from pathlib import Path

import pytest

PATIENT_S = 300


def once(factory: pytest.TempPathFactory, name: str, make: Callable[[Path], object]) -> Path:
    """A folder that is made by whoever comes first, and waited for by the others."""
    own = factory.getbasetemp()
    root = own.parent if "PYTEST_XDIST_WORKER" in os.environ else own
    made, ready, failed = (root / f"{name}{end}" for end in ("", ".ready", ".failed"))
    try:
        made.mkdir()
    except FileExistsError:
        for _ in range(PATIENT_S * 20):
            if ready.exists():
                return made
            if failed.exists():
                break
            time.sleep(0.05)
        raise RuntimeError(f"{name} was not made") from None
    try:
        make(made)
    except BaseException:
        failed.touch()
        raise
    ready.touch()
    return made
