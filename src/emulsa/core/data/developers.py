"""Developers by their generic names, with the dilutions they are usually used at.

Common practice, no source. No times: those belong to a film and to who measured them.
"""

DEVELOPERS: tuple[tuple[str, tuple[str, ...]], ...] = (
    ("metol–hydroquinone developer", ("stock", "1+1", "1+3")),
    ("metol developer", ("stock", "1+1")),
    ("phenidone–ascorbate developer", ("stock", "1+1", "1+2")),
    ("phenidone–hydroquinone developer", ("1+4", "1+9", "1+14")),
    ("p-aminophenol developer", ("1+25", "1+50", "1+100")),
    ("glycin developer", ("stock", "1+3")),
    ("two-part staining developer", ("1+1+100", "2+2+100")),
    ("divided developer", ("A, then B",)),
)
# other names the same developers go by, each by its agents (common practice, no source)
CALLED: dict[str, tuple[str, ...]] = {
    "metol–hydroquinone": ("hydroquinone–metol", "mq"),
    "phenidone–hydroquinone": ("hydroquinone–phenidone", "pq"),
    "phenidone–ascorbate": ("ascorbate–phenidone", "phenidone–ascorbic acid", "vitamin c"),
    "p–aminophenol": ("para–aminophenol", "aminophenol"),
    "two–part staining": ("staining", "pyro"),
    "divided": ("two–bath",),
}
