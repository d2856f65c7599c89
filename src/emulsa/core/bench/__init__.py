"""The bench: film tests from densities to tested times, and what judged negatives teach."""
