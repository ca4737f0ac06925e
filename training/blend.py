"""The weighted mean of two networks `along`, one taught on from the other: `python -m training.blend OLD.pt NEW.pt -o FILE.onnx`."""

import argparse
from pathlib import Path

import torch

from training.axis import AlongNet, save


def main() -> None:
    asked = argparse.ArgumentParser(description=__doc__)
    asked.add_argument("old", type=Path)
    asked.add_argument("new", type=Path)
    asked.add_argument("-o", "--output", type=Path, required=True)
    asked.add_argument("--share", type=float, default=0.3, help="of the new one, 0 to 1")
    given = asked.parse_args()
    old, new = torch.load(given.old), torch.load(given.new)
    net = AlongNet()
    net.load_state_dict({
        name: torch.lerp(old[name], one, given.share) if one.is_floating_point() else one for name, one in new.items()
    })  # fmt: skip
    save(net, given.output)


if __name__ == "__main__":
    main()
