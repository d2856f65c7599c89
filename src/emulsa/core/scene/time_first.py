"""Time first: the aperture, and if need be the neutral filter, that give a time one wants.

Water that shall be silk, leaves that shall stand still: the time is chosen, the rest follows.
"""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator
from dataclasses import dataclass, replace

from emulsa.core.errors import Impossible
from emulsa.core.exposing.chain import exposure
from emulsa.core.kit.bag import KitFilter, goes_on
from emulsa.core.light.hand_time import time_text
from emulsa.core.scene.plan import plan
from emulsa.core.scene.record import Scene, SceneKit
from emulsa.core.written import stops_words

NEAR_STOPS = 1 / 6  # nearer than that nobody asks for a filter
LEFT_STOPS = 0.05  # what is left over and worth saying


@dataclass(frozen=True, kw_only=True, slots=True)
class ForTime:
    """An aperture (none of a pinhole), a neutral filter beside those that are on, and how far the
    time they ask for is over the wanted one."""

    aperture: str | None
    filter_id: str | None
    left_stops: float
    ruled_out: bool
    says: str


def for_time(
    scene: Scene, kit: SceneKit, neutrals: Iterable[KitFilter], wanted_s: float
) -> ForTime:
    """The nearest to a time: an aperture alone where it comes within a sixth of a stop, else with
    the neutral filter that comes nearest; Impossible when nothing comes within a stop."""
    alone = list(_apertures(scene, kit, None, wanted_s))
    best = min(alone, key=_distance)
    if _distance(best) >= NEAR_STOPS:
        worn = {each.id for each in kit.filters}
        others = [each for each in neutrals if each.id not in worn and goes_on(each, kit.lens)]
        with_grey = (one for each in others for one in _apertures(scene, kit, each, wanted_s))
        best = min([best, *with_grey], key=_distance)
    if abs(best.left_stops) > 1:
        raise Impossible(
            f"Nothing here gives {time_text(wanted_s)}: the nearest: {best.says}. A neutral"
            " filter in Kit, or another film, comes nearer.",
            field="text",
        )
    return best


def _distance(each: ForTime) -> float:
    """What is ruled out for another reason comes after what is not."""
    return abs(each.left_stops) + 2 * each.ruled_out


def _apertures(
    scene: Scene, kit: SceneKit, grey: KitFilter | None, wanted_s: float
) -> Iterator[ForTime]:
    worn = replace(kit, filters=(*kit.filters, grey)) if grey else kit
    answer = exposure(plan(scene, worn))
    times: list[tuple[str | None, float, bool]]
    if kit.pinhole is not None:
        times = [(None, answer.corrected_s, False)]
    else:
        times = [
            (each.aperture, each.corrected_s, bool(each.ruled_out_by))
            for each in answer.equivalents
        ]
    for aperture, seconds, ruled_out in times:
        left = math.log2(seconds / wanted_s)
        yield ForTime(
            aperture=aperture,
            filter_id=grey.id if grey else None,
            left_stops=left,
            ruled_out=ruled_out,
            says=_says(aperture, grey, seconds, left),
        )


def _says(aperture: str | None, grey: KitFilter | None, seconds: float, left: float) -> str:
    said = f"f/{aperture}" if aperture else "the pinhole"
    if grey is not None:
        said += f" with {grey.name}"
    over = f", {stops_words(left)} from it" if abs(left) >= LEFT_STOPS else ""
    return f"{said} gives {time_text(seconds)}{over}"
