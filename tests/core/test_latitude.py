"""Latitude of a judged bracket: which of its frames print; common practice, no source."""

from typing import get_args

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.film.judgement import Judgement
from emulsa.core.film.latitude import latitude_text, prints
from emulsa.core.sensitometry.belief import Highlight, Shadow

LOOKS = {
    "empty": ("none", "full", ()),
    "thin": ("thin", "full", ()),
    "good": ("full", "full", ()),
    "blocked": ("heavy", "blocked", ()),
    "flat": ("thin", "flat", ()),
    "blank": ("full", "full", ("blank",)),
    "scratched": ("full", "full", ("scratch, base side",)),
}


def looks(name):
    shadow, highlight, faults = LOOKS[name]
    return Judgement(id=name, shadow=shadow, highlight=highlight, faults=faults)


@pytest.mark.parametrize(
    ("frames", "said"),
    [
        ({}, ""),
        ({0: "good"}, ""),
        (
            {-2: "empty", -1: "thin", 0: "good", 1: "good", 2: "good", 3: "blocked"},
            "prints from −1 to +2",
        ),
        ({2: "blocked", 0: "good", -1: "flat"}, "prints from −1 to 0; less light was not tried"),
        ({-1: "empty", 0: "good", 1: "good"}, "prints from 0 to +1; more light was not tried"),
        ({0: "good", 1: "good"}, "prints from 0 to +1; neither less nor more light was tried"),
        ({-1: "empty", 0: "scratched", 1: "blocked"}, "prints at 0 alone"),
        ({-1: "empty", 0: "good"}, "prints at 0 alone; more light was not tried"),
        (
            {-2: "empty", -1: "good", -1 / 3: "blank", 1: "good", 2: "blocked"},
            "prints from −1 to +1, but not at −⅓",
        ),
        ({-1: "empty", 1: "blocked"}, "no frame from −1 to +1 prints"),
    ],
)
def test_a_bracket_says_how_far_it_prints(frames, said):
    assert latitude_text((at, looks(name)) for at, name in frames.items()) == said


@given(st.lists(st.sampled_from(sorted(LOOKS)), min_size=2, max_size=9), st.randoms())
def test_the_order_frames_come_in_is_nothing(names, chance):
    frames = [(place - 3, looks(name)) for place, name in enumerate(names)]
    shuffled = chance.sample(frames, len(frames))
    assert latitude_text(shuffled) == latitude_text(frames)


@given(st.sampled_from(get_args(Shadow)), st.sampled_from(get_args(Highlight)))
def test_what_prints_has_both_ends(shadow, highlight):
    kept = prints(Judgement(id="a", shadow=shadow, highlight=highlight))
    assert kept == (shadow != "none" and highlight != "blocked")
