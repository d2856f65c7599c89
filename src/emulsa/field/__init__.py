"""The carried copy: the same routes and the same store, answered inside a browser."""
