"""Acts: locked before they look, done once by their id, undone exactly, whole or not at all."""
