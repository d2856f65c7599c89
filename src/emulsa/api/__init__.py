"""HTTP: routes over the store and the core, one JSON error shape, and the built page."""
