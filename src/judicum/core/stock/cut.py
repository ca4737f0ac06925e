"""Cut lists: blanks laid on sheets and bars so that straight cuts from edge to edge part them, and the cuts in their order."""

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass, field
from itertools import product

import rectpack
from rectpack import guillotine

from judicum.core.errors import InvalidValue, refuse_all, said
from judicum.core.quantities import QUANTITIES

MAX_PIECES = 400
"""More blanks than a course welds in a term; laying them takes some seconds."""
ALGORITHMS = tuple(
    getattr(guillotine, f"Guillotine{fit}{split}")
    for fit, split in product(("Bssf", "Baf", "Blsf"), ("Las", "Sas", "Slas", "Llas", "Maxas", "Minas"))
)
"""Ways of choosing the free rectangle (best short side, area, long side) and of splitting the rest: all are tried."""
SORTS = (rectpack.SORT_AREA, rectpack.SORT_LSIDE, rectpack.SORT_SSIDE, rectpack.SORT_PERI)
EXACT = 100
"""Whole numbers to a millimetre that the packing reckons in: hundredths."""
MIN_MM = 0.01
"""mm. Nearer lines are one."""


@dataclass(frozen=True)
class Piece:
    """A blank to be cut: name, length and width in mm, how many."""

    name: str
    length_mm: float
    width_mm: float
    count: int = 1


@dataclass(frozen=True)
class Stock:
    """A sheet or bar there is: name, length and width in mm, how many."""

    name: str
    length_mm: float
    width_mm: float
    count: int


@dataclass(frozen=True)
class Laid:
    """A blank where it lies on its sheet: its lower left corner and its size as it lies, mm."""

    name: str
    x_mm: float
    y_mm: float
    length_mm: float
    width_mm: float


@dataclass(frozen=True)
class Cut:
    """A straight cut from edge to edge of what is left: across the length at `at_mm` from the left (`across`), or along it at
    `at_mm` from below; it goes from `start_mm` to `end_mm`."""

    across: bool
    at_mm: float
    start_mm: float
    end_mm: float


@dataclass(frozen=True)
class Sheet:
    """One sheet with its blanks, the cuts in their order, and the largest piece that is left of it (x, y, length, width)."""

    stock: str
    length_mm: float
    width_mm: float
    laid: tuple[Laid, ...]
    cuts: tuple[Cut, ...]
    left: tuple[float, float, float, float] | None

    @property
    def used_share(self) -> float:
        return sum(one.length_mm * one.width_mm for one in self.laid) / (self.length_mm * self.width_mm)


@dataclass(frozen=True)
class CutList:
    """Sheets in the order they are cut, and how many of which blanks found no room."""

    sheets: tuple[Sheet, ...]
    short: dict[str, int] = field(default_factory=dict)


def cut_list(pieces: Sequence[Piece], stocks: Sequence[Stock], kerf_mm: float, turns: bool = True) -> CutList:
    """Lay blanks on as few sheets as can be found, parted by straight cuts that each take `kerf_mm`.

    Args:
        turns: whether blanks may be turned; not where the grain is to run along all of them.

    Raises:
        InvalidValues: too many blanks, or a size or kerf outside what is cut here.
    """
    _check(pieces, stocks, kerf_mm)
    every = [piece for piece in pieces for _ in range(piece.count)]
    best: list[Sheet] | None = None
    for algorithm, sort in product(ALGORITHMS, SORTS):
        found = _lay(every, stocks, kerf_mm, turns, algorithm, sort)
        if found is None:
            continue
        if best is None or _worth(found) > _worth(best):
            best = found
    done = Counter(one.name for sheet in best or [] for one in sheet.laid)
    wanted: Counter[str] = Counter()
    for piece in pieces:
        wanted[piece.name] += piece.count
    return CutList(tuple(best or []), dict(wanted - done))


def _check(pieces: Sequence[Piece], stocks: Sequence[Stock], kerf_mm: float) -> None:
    length, width, kerf = (QUANTITIES[key] for key in ("blank_length_mm", "blank_width_mm", "kerf_mm"))
    problems = [] if kerf.low <= kerf_mm <= kerf.high else [InvalidValue("kerf_mm", kerf_mm, kerf.limits)]
    sizes = [(one.name, one.length_mm, one.width_mm) for one in pieces]
    for name, *sides in [*sizes, *((one.name, one.length_mm, one.width_mm) for one in stocks)]:
        for quantity, value in zip((length, width), sides, strict=True):
            if not quantity.low <= value <= quantity.high:
                problems.append(InvalidValue(f"{name}.{quantity.key}", value, quantity.limits))
    if (many := sum(piece.count for piece in pieces)) > MAX_PIECES:
        problems.append(InvalidValue("pieces", many, said("allowed-at-most-blanks-in-one-list", most=MAX_PIECES)))
    refuse_all(problems)


def _lay(
    every: Sequence[Piece], stocks: Sequence[Stock], kerf_mm: float, turns: bool, algorithm: object, sort: object
) -> list[Sheet] | None:
    """One way of laying them; None where straight cuts do not part it."""
    # A blank with its kerf on a sheet with one kerf more: between any two lies a cut, at the sheet's edge none.
    packer = rectpack.newPacker(
        mode=rectpack.PackingMode.Offline, pack_algo=algorithm, sort_algo=sort, rotation=turns,
        bin_algo=rectpack.PackingBin.BFF,
    )  # fmt: skip
    for k, piece in enumerate(every):
        packer.add_rect(*(round(EXACT * (side + kerf_mm)) for side in (piece.length_mm, piece.width_mm)), rid=k)
    for k, stock in enumerate(stocks):
        sides = (round(EXACT * (side + kerf_mm)) for side in (stock.length_mm, stock.width_mm))
        packer.add_bin(*sides, count=stock.count, bid=k)
    packer.pack()
    sheets = []
    for used in packer:
        stock = stocks[used.bid]
        laid = tuple(
            Laid(every[r.rid].name, r.x / EXACT, r.y / EXACT, r.width / EXACT - kerf_mm, r.height / EXACT - kerf_mm)
            for r in used
        )
        found = _part(list(laid), (0.0, 0.0, stock.length_mm, stock.width_mm), kerf_mm)
        if found is None:
            return None
        cuts, left = found
        largest = max(left, key=lambda one: one[2] * one[3], default=None)
        sheets.append(Sheet(stock.name, stock.length_mm, stock.width_mm, laid, tuple(cuts), largest))
    return sheets


def _worth(sheets: Sequence[Sheet]) -> tuple[float, ...]:
    """Blanks laid, then little of stock begun, then a large piece left on the last sheet, then few cuts."""
    return (
        sum(len(sheet.laid) for sheet in sheets),
        -sum(sheet.length_mm * sheet.width_mm for sheet in sheets),
        max((sheet.left[2] * sheet.left[3] for sheet in sheets if sheet.left), default=0.0),
        -sum(len(sheet.cuts) for sheet in sheets),
    )


Region = tuple[float, float, float, float]
"""x, y, length and width in mm."""


def _part(laid: list[Laid], region: Region, kerf_mm: float) -> tuple[list[Cut], list[Region]] | None:
    """The cuts, in order, that part a region into its blanks, and what is left over; None where no straight cut parts it."""
    if not laid:
        return [], [region]
    for across in (region[2] < region[3], region[2] >= region[3]):  # a short cut first
        for at in _lines(laid, region, across, kerf_mm):
            first = [one for one in laid if _far(one, across) <= at + MIN_MM]
            near, far = _split(region, across, at, kerf_mm)
            before, after = (
                _part(first, near, kerf_mm),
                _part([one for one in laid if one not in first], far, kerf_mm),
            )
            if before is not None and after is not None:
                start = region[1] if across else region[0]
                cut = Cut(across, at, start, start + (region[3] if across else region[2]))
                return [cut, *before[0], *after[0]], before[1] + after[1]
            return None  # what one cut cannot part, no other that goes through will
    return ([], []) if len(laid) == 1 else None


def _lines(laid: Sequence[Laid], region: Region, across: bool, kerf_mm: float) -> list[float]:
    """Where a straight cut passes beside every blank and takes something off, from the near side on."""
    end = region[0] + region[2] if across else region[1] + region[3]
    found = []
    for at in sorted({_far(one, across) for one in laid}):
        clear = at + kerf_mm - MIN_MM
        if at < end - MIN_MM and all(_far(one, across) <= at + MIN_MM or _near(one, across) >= clear for one in laid):
            found.append(at)
    return found


def _near(one: Laid, across: bool) -> float:
    return one.x_mm if across else one.y_mm


def _far(one: Laid, across: bool) -> float:
    return one.x_mm + one.length_mm if across else one.y_mm + one.width_mm


def _split(region: Region, across: bool, at: float, kerf_mm: float) -> tuple[Region, Region]:
    x, y, length, width = region
    if across:
        gone = min(at + kerf_mm, x + length)
        return (x, y, at - x, width), (gone, y, x + length - gone, width)
    gone = min(at + kerf_mm, y + width)
    return (x, y, length, at - y), (x, gone, length, y + width - gone)
