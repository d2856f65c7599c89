"""A scene's picture in the core: calibrated, its tables, its prints. Nothing that was worked out
before counts: what is kept between two askings is forgotten first."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace
from pathlib import Path
from typing import Any

from PIL import Image
from PIL.TiffImagePlugin import IFDRational as Ratio

from emulsa.core.picture import known
from emulsa.core.picture.area import PhotoArea, Picture
from emulsa.core.picture.calibrate import photo_calibrate
from emulsa.core.picture.calibrated import CalibrationPoint, PhotoCalibrateRequest, PixelTables
from emulsa.core.rendering.preview import photo_preview
from emulsa.core.rendering.previewed import PhotoPreviewRequest, PreviewPlan

EXIF_IFD, SIZE, GRAIN = 0x8769, (4_000, 3_000), 24


def twelve_megapixels(file: Path) -> Path:
    """A photograph as large as a phone's, with how it was exposed in its file."""
    settings = Image.Exif()
    settings.get_ifd(EXIF_IFD).update({0x829A: Ratio(1, 125), 0x829D: Ratio(8, 1), 0x8827: 200})
    light = Image.linear_gradient("L").resize(SIZE)
    grain = Image.effect_noise(SIZE, GRAIN)
    Image.blend(light, grain, 0.3).convert("RGB").save(file, "JPEG", quality=90, exif=settings)
    return file


POINTS = tuple(
    CalibrationPoint(id=str(k), ev100=8 + 1.5 * k, area=PhotoArea(level=level))
    for k, level in enumerate((30, 55, 95, 160, 220))
)
REQUEST = PhotoCalibrateRequest(picture=Picture(encoding="srgb", white=255), points=POINTS)
TABLES = replace(REQUEST, levels=256, pixels=PixelTables())


def _anew(request: PhotoCalibrateRequest) -> None:
    photo_calibrate.cache_clear()
    known._known.cache_clear()
    photo_calibrate(request)


def calibrated_ms(best_us: Callable[[Any, int], float]) -> float:
    """Five readings, a curve."""
    return best_us(lambda: _anew(REQUEST), 20) / 1e3


def tables_ms(best_us: Callable[[Any, int], float]) -> float:
    """The tables of levels and pixels, beside the calibration."""
    return best_us(lambda: _anew(TABLES), 5) / 1e3 - calibrated_ms(best_us)


def plan_ms(best_us: Callable[[Any, int], float]) -> float:
    """A plan's greys, of eight in an asking."""
    plans = tuple(PreviewPlan(id=str(k), camera_ev=11, n=-k / 2) for k in range(8))
    request = PhotoPreviewRequest(plans=plans)
    return best_us(lambda: photo_preview(request), 2) / 8e3
