"""Turns a Judicum archive into CSV, one file a table, beside the photos: python3 read_archive.py course.zip FOLDER

Nothing but Python's own library (3.8 or later). README.md in this folder says what the tables hold.
"""

import csv
import hashlib
import json
import sys
import zipfile
from pathlib import Path


def cell(value):
    """A value as a spreadsheet takes it: lists and objects as JSON, and nothing that it would run as a formula."""
    if isinstance(value, (list, dict)):
        return json.dumps(value, ensure_ascii=False)
    if isinstance(value, str) and value[:1] in ("=", "+", "-", "@", "\t", "\r"):
        return "'" + value
    return value


def main(archive, folder):
    folder = Path(folder).resolve()
    with zipfile.ZipFile(archive) as file:
        manifest = json.loads(file.read("manifest.json"))
        print(manifest["format"], "version", manifest["version"], "of", manifest["exported_at"])
        for one in manifest["files"]:
            name, data = one["name"], file.read(one["name"])
            if hashlib.sha256(data).hexdigest() != one["sha256"]:
                sys.exit(name + " is not what it was when it was written")
            target = (folder / name).resolve()
            if folder not in target.parents:
                sys.exit(name + " is no name of an archive's file")
            target.parent.mkdir(parents=True, exist_ok=True)
            if not name.endswith(".jsonl"):
                target.write_bytes(data)
                continue
            rows = [json.loads(line) for line in data.decode("utf-8").splitlines()]
            columns = list(dict.fromkeys(key for row in rows for key in row))
            with open(str(target)[: -len("jsonl")] + "csv", "w", newline="", encoding="utf-8-sig") as out:
                writer = csv.writer(out)
                writer.writerow(columns)
                writer.writerows([cell(row.get(column)) for column in columns] for row in rows)
            print(len(rows), name)


if __name__ == "__main__":
    main(*sys.argv[1:3]) if len(sys.argv) == 3 else sys.exit(__doc__)
