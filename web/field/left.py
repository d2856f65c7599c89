"""Run after the application was loaded: what its memory does not hold, for what is loaded later."""

import importlib
import sys
import zipfile

# neither loaded nor asked for by anything that is carried
NEVER = tuple(
    "email multiprocessing xml _pyrepl http pdb.pyc mailbox.pyc imaplib.pyc html tarfile.pyc"
    " optparse.pyc smtplib.pyc ftplib.pyc profile cProfile pickletools.pyc bdb.pyc cgi.pyc ctypes"
    " compression/zstd concurrent/interpreters asyncio logging/config.pyc logging/handlers.pyc"
    " nturl2path.pyc zipapp.pyc webbrowser.pyc socketserver.pyc sched.pyc ssl.pyc trace.pyc"
    " timeit.pyc".split()
)


def loaded(name: str) -> bool:
    module = name.removesuffix(".pyc").removesuffix("/__init__").replace("/", ".")
    # a package must be found beside what lies in it
    return name.endswith(".pyc") and module in sys.modules and not name.endswith("__init__.pyc")


def left(source: str, target: str, never: tuple[str, ...]) -> None:
    with zipfile.ZipFile(source) as whole, zipfile.ZipFile(target, "w", zipfile.ZIP_STORED) as rest:
        for name in whole.namelist():
            if not loaded(name) and not any(name == n or name.startswith(f"{n}/") for n in never):
                rest.writestr(zipfile.ZipInfo(name), whole.read(name))


library = next(each for each in sys.path if each.endswith(".zip") and "emulsa" not in each)
left(library, "/left/stdlib.zip", NEVER)
left("/lib/emulsa.zip", "/left/emulsa.zip", ())
importlib.invalidate_caches()
