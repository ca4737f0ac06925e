"""A weld that is asked about or was measured, read and checked from JSON values (docs/foretell.md)."""

import math
from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from typing import Any

from judicum.core.choices import CHOICES, FINISH_LEVEL
from judicum.core.errors import InvalidValue, one_of, said
from judicum.core.fields import Fields, Flag
from judicum.core.joints import JOINTS
from judicum.core.metals import Metal
from judicum.core.quantities import QUANTITIES
from judicum.core.setup.coupon import read_coupon
from judicum.core.setup.filler import thickness_size_mm
from judicum.core.setup.gas import usual_cup
from judicum.core.setup.pulse import read_pulse

Q = QUANTITIES
SETTINGS = Fields(
    "settings",
    (
        *(
            Q[key]
            for key in (
                "current_a", "travel_mm_s", "arc_length_mm", "arc_s", "gas_l_min", "cup", "stickout_mm", "preflow_s", "postflow_s",
                "filler_mm", "dabs", "part_c", "length_mm",
            )
        ),
        CHOICES["gas_part"],
        CHOICES["technique"],
        Flag("draught"),
    ),
)  # fmt: skip
MEASURED = Fields(
    "measured",
    tuple(
        Q[key]
        for key in ("length_mm", "width_mm", "width_start_mm", "width_end_mm", "tint_bead", "tint_zone", "zone_mm", "grey_end_mm")
    ),
)  # fmt: skip
BLANK = Fields("a coupon", (Q["blank_length_mm"], Q["blank_width_mm"]))
WANTED = Fields("width_mm", (replace(Q["width_mm"], key="low"), replace(Q["width_mm"], key="high")), ("low", "high"))
HAZARDS = ("burn_through", "no_fusion", "undercut", "grey")
KEYS = ("coupon", "settings", "student", "machine", "class", "compare", "inverse")
RECORD_KEYS = ("student", "machine", "coupon", "settings", "measured")
MAX_RECORDS = 2000
MAX_CELLS = 64
"""Currents or speeds of a map: more is finer than any dial."""
PULSED_MEAN = 0.88
"""The mean that does what straight current does (core.setup.current.PULSE_FACTOR)."""
USUAL_BLANK_MM = (120.0, 50.0)
USUAL_ARC_MM = 1.6
USUAL_STICKOUT_MM = 8.0
USUAL_POSTFLOW_S = 8.0
USUAL_PREFLOW_S = 0.5
ROOM_C = 25.0
USUAL_RUN_MM = 100.0
USUAL_TRAVEL_MM_S = 2.2
USUAL_A = 55.0
USUAL_MM = 1.5
USUAL_A_POWER = 0.3
"""What is taken of a setting that is not known: where the contract's worked table stands. A current that is not stated grows so little with
thickness that thicker metal is never stated a wider bead."""


@dataclass(frozen=True)
class Weld:
    """Settings with what is usual where nothing is known; `travel` says how the speed is known: `real`, `typed` or `unknown`.

    `typed_off` is the logarithm of a typed speed over the real one, where both are known. `current_a` is the straight current that does the same; `known_current` whether anything of it was stated.
    """

    metal: Metal
    joint: str
    thickness_mm: float
    blank_mm2: float
    current_a: float
    known_current: bool
    pulsed: bool
    travel_mm_s: float
    travel: str
    typed_off: float | None
    arc_length_mm: float
    cup: float
    gas_l_min: float
    gas_part: str
    stickout_mm: float
    draught: bool
    preflow_s: float
    postflow_s: float
    fused: bool
    filler_mm: float
    part_c: float
    length_mm: float
    student: str | None = None
    machine: str | None = None


@dataclass(frozen=True)
class Record:
    """A weld with what was measured of it; figures None where they were not."""

    weld: Weld
    measured: Mapping[str, Any]
    hazards: frozenset[str] | None


@dataclass(frozen=True)
class Inverse:
    """Which of these currents (A) and speeds (mm/s) give a bead of that width (mm) and at most that level."""

    low_mm: float
    high_mm: float
    level: int
    current_a: tuple[float, ...]
    travel_mm_s: tuple[float, ...]


@dataclass(frozen=True)
class Question:
    """What is asked: a weld, the course's attempts, an attempt to compare with, a map to draw."""

    weld: Weld
    records: tuple[Record, ...] = ()
    compare: Record | None = None
    inverse: Inverse | None = None
    has: frozenset[str] = field(default_factory=frozenset)


def read_question(given: object) -> Question:
    """Read what is asked. Raises InvalidValues: names the field."""
    given = _object("input", given, KEYS)
    if given.get("coupon") is None:
        raise InvalidValue("coupon", None, said("allowed-needed"))
    student, machine = _name("student", given), _name("machine", given)
    weld = _weld(given["coupon"], given.get("settings"), student, machine, "", None)
    rows = given.get("class") or []
    if not isinstance(rows, list) or len(rows) > MAX_RECORDS:
        raise InvalidValue("class", type(rows).__name__, said("allowed-at-most-of-them", most=MAX_RECORDS))
    records = tuple(_record(row, f"class.{k}.") for k, row in enumerate(rows))
    compare = None
    if given.get("compare") is not None:
        one = _object("compare", given["compare"], ("settings", "measured"))
        compare = _record({**one, "coupon": given["coupon"], "student": student, "machine": machine}, "compare.")
    return Question(weld, records, compare, _inverse(given.get("inverse")))


def _object(at: str, given: object, keys: tuple[str, ...]) -> Mapping[str, Any]:
    if not isinstance(given, Mapping):
        raise InvalidValue(at, given, said("allowed-an-object-with-some-of", names=", ".join(keys)))
    for key in given:
        if key not in keys:
            raise InvalidValue(f"{at}.{key}" if at != "input" else str(key), given[key], one_of(keys))
    return given


def _name(at: str, given: Mapping[str, Any]) -> str | None:
    value = given.get(at.rpartition(".")[2])
    if value is not None and not isinstance(value, str):
        raise InvalidValue(at, value, said("allowed-text"))
    return value


def _record(given: object, at: str) -> Record:
    row = _object(at.rstrip("."), given, RECORD_KEYS)
    seen = row.get("measured") or {}
    if not isinstance(seen, Mapping):
        raise InvalidValue(
            f"{at}measured", seen, said("allowed-an-object-with-some-of", names=", ".join(MEASURED.keys))
        )
    hazards = seen.get("hazards")
    if hazards is not None and (not isinstance(hazards, list) or any(one not in HAZARDS for one in hazards)):
        raise InvalidValue(f"{at}measured.hazards", hazards, one_of(HAZARDS))
    measured = MEASURED.check({k: v for k, v in seen.items() if k != "hazards"}, f"{at}measured.")
    student, machine = _name(f"{at}student", row), _name(f"{at}machine", row)
    weld = _weld(row.get("coupon"), row.get("settings"), student, machine, at, measured["length_mm"], typed=True)
    return Record(weld, measured, None if hazards is None else frozenset(hazards))


def _weld(
    coupon: object,
    settings: object,
    student: str | None,
    machine: str | None,
    at: str,
    length_mm: float | None,
    typed: bool = False,
) -> Weld:
    if not isinstance(coupon, Mapping):
        raise InvalidValue(f"{at}coupon", coupon, said("allowed-needed"))
    blank = BLANK.check({k: v for k, v in coupon.items() if k in BLANK.keys}, f"{at}coupon.")
    read = read_coupon({k: v for k, v in coupon.items() if k not in BLANK.keys})
    if settings is not None and not isinstance(settings, Mapping):
        raise InvalidValue(
            f"{at}settings", settings, said("allowed-an-object-with-some-of", names=", ".join(SETTINGS.keys))
        )
    stated: Mapping[str, Any] = settings or {}
    used = SETTINGS.check({k: v for k, v in stated.items() if k != "pulse"}, f"{at}settings.")
    pulse = read_pulse(stated.get("pulse"))
    technique = used["technique"] or read.technique
    amps = pulse.mean_a / PULSED_MEAN if pulse else used["current_a"]
    length = length_mm or used["length_mm"]
    real = length / used["arc_s"] if length and used["arc_s"] else None
    if used["travel_mm_s"] and not typed:
        real = used["travel_mm_s"]
    speed = real or used["travel_mm_s"] or USUAL_TRAVEL_MM_S
    how = "real" if real else "typed" if used["travel_mm_s"] else "unknown"
    cup = used["cup"] or usual_cup(read)

    def known(key: str, otherwise: float) -> float:
        return float(otherwise if used[key] is None else used[key])

    return Weld(
        metal=read.metal,
        joint=read.joint,
        thickness_mm=read.heated_mm,
        blank_mm2=(blank["blank_length_mm"] or USUAL_BLANK_MM[0]) * (blank["blank_width_mm"] or USUAL_BLANK_MM[1]),
        current_a=float(amps or USUAL_A * (read.heated_mm / USUAL_MM) ** USUAL_A_POWER),
        known_current=amps is not None,
        pulsed=pulse is not None,
        travel_mm_s=float(speed),
        travel=how,
        typed_off=math.log(used["travel_mm_s"] / real) if typed and real and used["travel_mm_s"] else None,
        arc_length_mm=known("arc_length_mm", USUAL_ARC_MM),
        cup=float(cup),
        gas_l_min=known("gas_l_min", cup),
        gas_part=used["gas_part"] or read.gas_part,
        stickout_mm=known("stickout_mm", USUAL_STICKOUT_MM),
        draught=bool(used["draught"]),
        preflow_s=known("preflow_s", USUAL_PREFLOW_S),
        postflow_s=known("postflow_s", USUAL_POSTFLOW_S),
        fused=technique == "fuse",
        filler_mm=known("filler_mm", thickness_size_mm(read)),
        part_c=known("part_c", ROOM_C),
        length_mm=float(length or USUAL_RUN_MM),
        student=student,
        machine=machine,
    )


def _inverse(given: object) -> Inverse | None:
    if given is None:
        return None
    asked = _object("inverse", given, ("width_mm", "finish", "current_a", "travel_mm_s"))
    width = WANTED.check(asked.get("width_mm"), "inverse.width_mm.")
    if width["low"] > width["high"]:
        raise InvalidValue(
            "inverse.width_mm.low", width["low"], said("allowed-low-below-high", high=f"{width['high']:g}")
        )
    finish = asked.get("finish")
    if finish not in FINISH_LEVEL:
        raise InvalidValue("inverse.finish", finish, one_of(FINISH_LEVEL))
    return Inverse(
        width["low"], width["high"], FINISH_LEVEL[finish], _axis("current_a", asked), _axis("travel_mm_s", asked)
    )


def _axis(key: str, asked: Mapping[str, Any]) -> tuple[float, ...]:
    """The figures of one side of the map."""
    given = asked.get(key)
    if not isinstance(given, list) or not 1 <= len(given) <= MAX_CELLS:
        raise InvalidValue(f"inverse.{key}", given, said("allowed-a-list"))
    read = Fields(key, (Q[key],), (key,))
    return tuple(float(read.check({key: one}, "inverse.")[key]) for one in given)


def is_fillet(weld: Weld) -> bool:
    """Whether the joint leads heat into more metal than a butt."""
    return JOINTS[weld.joint].fillet
