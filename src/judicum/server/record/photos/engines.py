"""Which engine measures a workshop's photos."""

from contextlib import AbstractContextManager
from pathlib import Path

from django.conf import settings

from judicum.core.photo.engine import engine_version
from judicum.core.photo.weights import OF_WORKSHOPS, measuring_with


def weights_folder(workshop_id: int) -> Path:
    """Where a workshop's own weights lie, if it has some; another's are never measured with."""
    return Path(settings.VAR) / OF_WORKSHOPS / str(workshop_id)


def measuring_for(workshop_id: int) -> AbstractContextManager[None]:
    """Measure with a workshop's own weights meanwhile, or with the server's where it has none."""
    return measuring_with(weights_folder(workshop_id))


def engine_of(workshop_id: int) -> str:
    """What measures this workshop's photos now."""
    with measuring_for(workshop_id):
        return engine_version()
