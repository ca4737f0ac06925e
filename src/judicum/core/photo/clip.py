"""A short film panned along the bead, put together on the card's plane into one picture: sharp where any view was sharp, glare that
wanders from view to view taken out by the median. What comes of it is measured like a photo taken straight from above."""

import tempfile
from collections.abc import Iterator, Set
from dataclasses import dataclass, field
from pathlib import Path

import cv2
import numpy as np

from judicum.core.arrays import Flags, Floats, Pixels
from judicum.core.errors import UnreadablePicture, said
from judicum.core.photo.decode import decode
from judicum.core.photo.picture import Picture
from judicum.core.photo.picture_file import is_clip
from judicum.core.photo.regions import Region, card_regions
from judicum.core.photo.scale import Scale, card_geometry, find_card
from judicum.core.photo.sharpness import blur_mm
from judicum.core.photo.unwrap import Line, read_grid

MAX_SECONDS = 20.0
"""s of film that are looked at: a pan takes five."""
LOOKED_AT = 48
"""Views of a film that are looked at, evenly over it: ten a second of a pan."""
KEPT = 12
"""Of them the views that are put together: more take longer and see nothing more."""
VIEWS = 5
"""Sharpest views at each place: enough for a median that one glare does not move."""
DENSITY = 16.0
"""Pixels a millimetre of what comes of it: what a phone shows from 15 cm; finer would only be larger."""
MARGIN_MM = 2.0
"""mm around the card, and around where a bead may lie, that are shown."""
BAND_MM = 10.0
"""mm along the card for which views are chosen."""
SAME_LIGHT = (40, 215)
"""Values of a picture, 0 to 255, between which views tell how much brighter one is than another."""
ROWS = 64
"""Rows of the planes that are put together at a time."""
MIN_SHARE = 0.2
"""Of the card that a view shows at least to be of use."""


@dataclass(frozen=True)
class View:
    """One frame of a film, by its number, with its card found: how blurred it is (mm), and which share of each of the card's bands it
    shows."""

    number: int
    scale: Scale
    blur_mm: float
    bands: Floats = field(repr=False)


def decode_photo(data: bytes) -> Pixels:
    """The pixels of a photo (`decode`), or of what is put together of a film. Raises UnreadablePicture."""
    return composite(data) if is_clip(data) else decode(data)


def composite(data: bytes) -> Pixels:
    """The picture of a film: the card's plane from straight above, DENSITY pixels a millimetre.

    Returns:
        uint8 (rows, columns, 3).

    Raises:
        UnreadablePicture: no film that can be decoded, or no view of it shows a card.
    """
    views = sorted(_views(data), key=lambda view: view.blur_mm)
    if not views:
        raise UnreadablePicture(said("refused-film-without-card"))
    kind = views[0].scale.kind
    chosen = _chosen([view for view in views if view.scale.kind == kind])
    card = Region(np.zeros(2), np.array(card_geometry()[kind]["size"], float))
    box = Region.around([card, *card_regions(kind)], MARGIN_MM)
    spans = (box.low[0], box.high[0]), (box.low[1], box.high[1])
    line = Line(np.zeros(2), np.array([1.0, 0.0]))
    # The film is run through twice: all of its frames at once may take gigabytes.
    frames = dict(_frames(data, {view.number for view in chosen}))
    planes = [read_grid(Picture(frames.pop(view.number)), view.scale, line, *spans, DENSITY) for view in chosen]
    return _median(_in_one_light(planes))


def _views(data: bytes) -> Iterator[View]:
    """Frames of a film on which a card is found."""
    for number, frame in _frames(data):
        scale = find_card(Picture(frame))
        if scale is None:
            continue
        bands = _bands(scale, frame.shape[:2])
        blur = blur_mm(frame, scale)
        if blur is not None and bands.mean() >= MIN_SHARE:
            yield View(number, scale, blur, bands)


def _frames(data: bytes, wanted: Set[int] | None = None) -> Iterator[tuple[int, Pixels]]:
    """Frames of a film by number, upright: the wanted ones, or LOOKED_AT evenly over it. Raises UnreadablePicture: no film."""
    with tempfile.NamedTemporaryFile(suffix=".mp4") as file:
        Path(file.name).write_bytes(data)
        film = cv2.VideoCapture(file.name)
        try:
            count = int(film.get(cv2.CAP_PROP_FRAME_COUNT))
            rate = film.get(cv2.CAP_PROP_FPS) or 30.0
            if not film.isOpened() or count < 1:
                raise UnreadablePicture(said("refused-no-film"))
            last = min(count, round(MAX_SECONDS * rate))
            some = np.linspace(0, last - 1, min(last, LOOKED_AT)).round().astype(int).tolist()
            for number in range(last):
                if not film.grab():
                    return
                if number in (some if wanted is None else wanted):
                    found, frame = film.retrieve()
                    if found:
                        yield number, np.asarray(frame, np.uint8)
        finally:
            film.release()


def _bands(scale: Scale, size: tuple[int, int]) -> Floats:
    """Share of each band along the card, from its near to its far edge, that lies in a frame of a size (rows, columns)."""
    wide, tall = card_geometry()[scale.kind]["size"]
    x, y = np.meshgrid(np.arange(BAND_MM / 2, wide, BAND_MM), np.linspace(0, tall, 23))
    px = scale.px(np.stack([x, y], -1))
    inside = ((px >= 0) & (px <= np.array(size[::-1]) - 1)).all(-1)
    return np.asarray(inside.mean(0))


def _chosen(views: list[View]) -> list[View]:
    """Views, sharpest first, of which every band that any shows is shown by VIEWS where there are so many; KEPT at most."""
    shown = np.zeros(len(views[0].bands))
    most = np.max([view.bands for view in views], axis=0)
    chosen: list[View] = []
    for view in views:
        adds = (view.bands >= 0.9 * most) & (view.bands > 0) & (shown < VIEWS)
        if adds.any() and len(chosen) < KEPT:
            chosen.append(view)
            shown += view.bands >= 0.9 * most
    return chosen or views[:1]


def _in_one_light(planes: list[Pixels]) -> list[Pixels]:
    """Planes as bright, channel by channel, as the first, where both show the same."""
    small = [plane[::8, ::8].astype(np.float32) for plane in planes]
    first, low, high = small[0], *SAME_LIGHT
    found = []
    for plane, seen in zip(planes, small, strict=True):
        both = ((seen > low) & (seen < high) & (first > low) & (first < high)).all(-1)
        gain = np.median(first[both] / seen[both], axis=0) if both.sum() > 100 else np.ones(3)
        found.append(np.asarray(cv2.multiply(plane, np.append(gain, 1.0)), np.uint8))
    return found


def _median(planes: list[Pixels]) -> Pixels:
    """At each place the median, channel by channel, of the first VIEWS planes that show it; black where none does."""
    out = np.zeros_like(planes[0])
    for top in range(0, len(out), ROWS):
        rows = np.stack([plane[top : top + ROWS] for plane in planes])
        seen: Flags = rows[..., 1] > 0
        counts: Flags = np.asarray(seen & (seen.cumsum(0, dtype=np.uint8) <= VIEWS))
        # What does not count sorts behind all that does.
        ranked = np.sort(np.where(counts[..., None], rows, 255), axis=0)
        middle = np.maximum(counts.sum(0) - 1, 0) // 2
        found = np.take_along_axis(ranked, middle[None, ..., None], 0)[0]
        out[top : top + ROWS] = np.where(np.asarray(counts.any(0))[..., None], found, 0)
    return out
