"""The notebook page of the docs does what it says: its cells are run in order, and print what stands below them."""

import io
import re
import subprocess
import sys
from contextlib import redirect_stdout
from pathlib import Path
from typing import Any

from plimbo import core
from plimbo.core import assess
from tests import w1

PAGE = (Path(__file__).parents[2] / "docs" / "notebook.md").read_text()
CELL = re.compile(r"```python\n(.*?)```\n(?:\n```text\n(.*?)```)?", re.DOTALL)


def test_the_cells_of_the_page_print_what_stands_below_them() -> None:
    cells, names = CELL.findall(PAGE), dict[str, Any]()
    assert len(cells) == PAGE.count("```python") >= 7
    for code, expected in cells:
        printed = io.StringIO()
        with redirect_stdout(printed):
            exec(code, names)
        # Where Pydantic's own words stand in a message, its link is not part of ours.
        result = re.sub(r"\n    For further information.*", "", printed.getvalue())
        assert result == expected, code


def test_everything_public_can_be_imported_by_its_name_and_says_what_it_is() -> None:
    for name in core.__all__:
        thing = getattr(core, name)
        assert callable(thing) or isinstance(thing, str | int | tuple), name
        assert thing.__doc__, name


def test_answers_and_documents_show_themselves_as_tables_with_units() -> None:
    table = w1.SETUP._repr_html_()
    for words in ("<td>Cylinder bore</td>", "17.78 mm", "38.1 + 41.3 mm", "balance bar", "5.00"):
        assert words in re.sub(r' style="[^"]*"', "", table).replace("\u00a0", " "), words
    answer = assess(w1.CAR, w1.SETUP, w1.STATIC, with_working=False)
    assert repr(answer).startswith("Assessment(foot_force 400")
    assert "<td>Design effort</td>" in re.sub(r' style="[^"]*"', "", answer._repr_html_())
    assert len(repr(answer)) < 300
    assert "<script>" not in w1.CAR.patched({"name": "<script>"})._repr_html_()


def test_the_core_needs_nothing_of_web_or_database() -> None:
    script = "import sys, plimbo.core; print(sorted({'fastapi', 'sqlalchemy', 'typer', 'rich'} & set(sys.modules)))"
    result = subprocess.run([sys.executable, "-c", script], capture_output=True, text=True, check=True)
    assert result.stdout.strip() == "[]"
