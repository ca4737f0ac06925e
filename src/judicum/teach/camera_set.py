"""Draws a folder of labelled pictures with the simulated camera: `python -m judicum.teach.camera_set -o FOLDER --draw N`.

A draw that is taught with is never measured: the fixed set is draw 0, and figures are told of others (docs/measuring.md).
"""

import argparse
import json
import os
from collections.abc import Iterable
from concurrent.futures import ProcessPoolExecutor
from functools import partial
from pathlib import Path
from typing import Any

import numpy as np

from judicum.bench.scenes import Case, cases
from judicum.camera import Scene, take_photo

PROFILE_STEPS = 10
"""Every so many of a bead's samples (0.05 mm) the width is told: half a millimetre."""


def labelled(case: Case, folder: Path) -> dict[str, Any]:
    """Draw one case into a folder; its entry of `truth.json`."""
    photo = take_photo(case.scene)
    (folder / case.name).write_bytes(photo.jpeg)
    truth = None if photo.truth is None else {**photo.truth, "profile": _profile(case.scene)}
    return {"name": case.name, "must_refuse": case.refusal, "truth": truth}


def _profile(scene: Scene) -> dict[str, list[Any]]:
    """Width and centreline (card mm) along the bead, the first and last mean width left out."""
    bead = scene.bead
    assert bead is not None
    angle = np.radians(scene.angle_deg)
    along, across = np.array([np.cos(angle), np.sin(angle)]), np.array([-np.sin(angle), np.cos(angle)])
    width = 2 * bead.half_mm
    at = np.arange(0, len(bead.s_mm), PROFILE_STEPS)
    at = at[(bead.s_mm[at] > width.mean()) & (bead.s_mm[at] < bead.length_mm - width.mean())]
    centre = np.array(scene.start_mm) + bead.s_mm[at, None] * along + bead.centre_mm[at, None] * across
    return {"s_mm": bead.s_mm[at].tolist(), "width_mm": width[at].tolist(), "centre_mm": centre.tolist()}


def draw_set(folder: Path, chosen: Iterable[Case]) -> int:
    """Draw cases that can be learnt from, with `truth.json` beside them; how many."""
    folder.mkdir(parents=True, exist_ok=True)
    wanted = [case for case in chosen if case.refusal in (None, "no_bead")]
    with ProcessPoolExecutor(os.cpu_count()) as pool:
        told = list(pool.map(partial(labelled, folder=folder), wanted))
    (folder / "truth.json").write_text(json.dumps(told))
    return len(told)


def main() -> None:
    asked = argparse.ArgumentParser(description=__doc__)
    asked.add_argument("-o", "--output", type=Path, required=True)
    asked.add_argument("--draw", type=int, default=101)
    given = asked.parse_args()
    print(f"{draw_set(given.output, cases(draw=given.draw))} pictures")


if __name__ == "__main__":
    main()
