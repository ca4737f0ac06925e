"""The shape and stuff of a scene's coupon, as a path tracer needs them: height, metal, film, dirt and holes."""

from dataclasses import dataclass, replace
from typing import Any

import cv2
import numpy as np

from judicum.camera.scene import Bead, Fault, Scene
from judicum.camera.surface import bead_frame, lay, stripe, tinted
from judicum.core.arrays import Floats
from training.faults import splinter
from training.texture import Rng, clouds, grain, strokes

PLATE_MM = 1.5
"""Thickness of the coupon: what the light falls through in a hole."""
LINE_MM = 0.06
"""Half the width of a butt's line."""


@dataclass
class Relief:
    """Maps (rows, columns) over the plane, the first at `low` (mm on the card), `px_per_mm` apart.

    `height` and `fine` are mm over the plate, `fine` what is too fine for a mesh; `tint` (rows, columns, 3: red, green,
    blue) is what the metal mirrors, `rough` how blurred; `dull` is the share that scatters light, in the colour `stuff`;
    `open` is 1 where there is no metal.
    """

    low: Floats
    px_per_mm: float
    height: Floats
    fine: Floats
    tint: Floats
    rough: Floats
    dull: Floats
    stuff: Floats
    open: Floats

    def cover(self, share: Floats, *, stuff: Floats | float, dull: float, rough: float | None = None) -> None:
        """Another stuff over what is there, as far as `share` (0 to 1) says."""
        self.stuff += (stuff - self.stuff) * share[..., None]
        self.dull += (dull - self.dull) * share
        if rough is not None:
            self.rough += (rough - self.rough) * share


def relief(scene: Scene, low: Floats, high: Floats, px_per_mm: float) -> Relief:
    """The coupon from `low` to `high`, mm on the card."""
    rng = np.random.default_rng((scene.seed, 71))
    columns, rows = ((high - low) * px_per_mm).astype(int)
    x, y = np.meshgrid(low[0] + np.arange(columns) / px_per_mm, low[1] + np.arange(rows) / px_per_mm)
    s, n = bead_frame(scene, x, y)
    made = _plate(rng, scene, low, px_per_mm, s, n)
    if scene.bead is None:
        film = stripe(scene, n)
        _join(rng, made, scene, n, np.zeros_like(n), 1.0)
    else:
        bead = replace(
            scene.bead,
            crown_mm=float(rng.uniform(0.03, 0.22) * 2 * scene.bead.half_mm.mean()),
            flank=float(rng.uniform(0.8, 2.0)),
            ripple_mm=float(np.exp(rng.uniform(-3.5, -2.4))) if scene.bead.ripple_mm else 0.0,
            rise=float(np.exp(rng.uniform(-0.9, 0.4))),
            fall=float(np.exp(rng.uniform(1.4, 3.7))),
            film_ends_mm=float(rng.uniform(-0.16, 0.04)),
            film_soft_mm=float(np.exp(rng.uniform(-4.0, -2.4))),
        )
        laid = lay(rng, bead, s, n, px_per_mm)
        film = laid.film
        made.height += laid.height
        _join(rng, made, scene, n, laid.inside, float(bead.half_mm.mean()))
        skin = rng.choice([0.0005, 0.002, 0.005]) * clouds(rng, x.shape, px_per_mm * rng.uniform(0.12, 0.6))
        skin = skin - rng.uniform(0.0, 0.06) * laid.notch
        made.fine = made.fine * (1 - laid.inside) + skin * laid.inside
        made.rough += (float(np.exp(rng.uniform(-2.8, -1.4))) - made.rough) * laid.inside
    made.tint = tinted(film)[..., ::-1] * rng.uniform(0.9, 1.2)
    made.stuff = made.tint * np.float32(rng.uniform(0.4, 1.0))
    if scene.bead is not None:
        if bead.grey:
            _granular(rng, made, laid.inside, px_per_mm)
        for fault in bead.faults:
            if fault.kind in WROUGHT:
                middle = float(np.interp(fault.s_mm, bead.s_mm, bead.centre_mm)) + fault.n_mm
                at = _At(s - fault.s_mm, n - middle, laid.beyond, np.sign(fault.n_mm) * n > 0, laid.inside, px_per_mm)
                WROUGHT[fault.kind](rng, made, bead, fault, at)
    return made


OUTSIDE_MM = 0.15
"""A toe is as high as the metal so far outside of it."""


def as_seen(truth: dict[str, Any], made: Relief, eye: Floats, below_mm: float) -> dict[str, Any]:
    """A truth whose outline lies where a camera at `eye` (mm on the card, z into it) sees it through the card's plane.

    The lower sheet of a lap is a millimetre deeper than the card: seen aslant its toe moves by tenths. Width and
    centreline of `profile`, tips, length and the width's mean are told as they are seen.

    Args:
        truth: as `camera_set` tells it, with its `profile`. below_mm: how far the plate lies under the card's top.
    """

    def seen(places: Floats, at: Floats) -> Floats:
        """Where on the card's plane places (k, 2) appear, which are as high as those of `at`."""
        column, row = ((at - made.low) * made.px_per_mm).round().astype(int).T
        row, column = (np.clip(v, 0, most - 1) for v, most in zip((row, column), made.height.shape, strict=True))
        deep = (below_mm - made.height[row, column])[:, None]
        return np.asarray(eye[:2] + (places - eye[:2]) * eye[2] / (eye[2] - deep))

    profile, bead = truth["profile"], truth["bead"]
    centre, half = np.array(profile["centre_mm"]), np.array(profile["width_mm"])[:, None] / 2
    along = np.gradient(centre, axis=0)
    along /= np.linalg.norm(along, axis=1, keepdims=True)
    across = np.stack([-along[:, 1], along[:, 0]], 1)
    left, right = (
        seen(centre + side * half * across, centre + side * (half + OUTSIDE_MM) * across) for side in (-1, 1)
    )
    tips = np.array([bead["start_mm"], bead["end_mm"]])
    out = (tips[1] - tips[0]) / np.linalg.norm(tips[1] - tips[0])
    start, end = seen(tips, tips + OUTSIDE_MM * np.array([-out, out]))
    width = np.linalg.norm(right - left, axis=1)
    seen_profile = {**profile, "centre_mm": ((left + right) / 2).tolist(), "width_mm": width.tolist()}
    longer = float(np.linalg.norm(end - start) / np.linalg.norm(tips[1] - tips[0]))
    bead = {
        **bead, "start_mm": start.tolist(), "end_mm": end.tolist(), "length_mm": bead["length_mm"] * longer,
        "width_mm": {**bead["width_mm"], "mean": float(width.mean())},
    }  # fmt: skip
    return {**truth, "bead": bead, "profile": seen_profile}


def _plate(rng: Rng, scene: Scene, low: Floats, px_per_mm: float, s: Floats, n: Floats) -> Relief:
    """The bare plate: mill finish, brushed or ground, with scratches, ink and dirt."""
    shape = s.shape
    flat = np.zeros(shape, np.float32)
    fine = 0.0008 * clouds(rng, shape, px_per_mm * 0.3)
    finish = rng.choice(["mill", "brushed", "ground", "polished"])
    rough = {"mill": (0.25, 0.5), "brushed": (0.12, 0.35), "ground": (0.15, 0.4), "polished": (0.06, 0.15)}[finish]
    if finish == "brushed":
        fine = fine + np.exp(rng.uniform(-7.5, -5.5)) * grain(rng, shape, px_per_mm, scene.grain_deg)
    if finish == "ground":
        for _ in range(int(rng.integers(2, 6))):
            where = np.clip(clouds(rng, shape, px_per_mm * rng.uniform(8, 30)), 0, 1)
            fine = fine + where * np.exp(rng.uniform(-7, -5.5)) * grain(rng, shape, px_per_mm, rng.uniform(0, 180))
    fine = fine - 0.01 * strokes(rng, shape, px_per_mm, int(rng.integers(0, 6)), (0.05, 0.2))
    made = Relief(
        low, px_per_mm, flat.copy(), fine, np.zeros((*shape, 3), np.float32),
        np.full(shape, rng.uniform(*rough), np.float32) * np.exp(0.12 * clouds(rng, shape, px_per_mm * 10)),
        flat + rng.uniform(0.0, 0.35), np.zeros((*shape, 3), np.float32), flat.copy(),
    )  # fmt: skip
    if scene.joint == "tube":
        made.height -= (n**2 / (2 * rng.uniform(18, 40))).astype(np.float32)
    return made


def _join(rng: Rng, made: Relief, scene: Scene, n: Floats, inside: Floats, half_mm: float) -> None:
    """The line of a butt, or the step of a lap, which the bead bridges."""
    if scene.joint == "butt":
        made.height -= rng.uniform(0.05, 0.3) * np.exp(-((n / LINE_MM) ** 2)) * (1 - inside)
    elif scene.joint == "lap":
        lower = 1.0 if scene.start_mm[1] > 0 else -1.0  # the card lies on the upper sheet
        step = rng.uniform(0.8, 1.6)
        ramp = np.clip(0.5 + lower * n / (2 * half_mm), 0, 1)
        sharp = np.clip(0.5 + lower * n / LINE_MM, 0, 1)
        soft = cv2.GaussianBlur(inside, (0, 0), 0.1 * made.px_per_mm)
        made.height -= (step * (sharp + (ramp - sharp) * soft)).astype(np.float32)


def _granular(rng: Rng, made: Relief, share: Floats, px_per_mm: float) -> None:
    """Grey metal that grew rough: scattering, dark, in grains."""
    coarse = clouds(rng, share.shape, px_per_mm * rng.uniform(0.15, 0.4))
    made.height += rng.uniform(0.02, 0.08) * coarse * share
    tone = np.exp(rng.uniform(-2.6, -1.2) + 0.25 * coarse)
    made.cover(share, stuff=tone[..., None], dull=rng.uniform(0.75, 1.0), rough=0.5)


@dataclass
class _At:
    """Where a fault's places lie: along and across from its middle, past the toe (mm), on its side, on the face."""

    ds: Floats
    dn: Floats
    beyond: Floats
    aside: Floats
    inside: Floats
    px_per_mm: float

    @property
    def away(self) -> Floats:
        return np.hypot(self.ds, self.dn)


def _pore(rng: Rng, made: Relief, bead: Bead, fault: Fault, at: _At) -> None:
    radius = fault.size_mm / 2
    within = np.clip((radius - at.away) / 0.08 + 0.5, 0, 1)
    made.height -= rng.uniform(0.6, 1.6) * fault.size_mm * within
    made.height += rng.uniform(0.0, 0.06) * np.exp(-(((at.away - radius - 0.08) / 0.08) ** 2))
    made.cover(within, stuff=float(np.exp(rng.uniform(-4.5, -2.5))), dull=rng.uniform(0.5, 1.0))


def _crater(rng: Rng, made: Relief, bead: Bead, fault: Fault, at: _At) -> None:
    away = at.away / (fault.size_mm / 2)
    made.height -= rng.uniform(0.08, 0.2) * fault.size_mm * np.clip(1 - away**2, 0, 1) ** rng.uniform(0.5, 1.2)
    made.height += rng.uniform(0.0, 0.05) * np.exp(-(((away - 1) / 0.12) ** 2))
    rings = np.cos(np.pi * rng.uniform(3, 7) * away) * np.clip(1.05 - away, 0, 1)
    made.height += rng.choice([0.0, 0.01, 0.03]) * rings
    if fault.pinhole:
        pin = np.clip((0.25 - at.away) / 0.08 + 0.5, 0, 1)
        made.height -= 0.6 * pin
        made.cover(pin, stuff=0.02, dull=0.9)


def _undercut(rng: Rng, made: Relief, bead: Bead, fault: Fault, at: _At) -> None:
    ends = np.clip((fault.size_mm / 2 - np.abs(at.ds)) / rng.uniform(0.4, 1.2), 0, 1) * at.aside
    wide = rng.uniform(0.1, 0.3)
    groove = np.exp(-(((at.beyond - wide * 0.6) / wide) ** 2)) * ends
    made.height -= rng.uniform(0.12, 0.45) * groove * (1 + 0.15 * clouds(rng, groove.shape, at.px_per_mm))
    if rng.random() < 0.5:  # soot keeps to the groove
        made.cover(groove * rng.uniform(0.2, 0.8), stuff=0.05, dull=0.9)


def _burn_through(rng: Rng, made: Relief, bead: Bead, fault: Fault, at: _At) -> None:
    angle = np.arctan2(at.dn, at.ds)
    ragged = 1 + 0.1 * np.sin(3 * angle + rng.uniform(0, 6)) + 0.05 * np.sin(7 * angle + rng.uniform(0, 6))
    out = (at.away / ragged - fault.size_mm / 2) / 0.12  # the rim falls in over a tenth of a millimetre
    made.height -= PLATE_MM * np.clip(0.5 - out, 0, 1)
    made.height += rng.uniform(0.0, 0.15) * np.exp(-(((out - 1.5) / 1.0) ** 2))
    made.open = np.maximum(made.open, (out < -0.5).astype(np.float32))


def _sugaring(rng: Rng, made: Relief, bead: Bead, fault: Fault, at: _At) -> None:
    away = np.hypot(at.ds / (fault.size_mm / 2), at.dn / (float(bead.half_mm.mean()) * 1.15))
    away = away + 0.08 * clouds(rng, away.shape, at.px_per_mm * 0.5)
    share = np.clip((1 - away) / 0.1, 0, 1) * np.maximum(at.inside, rng.choice([0.0, 1.0]))
    _granular(rng, made, share.astype(np.float32), at.px_per_mm)


def _inclusion(rng: Rng, made: Relief, bead: Bead, fault: Fault, at: _At) -> None:
    within = np.clip((1 - splinter(rng, at.ds, at.dn) / (fault.size_mm / 2)) * fault.size_mm / 0.1, 0, 1)
    made.height += rng.uniform(-0.05, 0.12) * within
    if rng.random() < 0.5:  # a piece of tungsten mirrors
        made.tint += (rng.uniform(0.3, 0.8) - made.tint) * within[..., None]
        made.cover(within, stuff=0.4, dull=rng.uniform(0.0, 0.3), rough=rng.uniform(0.1, 0.4))
    else:  # slag or oxide: dark, brown or glassy
        tone = np.exp(rng.uniform(-3.5, -1.0)) * np.array([1.0, rng.uniform(0.6, 1.0), rng.uniform(0.4, 1.0)])
        made.cover(within, stuff=tone, dull=rng.uniform(0.6, 1.0), rough=0.15)


WROUGHT = {
    "pore": _pore,
    "crater": _crater,
    "undercut": _undercut,
    "burn_through": _burn_through,
    "sugaring": _sugaring,
    "inclusion": _inclusion,
}
"""Gaps and bulges are in the outline itself (`camera.scene.weld`)."""
