"""Curves of a film test out and in: a table for a spreadsheet, CGATS text.

The table has a row for each step: curve, minutes, base plus fog, the EI the meter was set to (empty
for log H in lux seconds), exposure, density. CGATS holds a set for each curve, with the same said
in lines of remark before it.
"""

from __future__ import annotations

import csv
import io
import re
from collections.abc import Iterator, Mapping, Sequence

from emulsa.core.bench.record import FilmTest
from emulsa.core.errors import CoreError, Unreadable
from emulsa.core.numbers import plain
from emulsa.core.sensitometry.curve import Curve, DensityStep, LuxSeconds, Metered
from emulsa.exchange import densities
from emulsa.exchange.csv_table import csv_file
from emulsa.exchange.csv_table import plain as as_typed

TITLES = ("curve", "minutes", "base_plus_fog", "ei", "exposure", "density")
MOST_CURVES = 12
REMARK = re.compile(r"#\s*(minutes|base_plus_fog|ei)\s+(\S+)\s*")


def table(test: FilmTest) -> bytes:
    """A test's curves for a spreadsheet."""
    rows = (
        [curve.id, curve.minutes, curve.base_fog, _ei(curve), _at(step), step.density]
        for curve in test.curves
        for step in curve.steps
    )
    return csv_file([TITLES, *rows])


def cgats(test: FilmTest) -> bytes:
    """A test's curves as CGATS text, each a set of its own."""
    sets = []
    for curve in test.curves:
        at = "STOPS" if curve.exposure.kind == "metered" else "LOG_H"
        data = [(place, _at(step), step.density) for place, step in enumerate(curve.steps, start=1)]
        said = {"minutes": curve.minutes, "base_plus_fog": curve.base_fog, "ei": _ei(curve)}
        remarks = [f"# {name} {plain(v)}" for name, v in said.items() if v is not None]
        body = densities.written(["SAMPLE_ID", at, "D_VIS"], data)
        sets.append("\n".join([f"# {curve.id}", *remarks, body]))
    return "\n".join(sets).encode()


def read(text: str) -> tuple[Curve, ...]:
    """Curves out of such a table or such sets; Unreadable, with what is wrong, for others."""
    plain_text = text.lstrip("\ufeff")
    try:
        found = tuple(_sets(plain_text) if "BEGIN_DATA" in plain_text else _rows(plain_text))
    except CoreError as refusal:
        raise Unreadable(refusal.message, field="text") from None
    if not found:
        raise Unreadable("There is no curve in this file.", field="text")
    if len(found) > MOST_CURVES:
        raise Unreadable(f"A test has {MOST_CURVES} curves at most.", field="text")
    return found


def _rows(text: str) -> Iterator[Curve]:
    rows = csv.DictReader(io.StringIO(text), delimiter=";" if ";" in text.split("\n")[0] else ",")
    missing = [each for each in TITLES if each not in (rows.fieldnames or ())]
    if missing:
        raise Unreadable(
            f"The table lacks the column {missing[0]}; it needs {', '.join(TITLES)}.", field="text"
        )
    by_curve: dict[str, list[Mapping[str, str]]] = {}
    for row in rows:
        by_curve.setdefault(as_typed((row["curve"] or "").strip()) or "curve", []).append(row)
    for name, steps in by_curve.items():
        first = steps[0]
        yield _curve(
            name,
            {key: first[key] for key in ("minutes", "base_plus_fog", "ei")},
            [(_number(each["exposure"]), _number(each["density"])) for each in steps],
        )


def _sets(text: str) -> Iterator[Curve]:
    for number, part in enumerate(re.split(r"(?<=END_DATA)\s*\n(?=\s*(?:#|CGATS))", text), start=1):
        said = {found[1]: found[2] for found in REMARK.finditer(part)}
        first = part.strip().split("\n")[0]
        name = first[1:].strip() if first.startswith("#") else f"curve {number}"
        by_light = re.search(r"\bLOG_H\b", part) is not None
        at = densities.column(part, "LOG_H" if by_light else "STOPS")
        found = densities.read(part).densities
        if len(at) != len(found):
            raise Unreadable("Each density needs its exposure, STOPS or LOG_H.", field="text")
        if not by_light and "ei" not in said:
            said["ei"] = "100"
        yield _curve(name, said, list(zip(at, found, strict=True)))


def _curve(name: str, said: Mapping[str, str], steps: Sequence[tuple[float, float]]) -> Curve:
    ei = said.get("ei") or ""
    exposure = (
        Metered(kind="metered", ei=_number(ei)) if ei.strip() else LuxSeconds(kind="lux_seconds")
    )
    minutes = said.get("minutes") or ""
    return Curve(
        id=name[:64],
        minutes=_number(minutes) if minutes.strip() else None,
        base_fog=_number(said.get("base_plus_fog") or ""),
        exposure=exposure,
        steps=tuple(
            DensityStep(density=density, stops=at)
            if exposure.kind == "metered"
            else DensityStep(density=density, log_h=at)
            for at, density in steps
        ),
    )


def _number(cell: str | None) -> float:
    text = (cell or "").strip().replace("−", "-").replace(",", ".")
    try:
        value = float(text)
    except ValueError:
        raise Unreadable(f"“{text[:40]}” is no number.", field="text") from None
    if not abs(value) < 1e9:
        raise Unreadable(f"“{text[:40]}” is no number one can use.", field="text")
    return value


def _at(step: DensityStep) -> float:
    return step.stops if step.stops is not None else step.log_h or 0.0


def _ei(curve: Curve) -> float | None:
    return curve.exposure.ei if isinstance(curve.exposure, Metered) else None
