"""One module for each noun; the application includes them all."""

from emulsa.api.routes import (
    cards,
    compute,
    darkroom,
    devices,
    exposures,
    holders,
    journal,
    kit,
    outings,
    preferences,
    scenes,
)

ROUTERS = tuple(
    module.router
    for module in (
        cards,
        compute,
        darkroom,
        devices,
        exposures,
        holders,
        journal,
        kit,
        outings,
        preferences,
        scenes,
    )
)
