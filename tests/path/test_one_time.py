"""One negative, one developing time: asked of every room it passes through, worked out by hand.

The recipe of these cases, at 20 °C, k 0.09 per °C: N−2 5.5 min, N−1 6 min 50 s, N 8.5 min. The
scene: dark 5 EV on III, frost 11 EV wanted on VIII falls on IX, so N−1 is planned; f/32 at
EV 7 is 32²/2⁷ = 8 s. The film fails for no time unless a case says so.
"""

import math
from collections.abc import Iterator
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from emulsa.core.data.development import ALLOWED_C
from tests.effort import some
from tests.path.hand import Hand, Json, done, minutes_everywhere, opened

RECIPE = {
    "points": [
        {"n": -2, "minutes": 5.5},
        {"n": -1, "minutes": 6 + 5 / 6},
        {"n": 0, "minutes": 8.5},
    ]
}
METERED = {
    "aperture": "32",
    "pin": {"reading": "dark", "zone": 3},
    "high": {"reading": "frost", "zone": 8},
    "readings": [
        {"id": "dark", "label": "dark", "reading": {"kind": "ev", "ev": 5}},
        {"id": "frost", "label": "frost", "reading": {"kind": "ev", "ev": 11}},
    ],
}
NORMAL = {**METERED, "high": {"reading": "frost", "zone": 9}}
OLD = {"id": "old", "name": "Old developer", "kind": "developer", "age_change": 1.1}
HELD = {"choice": {"hold_highlights": True}}
LOWER = {"exposure_index": 50}
PUSHED = {
    "points": [{"n": 0, "minutes": 9, "ei": 3200}],
    "ratings": [{"ei": 3200, "minutes": 9}, {"ei": 6400, "minutes": 12}],
}
TABLE = {"kind": "table", "rows": [[1, 1, 1], [10, 18, 0.95], [100, 260, 0.9]]}
POWER = {"kind": "power", "exponent": 1.3, "from_s": 1}

# what, its recipe, the film, the scene, what was given, where it is developed, the minutes
CASES: list[tuple[str, Json, Json, Json, Json, Json, float]] = [
    ("as planned: N−1", RECIPE, {}, METERED, {}, {}, 6 + 5 / 6),
    # 16 s for 8 s is one stop over: reported; the planned N stands
    ("a stop over", RECIPE, {}, METERED, {"time": "16 s"}, {}, 6 + 5 / 6),
    # the highlights held: N−1 − 1 = N−2, not N−3
    ("a stop over, held", RECIPE, {}, METERED, {"time": "16 s"}, HELD, 5.5),
    # 5.7 s for 8 s is half a stop under: N−½, half way between by log time, √(6⅚·8½)
    ("half a stop under, held", RECIPE, {}, METERED, {"time": 8 / math.sqrt(2)}, HELD, 7.62125),
    # 4 °C warmer: 6⅚ min·e^(−0.09·4) = 4.767 = 4 min 46 s
    ("at 24 °C", RECIPE, {}, METERED, {}, {"at_c": 24}, 4.76742),
    # 6⅚·1.1 = 7.517 = 7 min 31 s
    ("an old bottle", RECIPE, {}, METERED, {}, {"bottles": ("old",)}, 7.51667),
    # 5.5·1.1·e^(−0.36) = 4.221
    (
        "over and held, old and warm at once",
        RECIPE,
        {},
        METERED,
        {"time": "16 s"},
        {"at_c": 24, "bottles": ("old",), **HELD},
        4.22095,
    ),
    # metered 8 s lies between 1 s (×1) and 10 s (×0.95) of the table: 8.5·(1 − 0.05·lg 8)
    ("long, by its table", RECIPE, {"law": TABLE}, NORMAL, {}, {}, 8.5 - 0.425 * math.log10(8)),
    # the table of EIs says 12 min for 6400; the push is no N on top of it
    (
        "pushed",
        PUSHED,
        {"exposure_index": 3200},
        {**NORMAL, "exposure_index": 6400},
        {},
        {},
        12,
    ),
    # pushed and a stop over, held: N−1 by thumb is 0.8 of it, 9.6
    (
        "pushed, a stop over, held",
        PUSHED,
        {"exposure_index": 3200},
        {**NORMAL, "exposure_index": 6400, "aperture": "64"},
        {"time": 2 * 64**2 / 2**7 / 64},
        HELD,
        9.6,
    ),
    # a lower index is no pull until somebody says so; 0.8 of 8.5 when it is one
    ("EI 50 for safety", RECIPE, {}, {**NORMAL, **LOWER, "rating_reason": "safety"}, {}, {}, 8.5),
    ("EI 50, nothing said", RECIPE, {}, {**NORMAL, **LOWER}, {}, {}, 8.5),
    ("EI 50, pulled", RECIPE, {}, {**NORMAL, **LOWER, "rating_reason": "push_pull"}, {}, {}, 6.8),
    # a filter ×8 counted by the index, metered through: 8.5, once 4.25
    (
        "EI 12 for a filter",
        RECIPE,
        {},
        {**NORMAL, "exposure_index": 12.5, "rating_reason": "filter"},
        {},
        {},
        8.5,
    ),
    # what the photographer says stands, warm or not
    (
        "one's own minutes",
        RECIPE,
        {},
        METERED,
        {"time": "16 s"},
        {"at_c": 24, "choice": {"minutes": 7, "reason": "thin last time"}},
        7,
    ),
]  # fmt: skip


@pytest.mark.parametrize(
    ("recipe", "film", "scene", "given_", "developed", "minutes"),
    [case[1:] for case in CASES],
    ids=[case[0] for case in CASES],
)
def test_every_room_says_the_same(
    hand: Hand, recipe: Json, film: Json, scene: Json, given_: Json, developed: Json, minutes: float
) -> None:
    """Metered, logged, waiting, planned, put into a run, by its clock, on paper, as a table."""
    hand.film(recipe, **film)
    hand.scene(**scene)
    piece = hand.sheet()
    hand.expose(piece, **given_)
    if "choice" in developed:
        body = {"piece_ids": [piece], "choice": developed["choice"]}
        hand.post("/api/darkroom/choices", body)
    rooms = minutes_everywhere(hand, piece, developed.get("at_c", 20), developed.get("bottles", ()))
    for room, said in rooms:
        assert said == pytest.approx(minutes, abs=1e-4), room


@pytest.mark.parametrize(
    ("scene", "wanted"),
    [
        (METERED, 6 + 5 / 6),  # N−1
        ({**METERED, "n": -2}, 5.5),  # N set by hand
        (NORMAL, 8.5),
    ],
)
def test_the_scene_says_before_what_the_darkroom_says_after(
    hand: Hand, scene: Json, wanted: float
) -> None:
    """The Scene's own time, before anything is exposed, is the one the sheet gets."""
    hand.film(RECIPE)
    hand.scene(**scene)
    before = hand.solve()["development"]
    piece = hand.sheet()
    hand.expose(piece)
    assert before["minutes"] == pytest.approx(wanted)
    assert hand.group()["time"] == before


@pytest.mark.parametrize("off", [-1.0, 0.5, 1.0])
def test_an_error_is_reported_alike_in_every_room(hand: Hand, off: float) -> None:
    """The sentence of the offer is one, letter by letter, wherever the film is asked about; taking
    it gives the minutes it names, and one touch takes it back."""
    hand.film(RECIPE)
    hand.scene(**METERED)
    piece = hand.sheet()
    hand.expose(piece, time=8 * 2**off)
    texts = dict(sentences(hand, piece))
    assert len(set(texts.values())) == 1, texts
    offer = hand.group()["time"]["offer"]
    assert offer["shown"]
    held = {"piece_ids": [piece], "choice": {"hold_highlights": True}}
    hand.post("/api/darkroom/choices", held)
    taken = hand.group()
    assert taken["time"]["minutes_text"] == offer["minutes_text"]
    assert taken["time"]["offer"] is None
    hand.post("/api/darkroom/choices", {"piece_ids": [piece], "choice": {}})
    assert hand.group()["time"]["minutes_text"] == "6 min 50 s"


def sentences(hand: Hand, piece: str) -> Iterator[tuple[str, str]]:
    """What each room says of a negative that was exposed off, by the room's name."""
    yield "Darkroom", hand.group()["time"]["offer"]["text"]
    yield "run's dialog", hand.weigh(piece)["offer"]["text"]
    other = {"choice": {"reason": "asked again"}}
    yield "change's dialog", hand.weigh(piece, **other)["offer"]["text"]


def test_the_preference_holds_the_highlights_everywhere(hand: Hand) -> None:
    """Said once in Preferences: a stop over is developed for, in the log, on the sheet's card and
    in every room."""
    habits = {"habits": {"hold_highlights": True}}
    hand.put("/api/preferences", habits)
    hand.film(RECIPE)
    hand.scene(**METERED)
    piece = hand.sheet()
    hand.expose(piece, time="16 s")
    story = hand.get("/api/log/e")
    assert story["exposure"]["development_text"] == "N−1, developed as for N−2"
    for room, said in minutes_everywhere(hand, piece, 20):
        assert said == pytest.approx(5.5), room


def test_a_roll_of_long_exposures_has_one_time(hand: Hand) -> None:
    """All its frames 8 s by the film's table, ×0.955: the Scene's minutes are the Darkroom's; a
    short frame among them takes the change away, for it was not asked for."""
    hand.film(RECIPE, law=TABLE)
    hand.scene(**NORMAL)
    before = hand.solve()["development"]["minutes_text"]
    hand.roll()
    hand.expose(hand.frame(1), "e1")
    hand.expose(hand.frame(2), "e2")
    hand.post("/api/rolls/roll/take-out", {"finished": True})
    strip = hand.roll_view()["strips"][0]["strip"]["id"]
    hand.post(f"/api/rolls/strips/{strip}/development", {"n": 0, "recipe_id": "recipe"})
    assert hand.group()["time"]["minutes_text"] == before == "8 min 5 s"


def test_a_run_is_timed_for_the_film_in_it_not_for_the_dialogs_first_word(hand: Hand) -> None:
    """20 °C is written over by 24 °C and a bottle is ticked: the dialog asks again each time."""
    hand.film(RECIPE)
    hand.scene(**METERED)
    piece = hand.sheet()
    hand.expose(piece)
    said = [
        hand.weigh(piece, **changed)["minutes_text"]
        for changed in (
            {},
            {"temperature_c": 24},
            {"temperature_f": 75.2},
            {"bottle_ids": ["old"]},
            {"temperature_c": 24, "bottle_ids": ["old"]},
        )
    ]
    assert said == ["6 min 50 s", "4 min 45 s", "4 min 45 s", "7 min 30 s", "5 min 15 s"]


def test_the_thermometer_starts_from_the_runs_own_temperature(hand: Hand) -> None:
    """A run set for 24 °C that reads 24 °C is on time: 4.767 min, 2 gone, 2.767 left."""
    hand.film(RECIPE)
    hand.scene(**METERED)
    piece = hand.sheet()
    hand.expose(piece)
    minutes = hand.weigh(piece, temperature_c=24)["minutes"]
    hand.run(hand.group(), minutes, temperature_c=24)
    measured = [{"minute": 0, "temperature_c": 24}, {"minute": 2, "temperature_c": 24}]
    again = hand.post("/api/darkroom/runs/run/retime", {"elapsed_min": 2, "measured": measured})
    assert again["left_min"] == pytest.approx(minutes - 2)


def test_a_pushed_roll_is_developed_by_its_own_time(hand: Hand) -> None:
    """Rated 6400 with a time for 6400: 12 min in the Scene, on the roll's card, with its strip, in
    the Darkroom, and nowhere an N+1 that would make it 16."""
    hand.film(PUSHED, exposure_index=3200)
    hand.scene(**{**NORMAL, "exposure_index": 6400})
    assert hand.solve()["development"]["minutes"] == 12
    view = hand.roll(exposure_index=6400)
    assert view["rating"] == "EI 6400, pushed 1 stop: 12 min"
    hand.expose(hand.frame(1))
    hand.post("/api/rolls/roll/take-out", {"finished": True})
    strip = hand.roll_view()["strips"][0]["strip"]["id"]
    choices = hand.get(f"/api/rolls/strips/{strip}/choices")
    best = next(each for each in choices["choices"] if each["best"])
    assert best["n_text"] == "N"
    body = {"n": best["n"], "recipe_id": choices["recipe_id"]}
    hand.post(f"/api/rolls/strips/{strip}/development", body)
    for room, said in minutes_everywhere(hand, hand.frame(1), 20):
        assert said == pytest.approx(12), room


def test_a_push_without_a_time_is_said_as_n(hand: Hand) -> None:
    """N+1 is said where the recipe has no time for that EI: by thumb ×1.35 of 8.5 = 11.475."""
    hand.film(RECIPE)
    hand.scene(**{**NORMAL, "exposure_index": 200})
    view = hand.roll(exposure_index=200)
    assert view["rating"] == "EI 200, pushed 1 stop: counted as N+1, estimated"
    hand.expose(hand.frame(1))
    hand.post("/api/rolls/roll/take-out", {"finished": True})
    strip = hand.roll_view()["strips"][0]["strip"]["id"]
    hand.post(f"/api/rolls/strips/{strip}/development", {"n": 0, "recipe_id": "recipe"})
    for room, said in minutes_everywhere(hand, hand.frame(1), 20):
        assert said == pytest.approx(11.475), room


drawn_minutes = st.floats(4, 30)


@st.composite
def conditions(draw: Any) -> Json:
    """A film, a recipe, a scene and a mishap, all of them at random within what rooms allow."""
    normal = draw(st.floats(6, 20))
    return {
        "recipe": {
            "k_per_c": draw(st.floats(0.05, 0.12)),
            "points": [
                {"n": -1, "minutes": normal * draw(st.floats(0.6, 0.95))},
                {"n": 0, "minutes": normal},
                {"n": 1, "minutes": normal * draw(st.floats(1.1, 1.6))},
            ],
            "ratings": draw(
                st.sampled_from(
                    [[], [{"ei": 100, "minutes": normal}, {"ei": 200, "minutes": normal * 1.4}]]
                )
            ),
        },
        "film": {"law": draw(st.sampled_from([TABLE, POWER]))},
        "scene": {
            **METERED,
            "n": draw(st.sampled_from([None, -1.5, -1, 0, 0.5, 1])),
            "exposure_index": draw(st.sampled_from([None, 50, 160, 200, 400])),
        },
        "off": draw(st.floats(-1.5, 1.5)),
        "at_c": draw(st.floats(*ALLOWED_C)),
        "age": draw(st.floats(0.9, 1.3)),
        "own": draw(st.one_of(st.none(), drawn_minutes)),
        "roll": draw(st.booleans()),
    }  # fmt: skip


@settings(max_examples=some(12, 60))
@given(conditions())
def test_the_same_piece_has_one_time_whatever_it_is(
    tmp_path_factory: pytest.TempPathFactory, drawn: Json
) -> None:
    """Sheets and rolls, off by anything, at any temperature, from any bottle: one number."""
    with opened(tmp_path_factory.mktemp("drawn")) as client:
        hand = Hand(client)
        hand.bench()
        hand.put("/api/kit/bottles/old", {**OLD, "age_change": drawn["age"]})
        hand.film(drawn["recipe"], **drawn["film"])
        hand.scene(**drawn["scene"])
        if drawn["roll"]:
            hand.roll(exposure_index=drawn["scene"]["exposure_index"])
            piece = hand.frame(1)
        else:
            piece = hand.sheet()
        planned_s = hand.solve()["answer"]["corrected_s"]
        hand.expose(piece, time=planned_s * 2 ** drawn["off"])
        if drawn["roll"]:
            hand.post("/api/rolls/roll/take-out", {"finished": True})
            strip = hand.roll_view()["strips"][0]["strip"]["id"]
            hand.post(f"/api/rolls/strips/{strip}/development", {"n": -0.5, "recipe_id": "recipe"})
        elif drawn["own"]:
            choice = {"minutes": drawn["own"], "reason": "seen before"}
            hand.post("/api/darkroom/choices", {"piece_ids": [piece], "choice": choice})
        rooms = list(minutes_everywhere(hand, piece, drawn["at_c"], ("old",)))
        for room, said in rooms:
            assert said == pytest.approx(rooms[0][1], rel=1e-6), room


def test_a_temperature_nobody_trusts_refuses_the_times_only(hand: Hand) -> None:
    """28 °C: the film still waits, the runs still stand, and the range is said."""
    hand.film(RECIPE)
    hand.scene(**METERED)
    first, second = hand.sheet(1), hand.sheet(2)
    hand.expose(first, "e1")
    hand.run(hand.group(), 6.8)
    hand.expose(second, "e2")
    hot = hand.get("/api/darkroom", temperature_c=28)
    assert "18 and 27 °C" in hot["refused"]
    assert [each["time"] for each in hot["groups"]] == [None]
    assert hot["groups"][0]["problem"]
    assert [each["run"]["id"] for each in hot["runs"]] == ["run"]
    refused = hand.client.post(
        "/api/darkroom/weigh", json={"piece_id": second, "choice": {}, "temperature_c": 28}
    )
    assert refused.status_code == 422
    assert refused.json()["error"]["allowed"] == list(ALLOWED_C)
    assert done(hand.client.get("/api/darkroom", params={"temperature_c": 27}))["groups"][0]["time"]
