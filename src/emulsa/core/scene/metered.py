"""A scene's picture as its meter: spot readings that lie in it make it one, others are read off it.

Nothing of this is kept but where readings lie and what their circles held: one reading more, or one
corrected, and every place that was read off the picture is read again.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from emulsa.core.errors import CoreError
from emulsa.core.exposing.levels import levels_of
from emulsa.core.kit.printing import PrintingPaper
from emulsa.core.light.meters import PhotoReading
from emulsa.core.logged.attachment import Attachment
from emulsa.core.picture.area import GivenSettings, PhotoArea, PhotoMeter, Picture
from emulsa.core.picture.calibrated import (
    CalibrationPoint,
    PhotoCalibrateRequest,
    PixelTables,
    Through,
    Vignetting,
)
from emulsa.core.picture.metering import Metering, PictureExposure, Spot
from emulsa.core.picture.spots import photo_spots
from emulsa.core.picture.spotted import PhotoSample, PhotoSpotsRequest
from emulsa.core.scene.plan import calibration, filters, spots
from emulsa.core.scene.record import Scene, SceneKit, ScenePicture, SceneReading

MOST_POINTS = 60
NARROWEST, WIDEST = 0.1, 10.0  # width over height
WHITE = 255  # levels of a picture as a screen shows it
LEVELS = WHITE + 1
DIGITS = 4  # of an EV: more is not known, and home and away write the same


def picture_by(found: Attachment, paper: PrintingPaper | None = None) -> ScenePicture:
    """What a scene is metered by beside a meter: its photograph, upright, seen on a paper."""
    metering = found.metering or Metering()
    wide, high = (found.height, found.width) if metering.turned else (found.width, found.height)
    aspect = min(max(wide / high, NARROWEST), WIDEST)
    return ScenePicture(metering=metering, aspect=aspect, paper=paper)


def picture_meter(
    scene: Scene, kit: SceneKit, *, levels: int | None = None, through: Through | None = None
) -> PhotoCalibrateRequest | None:
    """The picture calibrated by the readings that lie in it; nothing where there is no picture.
    With ``levels`` the page's tables are asked for, ``through`` a filter where one is told."""
    if kit.picture is None:
        return None
    metering = kit.picture.metering
    return PhotoCalibrateRequest(
        picture=Picture(
            encoding="srgb",
            white=WHITE,
            aspect=kit.picture.aspect,
            settings=given(metering.settings) if metering.settings else None,
            meter=PhotoMeter(k=calibration(kit).k),
            offset_stops=metering.offset_stops,
        ),
        points=tuple(_points(scene, kit))[:MOST_POINTS],
        vignetting=Vignetting(kind="unknown" if metering.corners else "none"),
        levels=levels,
        pixels=PixelTables(through=through) if levels else None,
    )


def given(settings: PictureExposure) -> GivenSettings:
    """Literal figures, as the calibration takes them."""
    return GivenSettings(time=settings.time_s, aperture=settings.aperture, iso=settings.iso)


def sample_of(id_: str, spot: Spot) -> PhotoSample:
    """A circle as a place to be read."""
    return PhotoSample(id=id_, area=PhotoArea(counts=spot.counts), x=spot.x, y=spot.y)


def meters(taken: SceneReading) -> bool:
    """Whether a reading makes the picture a meter: a spot of the subject that lies in it."""
    return taken.spot is not None and not taken.incident and not _read_off(taken)


def reread(scene: Scene, kit: SceneKit) -> Scene:
    """The scene with every place that was read off its picture read again; as it is where the
    picture cannot be a meter, or the place says nothing any more."""
    request = picture_meter(scene, kit)
    places = {each.id: each.spot for each in scene.readings if each.spot and _read_off(each)}
    if request is None or not places:
        return scene
    samples = tuple(sample_of(id_, spot) for id_, spot in places.items())
    try:
        answer = photo_spots(PhotoSpotsRequest(calibration=request, samples=samples))
    except CoreError:
        return scene
    found = {each.id: each.reading for each in answer.samples}
    return replace(
        scene,
        readings=tuple(
            replace(each, reading=as_kept(read)) if (read := found.get(each.id)) else each
            for each in scene.readings
        ),
    )


def without_spots(scene: Scene) -> Scene:
    """The scene without a picture: places that were read off it keep what they were read as."""
    return replace(scene, readings=tuple(replace(each, spot=None) for each in scene.readings))


def as_kept(reading: PhotoReading) -> PhotoReading:
    """A place that was read, to as many digits as it is kept with."""
    return PhotoReading(
        ev100=round(reading.ev100, DIGITS), sigma_stops=round(reading.sigma_stops, DIGITS)
    )


def names(scene: Scene) -> dict[str, str]:
    """What each reading is called where it is spoken of: its label, each once."""
    found: dict[str, str] = {}
    for each in scene.readings:
        name = each.label or "reading"
        taken = set(found.values())
        places = (f"{name} ({place})" for place in range(2, len(scene.readings) + 2))
        found[each.id] = name if name not in taken else next(p for p in places if p not in taken)
    return found


def _read_off(taken: SceneReading) -> bool:
    return isinstance(taken.reading, PhotoReading)


def _points(scene: Scene, kit: SceneKit) -> Iterator[CalibrationPoint]:
    """Readings as the picture saw their light: no filter before the lens has to do with it."""
    lying = {each.id: each for each in scene.readings if meters(each)}
    named = names(scene)
    taken = [replace(each, graduated=False) for each in spots(scene, kit) if each.id in lying]
    levels = levels_of(taken, filters(kit), scene.light, calibration(kit))
    for id_, ev in levels.items():
        spot = lying[id_].spot
        assert spot is not None
        area = PhotoArea(counts=spot.counts)
        yield CalibrationPoint(id=named[id_], ev100=ev, area=area, x=spot.x, y=spot.y)
