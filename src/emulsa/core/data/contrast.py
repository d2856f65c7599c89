"""What a contrast filter does to colours, in stops against grey. Shown as advice, never summed.

Cut-off filters (yellow, orange, red): a spectral model of a flat panchromatic film in daylight,
sky of 15 000 K, leaf and skin, from check values 03-029 … 03-035 (cut at 500, 550, 590 nm); rock,
green and blue filters and all of tungsten: from memory, to a third of a stop at best.
"""

from __future__ import annotations

from typing import Literal

Colour = Literal[
    "",
    "light_yellow",
    "yellow",
    "medium_yellow",
    "yellow_green",
    "light_green",
    "green",
    "orange",
    "light_red",
    "red",
    "deep_red",
    "blue",
    "infrared",
]
Subject = Literal["", "blue_sky", "foliage", "skin", "red_rock", "snow_in_shade"]

# a shade moves colours as the colour it is a shade of
Basic = Literal["yellow", "orange", "red", "yellow_green", "green", "blue"]
SHADES: dict[str, Basic] = {
    "light_yellow": "yellow",
    "yellow": "yellow",
    "medium_yellow": "yellow",
    "yellow_green": "yellow_green",
    "light_green": "green",
    "green": "green",
    "orange": "orange",
    "light_red": "red",
    "red": "red",
    "deep_red": "red",
    "blue": "blue",
    "infrared": "red",
}

FAMILIES: dict[str, str] = {
    "light_yellow": "long-pass",
    "yellow": "long-pass",
    "medium_yellow": "long-pass",
    "orange": "long-pass",
    "light_red": "long-pass",
    "red": "long-pass",
    "deep_red": "long-pass",
    "infrared": "long-pass",
    "yellow_green": "green",
    "light_green": "green",
    "green": "green",
    "blue": "blue",
}

SUBJECTS: dict[str, str] = {
    "blue_sky": "blue sky",
    "foliage": "foliage",
    "skin": "skin",
    "red_rock": "red rock",
    "snow_in_shade": "snow in shade",
}

# Words in a reading's name that say what it is the colour of; the photographer's own mark wins.
WORDS: dict[str, Subject] = {
    "sky": "blue_sky",
    "foliage": "foliage",
    "leaves": "foliage",
    "grass": "foliage",
    "bracken": "foliage",
    "fern": "foliage",
    "skin": "skin",
    "face of": "skin",
    "portrait": "skin",
    "rust": "red_rock",
    "sandstone": "red_rock",
    "brick": "red_rock",
    "shaded snow": "snow_in_shade",
    "snow in shade": "snow_in_shade",
}

# Stops a subject comes out lighter (+) or darker (−) than its unfiltered reading says.
SHIFTS: dict[str, dict[str, float]] = {
    "yellow": {
        "blue_sky": -0.53,
        "foliage": 0.31,
        "skin": 0.24,
        "red_rock": 0.3,
        "snow_in_shade": -0.5,
    },
    "orange": {
        "blue_sky": -0.72,
        "foliage": 0.27,
        "skin": 0.42,
        "red_rock": 0.6,
        "snow_in_shade": -0.7,
    },
    "red": {
        "blue_sky": -0.84,
        "foliage": -0.03,
        "skin": 0.60,
        "red_rock": 1.0,
        "snow_in_shade": -0.8,
    },
    "yellow_green": {"blue_sky": -0.4, "foliage": 0.4, "skin": -0.2, "snow_in_shade": -0.4},
    "green": {
        "blue_sky": -0.4,
        "foliage": 0.6,
        "skin": -0.6,
        "red_rock": -1.0,
        "snow_in_shade": -0.4,
    },
    "blue": {
        "blue_sky": 0.8,
        "foliage": -0.8,
        "skin": -0.8,
        "red_rock": -1.5,
        "snow_in_shade": 0.7,
    },
}

WORTH_SAYING_STOPS = 0.2  # less than this nobody sees (common practice)


def subject_of(label: str, marked: Subject) -> Subject:
    """What a reading is of: as marked, else by the words of its name.

    >>> subject_of("north sky", ""), subject_of("wet slate face", "")
    ('blue_sky', '')
    """
    if marked:
        return marked
    words = f" {label.lower()} "
    return next((subject for word, subject in WORDS.items() if f" {word} " in words), "")
