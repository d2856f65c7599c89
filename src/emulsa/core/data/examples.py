"""What operations are shown with in their document."""

from __future__ import annotations

from typing import Any

EXPOSURE_EXAMPLE: dict[str, Any] = {
    "ei": 100,
    "readings": [
        {"id": "shade", "label": "Slate in shade", "reading": {"kind": "ev", "ev": 9}},
        {"id": "frost", "label": "Lit frost", "reading": {"kind": "ev", "ev": 15}},
    ],
    "placement": {"school": "shadow", "reading": "shade", "zone": 3},
    "high": {"reading": "frost", "zone": 8},
    "textural_range": [2, 8],
    "filters": [{"label": "Deep red", "factor": 8}],
    "optics": {"kind": "lens", "focal_length_mm": 150, "pupil_magnification": 1},
    "focus": {"kind": "draw", "draw_mm": 30},
    "solve_for": "time",
    "aperture": "32",
    "law": {"kind": "power", "exponent": 1.26, "from_s": 1},
}


CURVE_EXAMPLE: dict[str, Any] = {
    "id": "8min",
    "minutes": 8,
    "base_fog": 0.2,
    "exposure": {"kind": "metered", "ei": 100},
    "steps": [
        {"stops": -6, "density": 0.2},
        {"stops": -5, "density": 0.23},
        {"stops": -4, "density": 0.3},
        {"stops": -3, "density": 0.44},
        {"stops": -2, "density": 0.63},
        {"stops": -1, "density": 0.83},
        {"stops": 0, "density": 1.03},
        {"stops": 1, "density": 1.23},
        {"stops": 2, "density": 1.42},
        {"stops": 3, "density": 1.6},
    ],
}

# a shutter of 1/125, f/8, ISO 200: an EXIF block as a camera writes it
EXIF_EXAMPLE = (
    "RXhpZgAASUkqAAgAAAACABIBAwABAAAAAQAAAGmHBAABAAAAJgAAAAAAAAAIAJqCBQABAAAAjAAAAJ2CBQABAAAA"
    "lAAAACeIAwABAAAAyAAAAAOQAgAUAAAAnAAAAASSCgABAAAAsAAAAAmSAwABAAAAEAAAAAGgAwABAAAAAQAAAAWk"
    "AwABAAAAHAAAAAAAAAABAAAAfQAAAAgAAAABAAAAMjAyNjowMToxNyAwOTo0MDowMAD/////AwAAAA=="
)

CALIBRATION_EXAMPLE: dict[str, Any] = {
    "picture": {"encoding": "srgb", "white": 255},
    "points": [
        {"id": "door", "ev100": 9, "area": {"level": 41}},
        {"id": "frost", "ev100": 14, "area": {"level": 221}},
    ],
}
