"""What a darkroom is taken to have until one says what it has. Common practice, no source."""

from __future__ import annotations

from emulsa.core.kit.darkroom import Bath, Line, Tank

TANK = Tank(id="plain", name="Any tank, assumed")
SEQUENCE = Line(
    id="plain",
    name="Plain sequence, assumed",
    baths=(
        Bath(name="Developer", kind="developer"),
        Bath(name="Stop bath", kind="stop", seconds=30),
        Bath(name="Fixer", kind="fixer", seconds=300),
        Bath(name="Wash", kind="wash", seconds=600),
    ),
)
