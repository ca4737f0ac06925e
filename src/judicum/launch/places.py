"""Where things lie. All that is made at run time is under var/."""

import hashlib
from pathlib import Path

ROOT = Path(__file__).resolve().parents[3]
VAR = ROOT / "var"
LOGS = VAR / "log"
VENV = VAR / "venv"
PYTHON = VENV / "bin" / "python"
WEB = ROOT / "web"
SECRETS = VAR / "secrets.json"
LAUNCHER = VAR / "launcher.lock"
"""Held by the one that starts everything, for as long as it runs; its process number stands in it."""
RUNNING = VAR / "running.json"
RESTORING = VAR / "restoring"
"""There while a backup is put back: what lies here is not whole."""
UPGRADING = VAR / "upgrading.json"
"""There while an upgrade is under way (`upgrade`)."""
SETTINGS = "judicum.server.config.settings"
CHECKOUT_ID = hashlib.sha256(str(ROOT).encode()).hexdigest()[:10]


def digest_of(*paths: Path) -> str:
    """One hash over the names and contents of files and of all files under folders."""
    total = hashlib.sha256()
    for path in paths:
        files = sorted(p for p in path.rglob("*") if p.is_file()) if path.is_dir() else [path]
        for file in files:
            total.update(str(file.relative_to(ROOT)).encode() + b"\0" + file.read_bytes())
    return total.hexdigest()


ONE_CORE = dict.fromkeys(("OMP_NUM_THREADS", "OPENBLAS_NUM_THREADS", "OPENCV_FOR_THREADS_NUM"), "1")
"""Environment of a process that is to keep to one core, beside others of its kind."""
