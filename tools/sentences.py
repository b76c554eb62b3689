"""Everything that Plimbo can say, as one list to be read: `python -m tools.sentences`.

From the source code: strings of the Python packages that are no docstrings, and the words of the web's templates and
scripts. Numbers stand in braces.
"""

import ast
import re
from collections.abc import Iterator
from pathlib import Path
from typing import NamedTuple

PYTHON, WEB = Path("plimbo"), Path("web/src")
# Text between tags; attributes; strings of scripts and of what stands in braces.
_TEXT = re.compile(r">([^<>]*[A-Za-z][^<>]*)<")
_ATTRIBUTE = re.compile(r'\s([:@\w.-]+)="([^"]*)"')
_SEEN = {"title", "label", "aria-label", "placeholder", "alt", "what", "words", "text", "by"}
_QUOTED = re.compile(r'"((?:[^"\\\n]|\\.)*)"|`((?:[^`\\]|\\.)*)`')
_SINGLE = re.compile(r"'((?:[^'\\\n]|\\.)*)'|`((?:[^`\\]|\\.)*)`")
_BRACES = re.compile(r"(?s)\{\{(.*?)\}\}")
_VALUE = re.compile(r"\$\{[^{}]*(?:\{[^{}]*\}[^{}]*)*\}")
_COMMENT = re.compile(r"(?s)/\*.*?\*/|<!--.*?-->|(?m:^\s*//[^\n]*$)")
_STYLE = re.compile(r"(?s)<style.*?</style>")
_SCRIPT = re.compile(r"(?s)<script.*?</script>")
# What a reader sees has a space between words, or begins with a capital.
_SAID = re.compile(r"[A-Za-zα-ω][a-zα-ω’']*[,.;:]? [a-zα-ω{]|^[A-Z][a-z]+[a-z -]*$")
_CODE = re.compile(r"^[\w./@:-]*$|=>|===|\bvar\(|^\W*M\$?\{|^(import|export) |\(\?|\\[sdb(]")


class Sentence(NamedTuple):
    """Something said, and the file that says it."""

    file: Path
    text: str


def sentences() -> list[Sentence]:
    """All that can be said, in the order of the files."""
    python = (Sentence(file, text) for file in sorted(PYTHON.rglob("*.py")) for text in _of_python(file.read_text()))
    web = (
        Sentence(file, text)
        for file in sorted(WEB.rglob("*"))
        if file.suffix in (".vue", ".ts") and file.name != "generated.d.ts"
        for text in _of_web(file.read_text())
    )
    return [*python, *web]


def _of_python(code: str) -> Iterator[str]:
    tree = ast.parse(code)
    inner = {id(part) for node in ast.walk(tree) if isinstance(node, ast.JoinedStr) for part in ast.walk(node)}
    for node in ast.walk(tree):
        if isinstance(node, ast.Expr):
            # A docstring.
            inner.add(id(node.value))
        if isinstance(node, ast.JoinedStr):
            parts = (part.value if isinstance(part, ast.Constant) else "{}" for part in node.values)
            yield from _said("".join(map(str, parts)))
        elif isinstance(node, ast.Constant) and isinstance(node.value, str) and id(node) not in inner:
            yield from _said(node.value)


def _of_web(code: str) -> Iterator[str]:
    code = _COMMENT.sub("", _STYLE.sub("", code))
    template = _SCRIPT.sub("", code) if "<template>" in code else ""
    for script in _SCRIPT.findall(code) if template else [code]:
        yield from _strings(_QUOTED, script)
    for braces in _BRACES.findall(template):
        yield from _strings(_QUOTED, braces)
    plain = _BRACES.sub("{}", template)
    for name, value in _ATTRIBUTE.findall(plain):
        if name in _SEEN:
            yield from _said(value)
        elif name[0] in ":@v" and name != ":class":
            yield from _strings(_SINGLE, value)
    for text in _TEXT.findall(_ATTRIBUTE.sub("", plain)):
        yield from _said(re.sub(r"\s+", " ", text))


def _strings(quoted: re.Pattern[str], code: str) -> Iterator[str]:
    for plain, template in quoted.findall(code):
        yield from _said(_VALUE.sub("{}", plain or template))


def _said(text: str) -> Iterator[str]:
    if _SAID.search(text) and not _CODE.search(text):
        yield text.strip()


if __name__ == "__main__":
    last = Path()
    for sentence in sentences():
        if sentence.file != last:
            print(f"\n{sentence.file}")
            last = sentence.file
        print(f"  {sentence.text}")
