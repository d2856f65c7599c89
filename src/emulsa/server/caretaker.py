"""The caretaker: looks the store over at the start, and keeps a copy of each day it is used."""

from __future__ import annotations

import logging
import threading
from datetime import date
from pathlib import Path

from emulsa.api.ending import STOPS_WITHIN_S, Stopping
from emulsa.store import backups, faults, soundness
from emulsa.store.folder import COPIES, DATABASE, Unsafe

HOURLY_S = 3_600
AGAIN_S = 60  # while a copy is owed, so that room on the disk is noticed

log = logging.getLogger("emulsa")


class Caretaker:
    """A thread of its own, so that nobody waits for it; what it found stands in ``trouble``, from
    the first copy that failed until one succeeds."""

    def __init__(self, folder: Path) -> None:
        self._folder = folder
        self._done = threading.Event()
        self.trouble = ""
        self._thread = threading.Thread(target=self._watch, name="emulsa-caretaker", daemon=True)

    def start(self) -> None:
        self._thread.start()

    def stop(self) -> None:
        self._done.set()
        self._thread.join(timeout=STOPS_WITHIN_S)

    def look(self, today: date) -> None:
        """Check the store and make today's copy of it; a damaged store is not copied over good
        ones."""
        found = soundness.problems(self._folder / DATABASE)
        if found:
            self.trouble = (
                f"The data file is damaged ({found[0]}). Stop Emulsa before you go on."
                f" {backups.way_out(self._folder)}"
            )
            return
        try:
            backups.daily(self._folder, today, self._going)
            self.trouble = ""
        except Unsafe as problem:
            self.trouble = f"Today's backup could not be made. {problem}"
        except faults.TROUBLES as problem:
            self.trouble = (
                "Today's backup could not be made."
                f" {faults.sentence(problem, self._folder / COPIES)}"
            )

    def _going(self) -> None:
        if self._done.is_set():
            raise Stopping("The copy is given up.")

    def _watch(self) -> None:
        while True:
            try:
                self.look(date.today())  # noqa: DTZ011 - the photographer's own day
            except Stopping:
                return
            except Exception as problem:  # noqa: BLE001 - the service goes on without its copy
                log.error("%s while looking after the store", type(problem).__name__)
                self.trouble = "Today's backup could not be made; the log itself is not touched."
            if self._done.wait(AGAIN_S if self.trouble else HOURLY_S):
                return
