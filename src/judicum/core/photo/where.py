"""Where bead and plate lie, by a small network: a second opinion beside the edges.

The network (`judicum.teach`) was taught on crude drawings of plates alone. It tells the surfaces of the
card plane apart well enough to say which of many edges is the bead's, and not well enough to say exactly
where its toe is; that is left to the light (`trace`).
"""

from functools import cache
from importlib.resources import files

import numpy as np
import onnxruntime

from judicum.core.arrays import Flags
from judicum.core.photo.picture import Picture
from judicum.core.photo.scale import Scale
from judicum.core.photo.unwrap import Line, read_grid

PX_PER_MM = 5.0
"""What the network was taught at."""
MULTIPLE = 16
"""Rows and columns it takes are multiples of this."""
FACE = 2
"""Its surfaces from this one on lie between the toes: face, grey granular metal, hole."""


@cache
def _network() -> onnxruntime.InferenceSession:
    options = onnxruntime.SessionOptions()
    options.intra_op_num_threads = 1
    # Every photo has a grid of its own size: memory kept for the sizes seen would only grow.
    options.enable_cpu_mem_arena = False
    options.enable_mem_pattern = False
    weights = files("judicum.core.photo") / "data" / "where.onnx"
    return onnxruntime.InferenceSession(weights.read_bytes(), options)


def face(picture: Picture, scale: Scale, line: Line, s_mm: tuple[float, float], n_mm: tuple[float, float]) -> Flags:
    """Where the network sees face on a grid along a line: (rows over n, columns over s), PX_PER_MM.

    Args:
        s_mm, n_mm: first place and least end of the grid along and across the line, mm.
    """
    columns, rows = (_cells(end - first) for first, end in (s_mm, n_mm))
    spans = ((s_mm[0], s_mm[0] + (columns - 0.5) / PX_PER_MM), (n_mm[0], n_mm[0] + (rows - 0.5) / PX_PER_MM))
    seen = read_grid(picture, scale, line, *spans, PX_PER_MM)
    blob = np.ascontiguousarray(seen.astype(np.float32).transpose(2, 0, 1)[None] / 255)
    (scores,) = _network().run(None, {"picture": blob})
    return np.asarray(scores[0].argmax(0) >= FACE)


def _cells(length_mm: float) -> int:
    return int(np.ceil(length_mm * PX_PER_MM / MULTIPLE)) * MULTIPLE
