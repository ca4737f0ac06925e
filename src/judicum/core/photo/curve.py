"""A smooth curve through points that nowhere overshoots them: scipy's PchipInterpolator to the same digits, which takes half a second to
import, nearly as long as a photo takes to be measured."""

from dataclasses import dataclass

import numpy as np

from judicum.core.arrays import Floats


@dataclass(frozen=True)
class Curve:
    """Cubics between points (n,), with values (n, channels) and slopes there (n, channels)."""

    points: Floats
    values: Floats
    slopes: Floats

    @classmethod
    def through(cls, points: Floats, values: Floats) -> "Curve":
        """The curve through at least three points (n,), rising, with their values (n, channels) [src: fritsch-butland-1984].

        >>> Curve.through(np.array([0.0, 1.0, 2.0]), np.array([[0.0], [1.0], [1.0]])).at(np.array(1.5))
        array([1.])
        """
        step = np.diff(points)[:, None]
        pace = np.diff(values, axis=0) / step
        before, after = 2 * step[1:] + step[:-1], step[1:] + 2 * step[:-1]
        with np.errstate(divide="ignore", invalid="ignore"):
            mean = (before + after) / (before / pace[:-1] + after / pace[1:])
        inside = np.where(pace[:-1] * pace[1:] > 0, mean, 0.0)
        ends = [_end_slope(step[k], step[j], pace[k], pace[j]) for k, j in ((0, 1), (-1, -2))]
        return cls(points, values, np.concatenate([ends[:1], inside, ends[1:]]))

    def at(self, places: Floats) -> Floats:
        """Values (..., channels) at places (...) between the first point and the last."""
        k = np.clip(np.searchsorted(self.points, places, side="right") - 1, 0, len(self.points) - 2)
        step = (self.points[k + 1] - self.points[k])[..., None]
        t = (places - self.points[k])[..., None] / step
        rise = self.values[k + 1] - self.values[k]
        bend = step * (self.slopes[k] * (1 - t) ** 2 - self.slopes[k + 1] * t * (1 - t))
        return self.values[k] + t * (bend + rise * t * (3 - 2 * t))


def _end_slope(step: Floats, next_step: Floats, pace: Floats, next_pace: Floats) -> Floats:
    """Slope at an end, by its two nearest cubics, and none that would overshoot."""
    slope = ((2 * step + next_step) * pace - step * next_pace) / (step + next_step)
    steep = (pace * next_pace < 0) & (abs(slope) > 3 * abs(pace))
    return np.where(slope * pace <= 0, 0.0, np.where(steep, 3 * pace, slope))
