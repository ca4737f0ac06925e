"""The sheet of a repeat study: what differs, how alike photos are told, a strip of each bead."""

from collections.abc import Sequence

from reportlab.platypus import Flowable

from judicum.core.errors import InvalidValue, one_of
from judicum.core.photo.printing import PAPERS
from judicum.server.answers.studies import Study
from judicum.server.read.reports.contents import StripShown
from judicum.server.read.reports.pdf.sheet import HEADING, TITLE, built, paragraph, table
from judicum.server.read.reports.pdf.student import strip
from judicum.words.catalogue import t
from judicum.words.names import listed


def study_sheet(study: Study, title: str, strips: Sequence[StripShown], paper: str) -> bytes:
    """The study as a PDF file. Raises InvalidValue: no such paper."""
    if paper not in PAPERS:
        raise InvalidValue("paper", paper, one_of(PAPERS))
    flow: list[Flowable] = [
        paragraph(title, TITLE),
        paragraph(
            t(
                "print-study-of",
                beads=study.beads,
                people=listed(study.people),
                phones=listed(study.phones),
                photos=study.photos,
                done=study.done,
                total=study.total,
            )
        ),
        *(paragraph("– " + line) for line in study.said),
    ]
    if study.figures:
        names = ("figure", "repeat", "people", "phones", "measuring", "between-beads", "share", "classes")
        rows = [
            (
                one.name,
                one.repeat,
                one.people,
                one.phones,
                one.measuring,
                one.beads,
                f"{100 * one.share:.0f}%",
                str(one.classes),
            )
            for one in study.figures
        ]
        flow += [paragraph(t("study-differs"), HEADING), table([[t(f"study-{name}") for name in names], *rows])]
    if study.consistency:
        kinds = [
            (one.name, f"{100 * one.share:.0f}%", "–" if one.kappa is None else f"{one.kappa:.2f}")
            for one in study.consistency
        ]
        heads = [t("study-kind"), t("study-agree"), t("study-kappa")]
        flow += [paragraph(t("study-consistency-title"), HEADING), table([heads, *kinds], [70, 40, 40])]
    if strips:
        flow += [paragraph(t("study-beads-title"), HEADING), *(part for one in strips for part in strip(one))]
    return built(flow, paper, title)
