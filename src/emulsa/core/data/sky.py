"""Light where no meter is: EV at ISO 100 by sky, moon and street, each ± its doubt.

Common practice from memory, no source; for those without a meter.
"""

from typing import Literal

Sky = Literal["bright sun", "hazy sun", "cloudy bright", "overcast", "open shade", "deep shade"]
Street = Literal[
    "bright street",
    "shop windows",
    "street",
    "lit room",
    "floodlit",
    "church",
    "quiet street",
    "town from afar",
]
LightSide = Literal["front", "side", "back"]

SKY_EV: dict[Sky, float] = {  # a subject lit from the front, the sun at 40°
    "bright sun": 15.0,
    "hazy sun": 14.0,
    "cloudy bright": 13.0,
    "overcast": 12.0,
    "open shade": 12.0,
    "deep shade": 10.0,
}
STREETS: dict[Street, tuple[float, float]] = {
    "bright street": (7, 1),
    "shop windows": (7, 1),
    "street": (5, 1),
    "lit room": (5, 1),
    "floodlit": (4, 1),
    "church": (4, 1.5),
    "quiet street": (3, 1),
    "town from afar": (2, 1.5),
}
SIDES: dict[LightSide, float] = {"front": 0, "side": -1, "back": -2}
SNOW_STOPS = 1.0  # snow or light sand throws so much back
DOUBT_STOPS = 1.0  # how far any of it may be out
DEEP_DOUBT_STOPS = 1.5  # and the deep shade, the low sun, what comes after it

# how a sky is said on the reading line; of several that fit the longest counts
SKY_WORDS: dict[str, Sky] = {
    "bright sunshine": "bright sun",
    "bright sun": "bright sun",
    "sunshine": "bright sun",
    "full sun": "bright sun",
    "sunny": "bright sun",
    "sun": "bright sun",
    "hazy sun": "hazy sun",
    "hazy": "hazy sun",
    "haze": "hazy sun",
    "cloudy bright": "cloudy bright",
    "cloudy overcast": "overcast",
    "cloudy": "cloudy bright",
    "overcast": "overcast",
    "open shade": "open shade",
    "deep shade": "deep shade",
}
