"""A normal negative: the net density of each zone, and the zone that a net density prints as.

Common practice, no source: Zone I 0.10 and Zone VIII 1.25 to 1.35 are the trade's; between them the
densities handbooks print for a normal negative, from memory.
"""

from __future__ import annotations

from emulsa.core.sensitometry.straight import straight

NORMAL_NET = (0.02, 0.10, 0.20, 0.33, 0.48, 0.64, 0.82, 1.02, 1.25, 1.46, 1.64, 1.78)
POINTS = tuple((float(zone), net) for zone, net in enumerate(NORMAL_NET))
TURNED = tuple((net, zone) for zone, net in POINTS)


def net_density(zone: float) -> float:
    """What stands above base plus fog for a tone that prints as ``zone``; straight between zones,
    never under nothing.

    >>> net_density(1), net_density(8)
    (0.1, 1.25)
    """
    return max(straight(POINTS, zone), 0.0)


def printed_zone(net: float) -> float:
    """The zone a net density prints as on the paper of a normal negative.

    >>> printed_zone(0.10), printed_zone(1.25)
    (1.0, 8.0)
    """
    return straight(TURNED, net)
