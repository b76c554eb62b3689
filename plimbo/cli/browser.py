"""The browser of the user who starts Plimbo: opened at its address, where there is a screen."""

import os
import socket
import sys
import threading
import time
import webbrowser

# How long the server may take to answer, s.
PATIENCE = 60.0
ANY_ADDRESS = {"0.0.0.0": "127.0.0.1", "::": "::1"}


def has_screen() -> bool:
    """Whether a window can open. Without one a browser in the terminal would take its place."""
    return sys.platform in ("darwin", "win32") or any(os.environ.get(name) for name in ("DISPLAY", "WAYLAND_DISPLAY"))


def open_when_it_answers(host: str, port: int) -> threading.Thread:
    """Open the browser as soon as the port answers; the thread ends with it, or when the patience does."""
    thread = threading.Thread(target=_open, args=(ANY_ADDRESS.get(host, host), port), daemon=True)
    thread.start()
    return thread


def _open(host: str, port: int) -> None:
    end = time.monotonic() + PATIENCE
    while time.monotonic() < end:
        try:
            socket.create_connection((host, port), timeout=1).close()
        except OSError:
            time.sleep(0.1)
            continue
        named = f"[{host}]" if ":" in host else host
        webbrowser.open(f"http://{named}:{port}")
        return
