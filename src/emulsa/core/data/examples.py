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

# of each operation a request that runs
EXAMPLES: dict[str, dict[str, Any]] = {
    "reading": {"kind": "time_at_aperture", "time": "1/2", "aperture": "22", "iso": 125},
    "exposure": EXPOSURE_EXAMPLE,
    "reciprocity": {"law": {"kind": "power", "exponent": 1.26}, "metered_s": [4, 8, 15]},
    "bellows": {
        "optics": {"kind": "lens", "focal_length_mm": 150},
        "focus": {"kind": "draw", "draw_mm": 30},
    },
    "pinhole": {"diameter_mm": 0.2, "distance_mm": 30, "format_mm": [120, 95]},
    "light_change": {
        "law": {"kind": "power", "exponent": 1.3},
        "intervals": [{"metered_s": 30, "elapsed_s": 40}],
        "now_metered_s": 60,
    },
    "aperture_choice": {"focus_spread_mm": 5, "magnification": 0.5},
    "schools": {"exposure": EXPOSURE_EXAMPLE, "habits": {"shadow_zone": 4}},
    "bracket": {"exposure": EXPOSURE_EXAMPLE, "step_stops": 0.5, "frames": 3},
    "plans": {
        "exposure": EXPOSURE_EXAMPLE,
        "choices": [{"ids": []}, {"ids": ["yellow"], "filters": [{"factor": 2}]}],
    },
    "development": {
        "recipe": {"points": [{"n": 0, "minutes": 8.5, "origin": "personal"}]},
        "n": -1,
        "temperature_c": 21,
    },
    "batches": {
        "sheets": [
            {"id": "1A", "minutes": 6.8},
            {"id": "1B", "minutes": 6.8, "weight": 0.5},
            {"id": "3A", "minutes": 7.7},
            {"id": "4A", "minutes": 11.5, "weight": 2},
        ],
        "capacity": 4,
        "max_runs": 2,
    },
    "process": {
        "steps": [
            {
                "name": "Developer",
                "kind": "developer",
                "seconds": 410,
                "agitation": "30+10",
                "pour_s": 10,
                "drain_s": 10,
            },
            {"name": "Stop", "kind": "stop", "seconds": 30, "agitation": "shuffle"},
            {"name": "Fixer", "kind": "fixer", "seconds": 300, "agitation": "30+10"},
        ],
        "volume_ml": 500,
        "film_area_in2": 80,
        "chemistry": {"dilution": "1+50", "minimum_ml_per_roll": 6},
    },
    "film_test": {"curves": [CURVE_EXAMPLE], "box_speed": 125},
    "compare_films": {"reference": CURVE_EXAMPLE, "others": [{**CURVE_EXAMPLE, "id": "other"}]},
    "scan_density": {
        "encoding": "linear",
        "white": 65535,
        "clear_level": 52000,
        "samples": [{"id": "a", "level": 12000, "spread": 150}],
    },
    "learn": {
        "ei": 100,
        "minutes_per_n": [{"n": -1, "minutes": 6.5}, {"n": 0, "minutes": 8.5}],
        "negatives": [
            {"id": "1A", "shadow": "thin", "highlight": "full"},
            {"id": "2B", "shadow": "none", "highlight": "flat"},
        ],
    },
    "test_strip": {"kind": "stops", "first_s": 8, "step_stops": 0.5, "strips": 6, "chosen": 3.5},
    "print_plan": {
        "parts": [
            {"id": "soft", "label": "Soft filter", "seconds": 30},
            {"id": "hard", "label": "Hard filter", "seconds": 15},
        ],
        "areas": [
            {"id": "sky", "label": "Sky", "act": "burn", "part": "hard", "stops": 1},
            {"id": "path", "label": "Path", "act": "dodge", "part": "soft", "seconds": 3},
        ],
        "lamp_lag_s": 0.2,
        "drying_down": 0.06,
        "change": {
            "from": {"aperture": "16", "magnification": 2},
            "to": {"aperture": "11", "magnification": 3},
        },
    },
    "paper_grade": {"low": 0.32, "high": 1.45},
    "picture_settings": {"exif_base64": EXIF_EXAMPLE},
    "photo_calibrate": CALIBRATION_EXAMPLE,
    "photo_spots": {
        "calibration": CALIBRATION_EXAMPLE,
        "samples": [{"id": "bank", "area": {"level": 76}}],
    },
    "photo_reading": {
        "time": "1/125",
        "aperture": "8",
        "iso": 200,
        "encoding": "srgb",
        "white": 255,
        "samples": [{"id": "bank", "level": 76}, {"id": "sky", "level": [180, 200, 230]}],
    },
    "photo_preview": {
        "plans": [
            {"id": "normal", "camera_ev": 11},
            {"id": "held", "placed": {"ev100": 9, "zone": 3}, "n": -1},
        ]
    },
    "scene_make": {"scene": {"kind": "sun", "seed": 1}},
    "scene_meter": {
        "scene": {"kind": "sun", "seed": 1},
        "aim": {"patch": "doorway"},
        "angle_deg": 5,
    },
    "scene_judge": {
        "scene": {"kind": "snow", "seed": 3},
        "placed": {"patch": "lit snow", "reading_ev100": 18, "zone": 5},
        "aperture": "22",
        "given_s": "1/500",
        "law": {"kind": "power", "exponent": 1.26},
    },
    "exercise": {"topic": "placement", "seed": 1},
    "exercise_judge": {"topic": "placement", "seed": 1, "given": 9},
    "practice_next": {
        "today": 1,
        "history": [{"day": 0, "topic": "dial", "seed": 1, "level": 1, "given": 16}],
    },
    "sky": {
        "place": {"latitude_deg": 53.1, "longitude_deg": -4.05},
        "moments": ["2026-01-17T09:20:00Z"],
    },
    "sky_day": {
        "place": {"latitude_deg": 53.1, "longitude_deg": -4.05},
        "from": "2026-01-17T00:00:00Z",
        "bearings": [{"azimuth_deg": 210, "skyline_deg": 4}],
    },
    "sky_light": {"kind": "sky", "sky": "bright sun", "sun_altitude_deg": 12, "side": "side"},
    "star_time": {"focal_length_mm": 90, "format_mm": [120, 95], "declination_deg": 40},
    "focus": {
        "focal_length_mm": 150,
        "format_mm": [120, 95],
        "depth": {"kind": "limits", "near_mm": 2000, "far_mm": 30000},
        "aperture": "45",
    },
    "corners": {"focal_length_mm": 90, "format_mm": [120, 95], "rise_mm": 20, "circle_mm": 216},
    "film_kind": {"kind": "orthochromatic", "light": "tungsten", "ei": 100},
    "pre_exposure": {"kind": "film", "zone": 2, "card_ev100": 10, "ei": 100, "aperture": "16"},
    "flash": {"guide_number": 40, "distance": 4, "aperture": "16", "pops": 2},
    "aperture_scale": {"scale": "uniform", "mark": "16"},
    "one_tank": {
        "films": [
            {
                "id": "a",
                "developer": "metol-hydroquinone",
                "dilution": "1+1",
                "minutes": 10,
                "temperature_c": 20,
            },
            {
                "id": "b",
                "developer": "metol-hydroquinone",
                "dilution": "1+1",
                "minutes": 11,
                "temperature_c": 20,
            },
        ]
    },
    "tones": {"zones": [2, 5, 8], "n": -1, "paper": {"range": 1.05}, "levels": 13},
}
