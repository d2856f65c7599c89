"""Draw every described scene into a folder, and as data of the core into another."""

import sys
from concurrent.futures import ProcessPoolExecutor
from pathlib import Path

from scenery.drawing import write

SCENES = Path(__file__).with_name("scenes")


def main(folder: Path, practice: Path) -> None:
    """Write all scenes into the folders, which are made where they are not there."""
    for each in (folder, practice):
        each.mkdir(parents=True, exist_ok=True)
    about = '"""Drawn scenes, written when Emulsa is built."""\n'
    (practice / "__init__.py").write_text(about, encoding="utf-8")
    with ProcessPoolExecutor() as hands:
        sources = sorted(SCENES.glob("*.toml"))
        many = len(sources)
        list(hands.map(write, sources, [folder] * many, [practice] * many))


if __name__ == "__main__":
    main(Path(sys.argv[1]), Path(sys.argv[2]))
