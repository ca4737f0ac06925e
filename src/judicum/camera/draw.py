"""Taking the photo: card and bench around the coupon, perspective, light, blur, noise, JPEG."""

from dataclasses import dataclass
from typing import Any

import cv2
import numpy as np

from judicum.camera.scene import Scene
from judicum.camera.surface import clouds, coupon_with_all
from judicum.camera.truth import truth
from judicum.core.arrays import Floats
from judicum.core.photo.film import srgb_to_linear
from judicum.core.photo.scale import card_geometry

BORDER_MM = 8.0
"""How far the coupon reaches past the card."""


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
    picture = cv2.warpPerspective(plane, from_plane, view.size, flags=cv2.INTER_AREA)
    cover = cv2.warpPerspective(np.ones(plane.shape[:2], np.float32), from_plane, view.size)[..., None]
    picture = picture * cover + _bench(scene) * (1 - cover)
    return Photo(_develop(scene, picture), truth(scene), to_px)


def _bench(scene: Scene) -> Floats:
    """The bench top around the coupon: a dark rubber mat with a woven grain."""
    rng = np.random.default_rng(scene.seed + 5)
    shape = scene.view.size[::-1]
    weave = cv2.GaussianBlur(rng.standard_normal(shape).astype(np.float32), (0, 0), 1.6)
    tone = 0.075 * np.exp(0.35 * clouds(rng, shape, shape[1] / 5) + 0.9 * weave)
    return (tone[..., None] * np.array([1.0, 0.97, 0.9])).astype(np.float32)


def _plane(scene: Scene, x: Floats, y: Floats, px_per_mm: float) -> Floats:
    rng = np.random.default_rng(scene.seed + 7)
    card = card_geometry()["strip" if scene.card == "strip" else "window"]
    width, height = card["size"]
    # Drawn also where a strip's coupon covers them: what chance gives afterwards stays the same.
    uneven, brushed = clouds(rng, x.shape, px_per_mm * 20), rng.standard_normal((x.shape[0], 1))
    on_card = (x > 0) & (x < width) & (y > 0) & (y < height) & (scene.card != "none")
    if scene.card == "strip":
        plane = coupon_with_all(scene, x, y, px_per_mm)
    else:
        streaks = 0.42 * np.exp(0.06 * uneven + 0.10 * brushed)
        plane = np.repeat(cv2.GaussianBlur(streaks.astype(np.float32), (0, 0), 1.0)[..., None], 3, axis=2)
        cut_x, cut_y = card["cut_out"]["at"]
        cut_w, cut_h = card["cut_out"]["size"]
        rows = np.flatnonzero((y[:, 0] > cut_y - 1) & (y[:, 0] < cut_y + cut_h + 1))
        columns = np.flatnonzero((x[0] > cut_x - 1) & (x[0] < cut_x + cut_w + 1))
        box = np.s_[rows[0] : rows[-1] + 1, columns[0] : columns[-1] + 1]
        plane[box] = coupon_with_all(scene, x[box], y[box], px_per_mm)
        on_card &= ~((x > cut_x) & (x < cut_x + cut_w) & (y > cut_y) & (y < cut_y + cut_h))
    # The card is half a millimetre thick and throws a soft shadow down and to the right.
    shadow = cv2.GaussianBlur(
        np.roll(on_card.astype(np.float32), (int(0.4 * px_per_mm), int(0.3 * px_per_mm)), (0, 1)),
        (0, 0),
        0.5 * px_per_mm,
    )
    plane *= (1 - 0.35 * shadow * ~on_card)[..., None]
    ink = printed(card, x, y) * (1 + 0.012 * clouds(rng, x.shape, px_per_mm * 4))
    plane[on_card] = ink[on_card][:, None]
    return plane


def printed(card: dict[str, Any], x: Floats, y: Floats) -> Floats:
    """Linear reflectance of the printed card: paper, markers, grey patches."""
    ink = np.full(x.shape, 0.86, np.float32)
    dictionary = cv2.aruco.getPredefinedDictionary(cv2.aruco.DICT_4X4_50)
    side = card["marker_size"]
    for marker in card["markers"]:
        bits = cv2.aruco.generateImageMarker(dictionary, marker["id"], 6)
        u, v = x - marker["at"][0], y - marker["at"][1]
        on = (u >= 0) & (u < side) & (v >= 0) & (v < side)
        cell = bits[np.clip(v[on] / side * 6, 0, 5).astype(int), np.clip(u[on] / side * 6, 0, 5).astype(int)]
        ink[on] = np.where(cell > 0, 0.86, 0.03)
    patches = card["grey_patches"]
    for (left, top), value in zip(patches["at"], patches["reflectance_srgb"], strict=True):
        on = (x >= left) & (x < left + patches["size"]) & (y >= top) & (y < top + patches["size"])
        ink[on] = float(srgb_to_linear(np.uint8(value)))
    return ink


def frame(scene: Scene) -> tuple[Floats, Floats]:
    """The box (mm, in the card frame) that the photo shows: the window card, or the strip with its side of the coupon."""
    if scene.card == "strip":
        width, height = card_geometry()["strip"]["size"]
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
    picture = picture * fade[..., None].astype(np.float32) * np.array(view.light[::-1], np.float32) * view.exposure
    picture = cv2.GaussianBlur(picture, (0, 0), max(view.blur_px, 0.3))
    picture = picture + view.noise * np.sqrt(np.clip(picture, 0.01, None)) * rng.standard_normal(picture.shape).astype(
        np.float32
    )
    told = (coded(np.clip(picture, 0, 1)) * 255 + 0.5).astype(np.uint8)
    ok, file = cv2.imencode(".jpg", told, [cv2.IMWRITE_JPEG_QUALITY, view.jpeg_quality])
    assert ok
    return file.tobytes()


def coded(light: Floats) -> Floats:
    """What a picture holds for linear light 0 to 1: the sRGB curve [src: iec-61966-2-1], 0 to 1."""
    return np.where(light <= 0.0031308, 12.92 * light, 1.055 * light ** (1 / 2.4) - 0.055)
