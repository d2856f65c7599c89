"""Light told in words: the sky by the sun, dusk, the moon, the street; settings of light and focus.

What a line means is this product's own; the light's figures stand in tests/handbook and test_sky.
"""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core import wire
from emulsa.core.corrections.optics import Lens, Pinhole
from emulsa.core.data.sky import SKY_EV, STREETS
from emulsa.core.errors import Ambiguous, CoreError, Unreadable
from emulsa.core.kit.bag import KitLens, KitPinhole
from emulsa.core.kit.preferences import Preferences
from emulsa.core.light.estimated import ByMoon, InStreet, OfMoon
from emulsa.core.light.meters import Calibrated, MeterSet, Single, ev100, sigma_stops
from emulsa.core.light.sky import SkyNow, SkyReading, fading_text, sky_text
from emulsa.core.line import grammar
from emulsa.core.line.carry_out import KitNames
from emulsa.core.line.lines import typed
from emulsa.core.line.told import told, words_of
from emulsa.core.line.words import ReadingWord
from emulsa.core.line.written import line_of
from emulsa.core.scene.edits import edited
from emulsa.core.scene.record import Movements, Scene, SceneKit, SceneReading
from emulsa.core.sky.day import Bearing
from emulsa.core.sky.horizon import SkyPlace
from emulsa.core.sky.now import sky_now

NOW = SkyNow(-4.0, -0.15, 22.0, 170.0, 320.0)
DAY = SkyNow(31.0, 0.05, -10.0, 90.0)
NIGHT = SkyNow(-40.0, -0.05, -3.0, 40.0)
LENS = KitLens(id="l", name="150", optics=Lens(focal_length_mm=150, widest="5.6", smallest="64"))
SCENE = Scene(id="s", outing_id="o", title="t")


def read(text: str, now: SkyNow | None = None) -> ReadingWord:
    """A line that is a reading."""
    word = grammar.parse(text, MeterSet(sky=now))
    assert isinstance(word, ReadingWord)
    return word


def carried(text: str, scene: Scene = SCENE, now: SkyNow | None = None) -> tuple[Scene, str]:
    """The scene after a line, and how the line was understood."""
    names = KitNames(lenses=(LENS,))
    found = typed(text, scene, SceneKit(lens=LENS, sky=now), names, Preferences(), "r")
    return edited(scene, found.edits, ""), found.says


@pytest.mark.parametrize(
    ("text", "now", "reading"),
    [
        ("hazy", None, SkyReading(sky="hazy sun")),
        ("deep shade", None, SkyReading(sky="deep shade")),
        ("side lit hazy", None, SkyReading(sky="hazy sun", side="side", sun_altitude_deg=40)),
        ("hazy side lit at 12°", None,
         SkyReading(sky="hazy sun", side="side", sun_altitude_deg=12)),
        ("bright sun against the light at 30° snow", None,
         SkyReading(sky="bright sun", side="back", sun_altitude_deg=30, snow=True)),
        ("hazy", DAY, SkyReading(sky="hazy sun", sun_altitude_deg=31, sun_rate_deg_min=0.05)),
        ("overcast", NIGHT, SkyReading(sky="overcast")),
        ("dusk", NOW, SkyReading(sky="bright sun", sun_altitude_deg=-4, height_m=320,
                                 sun_rate_deg_min=-0.15)),
        ("dusk at -3°", None, SkyReading(sky="bright sun", sun_altitude_deg=-3)),
        ("dawn at −5°", NOW, SkyReading(sky="bright sun", sun_altitude_deg=-5, height_m=320)),
        ("full moon", None, ByMoon(moon_altitude_deg=45, phase_deg=180)),
        ("full moon", NOW, ByMoon(moon_altitude_deg=22, phase_deg=180)),
        ("moon", NOW, ByMoon(moon_altitude_deg=22, phase_deg=170)),
        ("half moon at 30° on snow", None,
         ByMoon(moon_altitude_deg=30, phase_deg=90, snow=True)),
        ("moon itself", NOW, OfMoon(moon_altitude_deg=22, phase_deg=170)),
        ("full moon itself at 10°", None, OfMoon(moon_altitude_deg=10, phase_deg=180)),
        ("street", None, InStreet(street="street")),
        ("Quiet street", None, InStreet(street="quiet street")),
    ],
)  # fmt: skip
def test_light_as_it_is_said(text: str, now: SkyNow | None, reading: Single) -> None:
    """Each word its reading; what nobody said is taken from where sun and moon stand."""
    assert read(text, now).reading == reading


@pytest.mark.parametrize("street", sorted(STREETS))
def test_every_street_has_its_word(street: str) -> None:
    """Its EV and its doubt are the table's, and it reads the light, not a tone."""
    word = read(f"{street} wall III")
    ev, doubt = STREETS[street]  # type: ignore[index]
    assert (word.label, word.zone, word.incident) == ("wall", 3, True)
    assert ev100(word.reading, Calibrated(offset_stops=1)) == ev
    assert sigma_stops(word.reading) == doubt


def test_the_moon_itself_is_a_tone() -> None:
    """It is placed like any spot; its light is none of what it shines on."""
    assert not read("moon itself VII", NOW).incident
    assert read("moon lake III", NOW).incident


@pytest.mark.parametrize(
    ("text", "now", "part"),
    [
        ("dusk", None, "How far is the sun below the horizon"),
        ("dusk", DAY, "The sun stands 31° high"),
        ("dusk", NIGHT, "night there now"),
        ("dawn at 20°", None, "dawn at -3° for later"),
        ("moon", None, "How much of the moon is lit"),
        ("full moon", NIGHT, "below the horizon there now"),
        ("faces nowhere", None, "is no direction"),
        ("skyline 8", None, "Say first where it is"),
        ("3:4", None, "1:2 or 2:1"),
    ],
)
def test_what_is_asked_back(text: str, now: SkyNow | None, part: str) -> None:
    """The sentence says what to write instead."""
    with pytest.raises(Unreadable) as refused:
        carried(text, now=now)
    assert part in refused.value.message


def test_two_lights_are_asked() -> None:
    """One line is one light."""
    with pytest.raises(Ambiguous):
        read("hazy dusk", NOW)


ESTIMATED = st.one_of(
    st.builds(
        SkyReading,
        sky=st.sampled_from(sorted(SKY_EV)),
        sun_altitude_deg=st.none() | st.floats(-9, 80),
        side=st.just("front"),
        snow=st.booleans(),
        shift_stops=st.sampled_from([0.0, 1 / 3, -1 / 2, 1.0]),
    ),
    st.builds(
        SkyReading,
        sky=st.sampled_from(["bright sun", "hazy sun"]),
        sun_altitude_deg=st.floats(0, 80),
        side=st.sampled_from(["side", "back"]),
    ),
    st.builds(ByMoon, moon_altitude_deg=st.floats(20, 90), phase_deg=st.floats(90, 270)),
    st.builds(OfMoon, moon_altitude_deg=st.floats(0, 90), phase_deg=st.floats(90, 270)),
    st.builds(InStreet, street=st.sampled_from(sorted(STREETS))),
)


@given(ESTIMATED)
def test_a_kept_light_is_written_as_it_reads(reading: Any) -> None:
    """Its line, typed again, is the same light; a name of its own stays."""
    known = told(words_of(reading), None)
    assert known is not None
    back, rest = known
    assert rest == ""
    assert ev100(back, Calibrated()) == pytest.approx(ev100(reading, Calibrated()), abs=1e-3)
    assert type(back) is type(reading)
    line = line_of(SceneReading(id="a", label="lake", reading=reading))
    assert read(line).label == "lake"
    assert wire.decode(Single, wire.encode(reading)) == reading


@pytest.mark.parametrize(
    ("reading", "said"),
    [
        (SkyReading(sky="bright sun", sun_altitude_deg=-4), "dusk, sun 4° below the horizon"),
        (SkyReading(sky="overcast", sun_altitude_deg=12.4), "overcast, sun 12° up"),
        (SkyReading(sky="hazy sun", sun_altitude_deg=12, side="back"),
         "hazy sun, against the light, sun 12° up"),
        (SkyReading(sky="hazy sun", sun_altitude_deg=-1, side="back"),
         "hazy sun, sun 1° below the horizon"),
        (ByMoon(moon_altitude_deg=30, phase_deg=60), "moon 60° after new, 30° up"),
        (OfMoon(moon_altitude_deg=8.4, phase_deg=180), "the moon itself, 8.5° up"),
    ],
)  # fmt: skip
def test_light_in_words(reading: Any, said: str) -> None:
    """Where the sun is gone there is no side."""
    assert sky_text(reading) == said


def test_dusk_says_how_fast_it_falls() -> None:
    """A stop in five minutes at a sun of −4° sinking 0.15° a minute; by day nothing is said."""
    assert fading_text(NOW) == "Light falls a stop in 5 min"
    assert fading_text(SkyNow(-4.0, 0.15, 22.0, 170.0)) == "Light rises a stop in 5 min"
    assert fading_text(DAY) == fading_text(NIGHT) == fading_text(None) == ""
    _, says = carried("dusk lake", now=NOW)
    assert "EV 2½ ±1, the light falls a stop in 5 min" in says
    assert "“lake”" in says


@pytest.mark.parametrize(
    ("text", "field", "value", "says"),
    [
        ("near 2 m far 30 m", "depth", ("limits", 2000, 30_000), "sharp from 2 m to 30 m"),
        ("near 80 cm, far horizon", "depth", ("limits", 800, 1e8), "sharp from 0.8 m to horizon"),
        ("1:2", "focus", ("magnification", 0.5), "focus at 1 : 2"),
        ("2 : 1", "focus", ("magnification", 2), "focus at 2 : 1"),
        ("tilt 6", "movements", Movements(tilt_deg=6), "tilt 6°"),
        ("hinge 1.5 m", "movements", Movements(hinge_mm=1500), "hinge 1.5 m below the lens"),
        ("rise 20", "movements", Movements(rise_mm=20), "rise 20 mm"),
        ("fall 10", "movements", Movements(rise_mm=-10), "fall 10 mm"),
        ("shift 5 left", "movements", Movements(shift_mm=-5), "shift 5 mm left"),
        ("pre-expose II", "pre_exposure_zone", 2, "pre-exposed to II"),
        ("faces SE", "bearing", Bearing(azimuth_deg=135, width_deg=90), "faces SE, 135°"),
        ("looks 110", "bearing", Bearing(azimuth_deg=110), "looks ESE, 110°"),
        ("flash 32 at 2.5 m", "aperture", "13", "flash GN 32 at 2.5 m, EI 100: f/13"),
        ("flash 32 at 2 m 1/4 2 pops", "aperture", "11",
         "flash GN 32 at 2 m, 1/4 power, 2 pops, EI 100: f/11"),
        ("U16", "aperture", "U16", "aperture U16"),
    ],
)  # fmt: skip
def test_settings_of_light_and_focus(text: str, field: str, value: Any, says: str) -> None:
    """What each line sets, and how it is said back."""
    if text.startswith("U"):
        word = grammar.parse(text)
        assert word == grammar.parse("u 16")
        assert getattr(word, field) == value
        return
    scene, said = carried(text)
    kept = getattr(scene, field)
    if isinstance(value, tuple):
        names = {"limits": ("near_mm", "far_mm"), "magnification": ("m",)}[value[0]]
        assert (kept.kind, *(getattr(kept, name) for name in names)) == value
    else:
        assert kept == value
    assert said.startswith(says)


def test_movements_add_to_each_other_and_square_takes_them_back() -> None:
    """A hinge takes the place of an angle; rise and shift stay beside it; a skyline joins its
    bearing."""
    scene = SCENE
    for line in ("tilt 6", "shift 5", "hinge 2 m", "rise 20", "faces SE", "skyline 8"):
        scene, says = carried(line, scene)
    assert scene.movements == Movements(hinge_mm=2000, rise_mm=20, shift_mm=5)
    assert scene.bearing == Bearing(azimuth_deg=135, width_deg=90, skyline_deg=8)
    assert says == "faces SE, 135°, over a skyline of 8°"
    scene, says = carried("square", scene)
    assert (scene.movements, says) == (None, "the camera square")


def test_a_flash_beside_daylight() -> None:
    """EV 9 at EI 100 and f/13 (2^(7⅓/2) exactly) is 2^(7⅓ − 9) = 0.31 s."""
    read_, _ = carried("9 doorway V")
    _, says = carried("flash 32 at 2.5 m", read_)
    assert "f/13; doorway gives as much by itself in 1/3 s" in says
    _, dark = carried("flash 32 at 2.5 m")
    assert dark.endswith("what it does not reach stays dark")


def test_a_flash_that_cannot_be() -> None:
    """Nothing is so near; a pinhole has one aperture and takes pops."""
    with pytest.raises(CoreError) as refused:
        carried("flash 32 at 0 m")
    assert refused.value.field == "text"
    hole = KitPinhole(id="h", name="hole", optics=Pinhole(diameter_mm=0.3, distance_mm=60))
    with pytest.raises(CoreError) as refused:
        typed("flash 32 at 2 m", SCENE, SceneKit(pinhole=hole), KitNames(), Preferences(), "r")
    assert "given in pops" in refused.value.message


def test_where_sun_and_moon_stand_now() -> None:
    """Over a quarry at the solstice's noon and after its sunset (almanac, by tests/core/test_sky);
    no place, no sky."""
    place = SkyPlace(latitude_deg=54, longitude_deg=-3, height_m=320)
    noon, late = (sky_now(place, f"2026-06-21T{at}:00Z") for at in ("12:12", "21:20"))
    assert noon is not None
    assert late is not None
    assert noon.sun_altitude_deg == pytest.approx(59.4, abs=0.2)
    assert abs(noon.sun_rate_deg_min) < 0.02
    assert -6 < late.sun_altitude_deg < 0
    assert late.sun_rate_deg_min < -0.08
    assert late.height_m == 320
    assert sky_now(None, "2026-06-21T12:00:00Z") is None
