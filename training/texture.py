"""Noise, grain, scratches and lines: what any surface may be covered with."""

import cv2
import numpy as np

from judicum.core.arrays import Floats

Rng = np.random.Generator


def clouds(rng: Rng, shape: tuple[int, int], size_px: float) -> Floats:
    """Smooth noise (rows, columns) of mean 0 and deviation 1 with features about `size_px` across."""
    step = max(1.0, size_px / 2.5)
    small = rng.standard_normal((int(shape[0] / step) + 4, int(shape[1] / step) + 4)).astype(np.float32)
    soft = cv2.GaussianBlur(small, (0, 0), max(size_px / step / 2, 0.3))
    big = cv2.resize(soft, (shape[1], shape[0]), interpolation=cv2.INTER_CUBIC)
    return (big - big.mean()) / (big.std() + 1e-6)


def grain(rng: Rng, shape: tuple[int, int], px_per_mm: float, angle_deg: float) -> Floats:
    """Brushed or ground streaks in a direction, deviation 1."""
    side = int(np.hypot(*shape)) + 4
    thin = rng.uniform(0.06, 0.5) * px_per_mm
    long = rng.uniform(3.0, 40.0) * px_per_mm
    step = max(1.0, long / 4)
    noise = rng.standard_normal((int(side / max(thin, 1)) + 3, int(side / step) + 3)).astype(np.float32)
    streaks = cv2.resize(noise, (side, side), interpolation=cv2.INTER_CUBIC)
    turn = cv2.getRotationMatrix2D((side / 2, side / 2), -angle_deg, 1.0)
    turned = cv2.warpAffine(streaks, turn, (side, side), borderMode=cv2.BORDER_REFLECT)
    top, left = (side - shape[0]) // 2, (side - shape[1]) // 2
    cut = turned[top : top + shape[0], left : left + shape[1]]
    return cut / (cut.std() + 1e-6)


def strokes(rng: Rng, shape: tuple[int, int], px_per_mm: float, count: int, wide_mm: tuple[float, float]) -> Floats:
    """Lines, curves and letters drawn with a pen of random width: cover 0 to 1."""
    ink = np.zeros(shape, np.float32)
    for _ in range(count):
        points = [rng.uniform(0, [shape[1], shape[0]])]
        turn = rng.uniform(0, 2 * np.pi)
        for _ in range(int(rng.integers(1, 7))):
            turn += rng.normal(0, rng.choice([0.02, 0.4, 1.2]))
            points.append(points[-1] + rng.uniform(2, 22) * px_per_mm * np.array([np.cos(turn), np.sin(turn)]))
        wide = max(1, round(rng.uniform(*wide_mm) * px_per_mm))
        path = np.round(np.array(points) * 8).astype(np.int32).reshape(-1, 1, 2)
        cv2.polylines(ink, [path], False, float(rng.uniform(0.4, 1.0)), wide, cv2.LINE_AA, 3)
    return np.clip(ink, 0, 1)


def half_plane(rng: Rng, x: Floats, y: Floats, through: Floats, angle_rad: float, soft_mm: float) -> Floats:
    """1 on one side of a line through a point, 0 on the other."""
    off = (y - through[1]) * np.cos(angle_rad) - (x - through[0]) * np.sin(angle_rad)
    return 1 / (1 + np.exp(-np.clip(off / max(soft_mm, 0.02), -30, 30)))


def along_noise(rng: Rng, count: int, step_mm: float, scale_mm: float) -> Floats:
    """Smooth noise along a line, deviation about 1."""
    knots = max(4, int(count * step_mm / scale_mm) + 4)
    values = rng.standard_normal(knots)
    at = np.linspace(0, knots - 1, count)
    fine = cv2.resize(values.reshape(1, -1).astype(np.float32), (count, 1), interpolation=cv2.INTER_CUBIC)[0]
    return fine if len(at) == count else fine[:count]
