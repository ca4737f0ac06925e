"""The fixed set: which scenes are drawn, by kind."""

from collections.abc import Callable, Iterator
from dataclasses import dataclass, replace
from typing import Any

import numpy as np

from judicum.camera import Bead, Fault, Scene, View, weld
from judicum.camera.draw import px_per_mm_on_bead
from judicum.core.photo.fault_kinds import FAULT_KINDS

KINDS = tuple(FAULT_KINDS)
COUNTS = {"plate": 52, "lap": 26, "fillet": 26, "tube": 16, "smooth": 20, "refusal": 21}
SIZES = ((1600, 1200), (1920, 1440), (2048, 1536), (2592, 1944), (4000, 3000))
MIN_PX_PER_MM = 8.6
"""A little over the 8 under which a photo is refused, so that a tilt leaves no doubt."""
APART_MM = 14.0
DECOYS = ("scratches", "number", "spatter", "dots", "clamp_shadow")


@dataclass(frozen=True)
class Case:
    """One drawn photo of the set; `refusal` is the code it must be refused with, or None."""

    name: str
    kind: str
    scene: Scene
    refusal: str | None = None


def cases(share: float = 1.0, seed: int = 0) -> Iterator[Case]:
    """The set, or the first `share` of each kind; every `seed` is another set of the same sort, 0 the fixed one."""
    for kind, count in COUNTS.items():
        for k in range(max(1, round(count * share))):
            rng = np.random.default_rng([len(kind), ord(kind[0]), k] + ([seed] if seed else []))
            if kind == "refusal":
                yield _refused(rng, k)
            else:
                yield Case(f"{kind}-{k:02d}.jpg", kind, near_enough(_scene(rng, kind, k)))


def near_enough(scene: Scene) -> Scene:
    """The scene in the smallest of the sizes that shows more than MIN_PX_PER_MM, from its own size on."""
    for size in SIZES[SIZES.index(scene.view.size) :]:
        larger = replace(scene, view=replace(scene.view, size=size))
        if px_per_mm_on_bead(larger) > MIN_PX_PER_MM:
            return larger
    return scene


def _scene(rng: np.random.Generator, kind: str, k: int) -> Scene:
    strip = kind not in ("plate", "smooth")
    length = float(rng.uniform(34, 45) if kind == "tube" else rng.uniform(55, 88 if strip else 98))
    width = float(rng.uniform(3.2, 7.0))
    # Every second bead of the first kinds is clean; the faults take turns.
    kinds = [KINDS[(k // 2 + turn) % len(KINDS)] for turn in range(1 + (k % 6 == 1))] if k % 2 else []
    if kind == "smooth":
        kinds = kinds[:1] if k % 4 == 1 else []
    faults = _apart([chance_fault(rng, each, length, width) for each in kinds], length)
    bead = weld(
        rng, length_mm=length, width_mm=width, width_cv=float(rng.uniform(0.01, 0.08)), pitch_mm=float(rng.uniform(1.2, 3.0)),
        pitch_cv=float(rng.uniform(0.04, 0.18)), wander_mm=float(rng.uniform(0.03, 0.35)), bead_level=int(rng.integers(0, 7)),
        zone_level=int(rng.integers(2, 7)), rippled=kind != "smooth", lapses=int(rng.integers(0, 3)), faults=faults,
    )  # fmt: skip
    view = _view(rng, strip)
    decoys = tuple(rng.choice(DECOYS, size=int(rng.integers(0, 3)), replace=False))
    if strip:
        y = float(rng.uniform(29, 42) if rng.uniform() < 0.5 else rng.uniform(-20, -7))
        angle, start = float(rng.normal(0, 1.5)), (float(50 - length / 2 + rng.uniform(-4, 4)), y)
        joint = {"lap": "lap", "fillet": "tee", "tube": "tube"}[kind]
    else:
        angle = float(rng.normal(0, 5))
        start = (
            85 - length / 2 * np.cos(np.radians(angle)) + float(rng.uniform(-4, 4)),
            55 - length / 2 * np.sin(np.radians(angle)) + float(rng.uniform(-4, 4)),
        )
        joint = "butt" if k % 3 else "bead_on_plate"
    return Scene(
        bead, start, angle, grain_deg=float(rng.choice([0.0, 90.0, rng.uniform(-90, 90)])), grain=float(rng.uniform(0.1, 0.9)), joint=joint,
        card="strip" if strip else "window", decoys=decoys, view=view, seed=int(rng.integers(1, 10**6)),
    )  # fmt: skip


def _view(rng: np.random.Generator, strip: bool) -> View:
    warm = float(rng.uniform(0, 1))
    return View(
        # A whole window card in 1600 pixels leaves under 8 to the millimetre: those are strips.
        size=SIZES[
            int(rng.choice(len(SIZES), p=[0.2, 0.35, 0.25, 0.14, 0.06] if strip else [0, 0.2, 0.45, 0.25, 0.1]))
        ],
        turn_deg=float(rng.choice([rng.normal(0, 5), 90, 180, rng.uniform(-180, 180)], p=[0.7, 0.1, 0.1, 0.1])),
        tilt_deg=float(rng.choice([rng.uniform(1, 12), rng.uniform(12, 30)], p=[0.65, 0.35])),
        tilt_towards_deg=float(rng.uniform(0, 360)),
        light=(1.0, 1.0 - 0.22 * warm, 1.0 - 0.5 * warm) if rng.uniform() < 0.7 else (0.88, 0.96, 1.0),
        exposure=float(rng.uniform(0.65, 1.05)),
        blur_px=float(rng.uniform(0.5, 1.2)),
        noise=float(rng.uniform(0.003, 0.012)),
        jpeg_quality=int(rng.integers(60, 93)),
    )


def chance_fault(rng: np.random.Generator, kind: str, length: float, width: float) -> Fault:
    """A fault of a kind on a bead of that length and width, mm."""
    s = float(rng.uniform(0.25, 0.75) * length)
    if kind == "crater":
        return Fault(kind, length - 0.55 * width, 0.0, float(rng.uniform(0.45, 0.7) * width), bool(rng.uniform() < 0.5))
    size: Callable[[], float] = {
        "pore": lambda: rng.uniform(0.6, 1.3), "undercut": lambda: rng.uniform(6, 16), "burn_through": lambda: rng.uniform(0.6, 0.95) * width,
        "sugaring": lambda: rng.uniform(5, 12), "inclusion": lambda: rng.uniform(0.5, 1.1), "gap": lambda: rng.uniform(3, 6), "bulge": lambda: rng.uniform(4, 8),
    }[kind]  # fmt: skip
    n = {
        "pore": rng.uniform(-0.25, 0.25) * width,
        "inclusion": rng.uniform(-0.25, 0.25) * width,
        "undercut": float(rng.choice([-1, 1])),
    }
    return Fault(kind, s, float(n.get(kind, 0.0)), float(size()))


def _apart(faults: list[Fault], length: float) -> tuple[Fault, ...]:
    """The faults, the second moved along where it would cover the first."""
    if len(faults) == 2 and abs(faults[0].s_mm - faults[1].s_mm) < APART_MM:
        first, second = faults
        free = first.s_mm + APART_MM if first.s_mm < length / 2 else first.s_mm - APART_MM
        faults = [first, second if second.kind == "crater" else replace(second, s_mm=free)]
    return tuple(faults)


def _refused(rng: np.random.Generator, k: int) -> Case:
    code = ("no_bead", "blurred", "no_scale", "card_tilted", "too_small", "overexposed", "no_bead")[k % 7]
    scene = _scene(rng, "plate", 0)
    scene = near_enough(replace(scene, view=replace(scene.view, size=(1920, 1440), tilt_deg=float(rng.uniform(1, 15)))))
    by_code: dict[str, dict[str, Any]] = {
        "no_bead": {"bead": None, "stripe_nm": float(rng.choice([0, 25, 40])), "decoys": ("scratches", "dots")},
        "blurred": {"view": replace(scene.view, size=(2592, 1944), tilt_deg=5.0, blur_px=float(rng.uniform(5.0, 7.0)))},
        "no_scale": {"card": "none"},
        "card_tilted": {"view": replace(scene.view, tilt_deg=float(rng.uniform(45, 52)))},
        "too_small": {"view": replace(scene.view, size=(1100, 825), blur_px=0.5)},
        "overexposed": {"view": replace(scene.view, exposure=float(rng.uniform(3.5, 5.0)), light=(1.0, 1.0, 1.0)), "bead": _bright(scene.bead)},
    }  # fmt: skip
    return Case(f"refusal-{k:02d}.jpg", "refusal", replace(scene, **by_code[code]), code)


def _bright(bead: Bead | None) -> Bead | None:
    return None if bead is None else replace(bead, film_nm=3.0, faults=())
