"""What a planned exposure became: off by how much, by which causes, and how every place prints."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass, replace
from typing import Annotated, Literal

from emulsa.core.corrections.reciprocity import Law, metered_s
from emulsa.core.light.flare import FlareShare
from emulsa.core.light.marks import ApertureMark, f_number
from emulsa.core.limits import EV, ExposureIndex, Name, Seconds, Within, Zone
from emulsa.core.practice.scene import Minutes, PracticeScene, SceneMade, ScenePatch, Zones, made
from emulsa.core.practice.spot import named
from emulsa.core.rendering.paper import Paper
from emulsa.core.rendering.tones import NORMAL_PAPER, Texture, TonesRequest, carried, tones
from emulsa.core.tones.development_number import PIVOT, TARGET, DevelopmentNumber
from emulsa.core.tones.zones import MIDDLE

Counted = Annotated[float, Within("Stops counted", -20, 20, "stops")]
Cause = Literal[
    "metering",
    "light",
    "speed",
    "filter",
    "bellows",
    "reciprocity",
    "setting",
    "reciprocity_and_setting",
]

# from which zones on a tone is white or black, and how far from them it is taken for grey
WHITE_FROM, LEFT_ON_V, BLACK_TO, RAISED_TO_V = 6.5, 5.5, 3.5, 4.5
WORTH_COUNTING, WORTH_SIGNING = 1 / 3, 0.5


@dataclass(frozen=True, kw_only=True, slots=True)
class PlacedPatch:
    """The tone that was placed: what the dial said, and the zone."""

    patch: Name
    reading_ev100: EV
    zone: Zone


@dataclass(frozen=True, kw_only=True, slots=True)
class HighPatch:
    """The important highlight, and the zone it is developed for."""

    patch: Name
    zone: Zone = TARGET


@dataclass(frozen=True, kw_only=True, slots=True)
class CountedDue:
    """Stops that were counted, and those that were due."""

    counted: Counted = 0.0
    due: Counted = 0.0


NOTHING_DUE = CountedDue()


@dataclass(frozen=True, kw_only=True, slots=True)
class SceneJudgeRequest:
    """A scene as it was metered, what was planned of it, what was given, and how it was
    developed."""

    scene: PracticeScene
    exposed_minutes: Minutes | None = None
    placed: PlacedPatch
    ei: ExposureIndex = 100.0
    true_ei: ExposureIndex | None = None
    aperture: ApertureMark
    filter_stops: CountedDue = NOTHING_DUE
    bellows_stops: CountedDue = NOTHING_DUE
    law: Law
    given_s: Seconds
    computed_s: Seconds | None = None
    n: DevelopmentNumber = 0
    high: HighPatch | None = None
    paper: Paper = NORMAL_PAPER
    flare_share: FlareShare = 0.0


@dataclass(frozen=True, slots=True)
class OffCause:
    """What made the exposure differ, in stops; + is over."""

    cause: Cause
    stops: float


@dataclass(frozen=True, slots=True)
class PatchJudged:
    """A place: the zone it was to fall on, the one it got, how it prints, and how far that lies
    outside the zones a good print has it on."""

    name: str
    falls: float
    got: float
    prints_as: float
    net_density: float
    lightness: float
    texture: Texture
    zones: Zones | None
    off_zones: float


@dataclass(frozen=True, slots=True)
class SceneJudged:
    """The verdict: causes add up to ``total_stops``."""

    total_stops: float
    causes: tuple[OffCause, ...]
    placement_off_zones: float
    n_wanted: float | None
    development_off_zones: float | None
    high_off_zones: float | None
    patches: tuple[PatchJudged, ...]
    misconception: str | None


def scene_judge(request: SceneJudgeRequest) -> SceneJudged:
    """The operation ``scene_judge``."""
    met = made(request.scene)
    minutes = request.scene.minutes if request.exposed_minutes is None else request.exposed_minutes
    then = made(replace(request.scene, minutes=minutes))
    patch, lit = (named(each, request.placed.patch, "placed.patch") for each in (met, then))
    high = named(then, request.high.patch, "high.patch") if request.high else None
    causes = tuple(_causes(request, patch.ev100, lit.ev100))
    total = math.fsum(each.stops for each in causes)
    developed = carried(request.n, PIVOT)

    def fall(of: ScenePatch) -> float:
        return request.placed.zone + of.ev100 - lit.ev100

    wanted = target = None
    if high and request.high:
        target = request.high.zone
        wanted = target - fall(high)
    return SceneJudged(
        total_stops=total,
        causes=causes,
        placement_off_zones=outside(request.placed.zone, patch.zones),
        n_wanted=wanted,
        development_off_zones=developed(fall(high)) - target if high and target else None,
        high_off_zones=developed(fall(high) + total) - target if high and target else None,
        patches=tuple(_printed(request, then, lit, total)),
        misconception=_misconception(request, patch.zones, wanted),
    )


def outside(zone: float, zones: Zones | None) -> float:
    """How far a zone lies outside others; under them is negative.

    >>> outside(5, (7, 8)), outside(7.5, (7, 8)), outside(9, (7, 8)), outside(5, None)
    (-2, 0.0, 1, 0.0)
    """
    if zones is None:
        return 0.0
    low, high = zones
    return zone - low if zone < low else zone - high if zone > high else 0.0


def _causes(request: SceneJudgeRequest, met_ev: float, then_ev: float) -> Iterator[OffCause]:
    ei, filters, bellows = request.ei, request.filter_stops, request.bellows_stops
    read = request.placed.reading_ev100
    own = (
        2 * math.log2(f_number(request.aperture))
        - (read + MIDDLE - request.placed.zone)
        - math.log2(ei / 100)
        + filters.counted
        + bellows.counted
    )
    given = math.log2(metered_s(request.law, request.given_s))
    yield OffCause("metering", met_ev - read)
    yield OffCause("light", then_ev - met_ev)
    yield OffCause("speed", math.log2((request.true_ei or ei) / ei))
    yield OffCause("filter", filters.counted - filters.due)
    yield OffCause("bellows", bellows.counted - bellows.due)
    if request.computed_s is None:
        yield OffCause("reciprocity_and_setting", given - own)
        return
    computed = math.log2(metered_s(request.law, request.computed_s))
    yield OffCause("reciprocity", computed - own)
    yield OffCause("setting", given - computed)


def _printed(
    request: SceneJudgeRequest, then: SceneMade, lit: ScenePatch, total: float
) -> Iterator[PatchJudged]:
    """Every place as ``tones`` prints it, with the light that strays on it."""
    developed, share = carried(request.n, PIVOT), request.flare_share
    for each in then.patches:
        if not each.cells:
            continue
        falls = request.placed.zone + each.ev100 - lit.ev100
        got = falls + total
        lifted = got + math.log2((1 - share) + share * 2 ** (then.mean_ev100 - each.ev100))
        (tone,) = tones(TonesRequest(zones=(lifted,), n=request.n, paper=request.paper)).zones
        yield PatchJudged(
            name=each.name,
            falls=falls,
            got=got,
            prints_as=developed(lifted),
            net_density=tone.net_density,
            lightness=tone.lightness,
            texture=tone.texture,
            zones=each.zones,
            off_zones=outside(developed(lifted), each.zones),
        )


def _misconception(
    request: SceneJudgeRequest, zones: Zones | None, wanted: float | None
) -> str | None:
    """What was likely thought: the first that fits."""
    zone, filters, bellows = request.placed.zone, request.filter_stops, request.bellows_stops
    if zones and zones[0] >= WHITE_FROM and zone <= LEFT_ON_V:
        return "white-on-v"
    if zones and zones[1] <= BLACK_TO and zone >= RAISED_TO_V:
        return "black-on-v"
    if filters.due > WORTH_COUNTING and filters.counted >= 2 * filters.due:
        return "filter-twice"
    if filters.due > WORTH_COUNTING and filters.counted == 0:
        return "filter-forgotten"
    if bellows.due > WORTH_COUNTING and bellows.counted == 0:
        return "bellows-forgotten"
    signed = wanted is not None and min(abs(request.n), abs(wanted)) >= WORTH_SIGNING
    return "n-sign" if signed and wanted and request.n * wanted < 0 else None
