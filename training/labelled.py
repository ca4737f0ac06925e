"""Pictures whose truth is known (`truth.json` beside them, keys of `./judicum measure`), cut for teaching.

A picture is read on the card plane once, with its labels; every crop of it is turned, stretched, and lit anew.
"""

import json
import tempfile
import zipfile
from collections.abc import Iterator, Sequence
from contextlib import contextmanager
from dataclasses import dataclass
from functools import cached_property
from pathlib import Path
from typing import Any, cast

import cv2
import numpy as np

from judicum.core.arrays import Floats, Pixels, Whole
from judicum.core.photo.decode import decode
from judicum.core.photo.film import srgb_to_linear
from judicum.core.photo.picture import Picture
from judicum.core.photo.scale import find_card
from judicum.core.photo.unwrap import Line, read_grid
from training.decoys import decoys
from training.faults import faults
from training.labels import CRATER, EXTRAS, FACE, FRONT, GRANULAR, GROOVE, HOLE, PORE, SPECK, TINTED
from training.light import as_picture, half_sharp
from training.texture import Rng, clouds

UNTOLD = 255
"""Label of a place about which the truth says nothing."""
TOP = 254
"""What an extra of 1 is kept as."""
FINER = 1.25
"""A plane is read so much finer than its crops, which turn and stretch it."""
AROUND_MM = 14.0
"""What is read around a bead and past its tips."""
AT_FAULTS = 0.5
"""Share of the crops that are cut around a fault, where a picture has any."""
AROUND_SHARE = 0.2
"""How far from a place of the bead a crop's middle lies, as a share of the crop: standard deviation."""
CAP_RIM_MM = 0.5
"""The rounded ends are told by their length only: so near to their outline is untold."""
TIP_SHARE = 0.12
"""Share of the width to either side of the centreline over which an end is as good as straight."""
GRAFTS = ("pore", "inclusion", "burn_through")
ALONG_DEG = 15.0
"""Crops turned by less than this have the bead along their columns."""
MIN_COLUMNS = 40
GROOVE_HALF_MM = 0.22
"""Half of what is called groove across one: the truth tells where its middle lies, not how wide it is."""
PLACES = {"pore": PORE, "inclusion": SPECK, "crater": CRATER}
MORE_FAULTS = 0.5
"""Share of the crops on whose bead faults are drawn by chance: few labelled pictures have any."""
GRAFTED = 0.3
"""Share of the crops into which a spot is set that was cut out of another picture."""
RIM = 1.5
"""What is cut out around a spot, in its radii: its rim, and what it fades into its new place over."""
PARTS = {"all": (0, 1, 2, 3), "odd": (1, 3), "even": (0, 2), "1of4": (1,), "3of4": (3,)}
"""Which pictures of a folder are read: by the remainder of their number, divided by four."""


@dataclass(frozen=True)
class Spot:
    """A round fault in a plane: its middle, radius (px) and kind."""

    row: float
    column: float
    radius: float
    kind: str


@dataclass
class Labelled:
    """A plane (rows, columns, 3) at `px_per_mm`, its surfaces (rows, columns) and extras (EXTRAS, rows, columns), with
    UNTOLD where nothing is known; the bead lies along the columns."""

    plane: Pixels
    surface: Pixels
    extras: Pixels
    px_per_mm: float
    spots: tuple[Spot, ...] = ()

    @cached_property
    def faults(self) -> Whole:
        """Places (row, column) of faults, some of each."""
        marked = (self.surface == GRANULAR) | (self.surface == HOLE) | (self.extras == TOP).any(0)
        return np.argwhere(marked[::2, ::2]) * 2

    def crop(
        self,
        rng: Rng,
        shape: tuple[int, int],
        px_per_mm: float,
        most_turn_deg: float,
        others: Sequence["Labelled"] = (),
    ) -> tuple[Pixels, Pixels, Pixels]:
        """A piece of `shape` around a place of the bead, turned within `most_turn_deg`, in another light.

        Where the bead lies along it, faults are drawn on it by chance, or spots set into it out of `others`.
        """
        rows, columns = shape
        # Half of the crops show where the bead is, the rest anything.
        known: Whole = np.argwhere(self.surface[::7, ::7] == FACE) * 7
        faults = self.faults
        if len(faults) and rng.random() < AT_FAULTS:
            known = faults
        high, wide = self.surface.shape
        at: Floats = known[rng.integers(len(known))] if len(known) else rng.uniform(0, (high, wide))
        spread = np.array([columns, rows]) * AROUND_SHARE / px_per_mm * self.px_per_mm
        at = at[::-1] + rng.normal(0.0, spread)
        zoom = px_per_mm / self.px_per_mm * float(np.exp(rng.normal(0, 0.12)))
        turn = cv2.getRotationMatrix2D(tuple(map(float, at)), float(rng.uniform(-most_turn_deg, most_turn_deg)), zoom)
        turn[:, 2] = turn[:, 2] + np.array([columns / 2, rows / 2]) - at
        size = (columns, rows)

        def cut(values: Pixels, how: int, rim: int) -> Pixels:
            return np.asarray(cv2.warpAffine(values, turn, size, flags=how, borderValue=(rim, rim, rim, rim)))

        picture = cut(self.plane, cv2.INTER_LINEAR, 0)
        surface = cut(self.surface, cv2.INTER_NEAREST, UNTOLD)
        extras = np.stack([cut(e, cv2.INTER_NEAREST, UNTOLD) for e in self.extras])
        if most_turn_deg < ALONG_DEG:
            if rng.random() < MORE_FAULTS:
                picture = with_faults(rng, picture, surface, extras, px_per_mm)
            elif (spotted := [one for one in others if one.spots]) and rng.random() < GRAFTED / (1 - MORE_FAULTS):
                picture = grafted(rng, picture, surface, extras, spotted[int(rng.integers(len(spotted)))], zoom)
        return relit(rng, picture), surface, extras


def with_faults(rng: Rng, picture: Pixels, surface: Pixels, extras: Pixels, px_per_mm: float) -> Pixels:
    """Faults, and what looks like them, drawn on the bead of a crop, along whose columns it lies."""
    solid = surface == FACE
    columns = np.flatnonzero(solid.sum(0) > 4)
    if len(columns) < MIN_COLUMNS:
        return picture
    rows = np.arange(len(surface))[:, None] + np.zeros_like(surface, np.float32)
    high = np.maximum(solid.sum(0), 1)
    middle = np.interp(np.arange(surface.shape[1]), columns, ((rows * solid).sum(0) / high)[columns])
    half = np.interp(np.arange(surface.shape[1]), columns, high[columns] / 2) / px_per_mm
    off = (rows - cv2.GaussianBlur(middle[None], (0, 0), 6.0)).astype(np.float32) / px_per_mm
    s = np.broadcast_to((np.arange(surface.shape[1]) - columns[0]) / px_per_mm, surface.shape)
    far = [cv2.distanceTransform(np.ascontiguousarray(part, np.uint8), cv2.DIST_L2, 3) for part in (~solid, solid)]
    drawn = np.zeros(extras.shape, np.float32)
    frame = s, off, np.broadcast_to(half, surface.shape), (far[0] - far[1]) / px_per_mm
    long, width = float(columns[-1] - columns[0]) / px_per_mm, 2 * float(np.median(half))
    gloss, light = np.zeros(surface.shape, np.float32), srgb_to_linear(picture)
    light = decoys(rng, *frame, long, width, px_per_mm, light)
    colour, _ = faults(rng, *frame, solid, long, width, px_per_mm, light, gloss, surface, drawn)
    drawn[FRONT] = 0
    extras[drawn > 0.5] = TOP
    return as_picture(cast(Floats, cv2.GaussianBlur(colour.astype(np.float32), (0, 0), rng.uniform(0.3, 0.9))))


def grafted(rng: Rng, picture: Pixels, surface: Pixels, extras: Pixels, donor: Labelled, zoom: float) -> Pixels:
    """A spot of another picture set into the face, as bright against what is around it as it was there."""
    spot = donor.spots[int(rng.integers(len(donor.spots)))]
    radius = spot.radius * zoom * float(np.exp(rng.normal(0, 0.2)))
    inside = cv2.distanceTransform(np.asarray(surface == FACE, np.uint8), cv2.DIST_L2, 3)
    places = np.argwhere(inside > (0.6 if spot.kind == "burn_through" else 1.1) * radius)
    if not len(places):
        return picture
    row, column = places[rng.integers(len(places))]
    turn = cv2.getRotationMatrix2D((spot.column, spot.row), float(rng.uniform(0, 360)), radius / spot.radius)
    shift: Floats = np.array([column - spot.column, row - spot.row], float)
    turn[:, 2] = turn[:, 2] + shift
    size = (surface.shape[1], surface.shape[0])
    moved = cv2.warpAffine(
        srgb_to_linear(donor.plane), turn, size, flags=cv2.INTER_LINEAR, borderMode=cv2.BORDER_REFLECT
    )
    rows, columns = np.ogrid[: size[1], : size[0]]
    away = np.hypot(rows - row, columns - column) / radius
    ring = (away > 1.2) & (away < 1.2 + RIM)
    here = srgb_to_linear(picture)
    moved = moved * (np.median(here[ring], axis=0) / np.maximum(np.median(moved[ring], axis=0), 1e-3))
    cover = np.clip((RIM - away) / (RIM - 1.15), 0, 1)[..., None]
    near, within = (away >= 1) & (away < 1 + 2 / radius), away < 1
    if spot.kind == "burn_through":
        surface[within] = HOLE
        surface[near] = UNTOLD
    else:
        extras[PLACES[spot.kind]][within] = TOP
        extras[PLACES[spot.kind]][near] = UNTOLD
    return as_picture(here * (1 - cover) + moved * cover)


def relit(rng: Rng, picture: Pixels) -> Pixels:
    """The same in another light, sharper or softer, with more noise."""
    seen: Floats = picture.astype(np.float32)
    if rng.random() < 0.3:
        soft = cast(Floats, cv2.GaussianBlur(seen, (0, 0), rng.uniform(0.4, 1.2)))
        seen = soft if rng.random() < 0.6 else 2 * seen - soft
    elif rng.random() < 0.2:  # the lens does not see all of it sharp
        seen = half_sharp(rng, seen, rng.uniform(1.0, 2.0))
    if rng.random() < 0.4:  # light that falls unevenly
        fall = np.exp(rng.uniform(0.05, 0.3) * clouds(rng, seen.shape[:2], rng.uniform(40, 200)))
        seen *= fall[..., None].astype(np.float32)
    if rng.random() < 0.3:
        grey = seen.mean(-1, keepdims=True)
        seen = grey + (seen - grey) * np.float32(rng.uniform(0.4, 1.5))
    if rng.random() < 0.3:
        seen = 255 * (np.clip(seen, 0, 255) / 255) ** np.float32(np.exp(rng.normal(0, 0.25)))
    seen *= np.exp(rng.normal(0, 0.08, 3)).astype(np.float32)
    seen = (seen - 128) * np.float32(np.exp(rng.normal(0, 0.12))) + 128 + np.float32(rng.normal(0, 8))
    seen += rng.normal(0, rng.uniform(0, 5), seen.shape).astype(np.float32)
    return np.clip(seen, 0, 255).astype(np.uint8)


@dataclass
class Straight:
    """A plane with the toes of its bead (rows of the plane) at each of its columns from `first` on, the fronts as such
    columns counted from there, and a `heat` under 0 where nothing is told of fronts."""

    plane: Pixels
    first: int
    left: Floats
    right: Floats
    fronts: Floats
    heat: Floats
    px_per_mm: float


@dataclass
class _Seen:
    """A picture read on the card plane along its bead; without truth and centreline where it shows none."""

    plane: Pixels
    spans: tuple[tuple[float, float], tuple[float, float]]
    line: Line
    truth: dict[str, Any] | None
    centre: Floats | None


def read_labelled(folder: Path, px_per_mm: float, which: str) -> Iterator[Labelled]:
    """Every picture of a folder that can be learnt from, read FINER than `px_per_mm`.

    Args:
        which: a name of PARTS.
    """
    density = px_per_mm * FINER
    for seen in _read(folder, density, which):
        labels = _labels(seen.plane.shape[:2], seen.spans, density, seen.line, seen.truth, seen.centre)
        yield Labelled(seen.plane, *labels, density, _spots(seen, density))


def read_straight(folder: Path, px_per_mm: float, which: str) -> Iterator[Straight]:
    """The beads of a folder with their toes and fronts."""
    density = px_per_mm * FINER
    for seen in _read(folder, density, which):
        if seen.truth is None or seen.centre is None:
            continue
        frame = _frame(seen.plane.shape[:2], seen.spans, density, seen.line, seen.truth, seen.centre)
        inside = np.flatnonzero((frame.s > 0) & (frame.s < frame.length))
        middle = (frame.middle[inside] - seen.spans[1][0]) * density
        half = frame.width[inside] / 2 * density
        ripple = seen.truth["ripple"]
        s = frame.s[inside]
        heat = np.zeros(len(inside))
        if ripple is not None:
            blind = (s < frame.mean / 2) | (s > frame.length - frame.mean / 2)
            for a, b in ripple.get("ignore_mm", []):
                blind |= (s > a) & (s < b)
            heat[blind] = -1.0
        fronts = np.interp(ripple["positions_mm"], s, np.arange(len(s))) if ripple else np.zeros(0)
        yield Straight(seen.plane, int(inside[0]), middle - half, middle + half, fronts, heat, density)


def entries_of(folder: Path, which: str) -> list[dict[str, Any]]:
    """What `truth.json` tells of a folder's pictures of a part of PARTS."""
    entries = json.loads((folder / "truth.json").read_text())
    return [one for one in entries if int("".join(c for c in one["name"] if c.isdigit()) or 0) % 4 in PARTS[which]]


@contextmanager
def unpacked(source: Path) -> Iterator[Path]:
    """A folder of pictures with their truth, out of the zip that `./judicum export labels` writes where it is one."""
    if not zipfile.is_zipfile(source):
        yield source
        return
    with tempfile.TemporaryDirectory() as folder:
        with zipfile.ZipFile(source) as archive:
            archive.extractall(folder)
        yield Path(folder)


def _read(source: Path, density: float, which: str) -> Iterator[_Seen]:
    with unpacked(source) as folder:
        yield from _read_folder(folder, density, which)


def _read_folder(folder: Path, density: float, which: str) -> Iterator[_Seen]:
    for entry in entries_of(folder, which):
        if entry["must_refuse"] not in (None, "no_bead"):
            continue
        picture = Picture(decode((folder / entry["name"]).read_bytes()))
        scale = find_card(picture)
        if scale is None:
            continue
        truth = entry["truth"] if entry["must_refuse"] is None else None
        centre = None if truth is None else _centre(truth)
        if centre is None:
            first, last = np.array([25.0, 55.0]), np.array([145.0, 55.0])
            if scale.kind == "strip":
                first, last = np.array([10.0, 42.0]), np.array([90.0, 42.0])
        else:
            first, last = centre[0], centre[-1]
        along = (last - first) / np.linalg.norm(last - first)
        line = Line(first, along)
        long = float(np.linalg.norm(last - first))
        off = 0.0 if centre is None else float(np.abs((centre - first) @ line.across).max())
        half = off + AROUND_MM + 6
        spans = (-AROUND_MM, long + AROUND_MM), (-half, half)
        yield _Seen(read_grid(picture, scale, line, *spans, density), spans, line, truth, centre)


def _centre(truth: dict[str, Any]) -> Floats:
    """Points (k, 2) of the centreline from tip to tip, mm."""
    bead = truth["bead"]
    middle = truth.get("profile", {}).get("centre_mm", [])
    return np.array([bead["start_mm"], *[p for p in middle if p is not None], bead["end_mm"]], float)


@dataclass
class _Frame:
    """The bead's frame on a plane: `s` and `middle` (mm across) at each column, `off` the centreline at each place, width."""

    s: Floats
    middle: Floats
    off: Floats
    width: Floats
    length: float
    mean: float


def _frame(
    shape: tuple[int, ...], spans: tuple[tuple[float, float], tuple[float, float]], density: float, line: Line,
    truth: dict[str, Any], centre: Floats,
) -> _Frame:  # fmt: skip
    x = spans[0][0] + np.arange(shape[1]) / density
    y = (spans[1][0] + np.arange(shape[0]) / density)[:, None]
    at = (centre - line.origin) @ line.along, (centre - line.origin) @ line.across
    arc = np.concatenate([[0], np.cumsum(np.linalg.norm(np.diff(centre, axis=0), axis=1))])
    length, mean = truth["bead"]["length_mm"], truth["bead"]["width_mm"]["mean"]
    s = np.interp(x, at[0], arc) * length / arc[-1]
    s = np.where(x < at[0][0], x - at[0][0], np.where(x > at[0][-1], length + x - at[0][-1], s))
    middle = np.interp(x, at[0], at[1])
    off = (y - middle) / np.sqrt(1 + np.gradient(middle, x) ** 2)
    profile = truth["profile"]
    width = np.interp(s, profile["s_mm"], [0.0 if w is None else w for w in profile["width_mm"]])
    return _Frame(s, middle, off, width, length, mean)


def _spots(seen: _Seen, density: float) -> tuple[Spot, ...]:
    """The round faults of a picture that can be set into another."""
    if seen.truth is None or seen.centre is None:
        return ()
    frame = _frame(seen.plane.shape[:2], seen.spans, density, seen.line, seen.truth, seen.centre)
    found = []
    for fault in seen.truth["defects"]:
        if fault["kind"] in GRAFTS:
            column = int(np.abs(frame.s - fault["s_mm"]).argmin())
            row = int(np.abs(frame.off[:, column] - fault["n_mm"]).argmin())
            found.append(Spot(row, column, fault["size_mm"] / 2 * density, fault["kind"]))
    return tuple(found)


def _labels(
    shape: tuple[int, ...], spans: tuple[tuple[float, float], tuple[float, float]], density: float, line: Line,
    truth: dict[str, Any] | None, centre: Floats | None,
) -> tuple[Pixels, Pixels]:  # fmt: skip
    surface = np.zeros(shape, np.uint8)
    extras = np.zeros((EXTRAS, *shape), np.uint8)
    if truth is None or centre is None:
        return surface, extras
    frame = _frame(shape, spans, density, line, truth, centre)
    s, off, width, length, mean = frame.s, frame.off, frame.width, frame.length, frame.mean
    from_tip = np.minimum(s, length - s)
    cap = np.clip(1 - from_tip / (mean / 2), 0, 1)
    half = width / 2 * np.sqrt(np.clip(1 - cap**2, 0, 1))
    face = (np.abs(off) < half) & (from_tip > 0)
    tint = truth["tint"]["width_mm"]
    reach = np.where(off < 0, tint["left"] or 0.0, tint["right"] or 0.0)
    along = (from_tip > -1.0)[None, :]
    surface[(np.abs(off) < width / 2 + 0.7 * reach) & along] = TINTED
    if truth["tint"]["haz"]["level"] < 1:
        surface[surface == TINTED] = 0
    surface[face] = FACE
    # Where a tip lies on the centreline is told, but not how the end is rounded.
    rim = (cap > 0) & (from_tip > -CAP_RIM_MM) & (np.abs(np.abs(off) - half) < CAP_RIM_MM + 0.3 * cap * mean)
    inner = (np.abs(off) < half - CAP_RIM_MM) & (from_tip > CAP_RIM_MM)
    middle = np.abs(off) < TIP_SHARE * width
    surface[rim & ~inner & ~middle & (np.abs(off) < width / 2 + CAP_RIM_MM)] = UNTOLD
    surface[middle & ~face & rim] = TINTED
    surface[middle & (from_tip > 0)] = FACE
    for fault in truth["defects"]:
        _fault(surface, extras, fault, s, off, half, face)
    return surface, extras


def _fault(
    surface: Pixels, extras: Pixels, fault: dict[str, Any], s: Floats, off: Floats, half: Floats, face: Any
) -> None:
    kind, size = fault["kind"], fault["size_mm"]
    away = np.hypot(s - fault["s_mm"], off - fault["n_mm"]) / (size / 2)
    first, last = fault.get("stretch_mm") or (0.0, 0.0)
    within = (s > first) & (s < last)
    if kind in PLACES:
        extras[PLACES[kind]][away < 1] = TOP
        rim = (away >= 1) & (away < 1 + 0.3 / size)
        extras[PLACES[kind]][rim] = UNTOLD
    elif kind == "burn_through":
        surface[away < 1] = HOLE
        rim = np.abs(away - 1) < 0.25 / size
        surface[rim] = UNTOLD
    elif kind == "sugaring":
        patch = within[None, :] & face
        surface[patch] = UNTOLD
        surface[patch & (np.abs(off) < 0.6 * half)] = GRANULAR
    elif kind == "undercut":
        side = np.sign(fault["n_mm"])
        # A strip of sheet may have stayed between toe and groove.
        off_groove = side * off - np.abs(fault["n_mm"])
        groove = within[None, :] & (np.abs(off_groove) < GROOVE_HALF_MM)
        extras[GROOVE][groove] = TOP
        extras[GROOVE][within[None, :] & (np.abs(off_groove) < 3 * GROOVE_HALF_MM) & ~groove] = UNTOLD
    elif kind == "gap":
        wide = (s > first - 0.7) & (s < last + 0.7)
        surface[wide[None, :] & (np.abs(off) < np.maximum(half, 0.4) + 0.8) & ~face] = UNTOLD
