"""Commands about files: backup, restore, one page with everything, handing in."""

from __future__ import annotations

import argparse
import sys
from datetime import datetime
from pathlib import Path

from emulsa.cli.asking import BAD_INPUT
from emulsa.cli.telling import default_data, telling
from emulsa.core.errors import CoreError


def backup(options: argparse.Namespace) -> int:
    """Everything into one file to carry away; the service may go on meanwhile."""
    from emulsa.store import backups, restoring

    data = options.data or default_data(demo=False)
    day = datetime.now().astimezone().date().isoformat()
    target = options.file or Path(f"emulsa-backup-{day}.zip")
    with telling(target) as told:
        if data.is_dir():
            restoring.finish(data)
        lost = backups.pack(data, target)
        print(f"Backed up and checked: {target} ({target.stat().st_size / 1e6:.1f} MB)")
        for name in lost:
            print(f"Not in it, its file is gone: the picture {name}", file=sys.stderr)
    return told.code


def restore(options: argparse.Namespace) -> int:
    """Put a backup back; what it replaces is kept."""
    from emulsa.store import restoring
    from emulsa.store.folder import file_moment

    data = options.data or default_data(demo=False)
    with telling(data) as told:
        replaced = restoring.restore(data, options.file, file_moment())
        print(f"Put back from {options.file} into {data}.")
        if replaced:
            print(f"What was there is kept as {replaced}")
    return told.code


def single_file(options: argparse.Namespace) -> int:
    """Everything, with a copy of the log, as one page that opens from a device's files."""
    from emulsa.api.request import now
    from emulsa.field.one_file import write

    data = options.data or default_data(demo=False)
    with telling(options.file) as told:
        size = write(data, options.file, now())
        print(f"Written: {options.file} ({size / 1e6:.1f} MB). Open it from the device's files;")
        print("what is done in it lasts until it is closed, unless it is saved to a file there.")
    return told.code


def hand_in(options: argparse.Namespace) -> int:
    """Do at home what was done in a carried copy and saved to a file; each once."""
    from emulsa.api import routes  # noqa: F401 - acts are found by their names
    from emulsa.api.house import House
    from emulsa.api.saved import Saved, hand_in_saved
    from emulsa.core import wire
    from emulsa.store import opening
    from emulsa.store.folder import ATTACHMENTS, log_in
    from emulsa.store.pool import Pool

    data = options.data or default_data(demo=False)
    with telling(options.file) as told:
        try:
            saved = wire.loads(Saved, options.file.read_bytes())
            database = log_in(data)
            opening.prepare(database)
            pool = Pool(database)
            house = House(database, data / ATTACHMENTS, data / "exchange", pool)
            came, left = hand_in_saved(house, saved)
            pool.close()
        except CoreError as problem:
            print(f"{options.file} was not handed in: {problem.message}", file=sys.stderr)
            return BAD_INPUT
        print(f"{sum(each.came in ('done', 'known') for each in came)} of {len(came)} done.")
        for each in came:
            if each.came == "aside":
                print(f"Set aside: {each.problem} Decide about it in the browser.")
        for why in left:
            print(f"Not taken: {why}")
    return told.code
