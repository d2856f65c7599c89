"""What a photographer owns and how they like to work."""
