"""The reading line: what each line means, what is asked back, and what it does to a scene."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.corrections.aperture_choice import BySpread
from emulsa.core.corrections.bellows import ByDraw, ByExtension, Infinity
from emulsa.core.corrections.filters import Filter
from emulsa.core.errors import Ambiguous, CoreError, Unreadable
from emulsa.core.kit.bag import KitFilter, KitLens
from emulsa.core.light.meters import (
    Calibrated,
    EvReading,
    IlluminanceReading,
    LuminanceReading,
    MeanReading,
    MeterSet,
    Reading,
    TimeReading,
    ev100,
)
from emulsa.core.line import carry_out, grammar, written
from emulsa.core.line.carry_out import KitNames, ask_iso
from emulsa.core.line.words import (
    ApertureWord,
    DepthWord,
    FocusWord,
    KitWord,
    RatingWord,
    ReadingWord,
)
from emulsa.core.scene.edits import edited
from emulsa.core.scene.record import Pin, Scene, SceneReading
from emulsa.demo.bag import FILMS, FILTERS, LENSES, PINHOLE

KIT = KitNames(films=FILMS, lenses=LENSES, pinholes=(PINHOLE,), filters=FILTERS)
SCENE = Scene(id="s", outing_id="o", title="Tramway", lens_id="lens-150", film_id="film-corvane")


def mean(*levels: float) -> MeanReading:
    return MeanReading(readings=tuple(EvReading(ev=ev) for ev in levels))


READINGS: list[tuple[str, Reading, str, float | None]] = [
    ("9 shade III", EvReading(ev=9), "shade", 3),
    ("13 1/3 bark", EvReading(ev=13 + 1 / 3), "bark", None),
    ("13⅓ bark", EvReading(ev=13 + 1 / 3), "bark", None),
    ("13.3", EvReading(ev=13.3), "", None),
    ("EV 11 wall", EvReading(ev=11), "wall", None),
    ("-2 night", EvReading(ev=-2), "night", None),
    ("−1⅓ moor", EvReading(ev=-4 / 3), "moor", None),
    ("12 iso400 wall", EvReading(ev=12, iso=400), "wall", None),
    ("1/2@22 frost VII½", TimeReading(time="1/2", aperture="22"), "frost", 7.5),
    ("f/22@1/2 frost", TimeReading(time="1/2", aperture="22"), "frost", None),
    ("37@138 adit", TimeReading(time=37.0, aperture=138.0), "adit", None),
    ("81920lx", IlluminanceReading(value=81920), "", None),
    ("7600 fc dome", IlluminanceReading(value=7600, unit="fc"), "dome", None),
    ("1195 fL wall z7.5", LuminanceReading(value=1195, unit="fL"), "wall", 7.5),
    ("4096 cd/m² snow VIII", LuminanceReading(value=4096), "snow", 8),
    ("10 cap IV 1/2", EvReading(ev=10), "cap", 4.5),
    ("15 X", EvReading(ev=15), "", 10),
    ("10 wall on 3½", EvReading(ev=10), "wall", 3.5),
    ("10 wall on VII", EvReading(ev=10), "wall", 7),
    ("10 wall on 4.5", EvReading(ev=10), "wall", 4.5),
    ('10 "rail 3"', EvReading(ev=10), "rail 3", None),
    ("15 frost VIII.5", EvReading(ev=15), "frost", 8.5),
    ("9 shade iii", EvReading(ev=9), "shade", 3),
    ("9 shade v½", EvReading(ev=9), "shade", 5.5),
    ("9 shade on zone 3", EvReading(ev=9), "shade", 3),
    ("9 shade on zone IV", EvReading(ev=9), "shade", 4),
    ("10 six", EvReading(ev=10), "six", None),
    ("1/125 f/11 wall V", TimeReading(time="1/125", aperture="11"), "wall", 5),
    ("f11 1/125", TimeReading(time="1/125", aperture="11"), "", None),
    ("2 s at f/22 moss", TimeReading(time="2", aperture="22"), "moss", None),
    ("9 + 9 1/3 + 10 wall III", mean(9, 9 + 1 / 3, 10), "wall", 3),
    ("9+10 wall", mean(9, 10), "wall", None),
    (
        "1/2@22 + 1/4@22 sky",
        MeanReading(
            readings=(
                TimeReading(time="1/2", aperture="22"),
                TimeReading(time="1/4", aperture="22"),
            )
        ),
        "sky",
        None,
    ),
]  # fmt: skip


@pytest.mark.parametrize(("text", "reading", "label", "zone"), READINGS)
def test_readings(text: str, reading: Reading, label: str, zone: float | None) -> None:
    """Every unit, with and without label and zone."""
    word = grammar.parse(text)
    assert isinstance(word, ReadingWord)
    assert (word.reading, word.label, word.zone) == (reading, label, zone)


@pytest.mark.parametrize(
    ("text", "through", "incident"),
    [
        ("6 @through sky", True, False),
        ("6 sky @through VI", True, False),
        ("12 @incident", False, True),
        ("12 @dome lit side", False, True),
        ("12 incident", False, True),
        ("12 dome", False, True),
        ("12 incident shade side", False, True),
        ("12 dome of the chapel", False, False),
        ("81920lx", False, True),
        ("1195 fL", False, False),
        ("9 through the arch", False, False),
    ],
)
def test_how_it_was_read(text: str, through: bool, incident: bool) -> None:
    """Through the filters, or of the light itself; lux are always of the light."""
    word = grammar.parse(text)
    assert isinstance(word, ReadingWord)
    assert (word.through, word.incident) == (through, incident)


@pytest.mark.parametrize(
    ("text", "label", "zone", "high"),
    [
        ("14 frost high", "frost", None, True),
        ("14 frost highlight VII", "frost", 7.0, True),
        ("14 highlands", "highlands", None, False),
        ('9 "wall 2"', "wall 2", None, False),
        ('9 "wall 2" III', "wall 2", 3.0, False),
        ("9 “2 stops”", "2 stops", None, False),
    ],
)
def test_what_the_words_of_a_reading_say(
    text: str, label: str, zone: float | None, high: bool
) -> None:
    """The highlight that decides N is said; a name with a number stands in quotes."""
    word = grammar.parse(text)
    assert isinstance(word, ReadingWord)
    assert (word.label, word.zone, word.high) == (label, zone, high)


def test_a_mean_is_of_exposure_values() -> None:
    """EV 9 and 11 read as one 10."""
    word = grammar.parse("9 + 11 wall")
    assert isinstance(word, ReadingWord)
    assert ev100(word.reading, Calibrated()) == 10


@pytest.mark.parametrize("text", ["500", "500@8", "1/3", "4'"])
def test_ambiguities_have_their_own_code(text: str) -> None:
    """A page can tell a question from a refusal."""
    with pytest.raises(Ambiguous) as asked:
        grammar.parse(text)
    assert asked.value.code == "ambiguous"


@pytest.mark.parametrize(
    ("text", "word"),
    [
        ("spread 3", DepthWord(depth=BySpread(focus_spread_mm=3))),
        ("f/32", ApertureWord(aperture="32")),
        ("f16", ApertureWord(aperture="16")),
        ("f/138", ApertureWord(aperture=138.0)),
        ("draw 30", FocusWord(focus=ByDraw(draw_mm=30))),
        ("draw 30 mm", FocusWord(focus=ByDraw(draw_mm=30))),
        ("bellows 180", FocusWord(focus=ByExtension(extension_mm=180))),
        ("ei 400", RatingWord(exposure_index=400)),
        ("pinhole 0.2 at 30", KitWord(kind="pinhole", words="0.2 at 30")),
        ("infinity", FocusWord(focus=Infinity())),
        ("no filter", KitWord(kind="filter", words="")),
        ("filter deep red", KitWord(kind="filter", words="deep red")),
        ("lens 150", KitWord(kind="lens", words="150")),
        ("film velm", KitWord(kind="film", words="velm")),
    ],
)
def test_settings(text: str, word: object) -> None:
    """The same line sets what is not read off a meter."""
    assert grammar.parse(text) == word


@pytest.mark.parametrize(
    ("text", "asked"),
    [
        ("500", "1/500@22"),
        ("1/3", "0 1/3"),
        ("4'", "240@22"),
        ('4"', "240@22"),
        ("13,3 bark", "decimal point"),
        ("hello", "9 shade III"),
        ("", "9 shade III"),
        ("25 sun", "between −8 and 24"),
        ("-9 cellar", "between −8 and 24"),
        ("1/7/3@22", "not a time"),
        ("9 " + "x" * 90, "80 characters"),
        ("9" * 200, "120 characters"),
        ("draw 9000", "between 0 and 3000"),
        ("9 shade xi", "a zone is 0 to X"),
        ("2 s sunny V", "A time needs its aperture"),
        ("ei 0", "between 0.5 and 25600"),
        ("-3@22", "never negative"),
        ("9 @through @incident", "either"),
        ("spread 900", "between 0.01 and 500"),
        ("500@8", "500 seconds, or 1/500 s as a dial shows it?"),
        ("9 wall 2", "Is 2 the zone?"),
        ("9 wall 400", "Is 400 the ISO the meter was set to?"),
        ("9 wall 1/30", "What is 1/30?"),
        ("2 min", "write 120@22 for 2 min"),
        ("2 stops", "Stops are no reading"),
    ],
)
def test_what_could_mean_two_things_is_asked(text: str, asked: str) -> None:
    """Ambiguities are asked with the way to say it, never guessed; ranges are said."""
    with pytest.raises(CoreError) as refusal:
        grammar.parse(text)
    assert asked in refusal.value.message


@given(st.text(max_size=60))
def test_any_text_is_answered(text: str) -> None:
    """Whatever is typed gets a meaning or a sentence, never anything else."""
    try:
        grammar.parse(text)
    except CoreError as refusal:
        assert refusal.message.rstrip("”).").strip()


@given(
    st.one_of(
        st.integers(-24, 72).map(lambda thirds: EvReading(ev=thirds / 3)),
        st.sampled_from(["1/60", "1/2", "15"]).map(lambda t: TimeReading(time=t, aperture="22")),
        st.integers(1, 90_000).map(lambda lx: IlluminanceReading(value=lx)),
        st.lists(st.integers(0, 20), min_size=2, max_size=4).map(lambda evs: mean(*evs)),
    ),
    st.sampled_from(["", "shade", "wet slate"]),
    st.sampled_from(["", "through", "incident"]),
)
def test_a_kept_reading_reads_back(reading: Reading, label: str, how: str) -> None:
    """The line offered for editing a reading means that reading, read that way."""
    of_the_light = isinstance(reading, IlluminanceReading)
    through = how == "through" and not of_the_light
    incident = how == "incident" or of_the_light
    taken = SceneReading(id="r", label=label, reading=reading, through=through, incident=incident)
    word = grammar.parse(written.line_of(taken))
    assert isinstance(word, ReadingWord)
    assert word.label == label
    assert (word.through, word.incident) == (through, incident)
    meter = Calibrated()
    assert ev100(word.reading, meter) == pytest.approx(ev100(reading, meter), abs=1e-6)


@pytest.mark.parametrize(
    ("text", "reading"),
    [
        ("12 wall", EvReading(ev=12, iso=400)),
        ("12 iso100 wall", EvReading(ev=12)),
        ("1/125@11 wall", TimeReading(time="1/125", aperture="11", iso=3_200)),
        ("1/125@11 iso100 wall", TimeReading(time="1/125", aperture="11")),
        (
            "1/125@11 +2.5 held wall",
            TimeReading(time="1/125", aperture="11", iso=3_200, held_stops=2.5),
        ),
        ("12 -1 held wall", EvReading(ev=12, iso=400, held_stops=-1)),
    ],
)  # fmt: skip
def test_a_reading_is_taken_as_the_meter_is_set(text: str, reading: Reading) -> None:
    """What is typed was read so, unless the line says otherwise; and it reads back."""
    meter = MeterSet(ev_iso=400, time_iso=3_200)
    word = grammar.parse(text, meter)
    assert isinstance(word, ReadingWord)
    assert word.reading == reading
    line = written.line_of(SceneReading(id="r", label="wall", reading=reading), meter)
    again = grammar.parse(line, meter)
    assert isinstance(again, ReadingWord)
    assert again.reading == reading


def applied(text: str, scene: Scene = SCENE, reading_id: str = "new") -> tuple[Scene, str]:
    """The scene after a line, and what was said of it."""
    done = carry_out.carry_out(scene, grammar.parse(text), KIT, reading_id)
    return edited(scene, done.edits, "now"), done.says


def test_a_reading_is_added_and_pinned() -> None:
    """A typed zone pins the reading; without one the pin stays."""
    first, says = applied("9 shade III")
    assert says == "EV 9 · “shade” · placed on III"
    second, _ = applied("15 frost", first, "later")
    assert [each.label for each in second.readings] == ["shade", "frost"]
    assert second.pin == Pin(reading="new", zone=3)


def test_a_reading_is_taken_again() -> None:
    """The same id replaces it where it stands and keeps its name when none is typed."""
    both, _ = applied("15 frost", applied("9 shade III")[0], "later")
    again, _ = applied("9 1/3", both, "new")
    assert [each.label for each in again.readings] == ["shade", "frost"]
    assert again.readings[0].reading == EvReading(ev=9 + 1 / 3)


def test_kit_is_found_by_words() -> None:
    """All words must be in the name; several or none are asked about with the names."""
    assert applied("filter red")[0].filter_ids == ("filter-red",)
    assert applied("lens 300")[0].lens_id == "lens-300"
    hole, _ = applied("pinhole 0.3")
    assert (hole.lens_id, hole.pinhole_id) == (None, "pinhole-box")
    assert applied("film ostrel")[0].film_id == "film-ostrel"
    assert applied("no filter", applied("filter red")[0])[0].filter_ids == ()
    for text, names in (("lens mm", "90 mm wide, "), ("lens wide angle", "Say its focal length")):
        with pytest.raises(Unreadable, match=names):
            applied(text)


def test_an_aperture_the_lens_lacks_is_refused() -> None:
    """At the line already, with the lens's range."""
    with pytest.raises(CoreError, match=r"f/5\.6 to f/64"):
        applied("f/4")
    assert applied("f/22")[0].aperture == "22"


@pytest.mark.parametrize(("widest", "smallest"), [(None, "64"), ("64", "5.6"), ("nine", "64")])
def test_a_kit_lens_needs_its_marks(widest: str | None, smallest: str) -> None:
    """What cannot be set is not kept."""
    from emulsa.core.corrections.optics import Lens

    with pytest.raises(CoreError) as refusal:
        KitLens(
            id="l", name="lens", optics=Lens(focal_length_mm=90, widest=widest, smallest=smallest)
        )
    assert refusal.value.field == "optics.widest"
    assert KitFilter(id="f", name="red", filter=Filter(factor=8)).note == ""


@pytest.mark.parametrize(
    ("text", "kept", "has_one", "said", "asked"),
    [
        ("1/125@11 wall", 3_200, False, None, True),
        ("1/125@11 iso100 wall", 3_200, False, None, False),  # the line says it
        ("1/125@11 wall", 3_200, True, None, False),  # the meter's record says it
        ("1/125@11 wall", 3_200, False, "film", False),  # it was answered before
        ("1/125@11 wall", 100, False, None, False),  # there is nothing to choose between
        ("12 wall", 3_200, False, None, False),  # an EV belongs to ISO 100
    ],
)
def test_which_iso_times_belong_to_is_asked_once(
    text: str, kept: float, has_one: bool, said: str | None, asked: bool
) -> None:
    """1/125 at f/11 is another light at ISO 3200 than at ISO 100: five stops apart."""
    meter = MeterSet(time_iso=kept)
    if not asked:
        ask_iso(grammar.parse(text, meter), meter, has_one, said)
        return
    with pytest.raises(Ambiguous) as question:
        ask_iso(grammar.parse(text, meter), meter, has_one, said)
    assert (question.value.field, question.value.allowed) == ("time_iso", [kept, 100])


def test_what_the_meter_holds_places_the_reading() -> None:
    """Held +2½ over the meter's own V is VII½; a zone that is typed says otherwise."""
    scene, says = applied("9 +2.5 held frost")
    assert scene.pin == Pin(reading="new", zone=7.5)
    assert says == "EV 9, +2½ held by the meter · “frost” · placed on VII½"
    assert applied("9 +2.5 held frost VII")[0].pin == Pin(reading="new", zone=7)


EMPTY = KitNames()


@pytest.mark.parametrize(
    ("text", "says", "made"),
    [
        ("film Corvane", "new film Corvane, EI 100", ("films", "Corvane")),
        ("lens 150", "new lens 150 mm", ("lenses", "150 mm")),
        ("pinhole 0.2 at 30", "new pinhole 0.2 mm at 30 mm", ("pinholes", "0.2 mm at 30 mm")),
        # factors of filters as they are usually given: common practice, no source
        ("filter red", "new filter Red, ×8", ("filters", "Red")),
        ("filter yellow", "new filter Yellow, ×2", ("filters", "Yellow")),
        ("filter amber ×4", "new filter Amber, ×4", ("filters", "Amber")),
    ],
)
def test_what_is_not_in_the_kit_is_made_of_what_is_said(
    text: str, says: str, made: tuple[str, str]
) -> None:
    """Under the id the line was given, chosen by the same line; said to be new before Enter."""
    scene = Scene(id="s", outing_id="o", title="Tramway")
    done = carry_out.carry_out(scene, grammar.parse(text), EMPTY, "new")
    assert done.says == says
    (record,) = getattr(done.makes, made[0])
    assert done.makes.all == (record,)
    assert (record.id, record.name) == ("new", made[1])
    after = edited(scene, done.edits, "2026-01-17T12:00:00Z")
    assert "new" in (after.film_id, after.lens_id, after.pinhole_id, *after.filter_ids)


def test_a_filter_nobody_knows_needs_its_factor() -> None:
    """It says how to say it."""
    scene = Scene(id="s", outing_id="o", title="Tramway")
    with pytest.raises(Unreadable, match="as in filter amber ×4"):
        carry_out.carry_out(scene, grammar.parse("filter amber"), EMPTY, "new")
