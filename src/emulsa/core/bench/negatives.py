"""Negatives of a film, as they are looked at to learn from them."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from emulsa.core.bench.measured import Measured
from emulsa.core.bench.range import Range
from emulsa.core.development.negative import Tankful
from emulsa.core.film.judgement import Judgement
from emulsa.core.logged.log import light_stops
from emulsa.core.logged.record import Shot
from emulsa.core.sensitometry.belief import Highlight, Shadow
from emulsa.core.sensitometry.learned import LearnAnswer

NOT_MEASURED = Measured()


@dataclass(frozen=True, kw_only=True, slots=True)
class Developed:
    """A developed negative as it is kept: its exposures in their order, its judgement if it has
    one, the falls it was planned with, the index it was worked out at, and how it was developed.

    ``minutes`` are those its run was set up for, ``went_minutes`` those its clock counted.
    """

    piece_id: str
    label: str
    scene: str
    shots: Sequence[Shot]
    judgement: Judgement | None = None
    falls: Mapping[str, float] | None = None
    worked_ei: float | None = None
    minutes: float | None = None
    went_minutes: float | None = None
    tankful: Tankful = Tankful()

    @property
    def last(self) -> Shot:
        """The exposure whose plan counts."""
        return self.shots[-1]

    @property
    def light_stops(self) -> float:
        """How far its light was off the plan's, its place in a bracket included."""
        return light_stops(self.shots) + self.last.bracket_stops


@dataclass(frozen=True, kw_only=True, slots=True)
class Judged:
    """A negative that counts: where it lay, what it was given against its plan, what it showed.

    ``ei`` is the index it was made at, set against the film's own for its N; empty where the index
    held a filter. ``developed_zones``: its minutes stand so far above the recipe's own word for its
    N. ``left_out`` is the reason it teaches nothing; ``says`` tells the negative in a line.
    ``shadow`` and ``highlight`` are empty where nobody looked.
    """

    piece_id: str
    label: str
    scene: str
    error_stops: float
    n: float
    shadow: Shadow | None
    highlight: Highlight | None
    ei: float | None = None
    measured: Measured = NOT_MEASURED
    developed_zones: float = 0.0
    passed_over: str = ""
    left_out: str = ""
    says: str = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class Learned:
    """What the negatives of a film in a recipe say, in words where minutes and EI are chosen; what
    taking it over does (``use_text``, ``rate_text``), and both drawn; ``latitudes`` tells how far
    judged brackets print."""

    recipe_id: str
    film_name: str
    recipe_name: str
    answer: LearnAnswer
    negatives: tuple[Judged, ...]
    without: tuple[str, ...]
    minutes_text: str
    ei_text: str
    use_text: str = ""
    rate_text: str = ""
    minutes_range: Range | None = None
    ei_range: Range | None = None
    latitudes: tuple[str, ...] = ()
