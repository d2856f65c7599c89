"""Break the source at random places, one at a time, and see whether the tests notice.

python -m mutation SEED N. Each break is made in a copy and met by the tests outside the browser
that enter the broken function, the quick ones first; a break is noticed when one of them fails, or
never ends. Ends with the places that nobody noticed, and with what share of each room was noticed.
"""

import hashlib
import json
import os
import shutil
import subprocess
import sys
import tempfile
from collections import Counter
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path
from queue import Queue

from mutation.entered import gathered, prepare
from mutation.places import Place, draw

HERE = Path(__file__).parent.parent
MAPS = HERE / ".stamps"
LEFT_OUT = {".git", ".venv", "node_modules", ".mypy_cache", ".hypothesis", ".ruff_cache", "dist"}
AT_MOST_S = 120  # of tests for one break: what enters everything is met by its quick tests
HANDS = os.cpu_count() or 2


def copied(to: Path) -> Path:
    """A copy of the checkout to be broken, which runs on this one's packages."""

    def left(_: str, names: list[str]) -> set[str]:
        return {each for each in names if each in LEFT_OUT or each == "__pycache__"}

    shutil.copytree(HERE, to, ignore=left)
    (to / ".venv").symlink_to(HERE / ".venv")
    (to / "web" / "node_modules").symlink_to(HERE / "web" / "node_modules")
    return to


def run_tests(
    copy: Path, *words: str, within_s: float | None = None, **settings: str
) -> int | None:
    """Run pytest in a copy: how it ended, or nothing if it did not end in time."""
    with tempfile.TemporaryDirectory() as data:
        surrounding = {**os.environ, "PYTHONPATH": f"{copy / 'src'}:{copy}", **settings}
        command = [str(HERE / ".venv/bin/python"), "-m", "pytest", "-q", f"--basetemp={data}/data"]
        try:
            return subprocess.run(
                [*command, *words],
                cwd=copy,
                env=surrounding,
                timeout=within_s,
                stdout=subprocess.DEVNULL,
                stderr=subprocess.DEVNULL,
                check=False,
            ).returncode
        except subprocess.TimeoutExpired:
            return None


def map_of_tests() -> tuple[dict[str, list[str]], dict[str, float]]:
    """Which tests enter which function: kept until a source or a test changes."""
    digest = hashlib.sha256()
    for path in sorted([*HERE.glob("src/emulsa/**/*.py"), *HERE.glob("tests/**/*.py")]):
        if "built" not in path.parts:
            digest.update(path.read_bytes())
    kept = MAPS / f"entered-{digest.hexdigest()[:16]}"
    if os.environ.get("MAP") == "keep":  # a few lines changed: the old one is near enough
        kept = max(MAPS.glob("entered-*"), key=lambda each: each.stat().st_mtime)
    if not kept.exists():
        print("Which tests enter which function: every test outside the browser runs once …")
        with tempfile.TemporaryDirectory() as beside:
            copy = copied(Path(beside) / "copy")
            prepare(copy)
            found = Path(beside) / "found"
            found.mkdir()
            words = (
                "-p",
                "mutation.entered",
                "-n",
                "3",
                "--dist",
                "worksteal",
                "-m",
                "not browser",
            )
            run_tests(copy, *words, ENTERED_IN=str(found))
            for old in MAPS.glob("entered-*"):
                shutil.rmtree(old)
            shutil.copytree(found, kept)
    return gathered(kept)


def met_by(place: Place, entering: dict[str, list[str]], took: dict[str, float]) -> list[str]:
    """The tests that may notice a break, the quick ones first, so many as there is time for."""
    left_s = float(AT_MOST_S)
    chosen = []
    for test in sorted(entering.get(f"{place.file}::{place.function}", []), key=lambda t: took[t]):
        left_s -= took[test]
        if left_s < 0:
            break
        chosen.append(test)
    return chosen


def noticed(place: Place, copy: Path, tests: list[str], expected_s: float) -> bool:
    """Whether the tests fail, or never end, while a place is broken."""
    path = copy / place.file
    whole = path.read_bytes()
    asked = copy / ".asked"
    asked.write_text("\n".join(tests), encoding="utf-8")
    try:
        path.write_bytes(place.broken(whole))
        ended = run_tests(copy, "-x", f"@{asked}", within_s=90 + 4 * expected_s)
    finally:
        path.write_bytes(whole)
    return ended != 0


def main() -> int:
    """Draw, break, run, tell."""
    seed, count = (int(each) for each in (*sys.argv[1:], "1", "20")[:2])
    entering, took = map_of_tests()
    drawn = draw(HERE / "src" / "emulsa", seed, count)
    rooms: Counter[str] = Counter()
    seen: Counter[str] = Counter()
    survived = []
    with tempfile.TemporaryDirectory() as beside:
        copies: Queue[Path] = Queue()
        for number in range(HANDS):
            copies.put(copied(Path(beside) / str(number)))

        def tried(place: Place) -> tuple[Place, bool, int]:
            tests = met_by(place, entering, took)
            copy = copies.get()
            try:
                expected_s = sum(took[each] for each in tests)
                return place, bool(tests) and noticed(place, copy, tests, expected_s), len(tests)
            finally:
                copies.put(copy)

        with ThreadPoolExecutor(HANDS) as hands:
            for place, was_noticed, tests in hands.map(tried, drawn):
                room = "/".join(place.file.split("/")[2:4]).removesuffix(".py")
                rooms[room] += 1
                seen[room] += was_noticed
                if not was_noticed:
                    survived.append(f"{place}  ({tests} tests enter it)")
                print("." if was_noticed else "S", end="", flush=True)
    print()
    for line in survived:
        print("unnoticed:", line)
    for room in sorted(rooms):
        print(f"{room:28} {seen[room]}/{rooms[room]}")
    print(f"seed {seed}: {sum(seen.values())} of {count} noticed")
    (MAPS / f"mutation-{seed}.json").write_text(json.dumps(survived, indent=1), encoding="utf-8")
    return 0


if __name__ == "__main__":
    sys.exit(main())
