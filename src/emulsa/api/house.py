"""What a route may use besides the store: folders, long work, the devices that are connected."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, field
from pathlib import Path

from emulsa.api.jobs import Jobs
from emulsa.api.pairing import Pairing
from emulsa.devices.densitometer import Densitometer, SimulatedDensitometer
from emulsa.devices.shutter_tester import ShutterTester, SimulatedShutterTester
from emulsa.devices.spot_meter import SimulatedSpotMeter, SpotMeter
from emulsa.devices.thermometer import SimulatedThermometer, Thermometer
from emulsa.exchange import pictures
from emulsa.exchange.pictures import Picture
from emulsa.store.database import Connection, connect, connect_to_write_much
from emulsa.store.pool import Pool


def nothing() -> None:
    """Nobody is there to be called."""


@dataclass(frozen=True)
class House:
    """The service as its routes see it. ``demo``: its simulated devices are always there."""

    database: Path
    attachments: Path
    exchange: Path
    pool: Pool
    pairing: Pairing = field(default_factory=Pairing.closed)
    address: str = ""  # where others on the network reach it
    fingerprint: str = ""  # of the authority that vouches for it there
    demo: bool = False
    jobs: Jobs = field(default_factory=Jobs)
    spot_meter: SpotMeter = field(default_factory=SimulatedSpotMeter)
    shutter_tester: ShutterTester = field(default_factory=SimulatedShutterTester)
    densitometer: Densitometer = field(default_factory=SimulatedDensitometer)
    thermometer: Thermometer = field(default_factory=SimulatedThermometer)
    trouble: Callable[[], str] = str  # what is wrong with the data, in a sentence
    look_at: Callable[[Path], Picture] = pictures.opened  # a picture that is handed in
    place: Callable[[Path, Path, Picture], None] = pictures.place  # into a folder, to be kept
    without_picture: str = (
        "The picture's file is not in the data folder any more; restore it from a backup."
    )
    index: Callable[[], None] = nothing  # look whether the log's index owes something

    def connect(self) -> Connection:
        """A connection of one's own, to be closed by who asked for it."""
        return connect(self.database)

    def connect_to_write_much(self) -> Connection:
        return connect_to_write_much(self.database)
