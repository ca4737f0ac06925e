"""A small U-Net: a picture of any size in, one score a pixel for each surface and each extra out."""

import torch
from torch import nn

WIDTHS = (20, 28, 40, 64)
"""Channels from half resolution down to a sixteenth: about 250,000 weights."""
FOLD = 2
"""Pixels of FOLD × FOLD are one cell with all of their colours: most of the work is done at half the resolution."""


def _pair(inward: int, outward: int) -> nn.Sequential:
    return nn.Sequential(
        nn.Conv2d(inward, outward, 3, padding=1, bias=False), nn.BatchNorm2d(outward), nn.ReLU(inplace=True),
        nn.Conv2d(outward, outward, 3, padding=1, bias=False), nn.BatchNorm2d(outward), nn.ReLU(inplace=True),
    )  # fmt: skip


class Net(nn.Module):  # type: ignore[misc]
    """(batch, 3, rows, columns), rows and columns multiples of 16, 0 to 1, blue green red → (batch, outputs, rows, columns)."""

    def __init__(self, outputs: int) -> None:
        super().__init__()
        ins = (3 * FOLD**2, *WIDTHS[:-1])
        self.down = nn.ModuleList(_pair(a, b) for a, b in zip(ins, WIDTHS, strict=True))
        self.up = nn.ModuleList(_pair(a + b, b) for a, b in zip(WIDTHS[:0:-1], WIDTHS[-2::-1], strict=True))
        self.last = nn.Conv2d(WIDTHS[0], outputs * FOLD**2, 1)

    def forward(self, picture: torch.Tensor) -> torch.Tensor:
        x = nn.functional.pixel_unshuffle((picture - 0.5) * 4, FOLD)
        kept = []
        for k, block in enumerate(self.down):
            x = block(x if k == 0 else nn.functional.max_pool2d(x, 2))
            kept.append(x)
        for block, beside in zip(self.up, kept[-2::-1], strict=True):
            x = block(torch.cat([nn.functional.interpolate(x, scale_factor=2.0, mode="nearest"), beside], 1))
        return nn.functional.pixel_shuffle(self.last(x), FOLD)
