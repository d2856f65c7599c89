"""The command line: starting, a busy port, and the demo that never touches the user's data."""

import base64
import io
import json
import os
import socket
import sqlite3
import subprocess
import sys
from contextlib import closing
from pathlib import Path

import pytest
from PIL import Image

from emulsa import cli
from emulsa.field import one_file
from emulsa.store.folder import DATABASE
from tests.serving import asked, free_port


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
        assert b"Winding house" in asked(f"http://127.0.0.1:{port}/api/outings")
        made = sorted(each.name for each in (tmp_path / "emulsa").iterdir())
        assert made == ["demo"]
    finally:
        process.terminate()
        process.wait()
        process.stdout.close()


@pytest.mark.parametrize(
    ("line", "code", "said"),
    [
        ("--json 9 shade III", 0, '"zone":3.0'),
        ("--json 500", 2, '"code":"ambiguous"'),
        ("13 1/3 bark", 0, "EV 13⅓ · “bark” · falls on V\n"),
        ("500", 2, "EV 500 is more than any light"),
    ],
)
def test_a_line_is_read_by_the_same_grammar(
    capsys: pytest.CaptureFixture[str], line: str, code: int, said: str
) -> None:
    """As on the page: its meaning in words or as JSON, or the question and exit 2."""
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


def test_a_saved_file_brings_its_pictures(
    folder: Path, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    """Handed in twice they are there once; one that is damaged or shows nothing that is here is
    named, and the others are taken."""
    picture = io.BytesIO()
    Image.new("L", (600, 400), 90).save(picture, "PNG")
    content = base64.b64encode(picture.getvalue()).decode()

    def saved(number: int, exposure: str, content: str) -> dict[str, str]:
        target = f"/api/attachments/p{number}?name=wall-{number}.png&exposure_id={exposure}"
        moment = "2026-01-04T16:12:00Z"
        return {"id": f"act-{number}", "moment": moment, "target": target, "content": content}

    pictures = [
        saved(1, "exposure-3A", content),
        saved(2, "exposure-nowhere", content),
        saved(3, "exposure-3A", content[:40]),
        saved(4, "exposure-3A", "no base64"),
        saved(5, "exposure-3A", "Gänge"),
        saved(6, "exposure-3A", content) | {"target": "//["},
    ]
    file = tmp_path / "outing.json"
    whole = {"device": "Phone", "version": "0", "acts": [], "pictures": pictures}
    file.write_text(json.dumps(whole))
    for _ in range(2):
        assert cli.main(["hand-in", str(file), "--data", str(folder)]) == 0
        said = capsys.readouterr().out.splitlines()
        assert [line[:22] for line in said[1:]] == [
            "Not taken: wall-2.png:",
            "Not taken: wall-3.png:",
            "Not taken: wall-4.png:",
            "Not taken: wall-5.png:",
            "Not taken: picture: Th",
        ]
    with closing(sqlite3.connect(folder / DATABASE)) as db:
        found = db.execute("SELECT name, width, added_at FROM attachment WHERE id LIKE 'p_'")
        assert found.fetchall() == [("wall-1.png", 600, "2026-01-04T16:12:00Z")]
    assert not list((folder / "attachments").glob("*.part"))


def test_what_is_set_aside_is_said(
    folder: Path, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    """By its reason, and where to decide about it; what was done is only counted."""
    sound = {"id": "o", "title": "Thaw"}
    acts = [
        {"id": "one", "moment": "2026-01-18T10:00:00Z", "name": "outings.put", "body": sound},
        {"id": "two", "moment": "2026-01-18T10:01:00Z", "name": "nothing.known", "body": None},
    ]
    told = [
        {
            "id": each["id"],
            "moment": each["moment"],
            "name": each["name"],
            "request": json.dumps(
                {"path": {"id": "o"}, "query": {"base": ""}, "body": each["body"]}
            ),
            "label": "",
            "taken_back": False,
            "answer": "",
        }
        for each in acts
    ]
    file = tmp_path / "outing.json"
    file.write_text(json.dumps({"device": "Phone", "version": "0", "acts": told, "pictures": []}))
    assert cli.main(["hand-in", str(file), "--data", str(folder)]) == 0
    said = capsys.readouterr().out.splitlines()
    assert said[0] == "1 of 2 done."
    assert len(said) == 2
    assert said[1].startswith("Set aside: ")
    assert said[1].endswith(" Decide about it in the browser.")


def test_a_folder_that_is_not_there(
    folder: Path, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    """It is called that, and nothing is forbidden; one file is written without any log."""
    saved = tmp_path / "outing.json"
    saved.write_text(json.dumps({"device": "Phone", "version": "0", "acts": []}))
    nowhere = tmp_path / "nowhere"
    assert cli.main(["hand-in", str(saved), "--data", str(nowhere)]) == 1
    assert (
        capsys.readouterr().err == f"There is no log in {nowhere}; name its folder with --data.\n"
    )
    assert not nowhere.exists()
    file = nowhere / "emulsa.html"
    assert cli.main(["single-file", str(file), "--data", str(folder)]) == 1
    said = capsys.readouterr().err
    assert said in (
        f"There is no folder {nowhere}.\n",
        "What one file is made of was not built; run 'make page'.\n",
    )


@pytest.mark.skipif(not (one_file.BUILT / "parts.json").is_file(), reason="not built: make page")
def test_one_file_needs_no_log(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    """Where nothing was logged yet it begins with an empty one, and makes no folder for it."""
    file, nowhere = tmp_path / "emulsa.html", tmp_path / "nowhere"
    assert cli.main(["single-file", str(file), "--data", str(nowhere)]) == 0
    assert "Written: " in capsys.readouterr().out
    assert file.read_text("utf-8").startswith("<!doctype html>")
    assert not nowhere.exists()


def test_a_command_that_is_none(capsys: pytest.CaptureFixture[str]) -> None:
    """It is said with those there are; no command at all lists them."""
    with pytest.raises(SystemExit) as ended:
        cli.main(["nosuch"])
    assert ended.value.code == 2
    said = capsys.readouterr().err
    assert said.startswith("There is no command nosuch. Commands: serve, demo, backup,")
    assert cli.main([]) == 0
    assert "serve your own log in the browser" in capsys.readouterr().out


def test_every_command_has_an_example(capsys: pytest.CaptureFixture[str]) -> None:
    """In its own help, with a sentence."""
    parser = cli._parser()
    (commands,) = (each for each in parser._actions if isinstance(each.choices, dict))
    for name, command in commands.choices.items():
        assert f"emulsa {name}" in (command.epilog or ""), name
        assert (command.description or "").endswith("."), name
