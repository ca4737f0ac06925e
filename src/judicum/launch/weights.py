"""Weights of a workshop's own: taken into use, and back to those that ship."""

import re
import shutil
from pathlib import Path

from judicum.core.photo.weights import FOLDER, MAX_NAME, NAME, NETWORKS
from judicum.launch.places import VAR
from judicum.launch.steps import Trouble

OWN = VAR / "weights"
NAMED = re.compile(rf"[a-z0-9-]{{1,{MAX_NAME}}}")


def in_use() -> dict[str, str]:
    """What a process that measures needs in its environment."""
    return {FOLDER: str(OWN)} if OWN.is_dir() else {}


def use(folder: Path, name: str) -> int:
    """Take the networks of a folder into use; they are there whole or not at all."""
    if not NAMED.fullmatch(name):
        raise Trouble(f"the name {name!r}: 1 to {MAX_NAME} small letters, digits and hyphens are allowed")
    found = [folder / f"{network}.onnx" for network in NETWORKS if (folder / f"{network}.onnx").is_file()]
    if not found:
        raise Trouble(f"{folder} holds none of {', '.join(f'{network}.onnx' for network in NETWORKS)}")
    VAR.mkdir(exist_ok=True)
    aside = OWN.with_suffix(".part")
    shutil.rmtree(aside, ignore_errors=True)
    aside.mkdir()
    for file in found:
        shutil.copy(file, aside)
    (aside / NAME).write_text(f"{name}\n")
    shutil.rmtree(OWN, ignore_errors=True)
    aside.replace(OWN)
    print(
        f"In use from the next start: {name} ({', '.join(file.stem for file in found)}). Back: ./judicum weights shipped"
    )
    return 0


def back() -> int:
    """Measure with the weights that ship from the next start on."""
    shutil.rmtree(OWN, ignore_errors=True)
    print("In use from the next start: the weights that ship.")
    return 0


def show() -> int:
    """Say which are in use."""
    if OWN.is_dir():
        networks = ", ".join(sorted(file.stem for file in OWN.glob("*.onnx")))
        print(f"In use: {(OWN / NAME).read_text().strip()} ({networks}); the rest ships.")
    else:
        print("In use: the weights that ship.")
    return 0
