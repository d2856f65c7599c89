"""A paper measured: the contact proof of a step tablet, its reflection densities read.

Behind a step the paper had less light by the step's density. Its range is the log exposure from
0.04 above its white to 90 % of its net black (ISO 6846, from memory).
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Annotated

from emulsa.core import tables
from emulsa.core.bench.tablet import Tablet, Target, densities_of
from emulsa.core.errors import Unsound
from emulsa.core.kit.printing import PaperFilter, PrintingPaper
from emulsa.core.limits import Id, Label, Length
from emulsa.core.rendering.paper import ABOVE_WHITE, OF_BLACK, PaperStep
from emulsa.core.sensitometry.curve import Density
from emulsa.core.straight import straight

FALLS = 0.03  # between neighbours: what a reflection reading wanders


@dataclass(frozen=True, kw_only=True, slots=True)
class Proof:
    """A proof through one filter: the tablet, and the paper's densities behind its steps, from the
    densest step on, that is from the paper's white to its black."""

    paper_id: Id
    label: Label
    target: Target = "21-step tablet"
    tablet: Tablet = ()
    densities: Annotated[tuple[Density, ...], Length("Densities of a proof", 5, 60, tables.numbers)]


@dataclass(frozen=True, kw_only=True, slots=True)
class ProofRead:
    """The paper as this proof shows it."""

    range: float
    white: float
    black: float
    steps: tuple[PaperStep, ...]
    says: str


def read(proof: Proof) -> ProofRead:
    """Unsound when the numbers do not belong together, or the proof shows no black or white."""
    tablet = densities_of(proof.target, proof.tablet if proof.target == "own tablet" else ())
    if len(tablet) != len(proof.densities):
        raise Unsound(
            f"This tablet has {len(tablet)} steps, and there are {len(proof.densities)} densities.",
            field="densities",
            allowed=[len(tablet), len(tablet)],
        )
    points = [(-step, density) for step, density in zip(tablet, proof.densities, strict=True)]
    rising = _rising(points)
    white, black = rising[0][1], rising[-1][1]
    low, high = white + ABOVE_WHITE, white + OF_BLACK * (black - white)
    if rising[1][1] > low or rising[-2][1] < high:
        raise Unsound(
            "The proof must reach from paper white to full black: give it less, or more, light.",
            field="densities",
        )
    turned = [(y, x) for x, y in rising]
    found = straight(turned, high) - straight(turned, low)
    return ProofRead(
        range=round(found, 2),
        white=white,
        black=black,
        steps=tuple(PaperStep(log_h=x, density=y) for x, y in rising),
        says=f"Range {found:.2f} (ISO R {100 * found:.0f}), white {white:.2f}, black {black:.2f}.",
    )


def measured_paper(paper: PrintingPaper, proof: Proof) -> PrintingPaper:
    """The paper with what the proof shows of one filter: its range there, white and black; with a
    single filter its steps are the paper's own."""
    found = read(proof)
    known = next((each for each in paper.filters if each.label == proof.label), None)
    if known is None:
        named: PaperFilter = PaperFilter(label=proof.label, range=found.range)
        filters = (*paper.filters, named)
    else:
        filters = tuple(
            replace(each, range=found.range) if each is known else each for each in paper.filters
        )
    return replace(
        paper,
        filters=filters,
        dmin=min(max(found.white, 0.0), 0.5),
        dmax=found.black,
        steps=found.steps if len(filters) == 1 else paper.steps,
    )


def _rising(points: Sequence[tuple[float, float]]) -> list[tuple[float, float]]:
    rising = [points[0]]
    for x, y in points[1:]:
        if y < rising[-1][1] - FALLS:
            raise Unsound(
                f"With more light the paper gets lighter here, from {rising[-1][1]:.2f} to"
                f" {y:.2f}; read it from white to black.",
                field="densities",
            )
        rising.append((x, max(y, rising[-1][1] + 1e-6)))
    return rising
