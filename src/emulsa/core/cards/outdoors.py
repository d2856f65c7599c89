"""Cards for where no lamp is on: a month's light, depth and tilt of a lens, the night."""

from __future__ import annotations

import calendar
import math

from emulsa.core.cards.table import Card
from emulsa.core.corrections import reciprocity
from emulsa.core.corrections.aperture_choice import Format, blur_for
from emulsa.core.corrections.optics import apertures
from emulsa.core.corrections.sharpness import hyperfocal_mm
from emulsa.core.data.sky import STREETS
from emulsa.core.errors import Missing
from emulsa.core.kit.bag import KitLens
from emulsa.core.kit.films import Film
from emulsa.core.light.estimated import ByMoon, OfMoon, sky_light
from emulsa.core.light.hand_time import time_text
from emulsa.core.light.marks import OLD, f_number, mark_text
from emulsa.core.moments import moment_at, seconds
from emulsa.core.numbers import number_text, plain
from emulsa.core.sky.at import SkyRequest, sky
from emulsa.core.sky.clock import clock, place_text
from emulsa.core.sky.compass import compass_text
from emulsa.core.sky.day import Crossings, SkyDayRequest, sky_day
from emulsa.core.sky.horizon import SkyPlace
from emulsa.core.sky.stars import StarTimeRequest, star_time
from emulsa.core.tones.zones import ev_text
from emulsa.core.written import distance_text, length_text

DAY_S = 86_400.0
READ_AT = "8"  # the aperture a night card is for: wide, and marked on nearly every lens
HINGES_MM = (300.0, 500.0, 1_000.0, 1_500.0, 2_000.0, 3_000.0, 5_000.0)
SAFE = "Never look at the sun through a finder or a lens."
NIGHT = (
    "Estimated, common practice: one stop either way where no more is said; bracket what matters.",
    "Mind the way, the edge and the cold in the dark; tell somebody where you are.",
)


def light_chart(place: SkyPlace, title: str, begin: str) -> Card:
    """A month's light over a place, day by day; ``begin`` is the midnight its first day begins
    with, with its zone, and every time is by that zone."""
    year, month = int(begin[:4]), int(begin[5:7])
    first = seconds(begin)
    rows = []
    for day in range(calendar.monthrange(year, month)[1]):
        at = moment_at(first + day * DAY_S)
        found = sky_day(SkyDayRequest(place=place, from_=at))
        noon = sky(SkyRequest(place=place, moments=(moment_at(first + (day + 0.5) * DAY_S),))).at[0]
        crossings = found.crossings
        rows.append(
            (
                str(day + 1),
                _time(crossings.civil, "rises"),
                _time(crossings.sun, "rises", towards=True),
                _time(crossings.low_sun, "rises"),
                _time(crossings.low_sun, "sets"),
                _time(crossings.sun, "sets", towards=True),
                _time(crossings.civil, "sets"),
                _time(crossings.moon, "rises", towards=True),
                f"{100 * noon.moon.illuminated_share:.0f}",
            )
        )
    return Card(
        title=f"Light over {title}",
        holds_for=f"{calendar.month_name[month]} {year}, {place_text(place)}, UTC{_zone(begin)}",
        columns=(
            "day", "dawn", "sunrise", "low sun to", "low sun from", "sunset", "dusk to",
            "moonrise", "lit, %",
        ),
        rows=tuple(rows),
        notes=("To two minutes, by one zone all month; hills come in the way.", SAFE),
    )  # fmt: skip


def _zone(begin: str) -> str:
    zone = begin[19:]
    return "" if zone in ("Z", "+00:00") else f" {zone}"


def _time(crossings: Crossings, way: str, *, towards: bool = False) -> str:
    found = crossings.rises if way == "rises" else crossings.sets
    if not found:
        return "–"
    said = clock(found[0].minutes)
    return f"{said} {compass_text(found[0].azimuth_deg)}" if towards else said


def depth_chart(lens: KitLens, format_mm: Format | None, blur_mm: float | None) -> Card:
    """What each whole stop of a lens holds: the spread between near and far on the ground glass,
    and from where to the horizon; the tilt for a hinge below the lens."""
    optics, blur = lens.optics, blur_for(blur_mm, format_mm)
    focal = optics.focal_length_mm
    series = optics.aperture_series
    marks = apertures(optics, 22.6, series if series in OLD else "full")
    rows, figures = [], []
    for mark, number in marks:
        spread = 2 * number * blur  # at infinity; close up (1 + m) times as much
        far = hyperfocal_mm(focal, number, blur)
        rows.append(
            (
                mark_text(mark),
                length_text(round(spread, 1 if spread >= 1 else 2)),
                distance_text(far),
                distance_text(far / 2),
            )
        )
        figures.append((number, spread, far))
    tilts = [
        f"{distance_text(hinge)} {math.degrees(math.asin(focal / hinge)):.1f}°"
        for hinge in HINGES_MM
        if focal / hinge < math.sin(math.radians(45))
    ]
    return Card(
        title=f"Depth and tilt of {lens.name}",
        holds_for=f"a blur of {length_text(round(blur, 3))} on the film; focus midway between near"
        " and far",
        columns=("aperture", "near to far on the glass", "focus on", "sharp from, to the horizon"),
        rows=tuple(rows),
        notes=(
            f"Tilt for a hinge so far below the lens: {', '.join(tilts)}.",
            "Close up the spread may be (1 + m) times as large; at 1 : 1 twice.",
        ),
        figured=("f_number", "spread_mm", "hyperfocal_mm"),
        figures=tuple(figures),
    )


def night_chart(film: Film, lens: KitLens | None, blur_mm: float) -> Card:
    """Light at night in words: its EV, and what this film takes at f/8; how long stars stay points
    with this lens."""
    if film.law is None:
        raise Missing(
            f"{film.name} has no reciprocity law yet; give it one in Kit.", field="film_id"
        )
    told: list[tuple[str, float, float]]
    told = [(word, ev, doubt) for word, (ev, doubt) in STREETS.items()]
    for word, phase in (("full moon", 180.0), ("half moon", 90.0)):
        found = sky_light(ByMoon(moon_altitude_deg=45, phase_deg=phase))
        told.append((f"{word}, high", found.ev100, found.doubt_stops))
    disc = sky_light(OfMoon(moon_altitude_deg=45, phase_deg=180))
    told.append(("the full moon itself", disc.ev100, disc.doubt_stops))
    rows, estimated, figures = [], [], []
    for word, ev, doubt in told:
        metered = f_number(READ_AT) ** 2 / 2**ev * 100 / film.exposure_index
        given = reciprocity.corrected_s(film.law, metered)
        beyond = reciprocity.extrapolated(film.law, metered)
        rows.append(
            (word, f"{ev_text(ev)} ±{number_text(doubt)}", f"{time_text(given)}{'*' * beyond}")
        )
        estimated.append(beyond)
        figures.append((ev, metered, given))
    notes = [*NIGHT]
    if lens is not None:
        star = star_time(
            StarTimeRequest(focal_length_mm=lens.optics.focal_length_mm, blur_mm=blur_mm)
        )
        stars = "" if star.stars_s is None else f"stars stay points to {time_text(star.stars_s)}, "
        notes.insert(
            0, f"With {lens.name} {stars}the moon stays round to {time_text(star.moon_round_s)}."
        )
    if any(estimated):
        notes.append("* beyond the film's data: bracket towards more.")
    return Card(
        title=f"Night on {film.name}",
        holds_for=f"EI {plain(film.exposure_index)}, f/{READ_AT}; the light falls a stop every four"
        " or five minutes after sunset",
        columns=("light", "EV at ISO 100", "give"),
        rows=tuple(rows),
        estimated=tuple(estimated),
        notes=tuple(notes),
        figured=("ev100", "metered_s", "give_s"),
        figures=tuple(figures),
    )
