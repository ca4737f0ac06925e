"""Weights of a workshop's own: taken into use, and back to those that ship."""

import re
import shutil
from pathlib import Path

from judicum.core.photo.weights import FOLDER, MAX_NAME, NAME, NETWORKS, OF_WORKSHOPS
from judicum.launch.places import VAR
from judicum.launch.steps import Trouble

OWN = VAR / "weights"
"""The whole server's; a workshop that has weights of its own has them in a folder that the server names."""
NAMED = re.compile(rf"[a-z0-9-]{{1,{MAX_NAME}}}")


def forget_workshops() -> None:
    """Where workshops end, so do their weights: the next ones have their numbers."""
    shutil.rmtree(VAR / OF_WORKSHOPS, ignore_errors=True)


def in_use() -> dict[str, str]:
    """What a process that measures needs in its environment."""
    return {FOLDER: str(OWN)} if OWN.is_dir() else {}


def use(folder: Path, name: str, own: Path) -> int:
    """Copy the networks of a folder to where they are in use (`OWN`, or a workshop's); they are there whole or not at all."""
    if not NAMED.fullmatch(name):
        raise Trouble(f"the name {name!r}: 1 to {MAX_NAME} small letters, digits and hyphens are allowed")
    found = [folder / f"{network}.onnx" for network in NETWORKS if (folder / f"{network}.onnx").is_file()]
    if not found:
        raise Trouble(f"{folder} holds none of {', '.join(f'{network}.onnx' for network in NETWORKS)}")
    aside = own.with_suffix(".part")
    shutil.rmtree(aside, ignore_errors=True)
    aside.mkdir(parents=True)
    for file in found:
        shutil.copy(file, aside)
    (aside / NAME).write_text(f"{name}\n")
    shutil.rmtree(own, ignore_errors=True)
    aside.replace(own)
    back_by = "./judicum weights shipped" + ("" if own == OWN else ", with the same --workshop")
    print(f"From the next start: {_said(own)} Back: {back_by}")
    return 0


def back(own: Path) -> int:
    """Measure without these from the next start on."""
    shutil.rmtree(own, ignore_errors=True)
    print(f"From the next start: {_said(own)}")
    return 0


def show(own: Path) -> int:
    """Say which are in use."""
    print(f"In use: {_said(own)}")
    return 0


def _said(own: Path) -> str:
    folder = own if own.is_dir() else OWN
    if not folder.is_dir():
        return "the weights that ship."
    whose = "" if folder == own else " of the whole server"
    networks = ", ".join(sorted(file.stem for file in folder.glob("*.onnx")))
    return f"{(folder / NAME).read_text().strip()}{whose} ({networks}); the rest ships."
