"""Names that stand once in their list: a copy gets a number."""

import re
from collections.abc import Iterable

MOST = 80
_NUMBERED = re.compile(r"^(?P<stem>.*\S) (?P<number>[1-9]\d{0,3})$")


def free_name(name: str, taken: Iterable[str]) -> str:
    """The name itself where it is free, else with the next number: "Sprint", "Sprint 2", "Sprint 3"."""
    known = {one.casefold() for one in taken}
    if name.casefold() not in known:
        return name
    numbered = _NUMBERED.match(name)
    stem, number = (numbered["stem"], int(numbered["number"])) if numbered else (name, 1)
    while True:
        number += 1
        candidate = f"{stem[: MOST - len(str(number)) - 1].rstrip()} {number}"
        if candidate.casefold() not in known:
            return candidate
