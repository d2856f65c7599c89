"""The prints to come of a scene whose picture is known: one for each way of taking it."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Iterator, Sequence
from dataclasses import dataclass
from functools import lru_cache

from emulsa.core.corrections.aperture_choice import Format
from emulsa.core.corrections.film_kinds import n_words
from emulsa.core.corrections.filters import Filter
from emulsa.core.corrections.optics import Pinhole, magnification
from emulsa.core.corrections.pinhole import DEFAULT_FORMAT_MM
from emulsa.core.data.contrast import SHADES
from emulsa.core.errors import CoreError
from emulsa.core.exposing.chain import exposure
from emulsa.core.exposing.levels import levels_of
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.kit.printing import PrintingPaper
from emulsa.core.light.flare import flare_text
from emulsa.core.light.marks import f_number
from emulsa.core.picture.axis import LAST, half_up
from emulsa.core.picture.calibrate import photo_calibrate
from emulsa.core.picture.calibrated import Calibration, Through
from emulsa.core.picture.spotted import PhotoRing
from emulsa.core.picture.tables import RINGS
from emulsa.core.rendering.blur import Blur, BlurAsked, focused_blur
from emulsa.core.rendering.own_film import knows
from emulsa.core.rendering.paper import Paper
from emulsa.core.rendering.preview import EVS, contrast_left, net_densities_at, photo_preview
from emulsa.core.rendering.previewed import (
    NO_FLARE,
    FilmByTest,
    FlareByShare,
    LongExposure,
    PhotoPreviewRequest,
    PlacedAt,
    PreviewedPlan,
    PreviewPlan,
    SceneCounts,
    Shares,
)
from emulsa.core.rendering.tones import NORMAL_PAPER, TYPICAL_FILM
from emulsa.core.scene.metered import LEVELS, picture_meter
from emulsa.core.scene.plan import placement_text, plan
from emulsa.core.scene.record import Scene, SceneKit, ScenePicture
from emulsa.core.scene.seeing import LookedUp, PrintSeen
from emulsa.core.tones.placement import anchor

WORTH_SAYING = 0.005  # of the picture


@dataclass(frozen=True, slots=True)
class ToPrint:
    """A way of taking a scene: how its exposure is asked for, whether a long one is developed for,
    the format behind a hole, light beyond what was meant (a bracket's frame), and how far off it
    was really exposed, where that is known."""

    id: str
    request: Callable[[], ExposureRequest]
    compensated: bool
    format_mm: Format | None = None
    more_stops: float = 0.0
    error_stops: float | None = None


def taken(id_: str, scene: Scene, kit: SceneKit, more_stops: float = 0.0) -> ToPrint:
    """A scene as it would be taken with its kit."""
    return ToPrint(id_, lambda: plan(scene, kit), kit.recipe is not None, kit.format_mm, more_stops)


@dataclass(frozen=True, slots=True)
class SeenWith:
    """What all prints of a picture are seen with: its paper and flare, how much of it lies where
    (where that is told), how wide it is drawn, and what it is looked up by through a filter."""

    picture: ScenePicture
    counts: SceneCounts | None
    drawn_width: int
    through: Through | None
    look_up: Callable[[Through | None], LookedUp | None]


def through_of(filters: Iterable[Filter]) -> Through | None:
    """The contrast filter before the lens, by its colour; of several the first."""
    return next((SHADES[each.colour] for each in filters if each.colour), None)


@lru_cache(maxsize=8)
def scene_counts(rings: tuple[PhotoRing, ...], calibration: Calibration) -> SceneCounts | None:
    """How much of the scene lies at each entry of the EV axis, by the picture's rings."""
    table = calibration.table
    if table is None or not any(any(ring.counts) for ring in rings):
        return None
    found = [0.0] * (LAST + 1)
    for ring in rings:
        if len(ring.counts) != len(table.index):
            continue
        out = table.falloff_index[half_up(RINGS * ring.rho2)]
        for count, index in zip(ring.counts, table.index, strict=True):
            if count:
                found[min(max(index + out, 0), LAST)] += count
    return SceneCounts(counts=tuple(found)) if any(found) else None


def as_paper(paper: PrintingPaper | None) -> Paper:
    """A paper as it prints through the filter that is nearest to a normal range; its measured steps
    are one filter's, so they count where there is one."""
    if paper is None:
        return NORMAL_PAPER
    usual = min(paper.filters, key=lambda each: abs(each.range - NORMAL_PAPER.range))
    steps = paper.steps if len(paper.filters) == 1 else ()
    return Paper(range=usual.range, dmax=paper.dmax, dmin=paper.dmin, steps=steps)


def prints(ways: Sequence[ToPrint], seen: SeenWith) -> tuple[tuple[PrintSeen, ...], Blur | None]:
    """The print of each way, and how unsharp the first one's hole makes it."""
    shown: list[PrintSeen] = []
    blur = None
    for way in ways:
        try:
            request = way.request()
            planned = _plan(way, request, seen)
            answer = photo_preview(
                PhotoPreviewRequest(
                    plans=(planned,),
                    scene=seen.counts,
                    blur=None if shown else _blur(way, request, seen.drawn_width),
                )
            )
        except CoreError as refusal:
            shown.append(_lacking(way, refusal))
            continue
        blur = answer.blur or blur or (None if shown else _through_lens(way, request, seen))
        shown.append(_shown(request, planned, answer.plans[0], seen))
    return tuple(shown), blur


def negative_of_picture(scene: Scene, kit: SceneKit, way: ToPrint) -> tuple[float, ...] | None:
    """The net density that each level of the scene's picture has on its negative, light that strays
    left out; nothing where the picture or the way cannot tell."""
    asked = picture_meter(scene, kit, levels=LEVELS)
    if asked is None or kit.picture is None:
        return None
    try:
        table = photo_calibrate(asked).table
        planned = _plan(way, way.request(), SeenWith(kit.picture, None, 0, None, lambda _: None))
        evs = [EVS[min(max(each, 0), LAST)] for each in table.index] if table else []
        return tuple(net_densities_at(planned, evs)) or None
    except CoreError:
        return None


def _plan(way: ToPrint, request: ExposureRequest, seen: SeenWith) -> PreviewPlan:
    """An exposure as a plan of the preview: as it is placed, set and developed."""
    answer = exposure(request)
    levels = levels_of(request.readings, request.stack, request.light, request.meter)
    placed_ev, zone = anchor(request.placement, levels)
    off = answer.set.error_stops if way.error_stops is None else way.error_stops
    n, own = answer.development.n, request.own_film
    long = LongExposure(development_change=answer.development.change, compensated=way.compensated)
    tested = own is not None and knows(own, n + contrast_left(long))
    share = seen.picture.metering.flare_share
    return PreviewPlan(
        id=way.id,
        placed=PlacedAt(ev100=placed_ev, zone=zone),
        error_stops=off + way.more_stops,
        n=n,
        film=FilmByTest(kind="own", own_film=own) if tested and own else TYPICAL_FILM,
        ei=answer.ei,
        paper=as_paper(seen.picture.paper),
        flare=FlareByShare(kind="share", share=share) if seen.counts else NO_FLARE,
        long_exposure=long,
    )


def _shown(
    request: ExposureRequest, planned: PreviewPlan, answer: PreviewedPlan, seen: SeenWith
) -> PrintSeen:
    through = through_of(request.stack)
    return PrintSeen(
        id=planned.id,
        n_text=n_words(planned.n, request.film_kind),
        placed_text=placement_text(request.placement),
        by_text=_by_text(planned, seen.picture.paper, through),
        look_up=None if through == seen.through else seen.look_up(through),
        grey=answer.grey,
        mark=answer.mark,
        says=shares_text(answer.shares) if answer.shares else "",
        problem="",
    )


def _by_text(planned: PreviewPlan, paper: PrintingPaper | None, through: Through | None) -> str:
    """What a print is seen by beside its development: paper, flare, filter, film."""
    told = [paper.name if paper else "normal paper"]
    if isinstance(planned.flare, FlareByShare):
        told.append(flare_text(planned.flare.share))
    if through:
        told.append(f"{through.replace('_', '-')} filter")
    if isinstance(planned.film, FilmByTest):
        told.append("your own film test")
    return ", ".join(told)


def _lacking(way: ToPrint, refusal: CoreError) -> PrintSeen:
    return PrintSeen(
        id=way.id,
        n_text="",
        placed_text="",
        by_text="",
        look_up=None,
        grey=(),
        mark=(),
        says="",
        problem=refusal.message,
    )


def shares_text(shares: Shares) -> str:
    """What of the picture keeps its texture.

    >>> shares_text(
    ...     Shares(
    ...         shadows_lost=0.05,
    ...         shadows_some=0.1,
    ...         full=0.8,
    ...         highlights_some=0.05,
    ...         highlights_lost=0,
    ...     )
    ... )
    'full texture in 80 % of it; without any (striped), 5 % in the shadows'
    """
    said = f"full texture in {shares.full:.0%} of it".replace("%", " %")
    lost = ", ".join(_lost(shares))
    return f"{said}; without any (striped), {lost}" if lost else said


def _lost(shares: Shares) -> Iterator[str]:
    for share, where in (
        (shares.shadows_lost, "in the shadows"),
        (shares.highlights_lost, "in the highlights"),
    ):
        if share >= WORTH_SAYING:
            yield f"{max(share, 0.01):.0%} {where}".replace("%", " %")


def _through_lens(way: ToPrint, request: ExposureRequest, seen: SeenWith) -> Blur | None:
    """What a lens makes of what it is focused on at the aperture that is set."""
    optics = request.optics
    if isinstance(optics, Pinhole) or request.aperture is None:
        return None
    number = f_number(request.aperture, optics.aperture_series)
    return focused_blur(
        number * (1 + magnification(optics, request.focus)),
        (way.format_mm or DEFAULT_FORMAT_MM)[0],
        seen.drawn_width,
    )


def _blur(way: ToPrint, request: ExposureRequest, drawn_width: int) -> BlurAsked | None:
    """The hole of a pinhole camera."""
    optics = request.optics
    if not isinstance(optics, Pinhole):
        return None
    return BlurAsked(
        diameter_mm=optics.diameter_mm,
        distance_mm=optics.distance_mm,
        format_width_mm=(way.format_mm or DEFAULT_FORMAT_MM)[0],
        picture_width=drawn_width,
    )
