"""White balance from the card's grey patches and paper."""

import numpy as np

from judicum.core.arrays import Floats
from judicum.core.photo.film import srgb_to_linear
from judicum.core.photo.picture import Picture
from judicum.core.photo.scale import Scale, card_geometry
from judicum.core.photo.unwrap import sample


def card_gains(picture: Picture, scale: Scale) -> Floats:
    """Gain of each channel that makes the card's greys neutral at their printed reflectance.

    The gain is the median over the patches of printed over seen linear light, leaving out
    clipped patches; without a card it is 1.

    Args:
        picture: the upright photo.

    Returns:
        float (3,), to be multiplied with linear light.
    """
    if not scale.of_card:
        return np.ones(3)
    patches = card_geometry()[scale.kind]["grey_patches"]
    ratios = []
    for (x, y), printed in zip(patches["at"], patches["reflectance_srgb"], strict=True):
        side = patches["size"]
        grid = np.stack(np.meshgrid(np.linspace(x + 2, x + side - 2, 16), np.linspace(y + 2, y + side - 2, 16)), -1)
        seen = sample(picture, scale, grid).reshape(-1, 3)
        if (seen >= 250).mean() > 0.05 or seen.mean() < 3:
            continue
        ratios.append(
            float(srgb_to_linear(np.uint8(printed))) / np.maximum(np.median(srgb_to_linear(seen), axis=0), 1e-4)
        )
    return np.median(ratios, axis=0) if ratios else np.ones(3)
