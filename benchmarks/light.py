"""Light: a day of sun and moon by itself and as its room asks for it, a scene's focus while one
types."""

from __future__ import annotations

import statistics
import time
from collections.abc import Callable
from functools import partial

from benchmarks.service import Running, speaking
from emulsa.core.sky.at import SkyRequest, sky
from emulsa.core.sky.day import Bearing, SkyDayRequest, sky_day
from emulsa.core.sky.horizon import SkyPlace

OFTEN = 12
PLACE = SkyPlace(latitude_deg=54, longitude_deg=-3, height_m=320)
BEARINGS = (Bearing(azimuth_deg=150, width_deg=60), Bearing(azimuth_deg=65, skyline_deg=5))


def day_ms() -> tuple[float, float]:
    """A day with two bearings; a day by its minutes, everything of each."""
    days = [f"2026-11-{10 + number}" for number in range(OFTEN)]
    minutes = [tuple(f"{day}T{at // 60:02}:{at % 60:02}:00Z" for at in range(1440)) for day in days]
    asked = [
        SkyDayRequest(place=PLACE, from_=f"{day}T00:00:00Z", bearings=BEARINGS) for day in days
    ]
    whole = [_took(partial(sky_day, each)) for each in asked]
    each = [_took(partial(sky, SkyRequest(place=PLACE, moments=at))) for at in minutes]
    return statistics.median(whole), statistics.median(each)


def room_ms(running: Running) -> tuple[float, float]:
    """The light of the demo's outing, and a scene's focus."""
    with speaking(running.url) as client:
        scene = client.get("/api/scenes/scene-pool").json()["scene"]
        address = "/api/outings/outing-quarry/light?begin=2026-11-28T00:00:00Z"
        body = {"scene": {**scene, "movements": {"tilt_deg": 5, "rise_mm": 20}}}
        light = [_took(lambda: client.get(address)) for _ in range(OFTEN)]
        focus = [_took(lambda: client.post("/api/scenes/focus", json=body)) for _ in range(OFTEN)]
    return statistics.median(light), statistics.median(focus)


def _took(call: Callable[[], object]) -> float:
    start = time.perf_counter()
    call()
    return (time.perf_counter() - start) * 1e3
