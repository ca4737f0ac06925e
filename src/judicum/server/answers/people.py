"""People, accounts, what one is signed in as."""

from datetime import datetime
from typing import Annotated, Literal
from uuid import UUID

from pydantic import StringConstraints

from judicum.server.answers.base import Answer, OneOf, Request, Secret
from judicum.server.people.accounts.models import FlowUnit, LengthUnit, Scope
from judicum.server.people.roles import Role
from judicum.words.catalogue import LOCALES

LoginName = Annotated[str, StringConstraints(min_length=1, max_length=60)]
Locale = Annotated[str, OneOf(("", *LOCALES))]
TypedCode = Annotated[str, StringConstraints(min_length=1, max_length=40)]


class Person(Answer):
    id: int
    display_name: str


class MyCourse(Answer):
    id: int
    name: str
    role: Role
    archived: bool


class SignedIn(Answer):
    """Who is signed in, in which units they think, and their courses.

    `second_factor` is missing where the workshop asks for one that they do not have; `version` is Judicum's.
    """

    id: int
    username: str
    display_name: str
    length_unit: LengthUnit
    flow_unit: FlowUnit
    locale: Locale
    shares_pictures: bool
    email: str
    workshop: str
    owns: bool
    second_factor: Literal["on", "off", "missing"]
    version: str
    courses: list[MyCourse]


class SignInRequest(Request):
    username: LoginName
    password: Secret
    code: Annotated[str, StringConstraints(max_length=40)] = ""


class ChangePasswordRequest(Request):
    old: Secret
    password: Secret


class ResetPasswordRequest(Request):
    """A new password by the token of a one-time link."""

    person: int
    token: Secret
    password: Secret


class PasswordRequest(Request):
    """The password one signs in with now, before something that matters."""

    password: Secret


class CodeRequest(Request):
    """The six digits that the phone shows."""

    code: TypedCode


class SecondFactorBegun(Answer):
    """What an app on a phone reads: as address, as a picture for its camera (data URI), and the secret to type."""

    address: str
    picture: str
    secret: str


class RecoveryCodes(Answer):
    """Each signs in once without the phone; shown only now."""

    codes: list[str]


class CreateTokenRequest(Request):
    name: Annotated[str, StringConstraints(max_length=200)]
    scope: Annotated[str, StringConstraints(max_length=20)]
    days: int


class Token(Answer):
    id: UUID
    name: str
    scope: Scope
    created: datetime
    expiry: datetime | None


class CreatedToken(Answer):
    """The secret of a new token, shown only now: `Authorization: Bearer SECRET`."""

    secret: str
    token: Token


class PreferencesRequest(Request):
    """The units one thinks in, the locale one is spoken to in (empty: as the browser asks), and whether photos of one's beads may be
    taught from; null leaves one as it is."""

    length_unit: LengthUnit | None = None
    flow_unit: FlowUnit | None = None
    locale: Locale | None = None
    shares_pictures: bool | None = None


class ResetLink(Answer):
    """The one-time address at which somebody sets a new password, to be handed to them; good for a day."""

    name: str
    address: str


class ForgottenPasswordRequest(Request):
    """The name one signs in with."""

    username: LoginName


class NotificationPreference(Answer):
    """Where mail goes and what somebody is told of (`kinds` of the vocabulary's `notices`)."""

    email: str
    kinds: list[str]


class NotificationPreferenceRequest(Request):
    """`password` is needed where the address becomes another."""

    email: Annotated[str, StringConstraints(max_length=254)]
    kinds: list[Annotated[str, StringConstraints(max_length=20)]]
    password: Annotated[str, StringConstraints(max_length=200, strip_whitespace=False)] = ""


class Mail(Answer):
    """A message that the stand-in for a mail server wrote."""

    at: datetime | None
    to: str
    subject: str
    text: str
