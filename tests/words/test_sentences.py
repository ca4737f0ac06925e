"""Evidence, phrases and findings in words, in the person's units."""

import pytest

from judicum.core.causes import explain
from judicum.core.causes.evidence import EvidenceFound
from judicum.core.marking import CRITERIA
from judicum.core.photo.report import Report
from judicum.words import METRIC, US
from judicum.words.causes import cause_card, evidence_words, symptom_card
from judicum.words.marking import PLACEHOLDERS, finding, on_axis, placeholder_values, placeholders_in
from tests.core.causes.cases import bead, case, grey


@pytest.mark.parametrize(
    ("answer", "metric", "us"),
    [
        (
            EvidenceFound("gas_l_min", 1.2, {"used": 5.0, "low": 8.0, "high": 12.0}),
            "gas flow 5 L/min, card 8 to 12 L/min",
            "gas flow 11 CFH, card 17 to 25 CFH",
        ),
        (EvidenceFound("grey_at_end", 0.8), "grey at the end", "grey at the end"),
        (EvidenceFound("rod_wiped", 1.0, value="skipped"), "rod wiped: not ticked", "rod wiped: not ticked"),
        (EvidenceFound("rod_wiped", 1.0, value="done"), "rod wiped: ticked", "rod wiped: ticked"),
        (EvidenceFound("rod_end", 1.0, value="oxidised"), "filler rod end: oxidised", "filler rod end: oxidised"),
        (
            EvidenceFound("draught", 1.0, value="false"),
            "not so: a draught was noticed",
            "not so: a draught was noticed",
        ),
        (EvidenceFound("one_side", 1.0), "on one side only", "on one side only"),
        (
            EvidenceFound("purge_wait_s", 1.0, {"used": 5.0, "low": 20.0}),
            "purge wait 5 s, card 20 s",
            "purge wait 5 s, card 20 s",
        ),
    ],
)
def test_evidence_is_said_in_the_units_one_thinks_in(answer: EvidenceFound, metric: str, us: str) -> None:
    assert (evidence_words(answer, METRIC), evidence_words(answer, US)) == (metric, us)


def test_a_card_says_where_its_evidence_lies_and_what_was_before() -> None:
    given = case(bead(along=grey((68, 80))), run={"postflow_s": 3}, looks={"electrode_after": "dull"})
    found = explain(
        {**given, "earlier": [{"confirmed": "postflow_short"}], "confirmed_in_course": {"postflow_short": 4}}
    )
    card = cause_card(found.causes[0], found)
    where = next(one for one in card["speaks_for"] if one["what"] == "grey_at_end")
    assert (where["track"], where["from_mm"], where["to_mm"]) == ("tint", 68.0, 80.0)
    assert next(one for one in card["speaks_for"] if one["what"] == "postflow_s")["track"] is None
    assert card["history"] == "confirmed 1 × for this student, 4 × in this course"
    dull = next(one for one in found.symptoms if one.code == "electrode_dull")
    assert symptom_card(dull)["track"] is None


def test_a_figure_stands_on_its_criterion_s_axis_with_its_unit() -> None:
    answer = {
        "width_evenness": "6.1%",
        "tint_sides": "1.5 : 1",
        "tint": "2 levels",
        "turned": "3°",
        "distortion": "1.2 mm",
    }
    figures = {"width_evenness": 0.061, "tint_sides": 1.5, "tint": 2.0, "turned": 3.0, "distortion": 1.2}
    assert {key: on_axis(key, figure) for key, figure in figures.items()} == answer
    assert on_axis("distortion", 1.2, US) == "47 thou"
    assert all(criterion.unit or criterion.options for criterion in CRITERIA.values())


def test_a_phrase_knows_its_placeholders_and_their_values() -> None:
    assert placeholders_in("Width {width}, {name}.") == {"width", "name"}
    assert placeholders_in("no braces") == set()
    assert placeholders_in("a { alone") == {"{"}
    values = placeholder_values(Report.from_json(bead()), 4.2, "Wen Alder")
    assert set(values) == set(PLACEHOLDERS)
    assert (values["name"], values["target"], values["tint"]) == ("Wen", "4.2 mm", "2 gold")
    assert placeholder_values(None, 4.2, "Wen", US)["width"] == "–"
    assert placeholder_values(None, 4.2, "Wen", US)["target"] == "165 thou"


def test_a_finding_says_what_it_is_called_and_where_it_is_measured() -> None:
    assert finding("face") == {"key": "face", "words": "Face", "at": "with a straight edge across it"}
    assert finding("throat_mm")["words"] == "Throat"
