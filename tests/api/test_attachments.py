"""Pictures handed in: by their content, never too large, never where they should not be."""

import io
import struct
import zlib
from pathlib import Path
from typing import Any

import pytest
from PIL import Image
from starlette.testclient import TestClient

from emulsa.exchange import pictures
from tests.api.test_api import refusal

Json = dict[str, Any]


def image(kind: str = "PNG", mode: str = "L", size: tuple[int, int] = (64, 48)) -> bytes:
    file = io.BytesIO()
    Image.new(mode, size, 1).save(file, kind)
    return file.getvalue()


def bomb(width: int, height: int) -> bytes:
    """A PNG whose head promises more pixels than anyone should open."""

    def chunk(name: bytes, data: bytes) -> bytes:
        checked = name + data
        return struct.pack(">I", len(data)) + checked + struct.pack(">I", zlib.crc32(checked))

    head = struct.pack(">IIBBBBB", width, height, 8, 0, 0, 0, 0)
    return (
        b"\x89PNG\r\n\x1a\n"
        + chunk(b"IHDR", head)
        + chunk(b"IDAT", zlib.compress(b"\0" * 999))
        + chunk(b"IEND", b"")
    )


def attach(client: TestClient, content: bytes, name: str = "scan.png", id_: str = "a") -> Any:
    query = {"exposure_id": "exposure-1A", "name": name}
    return client.put(f"/api/attachments/{id_}", params=query, content=content)


def attached(client: TestClient) -> list[Json]:
    told: list[Json] = client.get("/api/log/exposure-1A").json()["attachments"]
    return told


@pytest.mark.parametrize(
    ("kind", "mode", "media_type"),
    [
        ("JPEG", "RGB", "image/jpeg"),
        ("PNG", "LA", "image/png"),
        ("TIFF", "I;16", "image/tiff"),
        ("TIFF", "1", "image/tiff"),
        ("TIFF", "CMYK", "image/tiff"),
    ],
)
def test_pictures_of_every_kind(client: TestClient, kind: str, mode: str, media_type: str) -> None:
    """Told by content, not by name; kept byte for byte; shown small as JPEG."""
    content = image(kind, mode)
    answer = attach(client, content, "named-wrongly.txt")
    assert answer.status_code == 200, answer.text
    assert (answer.json()["media_type"], answer.json()["width"]) == (media_type, 64)
    original = client.get("/api/attachments/a")
    assert original.content == content
    assert original.headers["content-type"] == media_type
    assert "attachment" in original.headers["content-disposition"]
    small = client.get("/api/attachments/a/thumbnail")
    with Image.open(io.BytesIO(small.content)) as shown:
        assert (shown.format, shown.size) == ("JPEG", (64, 48))


def test_a_large_scan_is_shown_small(client: TestClient) -> None:
    """The thumbnail has the picture's shape and few pixels."""
    attach(client, image(size=(3000, 1500)))
    small = client.get("/api/attachments/a/thumbnail")
    with Image.open(io.BytesIO(small.content)) as shown:
        assert shown.size == (pictures.THUMBNAIL_PX, pictures.THUMBNAIL_PX // 2)


@pytest.mark.parametrize(
    ("content", "says"),
    [
        (b"<html><script>alert(1)</script></html>", "not a JPEG, PNG or TIFF"),
        (b"<svg xmlns='http://www.w3.org/2000/svg'/>", "not a JPEG, PNG or TIFF"),
        (image("GIF"), "not a JPEG, PNG or TIFF"),
        (image("BMP"), "not a JPEG, PNG or TIFF"),
        (b"\x89PNG\r\n\x1a\n", "not a JPEG, PNG or TIFF"),
        (image(size=(640, 480))[:60], "damaged"),
        (bomb(13_000, 13_000), "too many pixels"),
        (bomb(20_000, 20_000), "too many pixels"),
        (bomb(60_000, 60_000), "too many pixels"),
        (b"", "empty"),
    ],
    ids=["page", "drawing", "gif", "bmp", "head", "cut", "small-bomb", "bomb", "big-bomb", "empty"],
)
def test_what_is_no_picture(client: TestClient, folder: Path, content: bytes, says: str) -> None:
    """Refused with the reason, and no file stays behind."""
    before = sorted(path.name for path in (folder / "attachments").iterdir())
    assert says in refusal(attach(client, content), 422)["message"]
    assert sorted(path.name for path in (folder / "attachments").iterdir()) == before
    assert attached(client) == []


def test_forty_megabytes_at_most(client: TestClient, folder: Path) -> None:
    """More is refused, whether its length is said or it streams, and nothing stays behind."""
    before = len(list((folder / "attachments").iterdir()))
    too_large = b"\0" * (40 * 1_048_576 + 1)
    refusal(attach(client, too_large), 413)
    chunks = (too_large[at : at + 4_194_304] for at in range(0, len(too_large), 4_194_304))
    query = {"exposure_id": "exposure-1A", "name": "a.png"}
    refusal(client.put("/api/attachments/a", params=query, content=chunks), 413)
    assert len(list((folder / "attachments").iterdir())) == before


@pytest.mark.parametrize("name", ["../../etc/passwd", "..\\..\\boot.ini", "/etc/passwd", "a/b.png"])
def test_names_are_only_names(client: TestClient, folder: Path, name: str) -> None:
    """A path in a name leads nowhere; the file lies under its digest."""
    kept = attach(client, image(), name).json()
    assert "/" not in kept["name"]
    assert "\\" not in kept["name"]
    assert (folder / "attachments" / f"{kept['digest']}.png").exists()
    header = client.get("/api/attachments/a").headers["content-disposition"]
    assert ".." not in header.replace("..png", "")
    assert refusal(client.get("/api/attachments/..%2f..%2femulsa.sqlite3"), 404)


def test_the_same_scan_twice_is_one_file(client: TestClient, folder: Path) -> None:
    """Handed in again it is one attachment; on another exposure it shares the file."""
    first = attach(client, image()).json()
    assert attach(client, image()).json() == first
    files = len(list((folder / "attachments").iterdir()))
    attach(client, image(), id_="b")
    assert len(list((folder / "attachments").iterdir())) == files
    assert len(attached(client)) == 2


def test_taking_off_and_undo(client: TestClient) -> None:
    """The picture is off its exposure, and comes back whole."""
    attach(client, image())
    assert client.delete("/api/attachments/a").status_code == 200
    assert attached(client) == []
    assert refusal(client.get("/api/attachments/a/thumbnail"), 404)
    client.post("/api/undo")
    assert client.get("/api/attachments/a").content == image()
    assert refusal(client.put("/api/attachments/x?exposure_id=none&name=a", content=image()), 404)


def test_a_file_that_was_lost_is_said(client: TestClient, folder: Path) -> None:
    """A record whose file is gone says so instead of failing."""
    kept = attach(client, image()).json()
    (folder / "attachments" / f"{kept['digest']}.png").unlink()
    assert "backup" in refusal(client.get("/api/attachments/a"), 404)["message"]
