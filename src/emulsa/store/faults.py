"""What went wrong with a file, in one sentence: told by the system's and SQLite's own numbers."""

from __future__ import annotations

import errno
import sqlite3
from pathlib import Path
from typing import Literal

TROUBLES = (OSError, sqlite3.Error)
Kind = Literal[
    "full", "read-only", "forbidden", "locked", "damaged", "foreign", "missing", "folder", "other"
]

# The low byte of SQLite's extended result codes.
BY_CODE: dict[int, Kind] = {
    sqlite3.SQLITE_FULL: "full",
    sqlite3.SQLITE_READONLY: "read-only",
    sqlite3.SQLITE_PERM: "forbidden",
    sqlite3.SQLITE_CANTOPEN: "forbidden",
    sqlite3.SQLITE_BUSY: "locked",
    sqlite3.SQLITE_LOCKED: "locked",
    sqlite3.SQLITE_CORRUPT: "damaged",
    sqlite3.SQLITE_NOTADB: "foreign",
}
BY_NUMBER: dict[int, Kind] = {
    errno.ENOSPC: "full",
    errno.EDQUOT: "full",
    errno.EFBIG: "full",
    errno.EROFS: "read-only",
    errno.EACCES: "forbidden",
    errno.EPERM: "forbidden",
    errno.EAGAIN: "locked",
    errno.ENOENT: "missing",
    errno.EISDIR: "folder",
    errno.ENOTDIR: "folder",
    errno.EEXIST: "folder",
}
SENTENCES: dict[Kind, str] = {
    "full": "The disk is full: {path} could not be written. Make room and try again; nothing that"
    " was logged is lost.",
    "read-only": "{path} can be read but not written. Let it be written, or choose another folder.",
    "forbidden": "{path} must not be opened or written by this user. Change its permissions, or"
    " choose another folder.",
    "locked": "{path} is being written by another program. Wait until it is done, and try again.",
    "damaged": "{path} is damaged.",
    "foreign": "{path} is no file of Emulsa.",
    "missing": "There is no {path}.",
    "folder": "{path} cannot be used: a file stands where a folder is needed, or a folder where a"
    " file is.",
    "other": "{path} could not be read or written ({problem}).",
}


def kind(problem: Exception) -> Kind:
    """What kind of fault it is.

    >>> kind(OSError(errno.ENOSPC, "no space")), kind(ValueError())
    ('full', 'other')
    """
    code = getattr(problem, "sqlite_errorcode", None)
    if code is not None:
        return BY_CODE.get(code & 0xFF, "other")
    if isinstance(problem, OSError):
        return BY_NUMBER.get(problem.errno or 0, "other")
    return "other"


def of_the_disk(problem: BaseException) -> bool:
    """Whether the disk is to blame, and not what was to be read from it."""
    return isinstance(problem, OSError) and kind(problem) in ("full", "read-only", "forbidden")


def sentence(problem: Exception, path: Path) -> str:
    """The fault as one sentence about the file it befell."""
    named = problem.filename if isinstance(problem, OSError) else None
    about = Path(named) if isinstance(named, str) else path
    what = kind(problem)
    if what in ("missing", "forbidden") and not about.parent.exists():
        return f"There is no folder {about.parent}."  # SQLite calls it forbidden
    return SENTENCES[what].format(path=about, problem=problem)
