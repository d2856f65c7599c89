"""The whole path through the service: metered, logged, waiting, planned, run, on paper."""
