"""The rota: nothing impossible, as many as can be, even, early; why the rest has no place; what is contradictory is named."""

import json
from typing import Any

import pytest

from judicum.bench.rotas import KINDS, faults_of, session
from judicum.cli import main
from judicum.core.errors import InvalidValues
from judicum.core.planning.rota import read_rota, rota
from judicum.core.planning.rota.exact import is_small, proven
from judicum.core.planning.rota.ground import Ground
from judicum.core.planning.rota.order import in_order
from judicum.words.problems import problem_sentence
from tests.core.test_cli import feed

SECONDS = 0.6


def need(name: str, person: str = "alma", minutes: int = 60, **more: Any) -> dict[str, Any]:
    return {"id": name, "person": person, "coupon": "butt-15", "minutes": minutes, **more}


def asked(needs: list[dict[str, Any]], **more: Any) -> dict[str, Any]:
    return {
        "sessions": [
            {"id": "s1", "date": "2026-12-01", "start": "18:00", "minutes": 180},
            {"id": "s2", "date": "2026-12-08", "start": "18:00", "minutes": 180},
        ],
        "booths": [{"id": "B1", "has": ["ac", "pulse"], "closed": []}],
        "people": [{"id": "alma", "away": [], "most_minutes": None}, {"id": "bo", "away": ["s1"], "most_minutes": 90}],
        "needs": needs, "changeover_minutes": 10, "kept": [], **more,
    }  # fmt: skip


USUAL: dict[str, dict[str, Any]] = {
    "needs": {"due": None, "not_before": None, "after": None, "priority": 1, "wants": []},
    "people": {"away": [], "most_minutes": None},
    "booths": {"has": [], "closed": []},
}
"""What the checker is to read where a test leaves it out."""


def planned(given: dict[str, Any]) -> dict[str, Any]:
    answer = rota(given, SECONDS).as_json()
    filled = {**given, **{kind: [{**usual, **row} for row in given[kind]] for kind, usual in USUAL.items()}}
    assert faults_of(filled, answer) == []
    return answer


def test_one_need_is_placed_at_the_beginning_and_said_as_the_contract_says() -> None:
    answer = planned(asked([need("n1", wants=["pulse"], due="2026-12-10", priority=1)]))
    assert answer == {
        "plan": [{"need": "n1", "session": "s1", "booth": "B1", "start": "18:00", "end": "19:00"}],
        "unplaced": [],
        "minutes": {"least": 60, "most": 60},
    }


def test_two_people_at_one_booth_have_a_changeover_between_them_and_one_person_has_none() -> None:
    both = planned(asked([need("n1", minutes=85), need("n2", "bo", 85)], people=[{"id": "alma"}, {"id": "bo"}]))
    assert [(one["start"], one["end"]) for one in both["plan"]] == [("18:00", "19:25"), ("19:35", "21:00")]
    alone = planned(asked([need("n1", minutes=90), need("n2", minutes=90)]))
    assert [one["session"] for one in alone["plan"]] == ["s1", "s1"]
    tight = planned(asked([need("n1", minutes=90), need("n2", "bo", 90)], people=[{"id": "alma"}, {"id": "bo"}]))
    assert [one["session"] for one in tight["plan"]] == ["s1", "s2"]


def test_what_waits_for_another_comes_after_it_also_in_the_same_evening() -> None:
    answer = planned(asked([need("n2", after="n1"), need("n1")]))
    assert [(one["need"], one["start"]) for one in answer["plan"]] == [("n1", "18:00"), ("n2", "19:00")]
    two = planned(asked([need("n2", minutes=170, after="n1"), need("n1")]))
    assert [(one["need"], one["session"]) for one in two["plan"]] == [("n1", "s1"), ("n2", "s2")]


@pytest.mark.parametrize(
    ("needs", "why"),
    [
        ([need("n", wants=["turntable", "ac"])], {"why": "no_booth_has", "what": ["turntable"]}),
        ([need("n", "bo", due="2026-12-02")], {"why": "away"}),
        ([need("n", minutes=200)], {"why": "too_long"}),
        ([need("n", "bo", 100)], {"why": "too_long"}),
        ([need("n", not_before="2026-12-09")], {"why": "full"}),
        ([need("n", due="2026-11-30")], {"why": "before_due_full"}),
        (
            [need("a", minutes=180, due="2026-12-01"), need("n", due="2026-12-01", priority=2)],
            {"why": "before_due_full"},
        ),
        ([need("a", minutes=180), need("b", minutes=180), need("n", priority=3)], {"why": "full"}),
        ([need("n", minutes=60, after="a"), need("a", minutes=200)], {"why": "waits_for", "what": "a"}),
    ],
)
def test_why_a_need_has_no_place(needs: list[dict[str, Any]], why: dict[str, Any]) -> None:
    answer = planned(asked(needs))
    reasons = {one.pop("need"): one for one in answer["unplaced"]}
    expected = {"why": "before_due_full"} if needs[0].get("not_before") else why
    assert reasons["n"] == expected


def test_wants_that_no_one_booth_has_together_are_all_named() -> None:
    booths = [{"id": "B1", "has": ["ac"]}, {"id": "B2", "has": ["purge"]}]
    answer = planned(asked([need("n", wants=["purge", "ac"])], booths=booths))
    assert answer["unplaced"] == [{"need": "n", "why": "no_booth_has", "what": ["ac", "purge"]}]
    closed = planned(asked([need("n")], booths=[{"id": "B1", "has": [], "closed": ["s1", "s2"]}]))
    assert closed["unplaced"] == [{"need": "n", "why": "full"}]


def test_the_important_come_first_and_minutes_are_even() -> None:
    one = [{"id": "s1", "date": "2026-12-01", "start": "18:00", "minutes": 130}]
    people = [{"id": "alma"}, {"id": "bo"}]
    first = planned(
        asked([need("n3", minutes=130, priority=3), need("n1", "bo", 120, priority=1)], sessions=one, people=people)
    )
    assert [slot["need"] for slot in first["plan"]] == ["n1"]
    needs = [need("a1"), need("a2"), need("b1", "bo"), need("b2", "bo")]
    even = planned(asked(needs, sessions=one, people=people))
    assert even["minutes"] == {"least": 60, "most": 60}
    assert len(even["unplaced"]) == 2


def test_what_is_kept_stays_and_the_rest_is_laid_around_it() -> None:
    kept = [{"need": "n1", "session": "s1", "booth": "B1", "start": "19:00"}]
    answer = planned(asked([need("n1"), need("n2"), need("n3", "bo", 60), need("n0", minutes=60)], kept=kept))
    where = {one["need"]: (one["session"], one["start"]) for one in answer["plan"]}
    assert where["n1"] == ("s1", "19:00")
    assert {where["n2"], where["n0"]} == {("s1", "18:00"), ("s1", "20:00")}
    assert where["n3"] == ("s2", "18:00")


@pytest.mark.parametrize(
    ("kept", "named"),
    [
        ([("n1", "s1", "B1", "18:00"), ("n2", "s1", "B1", "18:30")], "n1 and n2"),
        ([("n1", "s1", "B1", "18:00"), ("n3", "s1", "B1", "18:00")], "kept n3"),
        ([("n3", "s2", "B1", "18:00"), ("n1", "s2", "B1", "19:05")], "10 min between them"),
        ([("n1", "s1", "B1", "20:30")], "60 min before the session ends"),
        ([("n1", "s1", "B1", "18:00"), ("n1", "s2", "B1", "18:00")], "each need kept once"),
        ([("n4", "s1", "B1", "18:00")], "a booth that has purge"),
        ([("n5", "s1", "B1", "18:00")], "a machine and torch for more than 150 A"),
        ([("n2", "s1", "B1", "18:00"), ("n1", "s2", "B1", "18:00")], "n1 before n2"),
        ([("n9", "s1", "B1", "18:00")], "n9"),
        ([("n1", "s9", "B1", "18:00")], "s9"),
        ([("n1", "s1", "B9", "18:00")], "B9"),
        ([("n1", "s1", "B1", "25:00")], "kept.0.start"),
        ([("n2", "s1", "B1", "18:00")], "n1"),
    ],
)
def test_contradictions_are_named_in_one_line(kept: list[tuple[str, ...]], named: str) -> None:
    needs = [
        need("n1"),
        need("n2", after="n1"),
        need("n3", "bo"),
        need("n4", wants=["purge"]),
        need("n5", wants=["over_105", "over_150"]),
    ]
    rows = [dict(zip(("need", "session", "booth", "start"), one, strict=True)) for one in kept]
    with pytest.raises(InvalidValues) as refused:
        rota(asked(needs, kept=rows), SECONDS)
    assert named in problem_sentence(refused.value, by_key=True)
    assert "\n" not in problem_sentence(refused.value, by_key=True)


@pytest.mark.parametrize(
    ("change", "named"),
    [
        ({"needs": [need("n", "nobody")]}, "nobody"),
        ({"needs": [need("n", after="m")]}, "you entered m"),
        ({"needs": [need("n", after="m"), need("m", after="n")]}, "lead back"),
        ({"needs": [need("n", after="m"), need("m", "bo")]}, "a need of the same person"),
        ({"needs": [need("n"), need("n")]}, "each id once"),
        ({"needs": [need("n", minutes=0)]}, "needs.0.minutes"),
        ({"needs": [need("n", minutes="60")]}, "needs.0.minutes"),
        ({"needs": [need("n", priority=4)]}, "needs.0.priority"),
        ({"needs": [need("n", colour="red")]}, "needs.0.colour"),
        ({"booths": [{"id": "B1", "closed": ["s7"]}]}, "s7"),
        ({"people": [{"id": "alma", "away": ["s8"]}, {"id": "bo"}]}, "s8"),
        ({"sessions": [{"id": "s1", "date": "soon", "start": "18:00", "minutes": 60}]}, "sessions.0.date"),
        ({"changeover_minutes": -1}, "changeover_minutes"),
    ],
)
def test_bad_input_names_the_field(change: dict[str, Any], named: str) -> None:
    with pytest.raises(InvalidValues) as refused:
        read_rota(asked([need("n")], **{k: v for k, v in change.items() if k != "needs"}) | change)
    assert named in problem_sentence(refused.value, by_key=True)


def test_sessions_that_overlap_are_refused_and_one_over_midnight_is_not() -> None:
    twice = [{"id": f"s{k}", "date": "2026-12-01", "start": f"1{k}:00", "minutes": 90} for k in (7, 8)]
    with pytest.raises(InvalidValues, match="s7 and s8"):
        read_rota(asked([], sessions=twice, people=[]))
    night = [{"id": "s1", "date": "2026-12-01", "start": "23:00", "minutes": 180}]
    answer = planned(asked([need("n1", minutes=90)], sessions=night, people=[{"id": "alma"}]))
    assert (answer["plan"][0]["start"], answer["plan"][0]["end"]) == ("23:00", "00:30")


@pytest.mark.parametrize("kind", KINDS)
def test_drawn_evenings_are_possible_and_what_was_planted_is_placed(kind: str) -> None:
    one = session(kind, 7)
    answer = rota(one.asked, 2.5).as_json()
    assert faults_of(one.asked, answer) == []
    priority = {n["id"]: n["priority"] for n in one.asked["needs"]}
    placed = sum(priority[row["need"]] == 1 for row in answer["plan"])
    assert placed >= 0.985 * one.most[1]
    if kind in ("planted", "small"):
        assert placed == one.most[1]


def test_the_checker_sees_what_is_wrong() -> None:
    given = asked([need("n1", wants=[], due=None, not_before=None, after=None), need("n2", "bo", 60, wants=["purge"], due=None, not_before=None, after="n1")])  # fmt: skip
    answer = {
        "plan": [
            {"need": "n1", "session": "s1", "booth": "B1", "start": "20:30", "end": "21:30"},
            {"need": "n2", "session": "s1", "booth": "B1", "start": "20:00", "end": "21:00"},
        ],
        "unplaced": [],
    }
    wrong = " ".join(faults_of(given, answer))
    for said in ("outside its session", "will not do", "while away", "at one booth", "n2 before n1"):
        assert said in wrong


def test_a_small_question_is_proven_and_one_person_at_two_booths_is_put_in_order() -> None:
    booths = [{"id": "B1", "has": ["ac"]}, {"id": "B2", "has": ["purge"]}]
    needs = [
        need("n1", minutes=60, wants=["ac"]),
        need("n2", minutes=60, wants=["purge"]),
        need("n3", "bo", 110, wants=["purge"]),
    ]
    one = [{"id": "s1", "date": "2026-12-01", "start": "18:00", "minutes": 180}]
    given = asked(needs, sessions=one, booths=booths, people=[{"id": "alma"}, {"id": "bo"}])
    ground = Ground(read_rota(given))
    assert is_small(ground)
    found = proven(ground, 1e12)
    assert found is not None
    assert {ground.needs[k.need].id for k in found} == {"n1", "n2", "n3"}
    windows = {ground.booths[w.booth].id: w for w in ground.windows}
    chosen = [(0, windows["B1"]), (1, windows["B2"]), (2, windows["B2"])]
    order = {ground.needs[k.need].id: k for k in in_order(ground, 0, chosen) or []}
    assert order["n1"].end <= order["n2"].start or order["n2"].end <= order["n1"].start
    assert in_order(ground, 0, [*chosen, (0, windows["B2"])]) is None
    assert planned(given)["unplaced"] == []


def test_the_command_answers_lines_and_refuses_with_2(
    capsys: pytest.CaptureFixture[str], monkeypatch: pytest.MonkeyPatch
) -> None:
    feed(monkeypatch, json.dumps(asked([need("n1")])))
    assert main(["rota"]) == 0
    assert json.loads(capsys.readouterr().out)["plan"][0]["need"] == "n1"
    feed(monkeypatch, json.dumps(asked([need("n1", "x")])))
    assert main(["rota"]) == 2
    out, err = capsys.readouterr()
    assert out == ""
    assert err.startswith("judicum rota: need n1: person")
    assert err.count("\n") == 1
