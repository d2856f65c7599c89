"""What negatives measure: curves, films side by side, scans, and what judging teaches."""
