"""Draws docs/examples/photos.jpg: photos that are measured, with their toes and fronts, and photos that are refused.

PYTHONPATH=src var/venv/bin/python docs/examples/draw.py
"""

from pathlib import Path

import cv2
import numpy as np

from judicum.bench.scenes import cases
from judicum.camera import take_photo
from judicum.core.arrays import Floats, Pixels
from judicum.core.photo.decode import decode
from judicum.core.photo.fault_kinds import FAULT_KINDS
from judicum.core.photo.measure import Measured, measure_photo

SHOWN = (
    "plate-04", "lap-03", "fillet-05", "tube-01", "smooth-05", "plate-07",
    "refusal-00", "refusal-01", "refusal-02", "refusal-03", "refusal-04", "refusal-05",
)  # fmt: skip
TILE = (480, 360)
COLUMNS = 3


def tile(jpeg: bytes) -> Pixels:
    """One photo with what was measured drawn in, and what came of it written below."""
    measured = measure_photo(jpeg)
    picture = decode(jpeg)
    small = cv2.resize(picture, TILE, interpolation=cv2.INTER_AREA)
    shrink = TILE[0] / picture.shape[1], TILE[1] / picture.shape[0]
    words = drawn_in(small, measured, np.array(shrink))
    below = np.full((34, TILE[0], 3), 255, np.uint8)
    cv2.putText(below, words, (6, 23), cv2.FONT_HERSHEY_SIMPLEX, 0.5, (30, 30, 30), 1, cv2.LINE_AA)
    return np.concatenate([small, below])


def drawn_in(small: Pixels, measured: Measured, shrink: Floats) -> str:
    """Draw the toes into a small copy; returns the words below it."""
    report = measured.report
    if measured.bead is None or report.bead is None:
        return f"refused: {report.refusal.code if report.refusal else ''}"
    for toe in (measured.bead.outline.left_mm, measured.bead.outline.right_mm):
        px = (measured.bead.scale.px(toe) * shrink).round().astype(np.int32)
        cv2.polylines(small, [px.reshape(-1, 1, 2)], False, (255, 0, 255), 1, cv2.LINE_AA)
    width, ripple = report.bead.width_mm, report.ripple
    pitch = f"pitch {ripple.pitch_mm:.2f}" if ripple else "no ripples"
    faults = ", ".join(FAULT_KINDS[f.kind].words for f in report.defects or ()) or "no faults"
    return f"{width.mean:.2f} +- {width.uncertainty:.2f} mm, {pitch}, {faults}"


def main() -> None:
    """Draw them all onto one sheet."""
    photos = {case.name.removesuffix(".jpg"): case.scene for case in cases() if case.name.removesuffix(".jpg") in SHOWN}
    tiles = [tile(take_photo(photos[name]).jpeg) for name in SHOWN]
    rows = [np.concatenate(tiles[k : k + COLUMNS], axis=1) for k in range(0, len(tiles), COLUMNS)]
    cv2.imwrite(str(Path(__file__).parent / "photos.jpg"), np.concatenate(rows), [cv2.IMWRITE_JPEG_QUALITY, 82])


if __name__ == "__main__":
    main()
