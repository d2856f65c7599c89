"""The print before the shutter: one truth with ``tones``, greys as their zones, laws, refusals."""

import math
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.errors import CoreError
from emulsa.core.picture.axis import index
from emulsa.core.rendering.blur import BlurAsked, blur
from emulsa.core.rendering.own_film import DevelopedPrints, OwnFilm
from emulsa.core.rendering.paper import Paper
from emulsa.core.rendering.preview import EVS, contrast_left, photo_preview
from emulsa.core.rendering.previewed import (
    FilmByTest,
    FlareByShare,
    FlareByStops,
    Key,
    LongExposure,
    PhotoPreviewRequest,
    PlacedAt,
    PreviewedPlan,
    PreviewPlan,
    SceneCounts,
)
from emulsa.core.rendering.tones import TonesRequest, tones

PLAN = PreviewPlan(id="a", camera_ev=11)
ns = st.sampled_from([-3, -2, -1.5, -1, -0.5, 0, 0.5, 1, 2])


def only(plan: PreviewPlan, scene: SceneCounts | None = None) -> PreviewedPlan:
    return photo_preview(PhotoPreviewRequest(plans=(plan,), scene=scene)).plans[0]


def at(evs: dict[float, float]) -> SceneCounts:
    """A scene of so much at each EV."""
    counts = [0.0] * 1025
    for ev, many in evs.items():
        counts[index(ev)] += many
    return SceneCounts(counts=tuple(counts))


@given(ns, st.sampled_from([0.0, 0.5, 1.0]), st.floats(0.7, 1.5), st.integers(2, 16))
def test_it_is_tones_at_every_zone(n: float, flare: float, range_: float, camera: int) -> None:
    """Whatever N, flare by stops and paper: the same lightness and the same texture."""
    paper = Paper(range=range_)
    zones = tuple(float(zone) for zone in range(11))
    told = tones(TonesRequest(zones=zones, n=n, paper=paper, flare_stops=flare)).zones
    lit = FlareByStops(kind="stops", stops=flare)
    plan = PreviewPlan(id="a", camera_ev=camera, n=n, paper=paper, flare=lit)
    found = only(plan)
    for zone, tone in enumerate(told):
        place = index(camera + zone - 5)
        assert found.lightness[place] == pytest.approx(tone.lightness, abs=1e-6)
        assert found.zones[zone].lightness == pytest.approx(tone.lightness, abs=1e-6)
        assert found.zones[zone].ev100 == camera + zone - 5
        whole = {0: "none", 1: "some", 2: "full", 3: "some", 4: "none"}[found.mark[place]]
        assert whole == tone.texture


@given(ns, st.floats(3, 15))
def test_more_light_never_prints_darker(n: float, camera: float) -> None:
    found = only(PreviewPlan(id="a", camera_ev=camera, n=n))
    assert all(b >= a - 1e-9 for a, b in pairwise(found.lightness))
    assert all(b >= a for a, b in pairwise(found.grey))
    # lost, some, full, some, lost: in this order, each once
    assert list(found.mark) == sorted(found.mark)


def test_a_picture_of_greys_prints_as_its_zones() -> None:
    """Eleven equal greys a stop apart: each is as light as its zone, an eleventh of the scene each;
    the ends have lost their texture and are told as lost."""
    scene = at({11.0 + zone - 5: 1.0 for zone in range(11)})
    found = only(PLAN, scene)
    assert found.shares is not None
    kinds = [found.mark[index(each.ev100)] for each in found.zones]
    told = found.shares
    shares = (
        told.shadows_lost,
        told.shadows_some,
        told.full,
        told.highlights_some,
        told.highlights_lost,
    )
    assert shares == pytest.approx([kinds.count(kind) / 11 for kind in range(5)])
    mean = math.fsum(each.lightness for each in found.zones) / 11
    assert found.mean_lightness == pytest.approx(mean, abs=1e-9)


def test_placed_says_the_same_as_a_camera_set_so() -> None:
    placed = PreviewPlan(id="a", placed=PlacedAt(ev100=9, zone=3))
    assert only(placed).lightness == only(PLAN).lightness


def test_an_error_moves_the_tones_and_not_the_key() -> None:
    """A stop more light prints every tone as its neighbour; the zones are those of the light."""
    right, over = only(PLAN), only(PreviewPlan(id="a", camera_ev=11, error_stops=1))
    assert over.lightness[index(10)] == pytest.approx(right.lightness[index(11)])
    assert over.zones[5].ev100 == 10
    assert over.zones[5].lightness == pytest.approx(49.5)


def test_the_key_is_printed_as_it_shall_be() -> None:
    for light in (20, 49.5, 80):
        found = only(PreviewPlan(id="a", camera_ev=11, n=-1, key=Key(zone=7, lightness=light)))
        assert found.zones[7].lightness == pytest.approx(light, abs=1e-6)


def test_white_is_the_paper_s_own() -> None:
    """The lightest grey is the paper's white, however grey that is."""
    for white in (0.03, 0.12, 0.3):
        plan = PreviewPlan(id="a", camera_ev=11, paper=Paper(dmin=white))
        assert only(plan).grey[-1] == 255


def test_stray_light_lifts_the_shadows_and_hardly_the_lights() -> None:
    """One per cent of a scene whose mean is EV 14: at EV 6, 2.6 times the light; at EV 14 none."""
    flare = FlareByShare(kind="share", share=0.01, mean_ev100=14)
    clean, lit = only(PLAN), only(PreviewPlan(id="a", camera_ev=11, flare=flare))
    lifted = math.log2(0.99 + 0.01 * 2**8)
    raised = only(PreviewPlan(id="a", camera_ev=11, error_stops=lifted))
    assert lit.lightness[index(6)] == pytest.approx(raised.lightness[index(6)], abs=1e-6)
    assert lit.lightness[index(14)] == pytest.approx(clean.lightness[index(14)], abs=1e-9)
    assert lit.mean_ev100 == 14


def test_what_a_long_exposure_leaves() -> None:
    """Its contrast counts where the film gets the whole time, and no more where it gets less."""
    left = only(
        PreviewPlan(id="a", camera_ev=11, long_exposure=LongExposure(development_change=0.8))
    )
    assert left.lightness == only(PreviewPlan(id="a", camera_ev=11, n=1)).lightness
    shorter = LongExposure(development_change=0.8, compensated=True)
    assert contrast_left(shorter) == contrast_left(None) == 0
    plan = PreviewPlan(
        id="a", camera_ev=11, n=4.5, long_exposure=LongExposure(development_change=0.65)
    )
    assert only(plan).n_effective == 5  # and not N+6½


def test_two_plans_are_told_apart() -> None:
    scene = at({6: 1, 9: 2, 14: 1})
    harder = PreviewPlan(id="b", camera_ev=11, n=1)
    first, second = photo_preview(PhotoPreviewRequest(plans=(PLAN, harder), scene=scene)).plans
    assert first.differs is not None
    assert second.differs is not None
    assert (first.differs.mean_lightness, first.differs.share) == (0, 0)
    off = {ev: abs(first.lightness[index(ev)] - second.lightness[index(ev)]) for ev in (6, 9, 14)}
    assert second.differs.mean_lightness == pytest.approx((off[6] + 2 * off[9] + off[14]) / 4)
    seen = sum(many for ev, many in ((6, 1), (9, 2), (14, 1)) if off[ev] >= 3) / 4
    assert second.differs.share == pytest.approx(seen)


TESTED = OwnFilm(
    title="Velm",
    ei=64,
    developments=(DevelopedPrints(n=0, prints=tuple(float(zone) for zone in range(12))),),
)


@pytest.mark.parametrize(
    ("plan", "field", "says"),
    [
        (PreviewPlan(id="a"), "plans.0.camera_ev", "Give the camera’s EV, or an EV and its zone."),
        (
            PreviewPlan(id="a", camera_ev=11, n=1, film=FilmByTest(kind="own", own_film=TESTED)),
            "plans.0.n",
            "Velm was not tested for N+1, only from N to N.",
        ),
        (
            PreviewPlan(id="a", camera_ev=11, flare=FlareByShare(kind="share", share=0.01)),
            "plans.0.flare.mean_ev100",
            "Flare by share needs the scene’s mean light: its EV, or the scene’s counts.",
        ),
    ],
)
def test_what_is_refused(plan: PreviewPlan, field: str, says: str) -> None:
    with pytest.raises(CoreError) as refusal:
        only(plan)
    assert (refusal.value.field, refusal.value.message) == (field, says)


def test_plans_need_ids_and_scenes_need_counts() -> None:
    with pytest.raises(CoreError, match="Two plans have the same id"):
        photo_preview(PhotoPreviewRequest(plans=(PLAN, PLAN)))
    with pytest.raises(CoreError, match="counts are all 0"):
        only(PLAN, SceneCounts(counts=(0.0,) * 1025))


@given(st.floats(0.1, 1), st.floats(20, 300), st.floats(40, 250), st.integers(200, 4_000))
def test_three_boxes_are_as_wide_as_the_blur(
    hole: float, distance: float, format_: float, width: int
) -> None:
    """The variances of the three boxes, (w² − 1)/12 each, make up the blur's own to a box's step;
    widths are odd."""
    found = blur(
        BlurAsked(
            diameter_mm=hole, distance_mm=distance, format_width_mm=format_, picture_width=width
        )
    )
    assert all(box % 2 == 1 for box in found.boxes)
    made = math.sqrt(math.fsum((box**2 - 1) / 12 for box in found.boxes))
    assert made == pytest.approx(found.sigma, abs=0.58)
    assert len(EVS) == 1025
