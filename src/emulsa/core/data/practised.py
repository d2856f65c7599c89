"""Practice in words: topics and wrong ways by a few words each, and the mosaics as one meets them.

Written for this program.
"""

from __future__ import annotations

from emulsa.core.data.exercises import Topic

TOPIC_NAMES: dict[Topic, str] = {
    "dial": "From EV to time",
    "placement": "Placing and falling",
    "n": "Development N",
    "filters": "Filters",
    "bellows": "Bellows",
    "reciprocity": "Long exposures",
    "spot": "What a spot reads",
    "roll": "One N for a roll",
    "outing": "The whole sum",
}

SHORTLY = {
    "iso-ignored": "Film is not always 100",
    "iso-reversed": "Faster film, less time",
    "ev-one-off": "One EV is one stop",
    "fraction-as-seconds": "1/8 or 8 s",
    "zone-direction": "Below V is less",
    "as-metered": "The meter says V",
    "zone-from-iv": "Count from V",
    "fall-sign": "Brighter falls higher",
    "fall-from-v": "Falls count from the placed tone",
    "n-sign": "Long range, N−",
    "n-from-range": "N from the fall, not the range",
    "zones-counted-inclusively": "III to VIII is five",
    "factor-as-stops": "Factor or stops",
    "stops-as-factor": "Stops or factor",
    "filter-twice": "A filter counts once",
    "filter-forgotten": "Count the filter",
    "filter-reversed": "A filter takes light",
    "density-as-stops": "0.3 is one stop",
    "factors-added": "Factors multiply",
    "same-family-added": "The deeper filter alone",
    "bellows-forgotten": "Count the bellows",
    "bellows-not-squared": "Bellows by the square",
    "extension-as-draw": "Extension or draw",
    "draw-as-extension": "Draw or extension",
    "distance-from-film": "m by the distance",
    "bellows-on-pinhole": "No bellows on a pinhole",
    "reciprocity-forgotten": "Long light fades",
    "reciprocity-twice": "Long light once",
    "exponent-as-factor": "A power, no factor",
    "reciprocity-first": "Long light comes last",
    "bracket-after-reciprocity": "Bracket before long light",
    "white-on-v": "White on VII, not V",
    "black-on-v": "Black on III, not V",
    "spot-sees-patch-only": "What the circle holds",
    "mean-of-evs": "Light is averaged, not EV",
    "roll-mean": "The least loss, not the mean",
    "roll-for-flattest": "Not for the flattest alone",
    "roll-for-last": "Not for the last alone",
    "light-change-ignored": "Light that moved",
    "light-change-reversed": "More light, less time",
}

# what a scene shows one up in, and the topic it is practised in
SHOWN_BY_SCENES: dict[str, Topic] = {
    "white-on-v": "spot",
    "black-on-v": "spot",
    "filter-twice": "filters",
    "filter-forgotten": "filters",
    "bellows-forgotten": "bellows",
    "n-sign": "n",
}

# title and brief by kind
MET: dict[str, tuple[str, str]] = {
    "sun": (
        "Barn and whitewashed wall",
        "The wall white with its brush marks, the barn’s shaded side open, the doorway dark; meadow"
        " and path between.",
    ),
    "cloud": (
        "Moor under moving cloud",
        "The peat just open, limestone light, cloud lighter than grey. The light changes while"
        " one works.",
    ),
    "haze": (
        "Ridge in haze",
        "Haze light and soft, the hedge dark enough to hold the picture, nothing blocked.",
    ),
    "snow": (
        "Hut in the snow",
        "Snow white with its surface, the shaded snow lighter than grey, spruces dark but open.",
    ),
    "backlight": (
        "Pier against the light",
        "Glitter may go white, the pier and the boat keep a little in their shade.",
    ),
    "forest": (
        "Under old trees",
        "Bark and fern carry the light, trunk and litter stay full, gaps of sky may go.",
    ),
    "dusk": (
        "Sand after sunset",
        "Wet sand and foam keep their light, the headland goes dark. It darkens while one works.",
    ),
    "own": (
        "A scene of one’s own",
        "The tones as they were read, to be placed as one means to.",
    ),
}
