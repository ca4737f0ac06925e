"""Teaches a network from drawings and writes its weights: `python -m training.train locate|close -o FILE.onnx`.

Needs PyTorch and onnx (development packages). Drawing goes on in a process of its own and keeps renewing a pool
that batches are taken from, mirrored and turned about, so that no picture is seen often.
"""

import argparse
import time
from multiprocessing import Process, shared_memory
from pathlib import Path

import numpy as np
import torch
from torch import nn
from torch.optim.swa_utils import AveragedModel, get_ema_multi_avg_fn

from training.drawings import draw
from training.labelled import PARTS, TOP, UNTOLD, Labelled, read_labelled
from training.labels import EXTRAS, FACE, FRONT, HOLE
from training.net import Net, halve, pack, take_on

SHAPE = (160, 288)
POOL = 1600
BATCH = 12
AVERAGED = 0.995
"""Share that the kept weights keep at each step: they are the mean of the last few hundred steps'."""
RENEW_S = 0.25
"""Wait between two drawings once the pool is full: the cores are for teaching then."""
KINDS = {"locate": (5.0, 90.0, 4), "segment": (10.0, 7.0, 5)}
"""Pixels a millimetre, greatest turn of the bead, degrees, and levels of the network."""
SURFACES = HOLE + 1
SPOT_WEIGHT = 10.0
"""How much more a place of a spot counts than one of none: they are some hundred times rarer."""
MIN_SPOT = 20.0
"""Places with which a kind's overlap counts fully: a batch without the kind says little."""
MIN_LABELLED = 200.0
"""Places (weighted) with which a picture counts fully for a kind of fault; one that shows less of a bead counts less."""
KNOWN = 7
"""Of a batch, so many are cut from labelled pictures where there are any."""


def _pools(names: list[str] | None) -> tuple[list[shared_memory.SharedMemory], list[np.ndarray]]:
    sizes = [(POOL, *SHAPE, 3), (POOL, *SHAPE), (POOL, EXTRAS, *SHAPE)]
    made = [
        shared_memory.SharedMemory(
            create=names is None, name=None if names is None else names[k], size=int(np.prod(size))
        )
        for k, size in enumerate(sizes)
    ]
    return made, [np.ndarray(size, np.uint8, m.buf) for size, m in zip(sizes, made, strict=True)]


def _keep_drawing(names: list[str], kind: str, seed: int) -> None:
    made, (pictures, surfaces, extras) = _pools(names)
    density, turn, _ = KINDS[kind]
    k = 0
    while made:
        rng = np.random.default_rng((seed, k))
        drawing = draw(rng, SHAPE, density * float(np.exp(rng.normal(0, 0.12))), turn)
        pictures[k % POOL], surfaces[k % POOL] = drawing.picture, drawing.surface
        extras[k % POOL] = np.clip(drawing.extras * TOP, 0, TOP)
        surfaces[k % POOL, 0, 0] |= 128  # filled
        k += 1
        if k > POOL:
            time.sleep(RENEW_S)


def _batch(
    rng: np.random.Generator, pools: list[np.ndarray], filled: int, known: list[list[Labelled]], kind: str
) -> list[torch.Tensor]:
    density, turn, _ = KINDS[kind]
    cut = KNOWN if known else 0
    at = rng.integers(0, filled, BATCH - cut)
    pieces = [[pools[0][k], pools[1][k] & 127, pools[2][k]] for k in at]
    for _ in range(cut):
        folder = known[int(rng.integers(len(known)))]
        others = known[int(rng.integers(len(known)))]
        pieces.append([*folder[int(rng.integers(len(folder)))].crop(rng, SHAPE, density, turn, others)])
    picture, surface, extras = (torch.from_numpy(np.stack(each)) for each in zip(*pieces, strict=True))
    picture, surface = picture.permute(0, 3, 1, 2).float() / 255, surface.long()
    extras = torch.where(extras == UNTOLD, -1.0, extras.float() / TOP)
    for axis in (1, 2):
        if rng.random() < 0.5:
            picture, surface, extras = picture.flip(axis + 1), surface.flip(axis), extras.flip(axis + 1)
    light = torch.from_numpy(np.exp(rng.normal(0, 0.18, (BATCH, 1, 1, 1)))).float()
    return [(picture**light).clamp(0, 1), surface, extras]


def loss_of(out: torch.Tensor, surface: torch.Tensor, extras: torch.Tensor) -> torch.Tensor:
    """Cross entropy of the surfaces, and of fronts and faults on the bead."""
    weights = torch.tensor([1.0, 1.0, 1.0, 1.5, 5.0])
    surfaces = nn.functional.cross_entropy(out[:, :SURFACES], surface, weight=weights, ignore_index=UNTOLD)
    sure = (surface != UNTOLD).float()
    bead = (surface >= FACE).float() * sure
    # Overlap of the bead as a whole: thin beads count as much as wide ones.
    share = out[:, :SURFACES].softmax(1)[:, FACE:].sum(1) * sure
    overlap = 1 - (2 * (share * bead).sum((1, 2)) + 30) / (share.sum((1, 2)) + bead.sum((1, 2)) + 30)
    total = surfaces + 0.5 * overlap.mean()
    if out.shape[1] > SURFACES:
        spots = extras[:, FRONT + 1 :]
        labelled_read = (spots >= 0).float()
        weight = (1 + SPOT_WEIGHT * spots) * labelled_read
        weight[:, :-1] *= 0.02 + 0.98 * bead[:, None]
        more = nn.functional.binary_cross_entropy_with_logits(
            out[:, SURFACES:], spots.clamp(min=0), weight=weight, reduction="none"
        )
        total = total + 0.5 * (more.sum((0, 2, 3)) / (weight.sum((0, 2, 3)) + MIN_LABELLED)).sum()
        # And their overlap over the whole batch, kind by kind: a spot is a thousandth of a picture.
        there = out[:, SURFACES:].sigmoid() * labelled_read
        both = (there * spots).sum((0, 2, 3))
        spread = (there * (0.02 + bead[:, None])).clamp(max=1).sum((0, 2, 3)) + (spots * labelled_read).sum((0, 2, 3))
        total = total + 0.3 * (1 - (2 * both + MIN_SPOT) / (spread + MIN_SPOT)).sum()
    return total


def main() -> None:
    asked = argparse.ArgumentParser(description=__doc__)
    asked.add_argument("kind", choices=KINDS)
    asked.add_argument("-o", "--output", type=Path, required=True)
    asked.add_argument("--minutes", type=float, default=60)
    asked.add_argument("--seed", type=int, default=1)
    asked.add_argument(
        "--from", dest="start", type=Path, help="weights (.pt), or a network that ships (.onnx), to go on from"
    )
    asked.add_argument("--rate", type=float, default=3e-3)
    asked.add_argument(
        "--pictures",
        nargs="*",
        default=[],
        metavar="FOLDER[:PART]",
        help=f"labelled pictures, truth.json beside, or the zip of ./judicum export labels; parts: {', '.join(PARTS)}",
    )
    given = asked.parse_args()
    known = []
    for folder in given.pictures:
        path, _, which = folder.partition(":")
        known.append(list(read_labelled(Path(path), KINDS[given.kind][0], which or "all")))
        print(f"{len(known[-1])} pictures of {folder}", flush=True)
    torch.set_num_threads(1)
    torch.manual_seed(given.seed)
    made, pools = _pools(None)
    drawing = Process(target=_keep_drawing, args=([m.name for m in made], given.kind, given.seed), daemon=True)
    drawing.start()
    net = Net(SURFACES + (EXTRAS - 1 if given.kind == "segment" else 0), KINDS[given.kind][2])
    rng = np.random.default_rng(given.seed)
    if given.start and given.start.suffix == ".onnx":
        while (pools[1][: 4 * BATCH, 0, 0] < 128).any():
            time.sleep(1)
        take_on(net, given.start, _batch(rng, pools, 4 * BATCH, known, given.kind)[0])
    elif given.start:
        net.load_state_dict(torch.load(given.start))
    net.to(memory_format=torch.channels_last)  # half as fast again on these processors
    kept = AveragedModel(net, multi_avg_fn=get_ema_multi_avg_fn(AVERAGED), use_buffers=True)
    best = torch.optim.AdamW(net.parameters(), lr=given.rate, weight_decay=1e-4)
    began, step, mean = time.time(), 0, 0.0
    while (used := (time.time() - began) / (60 * given.minutes)) < 1:
        filled = int((pools[1][:, 0, 0] >= 128).sum())
        if filled < 4 * BATCH:
            time.sleep(1)
            continue
        for group in best.param_groups:
            group["lr"] = given.rate * min(1, step / 200 + 0.05) * (0.02 + 0.98 * 0.5 * (1 + np.cos(np.pi * used)))
        picture, surface, extras = _batch(rng, pools, filled, known, given.kind)
        loss = loss_of(net(picture.contiguous(memory_format=torch.channels_last)), surface, extras)
        best.zero_grad()
        loss.backward()
        nn.utils.clip_grad_norm_(net.parameters(), 2.0)
        best.step()
        kept.update_parameters(net)
        mean = 0.98 * mean + 0.02 * loss.item() if step else loss.item()
        step += 1
        if step % 50 == 0:
            print(f"{step} steps, {filled} drawn, loss {mean:.4f}, {60 * given.minutes * used:.0f} s", flush=True)
        if step % 200 == 0:
            save(kept.module, given.output)
    save(kept.module, given.output)
    drawing.terminate()
    for m in made:
        m.close()
        m.unlink()


def save(net: Net, path: Path) -> None:
    """Weights as .pt to go on from, and as ONNX for any rows and columns that the network takes."""
    torch.save(net.state_dict(), path.with_suffix(".pt"))
    net.eval()
    sizes = {0: "batch", 2: "rows", 3: "columns"}
    torch.onnx.export(
        net, (torch.zeros(1, 3, 64, 96),), path, input_names=["picture"], output_names=["scores"],
        dynamic_axes={"picture": sizes, "scores": sizes}, opset_version=17, dynamo=False,
    )  # fmt: skip
    pack(path)
    halve(path)
    net.train()


if __name__ == "__main__":
    main()
