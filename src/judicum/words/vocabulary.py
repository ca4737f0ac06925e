"""Every limit, choice, band and code that the page needs, from the core's tables: `python -m judicum.words.vocabulary`
prints the TypeScript file that the page imports (web/src/api/generated-vocabulary.ts); the test command fails where it drifted."""

import json
from dataclasses import asdict
from typing import Any

from judicum.core.acceptance import BANDS, CARD_WIDTH_SHARE, LAPSE_LONG, LAPSE_SHORT
from judicum.core.choices import CHOICES, FINISH_LEVEL, METHODS, SCHOOLS
from judicum.core.fields import Flag, Several, Spec, Text
from judicum.core.joints import JOINTS
from judicum.core.marking import (
    CRITERIA,
    FINDINGS,
    KNOCK_OUTS,
    MAX_COMMENT,
    MAX_NEXT,
    UNDO_S,
    USUAL_SCHEME,
    WHOLE,
    Criterion,
)
from judicum.core.photo.fault_kinds import FAULT_KINDS
from judicum.core.photo.film import tint_levels
from judicum.core.photo.picture_file import MAX_BYTES
from judicum.core.photo.report import NO_CARD, NOT_TWO_LIGHTS, TWO_LIGHTS, UNSURE_BEAD
from judicum.core.photo.steps import REACH_MM
from judicum.core.quantities import QUANTITIES, Quantity
from judicum.core.setup.gauge import TABLES_INCH
from judicum.core.setup.machine import PROFILE
from judicum.core.setup.run import GROUPS, RUN
from judicum.core.units import MM_PER_INCH
from judicum.words.attempts import NEEDS, ORDERS, ROLES, STATES, TOKEN_SCOPES, VIEWS
from judicum.words.marking import PLACEHOLDERS
from judicum.words.notices import KINDS as NOTICES
from judicum.words.tables import OUTCOMES, SHEETS
from judicum.words.units import FINEST_FRACTION, MAX_OFF_IN, SHOWN_UNITS


def vocabulary() -> dict[str, Any]:
    """All of it as JSON values, SI."""
    return {
        "units": {kind: {of: asdict(shown) for of, shown in options.items()} for kind, options in SHOWN_UNITS.items()},
        "mmPerInch": MM_PER_INCH,
        "fractions": {"finest": FINEST_FRACTION, "maxOff": MAX_OFF_IN},
        "quantities": {key: _quantity(q) for key, q in QUANTITIES.items()},
        "choices": {key: list(map(str, choice.codes)) for key, choice in CHOICES.items()},
        "schools": [*SCHOOLS, *METHODS],
        "runGroups": [{"key": key, "fields": [_field(spec) for spec in specs]} for key, specs in GROUPS.items()],
        "machineFields": [_field(spec) for spec in PROFILE.specs],
        "gauges": list(TABLES_INCH["tube_wall"]),
        "joints": {key: {"tube": j.tube, "fillet": j.fillet} for key, j in JOINTS.items()},
        "photoWarnings": {words: words.split(":")[0] for words in (NO_CARD, TWO_LIGHTS, *NOT_TWO_LIGHTS.values())}
        | {UNSURE_BEAD: "unsure_bead"},
        "tint": [{"colour": level["srgb"]} for level in tint_levels()],
        "faults": {key: {"long": f.long} for key, f in FAULT_KINDS.items()},
        "criteria": {key: _criterion(c) for key, c in CRITERIA.items()},
        "knockOuts": list(KNOCK_OUTS),
        "findings": {spec.key: _field(spec) for spec in FINDINGS.specs},
        "placeholders": list(PLACEHOLDERS),
        "undoS": UNDO_S,
        "usualScheme": USUAL_SCHEME,
        "bands": {key: {"good": b.good, "accepted": b.accepted} for key, b in BANDS.items()},
        "lapse": {"long": LAPSE_LONG, "short": LAPSE_SHORT},
        "cardWidthShare": list(CARD_WIDTH_SHARE),
        "finishLevel": FINISH_LEVEL,
        "most": {"comment": MAX_COMMENT, "next": MAX_NEXT, "mark": WHOLE, "photoBytes": MAX_BYTES},
        "reachMm": REACH_MM,
        "states": list(STATES),
        "views": list(VIEWS),
        "orders": list(ORDERS),
        "needs": list(NEEDS),
        "roles": list(ROLES),
        "token_scopes": list(TOKEN_SCOPES),
        "notices": list(NOTICES),
        "sheets": list(SHEETS),
        "outcomes": list(OUTCOMES),
    }


def _criterion(criterion: Criterion) -> dict[str, Any]:
    return {
        "unit": criterion.unit, "byHand": bool(criterion.needs),
        "curve": [list(point) for point in criterion.curve], "options": criterion.options,
    }  # fmt: skip


def _quantity(quantity: Quantity) -> dict[str, Any]:
    low, high = quantity.sensible or (quantity.low, quantity.high)
    return {
        "kind": quantity.kind, "unit": quantity.unit, "low": low, "high": high,
        "step": quantity.step, "whole": quantity.whole,
    }  # fmt: skip


def _field(spec: Spec) -> dict[str, Any]:
    sort = (
        "figure" if isinstance(spec, Quantity) else "text" if isinstance(spec, Text) else "flag" if isinstance(spec, Flag)
        else "several" if isinstance(spec, Several) else "choice"
    )  # fmt: skip
    entry: dict[str, Any] = {"key": spec.key, "sort": sort, "required": spec.key in RUN.required}
    if isinstance(spec, Several):
        entry["of"] = spec.of.key
    if isinstance(spec, Text):
        entry["most"] = spec.most
    return entry


def typescript() -> str:
    """The file the page imports."""
    values = json.dumps(vocabulary(), indent=2, ensure_ascii=False)
    return f"/** Made by `./judicum openapi` from the core's tables; never typed by hand. */\nexport const vocabulary = {values} as const;\n"


if __name__ == "__main__":
    print(typescript(), end="")
