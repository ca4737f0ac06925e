"""What a teacher asks of a student's record on one coupon: will the next one pass, how many more, what holds it back.

The model is in `learning`; how good it is on classes that it was not made for is in docs/progress.md.
"""

from collections import Counter
from collections.abc import Hashable, Mapping
from dataclasses import dataclass
from typing import Any, Literal

import numpy as np

from judicum.core.acceptance import BANDS
from judicum.core.arrays import Floats
from judicum.core.marking.scheme import SCHEMES, USUAL_SCHEME
from judicum.core.marking.score import on_curve
from judicum.core.photo.fault_kinds import FAULT_KINDS
from judicum.core.progress.learning import (
    LEARNING,
    Particles,
    Record,
    draw_particles,
    log_likelihood,
    passes_ahead,
    until_in_a_row,
    usual_in,
)
from judicum.core.progress.record import Question, RecordedAttempt, read_question, record_of
from judicum.core.progress.trend import good_in_a_row


@dataclass(frozen=True)
class ForecastParameters:
    """From how much, and how far, a record tells what comes."""

    held: float = 0.8
    """Share of cases that the range of further attempts holds at least."""
    likely: float = 0.5
    """Probability from which a number of attempts is named at all."""
    ready: float = 0.8
    """Probability of passing the next attempt from which a student is ready."""
    trend_attempts: int = 6
    """Attempts that a trend is read from."""
    min_marked: int = 3
    """Marked attempts under which nothing is foretold."""
    plateau_attempts: int = 5
    """Attempts without getting better that make a plateau."""
    now_attempts: int = 3
    """Attempts whose median is a figure now."""
    fault_attempts: int = 4
    """Attempts of which a returning fault is in at least half."""
    usual_noise: float = 7.0
    """Marks of noise from attempt to attempt where few attempts cannot say."""
    usual_weight: float = 4.0
    """How many attempts that belief weighs."""
    beyond_noise: float = 1.3
    """A slope over its own error from which it is a trend: one in ten level records is taken for one."""
    near_weight: float = 0.8
    """Weight of the student's own marks for the next attempt: no fixed set of particles holds the true one."""
    far_weight: float = 0.35
    """Their weight for all that follow: the further ahead, the less the way of before binds."""
    other_coupons: float = 0.5
    """Weight of the course of marks at another coupon."""
    min_others: int = 3
    """Attempts at another coupon from which its course counts."""
    same_hand: float = 0.6
    """Share of a lead over the class on other coupons that is kept on this one."""
    same_hand_half: float = 4.0
    """Attempts after which half of that lead is believed."""


FORECAST = ForecastParameters()

NOTHING = Record(np.empty(0), np.empty(0))
WEIGHED = {
    "width_cv": "width_evenness",
    "pitch_cv": "ripple_evenness",
    "toe_waviness": "straight_toes",
    "tint_over": "tint",
}
"""Figures by the criterion that marks them."""
Trend = Literal["better", "level", "worse", "unknown"]


@dataclass(frozen=True)
class ToGo:
    """Further attempts until enough good ones stand in a row: the shortest range that holds HELD of cases, and its middle."""

    low: int
    median: int
    high: int


@dataclass(frozen=True)
class Forecast:
    """All of the answer (docs/progress.md); `to_go` is 0 where they stand, None where more than LEARNING.max_ahead are likely."""

    attempts: int
    good_in_a_row: int
    next_pass: float
    to_go: ToGo | int | None
    trend: Trend
    plateau: bool
    ready: bool
    holds_back: str | None
    returning: tuple[tuple[str, int], ...]
    own: int
    classmates: int

    def as_json(self) -> dict[str, Any]:
        """The contract's JSON values."""
        to_go: Any = self.to_go
        if isinstance(to_go, ToGo):
            to_go = {"low": to_go.low, "median": to_go.median, "high": to_go.high}
        return {
            "attempts": self.attempts, "good_in_a_row": self.good_in_a_row, "next_pass": self.next_pass, "to_go": to_go,
            "trend": self.trend, "plateau": self.plateau, "ready": self.ready, "holds_back": self.holds_back,
            "returning": [{"fault": fault, "in": times, "of": FORECAST.fault_attempts} for fault, times in self.returning],
            "basis": {"own": self.own, "class": self.classmates},
        }  # fmt: skip


def forecast(given: Mapping[str, Any]) -> Forecast:
    """Forecast from JSON values (docs/progress.md). Raises InvalidValue."""
    return forecast_of(read_question(given))


def forecast_of(asked: Question) -> Forecast:
    """The same of a question that was read."""
    everybody = ClassRecords({None: asked.student, **dict(enumerate(asked.classmates))})
    return everybody.forecast(None, asked.coupon, asked.pass_mark, asked.in_a_row)


class ClassRecords:
    """Records of a class of which many students are asked: each is sorted by coupon once. `who` is any key of a student."""

    def __init__(self, attempts: Mapping[Any, tuple[RecordedAttempt, ...]]) -> None:
        self._attempts = attempts
        self._records = {
            who: {coupon: record_of(tried, coupon) for coupon in {one.coupon for one in tried}}
            for who, tried in attempts.items()
        }
        self._off: dict[tuple[Hashable, str], list[float]] = {}

    def forecast(self, who: Hashable, coupon: str, pass_mark: float, in_a_row: int) -> Forecast:
        """How one student's record at a coupon goes on; all the others are the class."""
        particles, own = draw_particles(), self._records[who].get(coupon, NOTHING)
        classmates = [kept[coupon] for other, kept in self._records.items() if other != who and coupon in kept]
        before, likelihood = self._before(particles, who, coupon, classmates), log_likelihood(particles, own)
        weights = _weights(before + FORECAST.near_weight * likelihood)
        ahead = passes_ahead(particles, own, pass_mark)
        next_pass = round(float(np.clip(weights @ ahead[:, 0], 0.0, 1.0)), 3)
        standing = good_in_a_row([total >= pass_mark for total in own.totals])
        enough = standing >= in_a_row
        far = _weights(before + FORECAST.far_weight * likelihood)
        to_go = 0 if enough else _to_go(until_in_a_row(ahead, far, in_a_row, standing))
        here = [one for one in self._attempts[who] if one.coupon == coupon]
        return Forecast(
            len(own),
            standing,
            next_pass,
            to_go,
            trend_of(own.totals),
            len(own) >= FORECAST.plateau_attempts
            and _slope_over_error(own.totals[-FORECAST.plateau_attempts :]) < FORECAST.beyond_noise,
            enough and next_pass >= FORECAST.ready,
            holds_back(here),
            returning(here),
            len(own),
            sum(len(one) > 0 for one in classmates),
        )

    def _before(self, particles: Particles, who: Hashable, coupon: str, classmates: list[Record]) -> Floats:
        """Log odds of each particle before the student's own marks here: usual in the class, tilted by their other coupons."""
        usual = usual_in(particles, classmates)
        others = {key: record for key, record in self._records[who].items() if key != coupon}
        logs = np.log(usual) + self._lead(particles, usual, who, others)
        for record in others.values():
            if len(record) >= FORECAST.min_others:
                logs = logs + FORECAST.other_coupons * log_likelihood(particles, record, level_free=True)
        return logs

    def _lead(self, particles: Particles, usual: Floats, who: Hashable, others: Mapping[str, Record]) -> Floats:
        """Log odds of each particle from how far a student is before or behind the class at the same attempts of other coupons."""
        off = [one for coupon in others for one in self._before_others(who, coupon)]
        if not off:
            return np.zeros(len(usual))
        lead = float(np.mean(off)) * FORECAST.same_hand * len(off) / (len(off) + FORECAST.same_hand_half)
        mean = float(usual @ particles.start)
        spread = float(usual @ (particles.start - mean) ** 2)
        return lead * (particles.start - mean) / max(spread, 25.0)

    def _before_others(self, who: Hashable, coupon: str) -> list[float]:
        """Marks of a student over the mean of at least two others at the same attempt of a coupon."""
        if (who, coupon) not in self._off:
            theirs = [kept[coupon].totals for one, kept in self._records.items() if one != who and coupon in kept]
            same = [[totals[k] for totals in theirs if len(totals) > k] for k in range(len(self._records[who][coupon]))]
            mine = self._records[who][coupon].totals
            self._off[who, coupon] = [
                float(total - sum(row) / len(row)) for total, row in zip(mine, same, strict=True) if len(row) >= 2
            ]
        return self._off[who, coupon]


def _weights(logs: Floats) -> Floats:
    weights = np.exp(logs - logs.max())
    return np.asarray(weights / weights.sum())


def _to_go(done: Floats) -> ToGo | None:
    """The shortest range of whole numbers that holds HELD of cases; None where more than LEARNING.max_ahead are likely."""
    if done.sum() < FORECAST.likely:
        return None
    # The last number stands for itself and all beyond it.
    share = np.append(done[:-1], max(0.0, 1.0 - float(done[:-1].sum())))
    below = np.concatenate([[0.0], np.cumsum(share)])
    low, high = 0, len(share)
    for first in range(len(share)):
        last = int(np.searchsorted(below, below[first] + FORECAST.held - 1e-9))
        if last > len(share):
            break
        if last - first < high - low:
            low, high = first, last
    return ToGo(low + 1, min(int(np.searchsorted(below, FORECAST.likely)), LEARNING.max_ahead), high)


def trend_of(totals: Floats) -> Trend:
    """Over the last six marked attempts; `unknown` under three."""
    if len(totals) < FORECAST.min_marked:
        return "unknown"
    over = _slope_over_error(totals[-FORECAST.trend_attempts :])
    return "better" if over >= FORECAST.beyond_noise else "worse" if over <= -FORECAST.beyond_noise else "level"


def _slope_over_error(totals: Floats) -> float:
    """A straight line's slope over its error; the noise about it is drawn towards the usual one, so that three may speak."""
    n = len(totals)
    at = np.arange(n) - (n - 1) / 2
    slope = float(at @ totals / (at @ at))
    off = totals - totals.mean() - slope * at
    noise = np.sqrt(
        (float(off @ off) + FORECAST.usual_weight * FORECAST.usual_noise**2) / (n - 2 + FORECAST.usual_weight)
    )
    return slope / float(noise / np.sqrt(at @ at))


def holds_back(attempts: list[RecordedAttempt]) -> str | None:
    """The figure that costs the most points now, of those beyond their good limit; None where none is."""
    scheme = SCHEMES[USUAL_SCHEME]
    weight = {line.criterion.key: line.weight for line in scheme.lines}
    curve = {line.criterion.key: line.curve for line in scheme.lines}
    costs: dict[str, float] = {}
    for key, criterion in WEIGHED.items():
        known = [one.figures[key] for one in attempts if key in one.figures][-FORECAST.now_attempts :]
        if not known:
            continue
        now = float(np.median(known))
        good = BANDS[key].good if key in BANDS else 0.0
        if now > good:
            costs[key] = weight[criterion] * (10 - on_curve(curve[criterion], now))
    faulty = [
        sum(FAULT_KINDS[f].cost if f in FAULT_KINDS else 1.0 for f in one.faults)
        for one in attempts[-FORECAST.now_attempts :]
    ]
    if faulty and sum(faulty):
        costs["faults"] = weight["faults"] * (10 - float(np.mean([on_curve(curve["faults"], cost) for cost in faulty])))
    return max(costs, key=lambda key: costs[key]) if any(costs.values()) else None


def returning(attempts: list[RecordedAttempt]) -> tuple[tuple[str, int], ...]:
    """Kinds of fault in at least half of the last four attempts, the most frequent first; none under four."""
    if len(attempts) < FORECAST.fault_attempts:
        return ()
    counts = Counter(fault for one in attempts[-FORECAST.fault_attempts :] for fault in set(one.faults))
    return tuple(
        (fault, times)
        for fault, times in sorted(counts.items(), key=lambda c: (-c[1], c[0]))
        if 2 * times >= FORECAST.fault_attempts
    )
