"""Speeds across the view to begin with, in mm/s. Common practice, no source; to a factor of two."""

MOVERS: dict[str, float] = {
    "people standing still": 20.0,
    "grass or leaves in a breeze": 50.0,
    "branches in wind": 300.0,
    "running water": 800.0,
    "people walking": 1400.0,
}
