"""The check target drawn: printed beads of known width, ripple and spots, as a picture for the card's window and its truth.

`python -m judicum.camera.target` writes both where the product keeps them (judicum/core/photo/data).
"""

import json
import sys
from dataclasses import replace
from pathlib import Path
from typing import Any

import cv2
import numpy as np

from judicum.camera.scene import Fault, Scene, View, weld
from judicum.camera.surface import coupon_with_all
from judicum.camera.truth import truth
from judicum.core.arrays import Pixels
from judicum.core.photo.film import linear_to_srgb
from judicum.core.photo.scale import card_geometry

PX_PER_MM = 20.0
"""A printer of 600 points to the inch has 24: an edge is printed to a fiftieth of a millimetre."""
BEAD_MM = 36.0
BEADS = (
    # place, width, cv of the width, ripple pitch, its cv, missed dabs, spots (mm)
    (12.0, 3.0, 0.02, 1.6, 0.05, 0, ()),
    (44.0, 4.0, 0.02, 2.0, 0.05, 0, (0.5, 0.8, 1.1, 1.4)),
    (64.0, 5.0, 0.06, 2.2, 0.05, 0, ()),
    (84.0, 4.5, 0.02, 1.9, 0.05, 2, ()),
    (106.0, 6.0, 0.02, 2.4, 0.15, 0, ()),
)
"""From left to right, the first apart: the place tells each, however the sheet is held."""


def scenes() -> list[Scene]:
    """Every bead as a scene of its own."""
    found = []
    low, size = card_geometry()["window"]["cut_out"]["at"], card_geometry()["window"]["cut_out"]["size"]
    for k, (at, width, cv, pitch, pitch_cv, lapses, spots) in enumerate(BEADS):
        faults = tuple(Fault("pore", 7.0 + 7.0 * n, 0.2, size_mm) for n, size_mm in enumerate(spots))
        bead = weld(
            np.random.default_rng(400 + k), length_mm=BEAD_MM, width_mm=width, width_cv=cv, pitch_mm=pitch, pitch_cv=pitch_cv, wander_mm=0.1,
            bead_level=1, zone_level=2, lapses=lapses, faults=faults,
        )  # fmt: skip
        start = (low[0] + at, low[1] + (size[1] - BEAD_MM) / 2)
        found.append(Scene(bead, start, 90.0, grain_deg=0, grain=0.2, seed=11))
    return found


def sheet(view: View) -> Scene:
    """All of them in the card's window, seen so."""
    first, *rest = scenes()
    return replace(first, view=view, beside=tuple(rest))


def picture() -> Pixels:
    """What is printed in the card's window, (height, width, 3) sRGB."""
    (x0, y0), (wide, tall) = (card_geometry()["window"]["cut_out"][key] for key in ("at", "size"))
    scene = sheet(View())
    x, y = np.meshgrid(
        x0 + (np.arange(round(wide * PX_PER_MM)) + 0.5) / PX_PER_MM,
        y0 + (np.arange(round(tall * PX_PER_MM)) + 0.5) / PX_PER_MM,
    )
    light = np.clip(coupon_with_all(scene, x, y, PX_PER_MM), 0, 1)
    return np.asarray(np.round(255 * linear_to_srgb(light)), np.uint8)


def known() -> list[dict[str, Any]]:
    """What is known of each bead: place along the window, width, ripples, lapses, spots; mm."""
    beads = []
    for (at, *_, lapses, spots), scene in zip(BEADS, scenes(), strict=True):
        answer = truth(scene)
        assert answer is not None
        ripple = answer["ripple"]
        beads.append(
            {
                "at_mm": at, "width_mm": round(answer["bead"]["width_mm"]["mean"], 4), "width_cv": round(answer["bead"]["width_mm"]["cv"], 4),
                "pitch_mm": round(ripple["pitch_mm"], 4), "lapses": lapses, "spots_mm": list(spots),
            }
        )  # fmt: skip
    return beads


def main() -> None:
    folder = Path(sys.argv[1]) if len(sys.argv) > 1 else Path(__file__).parents[1] / "core" / "photo" / "data"
    folder.mkdir(parents=True, exist_ok=True)
    cv2.imwrite(str(folder / "target.jpg"), picture(), [cv2.IMWRITE_JPEG_QUALITY, 94])
    (folder / "target.json").write_text(json.dumps({"bead_mm": BEAD_MM, "beads": known()}, indent=1) + "\n")


if __name__ == "__main__":
    main()
