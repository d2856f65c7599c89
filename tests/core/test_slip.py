"""The tone slip: a subject at a glance, the same for a scene and for what was logged of it."""

from dataclasses import asdict, replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.exposing.chain import exposure
from emulsa.core.exposing.falls import FilmTones
from emulsa.core.exposing.slip import Slip, SlipTick, slip
from emulsa.core.logged.slip import KeptTones, kept_slip
from emulsa.core.rendering.own_film import DevelopedPrints, OwnFilm
from emulsa.core.scene.plan import plan
from emulsa.core.scene.record import Scene
from emulsa.core.scene.slip import scene_slip
from emulsa.core.tones import development_number, textural_range
from emulsa.core.wire import encode as plain
from emulsa.demo.quarry import ADIT, INCLINE, POOL, WINDING_HOUSE
from tests.core.test_scene import kit_of

PAPER = FilmTones((2.0, 8.0))


def of(
    *ticks: tuple[float, str, bool, textural_range.Lost], n: float = 0, target: float = 8
) -> Slip:
    return slip((SlipTick(*each) for each in ticks), PAPER, n, target)


@pytest.mark.parametrize(
    ("ticks", "n", "text"),
    [
        ([(8, "sky", False, ""), (3, "slate", True, "")], -1, "slate placed on III, sky VIII; N−1"),
        (
            [(11, "sun", False, "highlight"), (0.5, "hole", False, "shadow")],
            0,
            "hole ½, shadow texture lost, sun X+1, highlight texture lost; N",
        ),
        ([(5, "", False, "")], 1.5, "reading V; N+1½"),
        ([], 0, "no readings; N"),
        (
            [(1 + each, f"r{each}", each == 3, "") for each in range(8)],
            0,
            "r0 I, r3 placed on IV, r7 VIII and 5 more between; N",
        ),
    ],
)
def test_a_slip_in_words(
    ticks: list[tuple[float, str, bool, textural_range.Lost]], n: float, text: str
) -> None:
    """From shadow to light; of many the placed one, the ends and the number of the rest."""
    assert of(*ticks, n=n).text == text


def test_five_are_still_named() -> None:
    """One more is not."""
    five = [(float(zone), f"r{zone}", False, "") for zone in range(1, 6)]
    assert of(*five).text == "r1 I, r2 II, r3 III, r4 IV, r5 V; N"  # type: ignore[arg-type]
    six = [*five, (6.0, "r6", False, "")]
    assert of(*six).text == "r1 I, r6 VI and 4 more between; N"  # type: ignore[arg-type]


@given(n=st.sampled_from([-2.0, -1.0, -0.5, 0.0, 0.5, 1.0, 2.0]), zone=st.floats(-2, 12))
def test_the_bracket_is_where_texture_is_kept(n: float, zone: float) -> None:
    """A fall within it lands within the film's range after this N, one outside it does not."""
    drawn = of((zone, "r", False, ""), n=n)
    lands = development_number.lands(zone, n)
    if drawn.low + 0.01 < zone < drawn.high - 0.01:
        assert 2 - 1e-3 <= lands <= 8 + 1e-3
    if zone < drawn.low - 0.01 or zone > drawn.high + 0.01:
        assert lands < 2 or lands > 8


def test_by_the_film_s_own_curve() -> None:
    """Where it was tested at this N, the bracket is that of its curve at the EI it is rated at."""
    flat = OwnFilm(
        title="own",
        ei=100,
        developments=(DevelopedPrints(n=0, prints=tuple(0.5 * zone for zone in range(12))),),
    )
    assert slip((), FilmTones((2, 5), flat, 100), 0, 8).low == pytest.approx(4, abs=1e-3)
    assert slip((), FilmTones((2, 5), flat, 100), 0, 8).high == pytest.approx(10, abs=1e-3)
    assert slip((), FilmTones((2, 5), flat, 200), 0, 8).low == pytest.approx(5, abs=1e-3)
    assert slip((), FilmTones((2, 8), flat, 100), 1, 8).low == pytest.approx(2, abs=1e-3)


@pytest.mark.parametrize("scene", [WINDING_HOUSE, INCLINE, POOL, ADIT])
def test_a_scene_and_its_exposure_are_drawn_alike(scene: Scene) -> None:
    """As it stands, and as the plan of the day was kept."""
    kit = kit_of(scene)
    request = plan(scene, kit)
    answer = exposure(request)
    asked, said = plain(request), plain(answer)
    kept = KeptTones(
        n=answer.development.n,
        readings=asked["readings"],
        falls=said["falls"],
        placement=asked["placement"],
        high=asked["high"] or {},
        textural_range=asked["textural_range"],
        own_film=None,
        ei=asked["ei"],
    )
    drawn = scene_slip(scene, kit)
    assert drawn is not None
    assert kept_slip(kept) == drawn
    assert [each.label for each in drawn.ticks if each.placed] != []
    assert {each.label for each in drawn.ticks} == {each.label for each in scene.readings}


def test_nothing_to_draw() -> None:
    """Before a reading, and of what was brought in without any."""
    assert scene_slip(replace(POOL, readings=()), kit_of(POOL)) is None
    assert kept_slip(KeptTones(0, [], [], {}, {}, [], None, None)) is None


def test_lost_is_drawn_as_it_is_said() -> None:
    """Every tick carries what its fall says."""
    bright = replace(POOL, n=2.0)
    drawn = scene_slip(bright, kit_of(POOL))
    falls = exposure(plan(bright, kit_of(POOL))).falls
    assert drawn is not None
    assert sorted(each.lost for each in drawn.ticks) == sorted(each.lost for each in falls)
    assert "highlight" in {each.lost for each in drawn.ticks}
    assert asdict(drawn)["n_text"] == "N+2"
