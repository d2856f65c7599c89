"""Levels of a scan are those of the file, whatever way round it was recorded."""

from pathlib import Path

import pytest
from PIL import Image

from emulsa.core.errors import Unreadable
from emulsa.exchange.levels import Box, clear_level, levels
from emulsa.exchange.pictures import look, view

SIZE = (400, 240)
DARK, LIGHT = 9_000, 52_000


def scan() -> Image.Image:
    """A light ground with a dark patch up on the left."""
    image = Image.new("I", SIZE, LIGHT)
    image.paste(DARK, (40, 24, 120, 72))
    return image


# EXIF orientations, and the way the same picture is recorded for each (TIFF 6.0, EXIF 2.3)
TURNED = {
    1: None,
    2: Image.Transpose.FLIP_LEFT_RIGHT,
    3: Image.Transpose.ROTATE_180,
    4: Image.Transpose.FLIP_TOP_BOTTOM,
    5: Image.Transpose.TRANSPOSE,
    6: Image.Transpose.ROTATE_90,
    7: Image.Transpose.TRANSVERSE,
    8: Image.Transpose.ROTATE_270,
}


@pytest.mark.parametrize("orientation", TURNED)
def test_a_patch_is_where_one_sees_it(tmp_path: Path, orientation: int) -> None:
    """Upright on the screen, sixteen bits in the file."""
    turn = TURNED[orientation]
    recorded = scan() if turn is None else scan().transpose(turn)
    path = tmp_path / "scan.tif"
    recorded.convert("I;16").save(path, tiffinfo={274: orientation})
    found = levels(path, [Box(0.2, 0.2, 0.05), Box(0.8, 0.8, 0.05), Box(0.3, 0.2, 0.04)])
    assert found.white == 65_535
    assert found.boxes[0] == (DARK, 0)
    assert found.boxes[1] == (LIGHT, 0)
    mean, spread = found.boxes[2]  # half on, half off
    assert mean == pytest.approx((DARK + LIGHT) / 2, rel=0.05)
    assert spread == pytest.approx((LIGHT - DARK) / 2, rel=0.05)


def test_colour_is_read_in_green_and_eight_bits_are_eight(tmp_path: Path) -> None:
    """A colour picture is read in green; its full scale is 255."""
    path = tmp_path / "scan.png"
    Image.new("RGB", SIZE, (10, 120, 240)).save(path)
    found = levels(path, [Box(0.5, 0.5, 0.1)])
    assert (found.white, found.boxes) == (255, ((120, 0),))


def test_white_may_be_zero(tmp_path: Path) -> None:
    """A TIFF that counts the other way round is turned to light."""
    path = tmp_path / "scan.tif"
    scan().convert("I;16").save(path, tiffinfo={262: 0})
    with Image.open(path) as image:
        reversed_ = image.tag_v2.get(262) == 0  # type: ignore[attr-defined]
    expected = 65_535 - DARK if reversed_ else DARK
    assert levels(path, [Box(0.2, 0.2, 0.05)]).boxes[0] == (expected, 0)


def test_what_is_broken_is_said(tmp_path: Path) -> None:
    """A file cut off is refused."""
    path = tmp_path / "scan.png"
    Image.effect_noise(SIZE, 90).save(path)
    path.write_bytes(path.read_bytes()[:2_000])
    with pytest.raises(Unreadable, match="damaged"):
        levels(path, [Box(0.5, 0.5, 0.1)])


def test_clear_film_is_the_lightest_but_dust(tmp_path: Path) -> None:
    """A few white specks do not make the film lighter."""
    image = Image.new("L", SIZE, 90)
    image.paste(200, (0, 0, 400, 60))
    image.paste(255, (10, 200, 16, 206))
    path = tmp_path / "ab.png"
    image.save(path)
    kept = tmp_path / f"{look(path).digest}.png"
    path.rename(kept)
    shown = view(tmp_path, kept.stem, "image/png")
    assert clear_level(shown) == pytest.approx(200, abs=2)
    assert view(tmp_path, kept.stem, "image/png") == shown


@pytest.mark.parametrize("orientation", TURNED)
def test_the_picture_on_the_screen_is_upright(tmp_path: Path, orientation: int) -> None:
    """Uncompressed sixteen bits, turned: the dark patch stands up on the left all the same."""
    turn = TURNED[orientation]
    recorded = scan() if turn is None else scan().transpose(turn)
    path = tmp_path / "scan.tif"
    recorded.convert("I;16").save(path, tiffinfo={274: orientation})
    kept = tmp_path / f"{look(path).digest}.tif"
    path.rename(kept)
    with Image.open(view(tmp_path, kept.stem, "image/tiff")) as shown:
        assert shown.size == SIZE
        dark, light = (shown.convert("L").getpixel(at) for at in ((80, 48), (320, 192)))
    assert dark == pytest.approx(DARK // 256, abs=6)
    assert light == pytest.approx(LIGHT // 256, abs=6)


@pytest.mark.parametrize(("ground", "level"), [(0, 255.0), (1, 1.0), (200, 200.0)])
def test_the_level_of_clear_film(tmp_path: Path, ground: int, level: float) -> None:
    """The lightest thousandth is dust; a picture without any light says nothing."""
    image = Image.new("L", (200, 100), ground)
    image.paste(255, (0, 0, 5, 2))  # half a thousandth
    image.save(tmp_path / "view.png")
    assert clear_level(tmp_path / "view.png") == level
