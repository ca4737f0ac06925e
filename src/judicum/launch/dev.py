"""For work on the program itself: everything that reloads what is changed, and Django's own commands."""

import subprocess

from judicum.launch import install
from judicum.launch.children import Child, wait_until_up, workers
from judicum.launch.cluster import free_port
from judicum.launch.host import keep
from judicum.launch.places import PYTHON, WEB
from judicum.launch.serve import with_database

PORT = 8100
"""First port that is tried: beside that of `demo` and `start`, so that both may run."""
GUNICORN = ["-m", "gunicorn", "judicum.server.config.wsgi", "--reload", "--threads", "4"]
"""One process, begun again when a Python file changes; threads, for a page asks several things at once."""


def serve(first: int) -> int:
    """The server with reload and the page with hot reload at one address, on this checkout's database, until Ctrl-C."""
    with install.only_one():
        install.python_packages(dev=True)
        npm, node_env = install.web_packages()
    port = free_port(first)
    with with_database() as env:
        inner = free_port(port + 1)
        server = f"127.0.0.1:{inner}"
        vite = [*npm, "--prefix", str(WEB), "exec", "--", "vite", str(WEB), "--host", "127.0.0.1", "--port", str(port), "--strictPort"]  # fmt: skip
        children = [
            Child("dev-server", [str(PYTHON), *GUNICORN, "--bind", server], env),
            Child("dev-page", vite, {**node_env, "JUDICUM_DEV_SERVER": f"http://{server}"}),
            *workers(env, 1),
        ]

        def up() -> None:
            for one in (inner, port):
                wait_until_up("127.0.0.1", one, children)

        return keep(children, f"http://127.0.0.1:{port}/, reloading", up)


def manage(arguments: list[str]) -> int:
    """One of Django's commands on this checkout's database, running or started for it; its exit code."""
    with with_database() as env:
        return subprocess.run([str(PYTHON), "-m", "django", *arguments], env=env).returncode
