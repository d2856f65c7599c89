"""The nearest line that is understood, for one that is not."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterator
from difflib import get_close_matches

from emulsa.core.data.sky import SKY_WORDS, STREETS
from emulsa.core.errors import CoreError

SETTINGS = (
    "filter",
    "lens",
    "film",
    "pinhole",
    "draw",
    "bellows",
    "spread",
    "tilt",
    "hinge",
    "rise",
    "shift",
    "near",
    "faces",
    "looks",
    "infinity",
    "iso",
    "ei",
)
NO_READINGS = ("push", "pull", "nd", "n", "time", "note")
LIGHTS = (*SKY_WORDS, *STREETS, "dusk", "full moon", "half moon")
NUMBER = re.compile(r"(?:^|\s)([-−]?\d[\d./@⅓½⅔]*(?:\s+\d/\d)?(?:\s*(?:lx|fc|fL|cd/m2))?)(?=\s|$)")
CLOSE = 0.7  # how alike two words are when one may be meant for the other


def nearest(line: str, meaning: Callable[[str], object]) -> list[str] | None:
    """The nearest line with a meaning, alone in a list, or none."""
    for each in _candidates(line):
        if each == line:
            continue
        try:
            meaning(each)
        except CoreError:
            continue
        return [each]
    return None


def _candidates(line: str) -> Iterator[str]:
    bare = " ".join(re.sub(r"[°:,=#*]+", " ", line).split())
    yield bare
    first, _, rest = bare.partition(" ")
    for word in get_close_matches(first.lower(), SETTINGS, n=1, cutoff=CLOSE):
        yield f"{word} {rest}".strip()
    two = " ".join(bare.split()[:2])
    for said in (two, first):
        # a sky of one word takes the place of one, a sky of two that of two
        skies = [each for each in LIGHTS if each.count(" ") == said.count(" ")]
        for word in get_close_matches(said.lower(), skies, n=1, cutoff=CLOSE):
            yield f"{word}{bare[len(said) :]}"
    number = NUMBER.search(bare)
    # a setting nobody understood is none the less no reading
    if number and first.lower() not in (*SETTINGS, *NO_READINGS):
        others = f"{bare[: number.start()]} {bare[number.end() :]}"
        yield " ".join(f"{number[1]} {others}".split())
