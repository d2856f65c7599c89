"""Kit and weather as one calls them: neutral filters, pinholes by what is on the box, the sky."""

import pytest

from emulsa.core.corrections.filters import Filter
from emulsa.core.corrections.optics import Lens, Optics, Pinhole
from emulsa.core.errors import Ambiguous, CoreError, Unreadable
from emulsa.core.kit.bag import KitFilter
from emulsa.core.kit.preferences import Preferences
from emulsa.core.kit.view import corners_text, seen_text
from emulsa.core.light.sky import sky_ev
from emulsa.core.line import making
from emulsa.core.line.carry_out import KitNames
from emulsa.core.line.grammar import parse
from emulsa.core.line.lines import typed
from emulsa.core.line.words import KitWord, ReadingWord
from emulsa.core.scene.edits import edited
from emulsa.core.scene.record import Scene, SceneKit
from emulsa.core.scene.solve import solved
from emulsa.demo.quarry import ADIT, POOL
from tests.core.test_scene import kit_of

BLANK = Scene(id="s", outing_id="o", title="t")
GREY = KitFilter(id="grey", name="The dark one", filter=Filter(density=0.9))
RED = KitFilter(id="red", name="Red 0.9", filter=Filter(factor=8, type="contrast", colour="red"))


def says(text: str, *filters: KitFilter) -> str:
    kit = KitNames(filters=filters)
    return typed(text, BLANK, SceneKit(), kit, Preferences(), "r").says


@pytest.mark.parametrize(
    ("text", "said"),
    [
        ("nd 0.9", "new filter Neutral 0.9, density 0.9"),
        ("ND8", "new filter Neutral ×8, ×8"),
        ("ND 64", "new filter Neutral ×64, ×64"),
        ("filter 3 stops", "new filter Neutral, 3 stops, 3 stops"),
        ("grey 0.9", "new filter Neutral 0.9, density 0.9"),
        ("filter gray 1.8", "new filter Neutral 1.8, density 1.8"),
        ("neutral 3.0", "new filter Neutral 3, density 3"),
    ],
)
def test_a_neutral_filter_is_made(text: str, said: str) -> None:
    """By its density, its factor or its stops, as its maker engraves it (common practice)."""
    assert says(text) == said


@pytest.mark.parametrize("text", ["nd 0.9", "ND8", "filter 3 stops", "grey 0.9", "filter nd 8"])
def test_the_one_in_the_kit_is_meant(text: str) -> None:
    """Whatever it is called there: a density of 0.9 and a factor of 8 are three stops; one of a
    colour is none."""
    assert says(text, RED, GREY) == "filter The dark one"


@pytest.mark.parametrize("text", ["nd 3", "nd 1", "ND6"])
def test_what_can_be_a_density_or_stops_is_asked(text: str) -> None:
    with pytest.raises(Ambiguous, match="a density, a factor or stops"):
        says(text)


@pytest.mark.parametrize("text", ["push 2", "nd wall", "tilt 6 wall"])
def test_a_setting_is_never_offered_as_a_reading(text: str) -> None:
    """“2 push” is nothing anybody meant."""
    with pytest.raises(CoreError) as refused:
        parse(text)
    offered = refused.value.allowed or []
    assert not any(isinstance(parse(each), ReadingWord) for each in offered)


@pytest.mark.parametrize(
    ("words", "hole", "distance"),
    [
        ("0.2 at 30", 0.2, 30),
        ("0.2 f/150", 0.2, 30),
        ("0.2 mm f150", 0.2, 30),
        ("f/150 at 30", 0.2, 30),
        ("f/200 @ 60 mm", 0.3, 60),
    ],
)
def test_a_pinhole_by_any_two(words: str, hole: float, distance: float) -> None:
    """N = v / d, by definition."""
    made = making.pinhole("p", words)
    assert made is not None
    assert made.optics.diameter_mm == pytest.approx(hole)
    assert made.optics.distance_mm == pytest.approx(distance)
    assert parse(f"pinhole {words}") == KitWord(kind="pinhole", words=words)


@pytest.mark.parametrize("words", ["f/150", "0.2", "f/0 at 30", "0.2 at 30 f/150"])
def test_one_is_too_little(words: str) -> None:
    """And three are one too many."""
    try:
        assert making.pinhole("p", words) is None
    except CoreError as refused:
        assert "must be between" in refused.message


@pytest.mark.parametrize(
    ("text", "ev", "label"),
    [
        ("cloudy overcast", 12, "overcast"),
        ("cloudy", 13, "cloudy bright"),
        ("cloudy bright moss", 13, "moss"),
        ("bright sunshine", 15, "bright sun"),
        ("sunshine on snow", 16, "bright sun, on snow or sand"),
        ("hazy sun roof", 14, "roof"),
        ("overcast snow", 13, "overcast, on snow or sand"),
    ],
)
def test_the_longest_phrase_wins(text: str, ev: float, label: str) -> None:
    """EV at ISO 100 in light from the front (common practice, no source)."""
    word = parse(text)
    assert isinstance(word, ReadingWord)
    assert word.reading.kind == "sky"
    assert sky_ev(word.reading) == ev
    assert (word.label or label) == label


@pytest.mark.parametrize(
    ("text", "asked"),
    [
        ("sun behind cloud", "Are there shadows?"),
        ("sun through thin cloud wall", "Are there shadows?"),
        ("bright sun in a cloud", "Are there shadows?"),
        ("hazy overcast wall", "Is it hazy or overcast?"),
        ("sunny open shade", "Is it sunny or open shade?"),
    ],
)
def test_every_word_of_the_sky_is_used_or_asked(text: str, asked: str) -> None:
    """None becomes the name of what was metered."""
    with pytest.raises((Ambiguous, Unreadable), match=asked.replace("?", r"\?")):
        parse(text)


@pytest.mark.parametrize(
    ("optics", "size", "said"),
    [
        (Lens(focal_length_mm=90), (120, 95), "67° across, 1.3 m wide at 1 m"),
        (Lens(focal_length_mm=300), (120, 95), "23° across, 400 mm wide at 1 m"),
        (
            Pinhole(diameter_mm=0.2, distance_mm=25),
            (120, 95),
            "135° across, 4.8 m wide at 1 m; mind feet and tripod legs",
        ),
    ],
)
def test_what_a_lens_takes_in(optics: Optics, size: tuple[float, float], said: str) -> None:
    """2·atan(side / 2f), by definition; the width at a metre is side / f."""
    assert seen_text(optics, size) == said


def test_what_the_corners_lose() -> None:
    """25 mm on 4×5: 144° and 6.7 stops, cos⁴ by definition; a lens and a long box say nothing."""
    box = Pinhole(diameter_mm=0.2, distance_mm=25)
    said = "144° corner to corner: the corners get 6.7 stops less than the middle"
    assert corners_text(box, (120, 95)) == said
    assert corners_text(Pinhole(diameter_mm=0.4, distance_mm=200), (120, 95)) == ""
    assert corners_text(Lens(focal_length_mm=90), (120, 95)) == ""
    assert solved(ADIT, kit_of(ADIT), None, "2026-01-17T12:00:00Z").corners.startswith("104°")
    assert solved(POOL, kit_of(POOL), None, "2026-01-17T12:00:00Z").corners == ""


@pytest.mark.parametrize(
    ("text", "n", "said"),
    [
        ("N", 0, "develop N"),
        ("N-1", -1, "develop N−1"),
        ("n + 2", 2, "develop N+2"),
        ("N−½", -0.5, "develop N−½"),
        ("N+1 1/2", 1.5, "develop N+1½"),
        ("n by the highlight", None, "N by the highlight"),
    ],
)
def test_n_is_said_by_its_word(text: str, n: float | None, said: str) -> None:
    """As it is written on a sheet; the highlight may decide again."""
    told = typed(text, BLANK, SceneKit(), KitNames(), Preferences(), "r")
    assert told.says == said
    assert edited(BLANK, told.edits, "").n == n


def test_n_beyond_what_film_does() -> None:
    with pytest.raises(CoreError, match="between −5 and 5"):
        says("N+9")


def test_a_note_stands_behind_the_one_before() -> None:
    """Nothing that was noted is written over."""
    scene = Scene(id="s", outing_id="o", title="t", note="Frost.")
    told = typed("note wind from left", scene, SceneKit(), KitNames(), Preferences(), "r")
    after = edited(scene, told.edits, "")
    assert (told.says, after.note, after.title) == (
        "note: wind from left",
        "Frost. wind from left",
        "t",
    )
