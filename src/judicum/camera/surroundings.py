"""What lies round the bead: the second part of a joint, a tube's curve, and marks that are no faults."""

from typing import cast

import cv2
import numpy as np

from judicum.camera.faults import along_toe
from judicum.camera.scene import Fault, Scene
from judicum.core.arrays import Flags, Floats


def joint_light(scene: Scene, s: Floats, n: Floats, inside: Floats, beyond: Floats) -> Floats:
    """Brightness (1 is flat plate) that the joint gives each place; s, n and the distance to the outline in mm."""
    rng = np.random.default_rng(scene.seed + 31)
    bare = 1 - inside
    light = np.ones_like(s)
    line = np.exp(-((n / 0.09) ** 2)) * bare
    if scene.joint == "butt":
        light *= 1 - 0.75 * line
    elif scene.joint == "lap":
        # The upper sheet's edge throws a shadow that the bead's toe stands in.
        side = 1.0 if scene.seed % 2 else -1.0
        shadow = np.exp(-((np.clip(side * n, 0, None) / rng.uniform(0.3, 0.8)) ** 2)) * (side * n > -0.05)
        beside = np.exp(-((np.clip(beyond, 0, None) / rng.uniform(0.12, 0.35)) ** 2)) * (side * n > 0)
        light *= (1 - 0.75 * shadow * bare) * (1 - 0.7 * beside * bare)
        light *= np.where(side * n > 0, rng.uniform(0.85, 1.0), 1.0)
    elif scene.joint == "tee":
        side = 1.0 if scene.seed % 2 else -1.0
        wall = rng.uniform(0.35, 0.7)
        soft = 1 / (1 + np.exp(np.clip(-side * n / 0.15, -30, 30)))
        light *= wall + (1 - wall) * soft
        light *= 1 - 0.45 * np.exp(-((n / rng.uniform(2.5, 5.0)) ** 2)) * bare
        light *= 1 - 0.8 * line
    elif scene.joint == "tube":
        radius = rng.uniform(18, 35)
        bent = np.clip((n + rng.uniform(-4, 4)) / radius, -0.98, 0.98)
        light *= 0.35 + 0.75 * np.sqrt(1 - bent**2)
    return light.astype(np.float32)


def with_decoys(scene: Scene, picture: Floats, s: Floats, n: Floats, px_per_mm: float, box: Flags) -> Floats:
    """The coupon with scratches, marker pen, spatter, dots and a clamp's shadow: nothing of it is a fault.

    Args:
        box: whether a place lies on the plate, clear of the bead by 1 mm (rows, columns).
    """
    rng = np.random.default_rng(scene.seed + 47)
    for decoy in scene.decoys:
        ink: Floats = np.zeros(s.shape, np.float32)
        rows, columns = s.shape
        if decoy == "scratches":
            for _ in range(rng.integers(3, 8)):
                a = (int(rng.uniform(0, columns)), int(rng.uniform(0, rows)))
                turn, far = rng.uniform(0, np.pi), rng.uniform(8, 40) * px_per_mm
                b = (int(a[0] + far * np.cos(turn)), int(a[1] + far * np.sin(turn)))
                cv2.line(ink, a, b, float(rng.choice([-0.5, 0.6])), 1, cv2.LINE_AA)
            picture = picture * (1 + 0.8 * ink * box)[..., None]
        elif decoy == "number":
            at = (int(rng.uniform(0.1, 0.6) * columns), int(rng.choice([0.16, 0.94]) * rows))
            written = np.zeros(s.shape, np.uint8)
            cv2.putText(written, f"K {rng.integers(10, 99)}", at, cv2.FONT_HERSHEY_SIMPLEX, px_per_mm * 0.2, 255, 2)
            ink = cast(Floats, cv2.GaussianBlur(written.astype(np.float32) / 255, (0, 0), 0.06 * px_per_mm))
            picture = picture * (1 - 0.9 * np.clip(ink, 0, 1) * box)[..., None]
        elif decoy in ("spatter", "dots"):
            for _ in range(rng.integers(3, 9)):
                spot, radius = (rng.uniform(0, columns), rng.uniform(0, rows)), rng.uniform(0.2, 0.5) * px_per_mm
                cv2.circle(ink, (int(spot[0]), int(spot[1])), max(1, round(radius)), 1.0, -1, cv2.LINE_AA)
            lit = cv2.GaussianBlur(np.roll(ink, (-1, -1), (0, 1)), (0, 0), 1.0)
            picture = picture * (1 - 0.8 * ink * box + (0.9 * lit * box if decoy == "spatter" else 0))[..., None]
        elif decoy == "toe_line" and scene.bead is not None:
            # A dark line along one toe that is no groove: soot, or the tint's own edge.
            line = Fault("undercut", scene.bead.length_mm / 2, 1.0, 0.3 * scene.bead.length_mm)
            beyond, ends = along_toe(scene.bead, line, s, n)
            picture = picture * (1 - 0.7 * np.exp(-(((beyond - 0.2) / 0.25) ** 2)) * ends)[..., None]
        elif decoy == "clamp_shadow":
            edge = rng.uniform(0.15, 0.85) * float(np.ptp(s)) + float(s.min())
            dark = 1 / (1 + np.exp(-rng.choice([-1.0, 1.0]) * (s + 0.4 * n - edge) / 1.2))
            picture = picture * (1 - rng.uniform(0.25, 0.5) * dark)[..., None]
    return picture
