"""The system's own Chromium, as the tests, the benchmarks and the pictures start it."""

import shutil

# The shell is the same engine without the windows: a page opens in two thirds of the time.
PATH = shutil.which("chromium-headless-shell") or shutil.which("chromium")

# The shell has nobody to ask; the browser with windows grants this by itself.
GRANTED = ["screen-wake-lock"]

# Nothing outside this machine is found, and letters and colours are the same on any.
ARGUMENTS = [
    "--no-sandbox",
    "--disable-gpu",
    # fewer processes to tell each other what they do: a tenth of the time
    "--in-process-gpu",
    "--enable-features=NetworkServiceInProcess2",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--no-first-run",
    "--disable-quic",
    "--font-render-hinting=none",
    "--force-color-profile=srgb",
    "--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1, EXCLUDE localhost",
]
