"""A photograph as a meter: its settings by Pillow, its response by numpy, laws, codes."""

import base64
import math
from dataclasses import replace
from typing import Any

import numpy as np
import pytest
from hypothesis import assume, given
from hypothesis import strategies as st
from PIL import Image
from PIL.TiffImagePlugin import IFDRational as Ratio

from emulsa.core import wire
from emulsa.core.picture.area import LIGHT_118, PhotoArea, Picture, decode, seen, stops
from emulsa.core.picture.axis import index
from emulsa.core.picture.calibrate import photo_calibrate
from emulsa.core.picture.calibrated import (
    Calibration,
    CalibrationPoint,
    PhotoCalibrateRequest,
    PixelTables,
    Veil,
    Vignetting,
)
from emulsa.core.picture.response import LEAST_SLOPE
from emulsa.core.picture.settings import (
    PictureSettings,
    PictureSettingsRequest,
    picture_settings,
)
from emulsa.core.picture.spots import photo_spots
from emulsa.core.picture.spotted import (
    PhotoRing,
    PhotoSample,
    PhotoSpotsRequest,
    TileCell,
    Tiles,
)
from emulsa.core.picture.tables import WEIGHTS

SRGB = Picture(encoding="srgb", white=255)
SETTINGS = {"time": "1/125", "aperture": "8", "iso": 200}
USUAL = {0x829A: Ratio(1, 125), 0x829D: Ratio(8, 1), 0x8827: 200, 0xA001: 1}


def exif(first: dict[int, Any], exif_: dict[int, Any]) -> PictureSettings:
    """What is read of a block that Pillow wrote."""
    block = Image.Exif()
    block.update(first)
    block.get_ifd(0x8769).update(exif_)
    text = base64.b64encode(block.tobytes()).decode()
    return picture_settings(PictureSettingsRequest(exif_base64=text))


@given(
    st.integers(1, 8_000),
    st.integers(10, 640),
    st.integers(25, 12_800),
    st.integers(1, 8),
    st.integers(10, 200),
)
def test_settings_are_read_as_pillow_writes_them(
    under: int, tenths: int, iso: int, turn: int, focal: int
) -> None:
    """Time, aperture, ISO, orientation, focal length; the view by half an angle's tangent."""
    aperture = tenths / 10
    given = {0x829A: Ratio(1, under), 0x829D: Ratio(tenths, 10), 0x8827: iso, 0xA405: focal}
    found = exif({0x0112: turn}, given)
    assert found.time_s == pytest.approx(1 / under, rel=1e-5)
    assert found.aperture == pytest.approx(aperture, rel=1e-5)
    assert (found.iso, found.orientation, found.turned) == (iso, turn, turn >= 5)
    width = 24 if turn >= 5 else 36
    assert found.view_deg == pytest.approx(math.degrees(2 * math.atan(width / 2 / focal)))
    assert found.ev100 == pytest.approx(
        math.log2(aperture**2 * under) - math.log2(iso / 100), abs=1e-4
    )
    assert found.missing == ()


@pytest.mark.parametrize(
    ("more", "code"),
    [
        ({0x9209: 1}, "flash-fired"),
        ({0xA404: Ratio(2, 1)}, "zoomed"),
        ({0xA401: 1}, "specially-processed"),
        ({0xA001: 65_535}, "colour-space-unknown"),
        ({0x8827: 0}, "settings-missing"),
    ],
)
def test_what_a_file_says_against_itself(more: dict[int, Any], code: str) -> None:
    assert [each.code for each in exif({}, {**USUAL, **more}).advice] == [code]
    assert exif({}, {**USUAL, 0x9209: 16, 0xA404: Ratio(1, 1), 0xA401: 0}).advice == ()


@given(st.binary(max_size=200))
def test_any_block_is_read_or_refused(tail: bytes) -> None:
    """An entry beyond the bytes is missing; nothing else comes out than an answer."""
    for head in (b"II*\0\x08\0\0\0", b"MM\0*\0\0\0\x08"):
        text = base64.b64encode(head + tail).decode()
        found = picture_settings(PictureSettingsRequest(exif_base64=text))
        assert found.time_s is None or found.time_s > 0


def level(u: float) -> float:
    """The sRGB level of 255 at so many picture stops."""
    y = LIGHT_118 * 2**u
    return 255 * (12.92 * y if y <= 0.0031308 else 1.055 * y ** (1 / 2.4) - 0.055)


def point(id_: str, u: float, ev: float, sigma: float = 1 / 6, **more: Any) -> CalibrationPoint:
    return CalibrationPoint(
        id=id_, ev100=ev, sigma_stops=sigma, area=PhotoArea(level=level(u)), **more
    )


def calibrated(*points: CalibrationPoint, **more: Any) -> Calibration:
    return photo_calibrate(PhotoCalibrateRequest(picture=SRGB, points=points, **more))


READINGS = st.lists(
    st.tuples(st.floats(-5, 2), st.floats(-1, 1), st.floats(0.05, 1)), min_size=2, max_size=8
)


@given(READINGS, st.floats(4, 14))
def test_the_response_is_bayes_by_numpy(read: list[tuple[float, float, float]], at: float) -> None:
    """Mean and doubt of a contrast are those of the normal equations with the prior as a row."""
    points = [point(str(k), u, at + u + off, sigma) for k, (u, off, sigma) in enumerate(read)]
    rows = np.array([[1.0, stops(seen(SRGB, each.area, "").light)] for each in points])
    weights = np.array([1 / (each.sigma_stops**2 + 0.2**2) for each in points])
    evs = np.array([each.ev100 for each in points])
    precision = rows.T @ (weights[:, None] * rows) + np.diag([0, 1 / 0.2**2])
    mean = np.linalg.solve(precision, rows.T @ (weights * evs) + [0, 1 / 0.2**2])
    assume(mean[1] >= LEAST_SLOPE + 1e-6)
    found = calibrated(*points, model="contrast")
    assert found.contrast is not None
    assert found.ev100_at_118 == pytest.approx(mean[0], abs=1e-7)
    assert found.contrast.mean == pytest.approx(mean[1], abs=1e-7)
    covariance = np.linalg.inv(precision) * found.inflation**2
    assert found.contrast.sd == pytest.approx(math.sqrt(covariance[1][1]), rel=1e-7)
    doubt = math.sqrt(covariance[0][0] + 0.2**2)
    assert found.sigma_stops_at_118 == pytest.approx(doubt, rel=1e-7)


@given(READINGS, st.floats(-3, 3), st.permutations(range(8)))
def test_laws_of_readings(
    read: list[tuple[float, float, float]], more: float, order: list[int]
) -> None:
    """An EV more on all is an EV more everywhere and nothing else; the order does not matter;
    doubts grow away from what was read."""
    points = [point(str(k), u, 10 + u + off / 4, sigma) for k, (u, off, sigma) in enumerate(read)]
    before = calibrated(*points)
    after = calibrated(*(replace(each, ev100=each.ev100 + more) for each in points))
    assert after.ev100_at_118 == pytest.approx(before.ev100_at_118 + more, abs=1e-7)
    assert after.sigma_stops_at_118 == pytest.approx(before.sigma_stops_at_118)
    shuffled = calibrated(*(points[k] for k in order if k < len(points)))
    assert shuffled.ev100_at_118 == pytest.approx(before.ev100_at_118, abs=1e-7)
    assert before.knots is not None
    slopes = [b.ev100 - a.ev100 for a, b in zip(before.knots, before.knots[1:], strict=False)]
    assert min(slopes) >= LEAST_SLOPE - 1e-6
    far = max(read)[0]
    beyond = [each.sigma_stops for each in before.knots if each.picture_stops >= far + 1]
    assert beyond == sorted(beyond)


def test_a_steep_fall_of_the_curve_is_held() -> None:
    """Readings that nearly stand still over two stops: no slope under 0.2, said so."""
    found = calibrated(
        point("a", -4, 9), point("b", -2, 9.1), point("c", 0, 9.15), point("d", 2, 12)
    )
    assert found.monotone_held
    assert found.knots is not None
    slopes = [b.ev100 - a.ev100 for a, b in zip(found.knots, found.knots[1:], strict=False)]
    assert min(slopes) == pytest.approx(LEAST_SLOPE, abs=1e-6)


CODES: dict[str, tuple[tuple[CalibrationPoint, ...], dict[str, Any]]] = {
    "point-clipped": ((point("a", 0, 12), point("b", 2.4, 14)), {}),
    "spot-mixed": ((point("a", 0, 12, patch=PhotoArea(level=level(-1))),), {}),
    "readings-disagree": ((point("a", 0, 12), point("b", 0.1, 14)), {}),
    "brightened-in-parts": ((point("a", 0, 12), point("b", 0.4, 13.1)), {}),
    "settings-disagree": ((point("a", 0, 10),), {"settings": SETTINGS}),
    "settings-only": ((), {"settings": SETTINGS}),
    "one-reading": ((point("a", 0, 12),), {}),
    "few-readings": ((point("a", 0, 12), point("b", -3, 9)), {}),
    "readings-alike": ((point("a", 0, 12), point("b", -1, 11)), {}),
}
CALM = (point("a", -3, 9), point("b", -1, 11), point("c", 0, 12), point("d", 1, 13))


@pytest.mark.parametrize("code", CODES)
def test_each_code_has_its_case(code: str) -> None:
    points, picture = CODES[code]
    made = wire.decode(Picture, {"encoding": "srgb", "white": 255, **picture})
    found = photo_calibrate(PhotoCalibrateRequest(picture=made, points=points))
    assert code in {each.code for each in found.advice}
    quiet = wire.decode(Picture, {"encoding": "srgb", "white": 255, "settings": SETTINGS})
    assert photo_calibrate(PhotoCalibrateRequest(picture=quiet, points=CALM)).advice == ()


@given(st.floats(0.0005, 0.008))
def test_a_veil_is_found(veil: float) -> None:
    """Readings of a picture with stray light over it: the veil found lies near it, and is surer
    than before; without one little is found."""
    linear = Picture(encoding="linear", white=1.0)

    def area(u: float) -> PhotoArea:
        return PhotoArea(level=veil + (1 - veil) * LIGHT_118 * 2**u)

    points = tuple(
        CalibrationPoint(id=str(u), ev100=12 + u, sigma_stops=0.05, area=area(u))
        for u in (-6, -5, -4, -2, 0, 2)
    )
    found = photo_calibrate(
        PhotoCalibrateRequest(picture=linear, points=points, veil=Veil(kind="unknown"))
    )
    assert found.veil is not None
    assert abs(found.veil.mean - veil) < 2.5 * found.veil.sd + 0.0005
    assert found.veil.sd < 0.004


@given(st.floats(0.5, 2.2))
def test_corners_are_found_out(corner: float) -> None:
    """Two places of one level, one in a corner: the fall-off lies between what is usual and what
    they say; what they share drops out of their range."""
    middle, edge = point("m", 0, 12, 0.05, x=0.5, y=0.5), point("k", 0, 12 + corner, 0.05, x=0, y=0)
    found = calibrated(middle, edge, vignetting=Vignetting(kind="unknown"), model="contrast")
    assert found.vignetting is not None
    assert min(0.5, corner) - 1e-9 <= found.vignetting.mean <= max(0.5, corner) + 1e-9


def test_tables_for_the_page_are_the_response() -> None:
    """Entry by entry what a place of that level reads, and a pixel's sum what its light reads."""
    request = PhotoCalibrateRequest(
        picture=SRGB, points=CALM, levels=256, pixels=PixelTables(through=None)
    )
    found = photo_calibrate(request)
    assert found.table is not None
    assert found.pixels is not None
    for at in (20, 118, 200):
        (read,) = photo_spots(
            PhotoSpotsRequest(
                calibration=request, samples=(PhotoSample(id="p", area=PhotoArea(level=at)),)
            )
        ).samples
        assert read.ev100 is not None
        assert found.table.ev[at] == pytest.approx(read.ev100)
        assert found.table.index[at] == index(read.ev100)
        sum_ = sum(each[at] for each in (found.pixels.red, found.pixels.green, found.pixels.blue))
        place = sum_ if sum_ < 4096 else 4096 + (sum_ - 4096) // 16
        assert abs(found.pixels.sum_index[place] - index(read.ev100)) <= 1
    assert len(found.pixels.sum_index) == 7_936
    assert all(sum(each) == pytest.approx(1) for each in WEIGHTS.values())
    through = replace(request, pixels=PixelTables(through="red"))
    red = photo_calibrate(through).pixels
    assert red is not None
    assert red.red[255] == pytest.approx(0.9 * 65_535, abs=1)


def test_textured_places_are_proposed() -> None:
    """A bright and a dark one with texture beside it; smooth, clipped and lonely ones are not."""
    smooth, bright, dark = TileCell(level=118, spread=0), (180, 8), (50, 5)
    cells = [smooth] * 64
    for at in (9, 10):
        cells[at] = TileCell(level=bright[0], spread=bright[1])
    for at in (53, 54):
        cells[at] = TileCell(level=dark[0], spread=dark[1])
    cells[30] = TileCell(level=200, spread=10)  # nothing like it beside it
    cells[0] = TileCell(level=250, spread=4, clipped=0.3)
    asked = PhotoSpotsRequest(
        calibration=PhotoCalibrateRequest(picture=SRGB, points=CALM),
        tiles=Tiles(columns=8, rows=8, cells=tuple(cells)),
    )
    found = photo_spots(asked).proposals
    assert found is not None
    assert [(each.column, each.row) for each in found.bright] == [(1, 1), (5, 6)]
    assert [(each.column, each.row) for each in found.dark] == [(5, 6), (1, 1)]
    assert found.bright[0].ev100 > found.dark[0].ev100
    assert (found.bright[0].x, found.bright[0].y) == (1.5 / 8, 1.5 / 8)


@given(st.lists(st.integers(0, 50), min_size=16, max_size=16).filter(any))
def test_counts_are_the_mean_of_light(counts: list[int]) -> None:
    """As a meter sees it, by numpy; and a distribution's shares are the whole."""
    light = seen(SRGB, PhotoArea(counts=tuple(counts)), "").light
    each = [decode(SRGB, 255 * k / 15) for k in range(16)]
    assert light == pytest.approx(float(np.average(each, weights=counts)))
    rings = (PhotoRing(counts=tuple(counts)),)
    found = photo_spots(
        PhotoSpotsRequest(calibration=PhotoCalibrateRequest(picture=SRGB, points=CALM), areas=rings)
    ).distribution
    assert found is not None
    assert sum(each.share for each in found.bins) == pytest.approx(1)
    reached = [found.percentiles[str(each)] for each in (1, 5, 25, 50, 75, 95, 99)]
    assert reached == sorted(reached)
