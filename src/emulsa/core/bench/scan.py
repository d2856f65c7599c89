"""Densities from the scan of a strip: patches laid over it, levels measured, densities with how
sure they are."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from emulsa.core.bench.record import StripScan
from emulsa.core.errors import Missing
from emulsa.core.logged.attachment import PicturePlace
from emulsa.core.sensitometry.scanning import (
    Sample,
    SampleAnswer,
    ScanRequest,
    WedgeStep,
    scan_density,
)

UNSURE = 0.03  # of density: what a hand densitometer wanders at most


@dataclass(frozen=True, kw_only=True, slots=True)
class PatchRead:
    """What was read under a patch, and how sure it is."""

    id: str
    density_text: str
    doubt_text: str


@dataclass(frozen=True, kw_only=True, slots=True)
class ScanRead:
    """Every patch's density, from the least exposed on, to be shown and as they are typed; what is
    clear film, and what to look at."""

    patches: tuple[PatchRead, ...]
    column: str
    fog_text: str
    densities: tuple[float, ...]
    base_fog: float | None
    says: tuple[str, ...]


def spots(scan: StripScan) -> tuple[PicturePlace, ...]:
    """Every place that is measured: the patches, clear film, the wedge."""
    return (*scan.patches, *((scan.clear,) if scan.clear else ()), *scan.wedge)


def densities(scan: StripScan, white: float, levels: Sequence[tuple[float, float]]) -> ScanRead:
    """What the levels of ``spots`` say; Missing without clear film or a wedge."""
    if scan.clear is None and len(scan.wedge) < 2:
        raise Missing(
            "Mark clear film, or two steps of a wedge: a level alone is no density.", field="clear"
        )
    count = len(scan.patches)
    patches = levels[:count]
    clear = levels[count] if scan.clear else None
    wedge = levels[count + (1 if scan.clear else 0) :]
    by_wedge = len(scan.wedge) >= 2
    samples = [
        Sample(id=str(place), level=level, spread=spread)
        for place, (level, spread) in enumerate(patches, start=1)
    ]
    if clear is not None and by_wedge:
        samples.append(Sample(id="clear", level=clear[0], spread=clear[1]))
    answer = scan_density(
        ScanRequest(
            encoding=scan.encoding,
            white=white,
            wedge=tuple(
                WedgeStep(level=level, density=spot.density)
                for (level, _), spot in zip(wedge, scan.wedge, strict=True)
            ),
            clear_level=clear[0] if clear else None,
            samples=tuple(samples),
        )
    )
    found = answer.samples[:count]
    fog = answer.samples[count].density if clear is not None and by_wedge else None
    fog = fog if fog is None else max(fog, 0.0)  # clear film is the wedge's own zero, or above it
    return ScanRead(
        patches=tuple(_patch(each) for each in found),
        column="\n".join(f"{each.density:.3f}" for each in found if each.density is not None),
        fog_text="" if fog is None else f"{fog:.2f}",
        densities=tuple(each.density for each in found if each.density is not None),
        base_fog=fog,
        says=tuple(_said(found, by_wedge)),
    )


def _patch(sample: SampleAnswer) -> PatchRead:
    doubt = "" if sample.uncertainty is None else f"±{sample.uncertainty:.2f}"
    density = "none" if sample.density is None else f"{sample.density:.2f}"
    return PatchRead(id=sample.id, density_text=density, doubt_text=doubt)


def _said(samples: Sequence[SampleAnswer], by_wedge: bool) -> list[str]:
    said = []
    clipped = [each.id for each in samples if each.clipped]
    beyond = [each.id for each in samples if each.extrapolated and not each.clipped]
    unsure = [each.id for each in samples if each.uncertainty and each.uncertainty > UNSURE]
    if not by_wedge:
        said.append(
            "Densities are above clear film, as far as the scanner is true; a wedge of known"
            " densities beside the strip makes them sure."
        )
    if clipped:
        said.append(f"Patch {', '.join(clipped)}: the scanner is at its end; use more light.")
    if beyond:
        said.append(f"Patch {', '.join(beyond)}: beyond the wedge, drawn on with its last slope.")
    if unsure:
        said.append(f"Patch {', '.join(unsure)}: uneven; move it, or make the patches smaller.")
    return said
