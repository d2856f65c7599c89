"""Commands that serve: one's own log, or the demo outing, here or on a network."""

from __future__ import annotations

import argparse
import socket
import sys
from datetime import datetime

from emulsa import __version__
from emulsa.cli.telling import default_data, telling

ANYWHERE = "0.0.0.0"


def serve(options: argparse.Namespace) -> int:
    """Serve the application until stopped; a busy port is said plainly."""
    ports = [(options.host, options.port)]
    if options.network:
        ports.append((ANYWHERE, options.secure_port))
    for busy in filter(None, (port_problem(*each, options.command) for each in ports)):
        print(busy, file=sys.stderr)
        return 1
    from emulsa.server import listening
    from emulsa.server.addresses import is_network, own_names, reached_at
    from emulsa.server.app import Settings, create_app

    demo = options.command == "demo"
    data = options.data or default_data(demo)
    with telling(data) as told:
        meter = None
        if demo:
            from emulsa.demo.patches import SCENES
            from emulsa.demo.quarry import build
            from emulsa.devices.spot_meter import SimulatedSpotMeter

            build(data, datetime.now().astimezone().date())
            meter = SimulatedSpotMeter(SCENES)
        hosts = (options.host, *options.allow_host)
        network, shown = "", None
        if options.network:
            from emulsa.server.certificates import certificates

            network = reached_at(ANYWHERE, options.secure_port, "https")
            shown = certificates(data, own_names())
            hosts = (*hosts, *own_names())
        elif is_network(options.host):
            network = reached_at(options.host, options.port)
        app = create_app(
            Settings(
                data,
                spot_meter=meter,
                demo=demo,
                hosts=hosts,
                anew=options.new,
                network=network,
                authority=shown.authority if shown else None,
                fingerprint=shown.fingerprint if shown else "",
            )
        )
    if told.code:
        return told.code
    print(f"Emulsa {__version__} is at http://{options.host}:{options.port} (data in {data})")
    if network:
        _show_pairing(network, app.state.pairing.code())
    if shown:
        print(f"Its certificate, to be compared on the device: {shown.fingerprint}")
    sys.stdout.flush()
    listening.run(app, ports, shown)
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


def port_problem(host: str, port: int, command: str = "serve") -> str:
    """Why nobody can listen there, and what to do; nothing when one can."""
    with socket.socket() as probe:
        probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            probe.bind((host, port))
        except OSError as problem:
            return (
                f"Port {port} on {host} cannot be used ({problem.strerror})."
                f" Stop what is using it, or choose another: emulsa {command} --port {port + 31}"
            )
    return ""
