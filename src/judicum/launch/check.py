"""What shows that the program is right: lint, types, import rules, drift, and the tests on a throwaway cluster."""

import os
import shutil
import subprocess
import sys
import tempfile
from concurrent.futures import Future, ThreadPoolExecutor
from pathlib import Path

from judicum.core.photo.weights import FOLDER
from judicum.launch import architecture, install
from judicum.launch.cluster import Cluster, throwaway
from judicum.launch.places import LOGS, PYTHON, ROOT, VENV, WEB
from judicum.launch.serve import environment
from judicum.launch.steps import Trouble, run, step

OPENAPI = WEB / "openapi.yaml"
TYPES = WEB / "src" / "api" / "generated.ts"
TOOLS = VENV / "bin"
WORDS = {
    WEB / "src" / "api" / "generated-vocabulary.ts": "judicum.words.vocabulary",
    WEB / "src" / "api" / "generated-messages.ts": "judicum.words.message_types",
}
"""What the page knows of the server's codes and of the catalogue's messages: the file, and the module that prints it."""
PARTS = {
    "core": ["tests/core", "src/judicum/core"],
    "server": [
        "tests/server",
        "tests/launch",
        "tests/bench",
        "tests/camera",
        "tests/training",
        "tests/words",
        "tests/demo",
        "src/judicum/words",
    ],
    "browser": ["tests/browser"],
}
"""Paths of tests by what they need: the packages; a database beside them; the built page and a browser beside both."""
BARE = ["-p", "no:django", "--noconftest", "-W", "ignore::pytest.PytestConfigWarning"]
"""Pytest without Django and without its fixtures, for the core."""


def lint() -> int:
    """Format, lint, types and import rules of Python and page, and drift of what is made from models and answers."""
    with install.only_one():
        install.python_packages(dev=True)
        npm, node_env = install.web_packages()
    with tempfile.TemporaryDirectory(prefix="judicum-lint-") as scratch, ThreadPoolExecutor(4) as side_by_side:
        env = environment(throwaway(), "only-for-the-schema")
        checks = [
            side_by_side.submit(_python_checks),
            side_by_side.submit(_python_types),
            side_by_side.submit(_page_lint, npm, node_env),
        ]
        _openapi_drift(env, Path(scratch))
        _drift_of_types(npm, node_env, Path(scratch))
        for check in checks:
            check.result()
    return 0


def test(arguments: list[str]) -> int:
    """The tests that are asked for, with what they need and nothing else; all of them, and every check, where none is.

    Args:
        arguments: names of `PARTS`, `page`, or paths; what begins with a dash goes to pytest.
    """
    options = arguments[next((k for k, a in enumerate(arguments) if a.startswith("-")), len(arguments)) :]
    asked = arguments[: len(arguments) - len(options)]
    if not asked:
        return _everything(options)
    if asked == ["page"]:
        with install.only_one():
            install.python_packages(dev=True)
            node = install.web_packages()
        _page_lint(*node)
        return _page_tests(*node)
    paths = [path for one in asked for path in PARTS.get(one, [one])]
    if missing := [path for path in paths if not (ROOT / path.split("::")[0]).exists()]:
        raise Trouble(f"no such tests: {', '.join(missing)}; given may be {', '.join([*PARTS, 'page'])}, or paths")
    if all(path.startswith(tuple(PARTS["core"])) for path in paths):
        with install.only_one():
            install.python_packages(dev=True)
        env = {**os.environ, "PYTHONPATH": str(ROOT / "src")}
        return _pytest(env, [*BARE, *options], paths)
    return _with_database(options, paths)


def _with_database(options: list[str], paths: list[str]) -> int:
    """These tests on a throwaway cluster; with the built page and a browser where one of them needs it."""
    cluster = throwaway()
    with tempfile.TemporaryDirectory(prefix="judicum-test-var-") as scratch:
        try:
            with install.only_one():
                install.python_packages(dev=True)
                env = _environment(cluster, scratch)
                if any(path.startswith(("tests/browser", "tests/launch")) for path in paths):
                    env["JUDICUM_CHROMIUM"] = str(_programs())
                    install.page()
                else:
                    install.postgres_programs()
                cluster.start()
                _tables(env)
            return _pytest(env, options, paths)
        finally:
            cluster.stop()
            cluster.remove()


def _everything(options: list[str]) -> int:
    """Run every check; the exit code is pytest's, whose closing line comes last.

    What does not wait for one another goes side by side: Debian's programs, the Python packages and their checks, the page; the
    types of the Python code and the page's own checks go on beside the tests.
    """
    cluster = throwaway()
    scratch = Path(tempfile.mkdtemp(prefix="judicum-test-var-"))
    try:
        with ThreadPoolExecutor(6) as side_by_side:
            with install.only_one():
                programs = side_by_side.submit(_programs)
                packages = side_by_side.submit(install.python_packages, dev=True)
                page = side_by_side.submit(_page, packages)
                packages.result()
                env = _environment(cluster, str(scratch))
                compiled = side_by_side.submit(_compiled, dict(env))
                side_by_side.submit(_python_checks).result()
                checks = [side_by_side.submit(_python_types)]
                env["JUDICUM_CHROMIUM"] = str(programs.result())
                cluster.start()
                _drift(env, scratch)
                _tables(env)
                compiled.result()
                node = page.result()
                _drift_of_types(*node, scratch)
            checks.append(side_by_side.submit(_page_checks, *node))
            code = _pytest(env, ["--reuse-db", *options], [])
            for check in checks:
                check.result()
        return code
    finally:
        cluster.stop()
        cluster.remove()
        shutil.rmtree(scratch, ignore_errors=True)


def _environment(cluster: Cluster, scratch: str) -> dict[str, str]:
    """What tests on this cluster need to know; what they write goes to `scratch`, and they measure with what ships."""
    more = {"JUDICUM_VAR": scratch, "DJANGO_ALLOW_ASYNC_UNSAFE": "true", FOLDER: ""}
    return {**environment(cluster, "only-for-tests"), **more}


def _programs() -> Path:
    """Debian's programs that the tests need; returns Chromium's."""
    install.nginx()
    install.postgres_programs()
    install.certutil()
    return install.chromium()


def _page(packages: Future[None]) -> tuple[list[str], dict[str, str]]:
    """Build the page once the Python packages are there; returns how npm is called."""
    if not install.has_node():
        packages.result()
    npm, node_env = install.web_packages()
    packages.result()
    install.page()
    return npm, node_env


def _compiled(env: dict[str, str]) -> None:
    """Compile what the tests import once: every worker begins by importing all of it, and all begin at the same time."""
    with step("compiling the tests and what they import"):
        run([PYTHON, "-m", "pytest", "--collect-only", "-q"], why="a test cannot be imported", env=env, cwd=ROOT, log=LOGS / "collect.log")  # fmt: skip


def _pytest(env: dict[str, str], options: list[str], paths: list[str]) -> int:
    """The tests of these paths, all of them where there is none; pytest's exit code.

    There are more workers than cores: a third of their time is waiting for browsers and other programs. A file stays on one
    worker, so what a file draws or builds is made once. Files come in the order of tests/conftest.py, the slow ones first.
    """
    sys.stderr.flush()
    shared = ["-n", str((os.cpu_count() or 1) + 2), "--dist", "loadfile", "--no-loadscope-reorder"]
    command = ["-m", "pytest", *shared, *options, *paths]
    return subprocess.run([PYTHON, *command], env=env, cwd=ROOT, stdin=subprocess.DEVNULL).returncode


def _python_checks() -> None:
    with step("format, lint and import rules of the Python code"):
        run([TOOLS / "ruff", "check", "."], why="ruff", cwd=ROOT, log=LOGS / "ruff.log")
        run([TOOLS / "ruff", "format", "--check", "."], why="ruff format", cwd=ROOT, log=LOGS / "ruff.log")
        env = {**os.environ, "PYTHONPATH": str(ROOT / "src")}
        run([TOOLS / "lint-imports"], why="an import rule is broken", cwd=ROOT, env=env, log=LOGS / "imports.log")


def _python_types() -> None:
    env = {
        **os.environ,
        "PYTHONPATH": str(ROOT / "src"),
        "JUDICUM_DATABASE_URL": "postgres://nobody@127.0.0.1:1/none",
        "JUDICUM_SECRET_KEY": "types",
    }
    with step("types of the Python code"):
        run([TOOLS / "mypy"], why="mypy", cwd=ROOT, env=env, log=LOGS / "mypy.log")


def _page_checks(npm: list[str], node_env: dict[str, str]) -> None:
    _page_lint(npm, node_env)
    with step("unit tests of the page"):
        run([*npm, "test"], why="vitest", env=node_env, cwd=WEB, log=LOGS / "vitest.log")


def _page_tests(npm: list[str], node_env: dict[str, str]) -> int:
    return subprocess.run([*npm, "test"], env=node_env, cwd=WEB, stdin=subprocess.DEVNULL).returncode


def _page_lint(npm: list[str], node_env: dict[str, str]) -> None:
    with step("format, lint and types of the page"):
        run([*npm, "run", "format:check"], why="prettier", env=node_env, cwd=WEB, log=LOGS / "prettier.log")
        run([*npm, "run", "unused"], why="knip", env=node_env, cwd=WEB, log=LOGS / "knip.log")
        run([*npm, "run", "lint"], why="eslint", env=node_env, cwd=WEB, log=LOGS / "eslint.log")
        run([*npm, "run", "types"], why="tsc", env=node_env, cwd=WEB, log=LOGS / "tsc.log")


def _drift(env: dict[str, str], scratch: Path) -> None:
    with step("migration drift"):
        run(
            [PYTHON, "-m", "django", "makemigrations", "--check", "--dry-run"],
            why="models and migrations differ",
            env=env,
            log=LOGS / "drift.log",
        )
    _openapi_drift(env, scratch)


def _openapi_drift(env: dict[str, str], scratch: Path) -> None:
    with step("OpenAPI drift"):
        fresh = scratch / OPENAPI.name
        run(
            [PYTHON, "-m", "django", "spectacular", "--fail-on-warn", "--file", fresh],
            why="the OpenAPI file cannot be made",
            env=env,
            log=LOGS / "drift.log",
        )
        run(["diff", OPENAPI, fresh], why=f"{OPENAPI.relative_to(ROOT)} is out of date (./judicum openapi)")
        for file, module in WORDS.items():
            if file.read_text() != _spoken(module, env):
                raise Trouble(f"{file.relative_to(ROOT)} is out of date (./judicum openapi)")


def _spoken(module: str, env: dict[str, str]) -> str:
    return run([PYTHON, "-m", module], why=f"{module} prints nothing", env=env)


def _tables(env: dict[str, str]) -> None:
    """Make the tables once: each worker's database is a copy (tests/conftest.py)."""
    with step("tables of the tests' databases"):
        run([PYTHON, "-m", "django", "migrate"], why="the migrations do not run", env=env, log=LOGS / "migrate.log")
    env["JUDICUM_TEST_TEMPLATE"] = "judicum"


def openapi_types(npm: list[str], source: Path, target: Path) -> list[str]:
    """The command that makes the page's types; what a request may leave out is optional there."""
    return [*npm, "exec", "--", "openapi-typescript", str(source), "-o", str(target), "--default-non-nullable=false"]


def _drift_of_types(npm: list[str], node_env: dict[str, str], scratch: Path) -> None:
    types = scratch / "generated.ts"
    run(
        openapi_types(npm, scratch / OPENAPI.name, types),
        why="openapi-typescript",
        env=node_env,
        cwd=WEB,
    )
    run(["diff", TYPES, types], why=f"{TYPES.relative_to(ROOT)} is out of date (./judicum openapi)")


def write_openapi() -> int:
    """Write what is made from the code: OpenAPI file, the page's types and vocabulary, archive schemas, the architecture's page."""
    with install.only_one():
        install.python_packages(dev=True)
        npm, node_env = install.web_packages()
    env = environment(throwaway(), "only-for-the-schema")
    run(
        [PYTHON, "-m", "django", "spectacular", "--fail-on-warn", "--file", OPENAPI],
        why="the OpenAPI file cannot be made",
        env=env,
        log=LOGS / "drift.log",
    )
    run(
        openapi_types(npm, OPENAPI, TYPES),
        why="openapi-typescript",
        env=node_env,
        cwd=WEB,
    )
    for file, module in WORDS.items():
        file.write_text(_spoken(module, env))
    architecture.PAGE.write_text(architecture.page())
    schemas = [PYTHON, "-m", "judicum.server.exchange.archive.schemas", ROOT / "docs" / "archive"]
    run(schemas, why="the archive's schemas cannot be made", env=env)
    return 0
