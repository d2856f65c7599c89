"""Film as a thing one holds: emulsions, stock, holders, rolls, and what can become of a piece."""
