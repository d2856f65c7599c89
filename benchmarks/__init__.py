"""How fast it is: `make bench` measures everything in one run and reports ratios to the targets."""
