"""Devices that may speak to the service over a network: the code for the next, and those there are.

They are no part of the log: nothing of them is journaled, undone or carried away.
"""

from __future__ import annotations

import io
from contextlib import closing
from dataclasses import dataclass

from emulsa.api.lookup import needed
from emulsa.api.pairing import AT
from emulsa.api.routing import Db, House, Routes
from emulsa.store import paired

routes = Routes("pairing", "/api/pairing")


@dataclass(frozen=True)
class PairedDevice:
    """A device that was let in."""

    id: str
    name: str
    paired_at: str
    seen_at: str


@dataclass(frozen=True)
class PairingView:
    """Whether others can reach the service, where, and with which code; its picture is a QR code
    (ISO/IEC 18004) of the address with the code, as SVG. ``fingerprint``: of the own authority,
    where the address is one of https."""

    active: bool
    address: str
    code: str
    picture: str
    fingerprint: str
    devices: tuple[PairedDevice, ...]


@routes.question("")
def read(house: House, db: Db) -> PairingView:
    """The devices there are, and how the next one comes in."""
    return _view(house, db)


@routes.work("POST", "/code")
def new_code(house: House) -> PairingView:
    """Another code; the one before is worth nothing from now on."""
    house.pairing.code(anew=True)
    with closing(house.connect()) as connection:
        return _view(house, connection)


@routes.work("DELETE", "/devices/{id}")
def turn_out(house: House, id: str) -> PairingView:  # noqa: A002
    """Turn a device out: what it sends from now on is refused."""
    with closing(house.connect()) as connection:
        known = next((each for each in paired.devices(connection) if each.id == id), None)
        needed(known, "This device is not paired.")
        house.pairing.turn_out(id)
        return _view(house, connection)


def _view(house: House, db: Db) -> PairingView:
    devices = tuple(
        PairedDevice(each.id, each.name, each.paired_at, each.seen_at)
        for each in paired.devices(db)
    )
    if not house.pairing.active:
        return PairingView(False, "", "", "", "", devices)
    import segno

    code = house.pairing.code()
    file = io.BytesIO()
    segno.make(link(house.address, code), micro=False).save(
        file, kind="svg", xmldecl=False, svgns=True, border=2, dark="#000", light="#fff", scale=4
    )
    picture = file.getvalue().decode()
    return PairingView(True, house.address, code, picture, house.fingerprint, devices)


def link(address: str, code: str) -> str:
    """The address a device opens to be paired, the code in it."""
    return f"{address}{AT}?code={code}"
