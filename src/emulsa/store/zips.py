"""Zips looked at before they are opened: how many files one promises, and how long its list is."""

from __future__ import annotations

import struct
import zipfile
from pathlib import Path

MOST_ENTRIES = 100_000
MOST_LISTED = 16 * 1_048_576  # bytes of the list of files: names of pictures take 127 each
# The records at a zip's end (PKWARE's APPNOTE 4.3.14 to 4.3.16, from memory)
ENTRY, END, END64, POINTER = b"PK\1\2", b"PK\5\6", b"PK\6\6", b"PK\6\7"
TAIL = 22 + 65_535  # the last record, and the longest comment behind it


def opened(path: Path) -> zipfile.ZipFile:
    """A zip to be read; ValueError for one that lists more files than anybody's archive has."""
    entries, listed, at = _promised(path)
    if entries > MOST_ENTRIES or listed > MOST_LISTED or _listed(path, at, listed) > MOST_ENTRIES:
        raise ValueError("it holds too many files")
    return zipfile.ZipFile(path)


def _listed(path: Path, at: int, size: int) -> int:
    """How many files the list really names: a number alone is only a promise."""
    with path.open("rb") as file:
        file.seek(max(0, at - size))
        return file.read(size).count(ENTRY)


def _promised(path: Path) -> tuple[int, int, int]:
    """How many files a zip lists, how many bytes the list takes, and where it ends; nothing when
    it is none."""
    size = path.stat().st_size
    with path.open("rb") as file:
        file.seek(max(0, size - TAIL))
        tail = file.read()
        at = tail.rfind(END)
        if at < 0 or len(tail) < at + 22:
            return 0, 0, 0
        ends = max(0, size - TAIL) + at
        entries, listed = struct.unpack_from("<HI", tail, at + 10)
        pointer = tail[max(0, at - 20) : at]
        if pointer[:4] == POINTER:
            file.seek(min(size, struct.unpack_from("<Q", pointer, 8)[0]))
            record = file.read(56)
            if record[:4] == END64 and len(record) == 56:
                entries, listed = struct.unpack_from("<QQ", record, 32)
                ends = struct.unpack_from("<Q", pointer, 8)[0]
    return entries, listed, ends
