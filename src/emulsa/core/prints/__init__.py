"""Prints: from the chosen negative to a print that can be made again."""
