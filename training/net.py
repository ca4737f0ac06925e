"""A small U-Net: a picture of any size in, one score a pixel for each surface and each extra out."""

from collections.abc import Sequence
from itertools import accumulate, pairwise
from pathlib import Path
from typing import Any

import numpy as np
import onnx
import onnx.helper
import torch
from onnx import numpy_helper
from torch import nn

from judicum.core.photo.network import FOLD, MIDDLE, SPREAD

WIDTHS = (20, 28, 40, 64, 96)
"""Channels from half resolution down to a thirty-second: the last sees some 5 mm to every side at 10 pixels a millimetre,
which the middle of a bulge needs, and costs a thirtieth of the time."""
BLOCK = 16
"""Channels that are reckoned at once where the networks run: others than multiples of it are reordered on their way."""


def _pair(inward: Sequence[int], outward: int) -> nn.Sequential:
    first = nn.Conv2d(sum(inward), outward, 3, padding=1, bias=False)
    first.inward = tuple(inward)
    return nn.Sequential(
        first, nn.BatchNorm2d(outward), nn.ReLU(inplace=True),
        nn.Conv2d(outward, outward, 3, padding=1, bias=False), nn.BatchNorm2d(outward), nn.ReLU(inplace=True),
    )  # fmt: skip


class Net(nn.Module):  # type: ignore[misc]
    """(batch, 3, rows, columns), rows and columns multiples of 2 to the power of its levels, 0 to 1, blue green red → (batch, outputs, rows, columns)."""

    def __init__(self, outputs: int, levels: int = len(WIDTHS)) -> None:
        super().__init__()
        widths = WIDTHS[:levels]
        ins = (3 * FOLD**2, *widths[:-1])
        self.down = nn.ModuleList(_pair((a,), b) for a, b in zip(ins, widths, strict=True))
        self.up = nn.ModuleList(_pair((a, b), b) for a, b in zip(widths[:0:-1], widths[-2::-1], strict=True))
        self.last = nn.Conv2d(widths[0], outputs * FOLD**2, 1)

    def forward(self, picture: torch.Tensor) -> torch.Tensor:
        x = nn.functional.pixel_unshuffle((picture - MIDDLE) * SPREAD, FOLD)
        kept = []
        for k, block in enumerate(self.down):
            x = block(x if k == 0 else nn.functional.max_pool2d(x, 2))
            kept.append(x)
        for block, beside in zip(self.up, kept[-2::-1], strict=True):
            x = block(torch.cat([nn.functional.interpolate(x, scale_factor=2.0, mode="nearest"), beside], 1))
        return nn.functional.pixel_shuffle(self.last(x), FOLD)


def pack(path: Path) -> None:
    """Leave an ONNX file of a `Net` what the product runs of it: cells in and cells out (`judicum.core.photo.network` folds
    and unfolds pictures in less time), and channels in blocks of BLOCK, filled up with some that are always nought."""
    model = onnx.load(path)
    graph = model.graph
    convolutions = [node for node in graph.node if node.op_type == "Conv"]
    weights = {one.name: numpy_helper.to_array(one) for one in graph.initializer}
    first, last = convolutions[0].input[0], convolutions[-1].output[0]
    cells = weights[convolutions[0].input[1]].shape[1]
    held: dict[str, tuple[int, ...]] = {first: (cells,)}
    for node in graph.node:
        if node.op_type == "Conv":
            weight, shift = (weights[name] for name in node.input[1:3])
            outward = len(weight) if node.output[0] == last else _blocks(len(weight))
            inward = held[node.input[0]] if node.input[0] == first else [_blocks(part) for part in held[node.input[0]]]
            filled = np.zeros((outward, sum(inward), *weight.shape[2:]), weight.dtype)
            filled[: len(weight), _places(held[node.input[0]], sum(inward))] = weight
            weights[node.input[1]] = filled
            weights[node.input[2]] = np.pad(shift, (0, outward - len(shift)))
            held[node.output[0]] = (len(weight),)
        elif node.op_type == "Concat":
            held[node.output[0]] = sum((held[name] for name in node.input), ())
        elif node.input and node.input[0] in held:
            held[node.output[0]] = held[node.input[0]]
    begin = list(graph.node).index(convolutions[0])
    for node in [*list(graph.node)[:begin], graph.node[-1]]:
        graph.node.remove(node)
    convolutions[0].input[0], convolutions[-1].output[0] = "picture", "scores"
    for value, name, channels in ((graph.input, "picture", cells), (graph.output, "scores", held[last][0])):
        del value[:]
        value.append(
            onnx.helper.make_tensor_value_info(name, onnx.TensorProto.FLOAT, ["batch", channels, "rows", "columns"])
        )
    del graph.initializer[:]
    graph.initializer.extend(numpy_helper.from_array(weight, name) for name, weight in weights.items())
    onnx.checker.check_model(model)
    onnx.save(model, path)


def _blocks(channels: int) -> int:
    return -(-channels // BLOCK) * BLOCK


def _places(parts: Sequence[int], there: int) -> list[int]:
    """Where the channels of several parts lie among all that are `there`: each part in blocks of its own, or side by side."""
    if sum(parts) == there:
        return list(range(there))
    firsts = accumulate((_blocks(part) for part in parts), initial=0)
    return [first + k for first, part in zip(firsts, parts, strict=False) for k in range(part)]


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
    weights_read: list[Any] = [
        [kept[name] for name in node.input[1:3]] for node in graph.node if node.op_type == "Conv"
    ]
    parts = [
        part for part in net.modules() if isinstance(part, nn.Conv1d | nn.Conv2d | nn.BatchNorm1d | nn.BatchNorm2d)
    ]
    convolutions = [part for part in parts if isinstance(part, nn.Conv1d | nn.Conv2d)]
    if len(weights_read) == len(convolutions) - 4:
        deepest = 2 * (len(convolutions) // 4)
        weights_read[deepest:deepest] = [None] * 4
    following = dict(pairwise(parts))
    hooks = []
    with torch.no_grad():
        for k, (part, one) in enumerate(zip(convolutions, weights_read, strict=True)):
            if one is not None:
                inward = getattr(part, "inward", (part.in_channels,))
                part.weight.copy_(one[0][: part.out_channels, _places(inward, one[0].shape[1])])
            elif k >= len(convolutions) // 2:
                _pass_on(part)
            if part.bias is not None:
                part.bias.copy_(one[1])
            else:
                shift = None if one is None else one[1][: part.out_channels]
                hooks.append(following[part].register_forward_pre_hook(_keeping(shift)))
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
