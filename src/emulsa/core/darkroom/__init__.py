"""Exposed film in the dark: what waits, what shares a run, a run by the second, an evening."""
