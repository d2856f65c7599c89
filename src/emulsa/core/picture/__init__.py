"""A photograph as a meter: what its file says, what its levels say beside a few readings."""
