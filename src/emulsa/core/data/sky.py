"""Light by the sky on a subject lit from the front: EV at ISO 100, ±1 stop.

Common practice, no source; for those without a meter.
"""

from typing import Literal

Sky = Literal["bright sun", "hazy sun", "cloudy bright", "overcast", "open shade"]

SKY_EV: dict[Sky, float] = {
    "bright sun": 15.0,
    "hazy sun": 14.0,
    "cloudy bright": 13.0,
    "overcast": 12.0,
    "open shade": 12.0,
}
SNOW_STOPS = 1.0  # snow or light sand throws so much back
DOUBT_STOPS = 1.0  # how far any of it may be out

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
}
