"""Film in hand: states and moves, holders, boxes, rolls, one development for many frames."""

import itertools
from dataclasses import replace
from typing import get_args

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.errors import CoreError, Impossible, Missing, OutOfRange, Unreadable, Unsound
from emulsa.core.film import formats, holders, rolls, states, stock
from emulsa.core.film.acts import loading
from emulsa.core.film.formats import SheetFormat, frame_format, known
from emulsa.core.film.judgement import Judgement, next_time, showed
from emulsa.core.film.pieces import Piece
from emulsa.core.film.roll_development import CANDIDATES, WantedFrame, choices, loss
from emulsa.core.film.rolls import Roll
from emulsa.core.kit.films import Film

STATES: tuple[states.State, ...] = get_args(states.State)
MOVES: tuple[states.Move, ...] = get_args(states.Move)
ORDER = ["empty", "loaded", "exposed", "in_run", "developed", "judged"]


@pytest.mark.parametrize(("state", "move"), list(itertools.product(STATES, MOVES)))
def test_every_move(state: states.State, move: states.Move) -> None:
    """A move either leads one step on (or back, where film can come back) or says why not."""
    after = states.MOVES.get((state, move))
    if after is None:
        with pytest.raises(Impossible, match=r"^Side 2B .*; .*\.$"):
            states.move(state, move, "Side 2B")
        return
    assert states.move(state, move, "Side 2B") == after
    if after != "blank":
        assert abs(ORDER.index(after) - ORDER.index(state)) <= 1


def test_a_blank_frame_goes_nowhere() -> None:
    """What was wound on without an exposure is never exposed, developed for itself, or judged."""
    assert [move for state, move in states.MOVES if state == "blank"] == []


@pytest.mark.parametrize(
    ("text", "sides"),
    [
        ("2B", ["2B"]),
        ("2b", ["2B"]),
        ("3", ["3A", "3B"]),
        ("1-2", ["1A", "1B", "2A", "2B"]),
        ("1A, 3 1A", ["1A", "3A", "3B"]),
    ],
)
def test_sides_as_typed(text: str, sides: list[str]) -> None:
    """One side, both, several holders; each once."""
    found = holders.sides(text, {1, 2, 3})
    assert [f"{number}{side}" for number, side in found] == sides


@pytest.mark.parametrize("text", ["", "B2", "9", "1-9", "2C", "1A-2B"])
def test_sides_that_are_none(text: str) -> None:
    """Unknown holders and unreadable words are refused before anything is loaded."""
    with pytest.raises(CoreError) as refusal:
        holders.sides(text, {1, 2, 3})
    assert refusal.value.field == "sides"


def test_a_leaking_side_is_doubted_until_it_is_mended() -> None:
    """A fault of one side leaves the other alone; a mended one is no doubt."""
    leak = holders.Fault(kind="light leak", side="A", noticed="2026-01-17")
    holder = holders.Holder(id="h", number=4, faults=(leak,))
    assert "light leak" in holders.doubt(holder, "A")
    assert holders.doubt(holder, "B") == ""
    assert holders.doubt(replace(holder, faults=(replace(leak, mended=True),)), "A") == ""
    whole = holders.Fault(kind="other", note="a bent rail")
    assert "a bent rail" in holders.doubt(replace(holder, faults=(whole,)), "B")


# Frames of 120 and 135 film: common practice, no source.
@pytest.mark.parametrize(
    ("key", "frames", "film"),
    [
        ("6x4.5", 16, "120"),
        ("6x6", 12, "120"),
        ("6x7", 10, "120"),
        ("6x9", 8, "120"),
        ("6x12", 6, "120"),
        ("6x17", 4, "120"),
        ("24x36", 36, "135"),
    ],
)
def test_frames_of_a_roll(key: str, frames: int, film: str) -> None:
    """What a roll of each format holds."""
    assert (frame_format(key).frames, frame_format(key).film) == (frames, film)


def test_formats_of_ones_own() -> None:
    """They stand among the sheets; archived ones are not offered; a sheet is no frame."""
    own = SheetFormat(id="own", name="whole plate", size_mm=(210, 160))
    assert "own" in [each.key for each in known((own,))]
    assert "own" not in [each.key for each in known((replace(own, archived=True),))]
    with pytest.raises(Missing):
        frame_format("4x5")


def test_a_frame_of_ones_own() -> None:
    """A back one built: so many frames of its size on its film, offered among the frames; long film
    counts twice."""
    own = SheetFormat(id="own", name="6×15", size_mm=(146, 56), film="220", frames=9)
    (found,) = [each for each in known((own,)) if each.key == "own"]
    assert (found.kind, found.frames, found.film) == ("frame", 9, "220")
    assert frame_format("own", (own,)) == found
    assert formats.on_long_film("own", (own,))
    assert not formats.on_long_film("own", (replace(own, film="120"),))
    roll = loading.load_roll(
        loading.RollLoading(id="r", film_id="f", format="own", camera_id="c"),
        Film(id="f", name="Velm", exposure_index=25),
        None,
        1,
        "",
        (own,),
    )
    assert len(roll.moved) == 9


BOX = stock.Stock(id="b", film_id="f", format="4x5", count=25, spent=3, price=50, expires="2026-06")


@pytest.mark.parametrize(
    ("taken", "today", "low", "expired", "says"),
    [
        (0, "2026-01-17", False, False, ""),
        (17, "2026-01-17", True, False, "only 5 left"),
        (22, "2026-01-17", True, False, "empty"),
        (0, "2026-04-01", False, False, "expires June 2026"),
        (0, "2026-06-30", False, False, "expires June 2026"),
        (0, "2026-07-01", False, True, "expired June 2026"),
    ],
)
def test_a_box_on_a_day(taken: int, today: str, low: bool, expired: bool, says: str) -> None:
    """Low from a fifth on; expiring three months before; good to the end of its month."""
    state = stock.state(BOX, taken, today)
    assert (state.left, state.low, state.expired) == (22 - taken, low, expired)
    assert says in state.says
    assert state.each_text == "2.00 each"
    assert state.offered == (taken < 22)


def test_a_box_never_gives_more_than_it_holds() -> None:
    """The refusal says what is left."""
    assert stock.take(BOX, 20, 2) == 0
    with pytest.raises(Impossible, match="2 sheets left; 3 are asked for"):
        stock.take(BOX, 20, 3)
    with pytest.raises(Unsound):
        replace(BOX, spent=26)
    with pytest.raises(Unreadable, match="2027-06"):
        replace(BOX, expires="June")


@given(st.integers(1, 500), st.floats(0, 1e4), st.integers(1, 36))
def test_the_parts_cost_the_whole(count: int, price: float, frames: int) -> None:
    """All exposures of a box together cost what the box cost."""
    box = stock.Stock(id="b", film_id="f", format="120", count=count, price=price)
    each = stock.cost_each(box, frames)
    assert each is not None
    assert each * count * frames == pytest.approx(price)


ROLL = Roll(id="r", number=3, film_id="f", format="6x6", frames=12)


def frames_of(roll: Roll, exposed: set[int]) -> tuple[Piece, ...]:
    return tuple(
        Piece(
            id=str(number),
            film_id="f",
            label=f"R3-{number}",
            roll_id="r",
            frame=number,
            state="exposed" if number in exposed else "blank",
            loaded_at="",
        )
        for number in range(1, roll.frames + 1)
    )


@pytest.mark.parametrize(
    ("after", "strips"),
    [((), [(1, 12)]), ((5,), [(1, 5), (6, 12)]), ((5, 9), [(1, 5), (6, 9), (10, 12)])],
)
def test_cutting_a_roll(after: tuple[int, ...], strips: list[tuple[int, int]]) -> None:
    """Strips cover the roll once; a cut goes between two blanks, never on a picture's edge."""
    frames = frames_of(ROLL, {1, 2, 3, 4, 7, 8, 11, 12})
    assert [(part[0], part[-1]) for part in rolls.cut(ROLL, frames, after)] == strips


@pytest.mark.parametrize(
    ("after", "kind", "says"),
    [
        ((12,), OutOfRange, "1 to 11"),
        ((0,), OutOfRange, "1 to 11"),
        ((8, 4), Unsound, "in order"),
        ((4, 4), Unsound, "in order"),
        ((2,), Impossible, "between two blank frames"),
        ((4,), Impossible, "Frame 4 of roll 3 is exposed"),  # on the edge of a picture
        ((6,), Impossible, "Frame 7 of roll 3 is exposed"),
    ],
)
def test_cuts_that_would_spoil_a_frame(
    after: tuple[int, ...], kind: type[CoreError], says: str
) -> None:
    """Out of order, beyond the roll, or through an exposed frame."""
    with pytest.raises(kind, match=says):
        rolls.cut(ROLL, frames_of(ROLL, {1, 2, 3, 4, 7, 8, 11, 12}), after)


@given(st.sets(st.integers(1, 11)))
def test_strips_are_a_partition(after: set[int]) -> None:
    """However an unexposed roll is cut, every frame is in exactly one strip."""
    parts = rolls.cut(ROLL, frames_of(ROLL, set()), tuple(sorted(after)))
    assert [frame for part in parts for frame in part] == list(range(1, 13))


@pytest.mark.parametrize(
    ("roll", "frame", "says"),
    [
        (ROLL, 2, "frame 1 comes next"),
        (replace(ROLL, next_frame=13), 12, "it is full"),
        (replace(ROLL, place="bag"), 1, "in the bag"),
        (replace(ROLL, place="done"), 1, "taken out"),
    ],
)
def test_only_the_frame_in_the_gate(roll: Roll, frame: int, says: str) -> None:
    """Frames come in their order, on a roll that is in a camera."""
    rolls.exposing(ROLL, 1)
    with pytest.raises(Impossible, match=says):
        rolls.exposing(roll, frame)


# One N a stop of push: common practice, no source.
@pytest.mark.parametrize(
    ("rated", "own", "stops", "n"),
    [
        (400, 400, 0, 0),
        (800, 400, 1, 1),
        (1600, 400, 2, 2),
        (200, 400, -1, -1),
        (500, 400, 0.32, 0.5),
    ],
)
def test_pushing_and_pulling(rated: float, own: float, stops: float, n: float) -> None:
    """Stops are log2 of the ratings; development follows to the half."""
    assert rolls.push_stops(rated, own) == pytest.approx(stops, abs=0.01)
    assert rolls.push_n(rated, own) == n


MIXED = (
    WantedFrame(frame=1, n=-1, weight=1),
    WantedFrame(frame=2, n=0, weight=1),
    WantedFrame(frame=3, n=1, weight=1),
)


def test_what_each_frame_loses() -> None:
    """A step of N either way costs a grade; highlights are lost only beyond the softest paper: N+1
    too much is 1.17 of range and grade 1, N+2 1.50 and grade 0 (the core's own tables)."""
    by_n = {each.n: each for each in choices(MIXED)}
    assert [each.lost_stops for each in by_n[0.0].losses] == [0, 0, 0]
    assert [each.grade for each in by_n[0.0].losses] == [1, 2, 3]
    assert by_n[0.0].losses[0].shift_stops == -0.5
    assert by_n[0.0].losses[1].says == "nothing lost"
    assert by_n[0.0].losses[0].says == "harder by 1 stop; paper grade 1"
    assert by_n[0.0].losses[2].says == "softer by 1 stop; paper grade 3"
    assert loss(WantedFrame(frame=1, n=-1), 1).says == "harder by 2 stops; paper grade 0"
    beyond = loss(WantedFrame(frame=1, n=-1.5), 1.5)
    assert (beyond.lost_stops, beyond.says.endswith("1 stop of its highlights lost")) == (1, True)
    assert "paper grade 1⅔" in loss(WantedFrame(frame=1, n=-0.345), 0).says
    assert loss(MIXED[2], -2).beyond_paper is False
    assert loss(WantedFrame(frame=1, n=2), -2).beyond_paper is True


def test_a_frame_that_matters_most_gets_its_own() -> None:
    """Weight decides; a frame of no weight has no say."""
    for frame in MIXED:
        others = (replace(each, weight=3 if each is frame else 0) for each in MIXED)
        assert next(each.n for each in choices(tuple(others)) if each.best) == frame.n
    with pytest.raises(Missing, match="No frame"):
        choices(tuple(replace(each, weight=0) for each in MIXED))


wanted = st.lists(
    st.builds(
        WantedFrame,
        frame=st.just(1),
        n=st.sampled_from(CANDIDATES),
        weight=st.integers(0, 3),
    ),
    min_size=1,
    max_size=12,
).filter(lambda frames: any(each.weight for each in frames))


@given(wanted)
def test_the_best_is_the_cheapest(frames: list[WantedFrame]) -> None:
    """Exactly one is best, none costs less, and it lies between what the frames want."""
    found = choices(tuple(frames))
    best = [each for each in found if each.best]
    assert len(best) == 1
    assert best[0].cost == pytest.approx(min(each.cost for each in found))
    heavy = [each.n for each in frames if each.weight]
    assert min(heavy) <= best[0].n <= max(heavy)


def test_a_negative_in_words() -> None:
    """What it showed, and what that suggests for the next time."""
    judged = Judgement(id="p", shadow="none", highlight="blocked", faults=("fog",), note="edge")
    assert showed(judged) == "no texture in the shadows, blocked highlights; fog; edge"
    assert next_time(judged) == "give a stop more; develop a step less"
    assert next_time(Judgement(id="p", shadow="full", highlight="full")) == ""


@pytest.mark.parametrize(
    ("next_frame", "frame", "exposed", "there"),
    [(1, 1, False, True), (1, 2, False, False), (3, 2, True, True), (3, 3, True, False)],
)
def test_what_is_in_the_gate(next_frame: int, frame: int, exposed: bool, there: bool) -> None:
    """The next frame; for a further share of a multiple exposure the one before it."""
    roll = Roll(id="r", number=1, film_id="f", format="6x6", frames=12, next_frame=next_frame)
    assert rolls.in_the_gate(roll, frame, exposed) is there


@pytest.mark.parametrize(
    ("key", "name", "area"),
    [
        ("4x5", "4×5 in", 20),
        ("8x10", "8×10 in", 80),
        ("120", "120 rolls", 20),
        ("own-half", "Half plate", 164 * 119 / 25.4**2),
        ("gone", "gone", 20),
    ],
)
def test_formats_by_their_keys(key: str, name: str, area: float) -> None:
    """Nominal areas of the trade's sizes, the image of one's own; what is gone goes by its key."""
    own = (SheetFormat(id="own-half", name="Half plate", size_mm=(164, 119)),)
    assert formats.format_name(key, own) == name
    assert formats.sheet_in2(key, own) == pytest.approx(area)
