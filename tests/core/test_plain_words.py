"""Names, comments and pages of docs use today's plain English: the words that once had to be replaced stay away.

What a user reads on the screen is checked where it is said; this is about those who read the code.
"""

import io
import re
import tokenize
from pathlib import Path

import pytest

ROOT = Path(__file__).parents[2]
# Old, literary or invented words, and names that meant two things. Each once stood in the code.
OLD_WORDS = re.compile(
    r"\b(abreast|anew|asunder|beforehand|hence|hither|manieth|nobody|nought|reckon\w*|rubs? on|somebody|tak(?:e|en) for"
    r" granted|telling|thence|thereof|thereby|told|whence|whereof|whoever|wont)\b"
    r"|\bgoes? on\b|\bhangs? on\b|\bthe way of the\b|\bwhat came of\b|\bof its own accord\b|\blow rank\b|\bleft off\b"
    r"|\bsays nothing\b|\blooked at\b|\bas ever\b|\ba hair\b",
    re.IGNORECASE,
)
OLD_NAMES = re.compile(
    r"\b(Abandoned|Demand|Standings?|Strain|Thing|go_?[oO]n|standings|strains?|told|telling|led|abreast|settling"
    r"|answered_behind|state_settings|Drive|Stretch|laps_driven|useTurns)\b"
)
CODE = (
    "plimbo/**/*.py",
    "tests/**/*.py",
    "tools/*.py",
    "bench/*.py",
    "web/src/**/*.ts",
    "web/src/**/*.vue",
    "web/tests/*.ts",
)
PAGES = ("README.md", "docs/*.md", "Makefile")
# This list itself, and what is generated.
LEFT_OUT = {"tests/core/test_plain_words.py", "web/src/api/generated.d.ts"}


def files(*patterns: str) -> list[Path]:
    found = [file for pattern in patterns for file in sorted(ROOT.glob(pattern))]
    return [file for file in found if file.relative_to(ROOT).as_posix() not in LEFT_OUT]


def python_text(source: str) -> tuple[list[tuple[int, str]], list[tuple[int, str]]]:
    """Comments and docstrings of a Python file, and its names, each with its line."""
    words, names = list[tuple[int, str]](), list[tuple[int, str]]()
    before = tokenize.NEWLINE
    for token in tokenize.generate_tokens(io.StringIO(source).readline):
        if token.type == tokenize.COMMENT or (
            token.type == tokenize.STRING and before in (tokenize.NEWLINE, tokenize.INDENT, tokenize.DEDENT)
        ):
            words.append((token.start[0], token.string))
        elif token.type == tokenize.NAME:
            names.append((token.start[0], token.string))
        if token.type not in (tokenize.NL, tokenize.COMMENT):
            before = token.type
    return words, names


def web_text(source: str) -> tuple[list[tuple[int, str]], list[tuple[int, str]]]:
    """The same of TypeScript or Vue: names are whatever is no comment, no string and no text between tags."""
    words, names = list[tuple[int, str]](), list[tuple[int, str]]()
    pattern = re.compile(
        r"(?P<comment>/\*.*?\*/|<!--.*?-->|(?<![:\w\"'`/])//[^\n]*)|(?P<string>\"[^\"\n]*\"|'[^'\n]*'|`[^`]*`|>[^<>{}=]*<)",
        re.DOTALL,
    )
    end = 0
    for found in pattern.finditer(source):
        names.append((source.count("\n", 0, end) + 1, source[end : found.start()]))
        if found["comment"]:
            words.append((source.count("\n", 0, found.start()) + 1, found["comment"]))
        end = found.end()
    return words, [*names, (source.count("\n", 0, end) + 1, source[end:])]


def faults(file: Path) -> list[str]:
    source, name = file.read_text(encoding="utf-8"), file.relative_to(ROOT).as_posix()
    if file.suffix == ".md" or file.name == "Makefile":
        words, names = list(enumerate(source.splitlines(), 1)), []
    else:
        words, names = python_text(source) if file.suffix == ".py" else web_text(source)
    return [
        f"{name}:{line}: {found[0]}"
        for texts, pattern in ((words, OLD_WORDS), (names, OLD_NAMES))
        for line, text in texts
        for found in pattern.finditer(text)
    ]


@pytest.mark.parametrize("kind", [CODE, PAGES], ids=["code", "docs"])
def test_no_old_word_comes_back(kind: tuple[str, ...]) -> None:
    assert [fault for file in files(*kind) for fault in faults(file)] == []


def test_file_names_are_plain_too() -> None:
    assert [file.name for file in files(*CODE) if OLD_NAMES.search(file.stem)] == []


@pytest.mark.parametrize(
    ("suffix", "source", "found"),
    [
        (".py", '"""What is told."""\nx = "told"\n', 1),
        (".py", "led = 1  # reckoned\n", 2),
        (".vue", "<!-- as ever -->\n<p>told</p>\n", 1),
        (".ts", "const told = 1; // plain\n", 1),
    ],
)
def test_an_old_word_is_seen_in_comments_and_names_and_not_on_the_screen(suffix: str, source: str, found: int) -> None:
    words, names = (python_text if suffix == ".py" else web_text)(source)
    seen = [text for _, text in words if OLD_WORDS.search(text)] + [text for _, text in names if OLD_NAMES.search(text)]
    assert len(seen) == found
