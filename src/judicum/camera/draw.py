"""Taking the photo: card and bench around the coupon, perspective, light, blur, noise, JPEG."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any, cast

import cv2
import numpy as np

from judicum.camera.scene import Scene
from judicum.camera.surface import clouds, coupon_with_all
from judicum.camera.truth import truth
from judicum.core.arrays import Floats, Whole
from judicum.core.photo.film import linear_to_srgb, srgb_to_linear
from judicum.core.photo.scale import card_geometry

BORDER_MM = 8.0
"""How far the coupon reaches past the card."""
STRIP_ROWS = 16
"""Of a picture that is developed at a time; what comes out is the same."""


@dataclass(frozen=True)
class Photo:
    """A drawn photo: the JPEG file, its truth (None without a bead) and card millimetres to pixels."""

    jpeg: bytes
    truth: dict[str, Any] | None
    to_px: Floats


def take_photo(scene: Scene) -> Photo:
    """Draw the scene: card and coupon on a bench, as the view sees it."""
    view = scene.view
    low, high = frame(scene)
    width, height = high - low
    px_per_mm = 1.15 * min(view.size[0] / (width + 14), view.size[1] / (height + 14))
    columns, rows = (int((v + 2 * BORDER_MM) * px_per_mm) for v in (width, height))
    x, y = np.meshgrid(
        (np.arange(columns) + 0.5) / px_per_mm - BORDER_MM + low[0],
        (np.arange(rows) + 0.5) / px_per_mm - BORDER_MM + low[1],
    )
    plane = _plane(scene, x.astype(np.float32), y.astype(np.float32), px_per_mm)
    to_px = _to_px(scene, low, high)
    at = 0.5 / px_per_mm - BORDER_MM
    from_plane = to_px @ np.array([[1 / px_per_mm, 0, at + low[0]], [0, 1 / px_per_mm, at + low[1]], [0, 0, 1]])
    picture = cast(Floats, cv2.warpPerspective(plane, from_plane, view.size, flags=cv2.INTER_AREA))
    cover = cv2.warpPerspective(np.ones(plane.shape[:2], np.float32), from_plane, view.size)[..., None]
    bare = np.flatnonzero(cover < 1)
    picture *= cover
    picture.reshape(-1, 3)[bare] += _bench(scene, bare) * (1 - cover.ravel()[bare, None])
    return Photo(_develop(scene, picture), truth(scene), to_px)


def _bench(scene: Scene, bare: Whole) -> Floats:
    """The bench top at some of the photo's pixels, counted along its rows, (pixels, 3): a dark rubber mat with a woven grain."""
    rng = np.random.default_rng(scene.seed + 5)
    shape = scene.view.size[::-1]
    weave = cv2.GaussianBlur(rng.standard_normal(shape).astype(np.float32), (0, 0), 1.6)
    tone = 0.075 * np.exp(0.35 * clouds(rng, shape, shape[1] / 5).ravel()[bare] + 0.9 * weave.ravel()[bare])
    return (tone[..., None] * np.array([1.0, 0.97, 0.9])).astype(np.float32)


def _plane(scene: Scene, x: Floats, y: Floats, px_per_mm: float) -> Floats:
    rng = np.random.default_rng(scene.seed + 7)
    card = card_geometry()[scene.card if scene.on_strip else "window"]
    width, height = card["size"]
    # Drawn also where a strip's coupon covers them: what chance gives afterwards stays the same.
    uneven, brushed = clouds(rng, x.shape, px_per_mm * 20), rng.standard_normal((x.shape[0], 1))
    on_card = (x > 0) & (x < width) & (y > 0) & (y < height) & (scene.card != "none")
    at, size = ([0.0, 0.0], [0.0, 0.0]) if scene.on_strip else (card["cut_out"][key] for key in ("at", "size"))
    on_card[_box(x, y, at, size)] = False
    # The card is half a millimetre thick and throws a soft shadow down and to the right.
    shadow = cv2.GaussianBlur(
        np.roll(on_card.astype(np.float32), (int(0.4 * px_per_mm), int(0.3 * px_per_mm)), (0, 1)),
        (0, 0),
        0.5 * px_per_mm,
    )
    shade = 1 - 0.35 * shadow * ~on_card
    ink = printed(card, x, y) * (1 + 0.012 * clouds(rng, x.shape, px_per_mm * 4))
    beside = cv2.GaussianBlur((0.42 * np.exp(0.06 * uneven + 0.10 * brushed)).astype(np.float32), (0, 0), 1.0)
    plane = cv2.cvtColor(np.where(on_card, ink, beside * shade), cv2.COLOR_GRAY2BGR)
    seen = np.s_[:, :] if scene.on_strip else _box(x, y, np.array(at) - 1, np.array(size) + 2)
    bare = coupon_with_all(scene, x[seen], y[seen], px_per_mm) * shade[seen][..., None]
    np.copyto(plane[seen], bare, where=~on_card[seen][..., None])
    return np.asarray(plane)


def _box(x: Floats, y: Floats, at: Sequence[float] | Floats, size: Sequence[float] | Floats) -> tuple[slice, slice]:
    """The part (rows, columns) of a grid of rows and columns at x, y that lies in a box: its corner and size, mm."""
    columns, rows = (
        slice(*np.searchsorted(axis, (low, low + far)))
        for axis, low, far in zip((x[0], y[:, 0]), at, size, strict=True)
    )
    return rows, columns


def printed(card: dict[str, Any], x: Floats, y: Floats) -> Floats:
    """Linear reflectance of the printed card: paper, markers, grey patches."""
    ink = np.full(x.shape, 0.86, np.float32)
    dictionary = cv2.aruco.getPredefinedDictionary(cv2.aruco.DICT_4X4_50)
    side = card["marker_size"]
    for marker in card["markers"]:
        bits = cv2.aruco.generateImageMarker(dictionary, marker["id"], 6)
        box = _box(x, y, marker["at"], (side, side))
        across, down = ((axis[box] - at) / side * 6 for axis, at in zip((x, y), marker["at"], strict=True))
        ink[box] = np.where(bits[np.clip(down, 0, 5).astype(int), np.clip(across, 0, 5).astype(int)] > 0, 0.86, 0.03)
    patches = card["grey_patches"]
    for at, value in zip(patches["at"], patches["reflectance_srgb"], strict=True):
        ink[_box(x, y, at, (patches["size"], patches["size"]))] = float(srgb_to_linear(np.uint8(value)))
    return ink


def frame(scene: Scene) -> tuple[Floats, Floats]:
    """The box (mm, in the card frame) that the photo shows: the window card, or the strip with its side of the coupon."""
    if scene.on_strip:
        width, height = card_geometry()[scene.card]["size"]
        below = scene.start_mm[1] > height
        return np.array([-3.0, 0.0 if below else -34.0]), np.array([width + 3.0, height + 34.0 if below else height])
    return np.zeros(2), np.array(card_geometry()["window"]["size"], float)


def hold(scene: Scene, low: Floats, high: Floats) -> tuple[Floats, float, float]:
    """How the camera is held: the rotation from the card's axes (x right, y down, z into it) to the camera's, how far the
    middle of the frame is, mm, and the focal length, pixels."""
    view = scene.view
    width, height = high - low
    focal = 0.8 * max(view.size)
    tilt, towards, turn = (np.radians(a) for a in (view.tilt_deg, view.tilt_towards_deg, view.turn_deg))
    axis = np.array([np.cos(towards), np.sin(towards), 0.0])
    lean = cv2.Rodrigues(axis * tilt)[0]
    roll = cv2.Rodrigues(np.array([0.0, 0.0, turn]))[0]
    rotation = np.asarray(roll @ lean)
    corners = np.array([[a - width / 2, b - height / 2, 0.0] for a in (0, width) for b in (0, height)]) @ rotation.T
    far = max(float((np.abs(corners[:, k]) * focal / (0.47 * view.size[k]) - corners[:, 2]).max()) for k in (0, 1))
    return rotation, far, focal


def _to_px(scene: Scene, low: Floats, high: Floats) -> Floats:
    """Card millimetres to pixels for a camera that looks at the middle of the frame from the given tilt."""
    view = scene.view
    rotation, far, focal = hold(scene, low, high)
    camera = np.array([[focal, 0, view.size[0] / 2 - 0.5], [0, focal, view.size[1] / 2 - 0.5], [0, 0, 1]])
    pose = np.column_stack(
        [rotation[:, 0], rotation[:, 1], rotation @ np.append(-(low + high) / 2, 0) + np.array([0, 0, far])]
    )
    return camera @ pose


def px_per_mm_on_bead(scene: Scene) -> float:
    """Pixels a millimetre in the middle of the frame, where the bead lies: the geometric mean of both directions."""
    low, high = frame(scene)
    to_px = _to_px(scene, low, high)
    middle = (low + high) / 2
    around = np.array([[middle + step for step in ([0, 0], [1, 0], [0, 1])]], np.float64)
    here, right, below = cv2.perspectiveTransform(around, to_px)[0]
    return float(np.sqrt(abs(np.linalg.det(np.stack([right - here, below - here])))))


def _develop(scene: Scene, picture: Floats) -> bytes:
    view = scene.view
    rng = np.random.default_rng(scene.seed + 13)
    fade = (
        1
        + 0.12 * np.linspace(-1, 1, picture.shape[1])[None, :] * np.cos(scene.seed)
        + 0.10 * np.linspace(-1, 1, picture.shape[0])[:, None] * np.sin(scene.seed)
    )
    picture = picture * fade[..., None].astype(np.float32)
    picture *= np.array(view.light[::-1], np.float32)
    picture *= view.exposure
    picture = cast(Floats, cv2.GaussianBlur(picture, (0, 0), max(view.blur_px, 0.3)))
    pixels = np.empty(picture.shape, np.uint8)
    # By strips of rows, which stay in the processor's cache: a fifth less time than the whole at once.
    for first in range(0, len(picture), STRIP_ROWS):
        strip = picture[first : first + STRIP_ROWS]
        grain = view.noise * np.sqrt(np.maximum(strip, 0.01)) * rng.standard_normal(strip.shape).astype(np.float32)
        pixels[first : first + STRIP_ROWS] = linear_to_srgb(np.clip(strip + grain, 0, 1)) * 255 + 0.5
    ok, file = cv2.imencode(".jpg", pixels, [cv2.IMWRITE_JPEG_QUALITY, view.jpeg_quality])
    assert ok
    return file.tobytes()
