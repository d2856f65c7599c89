"""The command line: serve, demo, backup, restore, compute, read."""

from __future__ import annotations

import argparse
import socket
import sys
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from datetime import datetime
from pathlib import Path

from emulsa import __version__
from emulsa.api.ending import STOPS_WITHIN_S
from emulsa.core import operations
from emulsa.core.errors import CoreError
from emulsa.core.line import grammar
from emulsa.core.wire import dumps

LAST_PORT = 65_535
BAD_INPUT = 2  # exit code of a refused request


def main(arguments: list[str] | None = None) -> int:
    """Run a command; returns the process's exit code."""
    options = _parser().parse_args(arguments)
    if options.command == "compute":
        return compute(options.operation)
    if options.command == "read":
        return read(" ".join(options.line))
    if options.command == "openapi":
        return openapi()
    if options.command == "backup":
        return backup(options)
    if options.command == "restore":
        return restore(options)
    return serve(options)


def compute(name: str) -> int:
    """One operation: JSON request on standard input, JSON answer on standard output."""
    try:
        print(operations.answer_json(name, sys.stdin.buffer.read()))
    except CoreError as problem:
        print(dumps(problem.as_json()))
        return BAD_INPUT
    return 0


def read(line: str) -> int:
    """What a typed line means, as JSON: the same grammar as the page's."""
    try:
        print(dumps(grammar.parse(line)))
    except CoreError as problem:
        print(dumps(problem.as_json()))
        return BAD_INPUT
    return 0


def openapi() -> int:
    """The OpenAPI document, for the page's generated types."""
    import json
    import tempfile

    from emulsa.api.app import Settings, create_app

    with tempfile.TemporaryDirectory() as folder:
        app = create_app(Settings(Path(folder)))
        print(json.dumps(app.openapi(), indent=1, ensure_ascii=False))
    return 0


def backup(options: argparse.Namespace) -> int:
    """Everything into one file to carry away; the service may go on meanwhile."""
    from emulsa.store import backups, restoring

    data = options.data or _default_data(demo=False)
    day = datetime.now().astimezone().date().isoformat()
    target = options.file or Path(f"emulsa-backup-{day}.zip")
    with _told(target) as told:
        if data.is_dir():
            restoring.finish(data)
        lost = backups.pack(data, target)
        print(f"Backed up and checked: {target} ({target.stat().st_size / 1e6:.1f} MB)")
        for name in lost:
            print(f"Not in it, its file is gone: the picture {name}", file=sys.stderr)
    return told.code


def restore(options: argparse.Namespace) -> int:
    """Put a backup back; what it replaces is kept."""
    from emulsa.store import restoring
    from emulsa.store.folder import file_moment

    data = options.data or _default_data(demo=False)
    with _told(data) as told:
        replaced = restoring.restore(data, options.file, file_moment())
        print(f"Put back from {options.file} into {data}.")
        if replaced:
            print(f"What was there is kept as {replaced}")
    return told.code


def serve(options: argparse.Namespace) -> int:
    """Serve the application until stopped; a busy port is said plainly."""
    busy = _port_problem(options.host, options.port)
    if busy:
        print(busy, file=sys.stderr)
        return 1
    import uvicorn

    from emulsa.api.addresses import is_network, reached_at
    from emulsa.api.app import Settings, create_app

    demo = options.command == "demo"
    data = options.data or _default_data(demo)
    with _told(data) as told:
        meter = None
        if demo:
            from emulsa.demo.patches import SCENES
            from emulsa.demo.quarry import build
            from emulsa.devices.spot_meter import SimulatedSpotMeter

            build(data, datetime.now().astimezone().date())
            meter = SimulatedSpotMeter(SCENES)
        hosts = (options.host, *options.allow_host)
        network = reached_at(options.host, options.port) if is_network(options.host) else ""
        app = create_app(
            Settings(
                data,
                spot_meter=meter,
                demo=demo,
                hosts=hosts,
                anew=options.new,
                network=network,
            )
        )
    if told.code:
        return told.code
    print(f"Emulsa {__version__} is at http://{options.host}:{options.port} (data in {data})")
    if network:
        _show_pairing(network, app.state.pairing.code())
    sys.stdout.flush()
    uvicorn.run(
        app,
        host=options.host,
        port=options.port,
        log_level="warning",
        access_log=False,
        timeout_graceful_shutdown=STOPS_WITHIN_S,
        proxy_headers=False,  # who is this machine itself is told by the connection alone
    )
    return 0


def _show_pairing(address: str, code: str) -> None:
    """How another device comes in: the address, a code that is good once, and both as a picture."""
    import segno

    from emulsa.api.routes.pairing import link

    print(f"Other devices: open {address} there and type the code {code[:4]}-{code[4:]}")
    segno.make(link(address, code), micro=False).terminal(border=2, compact=True)
    print(
        "The code is good once, for ten minutes. New ones, and who is paired: Preferences, Devices"
    )


@dataclass
class _Told:
    """How a command ended."""

    code: int = 0


@contextmanager
def _told(about: Path) -> Iterator[_Told]:
    """What goes wrong with files is told in one sentence, and never as a traceback."""
    from emulsa.store import faults
    from emulsa.store.database import TooNew
    from emulsa.store.folder import Unsafe

    told = _Told()
    try:
        yield told
    except (TooNew, Unsafe) as problem:
        print(problem, file=sys.stderr)
        told.code = 1
    except faults.TROUBLES as problem:
        print(faults.sentence(problem, about), file=sys.stderr)
        told.code = 1


def _port(text: str) -> int:
    if not text.isascii() or not text.isdigit() or not 0 <= int(text[:6]) <= LAST_PORT:
        raise argparse.ArgumentTypeError(f"“{text}” is no port; choose a number from 1 to 65535")
    return int(text)


def _default_data(demo: bool) -> Path:
    """The platform's folder for user data; the demo has its own and never touches the user's."""
    from platformdirs import user_data_path

    return user_data_path("emulsa", appauthor=False) / ("demo" if demo else "archive")


def _port_problem(host: str, port: int) -> str:
    with socket.socket() as probe:
        probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            probe.bind((host, port))
        except OSError as problem:
            return (
                f"Port {port} on {host} cannot be used ({problem.strerror})."
                " Stop what is using it, or choose another: PORT=8018 make demo,"
                " or emulsa serve --port 8018."
            )
    return ""


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(
        prog="emulsa",
        description="From the spot meter to the developing tank: exposures placed, corrected and"
        " logged, film developed by the clock. Everything runs on this machine.",
        epilog="emulsa COMMAND --help explains the options of each.",
    )
    parser.add_argument("--version", action="version", version=f"Emulsa {__version__}")
    commands = parser.add_subparsers(dest="command", required=True, metavar="COMMAND")
    for name, summary in (
        ("serve", "serve your own log in the browser"),
        ("demo", "serve a demo outing, in a folder of its own; your log is not touched"),
    ):
        command = commands.add_parser(name, help=summary, description=f"{summary.capitalize()}.")
        command.add_argument(
            "--host",
            default="127.0.0.1",
            help="address to listen on; %(default)s is this machine alone, 0.0.0.0 its network too",
        )
        command.add_argument("--port", type=_port, default=8017, help="port (default: %(default)s)")
        command.add_argument(
            "--new",
            action="store_true",
            help="begin a new log although the folder holds copies of one that is gone",
        )
        _data(command, demo=name == "demo")
        command.add_argument(
            "--allow-host",
            action="append",
            default=[],
            metavar="NAME",
            help="another name it answers under, as the machine's own; may be given several times",
        )
    command = commands.add_parser("backup", help="write everything into one file to carry away")
    command.add_argument(
        "file", type=Path, nargs="?", help="file to write (default: emulsa-backup-<day>.zip)"
    )
    _data(command)
    command = commands.add_parser("restore", help="put a backup back; what it replaces is kept")
    command.add_argument("file", type=Path, help="a backup, or one of the daily copies")
    _data(command)
    command = commands.add_parser("compute", help="ask one rule of the job: JSON in, JSON out")
    command.add_argument(
        "operation", metavar="OPERATION", help=f"one of {', '.join(operations.TABLE)}"
    )
    command = commands.add_parser("read", help="say what a reading line means, as 9 shade III")
    command.add_argument("line", nargs="+", help="the line, as it is typed in the scene")
    commands.add_parser("openapi", help="print the OpenAPI document of the service")
    return parser


def _data(command: argparse.ArgumentParser, demo: bool = False) -> None:
    folder = _default_data(demo)
    said = f"folder of the log (default: {folder})".replace("%", "%%")
    command.add_argument("--data", type=Path, metavar="FOLDER", help=said)


if __name__ == "__main__":
    sys.exit(main())
