"""What the simulated spot meter sees before the demo's scenes. Every place here is invented."""

from __future__ import annotations

from emulsa.devices.spot_meter import patches

SCENES = {
    "scene-winding-house": patches(
        ("winding drum", 7.4),
        ("doorway in shade", 9.0),
        ("heather bank", 10.1),
        ("wet slate face", 11.3),
        ("rusted rail", 10.6),
        ("lit frost", 14.9),
        ("north sky", 13.2),
    ),
    "scene-incline": patches(
        ("wet sleepers", 9.3),
        ("dry-stone wall", 10.4),
        ("dead bracken", 10.9),
        ("fog above the drum", 12.3),
    ),
    "scene-pool": patches(
        ("dark crack", 9.1), ("grey ice", 11.6), ("white bubbles", 13.9), ("reed stems", 10.2)
    ),
    "scene-adit": patches(
        ("pit props", 3.1), ("flooded floor", 4.6), ("rock in shade", 6.0), ("daylit rim", 9.1)
    ),
}
