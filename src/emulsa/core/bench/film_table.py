"""Many films against one reference, a line each: figures and words that can be sorted by."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from emulsa.core.bench.beside_words import speed_words, straight_words
from emulsa.core.bench.record import FilmTest
from emulsa.core.sensitometry.compare import OtherAnswer
from emulsa.core.written import money_text

COLUMNS = (
    ("speed", "Speed"),
    ("fog", "Fog"),
    ("straightness", "Straightness"),
    ("shadows", "Shadows"),
    ("mids", "Middle tones"),
    ("highlights", "High tones"),
    ("grain", "Grain"),
    ("edge", "Edge"),
    ("price", "A picture"),
    ("verdict", "Verdict"),
)
# best first, as one reads a table
GRAINS, GRADES = ("fine", "medium", "coarse"), ("good", "fair", "poor")


@dataclass(frozen=True, kw_only=True, slots=True)
class FilmCell:
    """What stands in the table, and what it is sorted by; nothing where it is not known."""

    text: str = ""
    order: float | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class FilmLine:
    """A film in the table, its cells in the order of its columns."""

    id: str
    title: str
    cells: tuple[FilmCell, ...]


@dataclass(frozen=True, kw_only=True, slots=True)
class FilmTable:
    """The reference, then every film beside it."""

    columns: tuple[tuple[str, str], ...]
    lines: tuple[FilmLine, ...]


def film_table(
    reference: FilmTest, films: Sequence[tuple[FilmTest, OtherAnswer | None]]
) -> FilmTable:
    """The table: a film without a curve has only what the eye says of it."""
    own = (
        FilmCell(text="reference", order=0.0),
        FilmCell(text="reference", order=0.0),
        FilmCell(text="reference", order=1.0),
        *(FilmCell(text="1.00", order=1.0) for _ in range(3)),
    )
    return FilmTable(
        columns=COLUMNS,
        lines=(
            FilmLine(id=reference.id, title=reference.title, cells=(*own, *_seen(reference))),
            *(
                FilmLine(id=test.id, title=test.title, cells=(*_figures(one), *_seen(test)))
                for test, one in films
            ),
        ),
    )


def _figures(one: OtherAnswer | None) -> tuple[FilmCell, ...]:
    if one is None:
        return (FilmCell(),) * 6
    fog = one.base_fog_difference
    rough = one.bumpiness_ratio
    apart = one.separation_ratio
    return (
        FilmCell(text=speed_words(one), order=-one.speed_stops),
        FilmCell(text=f"{'−' if fog < 0 else '+'}{abs(fog):.2f}", order=fog),
        FilmCell() if rough is None else FilmCell(text=straight_words(rough), order=rough),
        *map(_ratio, (apart.shadows, apart.mids, apart.highlights)),
    )


def _ratio(ratio: float | None) -> FilmCell:
    return FilmCell() if ratio is None else FilmCell(text=f"{ratio:.2f}", order=-ratio)


def _seen(test: FilmTest) -> Iterator[FilmCell]:
    seen = test.observed
    yield _word(seen.grain, GRAINS)
    yield _word(seen.sharpness, GRADES)
    yield FilmCell(text="" if seen.price is None else money_text(seen.price), order=seen.price)
    yield FilmCell(text=test.verdict)


def _word(word: str, best_first: Sequence[str]) -> FilmCell:
    return FilmCell(text=word, order=float(best_first.index(word)) if word else None)
