"""The film's own curve at work: once a test's times are used, its tones are the film's."""

from __future__ import annotations

from functools import lru_cache

from emulsa.core.bench.drawing import main_curve
from emulsa.core.bench.record import FilmTest
from emulsa.core.development.recipes import own_word
from emulsa.core.errors import CoreError
from emulsa.core.kit.films import FilmRecipe
from emulsa.core.rendering.negative import printed_zone
from emulsa.core.rendering.own_film import ZONES, DevelopedPrints, OwnFilm
from emulsa.core.sensitometry.curve import FEWEST, STOP, Curve, Drawn
from emulsa.core.sensitometry.figures import speed_point
from emulsa.core.sensitometry.film_test import (
    USUAL_TARGETS,
    FilmTestRequest,
    Targets,
    film_test,
)

DECIMALS = 3
LEAST_ROWS = 3


def in_use(recipe: FilmRecipe | None, tests: list[FilmTest]) -> FilmTest | None:
    """The test whose times a recipe goes by: the one its tested normal development names."""
    told = own_word(recipe.recipe) if recipe else []
    normal = next((each for each in told if each.n == 0), None)
    if normal is None or normal.origin != "tested":
        return None
    return next((each for each in tests if each.title == normal.who), None)


@lru_cache(8)
def own_film(test: FilmTest, targets: Targets = USUAL_TARGETS) -> OwnFilm | None:
    """What falls print as by a test's curves; nothing when they do not say.

    >>> own_film(FilmTest(id="t", film_id="f", title="empty")) is None
    True
    """
    ready = tuple(each for each in test.curves if len(each.steps) >= FEWEST)
    try:
        answer = film_test(FilmTestRequest(curves=ready, targets=targets)) if ready else None
    except CoreError:
        return None
    main = main_curve(answer)
    if answer is None or main is None:
        return None
    normal = next(each for each in ready if each.id == main.id)
    zone_i = speed_point(Drawn(normal, "curve"), "curve")
    by_n = {
        round(found.n, DECIMALS): _developed(curve, found.n, zone_i)
        for curve, found in zip(ready, answer.curves, strict=True)
        if found.n is not None
    }
    if not by_n:
        return None
    return OwnFilm(
        title=test.title,
        ei=main.metered_ei,
        developments=tuple(by_n[each] for each in sorted(by_n)),
    )


@lru_cache(8)
def reference_net(
    test: FilmTest, targets: Targets = USUAL_TARGETS
) -> tuple[tuple[float, float], ...]:
    """A film's own scale after its normal development: zones from its speed point, which is I, and
    the net density of each as far as its curve was measured and rises; nothing of fewer than three.

    >>> reference_net(FilmTest(id="t", film_id="f", title="empty"))
    ()
    """
    ready = tuple(each for each in test.curves if len(each.steps) >= FEWEST)
    try:
        answer = film_test(FilmTestRequest(curves=ready, targets=targets)) if ready else None
    except CoreError:
        return ()
    main = main_curve(answer)
    if main is None:
        return ()
    normal = next(each for each in ready if each.id == main.id)
    drawn = Drawn(normal, "curve")
    zone_i = speed_point(drawn, "curve")
    rows: list[tuple[float, float]] = []
    for zone in ZONES:
        x = zone_i + (zone - 1) * STOP
        if drawn.first <= x <= drawn.last:
            net = round(drawn.density(x) - normal.base_fog, DECIMALS)
            if net >= 0 and (not rows or net > rows[-1][1]):
                rows.append((float(zone), net))
    return tuple(rows) if len(rows) >= LEAST_ROWS else ()


def _developed(curve: Curve, n: float, zone_i: float) -> DevelopedPrints:
    """Zones from the speed point of the normal curve; past the data the last density stands."""
    drawn = Drawn(curve, "curve")
    prints: list[float] = []
    for zone in ZONES:
        x = min(max(zone_i + (zone - 1) * STOP, drawn.first), drawn.last)
        found = round(printed_zone(max(drawn.density(x) - curve.base_fog, 0.0)), DECIMALS)
        prints.append(max(found, prints[-1]) if prints else found)
    return DevelopedPrints(n=round(n, DECIMALS), prints=tuple(prints))
