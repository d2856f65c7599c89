"""What lengthens an exposure after the meter: filters, bellows, pinhole, reciprocity."""
