"""A normal negative: net density of each zone from 0 to XI.

Common practice, no source: Zone I 0.10 and Zone VIII 1.25 to 1.35 are the trade's; between them the
densities handbooks print for a normal negative, from memory.
"""

NORMAL_NET = (0.02, 0.10, 0.20, 0.33, 0.48, 0.64, 0.82, 1.02, 1.25, 1.46, 1.64, 1.78)
NORMAL_POINTS = tuple((float(zone), net) for zone, net in enumerate(NORMAL_NET))
