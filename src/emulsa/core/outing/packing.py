"""The pack list of an outing: from the kit, the film that is loaded, and what winter asks for."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from emulsa.core.kit.bag import Camera, KitFilter, KitLens, KitPinhole, Meter
from emulsa.core.outing.record import PACKED, Outing, Packed

# Common practice, no source: what is forgotten most.
ALWAYS = (
    "Tripod and its plate",
    "Dark cloth and loupe",
    "Cable release",
    "Notebook or phone, charged; pencil",
    "Cards: long times, bellows, zone scale",
    "Lens cloth and blower",
    "Tape measure",
)
SAFETY = (
    "Somebody knows where you are and when you are back",
    "Warm layer, water, light for the way back",
    "Map; the phone may be dead in the cold",
)
FILM_TOGETHER = ("Changing bag", "Empty box, for exposed sheets", "Tape for rolls")


@dataclass(frozen=True, kw_only=True, slots=True)
class Loaded:
    """Film that is loaded: where (``2B``, ``roll 3``), and which."""

    where: str
    film: str


@dataclass(frozen=True, kw_only=True, slots=True)
class PackItem:
    """One thing to pack: a key that stays the same, its group, and what to call it."""

    key: str
    group: str
    text: str


@dataclass(frozen=True, kw_only=True, slots=True)
class Packing:
    """What goes into the bag and what comes out of it again, by the keys of the pack list."""

    put_in: Packed = ()
    taken_out: Packed = ()


def packed(outing: Outing, change: Packing) -> Outing:
    """The outing with its bag so; what another hand packed meanwhile stays in it.

    >>> packed(Outing(id="o", title="Out", packed=("a", "b")), Packing(put_in=("c",))).packed
    ('a', 'b', 'c')
    """
    kept = [each for each in outing.packed if each not in change.taken_out]
    new = [each for each in change.put_in if each not in kept]
    return replace(outing, packed=PACKED.check((*kept, *new), "put_in"))


def packing(
    cameras: Sequence[Camera],
    lenses: Sequence[KitLens],
    pinholes: Sequence[KitPinhole],
    filters: Sequence[KitFilter],
    meters: Sequence[Meter],
    loaded: Sequence[Loaded],
) -> tuple[PackItem, ...]:
    """What to take, in the order it goes into the bag; archived kit stays at home."""
    items: list[PackItem] = []
    for group, records in (
        ("Camera", cameras),
        ("Lenses", lenses),
        ("Lenses", pinholes),
        ("Filters", filters),
        ("Meter", meters),
    ):
        items += [
            PackItem(key=each.id, group=group, text=each.name)
            for each in records
            if not each.archived
        ]
    by_film: dict[str, list[str]] = {}
    for each in loaded:
        by_film.setdefault(each.film, []).append(each.where)
    items += [
        PackItem(key=f"film:{film}", group="Film", text=f"{film}: {', '.join(places)}")
        for film, places in by_film.items()
    ]
    if loaded:
        items += [_fixed("Film", text) for text in FILM_TOGETHER]
    items += [_fixed("Other", text) for text in ALWAYS]
    items += [_fixed("People and safety", text) for text in SAFETY]
    return tuple(items)


def _fixed(group: str, text: str) -> PackItem:
    return PackItem(key=f"always:{text}", group=group, text=text)
