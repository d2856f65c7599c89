"""The wheel: page, fonts and migrations are in it, and it serves where there is nothing else."""

import os
import shutil
import subprocess
import sys
import sysconfig
import venv
import zipfile
from pathlib import Path

import pytest

from emulsa.server.app import BUILT_PAGE
from tests.serving import asked, free_port
from tests.shared import once

ROOT = Path(__file__).parents[2]


@pytest.fixture(scope="session")
def wheel(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """The wheel as ``make package`` builds it; the page must have been built."""
    assert (BUILT_PAGE / "index.html").exists(), "build the page first: make page"
    (built,) = once(tmp_path_factory, "wheel", packed).glob("*.whl")
    return built


def packed(out: Path) -> None:
    source = out / "source"
    source.mkdir()
    for name in ("pyproject.toml", "README.md", "LICENSE", "requirements", "src"):
        found = ROOT / name
        if found.is_dir():
            no_cache = shutil.ignore_patterns("__pycache__", "*.egg-info")
            shutil.copytree(found, source / name, ignore=no_cache)
        else:
            shutil.copy(found, source / name)
    alone = ["--no-deps", "--no-build-isolation", "--no-index", "--disable-pip-version-check"]
    command = [sys.executable, "-m", "pip", "wheel", "-q", *alone, "-w", str(out), str(source)]
    subprocess.run(command, check=True)


def test_everything_that_is_served_is_in_it(wheel: Path) -> None:
    """Migrations, fonts and templates of the cards, and the page with all its files."""
    names = set(zipfile.ZipFile(wheel).namelist())
    for pattern in ("store/migrations/*.sql", "exchange/cards/*.typ", "exchange/cards/fonts/*"):
        wanted = {
            f.relative_to(ROOT / "src").as_posix() for f in ROOT.glob(f"src/emulsa/{pattern}")
        }
        assert wanted
        assert wanted <= names
    page = {f.relative_to(ROOT / "src").as_posix() for f in BUILT_PAGE.rglob("*") if f.is_file()}
    assert page <= names
    assert not any("__pycache__" in name or name.startswith("tests") for name in names)


def test_it_serves_where_there_is_nothing_else(wheel: Path, tmp_path: Path) -> None:
    """In an environment of its own, far from the checkout and without Node: page and demo answer.

    The packages it needs are lent by the environment of the tests; Emulsa itself is the wheel's.
    """
    place = tmp_path / "environment"
    venv.create(place, with_pip=False)
    python = place / "bin" / "python"
    site = Path(
        subprocess.run(
            [python, "-c", "import sysconfig; print(sysconfig.get_path('purelib'))"],
            check=True, capture_output=True, text=True,
        ).stdout.strip()
    )  # fmt: skip
    zipfile.ZipFile(wheel).extractall(site)
    (site / "lent.pth").write_text(sysconfig.get_path("purelib"))
    port = free_port()
    bare = {"PATH": str(place / "bin"), "HOME": str(tmp_path), "LANG": os.environ.get("LANG", "C")}
    said = subprocess.run(
        [python, "-c", "import emulsa; print(emulsa.__file__)"],
        check=True, capture_output=True, text=True, env=bare, cwd=tmp_path,
    )  # fmt: skip
    assert Path(said.stdout.strip()).is_relative_to(site)
    command = [python, "-m", "emulsa", "demo", "--port", str(port), "--data", str(tmp_path / "d")]
    service = subprocess.Popen(command, env=bare, cwd=tmp_path, stdout=subprocess.DEVNULL)
    try:
        page = asked(f"http://127.0.0.1:{port}/")
        assert b"<div id=" in page
        assert b"Skarrowmoor" in asked(f"http://127.0.0.1:{port}/api/outings")
        assert asked(f"http://127.0.0.1:{port}/api/cards/dial/zones.pdf").startswith(b"%PDF")
    finally:
        service.kill()
        service.wait()
