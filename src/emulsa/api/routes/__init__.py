"""One module for each noun; the application answers them all."""

from importlib import import_module

from emulsa.api.routing import Routes

NOUNS = (
    "archives",
    "bench",
    "carry",
    "cards",
    "checks",
    "comparison",
    "compute",
    "attachments",
    "darkroom",
    "devices",
    "evening",
    "exchange",
    "exposures",
    "films",
    "guide",
    "history",
    "holders",
    "journal",
    "kit",
    "learning",
    "log",
    "mixing",
    "outings",
    "pairing",
    "pieces",
    "practice",
    "preferences",
    "prints",
    "rolls",
    "runs",
    "scenes",
    "service",
    "stock",
    "strips",
    "unread",
)
ROUTES: tuple[Routes, ...] = tuple(import_module(f"{__name__}.{noun}").routes for noun in NOUNS)
