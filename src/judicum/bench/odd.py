"""Odd pictures: whatever is in one, it is measured or refused, and the next one follows.

Each is a card with something else where the bead should be, or a picture without a card whose scale is given. They judge
no figure: only that an answer comes, and that figures which are no figures (not a number, a width below nothing) never do.
"""

import os
from collections import Counter
from collections.abc import Callable, Iterator
from concurrent.futures import ProcessPoolExecutor
from dataclasses import dataclass
from functools import cache
from typing import cast

import cv2
import numpy as np

from judicum.bench.scenes import cases
from judicum.camera import take_photo
from judicum.core.arrays import Pixels
from judicum.core.photo.decode import decode
from judicum.core.photo.measure import measure_photo
from judicum.core.photo.picture import Picture
from judicum.core.photo.scale import GivenScale, Scale, card_geometry, find_card

SIZE = (1000, 700)
"""Width and height of an odd picture, pixels."""
MM_PER_PX = 0.12
"""What its scale is said to be: some 8 pixels a millimetre, just enough to be measured."""
QUALITY = 90
BEAD_PX = (12, 80)
"""Width of a crudely drawn bead, pixels: 1.4 to 10 mm."""

Draw = Callable[[np.random.Generator], Pixels]


def _flat(rng: np.random.Generator) -> Pixels:
    return np.full((SIZE[1], SIZE[0], 3), rng.integers(0, 256, 3), np.uint8)


def _black(rng: np.random.Generator) -> Pixels:
    return _flat(rng) * 0


def _noise(rng: np.random.Generator) -> Pixels:
    grain = rng.integers(0, 256, (SIZE[1], SIZE[0], 3)).astype(np.uint8)
    return cast(Pixels, cv2.GaussianBlur(grain, (0, 0), float(rng.uniform(0.5, 20))))


def _speckled(rng: np.random.Generator) -> Pixels:
    picture = _flat(rng)
    picture[rng.uniform(size=picture.shape[:2]) < rng.uniform(0.0001, 0.2)] = rng.integers(0, 256, 3)
    return picture


def _shaded(rng: np.random.Generator) -> Pixels:
    ends = rng.integers(0, 256, (4, 1, 1, 3)).astype(np.float32)
    corners = np.concatenate([np.concatenate([ends[0], ends[1]], 1), np.concatenate([ends[2], ends[3]], 1)], 0)
    return cv2.resize(corners, SIZE, interpolation=cv2.INTER_LINEAR).astype(np.uint8)


def _striped(rng: np.random.Generator) -> Pixels:
    x, y = np.meshgrid(np.arange(SIZE[0]), np.arange(SIZE[1]))
    turn = rng.uniform(0, np.pi)
    wave = np.sin((x * np.cos(turn) + y * np.sin(turn)) * 2 * np.pi / rng.uniform(3, 400))
    if rng.uniform() < 0.5:
        wave = np.sign(wave)
    tone = np.clip(128 + rng.uniform(5, 127) * wave, 0, 255).astype(np.uint8)
    return np.dstack([tone] * 3)


def _lined(rng: np.random.Generator) -> Pixels:
    picture = _flat(rng)
    for _ in range(int(rng.integers(1, 5))):
        ends = rng.integers(-100, 1100, (2, 2))
        cv2.line(picture, ends[0], ends[1], rng.integers(0, 256, 3).tolist(), int(rng.integers(1, 6)), cv2.LINE_AA)
    return picture


def _bead(picture: Pixels, rng: np.random.Generator, start: tuple[float, float], end: tuple[float, float]) -> None:
    """A crude bead: a thick line with darker arcs across it."""
    along = np.subtract(end, start)
    wide = int(rng.integers(*BEAD_PX))
    ends = np.round([start, end]).astype(int)
    tone = rng.integers(40, 220, 3)
    cv2.line(picture, ends[0], ends[1], tone.tolist(), wide, cv2.LINE_AA)
    every = rng.uniform(5, 30)
    turn = float(np.degrees(np.arctan2(along[1], along[0])))
    for place in np.arange(0, float(np.hypot(*along)), every):
        at = np.round(np.add(start, along * place / max(1.0, float(np.hypot(*along))))).astype(int)
        cv2.ellipse(picture, at.tolist(), (wide // 2, wide // 2), turn, -70, 70, (tone * 0.6).tolist(), 2, cv2.LINE_AA)


def _beads(rng: np.random.Generator) -> Pixels:
    picture = _flat(rng)
    for _ in range(int(rng.integers(1, 7))):
        start = rng.uniform(0, SIZE)
        turn, length = rng.uniform(0, 2 * np.pi), rng.choice([rng.uniform(1, 60), rng.uniform(60, 1500)])
        end = start + length * np.array([np.cos(turn), np.sin(turn)])
        _bead(picture, rng, tuple(start), tuple(end))
    return picture


def _at_the_edge(rng: np.random.Generator) -> Pixels:
    picture = _flat(rng)
    _bead(picture, rng, (0.0, float(rng.choice([0, SIZE[1]]))), (float(SIZE[0]), float(rng.choice([0, SIZE[1]]))))
    return picture


def _round(rng: np.random.Generator) -> Pixels:
    picture = _flat(rng)
    for _ in range(int(rng.integers(1, 12))):
        at, radius = rng.integers(0, SIZE).tolist(), int(rng.integers(2, 500))
        cv2.circle(
            picture, at, radius, rng.integers(0, 256, 3).tolist(), (-1, 2, 30)[int(rng.integers(3))], cv2.LINE_AA
        )
    return picture


KINDS: dict[str, Draw] = {
    "black": _black,
    "one colour": _flat,
    "noise": _noise,
    "specks": _speckled,
    "shading": _shaded,
    "stripes": _striped,
    "lines": _lined,
    "crude beads": _beads,
    "bead at the edge": _at_the_edge,
    "rounds": _round,
}


@cache
def _with_card() -> tuple[Pixels, Scale]:
    picture = decode(take_photo(next(case for case in cases(0.01) if case.kind == "plate").scene).jpeg)
    scale = find_card(Picture(picture))
    assert scale is not None
    return picture, scale


def in_the_window(odd: Pixels) -> Pixels:
    """A photo of a window card with an odd picture (rows, columns, 3) in its cut-out."""
    photo, scale = _with_card()
    cut = card_geometry()["window"]["cut_out"]
    low, size = np.array(cut["at"], float), np.array(cut["size"], float)
    corners = scale.px(low + size * np.array([[0, 0], [1, 0], [1, 1], [0, 1]])).astype(np.float32)
    rows, columns = odd.shape[:2]
    to_photo = cv2.getPerspectiveTransform(
        np.array([[0, 0], [columns, 0], [columns, rows], [0, rows]], np.float32), corners
    )
    whole = photo.shape[1], photo.shape[0]
    there = cv2.warpPerspective(np.full(odd.shape[:2], 255, np.uint8), to_photo, whole)
    found = photo.copy()
    found[there > 0] = cv2.warpPerspective(odd, to_photo, whole)[there > 0]
    return found


@dataclass(frozen=True)
class Odd:
    """One odd picture: the number it is drawn from, its kind, and whether it lies in a card's window."""

    number: int
    kind: str
    carded: bool

    def jpeg(self) -> bytes:
        """The picture file."""
        picture = KINDS[self.kind](np.random.default_rng([self.number, 7]))
        if self.carded:
            picture = in_the_window(picture)
        done, data = cv2.imencode(".jpg", picture[..., ::-1], [cv2.IMWRITE_JPEG_QUALITY, QUALITY])
        assert done
        return data.tobytes()


def odd_ones(count: int) -> Iterator[Odd]:
    """The first `count` odd pictures: every kind by turns, without and with a card."""
    names = list(KINDS)
    for number in range(count):
        yield Odd(number, names[number % len(names)], number // len(names) % 2 == 1)


def answer(odd: Odd) -> str:
    """What measuring gives: `measured`, a refusal's code, or what is wrong with the answer."""
    cv2.setNumThreads(1)
    given = None if odd.carded else GivenScale(MM_PER_PX)
    try:
        report = measure_photo(odd.jpeg(), given=given).report
    except Exception as error:  # what this looks for
        return f"ERROR {odd.number}: {type(error).__name__}: {error}"
    if report.refusal is not None:
        return report.refusal.code
    width = report.bead.width_mm if report.bead else None
    if width is None or not 0 < width.mean < np.inf or not 0 < width.uncertainty < np.inf:
        return f"ERROR {odd.number}: no width"
    return "measured"


def odd_table(count: int) -> str:
    """Measure `count` odd pictures on all cores and count the answers by kind, as Markdown."""
    ones = list(odd_ones(count))
    with ProcessPoolExecutor(os.cpu_count()) as pool:
        answers = list(pool.map(answer, ones, chunksize=8))
    lines = ["| what is in it | answers |", "|---|---|"]
    for kind in KINDS:
        counts = Counter(a for odd, a in zip(ones, answers, strict=True) if odd.kind == kind)
        lines.append(f"| {kind} | {', '.join(f'{code} {n}' for code, n in sorted(counts.items()))} |")
    return "\n".join(lines)
