"""Draws a folder of labelled pictures with the simulated camera: `python -m training.camera_set -o FOLDER --seed N`.

A draw that is taught with is never measured: the fixed set is draw 0, and figures are told of others (docs/measuring.md).
"""

import argparse
import json
import os
from collections.abc import Iterable
from concurrent.futures import ProcessPoolExecutor
from dataclasses import replace
from functools import partial
from importlib import import_module
from pathlib import Path
from typing import Any

import numpy as np

from judicum.bench.scenes import APART_MM, KINDS, SIZES, Case, cases, chance_fault, near_enough
from judicum.camera import Scene, take_photo
from judicum.camera.scene import with_outline
from judicum.camera.truth import truth

PROFILE_STEPS = 10
"""Every so many of a bead's samples (0.05 mm) the width is told: half a millimetre."""


TRACED_KINDS = ("plate", "lap", "tube", "smooth", "refusal")
"""What the tracer can show: a wall that stands beside a fillet is not among it."""


def labelled(case: Case, folder: Path, traced: bool = False) -> dict[str, Any]:
    """Draw one case into a folder; its entry of `truth.json`."""
    seen = truth_along(case.scene)
    if traced:  # needs Mitsuba
        jpeg, seen = import_module("training.traced").trace(case.scene, seen)
    else:
        jpeg = take_photo(case.scene).jpeg
    (folder / case.name).write_bytes(jpeg)
    return {"name": case.name, "must_refuse": case.refusal, "truth": seen}


def truth_along(scene: Scene) -> dict[str, Any] | None:
    """The truth of a scene with its `profile`; None without a bead."""
    seen = truth(scene)
    return None if seen is None else {**seen, "profile": _profile(scene)}


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


MORE_FAULTS = 4
"""So many kinds are tried on a bead to be taught with: a traced picture takes long, and every second has no fault."""
ALONG = (0.12, 0.88)
"""Where along a bead they lie, as shares of its length."""


def faulty(scene: Scene) -> Scene:
    """The scene with more faults on its bead, as many as lie APART_MM from each other."""
    bead = scene.bead
    if bead is None:
        return scene
    rng = np.random.default_rng((scene.seed, 97))
    for kind in rng.permutation(KINDS)[:MORE_FAULTS]:
        fault = chance_fault(rng, str(kind), bead.length_mm, 2 * float(np.median(bead.half_mm)))
        if fault.kind != "crater":  # those lie at the end
            fault = replace(fault, s_mm=float(rng.uniform(*ALONG) * bead.length_mm))
        if all(abs(fault.s_mm - other.s_mm) > APART_MM for other in bead.faults):
            bead = with_outline(bead, fault)
    return replace(scene, bead=bead)


def draw_set(folder: Path, chosen: Iterable[Case], traced: bool = False) -> int:
    """Draw cases that can be learnt from, with `truth.json` beside them; how many."""
    folder.mkdir(parents=True, exist_ok=True)
    wanted = [case for case in chosen if case.refusal in (None, "no_bead")]
    if traced:
        wanted = [replace(case, scene=_small(case.scene)) for case in wanted if case.kind in TRACED_KINDS]
    with ProcessPoolExecutor(os.cpu_count()) as pool:
        truths = list(pool.map(partial(labelled, folder=folder, traced=traced), wanted))
    (folder / "truth.json").write_text(json.dumps(truths))
    return len(truths)


def _small(scene: Scene) -> Scene:
    """The scene in the smallest picture that shows enough: paths are traced by the pixel."""
    return near_enough(replace(scene, view=replace(scene.view, size=SIZES[0])))


def main() -> None:
    asked = argparse.ArgumentParser(description=__doc__)
    asked.add_argument("-o", "--output", type=Path, required=True)
    asked.add_argument("--seed", type=int, default=101)
    asked.add_argument("--share", type=float, default=1.0, help="the first so many of each kind")
    asked.add_argument(
        "--traced", action="store_true", help="trace the light (needs Mitsuba): twenty seconds a picture"
    )
    asked.add_argument("--faulty", action="store_true", help="more faults on every bead, to be taught with")
    given = asked.parse_args()
    chosen = cases(given.share, given.seed)
    if given.faulty:
        chosen = (replace(case, scene=faulty(case.scene)) for case in chosen)
    print(f"{draw_set(given.output, chosen, given.traced)} pictures")


if __name__ == "__main__":
    main()
