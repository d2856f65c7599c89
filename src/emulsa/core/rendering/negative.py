"""A normal negative: the net density of each zone, and the zone that a net density prints as."""

from __future__ import annotations

from collections.abc import Iterable

from emulsa.core.data.negative import NORMAL_POINTS
from emulsa.core.straight import along, straight

TURNED = tuple((net, zone) for zone, net in NORMAL_POINTS)


def net_density(zone: float) -> float:
    """What stands above base plus fog for a tone that prints as ``zone``; straight between zones,
    never under nothing.

    >>> net_density(1), net_density(8)
    (0.1, 1.25)
    """
    return max(straight(NORMAL_POINTS, zone), 0.0)


def net_densities(zones: Iterable[float]) -> list[float]:
    """The same for many zones that rise."""
    return [max(net, 0.0) for net in along(NORMAL_POINTS, zones)]


def printed_zone(net: float) -> float:
    """The zone a net density prints as on the paper of a normal negative.

    >>> printed_zone(0.10), printed_zone(1.25)
    (1.0, 8.0)
    """
    return straight(TURNED, net)
