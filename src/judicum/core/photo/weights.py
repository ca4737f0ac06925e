"""Which weights the networks measure with: those that ship, or some of a workshop's own out of a folder, which then has a name."""

import os
from importlib.resources import files
from pathlib import Path

FOLDER = "JUDICUM_WEIGHTS"
"""Environment: a folder with weights of one's own; a network that has none there keeps those that ship."""
NETWORKS = ("locate", "segment-1", "segment-2", "axis")
NAME = "name.txt"
MAX_NAME = 12
"""Letters of a name: it stands behind the engine's in columns of twenty."""


def weights(network: str) -> bytes:
    """The ONNX file of a network."""
    if (own := _own(f"{network}.onnx")) is not None:
        return own.read_bytes()
    return (files("judicum.core.photo") / "data" / f"{network}.onnx").read_bytes()


def own_name() -> str:
    """What weights of one's own are called; empty where those that ship are in use."""
    named = _own(NAME)
    return "" if named is None else named.read_text().strip()[:MAX_NAME]


def _own(name: str) -> Path | None:
    folder = os.environ.get(FOLDER)
    file = Path(folder) / name if folder else None
    return file if file is not None and file.is_file() else None
