"""A bead as it was traced in one photo: all that its figures and its drawing come from, without the picture."""

from dataclasses import dataclass
from typing import Any

import numpy as np

from judicum.core.arrays import Floats
from judicum.core.photo.ripple import Ripple
from judicum.core.photo.scale import Lens, Scale
from judicum.core.photo.width import Outline

Stretch = tuple[float, float]


@dataclass(frozen=True)
class Bead:
    """Outline, ripple fronts and scale of one bead.

    `size_px` is the width and height of the upright photo; `unsure_mm` are stretches of s along which
    a toe stood out so little that it may lie elsewhere.
    """

    outline: Outline
    scale: Scale
    size_px: tuple[int, int]
    ripple: Ripple | None
    unsure_mm: tuple[Stretch, ...] = ()

    def as_json(self) -> dict[str, Any]:
        """Plain lists and figures from which `from_json` makes the same bead, to 1 µm."""
        line, scale, ripple = self.outline, self.scale, self.ripple
        left, right = line.offsets_mm
        return {
            "s_mm": _short(line.s_mm),
            "centre_mm": [_short(p) for p in line.centre_mm],
            "left_n_mm": _short(left),
            "right_n_mm": _short(right),
            "scale": {
                "kind": scale.kind,
                "to_px": scale.to_px.tolist(),
                "mm_per_px": scale.mm_per_px,
                "residual_mm": scale.residual_mm,
                "tilt_deg": scale.tilt_deg,
                "lens": None if scale.lens is None else [scale.lens.k1, *scale.lens.size_px],
            },
            "size_px": list(self.size_px),
            "ripple": None
            if ripple is None
            else {
                "positions_mm": _short(ripple.positions_mm),
                "curve_mm": ripple.curve_mm,
                "agreement": ripple.agreement,
                "hidden_mm": [list(h) for h in ripple.hidden_mm],
            },
            "unsure_mm": [list(u) for u in self.unsure_mm],
        }

    @classmethod
    def from_json(cls, raw: dict[str, Any]) -> "Bead":
        """The bead that `as_json` told."""
        scale, ripple = raw["scale"], raw["ripple"]
        return cls(
            Outline.around(
                *(np.array(raw[key], float) for key in ("s_mm", "centre_mm", "left_n_mm", "right_n_mm")),
            ),
            Scale(**{**scale, "to_px": np.array(scale["to_px"], float), "lens": _lens(scale.get("lens"))}),
            (raw["size_px"][0], raw["size_px"][1]),
            None
            if ripple is None
            else Ripple(
                np.array(ripple["positions_mm"], float),
                ripple["curve_mm"],
                ripple["agreement"],
                tuple((h[0], h[1]) for h in ripple["hidden_mm"]),
            ),
            tuple((u[0], u[1]) for u in raw["unsure_mm"]),
        )

    def overlay(self) -> dict[str, Any]:
        """What a page draws: in pixels of the upright photo of `size`, and along the strip in millimetres.

        `left`, `right`, `centre` are points [x, y] every 0.5 mm of s and at the end; `fronts` a line for
        each ripple front; `left_n_mm` and `right_n_mm` the toes' offsets at the same places.
        """
        line, scale = self.outline, self.scale
        left, right = line.offsets_mm
        return {
            "size": list(self.size_px),
            "px_per_mm": round(1 / scale.mm_per_px, 3),
            "left": _px(scale, line.left_mm),
            "right": _px(scale, line.right_mm),
            "centre": _px(scale, line.centre_mm),
            "fronts": [] if self.ripple is None else self._fronts(self.ripple),
            "s_mm": _short(line.s_mm),
            "left_n_mm": _short(left),
            "right_n_mm": _short(right),
            "unsure_mm": [list(u) for u in self.unsure_mm],
        }

    def _fronts(self, ripple: Ripple) -> list[list[list[float]]]:
        line = self.outline
        u = np.linspace(-0.85, 0.85, 9)
        fronts = []
        for position in ripple.positions_mm:
            at = np.clip(position - ripple.curve_mm * u**2, 0, line.length_mm)
            centre, half = (
                np.stack([np.interp(at, line.s_mm, v[:, k]) for k in (0, 1)], -1)
                for v in (line.centre_mm, (line.right_mm - line.left_mm) / 2)
            )
            fronts.append(_px(self.scale, centre + u[:, None] * half))
        return fronts


def _lens(raw: list[float] | None) -> Lens | None:
    return None if raw is None else Lens(raw[0], (int(raw[1]), int(raw[2])))


def _short(values: Floats) -> list[float]:
    return [round(float(v), 3) for v in values]


def _px(scale: Scale, points_mm: Floats) -> list[list[float]]:
    return [[round(float(x), 1), round(float(y), 1)] for x, y in scale.px(points_mm)]
