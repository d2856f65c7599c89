"""Emulsa: from the spot meter to the developing tank."""

__version__ = "0.1.0"
