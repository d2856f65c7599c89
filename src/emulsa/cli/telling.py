"""What commands share: where the data lie, and how what goes wrong is told."""

from __future__ import annotations

import sys
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from pathlib import Path


def default_data(demo: bool) -> Path:
    """The platform's folder for user data; the demo has its own and never touches the user's."""
    from platformdirs import user_data_path

    return user_data_path("emulsa", appauthor=False) / ("demo" if demo else "archive")


@dataclass
class Told:
    """How a command ended."""

    code: int = 0


@contextmanager
def telling(about: Path) -> Iterator[Told]:
    """What goes wrong with files is told in one sentence, and never as a traceback."""
    from emulsa.store import faults
    from emulsa.store.database import TooNew
    from emulsa.store.folder import Unsafe

    told = Told()
    try:
        yield told
    except (TooNew, Unsafe) as problem:
        print(problem, file=sys.stderr)
        told.code = 1
    except faults.TROUBLES as problem:
        print(faults.sentence(problem, about), file=sys.stderr)
        told.code = 1
