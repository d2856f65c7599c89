"""The house stays what docs/house.md says: the page's rooms know nothing of each other."""

import re
from pathlib import Path

import pytest

FEATURES = Path(__file__).parents[2] / "web" / "src" / "features"
MODULES = sorted(FEATURES.rglob("*.ts*"))


@pytest.mark.parametrize("module", MODULES, ids=lambda module: module.stem)
def test_a_room_of_the_page_imports_no_other(module: Path) -> None:
    """What two rooms have in common stands in ``shared``."""
    room = module.relative_to(FEATURES).parts[0]
    text = module.read_text(encoding="utf-8")
    imported = re.findall(r"""(?:from|import\()\s*["']([^"']+)["']""", text)
    others = []
    for name in imported:
        if name.startswith("."):
            target = (module.parent / name).resolve()
        elif name.startswith("@/"):
            target = FEATURES.parent / name.removeprefix("@/")
        else:
            continue
        if target.is_relative_to(FEATURES) and target.relative_to(FEATURES).parts[0] != room:
            others.append(name)
    assert others == []


def test_every_room_of_the_core_is_told_of() -> None:
    """The page of the house and the contract of imports name the same rooms."""
    root = FEATURES.parents[2]
    rooms = {
        each.stem
        for each in (root / "src" / "emulsa" / "core").iterdir()
        if each.name[0] not in "_." and each.name != "__pycache__"
    }
    table = [
        line.split("|")[1]
        for line in (root / "docs" / "house.md").read_text(encoding="utf-8").splitlines()
        if line.startswith("| `")
    ]
    assert {name for row in table for name in re.findall(r"`(\w+)`", row)} == rooms
