"""Light as the meter and the camera count it: marks, exposure value, meters, units."""
