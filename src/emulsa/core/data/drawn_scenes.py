"""The drawn scenes there are, in the order they are offered; `scenery/scenes` describes each."""

DRAWN = (
    "winding-house",
    "incline",
    "frozen-pool",
    "adit",
    "tip",
    "cutting-shed",
    "birch-wood",
    "surf",
    "lane-at-dusk",
    "snowed-in",
    "still-life",
    "room",
    "portrait",
    "against-the-light",
    "waterfall",
    "night-lamp",
)
