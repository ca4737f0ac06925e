"""Particles, each one way of learning: how a student's marks on one coupon may go on, and which are usual in a class.

A record is looked at through a fixed set of particles: where one starts, how far and how fast one gets better, evenly or
in one step, how much is forgotten over a break, how much one attempt differs from the next. What a class has done says how
usual each way is (weights of a mixture, fitted by a few rounds of expectation and maximisation from a wide starting belief
[src: laird-1978]); what the student has done says which of them it may be (Bayes' rule). Even learning follows the
exponential law of practice of single learners [src: heathcote-2000].

Known limits: one step at most; noise is the same all along; coupons are spaced a week apart from now on.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
from scipy.special import ndtr

from judicum.core.arrays import Floats


@dataclass(frozen=True)
class LearningParameters:
    """What is believed of a class before its marks are seen, and how far is looked."""

    seed: int = 20
    """Of the fixed draw."""
    particles: int = 600
    """Drawn students; twice as many change no probability by more than 0.01 on average."""
    start: float = 55.0
    """Marks of a hundred: the first attempt, where nothing is known of a class."""
    start_sd: float = 18.0
    """Marks: how widely first attempts lie (standard deviation)."""
    gain: float = 26.0
    """Marks that practice adds in the end, for those whom something holds back."""
    gain_sd: float = 13.0
    """Marks: how widely that gain lies (standard deviation)."""
    min_gain: float = 3.0
    """Marks: less is no gain."""
    max_gain: float = 60.0
    """Marks: more than lies between a poor first attempt and a good one."""
    mastery: float = 86.0
    """Mark that the others end at, whatever they begin with."""
    mastery_sd: float = 7.0
    """Marks: how widely those ends lie (standard deviation)."""
    masters: float = 0.6
    """Share of students who end there."""
    flat: float = 0.18
    """Share of those who get no better."""
    sudden: float = 0.18
    """Share of those who get better in one step."""
    rate: tuple[float, float] = (0.025, 1.2)
    """Per attempt, slowest and fastest: from about forty attempts for most of the gain to two."""
    noise: tuple[float, float] = (3.0, 13.0)
    """Marks (standard deviation), least and most, by which one attempt differs from what was to be expected."""
    ceiling: float = 97.0
    """Mark over which no expected one lies: a hundred is given to single beads, not to everybody."""
    break_days: float = 10.0
    """Days: a longer pause than this is a break, a week with one session missed is not."""
    forget_days: float = 20.0
    """Days of a break after which the forgetful have lost most."""
    odd: float = 0.04
    """Share of attempts that say nothing of the student: a wrong bottle, a bad session."""
    odd_sd: float = 25.0
    """Marks: spread of those attempts."""
    belief: float = 6.0
    """How many students the wide starting belief weighs beside those of the class."""
    rounds: int = 4
    """Of fitting the class and its students to each other; more change nothing that is shown."""
    apart_days: float = 7.0
    """Days from one attempt to the next, from now on: one session a week."""
    max_ahead: int = 40
    """Further attempts that are looked at."""
    longest: int = 400
    """Attempts at one coupon that are looked at, the last ones."""


LEARNING = LearningParameters()


@dataclass(frozen=True)
class Record:
    """Marked attempts of one student at one coupon: `totals` of 100, `days` since the first of them; both of one length."""

    totals: Floats
    days: Floats

    def __len__(self) -> int:
        return len(self.totals)


@dataclass(frozen=True, eq=False)
class Particles:
    """Ways of learning, one an entry; `table` is the mark each expects after 0, 1, 2, … attempts without a break."""

    start: Floats
    gain: Floats
    rate: Floats
    step: Floats
    forget: Floats
    noise: Floats
    table: Floats

    def level(self, count: Floats) -> Floats:
        """The mark each particle expects after so many attempts that still count; `count` and result particles × attempts."""
        even = -np.expm1(-self.rate[:, None] * count)
        share = np.where(self.step[:, None] > 0, count >= self.step[:, None], even)
        return np.clip(self.start[:, None] + self.gain[:, None] * share, 0.0, LEARNING.ceiling)

    def expected(self, days: Floats) -> Floats:
        """The mark each particle expects at attempts on these days (particles × attempts); a break takes from what was practised."""
        pauses = np.maximum(0.0, np.diff(days) - LEARNING.break_days)
        if not pauses.any() and len(days) <= self.table.shape[1]:
            return self.table[:, : len(days)]
        count = np.zeros((len(self.start), len(days)))
        held = np.zeros(len(self.start))
        for k, pause in enumerate(pauses, 1):
            held = held + 1
            if pause:
                held = held * np.exp(-self.forget * pause / LEARNING.forget_days)
            count[:, k] = held
        return self.level(count)


@lru_cache(maxsize=1)
def draw_particles() -> Particles:
    """The fixed set of particles of learning; the same in every process."""
    rng = np.random.default_rng(LEARNING.seed)
    kind = rng.uniform(size=LEARNING.particles)
    flat, sudden = kind < LEARNING.flat, (kind >= LEARNING.flat) & (kind < LEARNING.flat + LEARNING.sudden)
    start = rng.normal(LEARNING.start, LEARNING.start_sd, LEARNING.particles)
    to_mastery = rng.normal(LEARNING.mastery, LEARNING.mastery_sd, LEARNING.particles) - start
    master = rng.uniform(size=LEARNING.particles) < LEARNING.masters
    grown = np.clip(
        np.where(master, to_mastery, rng.normal(LEARNING.gain, LEARNING.gain_sd, LEARNING.particles)),
        LEARNING.min_gain,
        LEARNING.max_gain,
    )
    bare = Particles(
        start=start,
        gain=np.where(flat, rng.normal(0.0, 2.0, LEARNING.particles), grown),
        rate=_between(rng, LEARNING.rate),
        step=np.where(sudden, rng.integers(1, 13, LEARNING.particles), 0).astype(float),
        forget=np.where(rng.uniform(size=LEARNING.particles) < 0.5, 0.0, rng.uniform(0.2, 1.0, LEARNING.particles)),
        noise=_between(rng, LEARNING.noise),
        table=np.zeros((LEARNING.particles, 0)),
    )
    every = np.tile(np.arange(LEARNING.longest + LEARNING.max_ahead, dtype=float), (LEARNING.particles, 1))
    return Particles(bare.start, bare.gain, bare.rate, bare.step, bare.forget, bare.noise, bare.level(every))


def _between(rng: np.random.Generator, ends: tuple[float, float]) -> Floats:
    """Figures for all particles, evenly between the logarithms of two ends."""
    return np.exp(rng.uniform(np.log(ends[0]), np.log(ends[1]), LEARNING.particles))


def log_likelihood(particles: Particles, record: Record, level_free: bool = False) -> Floats:
    """How likely each particle makes a record, as a logarithm (particles).

    Args:
        level_free: only the course of the marks counts, not their height: of another coupon, which may be easier.
    """
    return _log_likelihood(particles, record.totals.tobytes(), record.days.tobytes(), level_free)


@lru_cache(maxsize=4096)
def _log_likelihood(particles: Particles, totals: bytes, days: bytes, level_free: bool) -> Floats:
    """`log_likelihood` of each record once: every student of a class is asked of beside all the others."""
    if not totals:
        return np.zeros(len(particles.start))
    off = np.frombuffer(totals)[None, :] - particles.expected(np.frombuffer(days))
    if level_free:
        off = off - off.mean(1, keepdims=True)
    usual = (1 - LEARNING.odd) / particles.noise[:, None] * np.exp(-0.5 * (off / particles.noise[:, None]) ** 2)
    return np.asarray(
        np.log(usual + LEARNING.odd / LEARNING.odd_sd * np.exp(-0.5 * (off / LEARNING.odd_sd) ** 2)).sum(1)
    )


def usual_in(particles: Particles, classmates: Sequence[Record]) -> Floats:
    """How usual each particle is among students like these: weights that sum to 1."""
    belief = np.full(len(particles.start), 1.0 / len(particles.start))
    records = [one for one in classmates if len(one)]
    if not records:
        return belief
    logs = np.array([log_likelihood(particles, one) for one in records])
    scaled = np.exp(logs - logs.max(1, keepdims=True))
    weights = belief
    for _ in range(LEARNING.rounds):
        each = scaled * weights
        each /= each.sum(1, keepdims=True)
        weights = (LEARNING.belief * belief + each.sum(0)) / (LEARNING.belief + len(records))
    return weights


def passes_ahead(particles: Particles, record: Record, pass_mark: float) -> Floats:
    """How likely each particle reaches the pass mark at each of the next MAX_AHEAD attempts (particles × attempts)."""
    without_break = not (np.diff(record.days) > LEARNING.break_days).any()
    return _passes(particles, len(record), b"" if without_break else record.days.tobytes(), pass_mark)


@lru_cache(maxsize=128)
def _passes(particles: Particles, done: int, days: bytes, pass_mark: float) -> Floats:
    """`passes_ahead` after so many attempts; `days` are empty where no break lies between them: then they do not matter."""
    before = np.frombuffer(days) if days else LEARNING.apart_days * np.arange(done)
    last = float(before[-1]) if done else -LEARNING.apart_days
    expected = particles.expected(
        np.concatenate([before, last + LEARNING.apart_days * np.arange(1, LEARNING.max_ahead + 1)])
    )
    over = expected[:, done:] - pass_mark
    return np.asarray(
        (1 - LEARNING.odd) * ndtr(over / particles.noise[:, None]) + LEARNING.odd * ndtr(over / LEARNING.odd_sd)
    )


def until_in_a_row(passes: Floats, weights: Floats, in_a_row: int, standing: int) -> Floats:
    """How likely enough good ones stand in a row for the first time after exactly 1, 2, … further attempts.

    Args:
        passes: by particle and attempt. weights: of the particles. standing: good ones in a row now.
    """
    kept = weights > 1e-6
    passes, state = passes[kept], np.zeros((in_a_row, int(kept.sum())))
    state[min(standing, in_a_row - 1)] = weights[kept]
    done = np.empty(passes.shape[1])
    for k in range(passes.shape[1]):
        good = state * passes[:, k]
        done[k] = good[-1].sum()
        failed = (state - good).sum(0)
        state[1:] = good[:-1]
        state[0] = failed
    return done
