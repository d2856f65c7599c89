"""The command line: serve, demo, backup, restore, single-file, hand-in, compute, read."""

from __future__ import annotations

import argparse
import re
import sys
from collections.abc import Callable
from pathlib import Path
from typing import TYPE_CHECKING, NoReturn

from emulsa import __version__
from emulsa.cli import asking, files, serving
from emulsa.cli.telling import default_data
from emulsa.core import operations

if TYPE_CHECKING:
    Commands = argparse._SubParsersAction["_Parser"]

LAST_PORT = 65_535


def main(arguments: list[str] | None = None) -> int:
    """Run a command; returns the process's exit code."""
    options = _parser().parse_args(arguments)
    if options.command is None:
        _parser().print_help()
        return 0
    run: Callable[[argparse.Namespace], int] = options.run
    return run(options)


def _port(text: str) -> int:
    if not text.isascii() or not text.isdigit() or not 0 <= int(text[:6]) <= LAST_PORT:
        raise argparse.ArgumentTypeError(f"“{text}” is no port; choose a number from 1 to 65535")
    return int(text)


class _Parser(argparse.ArgumentParser):
    """Says what is wrong in a sentence, and what there is instead."""

    def error(self, message: str) -> NoReturn:
        if found := re.match(
            r"argument COMMAND: invalid choice: '(.*?)' \(choose from (.*)\)", message
        ):
            there = found[2].replace("'", "")
            message = f"There is no command {found[1]}. Commands: {there}."
            self.exit(2, f"{message}\n")
        self.print_usage(sys.stderr)
        self.exit(2, f"{message[:1].upper()}{message[1:]}.\n")


def _command(commands: Commands, name: str, summary: str, example: str) -> argparse.ArgumentParser:
    return commands.add_parser(
        name,
        help=summary,
        description=f"{summary[:1].upper()}{summary[1:]}.",
        epilog=f"Example: {example}",
    )


def _parser() -> argparse.ArgumentParser:
    parser = _Parser(
        prog="emulsa",
        description="From the spot meter to the developing tank: exposures placed, corrected and"
        " logged, film developed by the clock. Everything runs on this machine.",
        epilog="emulsa COMMAND --help explains the options of each.",
    )
    parser.add_argument("--version", action="version", version=f"Emulsa {__version__}")
    commands = parser.add_subparsers(dest="command", metavar="COMMAND")
    for name, summary in (
        ("serve", "serve your own log in the browser"),
        ("demo", "serve a demo outing, in a folder of its own; your log is not touched"),
    ):
        command = _command(commands, name, summary, f"emulsa {name} --port 8048")
        command.add_argument(
            "--host",
            default="127.0.0.1",
            help="address to listen on; %(default)s is this machine alone, 0.0.0.0 its network too",
        )
        command.add_argument(
            "--network",
            action="store_true",
            help="answer this machine's network too, by https, so that phones can carry a copy",
        )
        command.add_argument(
            "--secure-port", type=_port, default=8443, help="port for https (default: %(default)s)"
        )
        command.add_argument("--port", type=_port, default=8017, help="port (default: %(default)s)")
        command.add_argument(
            "--new",
            action="store_true",
            help="start an empty log even if backups of an older one are here",
        )
        _data(command, demo=name == "demo")
        command.set_defaults(run=serving.serve)
        command.add_argument(
            "--allow-host",
            action="append",
            default=[],
            metavar="NAME",
            help="another name it answers under, as the machine's own; may be given several times",
        )
    command = _command(
        commands,
        "backup",
        "write everything into one file to carry away",
        "emulsa backup quarry.zip",
    )
    command.add_argument(
        "file", type=Path, nargs="?", help="file to write (default: emulsa-backup-<day>.zip)"
    )
    _data(command)
    command.set_defaults(run=files.backup)
    command = _command(
        commands,
        "restore",
        "put a backup back; what it replaces is kept",
        "emulsa restore quarry.zip",
    )
    command.add_argument("file", type=Path, help="a backup, or one of the daily copies")
    _data(command)
    command.set_defaults(run=files.restore)
    command = _command(
        commands,
        "single-file",
        "write everything as one page that opens without installing anything",
        "emulsa single-file emulsa.html",
    )
    command.add_argument(
        "file", type=Path, nargs="?", default=Path("emulsa.html"), help="default: %(default)s"
    )
    _data(command)
    command.set_defaults(run=files.single_file)
    command = _command(
        commands,
        "hand-in",
        "do at home what was done in a carried copy and saved to a file",
        "emulsa hand-in outing.json",
    )
    command.add_argument("file", type=Path, help="the file the device saved")
    _data(command)
    command.set_defaults(run=files.hand_in)
    command = _command(
        commands,
        "compute",
        "compute one rule: JSON in, JSON out",
        "echo '{\"factor\": 8}' | emulsa compute filters",
    )
    command.add_argument(
        "operation", metavar="OPERATION", help=f"one of {', '.join(operations.TABLE)}"
    )
    command.set_defaults(run=asking.compute)
    command = _command(commands, "read", "say what a reading line means", "emulsa read 9 shade III")
    command.add_argument("line", nargs="+", help="the line, as it is typed in the scene")
    command.add_argument("--json", action="store_true", help="for machines: its meaning as JSON")
    command.set_defaults(run=asking.read)
    command = _command(
        commands,
        "openapi",
        "print the OpenAPI document of the service",
        "emulsa openapi > openapi.json",
    )
    command.set_defaults(run=asking.openapi)
    return parser


def _data(command: argparse.ArgumentParser, demo: bool = False) -> None:
    folder = default_data(demo)
    said = f"folder of the log (default: {folder})".replace("%", "%%")
    command.add_argument("--data", type=Path, metavar="FOLDER", help=said)
