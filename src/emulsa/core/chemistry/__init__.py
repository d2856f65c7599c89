"""What is mixed, how much of it, how warm, and how long it lasts."""
