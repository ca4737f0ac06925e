"""Practised settings beside the card: `python -m tests.core.setup.practised` prints the table of docs/setup-card.md."""

import json
import sys
from dataclasses import dataclass
from pathlib import Path
from typing import Any

from tests.core.setup.printed import check_setup, plan_card

FILE = Path(__file__).parents[2] / "cases" / "practised.json"
"""`current_a` is the welding amperage (the mean, where pulsed), `machine_a` what is set; `doubtful` where it is not settled or was
judged a mistake; `used` holds other figures that somebody works with."""


@dataclass(frozen=True)
class Practised:
    """One practised setting with its card."""

    work: str
    coupon: dict[str, Any]
    used: dict[str, list[float]]
    current_a: float | None
    machine_a: float | None
    doubtful: bool

    @property
    def card(self) -> dict[str, Any]:
        return plan_card(self.coupon)

    @property
    def aim(self) -> float | None:
        """What the card says of the practised current, A."""
        if self.current_a is None and self.machine_a is None:
            return None
        return float(self.card["current_a"]["machine" if self.machine_a else "aim"])

    @property
    def off(self) -> float | None:
        """The aim over what is practised, less one."""
        amps = self.current_a or self.machine_a
        return None if self.aim is None or amps is None else self.aim / amps - 1

    def figures(self) -> list[tuple[str, float]]:
        """Every practised figure by its key."""
        return [(k, v) for k, values in self.used.items() for v in values] + (
            [("current_a", self.current_a)] if self.current_a else []
        )

    def outside(self) -> list[tuple[str, float, float, float]]:
        """Figures that the card's ranges do not hold: key, figure, low, high."""
        found = []
        for key, value in self.figures():
            answer = check_setup({"coupon": self.coupon, "used": {key: value}})
            found += [(key, value, d["low"], d["high"]) for d in answer["deviations"]]
        return found


PRACTISED = [
    Practised(r["work"], r["coupon"], r["used"], r.get("current_a"), r.get("machine_a"), r.get("doubtful", False))
    for r in json.loads(FILE.read_text())
]


def table() -> str:
    """All of them as a table."""
    lines = ["| work | practised, A | the card's aim | off by | other practised figures outside the card's ranges |", "|---|---|---|---|---|"]  # fmt: skip
    for one in PRACTISED:
        amps = f"{one.current_a or one.machine_a:g}{' set' if one.machine_a else ''}{' ?' if one.doubtful else ''}" if one.aim else "–"  # fmt: skip
        off = f"{one.off:+.0%}" if one.off is not None else "–"
        outside = "; ".join(f"{key} {value:g} ({low:g} to {high:g})" for key, value, low, high in one.outside())
        lines.append(f"| {one.work} | {amps} | {one.aim or '–'} | {off} | {outside or '–'} |")
    settled = [abs(one.off) for one in PRACTISED if one.off is not None]
    count = sum(len(one.figures()) for one in PRACTISED)
    out = sum(len(one.outside()) for one in PRACTISED)
    lines += ["", f"Aims within 15 %: {sum(off <= 0.15 for off in settled)} of {len(settled)}; within 30 %: {sum(off <= 0.30 for off in settled)}. Figures in the ranges: {count - out} of {count}."]  # fmt: skip
    return "\n".join(lines)


if __name__ == "__main__":
    sys.stdout.write(table() + "\n")
