"""Both ends of a bead, found by fitting rounded caps to the edge that closes its outline."""

from collections.abc import Callable
from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple

import cv2
import numpy as np

from judicum.core.arrays import Floats
from judicum.core.photo.band import FILM_WEIGHT, LINE_WEIGHT, SHADE_WEIGHT, Band, bare_metal
from judicum.core.photo.film import film_and_shade, linear_to_lab
from judicum.core.photo.locate import LAB_WEIGHT
from judicum.core.photo.toes import Toes
from judicum.core.photo.unwrap import length_of, read_at

INSIDE_MM, BEYOND_MM = 25.0, 18.0
"""How far inside and outside of the traced end the tip is looked for."""
INWARD = 0.06
"""What a millimetre inside of the traced end costs: there the toes were seen."""
CAP_LENGTHS = (0.7, 1.0, 1.35)
"""Lengths of the caps that are tried, as shares of half the width."""
COARSE_MM, STEP_MM = 0.3, 0.1
DIRECTIONS, FEW_DIRECTIONS = 19, 9
ASIDE = (-0.5, -0.2, 0.0, 0.2, 0.5)
"""Where a cap's middle may lie beside the centre that is drawn on from the bead, in half widths."""
MOST_SLOPE = 0.15
LEAST_NEAR_MM = 4.0
"""Least stretch to either side over which the toes beside an end are looked at."""
AROUND_MM = 2.5
"""How far beyond the toes the light is looked at."""
FLANK, FLANK_MM = 0.5, 2.5
"""Weight of the toes just behind the cap, and how much of them is looked at."""
BEYOND_USUAL = 0.3
"""What counts of an outline's sharpness beyond that of the toes."""
LIKENESS = 1.0
"""Weight of what lies on either side of the outline against how sharp the outline is."""
ACROSS_MM = (-0.5, -0.3, -0.12, 0.0, 0.12, 0.3, 0.5)
"""Distances outward from an outline at which it is read."""
MATCH, LEAST_MATCH = 0.6, -0.7
"""Weight of how far the light across the outline goes as it does across the toes, and the worst that counts."""


class Ends(NamedTuple):
    """Distance along the line (mm) of a bead's tips, and how clear they are: 2 and less is doubtful, 4 clear."""

    start_mm: float
    end_mm: float
    clear: float


def find_ends(band: Band, toes: Toes) -> Ends:
    """The tips of a bead.

    Method: half ellipses as wide as the bead near that end, of several lengths, are slid along
    the line. It counts how sharply the colour changes across the outline, whether it is face inside
    and zone outside as beside the toes nearby, and whether the light goes across it as it does across
    them, rim and all; so that neither a ripple front within the bead nor a contour of the tint outside
    is taken for the tip. Resolution 0.1 mm.
    """
    bare = bare_metal(band)
    band = band.within(float(np.abs([toes.left_mm, toes.right_mm]).max()) + AROUND_MM)
    light = cv2.GaussianBlur(band.linear, (0, 0), 0.08 * band.px_per_mm)
    film, shade = film_and_shade(light, bare)
    # Five channels: colour for the edge; film, and a little of the shade, for what is face and what is zone.
    views = linear_to_lab(light) * LAB_WEIGHT, np.dstack([0.3 * SHADE_WEIGHT * shade, FILM_WEIGHT * film])

    def tip(rough: float, way: float) -> tuple[float, float]:
        end = _End.near(band, views, toes, rough, way)
        if end is None:
            return rough, 0.0
        coarse = np.arange(-INSIDE_MM, BEYOND_MM, COARSE_MM)
        near = coarse[int((end.likely(coarse, FEW_DIRECTIONS) - INWARD * np.maximum(-coarse, 0)).argmax())]
        finely = near + np.arange(-COARSE_MM, COARSE_MM + STEP_MM / 2, STEP_MM)
        likely = end.likely(finely, DIRECTIONS)
        return float(rough + way * finely[int(likely.argmax())]), float(likely.max())

    (start, first), (end, last) = tip(toes.start_mm, -1.0), tip(toes.end_mm, 1.0)
    return Ends(start, end, (first + last) / 2)


@dataclass(frozen=True)
class _End:
    """One end of a bead: the traced end `rough`, `way` -1 at the start and 1 at the end, and its toes nearby.

    `left` and `right` (k,) are the toes at distances `beyond` (k,), counted outward from `rough`.
    """

    band: Band
    views: tuple[Floats, Floats]
    rough: float
    way: float
    beyond: Floats
    left: Floats
    right: Floats

    @classmethod
    def near(cls, band: Band, views: tuple[Floats, Floats], toes: Toes, rough: float, way: float) -> "_End | None":
        """The end at a traced one; None where too little of the bead is left beside it."""
        width = toes.width_mm
        inner = np.abs(toes.s_mm - (rough - way * 2.0 * width)) < max(1.2 * width, LEAST_NEAR_MM)
        inner &= toes.inside
        if inner.sum() < 4:
            return None
        beyond = way * (toes.s_mm[inner] - rough)
        return cls(band, views, rough, way, beyond, toes.left_mm[inner], toes.right_mm[inner])

    @cached_property
    def half(self) -> float:
        """Half the usual width."""
        return float(np.median(self.right - self.left)) / 2

    @cached_property
    def axis(self) -> tuple[float, float]:
        """Where the centre lies at the traced end, and how it slopes outward."""
        centre = (self.left + self.right) / 2
        slope = float(np.clip(np.polyfit(self.beyond, centre, 1)[0], -MOST_SLOPE, MOST_SLOPE))
        return float(np.median(centre - slope * self.beyond)), slope

    @cached_property
    def face(self) -> Floats:
        """Usual film and shade of the face."""
        across = (self.left + self.right) / 2 + np.linspace(-0.75, 0.75, 9)[:, None] * self.half
        return np.asarray(np.median(self.read(self.beyond[None], across), axis=(0, 1))[3:])

    @cached_property
    def zone(self) -> Floats:
        """Usual film and shade beside the toes."""
        away = np.linspace(0.35, 0.8, 5)[:, None]
        across = np.concatenate([self.left - away, self.right + away])
        return np.asarray(np.median(self.read(self.beyond[None], across), axis=(0, 1))[3:])

    @cached_property
    def toe(self) -> Floats:
        """The usual light across a toe: (ACROSS_MM, 5)."""
        seen = _across(lambda d: self.read(self.beyond[None], np.stack([self.left - d, self.right + d])))
        return np.asarray(np.median(seen, axis=2).mean(1))

    @cached_property
    def flanks(self) -> tuple[Floats, Floats]:
        """Distances outward at even steps, and how sharp the toes drawn on are there."""
        middle, slope = self.axis
        s = np.arange(-INSIDE_MM - FLANK_MM - 2 * self.half, BEYOND_MM, STEP_MM)
        side = np.array([-1.0, 1.0])[:, None]
        seen = _across(lambda d: self.read(s[None], middle + slope * s + side * (self.half + d)))
        return s, _edge(seen).mean(0)

    def read(self, beyond: Floats, n: Floats) -> Floats:
        """The five channels at distances beyond the traced end and across the line, both 2-D."""
        band = self.band
        columns = (self.rough + self.way * beyond - band.s_mm[0]) * band.px_per_mm
        rows = (n - band.n_mm[0]) * band.px_per_mm
        return np.concatenate([read_at(view, rows, columns) for view in self.views], axis=-1)

    def likely(self, tips: Floats, directions: int) -> Floats:
        """How likely the bead ends at each of some distances (even steps): the best cap's score."""
        angle = np.radians(np.linspace(-75, 75, directions))
        tip, length, aside, phi = np.meshgrid(
            tips, self.half * np.array(CAP_LENGTHS), self.half * np.array(ASIDE), angle, indexing="ij"
        )
        beyond = tip - length * (1 - np.cos(phi))
        middle, slope = self.axis
        across = middle + slope * beyond + aside + self.half * np.sin(phi)
        normal = np.stack([np.cos(phi) / length, np.sin(phi) / self.half], -1)
        normal /= np.linalg.norm(normal, axis=-1, keepdims=True)
        flat = (-1, directions)

        def ring(distance: float) -> Floats:
            return self.read(
                (beyond + distance * normal[..., 0]).reshape(flat), (across + distance * normal[..., 1]).reshape(flat)
            )

        seen = _across(ring)
        inside, outside = seen[0, ..., 3:], seen[-1, ..., 3:]
        like = _likeness(outside, self.zone, self.face) + _likeness(inside, self.face, self.zone)
        toes_behind = self._toes_behind((tip - length)[..., 0].ravel())
        usual = float(np.median(self.flanks[1][self.flanks[0] < 0]))
        # It is the same toe all around: an outline sharper than the toes beside it is a contour of the tint.
        sharp = _edge(seen).mean(-1)
        score = (
            np.where(sharp > usual, usual + BEYOND_USUAL * (sharp - usual), sharp)
            + FLANK * toes_behind
            + LIKENESS * like.mean(-1)
            + MATCH * _match(seen.mean(2), self.toe)
        )
        return np.asarray(score.reshape(len(tips), -1).max(1))

    def _toes_behind(self, caps: Floats) -> Floats:
        """How sharp the toes are just behind caps that begin at some distances.

        A contour of the tint beyond the tip has a cap but no toes behind it.
        """
        s, sharp = self.flanks
        reached = np.concatenate([[0.0], np.cumsum(sharp)])
        last = np.clip(np.round((caps - s[0]) / STEP_MM).astype(int), 0, s.size)
        first = np.maximum(last - round(FLANK_MM / STEP_MM), 0)
        return np.asarray((reached[last] - reached[first]) / np.maximum(last - first, 1))


def _across(at: Callable[[float], Floats]) -> Floats:
    """The five channels (distances, rows, columns, 5) across a line, read at ACROSS_MM outward from it."""
    return np.stack([at(d) for d in ACROSS_MM])


def _edge(seen: Floats) -> Floats:
    """How sharply the light changes across a line: (rows, columns) of `_across`."""
    inside, _, near_in, on, near_out, _, outside = seen
    line = np.clip((inside + outside)[..., 0] / 2 - on[..., 0], 0, 15)
    edge = np.zeros(line.shape)
    for part in (slice(0, 3), slice(3, 5)):
        sharp, lasting = length_of((near_out - near_in)[..., part]), length_of((outside - inside)[..., part])
        edge += np.log1p(np.sqrt(sharp * (lasting + 1.0)) + LINE_WEIGHT * line) / 2
    return edge


def _match(seen: Floats, usual: Floats) -> Floats:
    """Share of the change across the toes, `usual` (distances, 5), that outlines (distances, tips, 5) explain; 1 at best."""
    seen, usual = seen - seen.mean(0), usual - usual.mean(0)
    miss = ((seen - usual[:, None]) ** 2).sum((0, 2))
    return np.maximum(1 - miss / max(float((usual**2).sum()), 1e-9), LEAST_MATCH)


def _likeness(colour: Floats, wanted: Floats, other: Floats) -> Floats:
    """How much more a colour (rows, columns, channels) is like the one than like the other: -1 to 1."""
    to, fro = length_of(colour - wanted), length_of(colour - other)
    return (fro - to) / (fro + to + 4.0)
