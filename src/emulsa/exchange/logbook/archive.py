"""The whole archive: a zip of JSON lines, one file a table, with the attached pictures beside them.

``manifest.json`` names the format and its version; ``tables/<name>.jsonl`` holds a row a line;
``attachments/<digest>.<ending>`` the pictures. Bringing one in adds what is not there by identity
and leaves what is there as it is.
"""

from __future__ import annotations

import io
import json
import shutil
import zipfile
import zlib
from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any

from emulsa import __version__
from emulsa.core import wire
from emulsa.core.errors import Unreadable
from emulsa.exchange import pictures
from emulsa.exchange.logbook.decoding import check, of_line
from emulsa.exchange.logbook.older import brought_up
from emulsa.store import joining, staging, whole, zips
from emulsa.store.folder import part_of
from emulsa.store.joining import Choice
from emulsa.store.steps import EVERY, Steps
from emulsa.store.transactions import Connection, snapshot

FORMAT, VERSION = "emulsa-archive", 3
MOST_BYTES_A_LINE = 8 * 1_048_576
MOST_BYTES_A_MANIFEST = 1_048_576
MOST_ROWS = 10_000_000


@dataclass
class Merged:
    """What bringing an archive in did: rows added and passed over, and what had to give way."""

    added: int = 0
    known: int = 0
    pictures: int = 0
    said: list[str] = field(default_factory=list)


def write(connection: Connection, folder: Path, target: Path) -> Steps[list[str]]:
    """Write the archive to ``target``, row by row, from one moment of the store; the names of
    pictures whose files are gone come of it."""
    lost: list[str] = []
    with snapshot(connection):
        total = sum(whole.count(connection, table) for table in whole.TABLES)
        manifest = {
            "format": FORMAT,
            "version": VERSION,
            "program": __version__,
            "tables": {table: whole.count(connection, table) for table in whole.TABLES},
        }
        with zipfile.ZipFile(target, "w", zipfile.ZIP_DEFLATED, compresslevel=4) as archive:
            archive.writestr("manifest.json", json.dumps(manifest, indent=1))
            done = 0
            for table in whole.TABLES:
                with archive.open(f"tables/{table}.jsonl", "w") as file:
                    for row in whole.rows(connection, table):
                        file.write(json.dumps(row, ensure_ascii=False).encode() + b"\n")
                        done += 1
                        if done % EVERY == 0:
                            yield done, total
            for row in whole.rows(connection, "attachment"):
                if not _add_picture(archive, folder, row):
                    lost.append(row["name"])
    return lost


def gather(stage: Connection, folder: Path, source: Path) -> Steps[Merged]:
    """Decode an archive onto a stage, its pictures into ``folder``; Unreadable when it is none, or
    for the first row that is not what the log keeps."""
    try:
        with zips.opened(source) as archive:
            return (yield from _gather(stage, folder, archive))
    except (zipfile.BadZipFile, zlib.error, NotImplementedError, EOFError, ValueError) as problem:
        raise Unreadable(
            f"This is not an archive of Emulsa, or it is damaged ({problem}).", field="file"
        ) from None


def merge(connection: Connection, merged: Merged, decided: Mapping[str, Choice]) -> None:
    """Take a gathered archive in, within the caller's act, with the stage beside the log: what is
    not here is added, film follows where its story goes on, and the rest stays as it is here.

    Raises ``joining.Undecided`` for film that went two ways, Unreadable when a row names what is
    nowhere.
    """
    orphan = staging.orphan(connection)
    if orphan is not None:
        raise Unreadable(
            f"The archive contradicts itself: a row of {orphan[0]} names one of {orphan[1]} that is"
            " neither in it nor here. Nothing was brought in.",
            field="file",
        )
    merged.said += joining.join(connection, decided)
    merged.known = staging.forget_known(connection)
    merged.said += staging.give_way(connection)
    merged.added = staging.take_in(connection)


def _gather(stage: Connection, folder: Path, archive: zipfile.ZipFile) -> Steps[Merged]:
    version, counts = _manifest(archive)
    merged, done, total = Merged(), 0, sum(counts.values())
    columns = {table: whole.columns(stage, table) for table in whole.TABLES}
    for listed in whole.TABLES:
        if listed not in counts:
            continue
        for number, line in enumerate(_lines(archive, listed), start=1):
            for table, row in brought_up(version, listed, of_line(listed, line, number)):
                check(table, row, columns[table])
                try:
                    added = whole.add(stage, table, row)
                except whole.IntegrityError as problem:
                    raise Unreadable(
                        f"The archive contradicts itself in line {number} of {listed} ({problem});"
                        " nothing was brought in.",
                        field="file",
                    ) from None
                if table == "attachment" and added:
                    _take_picture(archive, folder, row, merged)
            done += 1
            if done % EVERY == 0:
                yield done, total
    yield total, total
    return merged


def _manifest(archive: zipfile.ZipFile) -> tuple[int, dict[str, int]]:
    """Its version, and how many rows each table has; refused before anything large is unpacked."""
    entry = archive.NameToInfo.get("manifest.json")
    if entry is None or entry.file_size > MOST_BYTES_A_MANIFEST:
        raise ValueError("it has no manifest of ours")
    with archive.open(entry) as file:
        content = file.read(MOST_BYTES_A_MANIFEST)
    try:
        manifest = wire.parsed(content)
    except Unreadable:
        raise ValueError("its manifest cannot be read") from None
    if not isinstance(manifest, dict) or manifest.get("format") != FORMAT:
        raise ValueError("its manifest names another format")
    version, counts = manifest.get("version", 0), manifest.get("tables")
    if not isinstance(version, int) or version > VERSION:
        raise Unreadable(
            "This archive was written by a newer Emulsa; bring it in with that one.", field="file"
        )
    if not isinstance(counts, dict) or not all(
        isinstance(each, int) and 0 <= each < MOST_ROWS for each in counts.values()
    ):
        raise ValueError("its manifest counts no rows")
    for table in counts:
        if table in whole.TABLES and f"tables/{table}.jsonl" not in archive.NameToInfo:
            raise ValueError(f"its table {table} is missing")
    return version, counts


def _lines(archive: zipfile.ZipFile, table: str) -> Iterator[bytes]:
    with archive.open(f"tables/{table}.jsonl") as file:
        while line := file.readline(MOST_BYTES_A_LINE):
            yield line


def _add_picture(archive: zipfile.ZipFile, folder: Path, row: dict[str, Any]) -> bool:
    path = pictures.original(folder, row["digest"], row["media_type"])
    name = f"attachments/{path.name}"
    if path.exists() and name not in archive.NameToInfo:
        archive.write(path, name, zipfile.ZIP_STORED)
    return path.exists()


def _take_picture(
    archive: zipfile.ZipFile, folder: Path, row: dict[str, Any], merged: Merged
) -> None:
    """The picture of an attachment out of the archive, checked like one handed in; one that is
    missing is named, and the rest comes in."""
    name = f"attachments/{row['digest']}.{pictures.ENDINGS[row['media_type']]}"
    if name not in archive.NameToInfo:
        if not pictures.original(folder, row["digest"], row["media_type"]).exists():
            merged.said.append(f"The picture {row['name']} is not in the archive.")
        return
    if archive.getinfo(name).file_size > pictures.LARGEST_FILE:
        raise ValueError(f"the picture {row['name']} is too large")
    folder.mkdir(parents=True, exist_ok=True)
    target = part_of(folder / "arriving")
    with archive.open(name) as file, target.open("wb") as part:
        shutil.copyfileobj(file, part, io.DEFAULT_BUFFER_SIZE)
    try:
        if pictures.look(target).digest != row["digest"]:
            raise ValueError(f"the picture {row['name']} is not the one that was put in")
        pictures.keep(folder, target)
    finally:
        target.unlink(missing_ok=True)
    merged.pictures += 1
