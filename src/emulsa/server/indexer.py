"""The indexer: what very large acts left out of the log's index is indexed while others write."""

from __future__ import annotations

import logging
import threading
from collections.abc import Callable
from contextlib import closing

from emulsa.api.ending import STOPS_WITHIN_S
from emulsa.core.errors import CoreError
from emulsa.store import log as index
from emulsa.store.transactions import Connection

log = logging.getLogger("emulsa")


class Indexer:
    """A thread of its own, woken at the start and after what may have been large."""

    def __init__(self, connect: Callable[[], Connection]) -> None:
        self._connect = connect
        self._awake, self._done = threading.Event(), threading.Event()
        self._thread = threading.Thread(target=self._watch, name="emulsa-indexer", daemon=True)

    def start(self) -> None:
        self._awake.set()
        self._thread.start()

    def wake(self) -> None:
        self._awake.set()

    def stop(self) -> None:
        self._done.set()
        self._awake.set()
        if self._thread.is_alive():
            self._thread.join(timeout=STOPS_WITHIN_S)

    def _watch(self) -> None:
        while True:
            self._awake.wait()
            self._awake.clear()
            if self._done.is_set():
                return
            try:
                with closing(self._connect()) as connection:
                    for _ in index.catch_up(connection):
                        if self._done.is_set():
                            return  # the next run of the service goes on
            except CoreError as problem:
                log.error("the index waits: %s", problem.code)
            except Exception as problem:  # noqa: BLE001 - the service goes on with an older index
                log.error("%s while indexing", type(problem).__name__)
