"""Second marks, agreement, references and self-tests over the wire."""

from typing import Any

from rest_framework import serializers

from judicum.core.marking import CRITERIA, MOST_NEXT
from judicum.core.marking.agreement import Agreement, Interval
from judicum.server.http.serializers.accounts import PersonSerializer
from judicum.server.http.serializers.photos import FiguresSerializer, told_figures
from judicum.server.http.serializers.schemes import BodySerializer
from judicum.server.read.agreement import Alike
from judicum.server.read.briefs import Brief
from judicum.server.read.references import beads_of, result_of
from judicum.server.record.marking.models import Reference, SelfTest
from judicum.server.record.marking.references import lines_of
from judicum.words.agreement import agreement_words, difference_words, line_words, severity_words


class VersionSerializer(serializers.Serializer[Any]):
    version = serializers.IntegerField()


class SetSecondSerializer(VersionSerializer):
    """A second mark, given without sight of the first, with the attempt's version that the marker was looking at."""

    scores = serializers.DictField(child=serializers.FloatField(allow_null=True))
    not_applying = serializers.ListField(child=serializers.CharField(max_length=40), max_length=60, default=list)
    waived = serializers.ListField(child=serializers.CharField(max_length=40), max_length=60, default=list)
    comment = serializers.CharField(allow_blank=True, default="", max_length=100_000)


class AgreeSerializer(SetSecondSerializer):
    """The mark that both stand behind."""

    next_change = serializers.CharField(allow_blank=True, default="", max_length=100_000)


class SecondShareSerializer(serializers.Serializer[Any]):
    share = serializers.IntegerField()


class IntervalSerializer(serializers.Serializer[Any]):
    value = serializers.FloatField()
    low = serializers.FloatField()
    high = serializers.FloatField()


class AgreementSerializer(serializers.Serializer[Any]):
    """How far second marks agree with first ones in one line; `said` is it in words."""

    key = serializers.CharField()
    words = serializers.CharField()
    pairs = serializers.IntegerField()
    difference = IntervalSerializer(allow_null=True)
    kappa = IntervalSerializer(allow_null=True)
    icc = IntervalSerializer(allow_null=True)
    said = serializers.CharField(allow_blank=True)


class MarkerSerializer(serializers.Serializer[Any]):
    """One marker over time: marks of a hundred over what was suggested; the moving mean with limits of chance about `usual`."""

    marker = PersonSerializer()
    marks = serializers.IntegerField()
    usual = serializers.FloatField(allow_null=True)
    moving = serializers.ListField(child=serializers.FloatField())
    limits = serializers.ListField(child=serializers.FloatField())
    drifts = serializers.BooleanField()
    said = serializers.CharField()


class DepartureSerializer(serializers.Serializer[Any]):
    """What was given over what was suggested, by criterion, in points of ten."""

    criterion = serializers.CharField()
    words = serializers.CharField()
    marks = serializers.IntegerField()
    difference = IntervalSerializer(allow_null=True)
    said = serializers.CharField(allow_blank=True)


class OfferSerializer(serializers.Serializer[Any]):
    """A version of a scheme whose curves fit better what was given; nothing changes until somebody keeps it."""

    code = serializers.CharField()
    title = serializers.CharField()
    version = serializers.IntegerField()
    changed = serializers.ListField(child=serializers.CharField())
    scheme = BodySerializer()


class AlikeSerializer(serializers.Serializer[Any]):
    share = serializers.IntegerField()
    lines = AgreementSerializer(many=True)
    markers = MarkerSerializer(many=True)
    departures = DepartureSerializer(many=True)
    offers = OfferSerializer(many=True)


def told_agreement(key: str, found: Agreement) -> dict[str, Any]:
    """One line as `AgreementSerializer` describes it."""
    return {
        "key": key, "words": line_words(key), "pairs": found.pairs, "difference": _interval(found.difference),
        "kappa": _interval(found.kappa), "icc": _interval(found.icc), "said": agreement_words(key, found),
    }  # fmt: skip


def _interval(found: Interval | None) -> dict[str, float] | None:
    return None if found is None else {"value": found.value, "low": found.low, "high": found.high}


def told_alike(found: Alike) -> dict[str, Any]:
    """All of it as `AlikeSerializer` describes it."""
    return {
        "share": found.share,
        "lines": [told_agreement(key, one) for key, one in found.lines.items()],
        "markers": [
            {
                "marker": marker,
                "marks": marks,
                "usual": chart.usual if chart else None,
                "moving": chart.moving if chart else [],
                "limits": chart.limits if chart else [],
                "drifts": chart.drifting if chart else False,
                "said": severity_words(marks, chart),
            }
            for marker, marks, chart in found.markers
        ],
        "departures": [
            {
                "criterion": key, "words": CRITERIA[key].words, "marks": marks, "difference": _interval(one),
                "said": difference_words(one, "marks", "what is suggested"),
            }
            for key, (marks, one) in found.departures.items()
        ],
        "offers": [
            {
                "code": one.scheme.code, "title": one.scheme.body["title"], "version": one.scheme.version,
                "changed": [CRITERIA[key].words for key in one.changed], "scheme": one.body,
            }
            for one in found.offers
        ],
    }  # fmt: skip


class KeepReferenceSerializer(serializers.Serializer[Any]):
    comment = serializers.CharField(max_length=10 * MOST_NEXT, allow_blank=True)


class ReferenceSerializer(serializers.Serializer[Any]):
    """A reference bead with its mark."""

    id = serializers.IntegerField()
    attempt = serializers.IntegerField()
    title = serializers.CharField()
    comment = serializers.CharField()
    kept_by = PersonSerializer()
    total = serializers.FloatField()
    measurement = FiguresSerializer(allow_null=True)


class ReferencesSerializer(serializers.Serializer[Any]):
    """The reference beads of a course, and whether the one who asks has tested themselves."""

    tested = serializers.BooleanField()
    references = ReferenceSerializer(many=True)


def told_reference(reference: Reference, attempt: Brief) -> dict[str, Any]:
    """A reference as `ReferenceSerializer` describes it."""
    return {
        "id": reference.pk, "attempt": attempt.id, "title": attempt.goal.title, "comment": reference.comment,
        "kept_by": PersonSerializer(reference.kept_by).data, "total": reference.attempt.mark.total,
        "measurement": told_figures(attempt.figures) if attempt.figures else None,
    }  # fmt: skip


class ScoresSerializer(serializers.Serializer[Any]):
    scores = serializers.DictField(child=serializers.FloatField(allow_null=True))


class TestBeadSerializer(serializers.Serializer[Any]):
    """One bead of a self-test; the reference's scores, total and comment only once it is finished."""

    id = serializers.IntegerField()
    title = serializers.CharField()
    target_width_mm = serializers.FloatField()
    measurement = FiguresSerializer(allow_null=True)
    lines = serializers.DictField(child=serializers.CharField())
    given = ScoresSerializer(allow_null=True)
    given_total = serializers.FloatField(allow_null=True)
    scores = serializers.DictField(child=serializers.FloatField(allow_null=True), allow_null=True)
    total = serializers.FloatField(allow_null=True)
    comment = serializers.CharField(allow_null=True)


class SelfTestSerializer(serializers.Serializer[Any]):
    id = serializers.IntegerField()
    finished = serializers.BooleanField()
    result = AgreementSerializer(allow_null=True)
    beads = TestBeadSerializer(many=True)


def told_test(test: SelfTest) -> dict[str, Any]:
    """A test as `SelfTestSerializer` describes it."""
    beads, over = beads_of(test), test.finished_at is not None
    result = result_of(test, beads)
    return {
        "id": test.pk,
        "finished": over,
        "result": told_agreement("overall", result) if result else None,
        "beads": [_told_bead(test, reference, attempt, over) for reference, attempt in beads],
    }


def _told_bead(test: SelfTest, reference: Reference, attempt: Brief, over: bool) -> dict[str, Any]:
    mark = reference.attempt.mark
    given = test.given.get(str(reference.pk))
    return {
        "id": reference.pk,
        "title": attempt.goal.title,
        "target_width_mm": attempt.goal.target_width_mm,
        "measurement": told_figures(attempt.figures) if attempt.figures else None,
        "lines": {key: CRITERIA[key].words for key in lines_of(reference)},
        "given": {"scores": given["scores"]} if given else None,
        "given_total": given["total"] if given else None,
        "scores": mark.scores if over else None,
        "total": mark.total if over else None,
        "comment": reference.comment if over else None,
    }
