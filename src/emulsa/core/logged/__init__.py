"""The log: what was really given to a piece of film, and what that means for it."""
