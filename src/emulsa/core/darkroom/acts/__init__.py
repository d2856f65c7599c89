"""What is done in the dark: decided over, put into a run, developed, tested; from a snapshot."""
