"""What can be chosen: every short list of words as it is offered, in its order, by its own name.

The values are those of the core's types; an empty one leaves it open. A page that shows a choice
takes its words from here.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping

from emulsa.core.data.film_kinds import KINDS
from emulsa.core.data.formats import ROLLS
from emulsa.core.data.printing_ways import WAYS
from emulsa.core.development.ratings import RATING_WORDS
from emulsa.core.light.flare import FLARES
from emulsa.core.tones.development_number import n_text
from emulsa.core.tones.zones import zone_text

Offered = Mapping[str, str]


def _themselves(words: Iterable[str]) -> Offered:
    """Words that are called what they are."""
    return {each: each for each in words}


STATES: Offered = {
    "empty": "empty",
    "loaded": "unexposed",
    "exposed": "exposed",
    "blank": "blank",
    "in_run": "in a run",
    "developed": "developed",
    "judged": "judged",
}

OFFERED: dict[str, Offered] = {
    "states": STATES,
    "sought_states": {
        **{each: STATES[each] for each in ("exposed", "in_run", "developed", "judged")},
        "exposed": "exposed, not developed",
    },
    "sought_showed": {
        "best": "the best of its bracket",
        "full": "full at both ends",
        "none": "no texture in the shadows",
        "thin": "thin shadows",
        "heavy": "heavy shadows",
        "flat": "flat highlights",
        "blocked": "blocked highlights",
    },
    "schools": {
        "": "by hand, scene by scene",
        "shadow": "shadow: the darkest on your shadow zone",
        "midtone": "mid-tone: a middle tone on V",
        "highlight": "highlight: the brightest on your highlight zone",
        "average": "average of darkest and brightest",
        "incident": "incident: a reading of the light",
        "incident_pair": "incident pair: shadow side and lit side",
        "as_metered": "as metered: the first reading on V",
    },
    "flares": FLARES,
    "verdicts": _themselves(("yes", "perhaps", "no")),
    "shadows": _themselves(("none", "thin", "full", "heavy")),
    "highlights": _themselves(("flat", "full", "blocked")),
    "grains": _themselves(("fine", "medium", "coarse")),
    "edges": _themselves(("crisp", "soft")),
    "gradations": _themselves(("soft", "even", "hard")),
    "weights": {"3": "highest", "2": "high", "1": "normal", "0": "none"},
    "rating_reasons": {"": "not said"} | {str(each): said for each, said in RATING_WORDS.items()},
    # a card to begin with: five greys from light to dark, colours one meets; one's own replace them
    "card": _themselves(
        (
            *("grey white", "grey light", "grey middle", "grey dark", "grey black"),
            *("deep red", "orange", "yellow", "leaf green", "deep blue", "blue sky"),
            *("pale skin", "dark skin", "slate", "rust"),
        )
    ),
    "targets": {
        "bracket in stops": "grey card, bracket in stops",
        "21-step tablet": "step tablet, 21 steps of 0.15",
        "31-step tablet": "step tablet, 31 steps of 0.10",
        "own tablet": "own step tablet",
        "Zone I and Zone VIII": "two sheets, Zone I and Zone VIII",
    },
    "sought_n": {f"{n:g}": n_text(n) for n in (-3, -2, -1.5, -1, -0.5, 0, 0.5, 1, 1.5, 2, 3)},
    "print_zones": {f"{zone:g}": zone_text(zone) for zone in (6, 6.5, 7, 7.5, 8, 8.5, 9)},
    "series": {
        "full": "full stops",
        "half": "half stops",
        "third": "thirds",
        "old_leaf": "old leaf shutter (1/5, 1/10, 1/25 …)",
    },
    "aperture_series": {
        "full": "full stops",
        "half": "half stops",
        "third": "thirds",
        "uniform": "old uniform scale (16 is f/16)",
        "continental": "old continental scale (4.5, 6.3, 9 …)",
        "old_leaf": "as the shutter's",
    },
    "printed_by": {way: name for way, (name, _) in WAYS.items()},
    "pre_exposures": {
        "": "no pre-exposure",
        **{f"{zone:g}": f"pre-exposed to {zone_text(zone)}" for zone in (1, 1.5, 2, 2.5, 3)},
    },
    "scales": {
        "third": "thirds of a stop",
        "half": "half stops",
        "tenth": "tenths",
        "full": "whole stops",
    },
    "by_hand": {
        "B and T": "by hand, on B or T",
        "B": "by hand, on B",
        "T": "by hand, on T",
        "none": "not possible: no B, no T",
    },
    "bottles": {
        **_themselves(("developer", "part A", "part B", "stop", "fixer")),
        **_themselves(("washing aid", "wetting agent")),
        "stop": "stop bath",
    },
    "baths": {
        "presoak": "pre-soak",
        **_themselves(("developer",)),
        "stop": "stop bath",
        **_themselves(("fixer", "rinse", "washing aid", "wash", "wetting agent", "dry")),
    },
    "water_baths": _themselves(("presoak", "rinse", "wash")),
    "powders": _themselves(("developer", "fixer", "washing aid")),
    "colons": {
        "": "not written 1:n",
        "one_plus_n": "one part and n of water",
        "one_in_n": "one part in n altogether",
    },
    "filter_kinds": {
        "plain": "neutral, or anything else",
        "contrast": "contrast filter",
        "polariser": "polariser",
        "graduated": "graduated: only over a part",
    },
    "filter_colours": {
        "": "choose its colour",
        "light_yellow": "light yellow",
        "yellow": "yellow",
        "medium_yellow": "medium yellow",
        "yellow_green": "yellow-green",
        "light_green": "light green",
        "green": "green",
        "orange": "orange",
        "light_red": "light red",
        "red": "red",
        "deep_red": "deep red",
        "blue": "blue",
        "infrared": "infrared, nearly black",
    },
    "film_kinds": {"": "not said", **{kind: row.name for kind, row in KINDS.items()}},
    "own_films": {"": "a sheet", **{each: f"a roll of {each}" for each in ROLLS}},
    "roll_films": {each: f"{each} rolls" for each in ROLLS},
    "told_light": _themselves(
        (
            "bright sun",
            "hazy",
            "cloudy bright",
            "overcast",
            "open shade",
            "deep shade",
            "side lit",
            "dusk",
            "full moon",
            "street",
        )
    ),
    "stock_places": _themselves(("freezer", "fridge", "shelf", "bag")),
    "holder_faults": _themselves(("light leak", "damage", "dust", "other")),
    "negative_faults": _themselves(
        (
            "scratch, emulsion side",
            "scratch, base side",
            "fog",
            "uneven",
            "blank",
            "dust",
            "other",
        )
    ),
    "subjects": {
        "": "from label",
        "blue_sky": "blue sky",
        "foliage": "foliage",
        "skin": "skin",
        "red_rock": "red rock, rust",
        "snow_in_shade": "snow in shade",
    },
    "bracket_sides": {"both": "both sides", "over": "more", "under": "less"},
    "shares_of": {"one_scene": "this scene", "scenes": "other scenes"},
}
