"""Prints the share of test lines in all code lines of the repository (blank and comment lines left out)."""

import subprocess
from pathlib import Path

ENDINGS = (".py", ".ts", ".js", ".vue", ".css", ".html")
COMMENTS = ("#", "//", "/*", "*", "<!--")


def code_lines(path: str) -> int:
    lines = (line.strip() for line in Path(path).read_text(encoding="utf-8").splitlines())
    return sum(1 for line in lines if line and not line.startswith(COMMENTS))


tracked = subprocess.run(["git", "ls-files"], capture_output=True, text=True, check=True).stdout.splitlines()
paths = [
    path for path in tracked if path.endswith(ENDINGS) and "generated" not in path and not path.startswith("docs/")
]
tests = sum(code_lines(path) for path in paths if path.startswith(("tests/", "web/tests/")))
other = sum(code_lines(path) for path in paths) - tests
print(f"test lines {tests}, other lines {other}, share {tests / (tests + other):.1%} (a quarter to a third is asked)")
