"""From zones to print greys: the negative, the paper, and what the eye sees of it."""
