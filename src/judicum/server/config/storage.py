"""Where files are kept: a folder of this machine, or an S3-compatible store that several hosts share."""

from pathlib import Path
from typing import Any

import environ


def default_storage(env: environ.Env, folder: Path) -> dict[str, Any]:
    """The default entry of Django's STORAGES: a bucket where `JUDICUM_S3_BUCKET` names one."""
    bucket = env.str("JUDICUM_S3_BUCKET", default="")
    if not bucket:
        return {"BACKEND": "judicum.server.platform.storage.WholeFiles", "OPTIONS": {"location": str(folder)}}
    return _bucket(env, bucket, "JUDICUM_S3")


def offsite_storage(env: environ.Env) -> dict[str, Any]:
    """The store to which backups are copied (`JUDICUM_OFFSITE_BUCKET`, …), as an entry of STORAGES; none where none is named."""
    bucket = env.str("JUDICUM_OFFSITE_BUCKET", default="")
    return {"offsite": _bucket(env, bucket, "JUDICUM_OFFSITE")} if bucket else {}


def _bucket(env: environ.Env, bucket: str, names: str) -> dict[str, Any]:
    options = {
        "bucket_name": bucket,
        "endpoint_url": env.str(f"{names}_ENDPOINT", default="") or None,
        "region_name": env.str(f"{names}_REGION", default="") or None,
        "access_key": env.str(f"{names}_KEY"),
        "secret_key": env.str(f"{names}_SECRET"),
        "addressing_style": env.str(f"{names}_ADDRESSING", default="path"),
        # A name says what it holds, and a piece that is sent again takes the place of the first.
        "file_overwrite": True,
        "default_acl": None,
        "querystring_auth": False,
    }
    return {"BACKEND": "storages.backends.s3.S3Storage", "OPTIONS": options}
