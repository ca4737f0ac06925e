"""The class sheet and a coupon's job sheet for the wall."""

from collections.abc import Sequence

from reportlab.lib.units import mm
from reportlab.platypus import Flowable, Spacer

from judicum.core.marking import Scheme
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.catalogue.coupons.setup import card_for, checklist_for
from judicum.server.catalogue.coupons.sheet import figures
from judicum.server.read.reports.class_sheet import ClassRow, headings
from judicum.server.read.reports.contents import finish_words
from judicum.server.read.reports.pdf.sheet import HEADING, SMALL, TITLE, built, no_certificate, paragraph, table
from judicum.words import Units
from judicum.words import setup as words
from judicum.words.catalogue import t
from judicum.words.names import listed, named, option_name
from judicum.words.units import date_words, format_figure


def class_sheet(rows: Sequence[ClassRow], course: str, paper: str) -> bytes:
    """The class sheet as a PDF file."""
    widths = [30.0, 40.0, 20.0, 11.0, 16.0, 16.0, 15.0, 17.0, 15.0]
    flow: list[Flowable] = [paragraph(course, TITLE), paragraph(t("print-who"), HEADING)]
    flow += [
        table([headings(), *(row.cells() for row in rows)], widths),
        Spacer(1, 4 * mm),
        no_certificate(),
    ]
    return built(flow, paper, t("print-class-sheet", course=course))


def job_sheet(goal: Assignment, rules: Scheme, units: Units, paper: str) -> bytes:
    """What a coupon is, how to set up for it, what passes: one sheet for the wall."""
    design = goal.design
    plan = card_for(goal)
    card = words.card_in_words(plan, units)
    pass_mark = rules.pass_mark if goal.pass_mark is None else goal.pass_mark
    shares = listed(
        [
            t(
                "print-share",
                criterion=named("criterion", line.criterion.key).lower(),
                share=f"{rules.share(line.criterion.key):.0f}",
            )
            for line in rules.lines
        ]
    )
    size = t(
        "print-size",
        metal=option_name("metal", design.metal),
        thick=format_figure(design.thickness_mm, "size", units),
        long=format_figure(design.length_mm, "size", units),
        purpose=design.purpose,
    )
    aim = t(
        "print-goal-text",
        width=format_figure(goal.target_width_mm, "length", units),
        finish=finish_words(goal.finish),
        passes=goal.good_in_a_row,
        mark=f"{pass_mark:.0f}",
        shares=shares,
    )
    fails = listed([named("knock-out", key) for key in rules.knock_outs])
    flow: list[Flowable] = [
        paragraph(design.title, TITLE),
        paragraph(t("print-course-due", course=goal.course.name, date=date_words(goal.due_on))),
        paragraph(size),
        paragraph(t("print-goal"), HEADING),
        paragraph(f"{aim} {t('print-automatic-fails', fails=fails)}" if fails else aim),
        paragraph(t("print-settings"), HEADING),
        table([(t("print-figure"), t("print-aim"), t("print-range")), *figures(card, units)], [60, 50, 70]),
        *(paragraph("! " + warning.message) for warning in card.warnings),
        paragraph(t("print-before-the-arc"), HEADING),
        *(paragraph("– " + words.step(step, goal.course.solvent, units)) for step in checklist_for(goal)),
    ]
    if design.usual_faults:
        flow += [paragraph(t("print-usual-faults"), HEADING), paragraph(design.usual_faults)]
    flow += [
        paragraph(t("print-cautions"), HEADING),
        *(paragraph("– " + named("caution", code), SMALL) for code in card.cautions),
    ]
    return built(flow, paper, t("print-job-sheet", title=design.title))
