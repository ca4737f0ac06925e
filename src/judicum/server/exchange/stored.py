"""Every file that rows name."""

import hashlib
from collections.abc import Iterator

from django.apps import apps
from django.core.files.storage import default_storage
from django.db.models import FileField

PICTURES = ("originals", "shown", "strips")
"""Folders whose files are named by what they hold."""
FOLDERS = (*PICTURES, "reports")
"""Folders of the store that hold what rows name; `uploads` holds pieces on their way."""


def named_files() -> set[str]:
    """Names of all files that any row of ours names."""
    names: set[str] = set()
    for model in apps.get_models():
        for field in model._meta.concrete_fields:
            if isinstance(field, FileField):
                rows = model._default_manager.exclude(**{field.name: ""})
                names.update(rows.values_list(field.name, flat=True).distinct())
    return {name for name in names if name}


def digest_of(name: str) -> str:
    """SHA-256 of a file of the store."""
    with default_storage.open(name) as file:
        return hashlib.file_digest(file, "sha256").hexdigest()


def files_there(folder: str) -> Iterator[str]:
    """Names of all files under a folder of the store."""
    try:
        folders, files = default_storage.listdir(folder)
    except FileNotFoundError:
        return
    for name in files:
        if not name.startswith("."):
            yield f"{folder}/{name}"
    for inner in folders:
        yield from files_there(f"{folder}/{inner}")
