"""The demo scenario as data; demo/fountain.json says what its figures mean."""

import json
from pathlib import Path
from typing import Any

FILE = Path(__file__).with_name("fountain.json")
PASSWORD = "fountain-demo"


def scenario() -> dict[str, Any]:
    """The scenario of demo/fountain.json."""
    return json.loads(FILE.read_text())
