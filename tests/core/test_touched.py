"""What is typed for a place of the picture: the meter's reading, or the place's name."""

import pytest

from emulsa.core.errors import CoreError
from emulsa.core.kit.preferences import Preferences
from emulsa.core.light.meters import EvReading, PhotoReading
from emulsa.core.line.carry_out import KitNames
from emulsa.core.line.lines import Typed
from emulsa.core.line.touched import Touched, read_there
from emulsa.core.picture.metering import Spot
from emulsa.core.scene.changes import Place, Read
from emulsa.core.scene.record import Scene, SceneKit

SPOT = Spot(x=0.2, y=0.3, radius=0.01, counts=(0, 5))
OFF = PhotoReading(ev100=11, sigma_stops=0.3)
SCENE = Scene(id="s", outing_id="o", title="t")
NAMES = KitNames()


def there(text: str, read_off: PhotoReading | None = OFF) -> Typed:
    at = Touched(spot=SPOT, read_off=read_off)
    return read_there(text, SCENE, SceneKit(), NAMES, Preferences(), "new", at)


@pytest.mark.parametrize(
    ("text", "label", "ev"),
    [("9 shade", "shade", 9.0), (" 12 1/3  snow", "snow", 12 + 1 / 3), ("9", "reading 1", 9.0)],
)
def test_what_the_meter_says_lies_there(text: str, label: str, ev: float) -> None:
    (edit,) = there(text).edits
    assert isinstance(edit, Read)
    assert isinstance(edit.reading, EvReading)
    assert edit.reading.ev == pytest.approx(ev)
    assert (edit.id, edit.label, edit.spot) == ("new", label, SPOT)


def test_a_zone_that_is_said_places_it() -> None:
    reading, place = there("9 shade III").edits
    assert isinstance(reading, Read)
    assert reading.spot == SPOT
    assert place == Place(reading="new", zone=3.0)


@pytest.mark.parametrize("text", ["bank", "", "shade III", "f/22", "N-1", "2x"])
def test_anything_else_is_its_name(text: str) -> None:
    if text == "2x":  # it begins as a reading does: nobody is left guessing what it was taken for
        with pytest.raises(CoreError):
            there(text)
        return
    (edit,) = there(text).edits
    assert edit == Read(id="new", label=text, reading=OFF, spot=SPOT)


def test_a_picture_that_is_not_known_waits_for_the_meter() -> None:
    with pytest.raises(CoreError, match="type what the meter says") as refused:
        there("bank", None)
    assert refused.value.field == "text"
    assert isinstance(there("9 bank", None).edits[0], Read)


def test_what_it_is_taken_for_is_said() -> None:
    assert there("bank").says == "bank, read off the picture"
    assert there("").says == "read off the picture"
    assert "9" in there("9 bank").says
