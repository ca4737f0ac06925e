"""docs/architecture.md, made from the import contracts and the packages' own docstrings; needs nothing installed."""

import ast
import tomllib
from pathlib import Path

from judicum.launch.places import ROOT

PAGE = ROOT / "docs" / "architecture.md"
SERVER = ROOT / "src" / "judicum" / "server"
HEAD = """# Architecture

Made by `./judicum openapi` from the import contracts in `pyproject.toml` and the code; change those, not this page.
`./judicum lint` refuses an import that breaks a contract.

## Packages

| package | what it holds |
|---|---|
"""


def page() -> str:
    """The page as the code stands: packages, the server's floors from top to bottom with who imports whom, the contracts."""
    contracts = tomllib.loads((ROOT / "pyproject.toml").read_text())["tool"]["importlinter"]["contracts"]
    floors = next(one["layers"] for one in contracts if one["type"] == "layers")
    packages = [folder for folder in sorted(SERVER.parent.iterdir()) if (folder / "__init__.py").exists()]
    lines = [f"| `{folder.name}/` | {_about(folder)} |" for folder in packages]
    lines += ["", "## The server's floors", "", "Each floor imports only what lies below it; arrows are the imports that there are.", ""]  # fmt: skip
    lines += ["```mermaid", "flowchart TD"]
    lines += [f'  {floor}["{floor}/<br/>{_about(SERVER / floor)}"]' for floor in floors]
    for floor in floors:
        imported = _imported(floor)
        lines += [f"  {floor} --> {other}" for other in floors if other in imported]
    lines += ["```", "", "## Contracts", "", *(f"- {one['name']}" for one in contracts)]
    return HEAD + "\n".join(lines) + "\n"


def _about(folder: Path) -> str:
    """The first sentence of a package's docstring."""
    text = ast.get_docstring(ast.parse((folder / "__init__.py").read_text())) or ""
    return text.split("\n\n")[0].replace("\n", " ").rstrip(".")


def _imported(floor: str) -> set[str]:
    """The other parts of the server that a floor's files import."""
    found: set[str] = set()
    for file in sorted((SERVER / floor).rglob("*.py")):
        for node in ast.walk(ast.parse(file.read_text())):
            names = [node.module or ""] if isinstance(node, ast.ImportFrom) else [a.name for a in node.names] if isinstance(node, ast.Import) else []  # fmt: skip
            found |= {name.split(".")[2] for name in names if name.startswith("judicum.server.")}
    return found - {floor}
