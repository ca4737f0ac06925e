"""The small networks that ship with the program (`training`), run on one core."""

from functools import lru_cache
from pathlib import Path
from typing import cast

import cv2
import numpy as np
import onnxruntime

from judicum.core.arrays import Floats, Pixels
from judicum.core.photo.weights import NETWORKS, own_folder, weights

MAX_ODDS = 30.0
"""Beyond this a share is 0 or 1 to thirteen digits."""
MIN_SHARE = float(np.exp(-MAX_ODDS))
"""And one that is less counts as this."""
MULTIPLE = 32
"""Rows and columns a network of the plate takes are multiples of this."""
FOLD = 2
"""Pixels of FOLD × FOLD are one cell with all of their colours: most of the work is done at half the resolution."""
MIDDLE = 0.5
"""A brightness, 0 to 1, is shown to them less this: about 0."""
SPREAD = 4.0
"""And so many times as large: as wide as what follows in the networks."""
SHOWN = ((np.arange(256, dtype=np.float32) / 255 - np.float32(MIDDLE)) * np.float32(SPREAD)).astype(np.float32)
"""How each of a picture's 256 values is shown."""
ENGINES = 3
"""Workshops whose weights are held ready in one process, some ten megabytes each; those of others are read anew."""


@lru_cache(maxsize=ENGINES * len(NETWORKS))
def _session(name: str, folder: Path | None) -> onnxruntime.InferenceSession:
    options = onnxruntime.SessionOptions()
    options.intra_op_num_threads = 1
    # Every photo has a grid of its own size: memory kept for the sizes seen would only grow.
    options.enable_cpu_mem_arena = False
    options.enable_mem_pattern = False
    return onnxruntime.InferenceSession(weights(name, folder), options)


def run(name: str, seen: Pixels) -> Floats:
    """The answer of network `name` to a picture (rows, columns, 3) of a size that it takes."""
    return _answer(name, seen.astype(np.float32).transpose(2, 0, 1) / 255)


def _answer(name: str, shown: Floats) -> Floats:
    (output,) = _session(name, own_folder()).run(None, {"picture": np.ascontiguousarray(shown[None])})
    return np.asarray(output[0])


def scores(name: str, seen: Pixels) -> Floats:
    """What the network `name` says of a picture (rows, columns, 3): (outputs, rows, columns), natural logarithms of odds."""
    rows, columns = seen.shape[:2]
    down, right = (-size % MULTIPLE for size in (rows, columns))
    padded = cast(Pixels, cv2.copyMakeBorder(seen, 0, down, 0, right, cv2.BORDER_CONSTANT, value=(0, 0, 0)))
    return unfolded(_answer(name, SHOWN[folded(padded)]))[:, :rows, :columns]


def folded(picture: Pixels) -> Pixels:
    """A picture (rows, columns, 3) as cells (3 FOLD², rows / FOLD, columns / FOLD): blue, then green, then red, row by row."""
    rows, columns = (size // FOLD for size in picture.shape[:2])
    return picture.reshape(rows, FOLD, columns, FOLD, 3).transpose(4, 1, 3, 0, 2).reshape(-1, rows, columns)


def unfolded(cells: Floats) -> Floats:
    """What cells (outputs × FOLD², rows, columns) say of each pixel: (outputs, FOLD × rows, FOLD × columns)."""
    rows, columns = cells.shape[1:]
    output = np.empty((len(cells) // FOLD**2, rows, FOLD, columns, FOLD), np.float32)
    # Place by place, which takes a third of the time of turning the axes of all.
    for k, cell in enumerate(np.swapaxes(cells.reshape(-1, FOLD**2, rows, columns), 0, 1)):
        output[:, :, k // FOLD, :, k % FOLD] = cell
    return output.reshape(-1, FOLD * rows, FOLD * columns)


def share_of(odds: Floats) -> Floats:
    """Shares 0 to 1 from natural logarithms of odds."""
    return np.asarray(1 / (1 + np.exp(-np.clip(odds, -MAX_ODDS, MAX_ODDS))))


def shares_of(surfaces: Floats) -> Floats:
    """Shares 0 to 1 of each surface (surfaces, rows, columns), which make 1 at every place."""
    spread = np.exp(surfaces - surfaces.max(0))
    return np.asarray(spread / spread.sum(0))


def odds_of(shares: Floats, first: int) -> Floats:
    """Natural logarithm of the odds that a place is one of the surfaces from `first` on: (rows, columns)."""
    rest, these = (np.maximum(part.sum(0), MIN_SHARE) for part in (shares[:first], shares[first:]))
    return np.asarray(np.log(these / rest))
