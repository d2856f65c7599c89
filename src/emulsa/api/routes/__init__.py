"""One module for each noun."""
