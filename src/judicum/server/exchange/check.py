"""Whether rows and files belong together: what is missing, altered, orphaned, or points nowhere."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import timedelta

from django.apps import apps
from django.core.files.storage import default_storage
from django.db.models import Exists, F, OuterRef, Q
from django.utils import timezone

from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.catalogue.schemes.models import Scheme
from judicum.server.exchange.archive.write import BY_CONTENT
from judicum.server.exchange.stored import FOLDERS, digest_of, files_there, named_files
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.photos.models import StoredPicture
from judicum.words.catalogue import t

JUST_NOW = timedelta(minutes=10)
"""A file this young may be on its way to its row."""
MAX_LISTED = 20


@dataclass(frozen=True)
class Inconsistency:
    """One thing that is wrong: what kind, and where."""

    kind: str
    where: str


def check_data() -> Iterator[Inconsistency]:
    """Everything that is wrong, file by file and row by row; nothing is changed."""
    named = named_files()
    there = {name for folder in FOLDERS for name in files_there(folder)}
    for name in sorted(named - there):
        yield Inconsistency("missing", name)
    for name in sorted(there & named):
        by_content = BY_CONTENT.match(name)
        if by_content and digest_of(name) != by_content[2]:
            yield Inconsistency("altered", name)
    for name in sorted(there - named):
        if default_storage.get_modified_time(name) < timezone.now() - JUST_NOW:
            yield Inconsistency("orphaned", name)
    yield from _references()
    yield from _disagreements()


def _references() -> Iterator[Inconsistency]:
    """Rows that point to rows that are not there; the database forbids them, a damaged or patched-up one may have some."""
    for model in apps.get_models():
        if not model.__module__.startswith("judicum"):
            continue
        for field in model._meta.concrete_fields:
            if not field.is_relation:
                continue
            other = field.related_model
            there = other._default_manager.values("pk")  # type: ignore[union-attr]
            lost = model._default_manager.exclude(**{field.attname: None}).exclude(**{f"{field.attname}__in": there})
            for key in lost.values_list("pk", flat=True)[:MAX_LISTED]:
                yield Inconsistency("reference", f"{model._meta.label} {key}: {field.name}")


def _disagreements() -> Iterator[Inconsistency]:
    """Rows that say different things of the same."""
    for key in Attempt.objects.exclude(course=F("assignment__course")).values_list("pk", flat=True)[:MAX_LISTED]:
        yield Inconsistency("disagreement", t("inconsistency-other-course", key=str(key)))
    for key in Attempt.objects.filter(events=None).values_list("pk", flat=True)[:MAX_LISTED]:
        yield Inconsistency("disagreement", t("inconsistency-no-log", key=str(key)))
    for pk, name in StoredPicture.objects.values_list("pk", "original"):
        by_content = BY_CONTENT.match(name)
        if by_content and by_content[2] != pk:
            yield Inconsistency("disagreement", t("inconsistency-picture", key=pk, file=name))
    schemes = Scheme.objects.filter(Q(course=OuterRef("course")) | Q(course=None), code=OuterRef("scheme"))
    for key, scheme in Assignment.objects.filter(~Exists(schemes)).values_list("pk", "scheme"):
        yield Inconsistency("disagreement", t("inconsistency-no-scheme", key=str(key), scheme=scheme))
