"""Workshops and their people."""

import uuid
from typing import Any, ClassVar

from django.contrib.auth.models import AbstractBaseUser, BaseUserManager
from django.contrib.postgres.functions import RandomUUID
from django.db import models
from django.utils import timezone
from knox.models import AbstractAuthToken

from judicum.server.people.accounts.names import skeleton, written
from judicum.server.platform import lookups as lookups
from judicum.words.catalogue import LOCALES


class LengthUnit(models.TextChoices):
    MM = "mm"
    THOU = "thou"


class FlowUnit(models.TextChoices):
    L_MIN = "l_min"
    CFH = "cfh"


def own_key() -> Any:
    """A column by which a row is known again on another server; its number there is another."""
    return models.UUIDField(unique=True, editable=False, default=uuid.uuid4, db_default=RandomUUID())


class Workshop(models.Model):
    """A school with its courses and people, on a server that may hold several: none of them learns of another.

    `second_factor` asks everybody who teaches for a second factor; `photo_retention_days` is the age at which a photo is released to
    its strip (None: never).
    """

    name = models.CharField(max_length=120)
    second_factor = models.BooleanField(default=False)
    photo_retention_days = models.PositiveIntegerField(null=True)
    created_at = models.DateTimeField(default=timezone.now)

    def __str__(self) -> str:
        return self.name


class UserManager(BaseUserManager["User"]):
    """Creates people with a hashed password."""

    def create_user(
        self, username: str, password: str | None, display_name: str = "", *, workshop: Workshop, **more: Any
    ) -> "User":
        kept = written(username)
        shown = written(display_name) or kept
        user = self.model(username=kept, skeleton=skeleton(kept), display_name=shown, workshop=workshop, **more)
        user.set_password(password)
        user.save(using=self._db)
        return user


class User(AbstractBaseUser):  # type: ignore[django-manager-missing]
    """Somebody of a workshop who can sign in; what they may do comes from their membership in a course.

    `owns` makes them an owner of their workshop; `locale` is how they are spoken to (empty: as their browser asks). `skeleton` is what no two login names may share (`names.skeleton`); `signed_out`
    counts how often all sessions were ended; `shares_pictures` says that they let photos of their beads be taught from (exchange.labels); `removed_at` says since when nothing is kept that tells who it was.
    """

    key = own_key()
    workshop = models.ForeignKey(Workshop, on_delete=models.PROTECT, related_name="people")
    owns = models.BooleanField(default=False, db_default=False)
    username = models.CharField(max_length=60, unique=True)
    skeleton = models.CharField(max_length=130, unique=True)
    display_name = models.CharField(max_length=80)
    length_unit = models.CharField(max_length=8, choices=LengthUnit.choices, default=LengthUnit.MM)
    flow_unit = models.CharField(max_length=8, choices=FlowUnit.choices, default=FlowUnit.L_MIN)
    locale = models.CharField(
        max_length=5, choices=[(one, one) for one in LOCALES], blank=True, default="", db_default=""
    )
    email = models.EmailField(blank=True, default="", db_default="")
    shares_pictures = models.BooleanField(default=False, db_default=False)
    is_active = models.BooleanField(default=True)
    removed_at = models.DateTimeField(null=True)
    signed_out = models.PositiveIntegerField(default=0)

    USERNAME_FIELD = "username"
    objects: ClassVar[UserManager] = UserManager()

    class Meta:
        ordering = ("display_name", "id")

    def __str__(self) -> str:
        return self.display_name

    def get_session_auth_hash(self) -> str:
        """What every session carries: another password, or signing out everywhere, ends them all."""
        return super().get_session_auth_hash() + (f"-{self.signed_out}" if self.signed_out else "")


class Scope(models.TextChoices):
    READ = "read"
    WRITE = "write"


class Token(AbstractAuthToken):  # type: ignore[misc]
    """By which a program acts in a person's name until `expiry`: reading alone, or writing too."""

    id = models.UUIDField(unique=True, default=uuid.uuid4, editable=False)
    name = models.CharField(max_length=60)
    scope = models.CharField(max_length=5, choices=Scope.choices)

    class Meta:
        ordering = ("created",)


class Release(models.Model):
    """A version of Judicum that brought the tables up, and when: they belong to the last one (`releases`)."""

    version = models.CharField(max_length=20)
    at = models.DateTimeField(default=timezone.now)

    def __str__(self) -> str:
        return f"{self.version} at {self.at:%Y-%m-%d %H:%M}"
