"""Every number the photo core decides by, moved by a fifth up and down: what each one changes, and which change nothing."""

import importlib
import pkgutil
import sys
from collections.abc import Iterator
from concurrent.futures import ProcessPoolExecutor
from dataclasses import dataclass, fields, is_dataclass, replace
from os import cpu_count
from pathlib import Path
from typing import Any

import cv2
import numpy as np

import judicum.core.photo
from judicum.bench.scenes import Case, cases
from judicum.camera import take_photo
from judicum.core.photo.measure import measure_photo

FIFTHS = (1.2, 0.8)
FIXED = frozenset(
    {
        "decode", "printing", "look", "pose", "steps", "correct", "strip", "strip_frame", "film", "fault_kinds", "report",
    }
)  # fmt: skip
"""Modules that do not decide what is measured, or whose numbers are public data (film colours, the card)."""
GIVEN = frozenset(
    {
        "network.MULTIPLE", "where.PX_PER_MM", "where.FACE", "close.PX_PER_MM", "width.SAMPLE_MM", "tint.ZONE_MM", "tint.ZONE_SHARE",
        "unwrap.NODES", "stretches.STRETCH.gap_share", "tint.THICKNESS_NM",
    }
)  # fmt: skip
"""Numbers that the networks were taught with or that the definitions of the quantities give."""


@dataclass(frozen=True)
class Constant:
    """One number: the module it stands in (after `judicum.core.photo`) and its name, `SCALE.rounds` for a parameter of a stage."""

    module: str
    name: str

    @property
    def key(self) -> str:
        return f"{self.module.rpartition('.')[2]}.{self.name}"


def constants() -> list[Constant]:
    """Every constant of the photo core that decides something, in the order of modules and names."""
    found = []
    for name in _modules():
        module = importlib.import_module(name)
        for key in sorted(key for key in vars(module) if key.isupper() and _home(key, name)):
            found += [Constant(name, one) for one, value in _numbers(key, vars(module)[key]) if _movable(value)]
    return [one for one in found if one.key not in GIVEN]


def _numbers(name: str, value: Any) -> list[tuple[str, Any]]:
    """A constant by its name, or each parameter of a stage."""
    if is_dataclass(value):
        return [(f"{name}.{field.name}", getattr(value, field.name)) for field in fields(value)]
    return [(name, value)]


def _modules() -> Iterator[str]:
    root = judicum.core.photo
    for info in pkgutil.walk_packages(root.__path__, root.__name__ + "."):
        if info.name.rpartition(".")[2] not in FIXED and not info.ispkg:
            yield info.name


def _movable(value: Any) -> bool:
    if isinstance(value, bool | str):
        return False
    if isinstance(value, dict):
        return bool(value) and all(isinstance(v, float) for v in value.values())
    if isinstance(value, tuple):
        return bool(value) and all(isinstance(v, int | float) for v in value)
    return isinstance(value, int | float | np.ndarray)


def _home(name: str, module: str) -> bool:
    """Whether a module's source sets the name itself, rather than imports it."""
    source = Path(importlib.import_module(module).__file__ or "").read_text()
    return any(
        name in line.partition("=")[0].replace(" ", "").split(",") for line in source.splitlines() if "=" in line
    )


def moved(value: Any, by: float) -> Any:
    """A constant moved: whole numbers by at least one."""
    if isinstance(value, dict):
        return {key: moved(v, by) for key, v in value.items()}
    if isinstance(value, tuple):
        return tuple(moved(v, by) for v in value)
    if isinstance(value, int):
        return max(1, value + (max(1, round(0.2 * value)) if by > 1 else -max(1, round(0.2 * value))))
    return value * by


def perturb_table(share: float) -> str:
    """What every constant changes on a share of the fixed set, as Markdown; those that change nothing first."""
    pictures = list(cases(share))
    tasks = [None, *((one, by) for one in constants() for by in FIFTHS)]
    with ProcessPoolExecutor(cpu_count()) as pool:
        plain, *rest = pool.map(_measured_with, tasks, [pictures] * len(tasks))
    rows = []
    for one in constants():
        changed = [
            _changes(plain, figures) for task, figures in zip(tasks[1:], rest, strict=True) if task and task[0] == one
        ]
        rows.append((one.key, np.max(changed, axis=0)))
    rows.sort(key=lambda row: (row[1].sum(), row[0]))
    idle = [key for key, changes in rows if not changes.any()]
    head = "| constant, ± a fifth | width, mm | length, mm | tint, mm | fronts | faults | refusals |\n|---|---|---|---|---|---|---|"
    lines = [f"| `{key}` | " + " | ".join(f"{c:.3g}" for c in changes) + " |" for key, changes in rows]
    summary = (
        f"{len(rows)} constants on {len(pictures)} photos; {len(idle)} change nothing: {', '.join(idle) or 'none'}."
    )
    return "\n".join([head, *lines, "", summary])


_DRAWN: dict[str, bytes] = {}
"""Photos that this process drew already."""


def _measured_with(task: tuple[Constant, float] | None, pictures: list[Case]) -> list[dict[str, Any]]:
    """The reports of some photos with one constant moved, or with none."""
    cv2.setNumThreads(1)
    undo = _set(*task) if task else []
    try:
        return [measure_photo(_jpeg(case)).report.as_json() for case in pictures]
    finally:
        for module, name, value in undo:
            setattr(module, name, value)


def _jpeg(case: Case) -> bytes:
    if case.name not in _DRAWN:
        _DRAWN[case.name] = take_photo(case.scene).jpeg
    return _DRAWN[case.name]


def _set(one: Constant, by: float) -> list[tuple[Any, str, Any]]:
    """Move a constant wherever it was imported; what it was there."""
    constant, _, parameter = one.name.partition(".")
    was = vars(importlib.import_module(one.module))[constant]
    now = replace(was, **{parameter: moved(getattr(was, parameter), by)}) if parameter else moved(was, by)
    places = [
        module
        for name, module in list(sys.modules.items())
        if name.startswith("judicum.core.photo") and vars(module).get(constant) is was
    ]
    for module in places:
        setattr(module, constant, now)
    return [(module, constant, was) for module in places]


def _changes(plain: list[dict[str, Any]], now: list[dict[str, Any]]) -> list[float]:
    """Greatest change of the width, length and tint width (mm), and how many fronts, faults and refusals differ."""
    width = length = tint = 0.0
    fronts = faults = refusals = 0
    for before, after in zip(plain, now, strict=True):
        if (before["bead"] is None) != (after["bead"] is None):
            refusals += 1
        if before["bead"] is None or after["bead"] is None:
            continue
        for key in ("mean", "uncertainty"):
            width = max(width, abs(before["bead"]["width_mm"][key] - after["bead"]["width_mm"][key]))
        length = max(length, abs(before["bead"]["length_mm"] - after["bead"]["length_mm"]))
        tint = max(
            tint, *(abs(before["tint"]["width_mm"][k] - after["tint"]["width_mm"][k]) for k in ("left", "right"))
        )
        tint = max(
            tint,
            float(before["tint"]["along"] != after["tint"]["along"]),
            *(abs(before["tint"]["share"][k] - after["tint"]["share"][k]) for k in before["tint"]["share"]),
        )
        counts = [0 if r["ripple"] is None else r["ripple"]["count"] for r in (before, after)]
        fronts += abs(counts[0] - counts[1])
        faults += before["defects"] != after["defects"]
        refusals += before["quality"] != after["quality"]
    return [width, length, tint, fronts, faults, refusals]
