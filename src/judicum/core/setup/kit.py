"""What is laid out for a coupon: the torch's parts that fit together, tungsten, rod, brush, purge; codes with their figures."""

from collections.abc import Mapping
from dataclasses import dataclass, field

from judicum.core.metals import TORCHES
from judicum.core.setup.coupon import Coupon
from judicum.core.setup.gas import wants_purge
from judicum.core.setup.record import Card

LARGE_LENS_FROM = 9
"""Cup number from which a cup sits on the large lens, with its own insulator."""


@dataclass(frozen=True)
class Part:
    """One part by its code, with its figures and their kinds."""

    code: str
    figures: dict[str, tuple[float, str]] = field(default_factory=dict)


def is_worn_as(part: Part, kind: str, spec: Mapping[str, object]) -> bool:
    """Whether stock of a kind (judicum.core.stock.items) is this part: a cup by its number, an electrode by its diameter."""
    if kind == "cup":
        return part.code in ("cup", "cup_mesh") and spec.get("cup") == part.figures["cup"][0]
    return kind == "electrode" and part.code == "tungsten" and spec.get("electrode_mm") == part.figures["size"][0]


def kit(coupon: Coupon, card: Card, torch: int | None = None) -> tuple[Part, ...]:
    """The parts for a coupon at a torch (None: the coupon's own, or any), head first: heads of the two families share none."""
    head = torch if torch is not None else coupon.torch
    rod = {"size": (card.electrode.diameter_mm, "size")}
    lens = coupon.gas_part != "collet_body"
    large = lens and card.cup.number >= LARGE_LENS_FROM
    found = [
        Part("head_small" if TORCHES[head].small else "head_large", {"torch": (head, "count")})
        if head
        else Part("head_any"),
        Part("tungsten", rod | {"taper": (card.electrode.taper_mm, "length")}),
        Part("collet", rod),
        Part("large_lens" if large else "lens" if lens else "collet_body", rod),
        Part("insulator_large" if large else "insulator_lens" if lens else "insulator_body"),
        Part("cup_mesh" if coupon.gas_part == "double_mesh" else "cup", {"cup": (card.cup.number, "count")}),
        Part("cap"),
    ]
    if card.filler:
        found.append(Part(f"rod_{card.filler.alloy}", {"size": (card.filler.diameter_mm, "size")}))
    found.append(Part("brush"))
    if wants_purge(coupon):
        found += [Part("purge_plug"), Part("purge_foil")]
    if coupon.technique == "fuse" and not coupon.on_tube:
        found.append(Part("chill_plate"))
    return tuple(found)
