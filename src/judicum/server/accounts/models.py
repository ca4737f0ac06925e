"""People."""

from typing import ClassVar

from django.contrib.auth.models import AbstractBaseUser, BaseUserManager
from django.db import models

from judicum.server.accounts.names import look, written
from judicum.server.config import lookups as lookups


class LengthUnit(models.TextChoices):
    MM = "mm"
    THOU = "thou"


class FlowUnit(models.TextChoices):
    L_MIN = "l_min"
    CFH = "cfh"


class UserManager(BaseUserManager["User"]):
    """Creates people with a hashed password."""

    def create_user(self, username: str, password: str, display_name: str = "", **units: str) -> "User":
        kept = written(username)
        user = self.model(username=kept, look=look(kept), display_name=written(display_name) or kept, **units)
        user.set_password(password)
        user.save(using=self._db)
        return user


class User(AbstractBaseUser):
    """Somebody who can sign in; what they may do comes from their membership in a course.

    `look` is what no two login names may share (`names.look`); `signed_out` counts how often all sessions were ended.
    """

    username = models.CharField(max_length=60, unique=True)
    look = models.CharField(max_length=130, unique=True)
    display_name = models.CharField(max_length=80)
    length_unit = models.CharField(max_length=8, choices=LengthUnit.choices, default=LengthUnit.MM)
    flow_unit = models.CharField(max_length=8, choices=FlowUnit.choices, default=FlowUnit.L_MIN)
    is_active = models.BooleanField(default=True)
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
