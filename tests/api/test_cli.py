"""The command line: starting, a busy port, and the demo that never touches the user's data."""

import os
import socket
import subprocess
import sys
import time
import urllib.request
from pathlib import Path

import pytest

from emulsa import cli
from tests.ports import free_port


def test_a_busy_port_is_said_plainly(capsys: pytest.CaptureFixture[str], tmp_path: Path) -> None:
    """One sentence with the way out, and exit 1."""
    with socket.socket() as busy:
        busy.bind(("127.0.0.1", 0))
        busy.listen()
        port = busy.getsockname()[1]
        assert cli.main(["serve", "--port", str(port), "--data", str(tmp_path)]) == 1
    said = capsys.readouterr().err
    assert f"Port {port}" in said
    assert "choose another" in said


def test_the_demo_has_its_own_folder(tmp_path: Path) -> None:
    """``emulsa demo`` serves the outing from its own file; the user's archive is not made."""
    port = free_port()
    environment = {**os.environ, "XDG_DATA_HOME": str(tmp_path)}
    process = subprocess.Popen(
        [sys.executable, "-m", "emulsa", "demo", "--port", str(port)],
        env=environment,
        stdout=subprocess.PIPE,
        text=True,
    )
    try:
        assert process.stdout is not None
        assert f"http://127.0.0.1:{port}" in process.stdout.readline()
        for _ in range(100):
            try:
                with urllib.request.urlopen(f"http://127.0.0.1:{port}/api/outings") as answer:
                    assert b"Winding house" in answer.read()
                break
            except OSError:
                time.sleep(0.1)
        else:
            pytest.fail("the demo did not answer")
        made = sorted(each.name for each in (tmp_path / "emulsa").iterdir())
        assert made == ["demo"]
    finally:
        process.terminate()
        process.wait()
        process.stdout.close()


@pytest.mark.parametrize(
    ("line", "code", "said"),
    [("9 shade III", 0, '"zone":3.0'), ("500", 2, '"code":"ambiguous"')],
)
def test_a_line_is_read_by_the_same_grammar(
    capsys: pytest.CaptureFixture[str], line: str, code: int, said: str
) -> None:
    """As on the page: its meaning as JSON, or the question and exit 2."""
    assert cli.main(["read", *line.split()]) == code
    assert said in capsys.readouterr().out


def test_every_option_is_explained() -> None:
    """No command and no option without a word on it."""
    parser = cli._parser()
    (commands,) = (each for each in parser._actions if isinstance(each.choices, dict))
    assert {each.dest for each in commands._choices_actions} == set(commands.choices)
    for command in commands.choices.values():
        for action in command._actions:
            assert action.help, (command.prog, action.dest)
