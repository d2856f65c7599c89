"""``python -m emulsa``."""

import sys

from emulsa.cli import main

sys.exit(main())
