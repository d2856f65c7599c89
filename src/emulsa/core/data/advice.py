"""Every code of advice, and when it is given; thresholds are common practice, no source."""

from __future__ import annotations

CATALOGUE: dict[str, str] = {
    # metering
    "ev-sign": "a negative EV among readings near the same number without its sign",
    "iso-differs": "readings taken with different ISO settings, as after a change of EI",
    "pair-of-spots": "an incident pair of spot readings, whose range would get 5 stops too many",
    "pair-ei-twice": "an incident pair at twice the usual EI, which the pair already uses",
    "sky-estimated": "light told by the sky, the moon, the street or a leaflet, without a meter",
    "reading-old": "a reading more than 10 minutes old",
    # lenses
    "circle-too-small": "a lens whose circle does not reach a corner of the film",
    "worth-a-centre-filter": "corners more than a stop darker than the best place of the film",
    # tones
    "own-film": "print tones by the film's own test, where its times are in use",
    "highlight-beyond-range": "a tone above what the film holds",
    "shadow-below-range": "a tone below what the film holds",
    "safety-same": "a shadow on IV at twice the EI, the same as III at the EI",
    "safety-counted-twice": "a shadow on IV at half the EI, one stop more than meant",
    # development
    "development-extreme": "N beyond ±2",
    "mark-highlight": "no highlight marked, and the brightest reading would ask for N+½ or more",
    "n-by-brightest": "N−½ or less by the brightest reading, which nobody marked",
    "ei-by-thumb": "contraction that usually costs speed, where no own or tested point says it",
    "n-sign": "an N chosen with the opposite sign of what the range asks",
    # printing
    "print-short": "a part of a print under 3 s",
    "print-long": "a part of a print over 60 s",
    "print-hold-short": "a dodge under 2 s, hard to do evenly",
    "print-holds-at-once": "holds that together are longer than their part",
    "print-burns-much": "burns of one area above 3 stops",
    # the kind of film
    "kind-range": "tones further apart, or an N beyond, what the kind of film usually bears",
    "kind-place": "reversal film placed by its shadow",
    "pre-exposed": "film pre-exposed to a zone: the card that goes before",
    # filters
    "filter-counted-twice": "a filter metered through and given back, or lowered in the EI as well",
    "same-family": "two contrast filters of one colour family",
    "families-crossed": "two contrast filters of different families, whose factors do not multiply",
    "factor-or-stops": "a colour filter of 5 stops or more, where a factor was meant",
    "polarisers-stacked": "two polarisers",
    "polariser-sky": "a polariser, whose factor stays though the sky darkens",
    "contrast-shift": "a contrast filter over a colour it moves",
    "graduated-idle": "a graduated filter with no reading marked as under it, or none to lie under",
    # focus, depth and movement
    "bellows-on-pinhole": "a bellows correction on a pinhole",
    "extension-on-telephoto": "the whole extension of a telephoto",
    "depth-too-small": "an aperture over ⅙ stop wider than the depth wanted needs",
    "softened": "an aperture so small that diffraction alone blurs as much as allowed",
    "moves": "a time longer than what moves stays sharp",
    "freezes": "a time too short for what shall flow",
    # setting
    "reciprocity-extrapolated": "a time outside the film's reciprocity data",
    "reciprocity-unknown": "a time over 1 s on film whose law nobody has said",
    "setting-off": "a setting more than ⅓ stop off",
    "faster-than-shutter": "the shutter at its fastest and still more than ⅓ stop over",
    "too-short-by-hand": "a hand-timed exposure under ½ s",
    "longer-than-shutter": "a time longer than a shutter without B or T gives",
    # what was given
    "minutes-as-seconds": "a given time about 60 times the planned one, or a sixtieth of it",
    "given-off": "a given exposure more than ⅓ stop from the planned one",
    "bracket-step": "a bracket whose frames come out alike, or off by more than half a step",
    # film in hand
    "frame-at-another-ei": "a frame of a roll rated at another EI than its scene",
    "exposed-twice": "an exposure meant to lie over another",
    # development and the darkroom
    "time-short": "a developing time under 5 minutes",
    "time-much-too-short": "a developing time under 4 minutes",
    "rating-reason": "film rated lower than its own EI, and nobody said why",
    "temperature-outside": "a bath outside 18 to 27 °C and the maker's table, with a reason",
    "time-estimated": "a developing time by the rule of thumb, not by the recipe's own points",
    "capacity-short": "more film in a run than its developer does",
    "concentrate-short": "a mix too small for the concentrate its film uses up",
    "one-tank": "film of two kinds whose runs may be one",
    "bottle": "a bottle that is too old, used up, or has too little left for the evening",
    # film tests and films side by side
    "speed-point-twice": "a curve that passes the speed point's density more than once",
    "no-ladder": "a test without two curves whose minutes and N are known and rise together",
    "colour-prints-otherwise": "a colour a third of a stop or more off the reference film's",
    "colour-with-contrast": "such a colour on a film that is more than 5 % steeper or flatter",
    "flash-fired": "a picture was lit by a flash",
    "zoomed": "a picture was zoomed by more than a thousandth",
    "specially-processed": "a picture was worked over by its maker",
    "colour-space-unknown": "a picture's colours are not sRGB",
    "settings-missing": "a picture's file does not say time, aperture or ISO",
    "point-clipped": "a reading lies where the picture is clipped",
    "spot-mixed": "the meter saw more than what was meant, by over ⅓ stop",
    "readings-disagree": "a reading is 0.45 stop and 1.25 σ off what the others say",
    "brightened-in-parts": "two places alike in the picture read a stop and more apart",
    "settings-disagree": "a picture's settings and its readings are more than a stop apart",
    "settings-only": "a picture is read by its settings alone",
    "one-reading": "a picture is read by one reading",
    "few-readings": "a picture's curve is mostly assumed",
    "readings-alike": "a picture's readings lie within 2 stops of it",
}
