"""What lies on good beads and looks like a fault: shine, soot, scratches, shadows, silver ripples, a dark toe."""

import numpy as np

from judicum.core.arrays import Floats
from training.texture import Rng, clouds, half_plane, strokes

SHARE = 0.35
"""Of the beads so many have any."""


def decoys(
    rng: Rng, s: Floats, off: Floats, half: Floats, beyond: Floats, long: float, width: float, px_per_mm: float,
    colour: Floats,
) -> Floats:  # fmt: skip
    """The colour (rows, columns, 3) of a bead and what is around it with decoys of any kind by chance.

    Args:
        s, off, half, beyond: along the bead, from its middle, half its width there, past its toe, mm.
    """
    if rng.random() > SHARE:
        return colour
    shape = s.shape
    on_face = np.clip(0.5 - beyond * px_per_mm, 0, 1)

    def shade(log_light: Floats) -> None:
        nonlocal colour
        colour = colour * np.exp(log_light)[..., None]

    if rng.random() < 0.4:  # shine, drawn out along a ripple or round but soft; and soot, soft too
        for _ in range(int(rng.integers(1, 8))):
            size, drawn_out = rng.uniform(0.25, 1.6), np.exp(rng.uniform(0, 1.4))
            lean = rng.normal(np.pi / 2, 0.5)
            ds, dn = s - rng.uniform(0, long), off - rng.uniform(-0.45, 0.45) * width
            a, b = ds * np.cos(lean) + dn * np.sin(lean), dn * np.cos(lean) - ds * np.sin(lean)
            away = np.hypot(a / drawn_out, b) / (size / 2)
            hard = rng.choice([1.0, 1.5, 3.0]) if drawn_out > 2.2 else 1.0
            shade(on_face * rng.choice([-0.9, 0.5, 1.2]) * rng.uniform(0.4, 1.2) * np.exp(-(away ** (2 * hard))))
    if rng.random() < 0.25:  # soot or a wiped patch without an edge
        far = rng.uniform(1.0, 6.0)
        away = np.hypot(
            (s - rng.uniform(0, long)) / far, (off - rng.uniform(-0.5, 0.5) * width) / rng.uniform(0.6, far)
        )
        shade(rng.uniform(-1.0, 0.4) * np.exp(-(away**2) + 0.2 * clouds(rng, shape, px_per_mm)))
    if rng.random() < 0.25:  # scratches and brush marks over bead and plate
        ink = strokes(rng, shape, px_per_mm, int(rng.integers(1, 12)), (0.03, 0.2))
        shade(rng.uniform(-1.2, 0.8) * ink)
    if rng.random() < 0.3:  # a shadow over bead and plate
        at = np.array([rng.uniform(0, long), rng.uniform(-1, 1) * width])
        cast = half_plane(rng, s, off, at, rng.uniform(0, 2 * np.pi), rng.choice([0.05, 0.2, 1.0]))
        shade(rng.uniform(-1.0, -0.2) * cast)
    if rng.random() < 0.25:  # one toe dark from end to end: the plate's edge, a fillet's root, a lamp on the other side
        side, wide = rng.choice([-1.0, 1.0]), rng.choice([0.15, 0.4, 1.2]) * rng.uniform(0.6, 1.4)
        line = np.exp(-(((beyond - rng.uniform(-0.1, 0.3)) / wide) ** 2)) * (side * off > 0)
        shade(rng.uniform(-1.2, -0.2) * line)
    if rng.random() < 0.3:  # a stretch of silver ripples: fine bright and dark lines across the bead, not grains
        fine = clouds(rng, (1, shape[1] * 2), px_per_mm * rng.uniform(0.2, 0.5))[0]
        lines = np.interp(
            s + rng.uniform(0.1, 0.6) * off**2 / max(width, 1), np.linspace(s.min(), s.max(), len(fine)), fine
        )
        reach = np.exp(-(((s - rng.uniform(0, long)) / rng.uniform(2, 10)) ** 4))
        shade(on_face * reach * (rng.uniform(-0.2, 0.5) + rng.uniform(0.2, 0.7) * lines))
    return np.asarray(colour, np.float32)
