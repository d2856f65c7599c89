"""A ceiling on request bodies."""

from __future__ import annotations

from emulsa.api.refusals import TooLarge

MEGABYTE = 1_048_576
LARGEST_BODY = MEGABYTE  # 200 readings with long labels are under 100 kB
LARGEST_HANDED = 8 * MEGABYTE  # acts that are handed in together; any one of them fits


def too_large(largest: int) -> TooLarge:
    """The refusal of more than a route takes."""
    return TooLarge(
        f"This is larger than {largest // MEGABYTE} MB; send less at once.", allowed=[0, largest]
    )
