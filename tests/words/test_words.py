"""Every code that a person sees has its words, in their units, and the printed card holds every figure."""

import json
import re
from pathlib import Path
from typing import Any

import pytest
from django.conf import settings

from judicum.core.choices import CHOICES, SCHOOLS
from judicum.core.joints import JOINTS
from judicum.core.marking import CRITERIA, KNOCK_OUTS, Suggestion
from judicum.core.metals import METALS
from judicum.core.photo.fault_kinds import FAULT_KINDS
from judicum.core.quantities import QUANTITIES
from judicum.core.setup import Card, Checked, Warned, plan_card
from judicum.core.setup.coupon import COUPON
from judicum.core.setup.run import GROUPS, RUN
from judicum.core.setup.warnings import SEVERITY
from judicum.core.workbench import PANELS, compute
from judicum.server.catalogue.coupons.sheet import Heading, card_sheet, figures
from judicum.server.people.roles import Role
from judicum.server.read.waiting import NEEDS as WAITING_NEEDS
from judicum.server.read.waiting import ORDERS as WAITING_ORDERS
from judicum.server.record.attempts.models import Run
from judicum.server.record.attempts.states import AttemptState, AttemptStep
from judicum.server.record.photos.models import PhotoKind
from judicum.words import METRIC, US
from judicum.words import setup as words
from judicum.words.attempts import NEEDS, ORDERS, ROLES, STATES, VIEWS
from judicum.words.catalogue import codes_of
from judicum.words.marking import because
from judicum.words.names import option_name
from judicum.words.units import format_figure

WEB = settings.WEB_DIST.parent / "src"
DOCS = settings.WEB_DIST.parent.parent / "docs"


def cards() -> list[dict[str, Any]]:
    found = []
    for metal in (*METALS, "304L+carbon"):
        for joint, kind in JOINTS.items():
            tube = {"tube_od_mm": 60.3, "form": "tube"} if kind.tube else {}
            found.append(plan_card({"metal": metal, "joint": joint, "thickness_mm": 2.0, **tube}))
    return found


def test_every_caution_has_words() -> None:
    pulse = {"peak_a": 60, "background_a": 20, "on_share": 0.4, "per_second": 15}
    odd = plan_card({"metal": "304L", "joint": "butt", "thickness_mm": 1.5, "position": "overhead", "pulse": pulse})
    used = {code for card in (*cards(), odd) for code in card.cautions}
    assert used == codes_of("caution")


def test_every_step_of_the_checklist_has_words_with_the_courses_solvent() -> None:
    for step in codes_of("prep"):
        for solvent in CHOICES["solvent"].codes:
            assert "{" not in words.step(step, str(solvent))
    assert words.step("rod_wiped", "alcohol") == "Rod wiped with denatured alcohol"
    assert words.step("fit_up_tight", "acetone", US) == "Fitted up with next to no gap (under 4 thou)"


def test_every_warning_has_its_sentence_and_every_school_says_why() -> None:
    assert codes_of("warning") == set(SEVERITY)
    for key in SCHOOLS:
        assert codes_of(f"why-{key}") in (set(), set(CHOICES[key].codes))


def test_every_field_option_joint_and_criterion_has_its_name() -> None:
    keys = {*QUANTITIES, *CHOICES, *(spec.key for spec in RUN.specs), *(spec.key for spec in COUPON.specs)}
    assert keys <= codes_of("field")
    for key, choice in CHOICES.items():
        names = [option_name(key, code) for code in choice.codes]
        assert len(set(names)) == len(names), key
    assert codes_of("knock-out") == codes_of("knocked") == set(KNOCK_OUTS)
    assert set(CRITERIA) <= codes_of("criterion")
    assert {f"{key}-figure" for key in CRITERIA} <= codes_of("criterion")


@pytest.mark.parametrize("card", cards()[::9])
def test_every_effect_beside_the_card_has_its_words(card: Card) -> None:
    used = {key: band.high + 1 for key in ("gas_l_min", "stickout_mm", "postflow_s") if (band := getattr(card, key))}
    assert all(f"{key}-above" in codes_of("effect") for key in used)


def test_every_run_field_has_a_column_and_every_group_and_state_its_words() -> None:
    columns = {f.name for f in Run._meta.fields} - {"id", "attempt", "number", "measured", "machine"}
    assert columns == {spec.key for specs in GROUPS.values() for spec in specs}
    assert set(GROUPS) == codes_of("run-group")
    assert set(AttemptState.values) == set(STATES) == codes_of("state")
    assert set(AttemptStep.values) == codes_of("attempt-step")
    assert {*AttemptStep.values, "change"} == codes_of("attempt-event")
    assert set(Role.values) == set(ROLES)
    assert (set(ORDERS), set(NEEDS)) == (set(WAITING_ORDERS), set(WAITING_NEEDS))
    assert set(PhotoKind.values) == set(VIEWS)


def test_every_fault_kind_has_words_a_cost_a_picture_and_a_line_in_the_docs() -> None:
    measuring, drawn = (DOCS / "measuring.md").read_text(), (DOCS / "examples" / "draw.py").read_text()
    for key, kind in FAULT_KINDS.items():
        assert key in codes_of("fault") and kind.cost > 0, key
        assert f"`{key}`" in measuring, key
        assert f'"{key}"' in drawn or "FAULT_KINDS" in drawn, key


def test_every_joint_has_its_drawing() -> None:
    shapes = (WEB / "domain" / "section-shapes.ts").read_text()
    assert [joint for joint in JOINTS if not re.search(rf"\b{joint}\b", shapes)] == []


def test_every_reason_of_a_suggestion_has_words_in_the_persons_units() -> None:
    response = Suggestion("width_evenness", 8.0, "width_cv", 0.061, {"width_cv": 0.061, "width_mean_mm": 4.234})
    assert because(response) == "width variation 6.1%, mean 4.23 mm"
    assert because(response, US) == "width variation 6.1%, mean 167 thou"
    off = Suggestion(
        "setup_followed", 5.0, "off_the_card", 5.0, {"postflow_s": 3.0}, off=("postflow_s", "polarity_wrong")
    )
    assert because(off) == "off the card: post-flow, polarity wrong"
    faults = Suggestion("overall", 6.0, "less_for_faults", 6.0, {"cost": 2.0}, {"pore": 2})
    assert because(faults) == "mean of the criteria above, less 2 for 2 × pore"
    tint = Suggestion("tint", 2.0, "darker_than_finish", 2.0, {"bead_level": 5.0, "accepted_level": 3.0})
    assert because(tint) == "bead 5 blue, only up to 3 copper accepted"
    face = Suggestion("face", 2.0, "found_by_hand", "ropey")
    assert because(face) == "ropey"
    reasons = codes_of("because")
    source = (settings.WEB_DIST.parents[1] / "src/judicum/core/marking/readings.py").read_text()
    given_reasons = set(re.findall(r'"([a-z_]+)"', source)) & reasons
    assert reasons - given_reasons == {"less_for_faults", "mean_of_the_others"}


SIZES = json.loads((Path(__file__).parents[1] / "cases" / "sizes.json").read_text())["cases"]


@pytest.mark.parametrize("case", SIZES, ids=lambda case: case["us"])
def test_a_size_is_named_as_its_users_buy_it(case: dict[str, Any]) -> None:
    assert format_figure(case["mm"], "size", US) == case["us"]


@pytest.mark.parametrize(
    ("warned", "metric", "us"),
    [
        (
            Warned(
                "gas_low", {"used": (5.0, "flow"), "cup": (10, "count"), "low": (8.5, "flow"), "high": (14.5, "flow")}
            ),
            "5 L/min is little for cup 10; 8.5 to 14.5 L/min cover it.",
            "11 CFH is little for cup 10; 18 to 31 CFH cover it.",
        ),
        (
            Warned("stickout_long", {"used": (25.4, "length"), "high": (12.7, "length")}),
            "25.4 mm of stick-out leaves the gas; use up to 12.7 mm here.",
            "1000 thou of stick-out leaves the gas; use up to 500 thou here.",
        ),
    ],
)
def test_a_sentence_is_said_in_the_units_one_thinks_in(warned: Warned, metric: str, us: str) -> None:
    assert words.warning(warned, METRIC).startswith(metric)
    assert words.warning(warned, US).startswith(us)


def test_no_sentence_of_a_card_is_metric_to_somebody_who_thinks_in_thousandths() -> None:
    odd = {"thickness_mm": 2.0, "cup": 16, "stickout_mm": 40, "filler_mm": 3.2, "travel_mm_s": 0.5, "gauge": 10}
    response = words.card_in_words(plan_card({"metal": "303", "joint": "tube_butt", **odd}), US)
    said = " ".join(w.message for w in response.warnings)
    assert len(response.warnings) >= 4
    assert not re.search(r"\d (mm|L/min|mm/s)\b", said), said


def test_a_warning_that_a_deviation_says_already_is_not_said_twice() -> None:
    low = Warned("gas_low", key="gas_l_min")
    assert words.besides(Checked((), (low,))) == ["gas_low"]


def test_every_calculator_and_figure_of_it_has_words() -> None:
    assert {p.key for p in PANELS} <= codes_of("panel")
    for panel in PANELS:
        answer = compute(panel.key, {})
        assert {r.key for r in answer.results} <= codes_of("result")
        assert all(i.key in codes_of("field") for i in panel.inputs)
        assert all(n.code in codes_of("note") for n in answer.notes)


@pytest.mark.parametrize("card", cards()[::7])
@pytest.mark.parametrize("units", [METRIC, US])
def test_the_printed_card_holds_every_figure_in_the_persons_units(card: Card, units: Any) -> None:
    shown = {name: (big, small) for name, big, small in figures(words.card_in_words(card, units), units)}
    assert shown["Welding current"][0] == format_figure(card.current_a.aim, "current", units)
    flow, length = ("L/min", "mm") if units is METRIC else ("CFH", "thou")
    assert shown["Gas flow"][0].endswith(flow)
    assert shown["Stick-out"][0].endswith(length)
    assert ("Purge" in shown) == (card.purge is not None)
    assert ("turntable" in shown) == (card.turntable_rpm is not None)
    heading = Heading("A long title " * 5, "under it")
    sheet = card_sheet(card, [words.step(s, "acetone") for s in sorted(codes_of("prep"))], heading, units)
    assert sheet.startswith(b"%PDF-")
    assert sheet.count(b"/Type /Page\n") == 1
