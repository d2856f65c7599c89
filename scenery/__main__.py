"""Draw every described scene into a folder."""

import sys
from concurrent.futures import ProcessPoolExecutor
from pathlib import Path

from scenery.drawing import write

SCENES = Path(__file__).with_name("scenes")


def main(folder: Path) -> None:
    """Write all scenes into ``folder``, which is made where it is not there."""
    folder.mkdir(parents=True, exist_ok=True)
    with ProcessPoolExecutor() as hands:
        sources = sorted(SCENES.glob("*.toml"))
        list(hands.map(write, sources, [folder] * len(sources)))


if __name__ == "__main__":
    main(Path(sys.argv[1]))
