"""Sun and moon for a place and a moment, light where no meter is, stars that stay points."""
