"""Which weights the networks measure with: those that ship, or some of a workshop's own out of a folder, which then has a name."""

import os
from collections.abc import Iterator
from contextlib import contextmanager
from contextvars import ContextVar
from functools import cache
from importlib.resources import files
from pathlib import Path

FOLDER = "JUDICUM_WEIGHTS"
"""Environment: a folder with weights of one's own; a network that has none there keeps those that ship."""
OF_WORKSHOPS = "weights-of-workshops"
"""Below a server's files: a folder for each workshop that has weights of its own, by its number."""
NETWORKS = ("locate", "segment-1", "segment-2", "axis")
NAME = "name.txt"
MAX_NAME = 12
"""Letters of a name: it stands behind the engine's in columns of twenty."""

_chosen: ContextVar[Path | None] = ContextVar("weights", default=None)


@contextmanager
def measuring_with(folder: Path) -> Iterator[None]:
    """Measure with the weights of a folder meanwhile, where it is there, and not with the environment's."""
    before = _chosen.set(folder if folder.is_dir() else None)
    try:
        yield
    finally:
        _chosen.reset(before)


def own_folder() -> Path | None:
    """Where weights of one's own are taken from now; None where those that ship are in use."""
    folder = os.environ.get(FOLDER)
    return _chosen.get() or (Path(folder) if folder else None)


def weights(network: str, folder: Path | None) -> bytes:
    """The ONNX file of a network, out of a folder where that has one."""
    own = folder / f"{network}.onnx" if folder else None
    if own is not None and own.is_file():
        return own.read_bytes()
    return (files("judicum.core.photo") / "data" / f"{network}.onnx").read_bytes()


@cache
def name_of(folder: Path | None) -> str:
    """What the weights of a folder are called, as long as this process runs; empty where those that ship are in use."""
    named = folder / NAME if folder else None
    return named.read_text().strip()[:MAX_NAME] if named is not None and named.is_file() else ""
