"""Scenes of the practice room, as mosaics: from a light and a handful of patches to a field of EVs.

Stops from the scene's light, reflectance, box (x, y, width, height of the frame; later patches lie
over earlier ones), texture in stops, colour, and the zones a good print has there (common practice,
no source).
"""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class MosaicPatch:
    """A patch of a mosaic."""

    name: str
    stops: float
    reflectance: float
    box: tuple[float, float, float, float]
    texture_stops: float
    colour: str
    zones: tuple[float, float]


COLUMNS, ROWS = 48, 32
BASE_EV = {
    "sun": 15.0,
    "cloud": 13.0,
    "haze": 14.0,
    "snow": 15.3,
    "backlight": 15.0,
    "forest": 10.0,
    "dusk": 6.0,
}
DRIFT_A_MINUTE = {"backlight": -0.005, "dusk": -0.12}

MOSAICS: dict[str, tuple[MosaicPatch, ...]] = {
    "sun": (
        MosaicPatch("meadow", 0, 0.12, (0, 0.55, 1, 0.45), 0.35, "foliage", (4, 6)),
        MosaicPatch("sky", -0.8, 0.157, (0, 0, 1, 0.4), 0.1, "blue_sky", (5, 7)),
        MosaicPatch("far hills", -0.3, 0.1, (0, 0.4, 1, 0.15), 0.2, "foliage", (4, 6)),
        MosaicPatch("whitewashed wall", 0, 0.75, (0.55, 0.3, 0.3, 0.3), 0.15, "", (7, 8)),
        MosaicPatch("barn side in shade", -3, 0.14, (0.18, 0.32, 0.2, 0.3), 0.25, "", (3, 4)),
        MosaicPatch("doorway", -4.6, 0.08, (0.24, 0.44, 0.07, 0.18), 0.3, "", (0, 3)),
        MosaicPatch("stone path", 0, 0.3, (0.42, 0.7, 0.12, 0.3), 0.25, "", (5, 6.5)),
    ),
    "cloud": (
        MosaicPatch("moor", 0, 0.1, (0, 0.5, 1, 0.5), 0.3, "foliage", (4, 5)),
        MosaicPatch("sky", 1.4, 0.157, (0, 0, 1, 0.5), 0.3, "", (6, 8)),
        MosaicPatch("dry-stone wall", -0.4, 0.16, (0.05, 0.55, 0.6, 0.12), 0.35, "", (4, 6)),
        MosaicPatch("peat bank", -1.8, 0.05, (0.55, 0.72, 0.35, 0.2), 0.3, "", (2, 3)),
        MosaicPatch("limestone", 0, 0.5, (0.7, 0.5, 0.12, 0.1), 0.15, "", (6.5, 7.5)),
        MosaicPatch("wet slate", -0.8, 0.07, (0.2, 0.75, 0.22, 0.15), 0.25, "", (3, 4)),
    ),
    "haze": (
        MosaicPatch("fields", 0, 0.14, (0, 0.6, 1, 0.4), 0.2, "foliage", (5, 6)),
        MosaicPatch("sky", 0.8, 0.157, (0, 0, 1, 0.45), 0.1, "", (7, 8)),
        MosaicPatch("ridge in haze", -0.2, 0.12, (0, 0.35, 1, 0.25), 0.08, "", (5.5, 7)),
        MosaicPatch("hedge", -1.8, 0.07, (0.1, 0.68, 0.5, 0.1), 0.3, "foliage", (3, 4)),
        MosaicPatch("gatepost", -1, 0.1, (0.72, 0.55, 0.06, 0.3), 0.2, "", (3.5, 5)),
        MosaicPatch("pale track", 0, 0.35, (0.4, 0.75, 0.2, 0.25), 0.15, "", (6, 7)),
    ),
    "snow": (
        MosaicPatch("lit snow", 0, 0.85, (0, 0.45, 1, 0.55), 0.2, "", (7, 8)),
        MosaicPatch("sky", -1.6, 0.157, (0, 0, 1, 0.35), 0.1, "blue_sky", (4, 6)),
        MosaicPatch("snow in shade", -3, 0.85, (0, 0.3, 1, 0.18), 0.12, "snow_in_shade", (5, 6.5)),
        MosaicPatch("spruces", -2.5, 0.06, (0.12, 0.25, 0.25, 0.35), 0.4, "foliage", (2, 4)),
        MosaicPatch("hut wall", -1.2, 0.14, (0.62, 0.35, 0.2, 0.25), 0.25, "", (3, 5)),
        MosaicPatch("hut window", -5, 0.06, (0.69, 0.42, 0.05, 0.08), 0.1, "", (0, 2)),
    ),
    "backlight": (
        MosaicPatch("water glitter", 1.2, 0.4, (0, 0.6, 1, 0.4), 0.9, "", (7, 9)),
        MosaicPatch("sky at the sun", 2.6, 0.157, (0, 0, 1, 0.45), 0.4, "", (8, 10)),
        MosaicPatch("pier", -3.2, 0.1, (0.1, 0.5, 0.6, 0.14), 0.3, "", (2, 4)),
        MosaicPatch("boat's dark side", -3.4, 0.08, (0.72, 0.55, 0.2, 0.18), 0.25, "", (2, 3.5)),
        MosaicPatch("far shore", -1.6, 0.12, (0, 0.42, 1, 0.1), 0.15, "", (4, 6)),
    ),
    "forest": (
        MosaicPatch("leaf litter", -0.5, 0.09, (0, 0.6, 1, 0.4), 0.5, "", (3, 5)),
        MosaicPatch("undergrowth", -1, 0.1, (0, 0.2, 1, 0.42), 0.6, "foliage", (3, 5)),
        MosaicPatch("sky gaps", 4.5, 0.157, (0.3, 0, 0.4, 0.14), 1.0, "", (8, 10)),
        MosaicPatch("birch bark", 0, 0.55, (0.22, 0.1, 0.08, 0.7), 0.3, "", (6.5, 7.5)),
        MosaicPatch("oak trunk", -1.5, 0.08, (0.6, 0.05, 0.14, 0.75), 0.35, "", (2, 4)),
        MosaicPatch("sunlit fern", 3, 0.12, (0.42, 0.62, 0.16, 0.16), 0.4, "foliage", (5, 7)),
        MosaicPatch("hollow under roots", -3.5, 0.06, (0.58, 0.8, 0.18, 0.12), 0.3, "", (0, 2)),
    ),
    "dusk": (
        MosaicPatch("wet sand", 0, 0.12, (0, 0.6, 1, 0.4), 0.25, "", (4, 6)),
        MosaicPatch("afterglow", 2.8, 0.157, (0, 0.2, 1, 0.28), 0.3, "", (6, 8)),
        MosaicPatch("upper sky", 1, 0.157, (0, 0, 1, 0.25), 0.1, "blue_sky", (5, 6.5)),
        MosaicPatch("headland", -2.2, 0.06, (0.5, 0.38, 0.5, 0.22), 0.2, "", (1, 3)),
        MosaicPatch("foam", 0.3, 0.7, (0, 0.72, 1, 0.06), 0.4, "", (7, 8)),
        MosaicPatch("breakwater", -1.2, 0.08, (0.1, 0.55, 0.14, 0.3), 0.3, "", (2, 4)),
    ),
}
