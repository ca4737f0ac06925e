"""Beads in two lights: drawn grooves, dark lines that are none, and both. `python -m tests.core.photo.two_lights SEED COUNT` says how many
undercuts one photo tells and how many both."""

import sys
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

import numpy as np

from judicum.camera import Fault, Scene, View, weld
from judicum.core.photo.measure import measure_photo
from judicum.core.photo.relief import with_other_light
from judicum.core.photo.report import TWO_LIGHTS, Defect, Report
from tests.drawn import taken

SHOWN = ("nothing", "groove", "dark line", "both")


@dataclass(frozen=True)
class Pair:
    """What a bead shows, where its undercuts are, and its two photos: the lamp on one side and on the other."""

    shows: str
    undercuts: tuple[Fault, ...]
    scenes: tuple[Scene, Scene]

    @property
    def photos(self) -> tuple[bytes, bytes]:
        first, second = (taken(scene).jpeg for scene in self.scenes)
        return first, second


def pairs(seed: int, count: int) -> Iterator[Pair]:
    """Pairs by hand-held phone: each photo with a tilt and turn of its own, the lamp within 20° of square to the bead."""
    rng = np.random.default_rng(seed)
    for k in range(count):
        shows = SHOWN[k % len(SHOWN)]
        width, length = rng.uniform(3.2, 5.5), rng.uniform(55, 85)
        side = -1.0 if shows == "both" else float(rng.choice([-1, 1]))  # the dark line is on the right
        groove = Fault("undercut", float(rng.uniform(0.3, 0.7) * length), side * width / 2, float(rng.uniform(6, 14)))
        undercuts = (groove,) if shows in ("groove", "both") else ()
        bead = weld(
            rng, length_mm=length, width_mm=width, width_cv=0.04, pitch_mm=rng.uniform(1.6, 2.6), pitch_cv=0.08,
            wander_mm=0.2, bead_level=int(rng.integers(0, 5)), zone_level=int(rng.integers(1, 6)), faults=undercuts,
        )  # fmt: skip
        angle = float(rng.uniform(-8, 8))
        scene = Scene(
            bead,
            start_mm=(float(rng.uniform(35, 45)), float(rng.uniform(48, 60))),
            angle_deg=angle,
            seed=int(rng.integers(1_000_000)),
            decoys=("toe_line",) if shows in ("dark line", "both") else (),
            grain=float(rng.uniform(0.2, 0.6)),
        )
        first, second = (
            replace(
                scene,
                view=View(
                    size=(2400, 1800),
                    turn_deg=float(rng.uniform(-6, 6)),
                    lamp_deg=angle + lamp + float(rng.uniform(-20, 20)),
                    tilt_deg=float(rng.uniform(2, 9)),
                    blur_px=0.8,
                ),
            )
            for lamp in (90, -90)
        )
        yield Pair(shows, undercuts, (first, second))


def undercuts_of(report: Report) -> list[Defect]:
    return [one for one in report.defects or [] if one.kind == "undercut"]


def judge(found: Sequence[Defect], true: Sequence[Fault]) -> tuple[int, int, int]:
    """Right, false and missed ones: of the same side, their middles within half the true one's length and a millimetre."""

    def same(one: Defect, other: Fault) -> bool:
        return one.n_mm * other.n_mm > 0 and abs(one.s_mm - other.s_mm) < other.size_mm / 2 + 1

    right = sum(any(same(one, other) for one in found) for other in true)
    return right, sum(not any(same(one, other) for other in true) for one in found), len(true) - right


def main(seed: int, count: int) -> None:
    one, both, single = np.zeros(3, int), np.zeros(3, int), 0
    for pair in pairs(seed, count):
        first, second = pair.photos
        measured = measure_photo(first)
        one += judge(undercuts_of(measured.report), pair.undercuts)
        report = with_other_light([measured], second)[0].report
        both += judge(undercuts_of(report), pair.undercuts)
        single += report.quality is None or TWO_LIGHTS not in report.quality.warnings
    sys.stdout.write("| undercuts | right | false | missed |\n|---|---|---|---|\n")
    for name, row in (("one photo", one), ("two lights", both)):
        sys.stdout.write(f"| {name} | {row[0]} | {row[1]} | {row[2]} |\n")
    sys.stdout.write(f"\n{count} beads, {single} of them not read in both lights.\n")


if __name__ == "__main__":
    main(int(sys.argv[1]), int(sys.argv[2]))
