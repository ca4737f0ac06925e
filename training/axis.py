"""Teaches the small network that reads along a bead whose toes are known: `python -m training.axis -o FILE.onnx`.

Its picture is the face straightened between the toes, whatever its width (`ROWS` rows), `PX_PER_MM` columns a
millimetre, and as much past the tips; it tells for every column how likely a front crosses the centreline there, and
how likely the column lies between the tips.
"""

import argparse
import time
from collections.abc import Iterator
from itertools import pairwise
from multiprocessing import Process, Queue
from pathlib import Path

import cv2
import numpy as np
import torch
from scipy.ndimage import median_filter
from torch import nn
from torch.optim.swa_utils import AveragedModel, get_ema_multi_avg_fn

from judicum.core.arrays import Floats, Pixels
from judicum.core.photo.axis import PX_PER_MM, ROWS, straightened
from training.clear import clear_only
from training.drawings import FRONT_SIGMA_MM, draw
from training.labelled import Straight, read_straight, relit
from training.labels import FACE, FRONT
from training.net import halve, take_on
from training.texture import Rng

COLUMNS = 288
BATCH = 32
DRAWN = 12
"""Of a batch, so many are crude drawings where there are labelled pictures too."""
POOL = 3000
SHAPE = (160, COLUMNS)
JITTER_MM = 0.18
"""How far the toes given may lie from the true ones."""
AVERAGED = 0.995
TIPS = 0.5
"""Share of the pieces that show a tip."""


class AlongNet(nn.Module):  # type: ignore[misc]
    """(batch, 3, ROWS, columns), 0 to 1, blue green red → (batch, 2, columns): natural logarithms of the odds of a
    front and of lying between the tips."""

    def __init__(self) -> None:
        super().__init__()
        wide = (3, 24, 32, 40, 48)
        self.face = nn.Sequential(*[
            layer for a, b in pairwise(wide)
            for layer in (nn.Conv2d(a, b, 3, stride=(2, 1), padding=1, bias=False), nn.BatchNorm2d(b), nn.ReLU(inplace=True))
        ])  # fmt: skip
        rows = ROWS // 16
        self.first = nn.Conv1d(48 * rows, 64, 3, padding=1)
        self.along = nn.ModuleList(
            nn.Sequential(
                nn.Conv1d(64, 64, 3, padding=d, dilation=d, bias=False), nn.BatchNorm1d(64), nn.ReLU(inplace=True)
            )
            for d in (1, 2, 4, 8, 16, 1)
        )
        self.last = nn.Conv1d(64, 2, 1)

    def forward(self, picture: torch.Tensor) -> torch.Tensor:
        x = self.face((picture - 0.5) * 4)
        x = self.first(x.flatten(1, 2))
        for block in self.along:
            x = x + block(x)
        return self.last(x)


def drawn(rng: Rng) -> tuple[Pixels, Floats] | None:
    """A crude drawing's face, straightened, and its fronts; None where too little of a bead is seen."""
    one = draw(rng, SHAPE, PX_PER_MM * float(np.exp(rng.normal(0, 0.1))), 6.0, with_bead=1.0)
    count, labels = cv2.connectedComponents((one.surface >= FACE).astype(np.uint8))
    if count < 2:
        return None
    face = labels == 1 + int(np.bincount(labels.ravel())[1:].argmax())
    columns = np.flatnonzero(face.sum(0) > 8)
    if len(columns) < 0.7 * COLUMNS:
        return None
    at = np.arange(COLUMNS)
    left, right = (
        median_filter(np.interp(at, columns, edge[columns]), 15)
        for edge in (face.argmax(0), face.shape[0] - face[::-1].argmax(0))
    )
    middle = np.clip(np.round((left + right) / 2).astype(int), 0, face.shape[0] - 1)
    inside = face[middle, at]
    heat = np.where(inside, one.extras[FRONT][middle, at], -1.0)
    jitter = rng.normal(0, JITTER_MM / 2 * PX_PER_MM, 2)
    return straightened(one.picture, left + jitter[0], right + jitter[1], at), np.stack([heat, inside]).astype(
        np.float32
    )


def known(rng: Rng, straight: Straight) -> tuple[Pixels, Floats]:
    """A piece of a labelled picture's face and its fronts."""
    zoom = float(np.exp(rng.normal(0, 0.12)))
    far = len(straight.heat)
    start = rng.uniform(-0.6 * COLUMNS, far - 0.4 * COLUMNS)
    if rng.random() < TIPS:
        start = rng.choice([0, far]) - rng.uniform(0.2, 0.8) * COLUMNS
    columns = start + np.arange(COLUMNS) / zoom
    at = np.clip(columns, 0, len(straight.heat) - 1)
    left, right = (np.interp(at, np.arange(len(straight.heat)), toe) for toe in (straight.left, straight.right))
    jitter = rng.normal(0, JITTER_MM * straight.px_per_mm, 2)
    picture = relit(rng, straightened(straight.plane, left + jitter[0], right + jitter[1], columns + straight.first))
    near = np.abs(columns[None, :] - straight.fronts[:, None]).min(0, initial=1e6) / straight.px_per_mm * zoom
    heat = np.exp(-0.5 * (near / FRONT_SIGMA_MM) ** 2)
    labels_read = np.interp(columns, np.arange(far), straight.heat, left=-1, right=-1)
    inside = (columns > -0.5) & (columns < far - 0.5)
    return picture, np.stack([np.where(labels_read < 0, -1.0, heat), inside]).astype(np.float32)


def _draw(out: "Queue[tuple[Pixels, Floats]]", seed: int) -> None:
    k = 0
    while True:
        one = drawn(np.random.default_rng((seed, k)))
        k += 1
        if one is not None:
            out.put(one)


def _batches(pictures: list[str], seed: int) -> Iterator[tuple[torch.Tensor, torch.Tensor]]:
    rng = np.random.default_rng(seed)
    folders = []
    for folder in pictures:
        path, _, which = folder.partition(":")
        folders.append([clear_only(one) for one in read_straight(Path(path), PX_PER_MM, which or "all")])
        print(f"{len(folders[-1])} pictures of {folder}", flush=True)
    out: Queue[tuple[Pixels, Floats]] = Queue(64)
    Process(target=_draw, args=(out, seed), daemon=True).start()
    pool: list[tuple[Pixels, Floats]] = []
    while True:
        while not out.empty() or len(pool) < 2 * BATCH:
            one = out.get()
            if len(pool) < POOL:
                pool.append(one)
            else:
                pool[int(rng.integers(POOL))] = one
        pieces = []
        for k in range(BATCH):
            if k < DRAWN or not folders:
                picture, heat = pool[int(rng.integers(len(pool)))]
                picture = relit(rng, picture)
            else:
                known_here = folders[int(rng.integers(len(folders)))]
                picture, heat = known(rng, known_here[int(rng.integers(len(known_here)))])
            if rng.random() < 0.5:
                picture = picture[::-1]
            if rng.random() < 0.5:
                picture, heat = picture[:, ::-1], heat[:, ::-1]
            pieces.append((np.ascontiguousarray(picture), np.ascontiguousarray(heat)))
        pictures_, heats = (torch.from_numpy(np.stack(each)) for each in zip(*pieces, strict=True))
        yield pictures_.permute(0, 3, 1, 2).float() / 255, heats.float()


def loss_of(odds: torch.Tensor, labels_read: torch.Tensor) -> torch.Tensor:
    """Cross entropy of fronts where they are told, and of what lies between the tips, most of all near a tip."""
    fronts, inside = labels_read[:, 0], labels_read[:, 1]
    tip = nn.functional.pad((inside[:, 1:] != inside[:, :-1]).float(), (0, 1))
    near_tip = nn.functional.max_pool1d(tip[:, None], 21, 1, 10)[:, 0]
    total = torch.zeros(())
    for k, truth, weight in ((0, fronts, (1 + 3 * fronts) * (fronts >= 0)), (1, inside, 0.3 + 3 * near_tip)):
        loss = nn.functional.binary_cross_entropy_with_logits(
            odds[:, k], truth.clamp(min=0), weight=weight, reduction="sum"
        )
        total = total + loss / weight.sum().clamp(min=1)
    return total


def main() -> None:
    asked = argparse.ArgumentParser(description=__doc__)
    asked.add_argument("-o", "--output", type=Path, required=True)
    asked.add_argument("--minutes", type=float, default=20)
    asked.add_argument("--seed", type=int, default=1)
    asked.add_argument("--rate", type=float, default=3e-3)
    asked.add_argument(
        "--from",
        dest="start",
        type=Path,
        help="weights (.pt) to go on from, as far as they fit, or a network that ships (.onnx)",
    )
    asked.add_argument("--pictures", nargs="*", default=[], metavar="FOLDER[:odd|even]")
    given = asked.parse_args()
    torch.set_num_threads(1)
    torch.manual_seed(given.seed)
    net = AlongNet()
    batches = _batches(given.pictures, given.seed)
    if given.start and given.start.suffix == ".onnx":
        take_on(net, given.start, next(batches)[0])
    elif given.start:
        kept_weights, mine = torch.load(given.start), net.state_dict()
        net.load_state_dict({k: v for k, v in kept_weights.items() if v.shape == mine[k].shape}, strict=False)
    kept = AveragedModel(net, multi_avg_fn=get_ema_multi_avg_fn(AVERAGED), use_buffers=True)
    best = torch.optim.AdamW(net.parameters(), lr=given.rate, weight_decay=1e-3)
    began, mean = time.time(), 0.0
    for step, (picture, heat) in enumerate(batches):
        used = (time.time() - began) / (60 * given.minutes)
        if used >= 1:
            break
        for group in best.param_groups:
            group["lr"] = given.rate * min(1, step / 100 + 0.05) * (0.02 + 0.98 * 0.5 * (1 + np.cos(np.pi * used)))
        loss = loss_of(net(picture), heat)
        best.zero_grad()
        loss.backward()
        nn.utils.clip_grad_norm_(net.parameters(), 2.0)
        best.step()
        kept.update_parameters(net)
        mean = 0.98 * mean + 0.02 * loss.item() if step else loss.item()
        if step % 100 == 0:
            print(f"{step} steps, loss {mean:.4f}, {time.time() - began:.0f} s", flush=True)
        if step % 500 == 0:
            save(kept.module, given.output)
    save(kept.module, given.output)


def save(net: nn.Module, path: Path) -> None:
    torch.save(net.state_dict(), path.with_suffix(".pt"))
    net.eval()
    torch.onnx.export(
        net, (torch.zeros(1, 3, ROWS, 96),), path, input_names=["picture"], output_names=["odds"],
        dynamic_axes={"picture": {0: "batch", 3: "columns"}, "odds": {0: "batch", 2: "columns"}}, opset_version=17, dynamo=False,
    )  # fmt: skip
    halve(path)
    net.train()


if __name__ == "__main__":
    main()
