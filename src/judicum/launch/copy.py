"""A copy of the checkout in another folder that shares what is installed: for benches and tests that start it for real."""

import shutil
from pathlib import Path

from judicum.launch.places import ROOT, VAR

FOLDERS = ("src", "web/dist", "web/src", "web/public", "docs/help")
FILES = ("judicum", "requirements.txt", "requirements-dev.txt", "web/index.html", "web/package-lock.json", "web/vite.config.ts", "web/tsconfig.json")  # fmt: skip


def copy_checkout(folder: Path) -> Path:
    """Copy the program and its built page into a new folder, and link the installed packages."""
    for name in FOLDERS:
        shutil.copytree(ROOT / name, folder / name, symlinks=True)
    for name in FILES:
        shutil.copy(ROOT / name, folder / name)
    (folder / "var").mkdir()
    (folder / "var" / "venv").symlink_to(VAR / "venv")
    for stamp in VAR.glob("*.stamp"):
        shutil.copy(stamp, folder / "var" / stamp.name)
    # PostgreSQL's own user passes through.
    folder.chmod(0o755)
    return folder
