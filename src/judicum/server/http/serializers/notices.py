"""Mail over the wire."""

from typing import Any

from rest_framework import serializers


class WishSerializer(serializers.Serializer[Any]):
    """Where mail goes and what somebody is told of (`kinds` of the vocabulary's `notices`)."""

    email = serializers.CharField(allow_blank=True)
    kinds = serializers.ListField(child=serializers.CharField(max_length=20))


class SetWishSerializer(serializers.Serializer[Any]):
    """`password` is needed where the address becomes another."""

    email = serializers.CharField(max_length=254, allow_blank=True)
    kinds = serializers.ListField(child=serializers.CharField(max_length=20), max_length=20)
    password = serializers.CharField(max_length=200, required=False, allow_blank=True, trim_whitespace=False)


class MailSerializer(serializers.Serializer[Any]):
    """A message that the stand-in for a mail server wrote."""

    at = serializers.DateTimeField(allow_null=True)
    to = serializers.CharField()
    subject = serializers.CharField()
    text = serializers.CharField()


class ForgottenSerializer(serializers.Serializer[Any]):
    """The name one signs in with."""

    username = serializers.CharField(max_length=60)
