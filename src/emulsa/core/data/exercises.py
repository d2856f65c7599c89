"""What is practised: topics in the order of the course, wrong ways explained in a sentence, and
the days after which one is asked again (growing intervals: common practice, no source)."""

from __future__ import annotations

from typing import Literal, get_args

Topic = Literal[
    "dial", "placement", "n", "filters", "bellows", "reciprocity", "spot", "roll", "outing"
]

TOPICS: tuple[Topic, ...] = get_args(Topic)
INTERVALS_DAYS = (0, 1, 3, 7, 14, 30)
TIMED: tuple[Topic, ...] = ("dial", "filters", "bellows", "reciprocity", "outing")
EXPLANATIONS = {
    "iso-ignored": (
        "The EV was read as if the film were ISO 100; at another index the time changes by "
        "log2(EI/100) stops."
    ),
    "iso-reversed": (
        "The index was counted the wrong way: a faster film needs less time, a slower one more."
    ),
    "ev-one-off": "One EV too low: each EV is one stop, and this is one stop too much light.",
    "fraction-as-seconds": (
        "A fraction of a second was read as whole seconds, or the other way round."
    ),
    "zone-direction": (
        "The shift went the wrong way: a tone placed below V needs less exposure than the "
        "meter says, one above V more."
    ),
    "as-metered": (
        "The reading was used as it stood. A meter puts what it reads on V; placing it "
        "elsewhere shifts the camera by 5 − zone."
    ),
    "zone-from-iv": "The shift was counted from IV; the meter’s tone is V.",
    "fall-sign": "A brighter reading falls higher, a darker one lower.",
    "fall-from-v": "The fall was counted from V; it counts from the zone of the placed reading.",
    "n-sign": (
        "More range than the paper holds asks for contraction (N−); expansion drives the "
        "highlight further out."
    ),
    "n-from-range": (
        "N was counted from the range alone; it is the target zone minus the zone the "
        "highlight falls on."
    ),
    "zones-counted-inclusively": (
        "Both end zones were counted: from III to VIII there are five stops, not six."
    ),
    "factor-as-stops": "A factor is not stops: ×8 is three stops.",
    "stops-as-factor": "Stops are not a factor: two stops are ×4.",
    "filter-twice": (
        "The filter was counted twice: by the meter, a lowered EI or an earlier sum, and "
        "again by its factor."
    ),
    "filter-forgotten": "The filter is missing from the sum.",
    "filter-reversed": "A filter takes light away, so the time grows.",
    "density-as-stops": "A density is not stops: 0.30 is one stop.",
    "factors-added": "Factors multiply; it is their stops that add.",
    "same-family-added": (
        "Of two filters of one colour family only the deeper counts: it already takes what "
        "the lighter would."
    ),
    "bellows-forgotten": (
        "The extension was left out: light falls with the square of the distance from lens to film."
    ),
    "bellows-not-squared": "The factor is the square: (1 + m)², not 1 + m.",
    "extension-as-draw": "The whole extension was taken for the draw beyond infinity focus.",
    "draw-as-extension": "The draw beyond infinity was taken for the whole extension.",
    "distance-from-film": "m is f/(u − f), not f/u.",
    "bellows-on-pinhole": "A pinhole’s f-number already holds its distance: no bellows factor.",
    "reciprocity-forgotten": "Beyond a second this film needs more than the metered time.",
    "reciprocity-twice": "The correction was applied to a corrected time.",
    "exponent-as-factor": "The exponent was used as a factor; it is a power of the time.",
    "reciprocity-first": (
        "Reciprocity belongs to the whole time on the film, so filters and bellows come before it."
    ),
    "bracket-after-reciprocity": (
        "A bracket step shifts the metered time; correct each frame by itself."
    ),
    "white-on-v": (
        "A meter renders what it reads as middle grey. White read and left on V comes out "
        "grey: two to three stops too little."
    ),
    "black-on-v": (
        "A meter renders what it reads as middle grey. Black read and left on V comes out "
        "grey: two to three stops too much."
    ),
    "spot-sees-patch-only": (
        "The circle held more than the patch; what lies beside it is in the reading, weighted"
        " by its light."
    ),
    "mean-of-evs": "A meter averages light, not EVs; the brighter part weighs more.",
    "roll-mean": (
        "The mean of the wishes is not the least loss: a blocked highlight costs twice a soft one."
    ),
    "roll-for-flattest": "Developing for the flattest frame blocks the highlights of the others.",
    "roll-for-last": "The last frame was taken for the whole roll.",
    "light-change-ignored": (
        "The light moved after the reading; the time belongs to the light there is."
    ),
    "light-change-reversed": "More light means less time; the change was counted the wrong way.",
}
