"""`./judicum bench-rota`: drawn sessions, planned and checked by a checker of its own.

A rota is drawn first and its sittings are then the needs, so that all of them can be placed; `planted` uses two thirds of it.
`tight` uses every minute that was drawn and adds a third more needs of priorities 2 and 3 that compete for what is left.
`ladder` has chains of needs that wait for one another in the drawn order, dues, people who are away, kept sittings. `small` is
a class of six at two booths with too much to do: the best is proven by the solver alone.
"""

import time
from collections import defaultdict
from dataclasses import dataclass
from datetime import date, datetime, timedelta
from itertools import pairwise
from typing import Any

import numpy as np

from judicum.core.planning.rota import rota

KINDS = ("planted", "tight", "ladder", "small")
FEATURES = ("ac", "pulse", "purge", "turntable", "large_head", "small_head")
SIZES = {"small": (3, 2, 6)}
"""Sessions, booths and people of a kind, where they are not USUAL."""
USUAL = (12, 10, 24)
MINUTES = 180
CHANGEOVER = 10
LENGTHS = (30, 40, 45, 60, 75, 90)
BEGIN = date(2026, 12, 1)


@dataclass(frozen=True)
class Session:
    """What is asked, and how many of each priority can be placed at most: exact where they were planted, else all of them."""

    asked: dict[str, Any]
    most: dict[int, int]


def session(kind: str, seed: int) -> Session:
    """One drawn instance of a kind."""
    rng = np.random.default_rng([KINDS.index(kind), seed])
    count, many_booths, many_people = SIZES.get(kind, USUAL)
    sessions = [
        {"id": f"s{k + 1}", "date": (BEGIN + timedelta(days=3 * k)).isoformat(), "start": "18:00", "minutes": MINUTES}
        for k in range(count)
    ]
    booths: list[dict[str, Any]] = [
        {"id": f"B{k + 1}", "has": [f for f in FEATURES if rng.uniform() < 0.6]} for k in range(many_booths)
    ]
    for booth in booths:
        booth["closed"] = [s["id"] for s in sessions if rng.uniform() < 0.05]
    people: list[dict[str, Any]] = [{"id": f"p{k + 1}", "away": [], "most_minutes": None} for k in range(many_people)]
    needs, places = _planted(rng, sessions, booths, people, 1.0 if kind in ("tight", "small") else 0.8)
    for person in people:
        there = {at["session"] for need, at in zip(needs, places, strict=True) if need["person"] == person["id"]}
        person["away"] = [s["id"] for s in sessions if s["id"] not in there and rng.uniform() < 0.15]
        if rng.uniform() < 0.4:
            person["most_minutes"] = max([90, *_minutes_by_session(str(person["id"]), needs, places)])
    kept: list[dict[str, Any]] = []
    if kind in ("tight", "small"):
        more = [_more(rng, k, booths, people) for k in range(max(4, len(needs) // 3))]
        for need in more:
            need["priority"] = int(rng.integers(2, 4))
        needs += more
    if kind == "ladder":
        kept = _ladders(rng, sessions, needs, places)
    asked = {
        "sessions": sessions, "booths": booths, "people": people, "needs": needs, "changeover_minutes": CHANGEOVER, "kept": kept,
    }  # fmt: skip
    most = {p: sum(need["priority"] == p for need in needs) for p in (1, 2, 3)}
    return Session(asked, most)


def _planted(
    rng: np.random.Generator, sessions: list[Any], booths: list[Any], people: list[Any], share: float
) -> tuple[list[Any], list[Any]]:
    """A rota drawn booth by booth, nobody twice at a time, of which about `share` is taken."""
    needs: list[dict[str, Any]] = []
    places: list[dict[str, Any]] = []
    busy: dict[tuple[str, str], list[tuple[int, int]]] = defaultdict(list)
    for session in sessions:
        for booth in booths:
            if session["id"] in booth["closed"]:
                continue
            at = 0
            while at + min(LENGTHS) <= MINUTES:
                minutes = int(rng.choice([one for one in LENGTHS if at + one <= MINUTES]))
                free = [
                    p["id"] for p in people
                    if all(at + minutes <= a or at >= b for a, b in busy[p["id"], session["id"]])
                ]  # fmt: skip
                if free and rng.uniform() < share:
                    person = str(rng.choice(free))
                    busy[person, session["id"]].append((at, at + minutes))
                    wants = [f for f in booth["has"] if rng.uniform() < 0.25]
                    needs.append(
                        {"id": f"n{len(needs) + 1}", "person": person, "coupon": "butt-15", "minutes": minutes, "wants": wants,
                         "not_before": None, "due": None, "after": None, "priority": 1}
                    )  # fmt: skip
                    places.append({"session": session["id"], "booth": booth["id"], "start": at, "end": at + minutes})
                at += minutes + CHANGEOVER
    return needs, places


def _minutes_by_session(person: str, needs: list[Any], places: list[Any]) -> list[int]:
    minutes: dict[str, int] = defaultdict(int)
    for need, at in zip(needs, places, strict=True):
        if need["person"] == person:
            minutes[at["session"]] += need["minutes"]
    return list(minutes.values())


def _more(rng: np.random.Generator, k: int, booths: list[Any], people: list[Any]) -> dict[str, Any]:
    has = booths[int(rng.integers(len(booths)))]["has"]
    return {
        "id": f"m{k + 1}", "person": str(rng.choice([p["id"] for p in people])), "coupon": "tee-20",
        "minutes": int(rng.choice(LENGTHS)), "wants": [f for f in has if rng.uniform() < 0.3], "not_before": None, "due": None,
        "after": None, "priority": 1,
    }  # fmt: skip


def _ladders(
    rng: np.random.Generator, sessions: list[Any], needs: list[Any], places: list[Any]
) -> list[dict[str, Any]]:
    """Chains in the order of the planted rota, dates around it, and a few sittings kept where they lie."""
    days = {s["id"]: s["date"] for s in sessions}
    mine: dict[str, list[int]] = defaultdict(list)
    for k, need in enumerate(needs):
        mine[need["person"]].append(k)
    order = {s["id"]: i for i, s in enumerate(sessions)}
    for rows in mine.values():
        rows.sort(key=lambda k: (order[places[k]["session"]], places[k]["start"]))
        for before, after in pairwise(rows):
            if rng.uniform() < 0.5:
                needs[after]["after"] = needs[before]["id"]
    kept = []
    for need, at in zip(needs, places, strict=True):
        if rng.uniform() < 0.3:
            need["due"] = (
                date.fromisoformat(days[at["session"]]) + timedelta(days=int(rng.integers(0, 12)))
            ).isoformat()
        if rng.uniform() < 0.1:
            clock = datetime(2026, 1, 1, 18, 0) + timedelta(minutes=at["start"])
            kept.append({"need": need["id"], "session": at["session"], "booth": at["booth"], "start": f"{clock:%H:%M}"})
    return kept


def faults_of(asked: dict[str, Any], answer: dict[str, Any]) -> list[str]:
    """Everything that is impossible in a plan, in words: a second reading of the contract, apart from the planner."""
    needs = {n["id"]: n for n in asked["needs"]}
    sessions = {s["id"]: s for s in asked["sessions"]}
    booths = {b["id"]: b for b in asked["booths"]}
    people = {p["id"]: p for p in asked["people"]}
    wrong = []
    at: dict[str, tuple[datetime, datetime]] = {}
    for one in answer["plan"]:
        need, session, booth = needs[one["need"]], sessions[one["session"]], booths[one["booth"]]
        opens = datetime.fromisoformat(f"{session['date']}T{session['start']}")
        start = datetime.fromisoformat(f"{session['date']}T{one['start']}")
        end = start + timedelta(minutes=need["minutes"])
        if one["need"] in at:
            wrong.append(f"{one['need']} twice")
        at[one["need"]] = (start, end)
        if start < opens or end > opens + timedelta(minutes=session["minutes"]) or f"{end:%H:%M}" != one["end"]:
            wrong.append(f"{one['need']} outside its session")
        if not set(need["wants"]) <= set(booth["has"]) or session["id"] in booth["closed"]:
            wrong.append(f"{one['need']} at a booth that will not do")
        if session["id"] in people[need["person"]]["away"]:
            wrong.append(f"{one['need']} while away")
        if (need["due"] and session["date"] > need["due"]) or (
            need["not_before"] and session["date"] < need["not_before"]
        ):
            wrong.append(f"{one['need']} outside its dates")
    rows = answer["plan"]
    for i, one in enumerate(rows):
        for other in rows[i + 1 :]:
            (a, b), (c, d) = at[one["need"]], at[other["need"]]
            same = needs[one["need"]]["person"] == needs[other["need"]]["person"]
            gap = timedelta(minutes=0 if same else asked["changeover_minutes"])
            if one["session"] == other["session"] and one["booth"] == other["booth"] and a < d + gap and c < b + gap:
                wrong.append(f"{one['need']} and {other['need']} at one booth")
            if same and a < d and c < b:
                wrong.append(f"{one['need']} and {other['need']} at once")
    for one in asked["needs"]:
        if one["after"] and one["id"] in at and (one["after"] not in at or at[one["after"]][1] > at[one["id"]][0]):
            wrong.append(f"{one['id']} before {one['after']}")
    minutes: dict[tuple[str, str], int] = defaultdict(int)
    for one in rows:
        minutes[needs[one["need"]]["person"], one["session"]] += needs[one["need"]]["minutes"]
    wrong += [f"{p} too long in {s}" for (p, s), m in minutes.items() if (people[p]["most_minutes"] or 1440) < m]
    for one in asked["kept"]:
        if not any({**one} == {k: row[k] for k in one} for row in rows):
            wrong.append(f"{one['need']} not where it was promised")
    both = [row["need"] for row in rows] + [row["need"] for row in answer["unplaced"]]
    if sorted(both) != sorted(needs):
        wrong.append("a need is neither placed nor told of")
    return wrong


def bench(each: int, seed: int = 0) -> str:
    """Plan so many sessions of each kind; a Markdown table of what was placed, checked, and how long it took."""
    lines = [
        "| kind | sessions | needs | placed of what could be at most, by priority | impossible | seconds, median and most |",
        "|---|---|---|---|---|---|",
    ]
    for kind in KINDS:
        took, wrong, needs = [], 0, 0
        placed: dict[int, int] = defaultdict(int)
        most: dict[int, int] = defaultdict(int)
        for k in range(each):
            one = session(kind, 1000 * seed + k)
            begun = time.perf_counter()
            answer = rota(one.asked).as_json()
            took.append(time.perf_counter() - begun)
            wrong += len(faults_of(one.asked, answer))
            priority = {n["id"]: n["priority"] for n in one.asked["needs"]}
            needs += len(priority)
            for row in answer["plan"]:
                placed[priority[row["need"]]] += 1
            for p, count in one.most.items():
                most[p] += count
        shares = ", ".join(f"{p}: {placed[p]} of {most[p]}" for p in (1, 2, 3) if most[p])
        lines.append(f"| {kind} | {each} | {needs} | {shares} | {wrong} | {np.median(took):.1f}, {max(took):.1f} |")
    return "\n".join(lines)
