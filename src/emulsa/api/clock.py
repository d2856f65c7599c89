"""The one place that asks what time it is."""

from __future__ import annotations

from datetime import UTC, datetime


def now() -> str:
    """This instant in UTC, to the millisecond, as ISO 8601."""
    return datetime.now(UTC).isoformat(timespec="milliseconds").replace("+00:00", "Z")


def seconds_since(instant: str) -> float | None:
    """Seconds from an ISO instant until now; nothing when it is no instant."""
    try:
        then = datetime.fromisoformat(instant)
    except ValueError:
        return None
    return (datetime.now(UTC) - then).total_seconds() if then.tzinfo else None
