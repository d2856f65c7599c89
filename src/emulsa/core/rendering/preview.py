"""The print before the shutter: how a scene of EVs prints by one plan or several.

Light is placed on a zone, flare lifts it, the negative answers by its development, the paper by the
exposure that prints the key as it shall be. Everything is told along the EV axis, so that a page
looks its pixels up. Contrast, flare and texture as in ``tones``; flare as added illuminance: The
Manual of Photography.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from operator import mul

from emulsa.core.data.development import THUMB
from emulsa.core.errors import Missing, OutOfRange, Unsound
from emulsa.core.light.srgb import level_of
from emulsa.core.picture.axis import LAST, LOWEST_EV, STEPS_IN_A_STOP
from emulsa.core.rendering.blur import blur
from emulsa.core.rendering.negative import net_densities
from emulsa.core.rendering.own_film import all_print_as, knows
from emulsa.core.rendering.paper import lightness, reflectance_of, response
from emulsa.core.rendering.previewed import (
    Differs,
    FilmByTest,
    FlareByShare,
    FlareByStops,
    LongExposure,
    PhotoPreviewAnswer,
    PhotoPreviewRequest,
    PreviewedPlan,
    PreviewPlan,
    PreviewZone,
    SceneCounts,
    Shares,
)
from emulsa.core.rendering.tones import FULL, SOME, carried, flared_by
from emulsa.core.straight import straight
from emulsa.core.tones.development_number import WIDEST, n_text
from emulsa.core.tones.zones import MIDDLE

Negative = Callable[[Sequence[float]], list[float]]  # net densities by rising zones
Lift = Callable[[Sequence[float], Sequence[float]], Sequence[float]]  # zones at EVs, with flare

ZONES = range(11)
EVS = tuple(LOWEST_EV + index / STEPS_IN_A_STOP for index in range(LAST + 1))
LIGHTS = tuple(2**ev for ev in EVS)
HALF_A_ZONE = STEPS_IN_A_STOP // 2
NEVER_NEARER = 0.005  # of the net black: so near a paper's ends its answer tells nothing
SEEN = 3.0  # L* that is seen as another tone (common practice, no source)
LEAST, MOST = -6.0, 6.0  # log exposure within which a key's density is looked for
HALVINGS = 60
NEAR = 1e-9


def photo_preview(request: PhotoPreviewRequest) -> PhotoPreviewAnswer:
    """The operation ``photo_preview``."""
    if len({each.id for each in request.plans}) < len(request.plans):
        raise Unsound("Two plans have the same id; each needs its own.", field="plans")
    total = math.fsum(request.scene.counts) if request.scene else 0.0
    if request.scene and (total <= 0 or min(request.scene.counts) < 0):
        raise Unsound("The scene’s counts are all 0, or some are negative.", field="scene.counts")
    mean = _mean_ev100(request.scene) if request.scene else None
    plans: list[PreviewedPlan] = []
    for place, plan in enumerate(request.plans):
        first = plans[0].lightness if plans else None
        plans.append(_previewed(plan, f"plans.{place}", request.scene, mean, first))
    return PhotoPreviewAnswer(plans=tuple(plans), blur=blur(request.blur) if request.blur else None)


def net_densities_at(plan: PreviewPlan, evs: Sequence[float]) -> list[float]:
    """What a plan's negative has of EVs that rise, over base plus fog; of flare nothing."""
    zones = _zones_of_light(plan, _camera_ev(plan, "plan"), evs)
    return _negative(plan, _n_effective(plan), "plan")(zones)


def contrast_left(long: LongExposure | None) -> float:
    """N that a long exposure adds where the film gets the whole time although it wants less: the
    thumb's factors, read backwards.

    >>> contrast_left(LongExposure(development_change=0.8))
    1.0
    """
    if long is None or long.compensated:
        return 0.0
    turned = sorted((math.log(factor), n) for n, factor in THUMB)
    return -straight(turned, math.log(long.development_change)) + 0.0


def _mean_ev100(scene: SceneCounts) -> float:
    """The EV of the mean light."""
    counts = scene.counts
    return math.log2(_mean(LIGHTS, counts))


def _previewed(
    plan: PreviewPlan,
    field: str,
    scene: SceneCounts | None,
    mean: float | None,
    first: Sequence[float] | None,
) -> PreviewedPlan:
    camera = _camera_ev(plan, field)
    n = _n_effective(plan)
    if isinstance(plan.flare, FlareByShare) and plan.flare.mean_ev100 is not None:
        mean = plan.flare.mean_ev100
    net = _negative(plan, n, field)
    lift = _flare(plan, mean, field)
    printed = _paper(plan, net, field)
    zones_of_light = _zones_of_light(plan, camera, EVS)
    reflected = [10 ** -printed(each) for each in net(lift(zones_of_light, EVS))]
    light = tuple(map(lightness, reflected))
    brightest = 10**plan.paper.dmin
    grey = tuple([level_of(each * brightest) for each in reflected])
    # a zone about each; beyond the axis its ends
    held = (light[0],) * HALF_A_ZONE + light + (light[-1],) * HALF_A_ZONE
    worth = [high - low for low, high in zip(held, held[2 * HALF_A_ZONE :], strict=False)]
    mark = _marks(worth)
    counts = scene.counts if scene else None
    return PreviewedPlan(
        id=plan.id,
        camera_ev=camera,
        n_effective=n,
        contrast_from_long_exposure=contrast_left(plan.long_exposure),
        mean_ev100=mean,
        lightness=light,
        grey=grey,
        mark=mark,
        zones=_zones(camera - plan.error_stops, lift, net, printed),
        texture_ev=_between(worth, SOME),
        full_texture_ev=_between(worth, FULL),
        shares=_shares(mark, counts) if counts else None,
        mean_lightness=_mean(light, counts) if counts else None,
        differs=_differs(light, first or light, counts) if counts else None,
    )


def _camera_ev(plan: PreviewPlan, field: str) -> float:
    if plan.placed is not None and plan.camera_ev is not None:
        raise Unsound("Give the camera’s EV or a placed EV, not both.", field=f"{field}.camera_ev")
    if plan.placed is not None:
        return plan.placed.ev100 + MIDDLE - plan.placed.zone
    if plan.camera_ev is None:
        raise Missing("Give the camera’s EV, or an EV and its zone.", field=f"{field}.camera_ev")
    return plan.camera_ev


def _n_effective(plan: PreviewPlan) -> float:
    """The N that is really seen: with the contrast a long exposure leaves."""
    return min(max(plan.n + contrast_left(plan.long_exposure), -WIDEST), WIDEST)


def _zones_of_light(plan: PreviewPlan, camera_ev: float, evs: Sequence[float]) -> list[float]:
    """Where EVs fall as they were exposed."""
    return [MIDDLE + ev - camera_ev + plan.error_stops for ev in evs]


def _zones(
    middle_ev: float, lift: Lift, net: Negative, printed: Callable[[float], float]
) -> tuple[PreviewZone, ...]:
    """Where every zone lies in the scene and how light it prints."""
    evs = [middle_ev + zone - MIDDLE for zone in ZONES]
    nets = net(lift([float(zone) for zone in ZONES], evs))
    return tuple(
        PreviewZone(zone=zone, ev100=ev, lightness=lightness(10 ** -printed(each)))
        for zone, ev, each in zip(ZONES, evs, nets, strict=True)
    )


def _negative(plan: PreviewPlan, n: float, field: str) -> Negative:
    """Net densities by zones of light."""
    if isinstance(plan.film, FilmByTest):
        own = plan.film.own_film
        if not knows(own, n):
            tested = [own.developments[0].n, own.developments[-1].n]
            raise OutOfRange(
                f"{own.title} was not tested for {n_text(n)}, only from {n_text(tested[0])} to"
                f" {n_text(tested[1])}.",
                field=f"{field}.n",
                allowed=tested,
            )
        ei = plan.ei or own.ei
        return lambda zones: net_densities(all_print_as(own, zones, n, ei))
    developed = carried(n, plan.pivot)
    return lambda zones: net_densities(map(developed, zones))


def _flare(plan: PreviewPlan, mean: float | None, field: str) -> Lift:
    """The zones of places with the stray light that lies on them."""
    flare = plan.flare
    if isinstance(flare, FlareByStops):
        flared = flared_by(flare.stops)
        return lambda zones, _: [flared(zone) for zone in zones]
    if not isinstance(flare, FlareByShare) or not flare.share:
        return lambda zones, _: zones
    if mean is None:
        raise Missing(
            "Flare by share needs the scene’s mean light: its EV, or the scene’s counts.",
            field=f"{field}.flare.mean_ev100",
        )
    share = flare.share
    rest, stray = 1 - share, share * 2**mean
    return lambda zones, evs: [
        zone + math.log2(rest + stray * 2**-ev) for zone, ev in zip(zones, evs, strict=True)
    ]


def _paper(plan: PreviewPlan, net: Negative, field: str) -> Callable[[float], float]:
    """Print density by net density, the key printed as it shall be."""
    try:
        answer = response(plan.paper)
    except Unsound as problem:
        raise Unsound(problem.message, field=f"{field}.{problem.field}") from problem
    start = _exposure_for(answer, plan.key.lightness) + net([plan.key.zone])[0]
    return lambda each: answer(start - each)


def _exposure_for(answer: Callable[[float], float], light: float) -> float:
    """The log exposure whose print is so light, by halving; held where the paper tells nothing."""
    white, black = answer(LEAST), answer(MOST)
    edge = NEVER_NEARER * (black - white)
    wanted = -math.log10(max(reflectance_of(light), 1e-9))
    wanted = min(max(wanted, white + edge), black - edge)
    low, high = LEAST, MOST
    for _ in range(HALVINGS):
        middle = (low + high) / 2
        if answer(middle) < wanted:
            low = middle
        else:
            high = middle
    return (low + high) / 2


def _marks(worth: Sequence[float]) -> tuple[int, ...]:
    """What is left of texture at each entry: shadow and light lie either side of the steepest."""
    steepest = worth.index(max(worth))
    found = []
    for place, each in enumerate(worth):
        if each >= FULL:
            found.append(2)
        elif each >= SOME:
            found.append(1 if place < steepest else 3)
        else:
            found.append(0 if place < steepest else 4)
    return tuple(found)


def _between(worth: Sequence[float], least: float) -> tuple[float, float] | None:
    places = [place for place, each in enumerate(worth) if each >= least]
    return (EVS[places[0]], EVS[places[-1]]) if places else None


def _shares(mark: Sequence[int], counts: Sequence[float]) -> Shares:
    total = math.fsum(counts)
    parts: list[list[float]] = [[] for _ in range(5)]
    for each, count in zip(mark, counts, strict=True):
        parts[each].append(count)
    shares = [math.fsum(each) / total for each in parts]
    return Shares(
        shadows_lost=shares[0],
        shadows_some=shares[1],
        full=shares[2],
        highlights_some=shares[3],
        highlights_lost=shares[4],
    )


def _mean(values: Sequence[float], counts: Sequence[float]) -> float:
    return math.fsum(map(mul, values, counts)) / math.fsum(counts)


def _differs(light: Sequence[float], first: Sequence[float], counts: Sequence[float]) -> Differs:
    if light is first:
        return Differs(mean_lightness=0.0, share=0.0)
    off = [abs(a - b) for a, b in zip(light, first, strict=True)]
    return Differs(
        mean_lightness=_mean(off, counts),
        share=_mean([float(each >= SEEN - NEAR) for each in off], counts),
    )
