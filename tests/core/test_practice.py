"""Practice: chance as published, scenes that repeat, verdicts whose causes add up, questions whose
answers are those of the rules themselves."""

import math
import re
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.corrections.filters import total_stops
from emulsa.core.corrections.reciprocity import PowerLaw, corrected_s
from emulsa.core.data.exercises import EXPLANATIONS, INTERVALS_DAYS, TOPICS, Topic
from emulsa.core.data.mosaics import MOSAICS
from emulsa.core.errors import CoreError
from emulsa.core.light.marks import f_number
from emulsa.core.practice.chance import GAMMA, MASK, mixed, normal, pick, uniform
from emulsa.core.practice.course import Answered, PracticeNextRequest, practice_next
from emulsa.core.practice.exercise import (
    ExerciseJudgeRequest,
    ExerciseRequest,
    drawn,
    exercise,
    exercise_judge,
    question_text,
    right_way,
    tolerance,
)
from emulsa.core.practice.question import off
from emulsa.core.practice.scene import (
    KINDS,
    USUAL_VIEW_DEG,
    OwnPatch,
    PracticeScene,
    SceneKind,
    SceneMakeRequest,
    anew,
    made,
    scene_make,
)
from emulsa.core.practice.spot import Aim, SceneMeterRequest, scene_meter
from emulsa.core.practice.verdict import (
    CountedDue,
    HighPatch,
    PlacedPatch,
    SceneJudged,
    SceneJudgeRequest,
    outside,
    scene_judge,
)
from emulsa.core.rendering.tones import TonesRequest, tones
from emulsa.core.written import Written, writing

MOSAIC_KINDS: tuple[SceneKind, ...] = KINDS[:-2]
SEEDS = st.integers(0, 2**31 - 1)
LAW = PowerLaw(exponent=1.3)


def test_chance_is_splitmix64_as_published() -> None:
    """The first three numbers of the seed 1234567 (Steele, Lea and Flood's generator, as its
    implementations publish them)."""
    state, found = 1_234_567, []
    for _ in range(3):
        state = (state + GAMMA) & MASK
        found.append(mixed(state))
    assert found == [6457827717110365317, 3203168211198807973, 9817491932198370423]


def test_chance_is_even_and_its_normal_is_normal() -> None:
    many = [uniform(7, key) for key in range(4_000)]
    assert 0 <= min(many) < max(many) < 1
    assert math.fsum(many) / len(many) == pytest.approx(0.5, abs=0.02)
    tall = [normal(7, key) for key in range(4_000)]
    assert math.fsum(tall) / len(tall) == pytest.approx(0, abs=0.06)
    assert math.fsum(each**2 for each in tall) / len(tall) == pytest.approx(1, abs=0.08)
    assert {pick("abc", 3, key) for key in range(60)} == {*"abc"}


@given(st.sampled_from(MOSAIC_KINDS), SEEDS, st.integers(0, 30))
def test_a_scene_is_the_same_again_and_its_light_moves_all_of_it(
    kind: SceneKind, seed: int, minutes: int
) -> None:
    """What lies where stays; every patch goes with the light, to the axis' own step."""
    first = made(PracticeScene(kind=kind, seed=seed))
    later = made(PracticeScene(kind=kind, seed=seed, minutes=minutes))
    assert first == anew.__wrapped__(PracticeScene(kind=kind, seed=seed), USUAL_VIEW_DEG)
    assert later.field.patch == first.field.patch
    assert first.light_ev is not None
    assert later.light_ev is not None
    by = later.light_ev - first.light_ev
    for one, other in zip(first.patches, later.patches, strict=True):
        assert other.ev100 - one.ev100 == pytest.approx(by, abs=1 / 32 + 1e-9)
        assert (one.x, one.y, one.cells) == (other.x, other.y, other.cells)


@pytest.mark.parametrize("kind", MOSAIC_KINDS)
def test_every_patch_can_be_aimed_at(kind: SceneKind) -> None:
    """It has cells, its aim lies in it, and its zones are of the print."""
    for seed in range(12):
        scene = made(PracticeScene(kind=kind, seed=seed))
        assert sum(each.cells for each in scene.patches) == len(scene.field.index)
        for place, each in enumerate(scene.patches):
            assert each.cells > 0
            column, row = int(each.x * 48), int(each.y * 32)
            assert scene.field.patch[row * 48 + column] == place
            assert each.zones == MOSAICS[kind][place].zones


def test_light_as_it_falls_over_a_day() -> None:
    """Dusk fades 0.12 stop a minute, against the light it sinks slowly, clouds pass and come back
    after eleven minutes, sun stays."""

    def moved(kind: SceneKind, minutes: float) -> float:
        now, then = (
            made(PracticeScene(kind=kind, seed=4, minutes=each)).light_ev for each in (0, minutes)
        )
        assert now is not None
        assert then is not None
        return then - now

    assert moved("dusk", 10) == pytest.approx(-1.2)
    assert moved("backlight", 60) == pytest.approx(-0.3)
    assert moved("sun", 60) == 0
    assert moved("cloud", 11) == pytest.approx(0, abs=1e-9)
    assert moved("cloud", 5.5) != 0


def test_a_scene_of_one_s_own() -> None:
    own = (OwnPatch(name="slate", ev100=9, zones=(3, 4)), OwnPatch(name="frost", ev100=14))
    found = scene_make(SceneMakeRequest(scene=PracticeScene(kind="own", seed=1, own=own)))
    assert [each.name for each in found.patches] == ["slate", "frost"]
    assert [each.ev100 for each in found.patches] == pytest.approx([9, 14], abs=0.02)
    assert [each.cells for each in found.patches] == [768, 768]
    assert [each.zones for each in found.patches] == [(3, 4), None]
    assert found.light_ev is None
    assert [each.size_deg for each in found.patches] == [25, 25]


@given(
    st.sampled_from(MOSAIC_KINDS),
    SEEDS,
    st.floats(0, 1),
    st.floats(0, 1),
    st.floats(0.5, 30),
    st.sampled_from([0.0, 1 / 3, 0.1]),
)
def test_what_a_spot_reads_otherwise_adds_up(
    kind: SceneKind, seed: int, x: float, y: float, angle: float, step: float
) -> None:
    found = scene_meter(
        SceneMeterRequest(
            scene=PracticeScene(kind=kind, seed=seed),
            aim=Aim(x=x, y=y),
            angle_deg=angle,
            meter_offset_stops=0.2,
            dial_step=step,
        )
    )
    assert math.fsum(each.stops for each in found.causes) == pytest.approx(found.off_stops)
    assert found.ev100 - found.true_ev100 == pytest.approx(found.off_stops)
    if step:
        assert found.ev100 / step == pytest.approx(round(found.ev100 / step))
        assert abs(found.causes[-1].stops) <= step / 2 + 1e-9
    assert 0 < found.share_of_patch <= 1


def test_a_narrow_spot_reads_its_patch_and_a_wide_one_the_scene() -> None:
    """A quiet meter; the door is dark, what lies about it light."""
    scene = PracticeScene(kind="sun", seed=1)

    def read(angle: float) -> float:
        asked = SceneMeterRequest(
            scene=scene,
            aim=Aim(patch="doorway"),
            angle_deg=angle,
            flare_share=0,
            noise_stops=0,
            dial_step=0,
        )
        return scene_meter(asked).off_stops

    assert abs(read(1)) < 0.35
    assert read(1) < read(10) < read(60)
    assert read(90) == pytest.approx(made(scene).mean_ev100 - made(scene).patches[5].ev100, abs=0.3)


@pytest.mark.parametrize(
    ("aim", "field"),
    [
        ({"patch": "moon"}, "aim.patch"),
        ({"patch": "doorway", "x": 0.5}, ""),
        ({"x": 0.5}, ""),
        ({}, ""),
    ],
)
def test_where_one_cannot_aim(aim: dict[str, Any], field: str) -> None:
    with pytest.raises(CoreError) as refused:
        scene_meter(SceneMeterRequest(scene=PracticeScene(kind="sun", seed=1), aim=Aim(**aim)))
    assert refused.value.field == field
    if field:
        assert "doorway" in refused.value.message


SUN = PracticeScene(kind="sun", seed=1)
BARN = next(each for each in made(SUN).patches if each.name == "barn side in shade")


def judged(zone: float = 3, reading: float = BARN.ev100, **more: Any) -> SceneJudged:
    """The barn on III, everything right unless told otherwise."""
    metered = f_number("22") ** 2 / 2 ** (reading + 5 - zone)
    asked: dict[str, Any] = {"given_s": corrected_s(LAW, metered), **more}
    return scene_judge(
        SceneJudgeRequest(
            scene=SUN,
            placed=PlacedPatch(patch=BARN.name, reading_ev100=reading, zone=zone),
            aperture="22",
            law=LAW,
            **asked,
        )
    )


def causes(found: SceneJudged) -> dict[str, float]:
    return {each.cause: each.stops for each in found.causes}


def test_what_was_done_right_is_right() -> None:
    """Nothing off; every place falls, lands and prints as `tones` has it."""
    found = judged()
    assert found.total_stops == pytest.approx(0, abs=1e-9)
    assert found.misconception is None
    barn = next(each for each in found.patches if each.name == BARN.name)
    assert (barn.falls, barn.got, barn.off_zones) == pytest.approx((3, 3, 0), abs=1e-9)
    wanted = tones(TonesRequest(zones=(3.0,))).zones[0]
    assert barn.lightness == pytest.approx(wanted.lightness)
    assert (barn.net_density, barn.texture) == (pytest.approx(wanted.net_density), wanted.texture)


@given(
    st.floats(-2, 2),
    st.floats(-1, 1),
    st.floats(0, 3),
    st.floats(0, 3),
    st.floats(0, 2),
    st.floats(0.001, 100),
    st.booleans(),
)
def test_its_causes_add_up(
    misread: float,
    speed: float,
    counted: float,
    due: float,
    bellows: float,
    given_s: float,
    told: bool,
) -> None:
    """To what the film got against what it should have; without one's own sum its last two are
    one."""
    found = judged(
        reading=BARN.ev100 + misread,
        true_ei=100 * 2**speed,
        filter_stops=CountedDue(counted=counted, due=due),
        bellows_stops=CountedDue(due=bellows),
        given_s=given_s,
        computed_s=0.5 if told else None,
    )
    by = causes(found)
    assert math.fsum(by.values()) == pytest.approx(found.total_stops, abs=1e-9)
    assert by["metering"] == pytest.approx(-misread)
    assert by["speed"] == pytest.approx(speed)
    assert by["filter"] == pytest.approx(counted - due)
    assert by["bellows"] == pytest.approx(-bellows)
    assert ("reciprocity_and_setting" in by) is not told
    due_s = 2 ** (2 * math.log2(f_number("22")) - (BARN.ev100 + 2) - speed + due + bellows)
    metered = given_s if given_s <= 1 else given_s ** (1 / 1.3)
    assert found.total_stops == pytest.approx(math.log2(metered / due_s), abs=1e-6)


def test_light_that_went_is_told_apart_from_the_reading() -> None:
    dusk = PracticeScene(kind="dusk", seed=2)
    sand = made(dusk).patches[0]
    found = scene_judge(
        SceneJudgeRequest(
            scene=dusk,
            exposed_minutes=10,
            placed=PlacedPatch(patch=sand.name, reading_ev100=sand.ev100, zone=5),
            aperture="22",
            law=LAW,
            given_s=1,
        )
    )
    assert causes(found)["metering"] == pytest.approx(0)
    assert causes(found)["light"] == pytest.approx(-1.2, abs=0.04)


@pytest.mark.parametrize(
    ("more", "misconception"),
    [
        ({"filter_stops": CountedDue(counted=2, due=1)}, "filter-twice"),
        ({"filter_stops": CountedDue(counted=0, due=1)}, "filter-forgotten"),
        ({"filter_stops": CountedDue(counted=1, due=1)}, None),
        ({"filter_stops": CountedDue(counted=0, due=0.3)}, None),
        ({"bellows_stops": CountedDue(counted=0, due=1)}, "bellows-forgotten"),
        ({"n": 1, "high": HighPatch(patch="whitewashed wall", zone=7)}, "n-sign"),
        ({"n": -1, "high": HighPatch(patch="whitewashed wall", zone=7)}, None),
        ({"n": 0.4, "high": HighPatch(patch="whitewashed wall", zone=7)}, None),
    ],
)
def test_what_was_likely_thought(more: dict[str, Any], misconception: str | None) -> None:
    assert judged(**more).misconception == misconception
    assert misconception is None or misconception in EXPLANATIONS


@pytest.mark.parametrize(
    ("kind", "patch", "zone", "misconception"),
    [
        ("snow", "lit snow", 5, "white-on-v"),
        ("snow", "lit snow", 7, None),
        ("cloud", "peat bank", 5, "black-on-v"),
        ("cloud", "peat bank", 3, None),
    ],
)
def test_white_and_black_left_on_v(
    kind: SceneKind, patch: str, zone: float, misconception: str | None
) -> None:
    found = scene_judge(
        SceneJudgeRequest(
            scene=PracticeScene(kind=kind, seed=3),
            placed=PlacedPatch(patch=patch, reading_ev100=12, zone=zone),
            aperture="22",
            law=LAW,
            given_s=1,
        )
    )
    assert found.misconception == misconception
    assert (found.placement_off_zones == 0) is (misconception is None)


def test_development_is_told_in_zones() -> None:
    """A wall that falls two zones too high wants N−2; developed so it lies where it shall, by N it
    is too high by more than those two, and a stop over puts it higher still."""
    wall = next(each for each in made(SUN).patches if each.name == "whitewashed wall")
    high = HighPatch(patch=wall.name, zone=8)
    plain = judged(high=high)
    falls = 3 + wall.ev100 - BARN.ev100
    assert plain.n_wanted == pytest.approx(8 - falls)
    assert plain.development_off_zones == pytest.approx(falls - 8)
    wanted = plain.n_wanted
    assert wanted is not None
    held = judged(high=high, n=round(2 * wanted) / 2)
    assert held.development_off_zones is not None
    assert abs(held.development_off_zones) < 0.5
    over = judged(high=high, filter_stops=CountedDue(counted=1), given_s=plain_s() * 2)
    assert over.high_off_zones == pytest.approx(falls - 8 + over.total_stops)


def plain_s() -> float:
    return corrected_s(LAW, f_number("22") ** 2 / 2 ** (BARN.ev100 + 2))


@pytest.mark.parametrize(
    ("zone", "zones", "away"), [(5, (7, 8), -2), (9, (7, 8), 1), (7.5, (7, 8), 0), (5, None, 0)]
)
def test_how_far_outside(zone: float, zones: Any, away: float) -> None:
    assert outside(zone, zones) == away


@pytest.mark.parametrize("topic", TOPICS)
@pytest.mark.parametrize("level", [1, 2, 3])
def test_a_right_answer_is_right_and_a_wrong_way_is_told(topic: Topic, level: int) -> None:
    """Over many seeds: the answer is right, half a tolerance off still, every wrong way that is
    kept is named, and all that can be named is explained."""
    for seed in range(40):
        found = drawn(topic, seed, level)
        within = tolerance(topic, found.unit)
        near = found.answer * 2 ** (within / 2) if found.unit == "s" else found.answer + within / 2

        def told(given: float, seed: int = seed) -> Any:
            return exercise_judge(
                ExerciseJudgeRequest(topic=topic, seed=seed, level=level, given=given)
            )

        assert told(found.answer).right
        assert told(near).right
        assert told(near).error == pytest.approx(within / 2)
        for each in found.slips:
            wrong = told(each.answer)
            assert not wrong.right
            assert wrong.misconception == each.misconception
            assert wrong.explanation == EXPLANATIONS[each.misconception]
            assert abs(off(found.unit, each.answer, found.answer)) > within + 1 / 6
    assert all(drawn(topic, seed, level).slips for seed in range(3))


def test_filters_are_those_of_the_rule() -> None:
    """A question of filters is answered by the stack's own sum (as the exposure adds it)."""
    for level in (1, 2, 3):
        for seed in range(30):
            found = drawn("filters", seed, level)
            metered = found.question.metered_s
            assert metered is not None
            stops = total_stops(found.question.filters)
            assert found.answer == pytest.approx(metered * 2**stops, rel=0.002)


def test_an_answer_far_from_everything_means_nothing() -> None:
    found = exercise_judge(ExerciseJudgeRequest(topic="dial", seed=18, level=1, given=1e4))
    assert (found.right, found.misconception, found.explanation) == (False, None, None)


def test_a_question_keeps_its_answer_back() -> None:
    kept = exercise(ExerciseRequest(topic="n", seed=4))
    told = exercise(ExerciseRequest(topic="n", seed=4, solve=True))
    assert (kept.answer, kept.slips) == (None, None)
    assert told.answer is not None
    assert (told.question, told.tolerance) == (kept.question, 0.25)


RIGHT = {level: [drawn("n", seed, level).answer for seed in range(10)] for level in (1, 2, 3)}


def answered(day: int, seed: int, given: float | None = None, level: int = 1) -> Answered:
    right = RIGHT[level][seed]
    return Answered(
        day=day, topic="n", seed=seed, level=level, given=right if given is None else given
    )


def test_a_topic_rises_by_three_in_a_row() -> None:
    def level(*history: Answered) -> tuple[int, int]:
        found = practice_next(PracticeNextRequest(today=9, history=history)).topics
        topic = found[TOPICS.index("n")]
        return topic.level, topic.streak

    assert level(answered(1, 1), answered(1, 2)) == (1, 2)
    assert level(answered(1, 1), answered(1, 2), answered(2, 3)) == (2, 0)
    assert level(answered(1, 1), answered(1, 2), answered(1, 3, 9.0)) == (1, 0)
    assert level(answered(1, 1), answered(1, 2, 9.0), answered(1, 3), answered(1, 4)) == (1, 2)


@pytest.mark.parametrize("right", range(7))
def test_what_was_misunderstood_comes_again_after_longer_and_longer(right: int) -> None:
    """Each right answer to a question that could have shown it moves it a box up, up to the last;
    a wrong one puts it back."""
    showing = [
        seed
        for seed in range(10)
        if any(each.misconception == "n-sign" for each in drawn("n", seed, 1).slips)
    ]
    first = showing[0]
    wrong = answered(0, first, -RIGHT[1][first])
    later = tuple(answered(5, showing[1]) for _ in range(right))
    (met,) = practice_next(PracticeNextRequest(today=5, history=(wrong, *later))).misconceptions
    box = min(right, len(INTERVALS_DAYS) - 1)
    assert (met.misconception, met.box, met.slips) == ("n-sign", box, 1)
    assert met.due_day == (5 if right else 0) + INTERVALS_DAYS[box]
    again = answered(5, first, -RIGHT[1][first])
    (back,) = practice_next(
        PracticeNextRequest(today=5, history=(wrong, *later, again))
    ).misconceptions
    assert (back.box, back.slips, back.due_day) == (0, 2, 5)


def test_what_is_due_comes_before_the_course_and_can_show_it() -> None:
    showing = next(
        seed
        for seed in range(10)
        if any(each.misconception == "n-sign" for each in drawn("n", seed, 1).slips)
    )
    wrong = answered(0, showing, -RIGHT[1][showing])
    told = practice_next(PracticeNextRequest(today=0, history=(wrong,))).next
    assert (told.why, told.topic, told.misconception) == ("slip", "n", "n-sign")
    assert told.seed > 1_000
    slips = drawn(told.topic, told.seed, told.level).slips
    assert "n-sign" in {each.misconception for each in slips}


def test_days_stand_in_their_order() -> None:
    with pytest.raises(CoreError) as refused:
        PracticeNextRequest(today=3, history=(answered(2, 1), answered(1, 2)))
    assert (refused.value.field, refused.value.allowed) == ("history.1.day", [2, 3])


@pytest.mark.parametrize(
    ("topic", "level", "seed", "text", "last"),
    [
        ("dial", 2, 1, "EV 5 at ISO 100, film of ISO 25. What time at f/22?", "1 min 4 s"),
        ("placement", 1, 1, "A tone reads EV 11. You place it on VIII. Which EV do you set?", "8"),
        ("placement", 3, 2, "EV 8⅓ is placed on III. Where does EV 11⅔ fall?", "VI⅓"),
        (
            "n",
            1,
            2,
            "The shadow, EV 8, is placed on III. The highlight reads EV 14 and shall print on VIII."
            " Which N?",
            "N−1",
        ),
        (
            "filters",
            3,
            1,
            "Without filters the meter says 1/60 s. Before the lens: a yellow one ×4, a red one ×8"
            " and a polariser, 1½ stops. What time?",
            "0.35 s",
        ),
        (
            "bellows",
            2,
            2,
            "The meter says 2 s. The 210 mm lens is drawn out 105 mm beyond infinity. What time?",
            "4.5 s",
        ),
        (
            "bellows",
            3,
            2,
            "The meter says 1 s. A pinhole of 0.35 mm, 60 mm from the film, its f-number in the"
            " meter. What time?",
            "1 s",
        ),
        (
            "reciprocity",
            3,
            1,
            "The meter says 8 s. This frame of its bracket has 1 stop more. This film needs t to"
            " the power of 1.3 from a second on. What time?",
            "37 s",
        ),
        (
            "spot",
            1,
            1,
            "On the mouth of an adit the meter says EV 7. It shall print on II. Which EV do you"
            " set?",
            "10",
        ),
        (
            "spot",
            3,
            1,
            "Three quarters of the meter’s circle lie on a patch of EV 5, the rest on EV 2, and 1 %"
            " of the scene’s mean light, EV 7, strays in. What does it say?",
            "4⅔",
        ),
        (
            "roll",
            1,
            1,
            "Frames of one roll want N−1, N+1 and N. Which N for all? Too hard costs twice too"
            " soft.",
            "N",
        ),
        (
            "outing",
            2,
            2,
            "The shadow reads EV 9 and goes on IV, at f/22, EI 100. A filter ×2. The 300 mm lens is"
            " drawn out 100 mm beyond infinity. The film needs t to the power of 1.2 from a second"
            " on. Since the reading the light has fallen by 1 stop. What time?",
            "4.6 s",
        ),
    ],
)
def test_a_question_reads_as_one_asks_it(
    topic: Topic, level: int, seed: int, text: str, last: str
) -> None:
    """And its ledger ends at the answer."""
    found = drawn(topic, seed, level)
    assert question_text(topic, found.question) == text
    assert right_way(topic, found)[-1].running == last


def test_a_question_is_asked_in_the_units_one_writes() -> None:
    with writing(Written(length="in")):
        told = question_text("bellows", drawn("bellows", 2, 2).question)
    assert "drawn out 4.13 in beyond infinity" in told


@pytest.mark.parametrize("topic", TOPICS)
@pytest.mark.parametrize("level", [1, 2, 3])
def test_every_question_has_words_and_a_way(topic: Topic, level: int) -> None:
    """Whatever is drawn is said with a question mark and without a figure nobody can read; its way
    has a row for each thing that counts."""
    for seed in range(40):
        found = drawn(topic, seed, level)
        text = question_text(topic, found.question)
        assert text.count("?") == 1
        assert not re.search(r"\d\.\d{4}|None|nan", text)
        way = right_way(topic, found)
        assert len(way) >= 2
        assert all(each.label and each.running for each in way)
