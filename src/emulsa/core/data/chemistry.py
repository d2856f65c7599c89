"""Numbers of the darkroom's chemistry. Common practice, no source, where nothing else is said."""

from __future__ import annotations

ROLL_AREA_IN2 = 80.0  # one roll, four 4×5, one 8×10: what makers state minimum amounts for
CM2_PER_IN2 = 6.4516
FIX_CLEARINGS, FIX_CLEARINGS_TABULAR = 2.0, 3.0  # fixing time in clearing times
EXHAUSTED_CLEARINGS = 2.0  # a fixer whose clearing time has doubled is discarded
WASH_TARGET = 1e-5  # residual fixer after ideal changes, as a share
COLD_C, HOT_C = 0.0, 60.0  # tempering water: ice water, and what does not scald at once
