"""Every code that a person sees has its words, and the printed card holds every figure."""

import re
from typing import Any

import pytest
from django.conf import settings

from judicum.core.setup import RUN_FIELDS, plan_card
from judicum.core.setup.coupon import JOINTS, TUBE_JOINTS
from judicum.core.setup.schools import SCHOOLS
from judicum.core.workbench import PANELS, compute
from judicum.server.coupons.sheet import Heading, card_sheet, figures
from judicum.server.coupons.words import CAUTION_WORDS, SOLVENT_WORDS, STEP_WORDS, step_words

WEB = settings.WEB_DIST.parent / "src"


def cards() -> list[dict[str, Any]]:
    found = []
    for metal in ("304L", "carbon", "aluminium", "titanium", "304L+carbon"):
        for joint in JOINTS:
            tube = {"tube_od_mm": 60.3, "form": "tube"} if joint in TUBE_JOINTS else {}
            found.append(plan_card({"metal": metal, "joint": joint, "thickness_mm": 2.0, **tube}))
    return found


def test_every_caution_has_words() -> None:
    used = {code for card in cards() for code in card["cautions"]}
    assert used == set(CAUTION_WORDS)


def test_every_step_of_the_checklist_has_words_with_the_courses_solvent() -> None:
    assert set(SOLVENT_WORDS) == set(SCHOOLS["solvent"])
    for step in STEP_WORDS:
        for solvent in SOLVENT_WORDS:
            assert "{" not in step_words(step, solvent)
    assert step_words("rod_wiped", "alcohol") == "Rod wiped with denatured alcohol"


def keys_of(name: str, table: str) -> set[str]:
    """The keys of a table of words in the page's source."""
    text = (WEB / name).read_text()
    body = text[text.index(f"export const {table}") :]
    return set(re.findall(r"(\w+): \"", body[: body.index("};")]))


def test_the_page_names_every_calculator_and_figure() -> None:
    assert {p.key for p in PANELS} <= keys_of("features/workbench/panel-words.ts", "panelWords")
    words = keys_of("features/workbench/panel-words.ts", "figureWords")
    for panel in PANELS:
        assert {i.key for i in panel.inputs} <= words
        assert {r.key for r in compute(panel.key, {}).results} <= words


def test_the_page_names_every_logged_field() -> None:
    assert {field.key for field in RUN_FIELDS} == keys_of("ui/words.ts", "runWords")
    choices = {choice for field in RUN_FIELDS for choice in field.choices}
    unnamed = choices - keys_of("ui/words.ts", "choiceWords")
    assert all(re.fullmatch(r"[0-9A-Z]+", choice) for choice in unnamed), unnamed


@pytest.mark.parametrize("card", cards()[::7])
def test_the_printed_card_holds_every_figure_in_both_unit_systems(card: dict[str, Any]) -> None:
    shown = {name: (big, small) for name, big, small in figures(card)}
    assert shown["Current"][0] == f"{card['current_a']['aim']:.0f} A"
    assert "CFH" in shown["Gas flow"][1]
    assert "thou" in shown["Stick-out"][1]
    assert "in/min" in shown["Travel"][1]
    assert ("Purge" in shown) == (card["purge"] is not None)
    assert ("Turntable" in shown) == (card["turntable_rpm"] is not None)
    sheet = card_sheet(card, [step_words(s, "acetone") for s in STEP_WORDS], Heading("A long title " * 5, "under it"))
    assert sheet.startswith(b"%PDF-")
    assert sheet.count(b"/Type /Page\n") == 1
