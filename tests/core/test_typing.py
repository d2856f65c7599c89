"""What people really type: skies, tables, slips; and what the line answers."""

from dataclasses import replace
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core import wire
from emulsa.core.cards.exposing import sky_chart
from emulsa.core.chemistry.dilution import Volume
from emulsa.core.corrections.optics import Pinhole
from emulsa.core.corrections.reciprocity import PowerLaw
from emulsa.core.data.sky import SKY_EV, Sky
from emulsa.core.development.recipes import Celsius, Minutes
from emulsa.core.errors import Ambiguous, Comma, CoreError, OutOfRange, Unreadable
from emulsa.core.exposing.chain import exposure
from emulsa.core.kit.bag import KitPinhole
from emulsa.core.kit.films import Film
from emulsa.core.kit.leaflet import Leaflet, leaflet_ev
from emulsa.core.kit.preferences import Preferences
from emulsa.core.light.marks import ApertureMark, TimeMark
from emulsa.core.light.meters import Calibrated, EvReading, TimeReading, ev100
from emulsa.core.light.sky import SkyReading, sky_ev
from emulsa.core.limits import Draw, ExposureIndex, Seconds, Zone
from emulsa.core.line import grammar
from emulsa.core.line.carry_out import KitNames
from emulsa.core.line.lines import Typed, typed
from emulsa.core.line.several import split
from emulsa.core.line.words import MeterWord, ReadingWord
from emulsa.core.line.written import line_of
from emulsa.core.scene.edits import edited
from emulsa.core.scene.plan import plan
from emulsa.core.scene.record import Scene, SceneKit, SceneReading
from emulsa.core.tones.development_number import DevelopmentNumber
from emulsa.core.typed import commas

SCENE = Scene(id="s", outing_id="o", title="Incline")
LEAFLET = Leaflet(bright_s=2, hazy_s=4, cloudy_bright_s=8, overcast_s=15)
# 0.3 mm at 45 mm is f/150, which the leaflet's times are for
HOLE = KitPinhole(
    id="box", name="Box", optics=Pinhole(diameter_mm=0.3, distance_mm=45), leaflet=LEAFLET
)
FILM = Film(id="f", name="Velm", exposure_index=100, law=PowerLaw(exponent=1.3))


@pytest.mark.parametrize(
    ("text", "sky", "snow", "shift", "label", "zone"),
    [
        ("hazy", "hazy sun", False, 0, "", None),
        ("Bright sun", "bright sun", False, 0, "", None),
        ("sunny wall", "bright sun", False, 0, "wall", None),
        ("overcast snow", "overcast", True, 0, "", None),
        ("hazy on light sand VI", "hazy sun", True, 0, "", 6),
        ("cloudy -1", "cloudy bright", False, -1, "", None),
        ("open shade +½ adit", "open shade", False, 0.5, "adit", None),
    ],
)
def test_a_sky_is_a_reading(
    text: str, sky: Sky, snow: bool, shift: float, label: str, zone: float | None
) -> None:
    """Without a meter the sky is said; snow and one's own stop are said behind it."""
    word = grammar.parse(text)
    assert isinstance(word, ReadingWord)
    assert word.reading == SkyReading(sky=sky, snow=snow, shift_stops=shift)
    assert (word.label, word.zone, word.incident) == (label, zone, True)
    kept = SceneReading(id="r", label=label or sky, reading=word.reading, incident=True)
    again = grammar.parse(line_of(kept))
    assert isinstance(again, ReadingWord)
    assert (again.reading, again.label) == (word.reading, label)


# common practice, no source (domain.md 8): EV at ISO 100, front-lit
@pytest.mark.parametrize(
    ("sky", "ev"),
    [("bright sun", 15), ("hazy sun", 14), ("cloudy bright", 13), ("overcast", 12),
     ("open shade", 12)],
)  # fmt: skip
def test_the_table_of_skies(sky: Sky, ev: float) -> None:
    """Each sky's EV, one more on snow; a meter's own error is none of its."""
    assert sky_ev(SkyReading(sky=sky)) == ev
    assert ev100(SkyReading(sky=sky, snow=True), Calibrated(offset_stops=2)) == ev + 1


def test_bright_sun_is_sixteen() -> None:
    """The dial's 1/125 at f/16 and ISO 100 (common practice, no source)."""
    assert ev100(TimeReading(time="1/125", aperture="16"), Calibrated()) == SKY_EV["bright sun"]


@pytest.mark.parametrize(
    ("sky", "time_s"),
    [("bright sun", 2), ("hazy sun", 4), ("cloudy bright", 8), ("overcast", 15),
     ("open shade", 15)],
)  # fmt: skip
def test_a_leaflet_answers_with_its_own_times(sky: Sky, time_s: float) -> None:
    """2, 4, 8, 15 s at f/150 and ISO 100 (domain.md 8, common practice): its film, its hole."""
    own = Film(id="f", name="Own", exposure_index=100, law=FILM.law)
    scene = edited(SCENE, typed_of(sky).edits, "now")
    answer = exposure(plan(scene, SceneKit(film=own, pinhole=HOLE)))
    assert answer.metered_s == pytest.approx(time_s, rel=1e-9)


@given(st.sampled_from(sorted({*SKY_EV} - {"deep shade"})), st.floats(1.0, 1.5), st.floats(20, 800))
def test_a_leaflet_goes_through_ei_and_law(sky: Sky, exponent: float, ei: float) -> None:
    """Its film's law is taken off before; then twice the EI is half the time."""
    law = PowerLaw(exponent=exponent)
    plain_s = 150**2 / 2 ** leaflet_ev(LEAFLET, sky, 150) * 100 / ei
    assert plain_s == pytest.approx(LEAFLET.time_s(sky) * 100 / ei)
    known = Leaflet(bright_s=2, hazy_s=4, cloudy_bright_s=8, overcast_s=15, law=law)
    back = 150**2 / 2 ** leaflet_ev(known, sky, 150)
    assert back**exponent == pytest.approx(LEAFLET.time_s(sky), rel=1e-9)


def test_the_line_says_the_light_the_scene_works_with() -> None:
    """Through a pinhole with a leaflet: 4 s at f/150 is EV 12½, not the table's 14."""
    kit = KitNames(pinholes=(HOLE,))
    for scene, said in ((SCENE, "EV 14 ±1"), (replace(SCENE, pinhole_id=HOLE.id), "EV 12½ ±1")):
        done = typed("hazy", scene, kit.of(scene, SceneKit()), kit, Preferences(), "r")
        assert said in done.says


def test_the_chart_of_a_leaflet() -> None:
    """Each sky with the leaflet's time, and what this film is given: 8 s → 8^1.3 = 14.9 s."""
    rows = {row[0]: row[1:] for row in sky_chart(HOLE, FILM).rows}
    assert list(rows) == ["bright sun, snow or sand", *SKY_EV]
    assert rows["cloudy bright"] == ("8 s", "8 s", "15 s")
    assert rows["bright sun, snow or sand"][0] == "–"
    without = KitPinhole(id="b", name="Box", optics=HOLE.optics)
    # by the table: 150²/2^13 = 2.75 s, to the 1.3 is 3.7 s
    table = {row[0]: row[1:] for row in sky_chart(without, FILM).rows}
    assert table["cloudy bright"] == ("2.7 s", "3.7 s")


@pytest.mark.parametrize(
    ("text", "time", "aperture"),
    [
        ("4′@22 wall", "240", "22"),
        ("2′30″ f/22 wall", 150.0, "22"),
        ("30″@22 wall", "30", "22"),
        ("1.5′ at 22 wall", "90", "22"),
    ],
)
def test_primes_are_minutes_and_seconds(text: str, time: str | float, aperture: str) -> None:
    """As they stand on a dial, beside an aperture; 4' without one is still asked."""
    word = grammar.parse(text)
    assert isinstance(word, ReadingWord)
    assert word.reading == TimeReading(time=time, aperture=aperture)


@pytest.mark.parametrize(
    ("text", "zone"),
    [("9 shade III+", 10 / 3), ("9 shade III-", 8 / 3), ("9 shade VII−", 20 / 3),
     ("9 III shade", 3), ("9 on VII½ shade", 7.5)],
)  # fmt: skip
def test_zones_as_they_are_said(text: str, zone: float) -> None:
    """A little above or below is a third; the zone may stand first."""
    word = grammar.parse(text)
    assert isinstance(word, ReadingWord)
    assert (word.label, word.zone) == ("shade", pytest.approx(zone))


@pytest.mark.parametrize(
    ("text", "word"),
    [
        ("iso 125", MeterWord(iso=125)),
        ("iso125", MeterWord(iso=125)),
        ("+2.5 held", MeterWord(held_stops=2.5)),
        ("iso 400 -1 held", MeterWord(iso=400, held_stops=-1)),
        ("nothing held", MeterWord(held_stops=0)),
    ],
)
def test_the_meter_is_set(text: str, word: MeterWord) -> None:
    """On a line of its own, for the readings that follow."""
    assert grammar.parse(text) == word


@pytest.mark.parametrize(
    ("text", "nearest"),
    [
        ("shade 9 III", "9 shade III"),
        ("fliter red", "filter red"),
        ("overcst", "overcast"),
        ("overcst wall III", "overcast wall III"),
        ("brigt sun wall", "bright sun wall"),
        ("12° wall", "12 wall"),
        ("9 wall III left", "9 wall left III"),
        ("9 shade f/16", "9 shade; f/16"),
        ("9 shade ei 400", "9 shade; ei 400"),
        ("13,3 bark", "13.3 bark"),
    ],
)
def test_what_is_not_understood_comes_with_the_nearest_line(text: str, nearest: str) -> None:
    """Never a name in silence: the line that was probably meant is offered, and it reads."""
    with pytest.raises(CoreError) as refusal:
        grammar.parse(text)
    assert refusal.value.allowed == [nearest]
    for line in split(nearest):
        grammar.parse(line)


def test_a_decimal_comma_is_asked_once() -> None:
    """Then it is what was answered."""
    with pytest.raises(Ambiguous) as question:
        grammar.parse("13,3 bark")
    assert question.value.code == "comma"
    assert question.value.allowed == ["13.3 bark"]
    with commas(True):
        word = grammar.parse("13,3 bark")
    assert isinstance(word, ReadingWord)
    assert word.reading == EvReading(ev=13.3)
    with commas(False), pytest.raises(CoreError, match="with a point"):
        grammar.parse("13,3 bark")


# Every kind of field that takes a number, with what is typed in it and what that is.
TYPED = [
    (float, "6,3", 6.3),
    (ExposureIndex, "6,3", 6.3),
    (Zone, "7,5", 7.5),
    (DevelopmentNumber, "N−1,5", -1.5),
    (Minutes, "7,5", 7.5),
    (Minutes, "1,5 min 30 s", 2.0),
    (Seconds, "0,5", 0.5),
    (Celsius, "20,5 °C", 20.5),
    (Draw, "1,2 cm", 12.0),
    (Draw, "12,5 m", 12_500.0),
    (Volume, "0,5 l", 500.0),
    (float | None, "0,25", 0.25),
]


@pytest.mark.parametrize(("kind", "text", "value"), TYPED, ids=lambda each: str(each)[:24])
def test_one_comma_everywhere(kind: Any, text: str, value: float) -> None:
    """Asked in each until it is answered; then it is that in each, and never another size."""
    with pytest.raises(Comma) as question:
        wire.decode(kind, text, "here")
    assert question.value.field == "here"
    with commas(False), pytest.raises(Unreadable, match="Write decimals with a point"):
        wire.decode(kind, text, "here")
    with commas(True):
        if kind is Draw and value > 3_000:  # twelve metres of draw are too many, and said as such
            with pytest.raises(OutOfRange, match="this is 12500"):
                wire.decode(kind, text, "here")
        else:
            assert wire.decode(kind, text, "here") == pytest.approx(value)


@pytest.mark.parametrize(
    ("kind", "text", "value"),
    [
        (Zone, "VII½", 7.5), (Zone, "iii", 3.0), (Zone, "z 3 1/3", 10 / 3), (Zone, "8", 8.0),
        (DevelopmentNumber, "N+½", 0.5), (DevelopmentNumber, "n", 0.0),
        (DevelopmentNumber, "-1", -1.0), (float, "9⅓", 28 / 3), (float, "13 1/3", 40 / 3),
        (float, "−2.5", -2.5), (int, " 12 ", 12), (float | None, " ", None), (float, "1e3", 1e3),
    ],
)  # fmt: skip
def test_numbers_as_they_are_written(kind: Any, text: str, value: float | None) -> None:
    """Zones in Roman, N with its letter, thirds and halves; left empty it is nothing."""
    assert wire.decode(kind, text, "here") == (None if value is None else pytest.approx(value))


@pytest.mark.parametrize(
    ("kind", "text", "said"),
    [
        (Zone, "XI", "not a zone"), (DevelopmentNumber, "N1", "is no N"),
        (DevelopmentNumber, "N", ""), (float, "1/2", "not a number"), (float, "", "not a number"),
        (float, "nan", "not a number"), (float, "1,000,000", "Choose once"),
        (int, "1.5", "not a whole number"), (float, "9 shade", "not a number"),
    ],
)  # fmt: skip
def test_what_is_none_is_said(kind: Any, text: str, said: str) -> None:
    """In a sentence with what was typed; what is one is taken."""
    if not said:
        assert wire.decode(kind, text) == 0
        return
    with pytest.raises(CoreError, match=said):
        wire.decode(kind, text)


@pytest.mark.parametrize(("kind", "text"), [(ApertureMark, "5.6"), (TimeMark, "15"), (str, "6,3")])
def test_text_stays_text_where_text_is_meant(kind: Any, text: str) -> None:
    """A mark is engraved: it is never taken for the number it looks like."""
    assert wire.decode(kind, text) == text


def typed_of(text: str, scene: Scene = SCENE) -> Typed:
    return typed(text, scene, SceneKit(), KitNames(), Preferences(), "r")


def test_a_pasted_table_is_taken_line_by_line() -> None:
    """Cells in any order, one id each, all at once."""
    done = typed_of("shade\t9\tIII\nfrost\t13 1/3\nf/32; film Corvane; iso 125")
    scene = edited(SCENE, done.edits, "now")
    assert [(each.id, each.label) for each in scene.readings] == [("r", "shade"), ("r-1", "frost")]
    assert (scene.aperture, scene.meter_iso, scene.pin and scene.pin.zone) == ("32", 125, 3)
    assert [each.name for each in done.makes.films] == ["Corvane"]
    assert done.falls_on == "VII⅓"


def test_a_line_that_is_refused_is_named_and_nothing_is_taken() -> None:
    """Which line it is, and the whole text put right."""
    with pytest.raises(CoreError, match="Line 2, “shade 7”") as refusal:
        typed_of("9 wall; shade 7; f/32")
    assert refusal.value.allowed == ["9 wall; 7 shade; f/32"]
    with pytest.raises(CoreError, match="40"):
        typed_of("9\n" * 41)


def test_readings_follow_what_the_meter_was_set_to() -> None:
    """ISO 400 on one line, EV 12 on the next: EV 10 at ISO 100; what it holds places it."""
    scene = edited(SCENE, typed_of("iso 400; +2 held; 12 snow").edits, "now")
    assert scene.readings[0].reading == EvReading(ev=12, iso=400, held_stops=2)
    assert scene.pin is not None
    assert scene.pin.zone == 7


@given(st.text(max_size=200))
def test_any_text_has_a_meaning_or_a_sentence(text: str) -> None:
    """Pasted or typed, never a traceback."""
    try:
        assert typed_of(text).says
    except CoreError as refusal:
        assert refusal.message
