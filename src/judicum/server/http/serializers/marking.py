"""Schemes, suggestions and marks over the wire."""

from typing import Any

from rest_framework import serializers

from judicum.core.marking import CRITERIA, KNOCK_OUTS, MOST_NEXT
from judicum.server.http.plain import columns
from judicum.server.http.serializers.accounts import PersonSerializer
from judicum.server.record.attempts.actions.answer import ANSWERS
from judicum.server.record.marking.models import Mark, Phrase, SecondMark


class MarkSerializer(serializers.ModelSerializer[Mark]):
    """A mark: a score 0 to 10 by the criteria of its scheme, null where one does not apply."""

    scores = serializers.DictField(child=serializers.FloatField(allow_null=True))
    not_applying = serializers.ListField(child=serializers.CharField())
    knocked = serializers.ListField(child=serializers.CharField())
    waived = serializers.ListField(child=serializers.CharField())
    marked_by = PersonSerializer()
    scheme = serializers.SerializerMethodField()
    lines = serializers.SerializerMethodField()

    class Meta:
        model = Mark
        fields = (
            "scheme", "lines", "scores", "not_applying", "knocked", "waived", "total", "passed", "comment", "next_change",
            "marked_by", "marked_at", "returned_at",
        )  # fmt: skip

    def get_scheme(self, mark: Mark) -> str:
        return f"{mark.scheme.body['title']}, version {mark.scheme.version}"

    def get_lines(self, mark: Mark) -> dict[str, str]:
        """What each criterion of the scheme is called, in its order."""
        return {line["criterion"]: CRITERIA[line["criterion"]].words for line in mark.scheme.body["lines"]}

    def to_representation(self, mark: Mark) -> dict[str, Any]:
        # What knocks out is what the scheme minds; the rest was kept for trying other schemes on.
        minded = [k for k in mark.knocked if k in mark.scheme.body["knock_outs"] and k not in mark.waived]
        return {
            **columns(mark, MarkSerializer),
            "scheme": self.get_scheme(mark),
            "lines": self.get_lines(mark),
            "marked_by": PersonSerializer(mark.marked_by).data,
            "knocked": [KNOCK_OUTS[k] for k in minded],
        }


class GivenMarkSerializer(serializers.Serializer[Any]):
    """One of two marks of an attempt, as it was given."""

    marked_by = PersonSerializer()
    scores = serializers.DictField(child=serializers.FloatField(allow_null=True))
    total = serializers.FloatField()
    passed = serializers.BooleanField()
    comment = serializers.CharField(allow_blank=True)


class SecondSerializer(serializers.Serializer[Any]):
    """A second mark that was asked for; each mark is null to whom it is not shown yet. `lines` name the criteria in order."""

    by_lot = serializers.BooleanField()
    agreed = serializers.BooleanField()
    lines = serializers.DictField(child=serializers.CharField())
    first = GivenMarkSerializer(allow_null=True)
    second = GivenMarkSerializer(allow_null=True)


def told_second(second: SecondMark, mark: Mark, blind: bool) -> dict[str, Any]:
    """A second mark as `SecondSerializer` describes it, to one who teaches; `blind` to one who is not to see the first."""
    first = {**second.first, "marked_by": second.first_marker, "comment": "" if second.agreed_at else mark.comment}
    given = second.marked_at is not None and {
        "marked_by": second.marked_by, "scores": second.scores, "total": second.total, "passed": second.passed,
        "comment": second.comment,
    }  # fmt: skip
    lines = {line["criterion"]: CRITERIA[line["criterion"]].words for line in mark.scheme.body["lines"]}
    told = {
        "by_lot": second.asked_by_id is None, "agreed": second.agreed_at is not None, "lines": lines,
        "first": None if blind else first, "second": given or None,
    }  # fmt: skip
    return dict(SecondSerializer(told).data)


class SetMarkSerializer(serializers.Serializer[Any]):
    """A mark to be set, with the attempt's version that the marker was looking at.

    `not_applying` are criteria without a score that do not apply, `waived` knock-outs that are not minded, `cause` the cause
    taken as what is to change next.
    """

    version = serializers.IntegerField()
    scores = serializers.DictField(child=serializers.FloatField(allow_null=True))
    not_applying = serializers.ListField(child=serializers.CharField(max_length=40), max_length=60, default=list)
    waived = serializers.ListField(child=serializers.CharField(max_length=40), max_length=60, default=list)
    comment = serializers.CharField(allow_blank=True, default="", max_length=100_000)
    next_change = serializers.CharField(allow_blank=True, default="", max_length=100_000)
    cause = serializers.CharField(allow_null=True, default=None, max_length=40)


class ReturnMarkSerializer(serializers.Serializer[Any]):
    version = serializers.IntegerField()


class AnswerSerializer(serializers.Serializer[Any]):
    """An answer beside a mark, and why: the student reads it."""

    version = serializers.IntegerField()
    answer = serializers.ChoiceField(choices=tuple(ANSWERS))
    why = serializers.CharField(max_length=100_000)


class SuggestionSerializer(serializers.Serializer[Any]):
    """What the evidence suggests for one line of the scheme, its weight in percent, and the figures behind it.

    `because` is all of it in words, in the person's units; `figure` is where the line's `curve` (figure, score) is read,
    `figure_told` the same in words. `applies` is false where the coupon makes the line empty.
    """

    criterion = serializers.CharField()
    words = serializers.CharField()
    weight = serializers.FloatField()
    score = serializers.FloatField(allow_null=True)
    applies = serializers.BooleanField()
    reason = serializers.CharField()
    because = serializers.CharField()
    figure = serializers.FloatField(allow_null=True)
    figure_told = serializers.CharField(allow_blank=True)
    figure_name = serializers.CharField(allow_blank=True)
    curve = serializers.ListField(child=serializers.ListField(child=serializers.FloatField()))
    needs = serializers.ListField(child=serializers.CharField())


class FindingSerializer(serializers.Serializer[Any]):
    """A finding by hand that the coupon calls for, and where it is measured."""

    key = serializers.CharField()
    words = serializers.CharField()
    at = serializers.CharField()


class KnockOutSerializer(serializers.Serializer[Any]):
    key = serializers.CharField()
    words = serializers.CharField()


class ProposalSerializer(serializers.Serializer[Any]):
    """What the coupon's scheme suggests: its lines, what knocks out, the pass mark, findings that are asked for.

    `back_seen` is the option of `back` that its measured photo speaks for. `placeholders` are the values that stand for a phrase's placeholders at this attempt.
    """

    scheme = serializers.CharField()
    pass_mark = serializers.FloatField()
    lines = SuggestionSerializer(many=True)
    knocked = KnockOutSerializer(many=True)
    findings = FindingSerializer(many=True)
    found = serializers.DictField(child=serializers.JSONField())
    back_seen = serializers.CharField(allow_null=True)
    placeholders = serializers.DictField(child=serializers.CharField())


class TriedMarkSerializer(serializers.Serializer[Any]):
    attempt = serializers.IntegerField()
    student = serializers.CharField()
    title = serializers.CharField()
    number = serializers.IntegerField()
    total = serializers.FloatField()
    passed = serializers.BooleanField()
    new_total = serializers.FloatField()
    new_passed = serializers.BooleanField()


class TriedSerializer(serializers.Serializer[Any]):
    """What a scheme would have made of the course's last marks."""

    marks = TriedMarkSerializer(many=True)
    pass_anew = serializers.IntegerField()
    fail_anew = serializers.IntegerField()


class PhraseSerializer(serializers.ModelSerializer[Phrase]):
    class Meta:
        model = Phrase
        fields = ("key", "text")


class KeepPhrasesSerializer(serializers.Serializer[Any]):
    """Texts by their key 1 to 9; those left out are removed."""

    phrases = serializers.DictField(child=serializers.CharField(allow_blank=True, max_length=10 * MOST_NEXT))
