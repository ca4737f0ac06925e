"""Metals of practice coupons, their fillers, and the torch heads: one record each.

A new metal needs its record here and nothing else (docs/extending.md).
"""

from dataclasses import dataclass

from judicum.core.errors import InvalidValue, said


@dataclass(frozen=True)
class Metal:
    """One metal for the setup rules.

    `share_of_carbon` is its current over the carbon rule; k (W/mm K), alpha (mm²/s) and rise (K)
    feed the heat balance [src: wells-1952]; `fillers` the alloys that suit it, first the usual one.
    `oxidises`: hot metal shows what the gas missed. `tints`: the tint scale and the finish goals hold.
    `fumes`: chromium or nickel in the fume. `rusts`: carbon-steel dust on it rusts. `coated`: may come
    galvanised or painted. `balanced`: the heat balance holds. `hot_short`: never fused without filler.
    `free_machining`: sulphur gives grainy toes and cracks. `delicate`: wants a wide cup.
    """

    family: str
    share_of_carbon: float
    k_w_mm_k: float
    alpha_mm2_s: float
    rise_k: float
    fillers: tuple[str, ...]
    polarity: str = "DCEN"
    oxidises: bool = False
    tints: bool = False
    fumes: bool = False
    rusts: bool = False
    coated: bool = False
    balanced: bool = True
    hot_short: bool = False
    free_machining: bool = False
    delicate: bool = False
    gauge_table: str = "stainless_sheet"


def _stainless(fillers: tuple[str, ...], free_machining: bool = False) -> Metal:
    return Metal(
        "stainless", 0.81, 0.026, 5.5, 1400.0, fillers,
        oxidises=True, tints=True, fumes=True, rusts=True, free_machining=free_machining,
    )  # fmt: skip


METALS: dict[str, Metal] = {
    "304": _stainless(("308L",)),
    "304L": _stainless(("308L",)),
    "316": _stainless(("316L",)),
    "316L": _stainless(("316L",)),
    "321": _stainless(("347", "308L")),
    "303": _stainless(("308L", "309L"), free_machining=True),
    "carbon": Metal("carbon", 1.0, 0.041, 9.1, 1500.0, ("ER70S",), coated=True, gauge_table="carbon_sheet"),
    "titanium": Metal("titanium", 0.75, 0.022, 7.0, 1640.0, ("titanium",), oxidises=True, tints=True, delicate=True),
    "nickel": Metal("nickel", 0.8, 0.026, 5.5, 1400.0, ("nickel",), oxidises=True, tints=True, fumes=True),
    "aluminium": Metal("aluminium", 1.15, 0.041, 9.1, 1500.0, ("4043", "5356"), "AC", balanced=False, hot_short=True),
}  # fmt: skip
"""Aluminium borrows carbon steel's thermal figures: its current is ruled by thickness alone."""

PAIRS = ("304L+carbon",)
"""Pairs that are offered to choose from; any stainless to carbon steel may be typed."""
DISSIMILAR_FILLER = "309L"


@dataclass(frozen=True)
class Torch:
    """A torch head: rating (A) and whether it is of the small family, whose parts fit no large head."""

    rating_a: float
    small: bool = False


TORCHES: dict[int, Torch] = {
    9: Torch(125, True),
    17: Torch(150),
    18: Torch(350),
    20: Torch(250, True),
    26: Torch(200),
}


def metal_of(name: str) -> Metal:
    """The metal of a name, or of a pair such as `304L+carbon` (ruled by its stainless side, filled with 309L).

    Raises:
        InvalidValue: an unknown metal, or a pair that is not stainless to carbon steel.
    """
    parts = name.split("+")
    known = said("allowed-metals", metals=", ".join(METALS))
    if any(part not in METALS for part in parts) or len(parts) > 2:
        raise InvalidValue("metal", name, known)
    metals = [METALS[part] for part in parts]
    if len(metals) == 1:
        return metals[0]
    families = {m.family for m in metals}
    if families == {"stainless"}:
        return metals[0]
    if families != {"stainless", "carbon"}:
        raise InvalidValue("metal", name, said("allowed-a-pair-of-stainless-and-carbon"))
    return _pair(*sorted(metals, key=lambda m: m.family != "stainless"))


def _pair(stainless: Metal, carbon: Metal) -> Metal:
    values = {**vars(stainless), "fillers": (DISSIMILAR_FILLER,)}
    return Metal(**values | {"coated": True})


def fillers() -> list[str]:
    """Every filler alloy in use."""
    used = [DISSIMILAR_FILLER, *(f for metal in METALS.values() for f in metal.fillers)]
    return sorted(dict.fromkeys(used), key=str.lower)
