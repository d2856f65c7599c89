"""The carried copy, in the very runtime a browser starts."""
