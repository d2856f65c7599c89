"""Drawn scenes: fields of exposure values that can be told from their descriptions."""

import json
import tomllib
import zipfile
from pathlib import Path
from typing import Any

import numpy as np
import pytest
from PIL import Image
from scenery.__main__ import SCENES
from scenery.canvas import COLUMNS, ROWS, Canvas
from scenery.drawing import INDEX_BITS, drawn, packed
from scenery.layers import read

import emulsa
from emulsa.server.app import BUILT_RUNTIME

BUILT = Path(emulsa.__file__).parent / "scenery"
NAMES = sorted(each.stem for each in SCENES.glob("*.toml"))
LARGEST = 200_000  # bytes

# What the demo's meter reads there; a drawn place comes near it, as a spot comes near a place.
READ = {
    "winding-house": {
        "doorway in shade": 9,
        "heather bank": 10,
        "wet slate face": 11.33,
        "lit frost": 15,
    },
    "frozen-pool": {"grey ice": 11.67, "white bubbles": 14},
    "adit": {"pit props": 4, "flooded floor": 5.67, "daylit rim": 10},
    "cutting-shed": {"slate slab": 9.33, "hole in the roof": 13},
    "incline": {"dry-stone wall": 10.33, "fog above the drum": 12.33},
    "tip": {"near blocks": 9.33, "mist": 13},
}


def description(name: str) -> dict[str, Any]:
    return tomllib.loads((SCENES / f"{name}.toml").read_text(encoding="utf-8"))


def field(name: str) -> Any:
    with Image.open(BUILT / f"{name}.png") as picture:
        assert picture.mode == "RGB"
        planes = np.asarray(picture).astype(int)
        return planes[..., 0] << 8 | planes[..., 1]


def test_all_six_are_there() -> None:
    assert set(READ) <= set(NAMES)
    assert {each.stem for each in BUILT.glob("*.png")} == set(NAMES)


@pytest.mark.parametrize("name", NAMES)
def test_a_field_is_small_and_in_range(name: str) -> None:
    """480 × 320 points in sixteen bits, at most 200 kB, every one on the EV axis and in a place
    that has a name or in none."""
    points = field(name)
    assert points.shape == (ROWS, COLUMNS) == (320, 480)
    assert (BUILT / f"{name}.png").stat().st_size <= LARGEST
    index, place = points & (1 << INDEX_BITS) - 1, points >> INDEX_BITS
    assert index.max() <= 1024
    assert place.max() == len(description(name)["places"])
    assert len(np.unique(index)) > 60  # tones, not a poster


@pytest.mark.parametrize("name", NAMES)
def test_places_are_as_bright_as_a_meter_reads_them(name: str) -> None:
    """Where the demo has a reading, the drawn place has it within a stop."""
    told = json.loads((BUILT / f"{name}.json").read_text(encoding="utf-8"))
    found = {each["name"]: each["ev100"] for each in told["places"]}
    for place, ev in READ.get(name, {}).items():
        assert found[place] == pytest.approx(ev, abs=1), place


def test_it_is_drawn_the_same_again() -> None:
    """No chance that is not written down: twice is once."""
    assert (packed(drawn(description("tip"))) == field("tip")).all()


def test_an_unknown_word_is_named() -> None:
    """A description that says what no layer has is refused, by the word."""
    with pytest.raises(ValueError, match=r"sky: colour\?"):
        read({"kind": "sky", "colour": 3})
    strange = {**description("tip"), "places": {}}
    with pytest.raises(ValueError, match="no such place: mist"):
        drawn(strange, finer=1)


def test_light_is_gathered_not_its_logarithm() -> None:
    """A point half in light of EV 10 and half in EV 0 is nearly as bright as EV 9."""
    canvas = Canvas.blank(seed=1, finer=2)
    half = np.zeros(canvas.light.shape)
    half[:, ::2] = 1
    canvas.lay(np.ones(half.shape), np.zeros(half.shape), "")
    canvas.lay(half, np.full(half.shape, 10.0), "")
    ev, _ = canvas.gathered()
    assert ev[0, 0] == pytest.approx(np.log2((2**10 + 1) / 2))


@pytest.mark.parametrize("name", NAMES)
def test_they_are_carried_along(name: str) -> None:
    """Each lies as it was built in what a carried copy runs on."""
    build = json.loads((BUILT_RUNTIME / "parts.json").read_text(encoding="utf-8"))["build"]
    with zipfile.ZipFile(BUILT_RUNTIME / build / "emulsa.zip") as carried:
        for end in ("png", "json"):
            own = (BUILT / f"{name}.{end}").read_bytes()
            assert carried.read(f"emulsa/scenery/{name}.{end}") == own
