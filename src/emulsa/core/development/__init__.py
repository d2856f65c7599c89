"""From a development number to minutes: recipes and temperature."""
