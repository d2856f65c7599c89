"""The log in open formats: exposures as CSV, everything as an archive of JSON lines."""
