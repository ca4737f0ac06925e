"""The class sheet and a coupon's job sheet for the wall."""

from collections.abc import Sequence

from reportlab.lib.units import mm
from reportlab.platypus import Flowable, Spacer

from judicum.core.marking import KNOCK_OUTS, Scheme
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.catalogue.coupons.setup import card_for, checklist_for
from judicum.server.catalogue.coupons.sheet import figures
from judicum.server.read.reports.class_sheet import HEADINGS, ClassRow
from judicum.server.read.reports.contents import finish_words
from judicum.server.read.reports.pdf.sheet import CERTIFIES_NOBODY, HEADING, SMALL, TITLE, built, said, table
from judicum.words import Units
from judicum.words import setup as words
from judicum.words.units import date_words, format_figure


def class_sheet(rows: Sequence[ClassRow], course: str, paper: str) -> bytes:
    """The class sheet as a PDF file."""
    widths = [30.0, 40.0, 20.0, 11.0, 16.0, 16.0, 15.0, 17.0, 15.0]
    flow: list[Flowable] = [said(course, TITLE), said("Who has done what", HEADING)]
    flow += [
        table([HEADINGS, *(row.cells() for row in rows)], widths),
        Spacer(1, 4 * mm),
        said(CERTIFIES_NOBODY, SMALL),
    ]
    return built(flow, paper, f"Class sheet, {course}")


def job_sheet(goal: Assignment, rules: Scheme, units: Units, paper: str) -> bytes:
    """What a coupon is, how to set up for it, what passes: one sheet for the wall."""
    design = goal.design
    plan = card_for(goal)
    card = words.card_in_words(plan, units)
    pass_mark = rules.pass_mark if goal.pass_mark is None else goal.pass_mark
    shares = ", ".join(
        f"{line.criterion.words.lower()} {rules.share(line.criterion.key):.0f} %" for line in rules.lines
    )
    knocked = ", ".join(KNOCK_OUTS[key] for key in rules.knock_outs)
    size = f"{format_figure(design.thickness_mm, 'length', units)} thick, {format_figure(design.length_mm, 'length', units)} long"
    flow: list[Flowable] = [
        said(design.title, TITLE),
        said(f"{goal.course.name} · due {date_words(goal.due_on)}"),
        said(f"{design.metal}, {size}. {design.purpose}"),
        said("Goal", HEADING),
        said(
            f"Bead {format_figure(goal.target_width_mm, 'length', units)} wide, finish {finish_words(goal.finish)}, {goal.good_in_a_row} good ones in a "
            f"row. Good from {pass_mark:.0f} of 100: {shares}." + (f" Fails outright: {knocked}." if knocked else "")
        ),
        said("Set", HEADING),
        table([("Figure", "Aim", "Range"), *figures(card, units)], [60, 50, 70]),
        *(said("! " + warning.message) for warning in card.warnings),
        said("Before the arc", HEADING),
        *(said("– " + words.step(step, goal.course.solvent, units)) for step in checklist_for(goal)),
    ]
    if design.usual_faults:
        flow += [said("What usually goes wrong", HEADING), said(design.usual_faults)]
    flow += [said("Cautions", HEADING), *(said("– " + words.CAUTIONS[code], SMALL) for code in card.cautions)]
    return built(flow, paper, f"{design.title}: job sheet")
