"""A scene's focus as it is seen: where to focus, what apertures do, tilt, corners, stars."""

from __future__ import annotations

import math
from dataclasses import replace
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.corrections.aperture_choice import ByLimits, BySpread
from emulsa.core.corrections.bellows import ByDraw, BySubject
from emulsa.core.corrections.optics import Lens, Pinhole
from emulsa.core.kit.bag import KitLens, KitPinhole
from emulsa.core.scene.changes import SetAperture, SetDepth, SetFocus
from emulsa.core.scene.edits import edited
from emulsa.core.scene.focused import (
    NOTHING_ASKED,
    FocusAsked,
    FocusSeen,
    NearFarDraws,
    focus_seen,
)
from emulsa.core.scene.record import Movements, Scene, SceneKit
from emulsa.core.written import distance_text

LENS = KitLens(
    id="l",
    name="150",
    optics=Lens(focal_length_mm=150, widest="5.6", smallest="64"),
    circle_mm=210,
)
KIT = SceneKit(lens=LENS, format_mm=(120, 95))
SCENE = Scene(id="s", outing_id="o", title="t", aperture="22")
BLUR = math.hypot(120, 95) / 1500


def seen(asked: FocusAsked = NOTHING_ASKED, kit: SceneKit = KIT, **scene: Any) -> FocusSeen:
    return focus_seen(replace(SCENE, **scene), kit, asked)


@given(st.floats(4, 60), st.floats(0.2, 3.9))
def test_draws_on_the_scale(near: float, far: float) -> None:
    """Near and far stand where they were read; the focus lies between, nearly midway, and both are
    blurred alike there: f/N·|v − A|/v (thin lens)."""
    draws = NearFarDraws(near_draw_mm=near, far_draw_mm=far)
    found = seen(FocusAsked(draws=draws))
    scale = found.scale
    assert scale is not None
    assert (scale.near_mm, scale.far_mm) == pytest.approx((near, far))
    at = 150 + scale.set_mm
    blurs = [abs(v - at) / v for v in (150 + near, 150 + far)]
    assert blurs[0] == pytest.approx(blurs[1])
    for each in found.blurs:
        assert each.together_mm == pytest.approx(math.hypot(each.defocus_mm, each.diffraction_mm))
        assert each.enough is (each.together_mm <= BLUR)


def test_taking_it_over() -> None:
    """The spread, the draw and the best aperture the lens has, in one edit; then nothing is left
    to take over but what was read anew."""
    asked = FocusAsked(draws=NearFarDraws(near_draw_mm=12, far_draw_mm=8))
    found = seen(asked)
    depth, focus, aperture = found.take
    assert depth == SetDepth(depth=BySpread(focus_spread_mm=pytest.approx(4)))
    assert isinstance(focus, SetFocus)
    assert aperture == SetAperture(aperture="36")  # √(375·4) = 38.7, ⅙ stop from 36
    assert found.take_text == "Focus there, set f/36"
    scene = edited(SCENE, found.take, "")
    assert scene.focus == ByDraw(draw_mm=pytest.approx(9.975, abs=1e-3))
    assert [type(each) for each in focus_seen(scene, KIT, asked).take] == [SetDepth]


def test_a_depth_no_aperture_holds() -> None:
    """From 2 m to the horizon on 150 mm: said, with what comes nearest and what helps."""
    found = seen(depth=ByLimits(near_mm=2000, far_mm=1e8))
    assert not any(each.enough for each in found.blurs)
    assert found.texts[1].startswith("No aperture holds all of it: f/64 comes nearest")
    assert "Tilt" in found.texts[1]


def test_the_best_aperture_is_one_the_lens_has() -> None:
    """A deep subject wants f/64 and more; a lens that ends at f/32 is set to f/32."""
    short = replace(LENS, optics=replace(LENS.optics, smallest="32"))
    found = seen(kit=replace(KIT, lens=short), depth=ByLimits(near_mm=2000, far_mm=1e8))
    assert found.take[-1] == SetAperture(aperture="32")


def test_limits_and_hyperfocal() -> None:
    """As it is focused, and where one would focus for the horizon (H = f²/Nc + f)."""
    found = seen(focus=BySubject(distance_mm=5000))
    far = 150**2 / (2**4.5 * BLUR) + 150
    assert found.texts == (
        f"As it is set, sharp from {distance_text(5000 * 150**2 / (150**2 + 2**4.5 * BLUR * 4850))}"
        f" to {distance_text(5000 * 150**2 / (150**2 - 2**4.5 * BLUR * 4850))}",
        f"Focused on {distance_text(far)} it would be sharp from {distance_text(far / 2)} to the"
        " horizon",
    )
    assert found.scale is None
    assert found.take == ()


@pytest.mark.parametrize(
    ("moves", "degrees"),
    [(Movements(hinge_mm=1500), math.degrees(math.asin(0.1))), (Movements(tilt_deg=6), 6)],
)
def test_a_tilted_lens(moves: Movements, degrees: float) -> None:
    """Points of the plane through its hinge are sharp, those far off are not (hinge rule)."""
    tilt = seen(FocusAsked(points="2 -1.4\n10 m -1 m\n30 20"), movements=moves).tilt
    assert tilt is not None
    assert tilt.tilt_deg == pytest.approx(degrees)
    assert tilt.hinge_mm == pytest.approx(150 / math.sin(math.radians(degrees)))
    assert [each.distance_mm for each in tilt.points] == [2000, 10_000, 30_000]
    assert len(tilt.sharp) == 3
    assert f"Tilt {degrees:.1f}".rstrip("0").rstrip(".") in tilt.texts[0]
    assert tilt.upper_deg is not None
    assert tilt.lower_deg is not None
    assert tilt.lower_deg < tilt.plane_deg < tilt.upper_deg


def test_a_point_in_the_plane_and_one_off_it() -> None:
    """Level plane under the lens: what lies in it is sharp at full aperture, a tree is not."""
    level = replace(SCENE, aperture="5.6", movements=Movements(hinge_mm=1500))
    (flat,) = _sharp(level, "4 -1.5")
    assert flat
    both = _sharp(level, "4 -1.5\n4 1.5\n8 -1.5")
    assert both[1] is False


def _sharp(scene: Scene, points: str) -> tuple[bool, ...]:
    tilt = focus_seen(scene, KIT, FocusAsked(points=points)).tilt
    assert tilt is not None
    return tilt.sharp


def test_a_camera_set_square_has_no_plane() -> None:
    """Without a tilt, and with one of nothing."""
    assert seen().tilt is None
    assert seen(movements=Movements(rise_mm=20)).tilt is None


class TestCorners:
    """What a wide lens does to the corners."""

    WIDE = KitLens(
        id="w",
        name="75",
        optics=Lens(focal_length_mm=75, widest="5.6", smallest="45"),
        circle_mm=195,
        centre_filter_stops=1.5,
    )

    def test_with_a_rise(self) -> None:
        """The upper ones lose most: cos⁴ of their angle; the filter's leavings, its apertures."""
        found = seen(kit=replace(KIT, lens=self.WIDE), movements=Movements(rise_mm=25)).corners
        assert found is not None
        upper = 4 * math.log2(1 / math.cos(math.atan(math.hypot(60, 72.5) / 75)))
        assert found.stops[0] == found.stops[1] == "−2⅔ stops"
        assert upper == pytest.approx(2.73, abs=0.01)
        assert any("up to 2⅔ stops less" in text for text in found.texts)
        assert any("costs 1½ stops and leaves 1⅓ stops" in text for text in found.texts)
        assert any("works from f/11 on" in text for text in found.texts)
        room = math.sqrt(97.5**2 - 60**2) - 47.5
        assert any(f"room for {math.floor(room)} mm" in text for text in found.texts)
        assert [each.code for each in found.advice] == ["worth-a-centre-filter"]

    def test_past_the_circle(self) -> None:
        """Said with what it needs."""
        found = seen(kit=replace(KIT, lens=self.WIDE), movements=Movements(rise_mm=60)).corners
        assert found is not None
        assert "circle-too-small" in [each.code for each in found.advice]

    def test_nobody_said_the_circle(self) -> None:
        """What it would need is told; a long lens loses next to nothing."""
        long = replace(LENS, circle_mm=None, optics=replace(LENS.optics, focal_length_mm=450))
        found = seen(kit=replace(KIT, lens=long)).corners
        assert found is not None
        assert found.texts[0] == "The corners get as much light as the middle"
        assert "image circle of 154 mm" in found.texts[1]
        assert set(found.stops) == {"as the middle"}


def test_stars_and_the_blur_that_counts() -> None:
    """c/(f·ω) for the equator of the sky; the blur is the format's diagonal/1500."""
    found = seen()
    stars = BLUR / (150 * 2 * math.pi / 86_164.1)
    assert found.night_text.startswith(f"Stars stay points up to {stars:.1f} s")
    assert found.blur_text == f"A blur of {BLUR:.3f} mm on the film counts as sharp"


@pytest.mark.parametrize(
    ("asked", "kit", "part", "field"),
    [
        (NOTHING_ASKED, SceneKit(), "Choose a lens first", ""),
        (NOTHING_ASKED,
         SceneKit(pinhole=KitPinhole(
             id="h", name="h", optics=Pinhole(diameter_mm=0.3, distance_mm=60))),
         "A pinhole has no focus", ""),
        (FocusAsked(points="two"), KIT, "Line 1", "points"),
        (FocusAsked(draws=NearFarDraws(near_draw_mm=2, far_draw_mm=8)), KIT,
         "Near lies nearer than far", "depth.far_draw_mm"),
    ],
)  # fmt: skip
def test_what_stands_in_the_way(asked: FocusAsked, kit: SceneKit, part: str, field: str) -> None:
    """It never refuses: it says what lacks."""
    found = seen(asked, kit)
    assert part in found.problem
    assert found.field == field
    assert found.blurs == ()
