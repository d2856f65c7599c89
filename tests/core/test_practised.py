"""Practice as one meets it: drawn scenes that hold what they promise, answers as they are typed,
the verdict in words, a learner who is found out and cured."""

import math
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.corrections.reciprocity import PowerLaw, corrected_s
from emulsa.core.data.drawn_scenes import DRAWN
from emulsa.core.data.exercises import EXPLANATIONS, TOPICS
from emulsa.core.data.practised import MET, SHORTLY, SHOWN_BY_SCENES, TOPIC_NAMES
from emulsa.core.errors import CoreError
from emulsa.core.light.marks import f_number
from emulsa.core.light.meters import EvReading
from emulsa.core.picture.axis import index
from emulsa.core.practice.answering import in_unit, read, told
from emulsa.core.practice.best import asked_of
from emulsa.core.practice.course import Answered, PracticeNextRequest, about, practice_next
from emulsa.core.practice.drawn import WHOLE, drawn_scene
from emulsa.core.practice.exercise import drawn
from emulsa.core.practice.exposing import metered, read_again
from emulsa.core.practice.met import offered, seed_of, tones_of
from emulsa.core.practice.question import NO_KIT, Unit
from emulsa.core.practice.record import PracticeAnswer, PractisedScene, SpotTaken
from emulsa.core.practice.room import due, history, topics, why
from emulsa.core.practice.scene import KINDS, USUAL_VIEW_DEG, PracticeScene, anew, made
from emulsa.core.practice.sets import PracticeSet, questions
from emulsa.core.practice.spot import Aim, SceneMeterRequest, scene_meter
from emulsa.core.practice.table import answers_table, set_sheet
from emulsa.core.practice.told import total_text, verdict
from emulsa.core.practice.verdict import (
    CountedDue,
    HighPatch,
    PlacedPatch,
    SceneJudgeRequest,
    outside,
    scene_judge,
)
from emulsa.core.rendering.tones import carried
from emulsa.core.scene.plan import falls
from emulsa.core.scene.record import Pin, Scene, SceneKit, SceneReading
from emulsa.core.tones.development_number import PIVOT
from emulsa.core.written import Written, writing

NAMES = st.sampled_from(DRAWN)
LAW = PowerLaw(exponent=1.3)
KEPT_TO = 0.4  # zones: a print keeps its promises so near


def scene(name: str, seed: int = 3, minutes: float = 0) -> PracticeScene:
    return PracticeScene(kind="drawn", name=name, seed=seed, minutes=minutes)


def test_there_are_sixteen_and_every_one_is_told() -> None:
    told = [each for each in offered() if each.kind == "drawn"]
    assert [each.name for each in told] == list(DRAWN)
    assert len({each.title for each in told}) == len(DRAWN) == 16
    assert {*MET} == {*KINDS} - {"drawn"}
    for each in offered():
        assert each.brief.endswith("."), each.title


@pytest.mark.parametrize("name", DRAWN)
def test_every_place_is_metered_within_a_third(name: str) -> None:
    """By a quiet meter of 1°, aimed where one aims, at every minute; the circle lies in it."""
    for minutes in (0, 4, 40):
        at = scene(name, seed=5, minutes=minutes)
        for each in made(at).patches:
            if each.name == WHOLE:
                continue
            asked = SceneMeterRequest(
                scene=at, aim=Aim(patch=each.name), flare_share=0, noise_stops=0, dial_step=0
            )
            found = scene_meter(asked)
            assert found.patch == each.name
            assert abs(found.off_stops) <= 1 / 3, (each.name, found.off_stops)
            assert found.share_of_patch > 0.7


@pytest.mark.parametrize("name", DRAWN)
def test_a_good_print_keeps_the_zones_it_promises(name: str) -> None:
    """There is one exposure and one N by which every place prints where the brief has it."""
    best = asked_of(scene(name))
    assert best is not None
    assert best.off_zones <= KEPT_TO
    developed = carried(best.n, PIVOT)
    for each in made(scene(name)).patches:
        if each.zones:
            prints = developed(5 + each.ev100 - best.camera_ev)
            assert abs(outside(prints, each.zones)) <= KEPT_TO, each.name


@given(NAMES, st.integers(0, 2**31 - 1), st.integers(0, 90))
def test_light_moves_every_place_as_far_as_it_is_lit(name: str, seed: int, minutes: int) -> None:
    """What lies where stays; in the sun a cloud takes from each place the stops it owes the sun;
    fog and dusk take the same from all."""
    first, later = made(scene(name, seed)), made(scene(name, seed, minutes))
    assert later == anew.__wrapped__(scene(name, seed, minutes), USUAL_VIEW_DEG)
    assert later.field.patch == first.field.patch
    painted = drawn_scene(name)
    moved = [b.ev100 - a.ev100 for a, b in zip(first.patches, later.patches, strict=True)]
    if painted.light != "sun":
        assert max(moved) - min(moved) < 1 / 16
        return
    owed = [each.sun_stops for each in painted.places]
    most, least = (owed.index(pick(owed)) for pick in (max, min))
    cloud = (moved[least] - moved[most]) / (owed[most] - owed[least])
    assert -1.05 <= cloud <= 1.05
    for by, sun, place in zip(moved, owed, first.patches, strict=True):
        assert not place.cells or by == pytest.approx(
            moved[least] - cloud * (sun - owed[least]), abs=0.08
        )


def test_dusk_fades_and_a_cloud_covers_the_sun() -> None:
    lane = made(scene("lane-at-dusk", minutes=0)).mean_ev100
    assert made(scene("lane-at-dusk", minutes=25)).mean_ev100 - lane == pytest.approx(-2, abs=0.05)
    frost = [
        next(e.ev100 for e in made(scene("snowed-in", minutes=m)).patches if "sun" in e.name)
        for m in range(12)
    ]
    assert max(frost) - min(frost) == pytest.approx(2.6, abs=0.1)


def test_a_drawn_scene_is_chosen_by_its_name() -> None:
    with pytest.raises(CoreError, match="no such drawn scene"):
        made(scene("moon"))
    with pytest.raises(CoreError, match="chosen by its name"):
        PracticeScene(kind="sun", seed=1, name="tip")
    with pytest.raises(CoreError, match="chosen by its name"):
        PracticeScene(kind="drawn", seed=1)


def test_its_cells_are_the_entries_of_the_axis() -> None:
    """The EV of a patch is that of the mean light of its cells."""
    found = made(scene("tip"))
    cells = [i for i, p in zip(found.field.index, found.field.patch, strict=True) if p == 0]
    light = math.fsum(2 ** (i / 32 - 8) for i in cells) / len(cells)
    assert math.log2(light) == pytest.approx(found.patches[0].ev100)
    assert min(found.field.index) >= index(-8)


@pytest.mark.parametrize(
    ("text", "unit", "value"),
    [
        ("1/8", "s", 0.125),
        ("2.5", "s", 2.5),
        ("1:10", "s", 70),
        ("1 min 4 s", "s", 64),
        ("9⅔", "ev", 9 + 2 / 3),
        ("EV 12", "ev", 12),
        ("-1", "ev", -1),
        ("VII½", "zone", 7.5),
        ("3", "zone", 3),
        ("−1", "zone", -1),
        ("N−1½", "n", -1.5),
        ("N", "n", 0),
        ("+1", "n", 1),
    ],
)
def test_answers_are_read_as_they_are_typed(text: str, unit: Unit, value: float) -> None:
    assert read(text, unit) == pytest.approx(value)


@pytest.mark.parametrize(
    ("text", "unit"), [("soon", "s"), ("bright", "ev"), ("N1", "n"), ("Q", "zone")]
)
def test_what_is_no_answer_says_so(text: str, unit: Unit) -> None:
    with pytest.raises(CoreError) as refused:
        read(text, unit)
    assert text in refused.value.message


@pytest.mark.parametrize("topic", TOPICS)
def test_every_answer_can_be_typed_as_it_is_written(topic: str) -> None:
    """What is shown as the right answer is one that is taken for right."""
    for level in (1, 2, 3):
        for seed in range(20):
            found = drawn(topic, seed, level)  # type: ignore[arg-type]
            with writing(Written()):
                shown = in_unit(found.answer, found.unit)
            if shown.startswith(("0−", "X+")):
                continue  # beyond the zones, as they are written
            given = read(shown.removesuffix(" s") if "min" not in shown else shown, found.unit)
            answer = PracticeAnswer(
                id="a",
                day="2026-01-17",
                topic=topic,
                seed=seed,
                level=level,
                given=given,  # type: ignore[arg-type]
            )
            assert told(answer).right, (shown, found.answer)


def test_what_is_said_of_an_answer() -> None:
    """Off by how much, in its unit; what was thought; the sum that is right."""
    seed = next(
        seed
        for seed in range(1, 50)
        if "filter-forgotten" in {each.misconception for each in drawn("filters", seed, 1).slips}
    )
    found = drawn("filters", seed, 1)
    forgot = next(each.answer for each in found.slips if each.misconception == "filter-forgotten")
    said = told(
        PracticeAnswer(id="a", day="2026-01-17", topic="filters", seed=seed, level=1, given=forgot)
    )
    assert not said.right
    assert said.says.endswith("too little.")
    assert said.shortly == "Count the filter"
    assert said.explanation == EXPLANATIONS["filter-forgotten"]
    assert said.steps[-1].running == said.answer_text
    zone = drawn("placement", 3, 2)
    high = told(
        PracticeAnswer(
            id="b", day="2026-01-17", topic="placement", seed=3, level=2, given=zone.answer + 1
        )
    )
    assert high.says == "zone too high by 1."


def test_every_misconception_has_its_few_words() -> None:
    assert {*SHORTLY} == {*EXPLANATIONS}
    assert {*TOPIC_NAMES} == {*TOPICS}
    assert {*SHOWN_BY_SCENES} <= {*EXPLANATIONS}
    assert len({*SHORTLY.values()}) == len(SHORTLY)


def gone_to(name: str) -> PractisedScene:
    return PractisedScene(
        id="p",
        begun_at="2026-01-17T09:00:00Z",
        source=scene(name),
        scene=Scene(id="p", outing_id="practice", title=name),
    )


def judged(name: str, place: str, high: str, **more: object) -> SceneJudgeRequest:
    """A place as it was truly read, put where the best print has it, set to the second."""
    ev = next(each.ev100 for each in made(scene(name)).patches if each.name == place)
    best = asked_of(scene(name))
    assert best is not None
    zone = 5 + ev - best.camera_ev
    due = corrected_s(LAW, f_number("22") ** 2 / 2**best.camera_ev)
    asked = SceneJudgeRequest(
        scene=scene(name),
        placed=PlacedPatch(patch=place, reading_ev100=ev, zone=zone),
        aperture="22",
        law=LAW,
        given_s=due,
        computed_s=due,
        n=best.n,
        high=HighPatch(patch=high),
    )
    return replace(asked, **more)  # type: ignore[arg-type]


def test_a_perfect_plan_is_nought_in_every_cause() -> None:
    """And its print is the one that was asked for, grey by grey."""
    asked = judged("winding-house", "doorway in shade", "lit frost")
    found = scene_judge(asked)
    assert [abs(each.stops) < 1e-9 for each in found.causes] == [True] * len(found.causes)
    said = verdict(gone_to("winding-house"), asked)
    assert said.total_text == "right within ⅙ stop"
    assert said.right
    assert said.summary == "Every place prints where a good print has it."
    assert said.asked_grey == said.became_grey
    assert all(each.right for each in said.places)
    assert said.misconception is None
    assert said.topic is None


def test_a_filter_counted_twice_is_told_with_its_topic() -> None:
    asked = judged(
        "winding-house",
        "doorway in shade",
        "lit frost",
        filter_stops=CountedDue(counted=2, due=1),
    )
    asked = replace(asked, given_s=asked.given_s * 2**2.6, computed_s=asked.given_s * 2**2.6)
    with writing(Written()):
        said = verdict(gone_to("winding-house"), asked)
    causes = {each.label: each for each in said.causes}
    assert causes["Filter"].stops_text == "+1"
    assert causes["Filter"].says == "2 stops counted; 1 stop due"
    assert causes["Meter"].says == "typed, not read off the scene"
    assert causes["Placement"].says.endswith("as asked")
    assert "over" in said.total_text
    assert said.misconception == "filter-twice"
    assert (said.shortly, said.topic) == ("A filter counts once", "filters")
    assert said.explanation == EXPLANATIONS["filter-twice"]
    door = next(each for each in said.places if each.name == "doorway in shade")
    assert "too light" in door.says
    assert "less was what the plan wanted." in said.summary


@pytest.mark.parametrize(
    ("stops", "text"),
    [
        (-4 / 3, "1⅓ stops under"),
        (0.1, "right within ⅙ stop"),
        (0.5, "½ stop over"),
        (1, "1 stop over"),
    ],
)
def test_by_how_much_in_a_word(stops: float, text: str) -> None:
    assert total_text(stops) == text


def test_a_reading_tells_afterwards_what_it_took_in() -> None:
    """At the edge of a doorway half the circle is wall; the reading says the same every time."""
    source = scene("winding-house")
    edge = SpotTaken(reading="r", x=0.632, y=0.62, angle_deg=6)
    practised = replace(gone_to("winding-house"), spots=(edge,))
    found = read_again(practised, "r")
    assert found == metered(source, edge)
    assert found is not None
    assert found.share_of_patch < 0.9
    assert read_again(practised, "another") is None


def test_one_s_own_readings_become_tones() -> None:

    readings = tuple(
        SceneReading(id=each, label="wall", reading=EvReading(ev=ev))
        for each, ev in (("a", 8.0), ("b", 12.0))
    )
    own = Scene(id="s", outing_id="o", title="t", readings=readings, pin=Pin(reading="a", zone=3))
    told = falls(own, SceneKit())
    tones = tones_of(told, {"a": "wall", "b": "wall"}, "a", None)
    assert [(each.name, each.ev100, each.zones) for each in tones] == [
        ("wall", 8, (2.5, 3.5)),
        ("wall 2", 12, None),
    ]
    with pytest.raises(CoreError, match="two readings"):
        tones_of(told[:1], {}, None, None)


def test_a_set_is_the_same_again_and_another_by_another_number() -> None:
    one = questions(PracticeSet(seed=41, many=30))
    assert one == questions(PracticeSet(seed=41, many=30))
    assert one[:12] == questions(PracticeSet(seed=41))
    assert one != questions(PracticeSet(seed=42, many=30))
    assert {each.topic for each in one} == {*TOPICS}
    assert {e.topic for e in questions(PracticeSet(seed=1, topics=("n", "roll")))} == {"n", "roll"}
    plain, solved = (set_sheet(PracticeSet(seed=41), answers) for answers in (False, True))
    assert [each.text for each in plain.questions] == [each.text for each in solved.questions]
    assert {each.answer for each in plain.questions} == {""}
    assert all(each.answer and each.steps for each in solved.questions)
    assert plain.holds_for == "Set 41, level 1: the same for everybody"


def test_answers_are_a_table() -> None:
    found = drawn("n", 4, 1)
    answer = PracticeAnswer(
        id="a", day="2026-01-17", topic="n", seed=4, level=1, given=found.answer, of_set=9
    )
    titles, row = answers_table([answer])
    assert dict(zip(titles, row, strict=True))["right"] == "yes"
    assert row[:5] == ("2026-01-17", "Development N", 1, 4, 9)


def test_where_one_stands_in_words() -> None:
    """Met on Saturday: due the same day; three days on it is overdue, and asked first."""
    slip = next(e for e in drawn("filters", 7, 1).slips if e.misconception == "factor-as-stops")
    answers = [
        PracticeAnswer(
            id="a", day="2026-01-17", topic="filters", seed=7, level=1, given=slip.answer
        )
    ]
    standing = practice_next(history(answers, "2026-01-20", NO_KIT))
    (mend,) = due(standing, "2026-01-20")
    assert (mend.shortly, mend.box, mend.today, mend.due_text) == (
        "Factor or stops",
        0,
        True,
        "today",
    )
    assert why(standing.next) == "again: Factor or stops"
    filters = next(each for each in topics(standing) if each.topic == "filters")
    assert (filters.text, filters.share) == ("level 1 of 3, 0 of 3 right in a row", 0)
    # another device's clock is a day ahead: what it answered counts as today's
    assert history(answers, "2026-01-16", NO_KIT).history[0].day == (
        history(answers, "2026-01-16", NO_KIT).today
    )


def test_a_topic_one_chose_is_asked_at_its_level() -> None:
    right = [
        Answered(day=1, topic="n", seed=seed, level=1, given=drawn("n", seed, 1).answer)
        for seed in range(1, 4)
    ]
    request = PracticeNextRequest(today=1, history=tuple(right))
    chosen = about(request, "n", "n-sign")
    assert (chosen.topic, chosen.level, chosen.why) == ("n", 2, "chosen")
    assert "n-sign" in {each.misconception for each in drawn("n", chosen.seed, 2).slips}
    assert about(request, "dial").level == 1


@pytest.mark.parametrize(
    ("misconception", "found_by", "mended_by"),
    [
        ("zone-direction", 5, 6),
        ("factor-as-stops", 12, 10),
        ("bellows-not-squared", 15, 10),
        ("reciprocity-first", 30, 12),
        ("roll-mean", 55, 24),
    ],
)
def test_a_learner_is_found_out_and_cured(
    misconception: str, found_by: int, mended_by: int
) -> None:
    """Somebody who thinks one thing wrong until it was explained three times, five questions a
    day: found by this question, mended (box 5) by this day. (docs/core/practice.md)"""
    answered: list[Answered] = []
    wrong, found = 0, 0
    for day in range(mended_by + 1):
        for _ in range(5):
            asked = practice_next(PracticeNextRequest(today=day, history=tuple(answered))).next
            question = drawn(asked.topic, asked.seed, asked.level)
            slip = next((e for e in question.slips if e.misconception == misconception), None)
            thought_wrong = slip is not None and wrong < 3
            given = slip.answer if slip is not None and thought_wrong else question.answer
            wrong += thought_wrong
            answered.append(
                Answered(
                    day=day, topic=asked.topic, seed=asked.seed, level=asked.level, given=given
                )
            )
            found = found or (len(answered) if thought_wrong else 0)
        standing = practice_next(PracticeNextRequest(today=day, history=tuple(answered)))
        mended = [each for each in standing.misconceptions if each.box == 5]
        if mended:
            break
    assert 0 < found <= found_by
    assert wrong == 3
    assert [each.misconception for each in mended] == [misconception]
    assert mended[0].slips == 3


def test_a_text_has_its_own_seed() -> None:
    assert len({seed_of(f"scene-{k}") for k in range(200)}) == 200
    assert all(0 <= seed_of(f"{k}") < 2**31 for k in range(50))
