"""Hands on a bench of their own: a lens, a tank, a line of baths and an old bottle."""

from collections.abc import Iterator
from pathlib import Path

import pytest

from tests.path.hand import Hand, opened
from tests.path.test_one_time import OLD


@pytest.fixture
def hand(tmp_path: Path) -> Iterator[Hand]:
    """A photographer with an empty log."""
    with opened(tmp_path / "data") as client:
        made = Hand(client)
        made.bench()
        made.put("/api/kit/bottles/old", OLD)
        yield made
