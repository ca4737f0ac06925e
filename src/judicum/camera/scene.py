"""What lies before the simulated camera: a bead on a plate, the light, and how the phone is held."""

from dataclasses import dataclass, field, replace

import numpy as np
from scipy.ndimage import gaussian_filter1d

from judicum.core.arrays import Floats
from judicum.core.photo.film import tint_levels

STEP_MM = 0.05


@dataclass(frozen=True)
class Fault:
    """A fault on the bead: kind as in docs/measuring.md, place in the bead frame and size, mm.

    Of an undercut only the sign of `n_mm` counts; `pinhole` is a hole in a crater.
    """

    kind: str
    s_mm: float
    n_mm: float
    size_mm: float
    pinhole: bool = False


@dataclass(frozen=True)
class Bead:
    """A bead in its own straight frame, sampled every 0.05 mm of `s_mm` from tip to tip.

    `centre_mm` is its offset across, `half_mm` half its width (caps left out), `fronts_mm` the
    ripple fronts on the centreline (empty for a fused bead), `curve_mm` how far a front's middle
    runs ahead of its ends. `film_nm` is the film on the face, `zone_nm` beside the toe;
    `fade_mm` (left, right) how far from the toe the zone's film has faded to a fifth.
    """

    s_mm: Floats
    centre_mm: Floats
    half_mm: Floats
    fronts_mm: Floats
    curve_mm: float
    film_nm: float
    zone_nm: float
    fade_mm: tuple[float, float]
    crown_mm: float = 0.8
    flank: float = 1.0
    """How the crown falls to the toes: 1 meets the plate at an angle (a parabola), 2 runs out into it."""
    ripple_mm: float = 0.06
    rise: float = 0.5
    fall: float = 6.0
    """A ripple's height at a part (0 to 1) of its gap: part ** rise * (1 - part ** fall), its front where it has fallen."""
    film_ends_mm: float = 0.0
    film_soft_mm: float = 0.05
    """How far outside the toe the face's film gives way to the zone's, and over what: film follows heat, not the toe."""
    grey: bool = False
    faults: tuple[Fault, ...] = ()
    film_rise_nm: float = 0.0
    """How much thicker the film is at the end than at the start; `film_nm` is its middle."""

    @property
    def length_mm(self) -> float:
        return float(self.s_mm[-1])


@dataclass(frozen=True)
class View:
    """How the phone is held and lit. Angles in degrees; `light` multiplies linear red, green, blue. `lamp_deg`: one lamp stands low in
    this direction on the card (0 right, 90 down), and grooves beside the toe are shaped, not painted; None: the usual two."""

    size: tuple[int, int] = (2000, 1500)
    turn_deg: float = 0.0
    tilt_deg: float = 5.0
    tilt_towards_deg: float = 90.0
    light: tuple[float, float, float] = (1.0, 0.98, 0.95)
    exposure: float = 0.85
    blur_px: float = 0.7
    noise: float = 0.006
    jpeg_quality: int = 88
    lamp_deg: float | None = None


@dataclass(frozen=True)
class Scene:
    """One photo to be drawn: the bead, where it lies on the card plane, the plate and the view.

    `start_mm` is the bead's start on the window card, `angle_deg` its direction on the card,
    `grain_deg` and `grain` direction and strength (0 to 1) of the plate's brushing. `joint` is
    `bead_on_plate`, `butt`, `lap`, `tee` or `tube`; `card` which card lies there (`window`, `strip`,
    `long_strip` or `none`); `decoys` marks that are no faults; `stripe_nm` a tinted stripe where there is no bead.
    """

    bead: Bead | None
    start_mm: tuple[float, float] = (45.0, 55.0)
    angle_deg: float = 0.0
    grain_deg: float = 20.0
    grain: float = 0.4
    joint: str = "bead_on_plate"
    card: str = "window"
    decoys: tuple[str, ...] = ()
    stripe_nm: float = 0.0
    view: View = field(default_factory=View)
    seed: int = 1
    beside: tuple["Scene", ...] = ()
    """Other beads on the same plate; only where they lie and what they are counts."""

    @property
    def on_strip(self) -> bool:
        """Whether a strip lies beside the bead."""
        return self.card.endswith("strip")


def weld(
    rng: np.random.Generator,
    *,
    length_mm: float,
    width_mm: float,
    width_cv: float,
    pitch_mm: float,
    pitch_cv: float,
    wander_mm: float,
    bead_level: int,
    zone_level: int,
    drift: float = 0.0,
    lapses: int = 0,
    faults: tuple[Fault, ...] = (),
    rippled: bool = True,
) -> Bead:
    """Lay a bead with the given steadiness.

    Args:
        rng: source of chance.
        length_mm: tip to tip. width_mm: mean width. width_cv: sd / mean of the width along s.
        pitch_mm: mean ripple gap. pitch_cv: sd / mean of the gaps, lapses not counted.
        wander_mm: root mean square wander of the centreline.
        bead_level, zone_level: tint levels 0 to 6, or 7 for a grey bead.
        drift: relative growth of the width from start to end.
        lapses: number of gaps drawn twice as long (missed dabs).
        rippled: False for a fused bead without ripple fronts.
    """
    s = np.arange(0.0, length_mm + STEP_MM / 2, STEP_MM)
    body = width_mm / 2 * (1 + width_cv * _unit_noise(rng, len(s), 5.0) + drift * (s / length_mm - 0.5))
    gaps = np.clip(
        pitch_mm * (1 + pitch_cv * rng.standard_normal(int(length_mm / pitch_mm * 3) + 8)), 0.45 * pitch_mm, None
    )
    for place in (
        rng.choice(np.arange(4, max(6, int(length_mm / pitch_mm) - 4)), size=lapses, replace=False) if lapses else []
    ):
        gaps[place] *= 2.0
    fronts = np.cumsum(gaps)
    fronts = fronts[(fronts > 0.35 * width_mm) & (fronts < length_mm - 0.35 * width_mm)] if rippled else np.array([])
    bead = Bead(
        s_mm=s,
        centre_mm=wander_mm * _unit_noise(rng, len(s), 14.0),
        half_mm=body,
        fronts_mm=fronts,
        curve_mm=float(rng.uniform(0.5, 0.9) * width_mm / 2),
        film_nm=_film(min(bead_level, 6)),
        zone_nm=_film(min(zone_level, 6)),
        fade_mm=(
            float(rng.uniform(0.8, 1.2)) * (1.2 + 0.7 * zone_level),
            float(rng.uniform(0.8, 1.2)) * (1.2 + 0.7 * zone_level),
        ),
        crown_mm=0.16 * width_mm,
        ripple_mm=0.0 if not rippled else 0.07,
        grey=bead_level == 7,
    )
    for fault in faults:
        bead = with_outline(bead, fault)
    return bead


def with_outline(bead: Bead, fault: Fault) -> Bead:
    """The bead with a fault, and with what it does to the outline: a bulge swells it, a gap thins it and has no ripples."""
    bead = replace(bead, faults=(*bead.faults, fault))
    if fault.kind not in ("gap", "bulge"):
        return bead
    edge = np.clip((fault.size_mm / 2 - np.abs(bead.s_mm - fault.s_mm)) / 1.0 + 0.5, 0, 1)
    smooth = edge**2 * (3 - 2 * edge)
    half = bead.half_mm * (1 + smooth * (0.55 if fault.kind == "bulge" else -0.75))
    shown = np.abs(bead.fronts_mm - fault.s_mm) >= (fault.size_mm / 2 if fault.kind == "gap" else 0.0)
    return replace(bead, half_mm=half, fronts_mm=bead.fronts_mm[shown])


def _film(level: int) -> float:
    low, high = tint_levels()[level]["film_nm"]
    return float(low + high) / 2


def _unit_noise(rng: np.random.Generator, count: int, scale_mm: float) -> Floats:
    """Smooth noise with mean 0 and standard deviation 1 over its whole length."""
    noise = gaussian_filter1d(rng.standard_normal(count + 1), scale_mm / STEP_MM / 2.5, mode="wrap")[:count]
    return (noise - noise.mean()) / noise.std()
