"""The one place that asks what time it is."""

from __future__ import annotations

from datetime import UTC, datetime


def now() -> str:
    """This instant in UTC, to the millisecond, as ISO 8601."""
    return datetime.now(UTC).isoformat(timespec="milliseconds").replace("+00:00", "Z")
