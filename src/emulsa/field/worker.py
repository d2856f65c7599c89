"""What the browser's worker holds: a copy opened once, asked with plain values, and let go on."""

from __future__ import annotations

from pathlib import Path
from typing import Any

from emulsa.core import wire
from emulsa.core.errors import CoreError
from emulsa.field.copy import JSON, Copy
from emulsa.store import faults
from emulsa.store.database import TooNew
from emulsa.store.folder import Unsafe

UNREADABLE = (
    "What this browser kept of the carried copy cannot be read any more: a part of it was removed."
    " What was handed in is safe at home, and what was saved to a file is in that file. Go back"
    " home and take a new copy."
)


class Unopened(CoreError):
    """There is a copy, and it cannot be opened."""

    code = "unopened"


class Held:
    """A copy as a worker holds it; one that cannot be opened says so whatever is asked."""

    def __init__(self, folder: Path) -> None:
        self._copy: Copy | None = None
        try:
            self._copy = Copy(folder)
        except (Unsafe, TooNew, *faults.TROUBLES):
            self._problem = Unopened(UNREADABLE)

    def ask(self, method: str, target: str, headers: Any, body: Any) -> tuple[int, Any, bytes]:
        """Status, headers and body of the answer to a request."""
        if self._copy is None:
            return 409, {"content-type": JSON}, wire.dumps(self._problem.as_json()).encode()
        answer = self._copy.answer(method, target, dict(headers), bytes(body))
        return answer.status, answer.headers, answer.body

    def go_on(self) -> bool:
        """A slice of the long work that was begun; whether there is more."""
        return self._copy is not None and self._copy.jobs.go_on()


def opened(folder: str) -> Held:
    """The copy in a folder."""
    return Held(Path(folder))
