"""Places of outings as GeoJSON (RFC 7946): a point for each outing that has coordinates."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Any

from emulsa.core.outing.record import Outing


def feature_collection(outings: Iterable[Outing]) -> dict[str, Any]:
    """The collection; longitude comes first in GeoJSON."""
    return {
        "type": "FeatureCollection",
        "features": [
            {
                "type": "Feature",
                "id": each.id,
                "geometry": {"type": "Point", "coordinates": [each.longitude, each.latitude]},
                "properties": {
                    "title": each.title,
                    "day": each.day,
                    "place": each.place,
                    "conditions": each.conditions,
                },
            }
            for each in outings
            if each.latitude is not None and each.longitude is not None
        ],
    }
