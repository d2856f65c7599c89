"""An outing: a day with a camera, its place and its weather, typed once."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from emulsa.core.errors import Missing
from emulsa.core.limits import Day, Height, Id, Label, Length, Name, Note, Within
from emulsa.core.sky.horizon import Latitude, Longitude, SkyPlace

AirTemperature = Annotated[float, Within("The air temperature", -60, 60, "°C")]
PACKED = Length("Packed things", 0, 400)
Packed = Annotated[tuple[Label, ...], PACKED]


@dataclass(frozen=True, kw_only=True, slots=True)
class Outing:
    """Where and when; ``day`` is an ISO date; ``packed`` the keys of what is in the bag already."""

    id: Id
    title: Name
    day: Day = ""
    place: Label = ""
    conditions: Label = ""
    light: Label = ""
    temperature_c: AirTemperature | None = None
    latitude: Latitude | None = None
    longitude: Longitude | None = None
    height_m: Height = 0.0
    packed: Packed = ()
    note: Note = ""

    def __post_init__(self) -> None:
        if (self.latitude is None) != (self.longitude is None):
            given = "longitude" if self.latitude is None else "latitude"
            other = "latitude" if self.latitude is None else "longitude"
            raise Missing(
                f"A place needs both coordinates; give the {other} too, or clear the {given}.",
                field=other,
            )

    @property
    def sky_place(self) -> SkyPlace | None:
        """Where it is on the earth; nothing where nobody says."""
        if self.latitude is None or self.longitude is None:
            return None
        return SkyPlace(
            latitude_deg=self.latitude, longitude_deg=self.longitude, height_m=self.height_m
        )
