"""The line one types: its grammar, and what it does to a scene."""
