"""Cards that turn a meter's time into the time to give."""

from __future__ import annotations

import math

from emulsa.core.cards.table import Card
from emulsa.core.corrections import reciprocity
from emulsa.core.corrections.optics import Pinhole
from emulsa.core.corrections.pinhole import converted_s, pinhole_f_number
from emulsa.core.data.sky import SKY_EV
from emulsa.core.errors import Missing
from emulsa.core.kit.bag import KitPinhole
from emulsa.core.kit.films import Film
from emulsa.core.kit.leaflet import leaflet_ev
from emulsa.core.light.hand_time import hand_time_s, time_text
from emulsa.core.light.marks import f_number, mark_text, seconds, time_scale
from emulsa.core.light.sky import SkyReading, sky_ev
from emulsa.core.numbers import plain
from emulsa.core.written import stops_text

METER_MARKS = ("1/250", "15")  # from bright sun to deep shade at f/22
RECIPROCITY_S = ("1", "1000")
READ_AT = "22"
BY_THE_SKY = "Told by the sky: one stop either way; bracket what matters."
BEYOND = "* beyond the film's data: carried on from its last step; bracket towards more."


def pinhole_chart(pinhole: KitPinhole, film: Film, read_at: str = READ_AT) -> Card:
    """The meter's time at f/22 → this pinhole's time on this film.

    t · (N/22.63)², then reciprocity. Missing when the film has no law.
    """
    law = _law(film)
    optics: Pinhole = pinhole.optics
    at = pinhole_f_number(optics.distance_mm, optics.diameter_mm)
    metered_at = f_number(read_at)
    rows, estimated, figures = [], [], []
    for mark, metered in _between(*METER_MARKS):
        plain_s = converted_s(metered, metered_at, at)
        given = reciprocity.corrected_s(law, plain_s)
        beyond = reciprocity.extrapolated(law, plain_s)
        rows.append((_dial(mark), time_text(plain_s), _given(given, beyond)))
        estimated.append(beyond)
        figures.append((metered, plain_s, given))
    return Card(
        title=f"Pinhole {pinhole.name}",
        holds_for=f"{film.name} at EI {plain(film.exposure_index)},"
        f" {mark_text(plain(round(at, 1)))}; set the meter to EI {plain(film.exposure_index)}",
        columns=(f"meter at {mark_text(read_at)}", "uncorrected", "give"),
        rows=tuple(rows),
        estimated=tuple(estimated),
        notes=_notes(estimated),
        figured=("metered_s", "uncorrected_s", "give_s"),
        figures=tuple(figures),
    )


def sky_chart(pinhole: KitPinhole, film: Film) -> Card:
    """The sky → this pinhole's time on this film: by its leaflet, else by the table of skies.

    t = N² / 2^EV · 100/EI, then reciprocity. Missing when the film has no law.
    """
    law, leaflet = _law(film), pinhole.leaflet
    at = pinhole_f_number(pinhole.optics.distance_mm, pinhole.optics.diameter_mm)
    rows, estimated = [], []
    for sky in SKY_EV:
        told = leaflet_ev(leaflet, sky, at) if leaflet else None
        for snow in (True, False) if sky == "bright sun" else (False,):
            reading = SkyReading(sky=sky, snow=snow, leaflet_ev=told)
            plain_s = at**2 / 2 ** sky_ev(reading) * 100 / film.exposure_index
            given = reciprocity.corrected_s(law, plain_s)
            beyond = reciprocity.extrapolated(law, plain_s)
            told_of = leaflet is not None and not snow and sky != "deep shade"
            said = time_text(leaflet.time_s(sky)) if leaflet and told_of else "–"
            row = (sky + ", snow or sand" * snow, said, time_text(plain_s), _given(given, beyond))
            rows.append(row if leaflet else (row[0], *row[2:]))
            estimated.append(beyond)
    columns = ("sky", "leaflet", "before reciprocity", "give")
    return Card(
        title=f"Pinhole {pinhole.name} by the sky",
        holds_for=f"{film.name} at EI {plain(film.exposure_index)},"
        f" {mark_text(plain(round(at, 1)))}; subject lit from the front",
        columns=columns if leaflet else (columns[0], *columns[2:]),
        rows=tuple(rows),
        estimated=tuple(estimated),
        notes=(BY_THE_SKY, *_notes(estimated)),
    )


def reciprocity_chart(film: Film) -> Card:
    """Metered → given times of one film, by half stops from one second."""
    law = _law(film)
    rows, estimated, figures = [], [], []
    first, last = (float(each) for each in RECIPROCITY_S)
    for step in range(round(2 * math.log2(last / first)) + 1):
        metered = hand_time_s(first * 2 ** (step / 2))
        given = reciprocity.corrected_s(law, metered)
        change = reciprocity.development_change(law, metered)
        beyond = reciprocity.extrapolated(law, metered)
        rows.append(
            (
                time_text(metered),
                _given(given, beyond),
                stops_text(math.log2(given / metered)),
                "" if abs(change - 1) < 0.005 else f"{100 * (change - 1):+.0f} %".replace("-", "−"),
            )
        )
        estimated.append(beyond)
        figures.append((metered, given, math.log2(given / metered), change))
    width = 4 if any(row[3] for row in rows) else 3  # no column for what this film never asks
    return Card(
        title=f"Long times on {film.name}",
        holds_for="after filters and bellows, before opening the shutter",
        columns=("metered", "give", "stops of time", "development")[:width],
        rows=tuple(row[:width] for row in rows),
        estimated=tuple(estimated),
        notes=_notes(estimated),
        figured=("metered_s", "give_s", "stops", "development_change"),
        figures=tuple(figures),
    )


def _law(film: Film) -> reciprocity.Law:
    if film.law is None:
        raise Missing(
            f"{film.name} has no reciprocity law yet; give it one in Kit.", field="film_id"
        )
    return film.law


def _between(fastest: str, slowest: str) -> list[tuple[str, float]]:
    low, high = seconds(fastest), seconds(slowest)
    return [mark for mark in time_scale("full") if low <= mark[1] <= high]


def _dial(mark: str) -> str:
    return mark if "/" in mark else f"{mark} s"


def _given(given: float, beyond: bool) -> str:
    return time_text(hand_time_s(given)) + ("*" if beyond else "")


def _notes(estimated: list[bool]) -> tuple[str, ...]:
    return (BEYOND,) if any(estimated) else ()
