"""Torch angles from two lines that a person draws on a photo of the torch in place."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

from judicum.core.errors import InvalidValue, one_of, said

ANGLES = ("work", "travel")
MIN_LINE_PX = 40.0
HAND_PX = 3.0
"""How far off a person sets the end of a line, pixels of the photo (standard uncertainty)."""

Ends = Sequence[Sequence[float]]


@dataclass(frozen=True)
class TorchAngle:
    """An angle in degrees with its standard uncertainty from the drawing alone.

    The photo has to be taken square to both lines: with the camera turned by 20° an angle of 45°
    reads up to 2° wrong, which is not in the uncertainty.
    """

    angle_deg: float
    uncertainty_deg: float


def torch_angle(which: str, torch: Ends, reference: Ends) -> TorchAngle:
    """The work or travel angle between a torch and its work.

    Work angle: between the torch's axis and the plate, seen along the weld; 90° stands upright.
    Travel angle: how far the torch leans back from upright, seen from the side, positive where
    the arc points forward (push), negative where it is dragged.

        work = ∠(torch, plate);  travel = ∠(torch, direction of travel) − 90°

    Args:
        which: `work` or `travel`.
        torch: two points [x, y] in pixels, y down, from the electrode's tip up the torch.
        reference: two points from the joint along the plate, or in the direction of travel.

    Raises:
        InvalidValue: no such angle, points that are none, or a line shorter than 40 pixels.

    >>> round(torch_angle("work", [[0, 0], [100, -100]], [[0, 0], [200, 0]]).angle_deg, 6)
    45.0
    >>> round(torch_angle("travel", [[0, 0], [-17.6327, -100]], [[0, 0], [200, 0]]).angle_deg, 3)
    10.0
    """
    if which not in ANGLES:
        raise InvalidValue("which", which, one_of(ANGLES))
    (ax, ay), (bx, by) = _vector("torch", torch), _vector("reference", reference)
    between = math.degrees(abs(math.atan2(ax * by - ay * bx, ax * bx + ay * by)))
    turn = math.hypot(*(HAND_PX * math.sqrt(2) / math.hypot(*v) for v in ((ax, ay), (bx, by))))
    return TorchAngle(between if which == "work" else between - 90.0, math.degrees(turn))


def _vector(field: str, ends: Ends) -> tuple[float, float]:
    given = [list(p) for p in ends]
    good = len(given) == 2 and all(len(p) == 2 and all(math.isfinite(v) for v in p) for p in given)
    if not good:
        raise InvalidValue(field, given, said("allowed-two-points-x-y-in-pixels"))
    x, y = given[1][0] - given[0][0], given[1][1] - given[0][1]
    if math.hypot(x, y) < MIN_LINE_PX:
        raise InvalidValue(field, given, said("allowed-a-line-at-least-pixels-long", least=f"{MIN_LINE_PX:g}"))
    return x, y
