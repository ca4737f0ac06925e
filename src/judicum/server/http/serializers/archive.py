"""What came of a table, over the wire."""

from typing import Any

from rest_framework import serializers

from judicum.server.exchange.sheets import LineDone
from judicum.server.http.problems import FieldProblemSerializer
from judicum.words import Units, problems


class SheetLineSerializer(serializers.Serializer[Any]):
    """One line: its number in the file, what it does, to what; `hand_over` is where somebody new sets a password, once."""

    line = serializers.IntegerField()
    outcome = serializers.ChoiceField(("made", "changed", "same", "refused"))
    what = serializers.CharField()
    problems = FieldProblemSerializer(many=True)
    hand_over = serializers.CharField(allow_null=True)


class SheetDoneSerializer(serializers.Serializer[Any]):
    """What came of every line that holds anything, and whether it is kept: all of it, or nothing."""

    kept = serializers.BooleanField()
    lines = SheetLineSerializer(many=True)


def told_line(one: LineDone, units: Units, root: str) -> dict[str, Any]:
    """A line as `SheetLineSerializer` describes it; `root` is the server's own address."""
    told = [
        {"field": p.field, "given": problems.given(p, units), "allowed": problems.allowed(p, units)}
        for p in one.problems
    ]
    address = root + one.hand_over if one.hand_over else None
    return {"line": one.line, "outcome": one.outcome, "what": one.what, "problems": told, "hand_over": address}
