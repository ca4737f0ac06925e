"""Weights that were taught on are taken only where they are better on what nobody learnt from, and nowhere worse:

    python -m training.judge NEW --name mill1 --aside labels.zip:even --sets SAMPLES SAMPLES2:even [--take [--workshop NAME]]

`NEW` is a folder of networks by their names (`segment-1.onnx`, …); those that are not there are those that ship. Every set is measured
with both, and so is a part of the fixed set of `./judicum bench-photo`, which nothing learns from. `--take` takes them into use (`./judicum weights use`), of the whole server or of one workshop.
"""

import argparse
import json
import os
import subprocess
import sys
import tempfile
from dataclasses import dataclass
from pathlib import Path
from typing import Any

from judicum.bench.scenes import cases
from judicum.bench.score import Tally, judge
from judicum.core.photo.weights import FOLDER
from judicum.launch import serve, weights
from training.camera_set import draw_set
from training.labelled import PARTS, entries_of, unpacked

WORSE_MM = 0.001
"""mm of mean width error that count as the same."""
DRAWN = 0.25
"""Share of each kind of the fixed set that is measured: some thirty pictures, two minutes."""
WORSE_SHARE = 0.005
"""Of faults found and right, and of fronts, that count as the same."""


@dataclass(frozen=True)
class SetFigures:
    """How true one set was measured: mean width error, mm; F1 of faults and of fronts; share of pictures that were measured."""

    width_mm: float
    faults: float
    fronts: float
    measured: float

    def not_worse(self, before: "SetFigures") -> bool:
        return self.width_mm <= before.width_mm + WORSE_MM and all(
            getattr(self, key) >= getattr(before, key) - WORSE_SHARE for key in ("faults", "fronts", "measured")
        )

    def better(self, before: "SetFigures") -> bool:
        """Not worse in anything, and better in something."""
        return self.not_worse(before) and (
            self.width_mm < before.width_mm - WORSE_MM
            or self.faults > before.faults + WORSE_SHARE
            or self.fronts > before.fronts + WORSE_SHARE
        )

    def __str__(self) -> str:
        return f"width {self.width_mm:.3f} mm, faults {self.faults:.3f}, fronts {self.fronts:.3f}, measured {self.measured:.2f}"


def taken(aside: tuple[SetFigures, SetFigures], sets: list[tuple[SetFigures, SetFigures]]) -> bool:
    """Whether new weights are taken: (before, after) of the part kept aside, and of every other set."""
    return aside[1].better(aside[0]) and all(after.not_worse(before) for before, after in sets)


def figures_of(folder: Path, which: str, own: Path | None) -> SetFigures:
    """Measure a part of a folder with weights out of `own`, those that ship where None."""
    entries = [one for one in entries_of(folder, which) if one["must_refuse"] is None]
    photos = [str(folder / one["name"]) for one in entries]
    env = {**os.environ, FOLDER: "" if own is None else str(own)}
    done = subprocess.run(
        [sys.executable, "-m", "judicum.cli", "measure", *photos], env=env, capture_output=True, text=True
    )
    reports = {Path(one["photo"]).name: one for one in map(json.loads, done.stdout.splitlines())}
    tally = Tally()
    for one in entries:
        judge(tally, _whole(one["truth"]), reports[one["name"]])
    return SetFigures(
        tally.mean("width error, mm") or 0.0,
        _f1(tally),
        tally.mean("fronts found, F1") or 0.0,
        tally.measured / max(1, tally.photos),
    )


def _whole(truth: dict[str, Any]) -> dict[str, Any]:
    """Labels with what they leave out: where fronts cannot be seen is not told."""
    ripple = truth["ripple"] and {"ignore_mm": [], **truth["ripple"]}
    return {**truth, "ripple": ripple, "defects": truth["defects"] or []}


def _f1(tally: Tally) -> float:
    found, false, missed = (sum(one[k] for one in tally.faults.values()) for k in range(3))
    return 2 * found / (2 * found + missed + false) if found + missed + false else 1.0


def main() -> int:
    asked = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    asked.add_argument("new", type=Path)
    asked.add_argument("--name", required=True)
    asked.add_argument("--aside", required=True, metavar="FOLDER[:PART]", help=f"parts: {', '.join(PARTS)}")
    asked.add_argument("--sets", nargs="*", default=[], metavar="FOLDER[:PART]")
    asked.add_argument("--take", action="store_true")
    asked.add_argument("--workshop", metavar="NAME", default="", help="take them for this workshop alone")
    given = asked.parse_args()
    # Before minutes of measuring: a workshop that is not there is said at once.
    own = serve.weights_folder(given.workshop) if given.take else None
    both = []
    with tempfile.TemporaryDirectory() as folder:
        draw_set(Path(folder), cases(DRAWN, 0))
        drawn = figures_of(Path(folder), "all", None), figures_of(Path(folder), "all", given.new)
    print(f"drawn\n  ships: {drawn[0]}\n  new:   {drawn[1]}", flush=True)
    for one in (given.aside, *given.sets):
        path, _, which = one.partition(":")
        with unpacked(Path(path)) as folder:
            before, after = (figures_of(folder, which or "all", own) for own in (None, given.new))
        both.append((before, after))
        print(f"{one}\n  ships: {before}\n  new:   {after}", flush=True)
    if not taken(both[0], [drawn, *both[1:]]):
        print("Not taken: not better on what was kept aside, or worse on another set.")
        return 1
    print("Better on what was kept aside, and nowhere worse.")
    return weights.use(given.new, given.name, own) if own else 0


if __name__ == "__main__":
    sys.exit(main())
