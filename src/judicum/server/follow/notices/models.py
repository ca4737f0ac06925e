"""What people want to hear of by mail."""

from django.conf import settings
from django.db import models


class NotificationPreference(models.Model):
    """What one person hears of: `kinds` of judicum.words.notices; `digest_sent_at` is when the last mail of the day was made."""

    user = models.OneToOneField(
        settings.AUTH_USER_MODEL, primary_key=True, on_delete=models.CASCADE, related_name="preference"
    )
    kinds = models.JSONField(default=list)
    digest_sent_at = models.DateTimeField(null=True)

    def __str__(self) -> str:
        return f"{self.user_id}: {', '.join(self.kinds)}"
