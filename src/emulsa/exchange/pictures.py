"""Pictures handed in: what they are by their content, whether they are safe to open, thumbnails.

Files are kept under the digest of their content, so that the same scan handed in twice is kept
once, and no name a user typed ever becomes a path.
"""

from __future__ import annotations

import hashlib
import sys
import threading
import warnings
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from importlib.util import find_spec
from pathlib import Path
from typing import Any

from emulsa.core.errors import CoreError, OutOfRange, Unreadable
from emulsa.core.logged.attachment import Attachment, PictureType
from emulsa.store import faults
from emulsa.store.folder import names_settled, part_of, settled

LARGEST_FILE = 256 * 1_048_576  # bytes: a 4×5 in sheet in 16-bit grey at 2,400 to the inch
MOST_PIXELS = 120_000_000  # an 8×10 in sheet at 1,200 to the inch; more is refused unopened
MOST_OPENED = 280_000_000  # bytes a picture may take up in the memory while it is made small
THUMBNAIL_PX = 480
VIEW_PX = 1_800
BAND_PX = 128  # rows of a 16-bit picture that are brought to eight bits at once
MEDIA: dict[str, tuple[PictureType, str]] = {
    "JPEG": ("image/jpeg", "jpg"),
    "PNG": ("image/png", "png"),
    "TIFF": ("image/tiff", "tif"),
}
ENDINGS: dict[str, str] = dict(MEDIA.values())
# Tags of TIFF 6.0 and their values
BITS, PHOTOMETRIC, ORIENTATION, PLANES = 258, 262, 274, 284
WHITE_IS_ZERO, SEPARATE = 0, 2
DEEP = ("I;16", "I;16B", "I;16L", "I;16N", "I")  # grey of more than eight bits
NATIVE = "L;16" if sys.byteorder == "little" else "L;16B"
UNPACKED_THIN = {"I;16": "L;16", "I;16B": "L;16B", "I;16N": NATIVE}

one_at_a_time = threading.Lock()  # a large scan is opened once at a time, so memory stays bounded


@dataclass(frozen=True)
class Picture:
    """A picture that was looked at: what it is, its size, and the digest of its content."""

    media_type: PictureType
    width: int
    height: int
    bytes: int
    digest: str


def look(path: Path) -> Picture:
    """What the file is, read from its head; Unreadable or OutOfRange before anything is decoded."""
    from PIL import Image, UnidentifiedImageError

    size = path.stat().st_size
    Image.MAX_IMAGE_PIXELS = MOST_PIXELS  # from twice this on, even opening the head is refused
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("ignore", Image.DecompressionBombWarning)
            with Image.open(path, formats=tuple(MEDIA)) as image:
                kind, (width, height), mode = str(image.format), image.size, image.mode
                planes = _deep_planes(image)
    except Image.DecompressionBombError:
        raise _too_many_pixels(None) from None
    except (UnidentifiedImageError, OSError, SyntaxError, ValueError):
        raise Unreadable(
            "This is not a JPEG, PNG or TIFF picture, whatever its name says.", field="picture"
        ) from None
    most = MOST_PIXELS if kind == "JPEG" else min(MOST_PIXELS, MOST_OPENED // _bytes_each(mode))
    if planes:
        raise Unreadable(
            "This TIFF keeps each colour in a plane of its own, with 16 bits. Save it with"
            " interleaved colours, and attach it again.",
            field="picture",
        )
    if width * height > most:
        raise _too_many_pixels(width * height, most)
    with path.open("rb") as file:
        digest = hashlib.file_digest(file, "sha256").hexdigest()
    return Picture(MEDIA[kind][0], width, height, size, digest)


def opened(handed_in: Path) -> Picture:
    """Check a handed-in file to its end, and make its thumbnail beside it; nothing is kept yet."""
    picture = look(handed_in)
    small = small_of(handed_in)
    _make_small(handed_in, small, THUMBNAIL_PX)
    for each in (handed_in, small):
        settled(each)
    return picture


def place(folder: Path, handed_in: Path, picture: Picture) -> None:
    """Keep a file that was opened, with its thumbnail, in ``folder`` under its digest: two names
    are given, no more."""
    for part, target in (
        (small_of(handed_in), thumbnail(folder, picture.digest)),
        (handed_in, original(folder, picture.digest, picture.media_type)),
    ):
        if target.exists():
            part.unlink(missing_ok=True)
        else:
            part.replace(target)
    names_settled(folder)


def keep(folder: Path, handed_in: Path) -> Picture:
    """Check a handed-in file, make its thumbnail, and keep both in ``folder``."""
    try:
        picture = opened(handed_in)
        place(folder, handed_in, picture)
    finally:
        small_of(handed_in).unlink(missing_ok=True)
    return picture


def small_of(handed_in: Path) -> Path:
    """Where the thumbnail of a file lies that nobody keeps yet."""
    return handed_in.with_name(f"{handed_in.name}.small.part")


def original(folder: Path, digest: str, media_type: str) -> Path:
    return folder / f"{digest}.{ENDINGS[media_type]}"


def thumbnail(folder: Path, digest: str) -> Path:
    return folder / f"{digest}.thumb.jpg"


def view(folder: Path, digest: str, media_type: str) -> Path:
    """The picture at the size of a screen, made when it is asked for first."""
    target = folder / f"{digest}.screen.thumb.jpg"
    source = original(folder, digest, media_type)
    if source.exists():
        _make_small(source, target, VIEW_PX)
    return target


@contextmanager
def whole_or_damaged(part: Path) -> Iterator[None]:
    """What is made of a picture is made whole, or nothing of it stays; Unreadable when the picture
    cannot be opened to its end, the disk's own trouble as it is."""
    try:
        yield
    except (OSError, SyntaxError, ValueError, MemoryError) as problem:
        part.unlink(missing_ok=True)
        if faults.of_the_disk(problem):
            raise
        raise Unreadable(
            "This picture is damaged: it cannot be opened to its end.", field="picture"
        ) from None


def _make_small(source: Path, target: Path, longest: int) -> None:
    """Made once, also when several ask for it at the same moment."""
    if target.exists():
        return
    from PIL import Image, ImageOps

    part = part_of(target)
    with one_at_a_time:
        if target.exists():
            return
        with (
            whole_or_damaged(part),
            source.open("rb") as file,
            # by its file, not by its name: what Pillow maps into memory it turns wrongly
            Image.open(file, formats=tuple(MEDIA)) as image,
        ):
            image.draft("RGB", (2 * longest, 2 * longest))
            shown = _eight_bit(image, longest)
            shown.thumbnail((longest, longest))
            turned = ImageOps.exif_transpose(shown)
            turned.convert("L" if turned.mode in ("1", "L", "LA") else "RGB").save(
                part, "JPEG", quality=82
            )
        part.replace(target)


def openable() -> bool:
    """Whether pictures can be opened here; a copy that is carried along cannot."""
    return find_spec("PIL") is not None


def upright(source: Path) -> Any:
    """The whole picture in eight bits of grey or colour, turned upright."""
    from PIL import Image, ImageOps

    Image.MAX_IMAGE_PIXELS = MOST_PIXELS
    with (
        one_at_a_time,
        source.open("rb") as file,
        Image.open(file, formats=tuple(MEDIA)) as image,
    ):
        if _read_thin(image):
            image.load()
            shown = _as_seen(image, image)
        else:
            shown = _eight_bit(image, max(image.size))
            shown.load()
    ImageOps.exif_transpose(shown, in_place=True)  # a copy of it would be a third in the memory
    if shown.mode in ("L", "RGB"):
        return shown
    return shown.convert("L" if shown.mode in ("1", "LA") else "RGB")


def upright_size(folder: Path, picture: Attachment) -> tuple[int, int]:
    """Width and height of a kept picture as it is shown, by its thumbnail, which was turned."""
    from PIL import Image

    size = picture.width, picture.height
    try:
        with Image.open(thumbnail(folder, picture.digest)) as small:
            turned = (small.width > small.height) != (size[0] > size[1]) and size[0] != size[1]
    except (OSError, ValueError, ImportError):
        return size
    return (size[1], size[0]) if turned else size


def grey_at(picture: Path, x: float, y: float, share: float = 0.03) -> float | None:
    """The mean level, 0…255, of a spot in a picture: ``share`` of its width about a place of it.
    None for a picture that is not there."""
    if not picture.exists():
        return None
    from PIL import Image, ImageStat

    with Image.open(picture) as image:
        reach = max(1, round(share * image.width / 2))
        column, row = round(x * (image.width - 1)), round(y * (image.height - 1))
        box = (
            max(column - reach, 0),
            max(row - reach, 0),
            min(column + reach + 1, image.width),
            min(row + reach + 1, image.height),
        )
        return float(ImageStat.Stat(image.convert("L").crop(box)).mean[0])


def _read_thin(image: Any) -> bool:
    """Whether sixteen-bit grey is unpacked to its upper eight bits as it is read: the whole of it
    then never stands in the memory at sixteen. By Pillow's own unpackers."""
    thin = []
    for tile in image.tile if image.mode in DEEP else ():
        first, *others = tile.args if isinstance(tile.args, tuple) else (tile.args,)
        if first not in UNPACKED_THIN:
            return False
        args = UNPACKED_THIN[first]
        thin.append(tile._replace(args=(args, *others) if isinstance(tile.args, tuple) else args))
    if not thin:
        return False
    image._mode, image.tile = "L", thin
    return True


def _eight_bit(image: Any, longest: int) -> Any:
    """Sixteen-bit grey, as film scanners write it, brought to what a thumbnail can show and near to
    its size, band by band: whole, it would stand in the memory twice. Anything else as it is."""
    if image.mode not in DEEP:
        return image
    from PIL import Image

    times = max(1, max(image.size) // (2 * longest))
    rows = times * max(1, BAND_PX // times)
    shown = Image.new("L", (-(-image.width // times), -(-image.height // times)))
    for top in range(0, image.height, rows):
        band = image.crop((0, top, image.width, min(top + rows, image.height)))
        grey = band.convert("I").point(lambda value: value / 256).convert("L")
        shown.paste(grey.reduce(times), (0, top // times))
    return _as_seen(image, shown)


def _as_seen(image: Any, grey: Any) -> Any:
    """Eight bits of a picture as it is meant: white where it is white, with where its top is."""
    from PIL import ImageOps

    if image.format == "TIFF" and image.tag_v2.get(PHOTOMETRIC) == WHITE_IS_ZERO:
        grey = ImageOps.invert(grey)
    grey.getexif()[ORIENTATION] = image.getexif().get(ORIENTATION, 1)
    return grey


def _deep_planes(image: Any) -> bool:
    """Whether it is a TIFF that would be read wrongly: 16-bit colours, plane after plane."""
    if image.format != "TIFF":
        return False
    bits = image.tag_v2.get(BITS, (1,))
    return image.tag_v2.get(PLANES) == SEPARATE and max(bits) > 8 and len(bits) > 1


def _bytes_each(mode: str) -> int:
    """What a pixel takes up while its picture is open; a colour's three have four."""
    if mode in ("1", "L"):
        return 1
    return 2 if mode.startswith("I;16") else 4


def _too_many_pixels(pixels: int | None, most: int = MOST_PIXELS) -> CoreError:
    size = f" ({pixels / 1e6:.0f} million)" if pixels else ""
    return OutOfRange(
        f"This picture has too many pixels to open safely{size}; send one of at most"
        f" {most // 1_000_000} million.",
        field="picture",
        allowed=[1, most],
    )
