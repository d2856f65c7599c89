"""The end of the service: what is under way is told, and a little time is left to it."""

from __future__ import annotations

from emulsa.core.errors import CoreError

STOPS_WITHIN_S = 2


class Stopping(CoreError):
    """What is under way is given up, and nothing half of it is kept."""

    code = "stopping"
