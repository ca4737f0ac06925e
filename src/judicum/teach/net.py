"""A small U-Net: a picture of any size in, one score a pixel for each surface and each extra out."""

from itertools import pairwise
from pathlib import Path
from typing import Any

import onnx
import onnx.helper
import torch
from onnx import numpy_helper
from torch import nn

WIDTHS = (20, 28, 40, 64, 96)
"""Channels from half resolution down to a thirty-second: the last sees some 5 mm to every side at 10 pixels a millimetre,
which the middle of a bulge needs, and costs a thirtieth of the time."""
FOLD = 2
"""Pixels of FOLD × FOLD are one cell with all of their colours: most of the work is done at half the resolution."""


def _pair(inward: int, outward: int) -> nn.Sequential:
    return nn.Sequential(
        nn.Conv2d(inward, outward, 3, padding=1, bias=False), nn.BatchNorm2d(outward), nn.ReLU(inplace=True),
        nn.Conv2d(outward, outward, 3, padding=1, bias=False), nn.BatchNorm2d(outward), nn.ReLU(inplace=True),
    )  # fmt: skip


class Net(nn.Module):  # type: ignore[misc]
    """(batch, 3, rows, columns), rows and columns multiples of 2 to the power of its levels, 0 to 1, blue green red → (batch, outputs, rows, columns)."""

    def __init__(self, outputs: int, levels: int = len(WIDTHS)) -> None:
        super().__init__()
        widths = WIDTHS[:levels]
        ins = (3 * FOLD**2, *widths[:-1])
        self.down = nn.ModuleList(_pair(a, b) for a, b in zip(ins, widths, strict=True))
        self.up = nn.ModuleList(_pair(a + b, b) for a, b in zip(widths[:0:-1], widths[-2::-1], strict=True))
        self.last = nn.Conv2d(widths[0], outputs * FOLD**2, 1)

    def forward(self, picture: torch.Tensor) -> torch.Tensor:
        x = nn.functional.pixel_unshuffle((picture - 0.5) * 4, FOLD)
        kept = []
        for k, block in enumerate(self.down):
            x = block(x if k == 0 else nn.functional.max_pool2d(x, 2))
            kept.append(x)
        for block, beside in zip(self.up, kept[-2::-1], strict=True):
            x = block(torch.cat([nn.functional.interpolate(x, scale_factor=2.0, mode="nearest"), beside], 1))
        return nn.functional.pixel_shuffle(self.last(x), FOLD)


def halve(path: Path) -> None:
    """Keep an ONNX file's weights with half as many digits (three and a half): they are made whole as it is loaded."""
    model = onnx.load(path)
    graph = model.graph
    for one in list(graph.initializer):
        if one.data_type == onnx.TensorProto.FLOAT:
            half = numpy_helper.from_array(numpy_helper.to_array(one).astype("float16"), f"{one.name}.half")
            graph.initializer.remove(one)
            graph.initializer.append(half)
            graph.node.insert(0, onnx.helper.make_node("Cast", [half.name], [one.name], to=onnx.TensorProto.FLOAT))
    onnx.save(model, path)


def take_on(net: nn.Module, path: Path, example: torch.Tensor) -> None:
    """Start `net` as the shipped network of an ONNX file acts on an `example`.

    The file holds each convolution with its normalisation in one; they are told apart again by the example's spread. A
    `Net` may have a level more than the file: that level passes on what it gets.
    """
    graph = onnx.load(path).graph
    kept = {
        one.name.removesuffix(".half"): torch.from_numpy(numpy_helper.to_array(one).astype("float32"))
        for one in graph.initializer
    }
    told: list[Any] = [[kept[name] for name in node.input[1:3]] for node in graph.node if node.op_type == "Conv"]
    parts = [
        part for part in net.modules() if isinstance(part, nn.Conv1d | nn.Conv2d | nn.BatchNorm1d | nn.BatchNorm2d)
    ]
    convolutions = [part for part in parts if isinstance(part, nn.Conv1d | nn.Conv2d)]
    if len(told) == len(convolutions) - 4:
        deepest = 2 * (len(convolutions) // 4)
        told[deepest:deepest] = [None] * 4
    following = dict(pairwise(parts))
    hooks = []
    with torch.no_grad():
        for k, (part, one) in enumerate(zip(convolutions, told, strict=True)):
            if one is not None:
                part.weight.copy_(one[0])
            elif k >= len(convolutions) // 2:
                _pass_on(part)
            if part.bias is not None:
                part.bias.copy_(one[1])
            else:
                hooks.append(following[part].register_forward_pre_hook(_keeping(None if one is None else one[1])))
        net(example)
    for hook in hooks:
        hook.remove()


def _pass_on(part: nn.Conv2d) -> None:
    """Let a convolution hand on the last of its inputs, almost unchanged."""
    part.weight.mul_(0.1)
    outputs = part.weight.shape[0]
    for channel in range(outputs):
        part.weight[channel, channel - outputs, 1, 1] += 1.0


def _keeping(shift: torch.Tensor | None) -> Any:
    """What lets a normalisation leave what it sees as it is, but for a shift."""

    def before(norm: nn.Module, seen: tuple[torch.Tensor]) -> None:
        others = [axis for axis in range(seen[0].ndim) if axis != 1]
        mean, spread = seen[0].mean(others), seen[0].var(others)
        norm.running_mean.copy_(mean)
        norm.running_var.copy_(spread)
        norm.weight.copy_((spread + norm.eps).sqrt())
        norm.bias.copy_(mean if shift is None else mean + shift)

    return before
