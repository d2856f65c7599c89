"""The caretaker: looks the store over at the start, and keeps a copy of each day it is used."""

from __future__ import annotations

import logging
import threading
from datetime import date
from pathlib import Path

from emulsa.store import backups

HOURLY_S = 3_600

log = logging.getLogger("emulsa")


class Caretaker:
    """A thread of its own, so that nobody waits for it; what it found stands in ``trouble``."""

    def __init__(self, folder: Path) -> None:
        self._folder = folder
        self._done = threading.Event()
        self.trouble = ""
        self._thread = threading.Thread(target=self._watch, name="emulsa-caretaker", daemon=True)

    def start(self) -> None:
        self._thread.start()

    def stop(self) -> None:
        self._done.set()
        self._thread.join(timeout=10)

    def look(self, today: date) -> None:
        """Check the store and make today's copy of it; a damaged store is not copied over good
        ones."""
        found = backups.problems(self._folder / backups.DATABASE)
        if found:
            self.trouble = (
                f"The data file is damaged ({found[0]}). Stop Emulsa before you go on."
                f" {backups.way_out(self._folder)}"
            )
            return
        try:
            backups.daily(self._folder, today)
            self.trouble = ""
        except (OSError, backups.Unsafe) as problem:
            self.trouble = (
                f"Today's backup could not be written ({type(problem).__name__}). Make room on the"
                " disk; nothing you log is lost meanwhile."
            )

    def _watch(self) -> None:
        while True:
            try:
                self.look(date.today())  # noqa: DTZ011 - the photographer's own day
            except Exception as problem:  # noqa: BLE001 - the service goes on without its copy
                log.error("%s while looking after the store", type(problem).__name__)
            if self._done.wait(HOURLY_S):
                return
