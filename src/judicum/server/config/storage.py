"""Where files are kept: a folder of this machine, or an S3-compatible store that several hosts share."""

from pathlib import Path
from typing import Any

import environ


def default_storage(env: environ.Env, folder: Path) -> dict[str, Any]:
    """The default entry of Django's STORAGES: a bucket where `JUDICUM_S3_BUCKET` names one."""
    bucket = env.str("JUDICUM_S3_BUCKET", default="")
    if not bucket:
        return {"BACKEND": "judicum.server.platform.storage.WholeFiles", "OPTIONS": {"location": str(folder)}}
    options = {
        "bucket_name": bucket,
        "endpoint_url": env.str("JUDICUM_S3_ENDPOINT", default="") or None,
        "region_name": env.str("JUDICUM_S3_REGION", default="") or None,
        "access_key": env.str("JUDICUM_S3_KEY"),
        "secret_key": env.str("JUDICUM_S3_SECRET"),
        "addressing_style": env.str("JUDICUM_S3_ADDRESSING", default="path"),
        # A name says what it holds, and a piece that is sent again takes the place of the first.
        "file_overwrite": True,
        "default_acl": None,
        "querystring_auth": False,
    }
    return {"BACKEND": "storages.backends.s3.S3Storage", "OPTIONS": options}
