"""Drawing the faults of a bead into its picture, in linear light."""

import numpy as np

from judicum.camera.scene import Bead, Fault
from judicum.core.arrays import Floats


def with_faults(rng: np.random.Generator, picture: Floats, bead: Bead, s: Floats, n: Floats, inside: Floats) -> Floats:
    """The picture (rows, columns, 3) with every fault of the bead drawn; s and n in mm, `inside` 0 to 1."""
    if bead.grey:
        dull = picture.mean(-1, keepdims=True) * 0.42 * (1 + 0.25 * rng.standard_normal(s.shape))[..., None]
        picture = picture * (1 - inside[..., None]) + dull * inside[..., None]
    for fault in bead.faults:
        middle = float(np.interp(fault.s_mm, bead.s_mm, bead.centre_mm)) + fault.n_mm
        draw = DRAWN.get(fault.kind)
        if draw is not None:
            picture = draw(rng, picture, bead, fault, s - fault.s_mm, n - middle)
    return picture


def _laid(picture: Floats, cover: Floats, colour: Floats | float) -> Floats:
    """A colour laid over the picture where `cover` (0 to 1) says."""
    cover = np.clip(cover, 0, 1)[..., None]
    return picture * (1 - cover) + colour * cover


def _pore(rng: np.random.Generator, picture: Floats, bead: Bead, fault: Fault, ds: Floats, dn: Floats) -> Floats:
    away = np.hypot(ds, dn)
    rim = np.exp(-(((away - fault.size_mm / 2 - 0.06) / 0.07) ** 2)) * (0.5 - dn / np.maximum(away, 0.05) * 0.5)
    return _laid(picture * (1 + 0.5 * rim[..., None]), (fault.size_mm / 2 - away) / 0.08 + 0.5, 0.012)


def _crater(rng: np.random.Generator, picture: Floats, bead: Bead, fault: Fault, ds: Floats, dn: Floats) -> Floats:
    away = np.hypot(ds, dn) / (fault.size_mm / 2)
    slope = np.where(away < 1, away, 0) * (dn / np.maximum(np.hypot(ds, dn), 0.05))
    bowl = np.clip((1.05 - away) / 0.15, 0, 1)
    rim = np.exp(-(((away - 1) / 0.09) ** 2))
    shaded: Floats = picture * (1 - bowl * (0.35 - 0.5 * slope))[..., None] * (1 - 0.6 * rim)[..., None]
    if fault.pinhole:
        shaded = _laid(shaded, (0.28 - np.hypot(ds, dn)) / 0.08 + 0.5, 0.01)
    return shaded


def along_toe(bead: Bead, fault: Fault, s: Floats, n: Floats) -> tuple[Floats, Floats]:
    """Of what lies along one toe, at places s and n (mm): how far outside of that toe they are, mm, and how much of it is there, 0 to 1."""
    half = np.interp(s, bead.s_mm, bead.half_mm)
    centre = np.interp(s, bead.s_mm, bead.centre_mm)
    beyond = np.sign(fault.n_mm) * (n - centre) - half
    return beyond, np.clip((fault.size_mm / 2 - np.abs(s - fault.s_mm)) / 1.2, 0, 1)


def groove_profile(beyond: Floats) -> Floats:
    """Across an undercut: 1 where it is deepest."""
    return np.asarray(np.exp(-(((beyond - 0.18) / 0.24) ** 2)))


def _undercut(rng: np.random.Generator, picture: Floats, bead: Bead, fault: Fault, ds: Floats, dn: Floats) -> Floats:
    s = ds + fault.s_mm
    n = dn + float(np.interp(fault.s_mm, bead.s_mm, bead.centre_mm)) + fault.n_mm
    beyond, ends = along_toe(bead, fault, s, n)
    groove = groove_profile(beyond) * ends
    lip = np.exp(-(((beyond - 0.62) / 0.12) ** 2)) * ends
    return picture * (1 - 0.85 * groove)[..., None] * (1 + 0.25 * lip)[..., None]


def _burn_through(
    rng: np.random.Generator, picture: Floats, bead: Bead, fault: Fault, ds: Floats, dn: Floats
) -> Floats:
    angle = np.arctan2(dn, ds)
    ragged = 1 + 0.10 * np.sin(3 * angle + rng.uniform(0, 6)) + 0.06 * np.sin(7 * angle + rng.uniform(0, 6))
    away = np.hypot(ds, dn) / (fault.size_mm / 2 * ragged)
    rim = np.exp(-(((away - 1.12) / 0.09) ** 2))
    return _laid(picture * (1 + 0.6 * rim)[..., None], (1 - away) / 0.06 + 0.5, 0.008)


def _sugaring(rng: np.random.Generator, picture: Floats, bead: Bead, fault: Fault, ds: Floats, dn: Floats) -> Floats:
    ragged = 0.12 * rng.standard_normal(ds.shape)
    across = float(bead.half_mm.mean()) * 1.15
    cover = (1 - np.hypot(ds / (fault.size_mm / 2), dn / across) + ragged) / 0.1
    return _laid(picture, cover, 0.095 * np.exp(0.5 * rng.standard_normal(ds.shape))[..., None])


def _inclusion(rng: np.random.Generator, picture: Floats, bead: Bead, fault: Fault, ds: Floats, dn: Floats) -> Floats:
    turn = rng.uniform(0, np.pi)
    a, b = ds * np.cos(turn) + dn * np.sin(turn), dn * np.cos(turn) - ds * np.sin(turn)
    half = fault.size_mm / 2
    cover = np.minimum(half - np.abs(a), half * rng.uniform(0.5, 0.9) - np.abs(b)) / 0.04 + 0.5
    bright = rng.uniform() < 0.5
    colour = np.array([0.62, 0.6, 0.58]) if bright else np.array([0.10, 0.085, 0.075])
    return _laid(picture, cover, colour * (1 + 0.3 * np.sign(a))[..., None])


DRAWN = {
    "pore": _pore,
    "crater": _crater,
    "undercut": _undercut,
    "burn_through": _burn_through,
    "sugaring": _sugaring,
    "inclusion": _inclusion,
}
"""Gaps and bulges are in the outline itself (`scene.weld`)."""
