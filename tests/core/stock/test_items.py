"""What is kept on the shelf."""

import pytest

from judicum.core.errors import InvalidValues
from judicum.core.stock.items import KINDS, read_amount, read_item


def test_every_kind_can_be_said_with_what_it_needs() -> None:
    given = {
        "metal": "304L", "thickness_mm": 1.5, "blank_length_mm": 100, "blank_width_mm": 40, "filler_alloy": "308L", "filler_mm": 1.6,
        "electrode_kind": "ceriated_2", "electrode_mm": 1.6, "cup": 8, "cup_flow_l_min": 9, "gas_part": "gas_lens", "bottle_l": 20, "tube_od_mm": 48.3,
    }  # fmt: skip
    for key, kind in KINDS.items():
        own = {"name": "x", **{spec.key: given[spec.key] for spec in kind.specs}}
        assert read_item(key, own)["name"] == "x"
        for needed in kind.needed:
            with pytest.raises(InvalidValues, match=needed):
                read_item(key, {k: v for k, v in own.items() if k != needed})


@pytest.mark.parametrize(
    ("kind", "given", "field"),
    [
        ("nails", {"name": "x"}, "kind"),
        ("wire", {"name": "x", "filler_alloy": "308L", "filler_mm": 90}, "filler_mm"),
        ("wire", {"name": "x", "filler_alloy": "tin", "filler_mm": 1.6}, "filler_alloy"),
        ("cup", {"name": "x", "cup": 8, "metal": "304L"}, "metal"),
        ("cup", {"name": "", "cup": 8}, "name"),
        ("cup", {"name": "x", "cup": 8, "price": -1}, "price"),
    ],
)
def test_what_is_wrong_is_named(kind: str, given: dict[str, object], field: str) -> None:
    with pytest.raises(InvalidValues, match=field):
        read_item(kind, given)


@pytest.mark.parametrize("amount", [-1, "5", True, None, 2e6])
def test_amounts_are_figures(amount: object) -> None:
    with pytest.raises(InvalidValues, match="amount"):
        read_amount("amount", amount)
    assert read_amount("amount", 5) == 5
