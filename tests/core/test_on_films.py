"""The same exposure on other films, and what a scene shall show."""

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.exposing.chain import exposure
from emulsa.core.kit.films import Film
from emulsa.core.scene.changes import Entitle, Intend
from emulsa.core.scene.edits import edited
from emulsa.core.scene.films import on_film
from emulsa.core.scene.plan import plan
from emulsa.core.tones.development_number import n_text
from emulsa.demo.quarry import WINDING_HOUSE
from tests.core.test_scene import kit_of

HOUSE = kit_of(WINDING_HOUSE)


@pytest.mark.parametrize(
    ("ei", "text"), [(100, "f/32, 1 s"), (400, "f/32, 1/4 s"), (25, "f/32, 4 s")]
)
def test_a_film_of_another_speed_gets_another_time(ei: float, text: str) -> None:
    """Two stops faster is two stops less at the same aperture; N stays, as the light does
    (worked by hand; films without reciprocity failure)."""
    film = Film(id="f", name="F", exposure_index=ei, law=None)
    kit = replace(HOUSE, film=film, recipe=None, own_film=None)
    scene = replace(WINDING_HOUSE, film_id="f", exposure_index=None)
    n = n_text(exposure(plan(scene, kit)).n)
    assert on_film("f", scene, kit).text == f"{text}, {n}"


@given(st.text(max_size=60))
def test_what_it_shall_show_is_kept_beside_title_and_note(words: str) -> None:
    """One edit changes nothing of the other, in whichever order."""
    named, meant = Entitle(title="Drum", note="cold"), Intend(intention=words)
    one = edited(WINDING_HOUSE, (named, meant), "now")
    assert one == edited(WINDING_HOUSE, (meant, named), "now")
    assert (one.title, one.note, one.intention) == ("Drum", "cold", words)


def test_a_scene_without_readings_says_nothing_of_films() -> None:
    bare = replace(WINDING_HOUSE, readings=(), pin=None, high=None)
    assert on_film("f", bare, HOUSE).text == ""
