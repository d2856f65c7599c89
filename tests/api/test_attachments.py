"""Pictures handed in: by their content, never too large, never where they should not be."""

import errno
import io
import os
import struct
import threading
import zlib
from pathlib import Path
from typing import Any

import pytest
from PIL import Image
from starlette.testclient import TestClient

from emulsa.api.routing import TABLE
from emulsa.core.errors import OutOfRange
from emulsa.exchange import pictures
from tests.api.test_api import refusal

Json = dict[str, Any]


def image(kind: str = "PNG", mode: str = "L", size: tuple[int, int] = (64, 48)) -> bytes:
    file = io.BytesIO()
    Image.new(mode, size, 1).save(file, kind)
    return file.getvalue()


def bomb(width: int, height: int, bits: int = 8) -> bytes:
    """A PNG whose head promises more pixels than anyone should open."""

    def chunk(name: bytes, data: bytes) -> bytes:
        checked = name + data
        return struct.pack(">I", len(data)) + checked + struct.pack(">I", zlib.crc32(checked))

    head = struct.pack(">IIBBBBB", width, height, bits, 0, 0, 0, 0)
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
    """The thumbnail has the picture's shape and few pixels, and is asked for once."""
    attach(client, image(size=(3000, 1500)))
    small = client.get("/api/attachments/a/thumbnail")
    assert small.headers["content-type"] == "image/jpeg"
    assert small.headers["cache-control"] == "private, max-age=31536000, immutable"
    with Image.open(io.BytesIO(small.content)) as shown:
        assert shown.size == (pictures.THUMBNAIL_PX, pictures.THUMBNAIL_PX // 2)


WIDE, HIGH = 3_072, 64  # a wedge from black to white, as wide as a real scan


def tiff(order: str, colours: int, squeezed: bool = False, planes: int = 1) -> bytes:
    """A 16-bit TIFF as scanners write it (TIFF 6.0, from memory), its strips plain or deflated."""
    row = struct.pack(
        f"{order}{WIDE * colours}H",
        *(x * 65_535 // (WIDE - 1) for x in range(WIDE) for _ in range(colours)),
    )
    strip = row * HIGH
    strip = zlib.compress(strip) if squeezed else strip
    bits_at, tags = 8 + len(strip), 11
    entries = [
        (256, 3, 1, WIDE),
        (257, 3, 1, HIGH),
        (258, 3, colours, bits_at if colours > 1 else 16),
        (259, 3, 1, 8 if squeezed else 1),
        (262, 3, 1, 2 if colours > 1 else 1),
        (273, 4, 1, 8),
        (277, 3, 1, colours),
        (278, 3, 1, HIGH),
        (279, 4, 1, len(strip)),
        (284, 3, 1, planes),
        (339, 3, 1, 1),
    ]
    bits = struct.pack(f"{order}3H", 16, 16, 16)
    head = (b"II" if order == "<" else b"MM") + struct.pack(f"{order}HI", 42, bits_at + len(bits))
    directory = struct.pack(f"{order}H", tags)
    for tag, kind, count, value in entries:
        short = kind == 3 and count == 1
        directory += struct.pack(f"{order}HHI", tag, kind, count)
        directory += struct.pack(
            f"{order}HH" if short else f"{order}I", *((value, 0) if short else (value,))
        )
    return head + strip + bits + directory + bytes(4)


def deep(kind: str, **more: Any) -> bytes:
    """The same wedge in 16-bit grey, written by Pillow."""
    row = struct.pack(f"<{WIDE}H", *(x * 65_535 // (WIDE - 1) for x in range(WIDE)))
    file = io.BytesIO()
    Image.frombytes("I;16", (WIDE, HIGH), row * HIGH).save(file, kind, **more)
    return file.getvalue()


SCANS = {
    "grey little": tiff("<", 1),
    "grey big": tiff(">", 1),
    "grey little deflated": tiff("<", 1, True),
    "grey big deflated": tiff(">", 1, True),
    "grey LZW": deep("TIFF", compression="tiff_lzw"),
    "grey PNG": deep("PNG"),
    "colour little": tiff("<", 3),
    "colour big": tiff(">", 3),
    "colour big deflated": tiff(">", 3, True),
}


@pytest.mark.parametrize("scan", SCANS)
def test_a_scan_of_sixteen_bits(client: TestClient, scan: str) -> None:
    """Kept untouched, and shown small with its tones where they are: the wedge stays a wedge."""
    content = SCANS[scan]
    answer = attach(client, content)
    assert answer.status_code == 200, answer.text
    assert (answer.json()["width"], answer.json()["height"]) == (WIDE, HIGH)
    original = client.get("/api/attachments/a", headers={"accept-encoding": "gzip"})
    assert original.content == content
    assert "content-encoding" not in original.headers
    small = client.get("/api/attachments/a/thumbnail")
    with Image.open(io.BytesIO(small.content)) as shown:
        assert shown.size == (pictures.THUMBNAIL_PX, 10)
        row = [shown.convert("L").getpixel((x, 5)) for x in range(0, 480, 60)]
    assert row == pytest.approx([255 * x / 479 for x in range(0, 480, 60)], abs=3)


def test_what_would_be_shown_wrongly_is_refused(client: TestClient) -> None:
    """Sixteen-bit colours plane after plane: Pillow would read them as noise."""
    said = refusal(attach(client, tiff("<", 3, planes=2)), 422)["message"]
    assert "interleaved" in said


@pytest.mark.skipif(os.name != "posix", reason="measured by the system's own counter")
def test_a_legal_picture_stays_small_in_memory(tmp_path: Path) -> None:
    """The largest grey picture of 16 bits that is taken costs at most 300 MB, one line more is
    refused unopened."""
    wide = 12_000
    high = pictures.MOST_PIXELS // wide
    largest = tmp_path / "largest.png"
    Image.new("I;16", (wide, high), 7).save(largest, "PNG", compress_level=1)
    child = os.fork()
    if child == 0:
        import resource

        before = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss
        pictures.keep(tmp_path, largest)
        cost = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss - before
        os._exit(0 if cost < 300_000 else 1)
    assert os.waitstatus_to_exitcode(os.waitpid(child, 0)[1]) == 0
    over = tmp_path / "over.png"
    over.write_bytes(bomb(wide, high + 1, 16))
    with pytest.raises(OutOfRange, match="too many pixels"):
        pictures.look(over)


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


def test_so_many_megabytes_at_most(
    client: TestClient, folder: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    """More is refused, whether its length is said or it streams, and nothing stays behind."""
    monkeypatch.setitem(TABLE["attachments.attach"].__dict__, "largest", 40 * 1_048_576)
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


def test_several_ask_for_a_view_at_once(tmp_path: Path) -> None:
    """The first who asks has it made, whole, once; the others are given the same, and nothing half
    made is left."""
    handed_in = tmp_path / "wall.png"
    Image.effect_noise((2_400, 1_800), 60).save(handed_in)
    picture = pictures.keep(tmp_path, handed_in)
    together = threading.Barrier(6)
    seen: list[tuple[int, bytes]] = []

    def ask() -> None:
        together.wait()
        path = pictures.view(tmp_path, picture.digest, picture.media_type)
        seen.append((path.stat().st_mtime_ns, path.read_bytes()))

    threads = [threading.Thread(target=ask) for _ in range(6)]
    for each in threads:
        each.start()
    for each in threads:
        each.join()
    assert len(seen) == 6
    assert len(set(seen)) == 1
    with Image.open(io.BytesIO(seen[0][1])) as view:
        assert view.size == (1_800, 1_350)
        view.load()
    assert not list(tmp_path.glob("*.part")) + list(tmp_path.glob(".*.part"))


def full(*_: object, **__: object) -> None:
    raise OSError(errno.ENOSPC, "No space left on device")


def test_on_a_full_disk_no_picture_is_called_damaged(
    client: TestClient, folder: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    """Neither one that is handed in nor one that is shown; when there is room it is kept and
    shown."""
    content = image()
    attach(client, content)
    with monkeypatch.context() as there:
        there.setattr("PIL.Image.Image.save", full)
        new = client.put("/api/attachments/new?exposure_id=exposure-1A&name=a", content=content)
        for answer in (new, client.get("/api/attachments/a/view")):
            said = refusal(answer, 507)["message"]
            assert said.startswith("The disk is full")
    assert client.get("/api/attachments/a/view").status_code == 200
    assert not list((folder / "attachments").glob("*.part"))


def test_what_was_refused_leaves_no_file(client: TestClient, folder: Path) -> None:
    """Neither the picture nor its thumbnail; handed in again with what it shows, it is kept."""
    before = set((folder / "attachments").iterdir())
    for _ in range(3):
        refused = client.put(
            "/api/attachments/x?exposure_id=none&name=a", content=image(size=(9, 9))
        )
        assert refusal(refused, 404)
    assert set((folder / "attachments").iterdir()) == before
    kept = client.put(
        "/api/attachments/x?exposure_id=exposure-1A&name=a", content=image(size=(9, 9))
    )
    assert kept.status_code == 200
    assert len(set((folder / "attachments").iterdir()) - before) == 2
    assert client.get("/api/attachments/x/thumbnail").status_code == 200
