"""Metals of practice coupons: families, thermal figures, fillers, polarity."""

from dataclasses import dataclass

from judicum.core.errors import InvalidValue


@dataclass(frozen=True)
class Metal:
    """One metal family for the setup rules.

    `share_of_carbon` is its current over the carbon rule; k (W/mm K), alpha (mm²/s) and rise (K)
    feed the heat balance [src: wells-1952]; `fillers` the alloys that suit it, first the usual one.
    """

    family: str
    share_of_carbon: float
    k_w_mm_k: float
    alpha_mm2_s: float
    rise_k: float
    fillers: tuple[str, ...]
    polarity: str = "DCEN"


STAINLESS = ("stainless", 0.75, 0.026, 5.5, 1400.0)

METALS: dict[str, Metal] = {
    "304": Metal(*STAINLESS, ("308L",)),
    "304L": Metal(*STAINLESS, ("308L",)),
    "316": Metal(*STAINLESS, ("316L",)),
    "316L": Metal(*STAINLESS, ("316L",)),
    "321": Metal(*STAINLESS, ("347", "308L")),
    "303": Metal(*STAINLESS, ("308L", "309L")),
    "carbon": Metal("carbon", 1.0, 0.041, 9.1, 1500.0, ("ER70S",)),
    "titanium": Metal("titanium", 0.75, 0.022, 7.0, 1640.0, ("titanium",)),
    "nickel": Metal("nickel", 0.8, 0.026, 5.5, 1400.0, ("nickel",)),
    "aluminium": Metal("aluminium", 1.15, 0.041, 9.1, 1500.0, ("4043", "5356"), "AC"),
}
"""Aluminium borrows carbon steel's thermal figures: its current is ruled by thickness alone."""

DISSIMILAR_FILLER = "309L"
OXIDISING = ("stainless", "titanium", "nickel")
"""Families whose hot metal shows what the gas missed."""


def metal_of(name: str) -> Metal:
    """The metal of a name, or of a pair such as `304L+carbon` (ruled by its stainless side, filled with 309L).

    Raises:
        InvalidValue: an unknown metal, or a pair that is not stainless to carbon steel.
    """
    parts = name.split("+")
    known = ", ".join(METALS) + ", or a pair such as 304L+carbon"
    if any(part not in METALS for part in parts) or len(parts) > 2:
        raise InvalidValue("metal", name, known)
    metals = [METALS[part] for part in parts]
    if len(metals) == 1:
        return metals[0]
    families = {m.family for m in metals}
    if families == {"stainless"}:
        return metals[0]
    if families != {"stainless", "carbon"}:
        raise InvalidValue("metal", name, "a pair of stainless and carbon steel")
    stainless = next(m for m in metals if m.family == "stainless")
    return Metal(*STAINLESS, (DISSIMILAR_FILLER,), stainless.polarity)
