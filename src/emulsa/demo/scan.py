"""Pictures handed in with the demo: scans of negatives, photographs of scenes, and a strip beside a
wedge from a film test, in sixteen bits."""

from __future__ import annotations

from pathlib import Path
from typing import Any

from emulsa.core.logged.attachment import Attachment
from emulsa.demo import photographed, scanned
from emulsa.demo.photographed import Photograph
from emulsa.demo.scanned import Shot
from emulsa.exchange import exif, pictures
from emulsa.store import records
from emulsa.store.database import Connection
from emulsa.store.folder import ATTACHMENTS

SIZE = (600, 475)  # a 4×5 in sheet at 127 dots an inch


def attach(
    connection: Connection,
    folder: Path,
    shot: Shot,
    name: str,
    at: str,
    *,
    id_: str,
    exposure_id: str,
) -> None:
    """Scan a shot and keep it with its exposure."""
    file = f"{name}.png"
    scanned.scan(shot, SIZE, folder / file)
    _keep(connection, folder, file, at, id=id_, exposure_id=exposure_id)


def photograph(
    connection: Connection, folder: Path, of: Photograph, scene_id: str, at: str
) -> Path:
    """Photograph a scene and keep the picture with it; where its file lies."""
    file = f"{of.scene}.jpg"
    taken = at.removesuffix("Z").split(".")[0].replace("-", ":").replace("T", " ")
    photographed.photograph(of, taken, folder / file)
    metering = exif.metering(folder / file)
    id_ = f"picture-{of.scene}"
    return _keep(connection, folder, file, at, id=id_, scene_id=scene_id, metering=metering)


def _keep(connection: Connection, folder: Path, name: str, at: str, **of: Any) -> Path:
    """A drawn picture handed in like any other; ``of`` says its id and what it shows."""
    kept = folder / ATTACHMENTS
    kept.mkdir(exist_ok=True)
    picture = pictures.keep(kept, folder / name)
    records.keep(
        connection,
        Attachment(
            **of,
            name=name,
            media_type=picture.media_type,
            bytes=picture.bytes,
            width=picture.width,
            height=picture.height,
            digest=picture.digest,
            added_at=at,
        ),
    )
    return pictures.original(kept, picture.digest, picture.media_type)


STRIP_NAME = "velm-7-min-with-wedge.tif"
STRIP_SIZE = (1_560, 520)
# what lies on the scanner: a strip of thirteen frames, and under it a wedge of six known densities
STRIP = (0.12, 0.12, 0.13, 0.16, 0.23, 0.34, 0.49, 0.66, 0.84, 1.02, 1.20, 1.37, 1.51)
WEDGE = (0.05, 0.35, 0.65, 0.95, 1.25, 1.55)
FLARE = 0.004  # of full light: no scanner is quite black


def attach_strip(connection: Connection, folder: Path, test_id: str, at: str) -> None:
    """Draw the scan of a strip and keep it with a film test."""
    _draw_strip(folder / STRIP_NAME)
    _keep(connection, folder, STRIP_NAME, at, id="scan-velm-7", test_id=test_id)


def _draw_strip(path: Path) -> None:
    from PIL import Image

    def level(density: float) -> int:
        return round(65_535 * 0.93 * (FLARE + (1 - FLARE) * 10**-density))

    image = Image.new("I", STRIP_SIZE, level(0))  # thirty-two bits: sixteen cannot be pasted
    for place, density in enumerate(STRIP):
        image.paste(level(density), (30 + 115 * place, 50, 30 + 115 * place + 112, 250))
    for place, density in enumerate(WEDGE):
        image.paste(level(density), (30 + 250 * place, 310, 30 + 250 * place + 250, 470))
    image.convert("I;16").save(path, compression="tiff_deflate")
