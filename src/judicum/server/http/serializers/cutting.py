"""Cut lists over the wire."""

from typing import Any

from rest_framework import serializers

from judicum.server.follow.stock.cutting import OfMetal


class CutAskedSerializer(serializers.Serializer[Any]):
    evenings = serializers.IntegerField(default=4)
    kerf_mm = serializers.FloatField(default=1.5)
    turns = serializers.BooleanField(default=True)


class LaidSerializer(serializers.Serializer[Any]):
    name = serializers.CharField()
    x_mm = serializers.FloatField()
    y_mm = serializers.FloatField()
    length_mm = serializers.FloatField()
    width_mm = serializers.FloatField()


class CutSerializer(serializers.Serializer[Any]):
    """A straight cut across the sheet's length (`across`) or along it, at a place and from edge to edge, mm."""

    across = serializers.BooleanField()
    at_mm = serializers.FloatField()
    start_mm = serializers.FloatField()
    end_mm = serializers.FloatField()


class SheetSerializer(serializers.Serializer[Any]):
    """One sheet or bar: its blanks, its cuts in order, the largest piece left (x, y, length, width)."""

    stock = serializers.CharField()
    length_mm = serializers.FloatField()
    width_mm = serializers.FloatField()
    used_share = serializers.FloatField()
    laid = LaidSerializer(many=True)
    cuts = CutSerializer(many=True)
    left = serializers.ListField(child=serializers.FloatField(), allow_null=True)


class CuttingSerializer(serializers.Serializer[Any]):
    """Blanks of one metal and thickness: wanted, laid on sheets, and those that found no room."""

    what = serializers.CharField()
    wanted = serializers.DictField(child=serializers.IntegerField())
    short = serializers.DictField(child=serializers.IntegerField())
    sheets = SheetSerializer(many=True)


def told_cutting(one: OfMetal) -> dict[str, Any]:
    """Cutting as `CuttingSerializer` describes it."""
    return {
        "what": one.what,
        "wanted": one.wanted,
        "short": one.laid.short,
        "sheets": [
            {
                "stock": sheet.stock, "length_mm": sheet.length_mm, "width_mm": sheet.width_mm, "used_share": sheet.used_share,
                "laid": [vars(piece) for piece in sheet.laid], "cuts": [vars(cut) for cut in sheet.cuts], "left": sheet.left,
            }
            for sheet in one.laid.sheets
        ],
    }  # fmt: skip
