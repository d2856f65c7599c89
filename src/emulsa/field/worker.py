"""What the browser's worker calls: a copy opened once, and asked with plain values."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path
from typing import Any

from emulsa.field.copy import Copy

Asking = Callable[[str, str, dict[str, str], bytes], tuple[int, dict[str, str], bytes]]


def opened(folder: str) -> Asking:
    """A copy in a folder, as a function of method, address, headers and body."""
    copy = Copy(Path(folder))

    def asked(method: str, target: str, headers: Any, body: Any) -> tuple[int, Any, bytes]:
        answer = copy.answer(method, target, dict(headers), bytes(body))
        return answer.status, answer.headers, answer.body

    return asked
