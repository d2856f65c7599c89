"""A run through the chemistry: which film shares it, its steps and cues, an evening of runs."""
