"""Fixtures of the server's tests."""

import json
import os
import time
from collections.abc import Callable, Iterator
from pathlib import Path
from typing import Any

import psycopg
import pytest
from django.conf import settings
from django.contrib.auth.hashers import Argon2PasswordHasher
from django.core.cache import cache
from django.db import connection
from django.test import Client

from judicum.server.people.accounts import releases
from tests.people import Course, same_course

SLOW = (
    "tests/launch/test_hosts",
    "tests/launch/test_upgrade",
    "tests/browser/",
    "tests/server/http/test_fuzz",
    "tests/server/record/test_worker",
    "tests/core/photo/",
)
"""Begun first, so that no worker is left with one of them at the end."""


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    """Slow files first; within a file, and among the others, the order stays."""
    items.sort(key=lambda item: next((k for k, name in enumerate(SLOW) if name in item.nodeid), len(SLOW)))


@pytest.fixture(scope="session")
def django_db_modify_db_settings(django_db_modify_db_settings: None) -> None:
    """A worker's database is a copy of the one whose tables the test command has made, where it has."""
    connection.settings_dict["TEST"]["TEMPLATE"] = os.environ.get("JUDICUM_TEST_TEMPLATE")


@pytest.fixture(autouse=True)
def _own_files(tmp_path: Path, settings: Any, monkeypatch: pytest.MonkeyPatch) -> None:
    """Every test has its own folder of pictures and uploads, and the password hash at a thousandth of its cost."""
    for cost, least in (("time_cost", 1), ("memory_cost", 64), ("parallelism", 1)):
        monkeypatch.setattr(Argon2PasswordHasher, cost, least)
    # The tables are this version's: not asked for by tests without a database, nor while one counts its statements.
    monkeypatch.setattr(releases, "LOOK_S", 3600.0)
    monkeypatch.setattr(releases, "_seen", (time.monotonic(), None))
    settings.STORAGES = {
        **settings.STORAGES,
        "default": {
            "BACKEND": "judicum.server.platform.storage.WholeFiles",
            "OPTIONS": {"location": str(tmp_path / "media")},
        },
    }
    settings.VAR = tmp_path
    settings.KEEP_ANSWERS = False  # tests write rows past every action; test_kept turns it on
    settings.CACHES = {"default": {"BACKEND": "django.core.cache.backends.locmem.LocMemCache"}}
    cache.clear()


@pytest.fixture
def course(db: None) -> Course:
    """A course with its people, a coupon given to everybody, and another course beside it."""
    return same_course()


@pytest.fixture
def client_of() -> Callable[..., Client]:
    """Signs somebody in."""

    def signed_in(user: Any) -> Client:
        client = Client()
        client.force_login(user, backend="django.contrib.auth.backends.ModelBackend")
        return client

    return signed_in


@pytest.fixture
def empty(tmp_path: Path) -> Iterator[dict[str, str]]:
    """Another database and store with nothing in them: the environment of a program that works there."""
    where = connection.settings_dict
    name = f"{where['NAME']}_restored"
    url = f"postgres://{where['USER']}:{where['PASSWORD']}@{where['HOST']}:{where['PORT']}/{name}"
    with psycopg.connect(url.rsplit("/", 1)[0] + "/postgres", autocommit=True) as admin:
        admin.execute(f'DROP DATABASE IF EXISTS "{name}" WITH (FORCE)')  # type: ignore[arg-type]
        admin.execute(f'CREATE DATABASE "{name}"')  # type: ignore[arg-type]
        yield {**os.environ, "JUDICUM_DATABASE_URL": url, "JUDICUM_VAR": str(tmp_path / "other")}
        admin.execute(f'DROP DATABASE "{name}" WITH (FORCE)')  # type: ignore[arg-type]


assert settings.configured


@pytest.fixture
def api(client_of: Callable[..., Client]) -> Callable[..., Any]:
    """An answer of the API to somebody."""

    def call(who: Any, method: str, url: str, body: object = None) -> Any:
        return client_of(who).generic(method, url, *([] if body is None else [json.dumps(body), "application/json"]))

    return call
