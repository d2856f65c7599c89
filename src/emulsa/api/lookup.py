"""What must be there: looked up, or refused in a sentence."""

from __future__ import annotations

from typing import TypeVar

from emulsa.api.refusals import NotFound

Record = TypeVar("Record")


def needed(record: Record | None, sentence: str, field: str = "id") -> Record:
    """The record itself; NotFound, with a sentence, when it is not there."""
    if record is None:
        raise NotFound(sentence, field=field)
    return record
