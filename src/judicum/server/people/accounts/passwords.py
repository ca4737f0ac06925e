"""What makes a password that Django's own validators let pass none."""

from django.core.exceptions import ValidationError

MIN_SIGNS = 8


class SignsNotBlanks:
    """Blanks count for nothing: eight of them are no password."""

    def validate(self, password: str, user: object = None) -> None:
        if sum(not sign.isspace() for sign in password) < MIN_SIGNS:
            raise ValidationError("", code="blank_password", params={"least": MIN_SIGNS})
