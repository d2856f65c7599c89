"""What the browser's worker holds: a copy opened once, asked with plain values, and let go on."""

from __future__ import annotations

from pathlib import Path
from typing import Any

from emulsa.field.copy import Copy


class Held:
    """A copy as a worker holds it."""

    def __init__(self, folder: Path) -> None:
        self._copy = Copy(folder)

    def ask(self, method: str, target: str, headers: Any, body: Any) -> tuple[int, Any, bytes]:
        """Status, headers and body of the answer to a request."""
        answer = self._copy.answer(method, target, dict(headers), bytes(body))
        return answer.status, answer.headers, answer.body

    def go_on(self) -> bool:
        """A slice of the long work that was begun; whether there is more."""
        return self._copy.jobs.go_on()


def opened(folder: str) -> Held:
    """The copy in a folder."""
    return Held(Path(folder))
