"""The JSON Schema of every table of an archive (draft 2020-12), from its records.

python -m judicum.server.exchange.archive.schemas docs/archive    writes one file a table (so does ./judicum openapi)
"""

import json
import sys
from pathlib import Path

from judicum.server.exchange.archive.records import RECORDS


def texts() -> dict[str, str]:
    """Every schema file's text by its name."""
    return {
        f"{name}.schema.json": json.dumps(record.schema(name), indent=2, ensure_ascii=False) + "\n"
        for name, record in RECORDS.items()
    }


if __name__ == "__main__":
    folder = Path(sys.argv[1])
    folder.mkdir(parents=True, exist_ok=True)
    for old in folder.glob("*.schema.json"):
        old.unlink()
    for name, text in texts().items():
        (folder / name).write_text(text)
