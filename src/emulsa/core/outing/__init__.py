"""A day with a camera: its place, its weather, and what to pack."""
