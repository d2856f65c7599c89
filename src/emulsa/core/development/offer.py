"""What an exposure's error does in the print, and the development that is offered for it.

Development sets the *difference* between shadow and light; a negative with more light than planned
is printed longer. So an error is reported with what it does to the print's range, and another
development offered: it is never applied by itself. Stroebel et al., Basic Photographic Materials
and Processes (N); ranges by the normal negative, grades by ``paper_grade``.
"""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.development.recipes import Origin
from emulsa.core.light.hand_time import minutes_text
from emulsa.core.printing.grade import PaperGradeRequest, paper_grade
from emulsa.core.rendering.negative import net_density
from emulsa.core.tones.development_number import TARGET, WIDEST, lands, n_text
from emulsa.core.written import size_words

SHADOW = 3.0  # the zone of the shadow whose distance from the lights the print must hold
SHOWN_STOPS = 1 / 3  # an error smaller than this shows in no negative (common practice)
LEAST_RANGE = 0.01


@dataclass(frozen=True, kw_only=True, slots=True)
class Offer:
    """The development that would hold the lights where they were planned.

    ``range`` is the net density between the tones planned for III and VIII as they were exposed,
    developed as planned, ``range_held`` developed as offered; ``grade`` and ``grade_held`` the
    paper each wants. ``shown``: the error is large enough to be seen in a print.
    """

    n: float
    minutes: float
    minutes_text: str
    origin: Origin
    range: float
    grade: int | str
    range_held: float
    grade_held: int | str
    text: str
    shown: bool = False


def held_n(n: float, error_stops: float) -> float:
    """N − error, within the Ns there are: what would bring the lights to where they were planned.

    >>> held_n(0, 1), held_n(-1, -0.5), held_n(-5, 2)
    (-1, -0.5, -5.0)
    """
    return max(-WIDEST, min(WIDEST, n - error_stops))


def printed_range(n: float, error_stops: float, developed: float) -> float:
    """Net density between the tones planned for III and VIII, exposed off and developed for N.

    >>> round(printed_range(0, 1, 0), 3), round(printed_range(0, 1, -1), 3)
    (0.98, 0.795)
    """
    low, high = (net_density(lands(zone + error_stops, developed)) for zone in (SHADOW, TARGET - n))
    return round(high - low, 9)  # 0.795 is no 0.79499…, and is said as 0.80


def offered(
    n: float, error_stops: float, minutes: float, as_planned: float, origin: Origin
) -> Offer:
    """The offer in numbers and in a sentence; ``minutes`` are those it would take, ``as_planned``
    those of the planned N."""
    to = held_n(n, error_stops)
    kept, held = (printed_range(n, error_stops, each) for each in (n, to))
    grade, grade_held = (_grade(each) for each in (kept, held))
    size = size_words(error_stops)
    side = "over" if error_stops > 0 else "under"
    text = (
        f"Exposed {size} {side}. {n_text(n)}, {minutes_text(as_planned)}, keeps a print range of"
        f" {kept:.2f} (grade {grade}); as for {n_text(round(to, 1))}, {minutes_text(minutes)},"
        f" {held:.2f} (grade {grade_held})."
    )
    if error_stops < 0:
        text += " It lifts the lights; no shadow comes back."
    return Offer(
        n=to,
        minutes=minutes,
        minutes_text=minutes_text(minutes),
        origin=origin,
        range=kept,
        grade=grade,
        range_held=held,
        grade_held=grade_held,
        text=text,
        shown=abs(error_stops) >= SHOWN_STOPS - 1e-9,
    )


def _grade(density_range: float) -> int | str:
    return paper_grade(PaperGradeRequest(density_range=max(density_range, LEAST_RANGE))).grade
