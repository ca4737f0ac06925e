"""The command of an installed wheel: the core's commands, the demo, the service, and server and workers against a database named in the
environment.

A checkout has more to offer (`./judicum`): it brings its database, nginx and all else along.
"""

import os
import sys

from judicum import cli

SETTINGS = "judicum.server.config.settings"
SERVER = ("gunicorn", "judicum.server.config.wsgi", "-c", "python:judicum.server.config.gunicorn")
"""Followed by gunicorn's own options: `judicum web --bind 0.0.0.0:8000`."""
WORKER = ("django", "procrastinate", "worker")
PROGRAMS = {
    "web": SERVER,
    "worker": WORKER,
    "manage": ("django",),
    "doctor": ("django", "doctor"),
    "demo": ("judicum.launch.wheel", "demo"),
    "upgrade": ("judicum.launch.wheel", "upgrade"),
    "install-service": ("judicum.launch.service",),
}


def main() -> int:
    """Run one command; what serves or works stands in place of this process."""
    name, *rest = sys.argv[1:] or [""]
    if name not in PROGRAMS:
        return cli.main()
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", SETTINGS)
    return os.execv(sys.executable, [sys.executable, "-m", *PROGRAMS[name], *rest])
