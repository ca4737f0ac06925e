"""Photos of scenes with light that is traced: real shapes, gloss, room light and depth of field.

Needs Mitsuba 3 (a development package) and the shared library of an LLVM newer than 15, which cannot tell the lesser of two
numbers (`libllvm19`; where several are there, DRJIT_LIBLLVM_PATH says which).
"""

import tempfile
from pathlib import Path
from typing import Any, cast

import cv2
import drjit
import mitsuba as mi
import numpy as np

from judicum.camera.draw import frame, hold, printed
from judicum.camera.scene import Scene, View
from judicum.core.arrays import Floats
from judicum.core.photo.film import linear_to_srgb
from judicum.core.photo.scale import card_geometry
from training.relief import PLATE_MM, Relief, as_seen, relief
from training.texture import Rng, clouds, grain

MESH_MM = 0.08
"""Between two vertices: four of them across the thinnest groove."""
TEXTURE_PX_PER_MM = 14.0
"""Somewhat finer than any picture shows."""
CARD_PX_PER_MM = 20.0
SAMPLES = 10
"""Paths a pixel: what noise is left is that of a phone."""
STRAY = 1.6
"""How much brighter than the middle of its neighbours a pixel may be."""
AROUND_MM = 6.0
"""How far past the cut-out, or past the strip's frame, the coupon is shaped."""


def trace(scene: Scene, truth: dict[str, Any] | None) -> tuple[bytes, dict[str, Any] | None]:
    """The JPEG file of a scene whose light is traced, and its truth as that camera sees it (`relief.as_seen`)."""
    mi.set_variant("llvm_ad_rgb")
    drjit.set_thread_count(1)  # photos are traced side by side
    rng = np.random.default_rng((scene.seed, 83))
    low, high = frame(scene)
    rotation, far, focal = hold(scene, low, high)
    middle = np.append((low + high) / 2, 0.0)
    eye = middle - rotation.T @ [0, 0, far]
    towards = mi.ScalarTransform4f().look_at(
        origin=eye.tolist(), target=middle.tolist(), up=(-rotation.T @ [0, 1, 0]).tolist()
    )
    sensor, room = _sensor(rng, scene.view, far, focal, towards), _room(rng)
    made = _relief(scene, low, high)
    below_mm = float(rng.uniform(0.1, 0.3))
    with tempfile.TemporaryDirectory() as folder:
        world = {
            "type": "scene",
            "integrator": {"type": "path", "max_depth": 4},
            "sensor": sensor,
            "room": room,
            "coupon": _coupon(made, _mesh(made, Path(folder) / "coupon.ply", below_mm)),
            "bench": _flat(np.array([[-400.0, -400.0], [600.0, 600.0]]), 0.3 + PLATE_MM, _bench(rng)),
            **_card(rng, scene),
        }
        light = np.array(mi.render(mi.load_dict(world), spp=SAMPLES, seed=scene.seed))
    jpeg = _develop(rng, scene.view, light[..., ::-1])
    return jpeg, None if truth is None else as_seen(truth, made, eye, below_mm)


def _sensor(rng: Rng, view: View, far: float, focal: float, towards: Any) -> dict[str, Any]:
    """A lens `far` mm from what it looks at; `focal` in pixels."""
    return {
        "type": "thinlens",
        "aperture_radius": float(rng.uniform(0.1, 1.2)),
        "focus_distance": far * float(rng.uniform(0.97, 1.03)),
        "fov": float(np.degrees(2 * np.arctan(view.size[0] / 2 / focal))),
        "fov_axis": "x",
        "to_world": towards,
        "film": {"type": "hdrfilm", "width": view.size[0], "height": view.size[1], "pixel_format": "rgb"},
    }


def _room(rng: Rng) -> dict[str, Any]:
    """A room around the bench: walls, windows, tubes, a lamp, all of any strength and warmth."""
    high, wide = 128, 256
    up = np.linspace(1, -1, high)[:, None]
    tone = rng.uniform(0.15, 0.6) * np.exp(rng.uniform(0, 0.8) * up + 0.3 * clouds(rng, (high, wide), 50))
    light = np.repeat(tone[..., None], 3, 2).astype(np.float32)
    for _ in range(int(rng.integers(1, 5))):
        warm = rng.uniform(-0.2, 0.6)
        colour = np.array([1.0, 1 - 0.25 * warm, 1 - 0.6 * warm])
        kind = rng.choice(["panel", "window", "tube", "bulb"])
        rows, columns = {"panel": (14, 26), "window": (30, 20), "tube": (3, 60), "bulb": (3, 4)}[kind]
        rows, columns = (max(2, int(k * np.exp(rng.normal(0, 0.3)))) for k in (rows, columns))
        row = int(rng.uniform(4, high // 2 - rows)) if kind != "window" else int(rng.uniform(20, 40))
        strength = rng.uniform(0.6, 2.5) * 1500 / (rows * columns) ** 0.9
        piece = np.zeros((high, wide), np.float32)
        piece[row : row + rows, :columns] = 1
        piece = np.roll(cv2.GaussianBlur(piece, (0, 0), rng.choice([0.5, 2.0])), int(rng.integers(0, wide)), 1)
        light += (strength * piece)[..., None] * colour.astype(np.float32)
    return {
        "type": "envmap",
        "bitmap": mi.Bitmap(light),
        "to_world": mi.ScalarTransform4f().rotate([0, 0, 1], float(rng.uniform(0, 360))).rotate([1, 0, 0], -90),
    }


def _map(values: Floats) -> dict[str, Any]:
    """A texture of linear values (rows, columns[, 3]): the first row at v = 0."""
    values = np.ascontiguousarray(values if values.ndim == 3 else values[..., None], np.float32)
    return {"type": "bitmap", "bitmap": mi.Bitmap(values), "raw": True, "wrap_mode": "clamp"}


def _relief(scene: Scene, low: Floats, high: Floats) -> Relief:
    """What is seen of the coupon: through the card's window, or all of the frame beside the strip."""
    if not scene.on_strip:
        hole = card_geometry()["window"]["cut_out"]
        low, high = np.array(hole["at"], float), np.add(hole["at"], hole["size"])
    return relief(scene, low - AROUND_MM, high + AROUND_MM, TEXTURE_PX_PER_MM)


def _coupon(made: Relief, mesh: Path) -> dict[str, Any]:
    metal = {
        "type": "blendbsdf",
        "weight": _map(np.clip(made.dull, 0, 1)),
        "mirroring": {
            "type": "roughconductor",
            "material": "none",
            "distribution": "ggx",
            "alpha": _map(np.clip(made.rough, 0.04, 0.8)),
            "specular_reflectance": _map(np.clip(made.tint, 0, 1)),
        },
        "scattering": {"type": "diffuse", "reflectance": _map(np.clip(made.stuff, 0, 1))},
    }
    return {
        "type": "ply",
        "filename": str(mesh),
        "bsdf": {
            "type": "mask",
            "opacity": _map(1 - made.open),
            "metal": {"type": "twosided", "rough": {"type": "bumpmap", "fine": _map(-made.fine), "metal": metal}},
        },
    }


def _mesh(made: Relief, path: Path, below_mm: float) -> Path:
    """The relief as a mesh `below_mm` under the card's top."""
    step = max(1, round(MESH_MM * made.px_per_mm))
    soft = cv2.GaussianBlur(made.height.astype(np.float32), (0, 0), step / 3)[::step, ::step]
    rows, columns = soft.shape
    row, column = np.meshgrid(np.arange(rows) * step, np.arange(columns) * step, indexing="ij")
    down, across = np.gradient(soft, step / made.px_per_mm)
    normals = np.stack([across, down, np.ones_like(soft)], -1)  # minus: z points into the plate
    normals /= -np.linalg.norm(normals, axis=-1, keepdims=True)
    places = np.stack([made.low[0] + column / made.px_per_mm, made.low[1] + row / made.px_per_mm, below_mm - soft], -1)
    textured = np.stack([(column + 0.5) / made.height.shape[1], (row + 0.5) / made.height.shape[0]], -1)
    corner = (np.arange(rows - 1)[:, None] * columns + np.arange(columns - 1)).ravel()
    faces = np.concatenate(
        [np.stack([corner, corner + columns, corner + 1], -1), np.stack([corner + 1, corner + columns, corner + columns + 1], -1)]
    )  # fmt: skip
    mesh = mi.Mesh("coupon", rows * columns, len(faces), has_vertex_normals=True, has_vertex_texcoords=True)
    held = mi.traverse(mesh)
    held["vertex_positions"] = places.reshape(-1).astype(np.float32)
    held["vertex_normals"] = normals.reshape(-1).astype(np.float32)
    held["vertex_texcoords"] = textured.reshape(-1).astype(np.float32)
    held["faces"] = faces.reshape(-1).astype(np.uint32)
    held.update()
    mesh.write_ply(str(path))
    return path


def _flat(box: Floats, z: float, bsdf: dict[str, Any]) -> dict[str, Any]:
    """A rectangle from box[0] to box[1] facing the camera; row 0 of its texture lies at box[0]."""
    middle, half = box.mean(0), (box[1] - box[0]) / 2
    place = mi.ScalarTransform4f().translate([*middle.tolist(), z]).scale([float(half[0]), float(half[1]), 1.0])
    return {"type": "rectangle", "to_world": place, "bsdf": {"type": "twosided", "bsdf": bsdf}}


def _card(rng: Rng, scene: Scene) -> dict[str, Any]:
    card = card_geometry()[scene.card]
    width, height = card["size"]
    x, y = np.meshgrid(
        (np.arange(int(width * CARD_PX_PER_MM)) + 0.5) / CARD_PX_PER_MM,
        (np.arange(int(height * CARD_PX_PER_MM)) + 0.5) / CARD_PX_PER_MM,
    )
    ink = printed(card, x, y) * (1 + rng.uniform(0, 0.03) * clouds(rng, x.shape, CARD_PX_PER_MM * 8))
    boxes = [(0.0, 0.0, width, height)]
    if "cut_out" in card:  # four strips of paper around it: shadow rays do not pass what is only masked
        (left, top), (wide, high) = card["cut_out"]["at"], card["cut_out"]["size"]
        right, below = left + wide, top + high
        boxes = [
            (0, 0, width, top), (0, below, width, height), (0, top, left, below), (right, top, width, below),
        ]  # fmt: skip
    pieces = {}
    for k, (x0, y0, x1, y1) in enumerate(boxes):
        a, b, c, d = (round(edge * CARD_PX_PER_MM) for edge in (x0, y0, x1, y1))
        paper = {"type": "diffuse", "reflectance": _map(np.repeat(ink[b:d, a:c, None], 3, 2))}
        pieces[f"card{k}"] = _flat(np.array([[x0, y0], [x1, y1]], float), 0.0, paper)
    return pieces


def _bench(rng: Rng) -> dict[str, Any]:
    shape = (600, 600)
    colour = np.exp(rng.uniform(-2.5, -0.7)) * np.array([1.0, rng.uniform(0.6, 1.0), rng.uniform(0.4, 1.0)])
    tone = np.exp(rng.uniform(0.05, 0.4) * grain(rng, shape, 0.6, 0.0) + 0.2 * clouds(rng, shape, 60))
    return {"type": "diffuse", "reflectance": _map(np.clip(colour * tone[..., None], 0, 0.9))}


def _develop(rng: Rng, view: View, light: Floats) -> bytes:
    """What the phone makes of the light: exposure by the bright parts, white balance, noise, sharpening, JPEG."""
    # A path that meets a lamp in a mirror by chance is no light that a phone sees.
    light = np.minimum(light.astype(np.float32), STRAY * cv2.medianBlur(light.astype(np.float32), 3))
    balance = light.mean((0, 1)).mean() / light.mean((0, 1))
    light = light * balance ** rng.uniform(0.3, 1.0)
    light = light / np.quantile(light.max(-1), 0.97) * rng.uniform(0.45, 0.95)
    light = cast(Floats, cv2.GaussianBlur(light.astype(np.float32), (0, 0), max(0.8 * view.blur_px, 0.35)))
    light = light + view.noise * np.sqrt(np.clip(light, 0.01, None)) * rng.standard_normal(light.shape)
    seen = linear_to_srgb(np.clip(light, 0, 1))
    if rng.random() < 0.7:
        seen = seen + rng.uniform(0.1, 0.7) * (seen - cv2.GaussianBlur(seen, (0, 0), rng.uniform(0.7, 1.5)))
    pixels = np.clip(seen * 255 + 0.5, 0, 255).astype(np.uint8)
    _, file = cv2.imencode(".jpg", pixels, [cv2.IMWRITE_JPEG_QUALITY, view.jpeg_quality])
    return file.tobytes()
