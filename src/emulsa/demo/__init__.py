"""The invented winter outing that ships with the application."""
