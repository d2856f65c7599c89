"""Film as a thing one holds: emulsions, holders, sheets and the moves they allow."""
