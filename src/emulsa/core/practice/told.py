"""The verdict in words: by how much and why, what every place became, and what to practise."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace

from emulsa.core.data.exercises import EXPLANATIONS, Topic
from emulsa.core.data.practised import SHORTLY, SHOWN_BY_SCENES
from emulsa.core.light.hand_time import time_text
from emulsa.core.light.marks import mark_text
from emulsa.core.practice.best import asked_of
from emulsa.core.practice.exposing import read_again
from emulsa.core.practice.met import told as met_told
from emulsa.core.practice.record import PractisedScene
from emulsa.core.practice.scene import PracticeScene, Zones, made
from emulsa.core.practice.spot import SceneMetered
from emulsa.core.practice.verdict import (
    Cause,
    PatchJudged,
    SceneJudged,
    SceneJudgeRequest,
    scene_judge,
)
from emulsa.core.rendering.preview import photo_preview
from emulsa.core.rendering.previewed import (
    FlareByShare,
    PhotoPreviewRequest,
    PlacedAt,
    PreviewPlan,
)
from emulsa.core.rendering.tones import carried
from emulsa.core.tones.development_number import PIVOT, n_text
from emulsa.core.tones.zones import MIDDLE, zone_text
from emulsa.core.written import size_text, size_words, stops_text

RIGHT_STOPS, RIGHT_ZONES = 1 / 6, 1 / 3  # so near is right (common practice, no source)
WORTH_SAYING = 1 / 12
LIGHT_MOVED = 1 / 2

LABELS: dict[Cause, str] = {
    "metering": "Meter",
    "light": "Light",
    "speed": "Film speed",
    "filter": "Filter",
    "bellows": "Bellows",
    "reciprocity": "Long exposure",
    "setting": "Setting",
    "reciprocity_and_setting": "Sum and setting",
}


@dataclass(frozen=True, slots=True)
class CauseTold:
    """A row of the ledger: a cause, its stops, and what was behind it."""

    label: str
    stops_text: str
    says: str


@dataclass(frozen=True, slots=True)
class PlaceTold:
    """A place: the zones it prints on as asked and as it became, and what that means of it."""

    name: str
    asked: float
    became: float
    asked_text: str
    became_text: str
    says: str
    right: bool


@dataclass(frozen=True, slots=True)
class PracticeVerdict:
    """What an exposure became: in a word, by causes, by places; what was misunderstood, and its
    topic; at which minute; greys along the EV axis for the print that was asked for and the one it
    became."""

    title: str
    brief: str
    total_text: str
    right: bool
    development_text: str
    causes: tuple[CauseTold, ...]
    places: tuple[PlaceTold, ...]
    summary: str
    misconception: str | None
    shortly: str
    explanation: str
    topic: Topic | None
    asked_text: str
    became_text: str
    minutes: float
    asked_grey: tuple[int, ...]
    became_grey: tuple[int, ...]


def verdict(practised: PractisedScene, asked: SceneJudgeRequest) -> PracticeVerdict:
    """The verdict on what was exposed."""
    judged = scene_judge(asked)
    then = _then(asked)
    print_asked, print_became = _prints(asked, judged, then)
    met = met_told(practised.source)
    places = tuple(_places(judged, print_asked, then))
    thought = judged.misconception or _light(judged)
    return PracticeVerdict(
        title=practised.scene.title,
        brief=met.brief,
        total_text=total_text(judged.total_stops),
        right=abs(judged.total_stops) <= RIGHT_STOPS,
        development_text=_development(judged),
        causes=tuple(_causes(practised, asked, judged)),
        places=places,
        summary=_summary(places, judged),
        misconception=thought,
        shortly=SHORTLY[thought] if thought else "",
        explanation=EXPLANATIONS[thought] if thought else "",
        topic=SHOWN_BY_SCENES.get(thought, "outing") if thought else None,
        asked_text=n_text(print_asked.n),
        became_text=f"{_aperture(asked)}, {time_text(asked.given_s)}, {n_text(asked.n)}",
        minutes=then.minutes,
        asked_grey=_grey(print_asked),
        became_grey=_grey(print_became),
    )


def total_text(stops: float) -> str:
    """How far an exposure is off, in a word.

    >>> total_text(-4 / 3), total_text(0.1), total_text(0.5)
    ('1⅓ stops under', 'right within ⅙ stop', '½ stop over')
    """
    if abs(stops) <= RIGHT_STOPS:
        return "right within ⅙ stop"
    return f"{size_words(stops)} {'over' if stops > 0 else 'under'}"


def _aperture(asked: SceneJudgeRequest) -> str:
    return mark_text(asked.aperture)


def _light(judged: SceneJudged) -> str | None:
    """The light that moved, where it is what went wrong."""
    moved = next(each.stops for each in judged.causes if each.cause == "light")
    return "light-change-ignored" if abs(moved) >= LIGHT_MOVED else None


def _then(asked: SceneJudgeRequest) -> PracticeScene:
    """The scene when the shutter opened."""
    if asked.exposed_minutes is None:
        return asked.scene
    return replace(asked.scene, minutes=asked.exposed_minutes)


def _prints(
    asked: SceneJudgeRequest, judged: SceneJudged, scene: PracticeScene
) -> tuple[PreviewPlan, PreviewPlan]:
    """The print the scene asked for and the one it became. Without zones to ask for it is the
    plan, with nothing gone wrong."""
    then = made(scene)
    lit = next(each for each in then.patches if each.name == asked.placed.patch)
    flare = FlareByShare(kind="share", share=asked.flare_share, mean_ev100=then.mean_ev100)
    became = PreviewPlan(
        id="became",
        placed=PlacedAt(ev100=lit.ev100, zone=asked.placed.zone),
        error_stops=judged.total_stops,
        n=asked.n,
        paper=asked.paper,
        flare=flare,
    )
    best = asked_of(scene)
    if best is not None:
        meant = replace(became, placed=None, camera_ev=best.camera_ev, n=best.n)
    else:
        wanted = asked.n if judged.n_wanted is None else judged.n_wanted
        meant = replace(became, n=min(max(wanted, -3.0), 3.0))
    return replace(meant, id="asked", error_stops=0.0), became


def _grey(plan: PreviewPlan) -> tuple[int, ...]:
    return photo_preview(PhotoPreviewRequest(plans=(plan,))).plans[0].grey


def _places(judged: SceneJudged, meant: PreviewPlan, scene: PracticeScene) -> Iterator[PlaceTold]:
    """Places a good print has on zones, or, where there are none, all of them."""
    zoned = [each for each in judged.patches if each.zones]
    evs = {each.name: each.ev100 for each in made(scene).patches}
    developed = carried(meant.n, PIVOT)
    for each in zoned or judged.patches:
        falls = each.falls
        if meant.camera_ev is not None:
            falls = MIDDLE + evs[each.name] - meant.camera_ev
        asked = developed(falls)
        yield PlaceTold(
            name=each.name,
            asked=asked,
            became=each.prints_as,
            asked_text=zone_text(_third(asked)),
            became_text=zone_text(_third(each.prints_as)),
            says=_said(each),
            right=abs(each.off_zones) <= RIGHT_ZONES,
        )


def _third(zone: float) -> float:
    return round(zone * 3) / 3


def _said(place: PatchJudged) -> str:
    """What became of a place."""
    off = place.off_zones
    if abs(off) <= RIGHT_ZONES:
        return ""
    side = "light" if off > 0 else "dark"
    lost = ", its texture lost" if place.texture == "none" and _keeps(place.zones) else ""
    return f"{size_text(_third(abs(off)))} zone{'s' if abs(off) > 1.1 else ''} too {side}{lost}"


def _keeps(zones: Zones | None) -> bool:
    """Whether a good print has texture there."""
    return zones is not None and zones[1] >= 2 and zones[0] <= 8


def _summary(places: tuple[PlaceTold, ...], judged: SceneJudged) -> str:
    """The two places that are farthest off, and what would have kept them."""
    wrong = sorted(
        (each for each in places if not each.right),
        key=lambda each: -abs(each.became - each.asked),
    )[:2]
    if not wrong:
        return "Every place prints where a good print has it."
    said = "; ".join(f"{each.name}: {each.says}" for each in wrong)
    said = said[0].upper() + said[1:]
    if abs(judged.total_stops) <= RIGHT_STOPS:
        return f"{said}."
    more = "less" if judged.total_stops > 0 else "more"
    return f"{said}. {_capital(size_words(judged.total_stops))} {more} was what the plan wanted."


def _capital(text: str) -> str:
    return text[0].upper() + text[1:]


def _development(judged: SceneJudged) -> str:
    """How the development suits the highlight."""
    off, wanted = judged.development_off_zones, judged.n_wanted
    if off is None or wanted is None:
        return "no highlight marked to develop for"
    if abs(off) <= RIGHT_ZONES:
        return "development right within ⅓ zone"
    return (
        f"development puts the highlight {size_text(_third(abs(off)))} zone"
        f"{'s' if abs(off) > 1.1 else ''} too {'high' if off > 0 else 'low'}"
    )


def _causes(
    practised: PractisedScene, asked: SceneJudgeRequest, judged: SceneJudged
) -> Iterator[CauseTold]:
    """The ledger: what made the exposure differ, with the placing in its place."""
    taken = _taken(practised, asked)
    for each in judged.causes:
        says = _why(asked, each.cause, each.stops, taken)
        if each.cause in ("metering", "light", "setting", "reciprocity_and_setting") or says:
            yield CauseTold(LABELS[each.cause], stops_text(_worth_saying(each.stops)), says)
        if each.cause == "metering":
            yield _placing(asked, judged)


def _worth_saying(stops: float) -> float:
    """As it is, or nought where it is too little to be said."""
    return 0.0 if abs(stops) < WORTH_SAYING else stops


def _taken(practised: PractisedScene, asked: SceneJudgeRequest) -> SceneMetered | None:
    for each in practised.scene.readings:
        found = read_again(practised, each.id)
        if found and found.patch == asked.placed.patch:
            return found
    return None


def _placing(asked: SceneJudgeRequest, judged: SceneJudged) -> CauseTold:
    zone, off = zone_text(_third(asked.placed.zone)), judged.placement_off_zones
    of = f"{zone} for {asked.placed.patch}"
    if abs(off) <= RIGHT_ZONES:
        return CauseTold("Placement", "0", f"{of}: as asked")
    side = "high" if off > 0 else "low"
    amount = f"{size_text(_third(abs(off)))} zone{'s' if abs(off) > 1.1 else ''}"
    return CauseTold("Placement", "", f"{of}: {amount} too {side}")


def _why(asked: SceneJudgeRequest, cause: Cause, stops: float, taken: SceneMetered | None) -> str:
    """What was behind a cause; nothing where it says itself."""
    small = abs(stops) < WORTH_SAYING
    if cause == "metering":
        return _metering(taken)
    if cause == "light":
        waited = (asked.exposed_minutes or 0) - asked.scene.minutes
        if small:
            return "as it was read"
        return f"{'brighter' if stops > 0 else 'darker'} {waited:.0f} min after the reading"
    if cause == "speed":
        true = asked.true_ei or asked.ei
        return "" if small else f"exposed at EI {asked.ei:g}; the film’s own is {true:g}"
    if cause in ("filter", "bellows"):
        told = asked.filter_stops if cause == "filter" else asked.bellows_stops
        if small:
            return f"{size_words(told.due)}, counted" if told.due > WORTH_SAYING else ""
        counted = "left out" if not told.counted else f"{size_words(told.counted)} counted"
        return f"{counted}; {size_words(told.due)} due"
    if cause == "reciprocity":
        if small or asked.computed_s is None:
            return ""
        return f"your sum was {time_text(asked.computed_s)}"
    if cause == "setting" and asked.computed_s is not None:
        given, due = time_text(asked.given_s), time_text(asked.computed_s)
        return given if given == due else f"{given} for {due}"
    return f"{time_text(asked.given_s)} given"


def _metering(taken: SceneMetered | None) -> str:
    """What the spot took in."""
    if taken is None:
        return "typed, not read off the scene"
    told = []
    beside = 1 - taken.share_of_patch
    if beside > 0.02:
        told.append(f"{beside:.0%} of the circle lay beside it".replace("%", " %"))
    for each in taken.causes:
        if each.cause in ("surround", "flare", "noise", "dial") and abs(each.stops) >= 1 / 6:
            way = "high" if each.stops > 0 else "low"
            told.append(f"read {size_words(each.stops)} {way} by {SAID[each.cause]}")
    return ", ".join(told) or "the spot read the place alone"


SAID = {
    "surround": "what the circle held",
    "flare": "stray light in the meter",
    "noise": "the meter’s own doubt",
    "dial": "the dial’s step",
}
