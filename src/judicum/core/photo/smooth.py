"""Smoothing along one axis by OpenCV, which is loaded already: scipy's, to the same digits, takes half a second to import, longer than a
photo takes to be measured."""

from typing import Any

import cv2
import numpy as np

from judicum.core.arrays import Floats

CUT = 4.0
"""Standard deviations at which the bell is cut off: a ten-thousandth of it lies beyond."""


def smoothed(values: Floats, sigma: float, axis: int = -1) -> Floats:
    """Values smoothed by a Gaussian bell of `sigma` samples along one axis, mirrored at the ends; an array of the same shape.

    >>> smoothed(np.array([0.0, 0.0, 1.0, 0.0, 0.0]), 0.5).round(2).tolist()
    [0.0, 0.11, 0.79, 0.11, 0.0]
    """
    reach = int(CUT * sigma + 0.5)
    bell = np.exp(-0.5 * (np.arange(-reach, reach + 1) / max(sigma, 1e-12)) ** 2)
    whole: Any = np.asarray(values, dtype=np.float64)
    rows = np.moveaxis(whole, axis, -1)
    flat = np.pad(rows.reshape(-1, rows.shape[-1]), ((0, 0), (reach, reach)), mode="symmetric")
    found = cv2.filter2D(flat, -1, (bell / bell.sum())[None, :])[:, reach : reach + rows.shape[-1]]
    return np.moveaxis(np.asarray(found).reshape(rows.shape), -1, axis)


def highest_near(values: Floats, size: int) -> Floats:
    """The highest of `size` (odd) neighbours of each value (n,), itself in their middle."""
    return np.asarray(cv2.dilate(np.asarray(values, dtype=np.float64)[None, :], np.ones((1, size), np.uint8)))[0]
