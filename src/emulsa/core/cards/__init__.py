"""Printed cards for the bag: the numbers on them, as tables."""
