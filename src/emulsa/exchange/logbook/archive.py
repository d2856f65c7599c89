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
from collections.abc import Callable, Iterator
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any

from emulsa import __version__
from emulsa.core.errors import Unreadable
from emulsa.exchange import pictures
from emulsa.store import log, whole
from emulsa.store.transactions import Connection, snapshot

FORMAT, VERSION = "emulsa-archive", 1
MOST_BYTES_A_LINE = 8 * 1_048_576
NUMBERED = ("holder", "roll")

Progress = Callable[[int, int], None]  # rows done, rows in all; raises to stop


@dataclass
class Merged:
    """What bringing an archive in did: rows added and passed over, and what had to give way."""

    added: int = 0
    known: int = 0
    pictures: int = 0
    said: list[str] = field(default_factory=list)


def write(connection: Connection, folder: Path, target: Path, progress: Progress) -> None:
    """Write the archive to ``target``, row by row, from one moment of the store."""
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
                        if done % 500 == 0:
                            progress(done, total)
            for row in whole.rows(connection, "attachment"):
                _add_picture(archive, folder, row)
        progress(total, total)


def merge(connection: Connection, folder: Path, source: Path, progress: Progress) -> Merged:
    """Bring an archive in, inside the caller's action; Unreadable when it is none or damaged."""
    try:
        with zipfile.ZipFile(source) as archive, log.indexed_afterwards(connection):
            return _merge(connection, folder, archive, progress)
    except (zipfile.BadZipFile, KeyError, ValueError, UnicodeDecodeError, EOFError) as problem:
        raise Unreadable(
            f"This is not an archive of Emulsa, or it is damaged ({problem}).", field="file"
        ) from None
    except whole.IntegrityError as problem:
        raise Unreadable(
            f"The archive contradicts itself or what is kept here ({problem}); nothing was"
            " brought in.",
            field="file",
        ) from None


def _merge(
    connection: Connection, folder: Path, archive: zipfile.ZipFile, progress: Progress
) -> Merged:
    manifest = json.loads(archive.read("manifest.json"))
    if manifest.get("format") != FORMAT:
        raise ValueError("its manifest names another format")
    if manifest.get("version", 0) > VERSION:
        raise Unreadable(
            "This archive was written by a newer Emulsa; bring it in with that one.", field="file"
        )
    whole.parents_may_follow(connection)
    counts = manifest["tables"]
    merged, done, total = Merged(), 0, sum(counts.values())
    for table in whole.TABLES:
        if table not in counts:
            continue
        allowed = whole.columns(connection, table)
        for row in _rows(archive, table):
            unknown = [name for name in row if name not in allowed]
            if unknown:
                raise ValueError(f"{table} has no {unknown[0]}")
            _give_way(connection, table, row, merged)
            if whole.add(connection, table, row):
                merged.added += 1
            else:
                merged.known += 1
            if table == "attachment":
                merged.pictures += _take_picture(archive, folder, row)
            done += 1
            if done % 200 == 0:
                progress(done, total)
    whole.consistent(connection)
    progress(total, total)
    return merged


def _rows(archive: zipfile.ZipFile, table: str) -> Iterator[dict[str, Any]]:
    with archive.open(f"tables/{table}.jsonl") as file:
        while line := file.readline(MOST_BYTES_A_LINE):
            row = json.loads(line)
            if not isinstance(row, dict):
                raise ValueError(f"{table} holds a line that is no row")
            yield row


def _give_way(connection: Connection, table: str, row: dict[str, Any], merged: Merged) -> None:
    """What is here keeps its number and its side; what is brought in gives way, and that is said.

    Another's holder 3 is not this one: it gets the next free number. A sheet whose side holds
    another one here is kept outside its holder.
    """
    if table in NUMBERED and not whole.known(connection, table, row["id"]):
        if whole.number_taken(connection, table, row["number"]):
            free = whole.free_number(connection, table)
            merged.said.append(f"{table} {row['number']} is now {free}")
            row["number"] = free
    elif table == "piece" and whole.side_taken(connection, row):
        merged.said.append(f"sheet {row['label']} lies outside its holder: the side is taken")
        row |= {"in_place": 0, "kept_in": "brought in"}


def _add_picture(archive: zipfile.ZipFile, folder: Path, row: dict[str, Any]) -> None:
    path = pictures.original(folder, row["digest"], row["media_type"])
    name = f"attachments/{path.name}"
    if path.exists() and name not in archive.NameToInfo:
        archive.write(path, name, zipfile.ZIP_STORED)


def _take_picture(archive: zipfile.ZipFile, folder: Path, row: dict[str, Any]) -> int:
    """The picture of an attachment out of the archive, checked like one handed in."""
    ending = pictures.ENDINGS.get(row["media_type"])
    name = f"attachments/{row['digest']}.{ending}"
    target = folder / "arriving.part"
    if name not in archive.NameToInfo:
        raise ValueError(f"the picture {row['name']} is missing")
    if archive.getinfo(name).file_size > pictures.LARGEST_FILE:
        raise ValueError(f"the picture {row['name']} is too large")
    folder.mkdir(parents=True, exist_ok=True)
    with archive.open(name) as file, target.open("wb") as part:
        shutil.copyfileobj(file, part, io.DEFAULT_BUFFER_SIZE)
    try:
        if pictures.look(target).digest != row["digest"]:
            raise ValueError(f"the picture {row['name']} is not the one that was put in")
        pictures.keep(folder, target)
    finally:
        target.unlink(missing_ok=True)
    return 1
