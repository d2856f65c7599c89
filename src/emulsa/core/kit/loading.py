"""Lists for loading film, as one loads: the usual steps, or one's own."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.data.loading import LISTS, ListKey
from emulsa.core.kit.preferences import OwnSteps, Preferences


@dataclass(frozen=True, kw_only=True, slots=True)
class LoadingList:
    """A list by its name; ``own``: its steps were changed."""

    key: ListKey
    title: str
    steps: tuple[str, ...]
    own: bool


def loading_lists(preferences: Preferences) -> tuple[LoadingList, ...]:
    """Every list with its steps.

    >>> loading_lists(Preferences())[1].title
    'Film onto a reel'
    """
    own = {each.list: each.steps for each in preferences.loading}
    return tuple(
        LoadingList(key=key, title=title, steps=own.get(key) or steps, own=bool(own.get(key)))
        for key, (title, steps) in LISTS.items()
    )


def with_steps(
    preferences: Preferences, key: ListKey, steps: tuple[str, ...]
) -> tuple[OwnSteps, ...]:
    """One's own lists after one was changed; its usual steps, or none, make it the usual one."""
    others = tuple(each for each in preferences.loading if each.list != key)
    if not steps or steps == LISTS[key][1]:
        return others
    return (*others, OwnSteps(list=key, steps=steps))
