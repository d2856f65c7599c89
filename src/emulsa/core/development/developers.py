"""Developers by whatever they are called: two names of one developer are one."""

from __future__ import annotations

import re

from emulsa.core.data.developers import CALLED

ONLY = ("developer", "stock", "powder", "film", "fine–grain")  # say no more than that it is one
OWN_NAME = {other: own for own, others in CALLED.items() for other in others}


def called(name: str) -> str:
    """The one name a developer is known by, without what only says that it is a developer; empty
    where nothing is left.

    >>> called("MQ developer") == called("Metol-hydroquinone stock") == "metol–hydroquinone"
    True
    """
    words = re.split(r"[\s,()]+", re.sub(r"[-‐−]", "–", name.casefold()))
    bare = " ".join(each for each in words if each and each not in ONLY)
    return OWN_NAME.get(bare, bare)
