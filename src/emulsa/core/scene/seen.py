"""A scene's picture as it is shown: its places in words, what the page looks pixels up by, and the
prints to come."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator, Sequence
from dataclasses import replace

from emulsa.core.advice import Advice
from emulsa.core.errors import CoreError
from emulsa.core.numbers import counted
from emulsa.core.picture.calibrate import photo_calibrate
from emulsa.core.picture.calibrated import (
    Calibration,
    PhotoCalibrateRequest,
    PixelTables,
    Through,
)
from emulsa.core.picture.spots import circle, photo_spots
from emulsa.core.picture.spotted import PhotoSpots, PhotoSpotsRequest, SampleRead, SpotCircle
from emulsa.core.scene.metered import LEVELS, as_kept, meters, names, picture_meter, sample_of
from emulsa.core.scene.plan import levels, placement
from emulsa.core.scene.printed import SeenWith, ToPrint, prints, scene_counts, through_of
from emulsa.core.scene.record import Scene, SceneKit
from emulsa.core.scene.seeing import (
    Falling,
    FringeBin,
    LookedUp,
    PictureSeen,
    PlaceSeen,
    ProbeSeen,
    Proposed,
    SeeingAsked,
)
from emulsa.core.tones.placement import anchor
from emulsa.core.tones.zones import ev_text, zone_text
from emulsa.core.versions import version_of
from emulsa.core.written import doubt_text

USUAL_ANGLE_DEG = 1.0  # of a spot meter whose angle nobody told
WIDEST_SPOT_DEG = 30.0  # a meter that sees more reads the light, or no place of a picture
USUAL_VIEW_DEG = 66.0  # across a phone's picture whose file does not say (common practice)
BOUNDS = {"at_least": "at least ", "at_most": "at most ", "": ""}
PROBE = "probe"

ASKS = "Touch a place you read with the meter, and type what it says."
LEAST_SAID = 0.005  # of the picture
# up to which zone, in words
ZONES_SAID = (
    ("0–I, black", 1.5),
    ("II–III, dark with texture", 3.5),
    ("IV–VI, middle", 6.5),
    ("VII–VIII, light with texture", 8.5),
    ("IX–X, white", math.inf),
)

Fall = Callable[[float], float] | None


def picture_seen(
    scene: Scene,
    kit: SceneKit,
    asked: SeeingAsked,
    ways: Sequence[ToPrint],
) -> PictureSeen | None:
    """The scene's picture; nothing where it has none. It never refuses: it says what lacks.
    ``ways`` are those it is to be seen printed by, the one that counts first."""
    if kit.picture is None:
        return None
    through = through_of(each.filter for each in kit.filters)
    request = picture_meter(scene, kit, levels=LEVELS, through=through)
    assert request is not None
    try:
        calibration = photo_calibrate(request)
        spots = _spots(scene, kit, asked, request)
    except CoreError as refusal:
        return _unknown(scene, kit, refusal)
    tables = version_of(request)
    counts = scene_counts(asked.rings, calibration)
    falls = _falls(scene, kit)
    found = {each.id: each for each in spots.samples}
    bins = spots.distribution.bins if spots.distribution and falls else ()
    fringe = tuple(FringeBin(zone=falls(each.ev100), share=each.share) for each in bins if falls)
    with_ = SeenWith(
        kit.picture, counts, asked.drawn_width, through, lambda each: _filtered(request, each)
    )
    shown, blur = prints(ways, with_) if scene.readings else ((), None)
    return PictureSeen(
        known=True,
        says=_says(calibration),
        asks="" if any(each.used for each in calibration.points) else ASKS,
        places=tuple(_places(scene, found, calibration, falls)),
        probe=_probe(found[PROBE], falls) if PROBE in found else None,
        radius=spots.spot.radius_share if spots.spot else 0.0,
        view_told=kit.picture.metering.view_deg is not None,
        tables=tables,
        look_up=None if tables == asked.tables else _look_up(calibration),
        prints=shown,
        blur=blur,
        fringe=fringe,
        falling=tuple(_falling(fringe)),
        proposed=tuple(_proposed(spots)),
        # that nothing but its settings is known stands in ``asks`` already
        advice=tuple(_upper(each) for each in calibration.advice if each.code != "settings-only"),
    )


def _unknown(scene: Scene, kit: SceneKit, refusal: CoreError) -> PictureSeen:
    """A picture that is no meter yet: where its readings lie, and what it waits for."""
    lying = any(map(meters, scene.readings))
    assert kit.picture is not None
    return PictureSeen(
        known=False,
        says="not known yet",
        asks=refusal.message if lying else f"Its file does not say how it was exposed. {ASKS}",
        places=tuple(_places(scene, {}, None, None)),
        probe=None,
        radius=circle(_circle(kit)).radius_share,
        view_told=kit.picture.metering.view_deg is not None,
        tables="",
        look_up=None,
        prints=(),
        blur=None,
        fringe=(),
        falling=(),
        proposed=(),
        advice=(),
    )


def _spots(
    scene: Scene, kit: SceneKit, asked: SeeingAsked, request: PhotoCalibrateRequest
) -> PhotoSpots:
    samples = [sample_of(each.id, each.spot) for each in scene.readings if each.spot]
    if asked.probe is not None:
        samples.append(sample_of(PROBE, asked.probe))
    bare = replace(request, levels=None, pixels=None)
    return photo_spots(
        PhotoSpotsRequest(
            calibration=bare,
            samples=tuple(samples),
            areas=asked.rings,
            tiles=asked.tiles,
            spot=_circle(kit),
        )
    )


def _circle(kit: SceneKit) -> SpotCircle:
    assert kit.picture is not None
    told = kit.meter.spot_deg if kit.meter else None
    return SpotCircle(
        angle_deg=told if told and told <= WIDEST_SPOT_DEG else USUAL_ANGLE_DEG,
        view_deg=kit.picture.metering.view_deg or USUAL_VIEW_DEG,
    )


def _falls(scene: Scene, kit: SceneKit) -> Fall:
    """Where an EV falls by the scene's placement; nothing before its first reading."""
    if not scene.readings:
        return None
    placed_ev, zone = anchor(placement(scene, kit), levels(scene, kit))
    return lambda ev: zone + ev - placed_ev


def _places(
    scene: Scene, found: dict[str, SampleRead], calibration: Calibration | None, falls: Fall
) -> Iterator[PlaceSeen]:
    named = names(scene)
    told = {each.id: each for each in calibration.points} if calibration else {}
    for each in scene.readings:
        if each.spot is None:
            continue
        read, point = found.get(each.id), told.get(named[each.id])
        others = point.without_it if point and point.disagrees else None
        yield PlaceSeen(
            id=each.id,
            label=named[each.id],
            x=each.spot.x,
            y=each.spot.y,
            radius=each.spot.radius,
            meters=meters(each),
            text=_text(read) if read else "",
            zone_text=_zone(read, falls),
            clipped=bool(read and read.clipped),
            without_text=f"EV {ev_text(others.ev100)} {doubt_text(others.sigma_stops)}".strip()
            if others
            else "",
        )


def _probe(read: SampleRead, falls: Fall) -> ProbeSeen:
    return ProbeSeen(
        text=_text(read),
        zone_text=_zone(read, falls),
        reading=as_kept(read.reading) if read.reading else None,
        clipped=bool(read.clipped),
    )


def _text(read: SampleRead) -> str:
    """``EV 9⅓ ± ⅓``, ``at least EV 14``; a place that is quite black says nothing."""
    if read.ev100 is None or read.sigma_stops is None:
        return "black in the picture"
    bound = BOUNDS[read.bound]
    doubt = "" if bound else doubt_text(read.sigma_stops)
    return f"{bound}EV {ev_text(read.ev100)} {doubt}".strip()


def _zone(read: SampleRead | None, falls: Fall) -> str:
    if read is None or read.ev100 is None or falls is None:
        return ""
    return zone_text(falls(read.ev100))


def _says(calibration: Calibration) -> str:
    """How the picture is known, and how well."""
    doubt = doubt_text(calibration.sigma_stops_at_118) or "± ⅙"
    used = sum(each.used for each in calibration.points)
    if not used:
        return f"by its settings alone, {doubt}"
    return f"by {counted(used, 'spot reading')}, {doubt}"


def _filtered(request: PhotoCalibrateRequest, through: Through | None) -> LookedUp | None:
    """What the picture is looked up by through a filter."""
    return _look_up(photo_calibrate(replace(request, pixels=PixelTables(through=through))))


def _look_up(calibration: Calibration) -> LookedUp | None:
    pixels, table = calibration.pixels, calibration.table
    if pixels is None or table is None:
        return None
    return LookedUp(
        red=pixels.red,
        green=pixels.green,
        blue=pixels.blue,
        sum_index=pixels.sum_index,
        falloff_index=table.falloff_index,
    )


def _falling(fringe: Sequence[FringeBin]) -> Iterator[Falling]:
    """How much of the picture falls where, from the blacks to the whites."""
    low = -math.inf
    for text, high in ZONES_SAID if fringe else ():
        share = math.fsum(each.share for each in fringe if low <= each.zone < high)
        low = high
        said = "under 1 %" if 0 < share < LEAST_SAID else f"{share:.0%}".replace("%", " %")
        yield Falling(text=text, share=share, share_text=said)


def _proposed(spots: PhotoSpots) -> Iterator[Proposed]:
    if spots.proposals is None:
        return
    for dark, places in ((True, spots.proposals.dark), (False, spots.proposals.bright)):
        for each in places:
            text = f"EV {ev_text(each.ev100)} {doubt_text(each.sigma_stops)}".strip()
            yield Proposed(dark=dark, x=each.x, y=each.y, text=text)


def _upper(advice: Advice) -> Advice:
    return replace(advice, text=advice.text[:1].upper() + advice.text[1:])
