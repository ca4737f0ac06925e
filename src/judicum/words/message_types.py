"""Names and variables of the page's messages as TypeScript (web/src/api/generated-messages.ts):
`python -m judicum.words.message_types`; the test command fails where it drifted."""

from collections.abc import Iterator

from fluent.runtime import FluentResource
from fluent.syntax import ast
from fluent.syntax.visitor import Visitor

from judicum.words.catalogue import FOLDER, WHOLE

SERVER = "server"
"""The folder of messages that the page never shows."""


class _Variables(Visitor):
    def __init__(self) -> None:
        self.names: set[str] = set()

    def visit_VariableReference(self, node: ast.VariableReference) -> None:  # noqa: N802 - named by the visitor
        self.names.add(node.id.name)


def variables_of(message: ast.Message) -> set[str]:
    """Names of the variables of a message."""
    found = _Variables()
    found.visit(message)
    return found.names


def messages(*, page: bool = False) -> Iterator[ast.Message]:
    """Every message of the catalogue, or those that the page has."""
    for file in sorted((FOLDER / WHOLE).rglob("*.ftl")):
        if page and SERVER in file.parts:
            continue
        for entry in FluentResource(file.read_text(encoding="utf-8")).body:
            if isinstance(entry, ast.Message):
                yield entry


def typescript() -> str:
    """The file the page imports."""
    lines = []
    for one in messages(page=True):
        variables = " | ".join(f'"{name}"' for name in sorted(variables_of(one)))
        lines.append(f'  "{one.id.name}": {variables or "never"};')
    head = (
        "/** Made by `./judicum openapi` from the catalogue's files; never typed by hand: each message's variables. */"
    )
    return "\n".join([head, "export type Messages = {", *lines, "};", ""])


if __name__ == "__main__":
    print(typescript(), end="")
