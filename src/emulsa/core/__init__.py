"""The rules of the job: pure functions on frozen dataclasses, standard library only.

Nothing here reads a clock, a file, a database or a network, so the same code answers on the
server, on the command line and (later) in the browser. Units are fixed inside the core: seconds,
millimetres, stops, degrees Celsius; minutes only for development.
"""
