"""Published tables as rows, and the bibliography they cite."""
