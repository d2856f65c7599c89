"""One module for each noun; the application includes them all."""

from importlib import import_module

NOUNS = (
    "cards",
    "compute",
    "attachments",
    "darkroom",
    "devices",
    "evening",
    "exchange",
    "exposures",
    "history",
    "holders",
    "journal",
    "kit",
    "log",
    "mixing",
    "outings",
    "pieces",
    "preferences",
    "rolls",
    "runs",
    "scenes",
    "stock",
)
ROUTERS = tuple(import_module(f"{__name__}.{noun}").router for noun in NOUNS)
