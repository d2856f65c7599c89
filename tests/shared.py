"""What all workers of a run have in common is made by one of them."""

import time
from collections.abc import Callable
from pathlib import Path

import pytest

PATIENT_S = 300


def once(factory: pytest.TempPathFactory, name: str, make: Callable[[Path], object]) -> Path:
    """A folder that is made by whoever comes first, and waited for by the others."""
    root = factory.getbasetemp().parent
    made, claim = root / name, root / f"{name}.claimed"
    ready = root / f"{name}.ready"
    try:
        claim.mkdir()
    except FileExistsError:
        for _ in range(PATIENT_S * 20):
            if ready.exists():
                return made
            time.sleep(0.05)
        raise TimeoutError(f"nobody made {name}") from None
    made.mkdir()
    make(made)
    ready.touch()
    return made
