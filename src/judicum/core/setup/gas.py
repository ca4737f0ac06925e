"""Shielding gas: flow for a cup, post-flow for a current."""


def flow_band_l_min(cup: float, gas_part: str) -> tuple[float, float]:
    """Accepted flow (L/min) for a cup number: 0.85 to 1.45 times the number, up to twice that on a collet body.

    >>> tuple(round(v, 2) for v in flow_band_l_min(8, "gas_lens"))
    (6.8, 11.6)
    """
    more = 2.0 if gas_part == "collet_body" else 1.0
    return 0.85 * cup, 1.45 * cup * more


def least_postflow_s(current_a: float) -> float:
    """Least post-flow (s) on stainless: 1 s per 10 A, never under 6 s.

    >>> least_postflow_s(85)
    8.5
    """
    return max(6.0, current_a / 10)
