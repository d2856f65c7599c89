"""The film's own curve at work: once a test's times are used, its tones are the film's."""

from __future__ import annotations

from functools import lru_cache

from emulsa.core.bench.drawing import main_curve
from emulsa.core.bench.record import FilmTest
from emulsa.core.errors import CoreError
from emulsa.core.kit.films import FilmRecipe
from emulsa.core.rendering.negative import printed_zone
from emulsa.core.rendering.own_film import ZONES, DevelopedPrints, OwnFilm
from emulsa.core.sensitometry.curve import FEWEST, STOP, Curve, Drawn
from emulsa.core.sensitometry.figures import speed_point
from emulsa.core.sensitometry.film_test import FilmTestRequest, film_test

METER_OVER_LIGHT = 0.66  # stops: K 12.5, q 0.65
DECIMALS = 3


def in_use(recipe: FilmRecipe | None, tests: list[FilmTest]) -> FilmTest | None:
    """The test whose times a recipe goes by: the one its tested normal development names."""
    normal = next((each for each in recipe.recipe.points if each.n == 0), None) if recipe else None
    if normal is None or normal.origin != "tested":
        return None
    return next((each for each in tests if each.title == normal.who), None)


@lru_cache(8)
def own_film(test: FilmTest) -> OwnFilm | None:
    """What falls print as by a test's curves; nothing when they do not say.

    >>> own_film(FilmTest(id="t", film_id="f", title="empty")) is None
    True
    """
    ready = tuple(each for each in test.curves if len(each.steps) >= FEWEST)
    try:
        answer = film_test(FilmTestRequest(curves=ready)) if ready else None
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
    ei = main.ei if normal.exposure.kind == "metered" else main.ei * 2**-METER_OVER_LIGHT
    return OwnFilm(title=test.title, ei=ei, developments=tuple(by_n[each] for each in sorted(by_n)))


def _developed(curve: Curve, n: float, zone_i: float) -> DevelopedPrints:
    """Zones from the speed point of the normal curve; past the data the last density stands."""
    drawn = Drawn(curve, "curve")
    prints: list[float] = []
    for zone in ZONES:
        x = min(max(zone_i + (zone - 1) * STOP, drawn.first), drawn.last)
        found = round(printed_zone(max(drawn.density(x) - curve.base_fog, 0.0)), DECIMALS)
        prints.append(max(found, prints[-1]) if prints else found)
    return DevelopedPrints(n=round(n, DECIMALS), prints=tuple(prints))
