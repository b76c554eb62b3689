"""Names that are unique in their list, ignoring case: a copy gets a number."""

import re
from collections.abc import Iterable

MOST = 80
_NUMBERED = re.compile(r"^(?P<stem>.*\S) (?P<number>[1-9]\d{0,3})$")


def name_key(name: str) -> str:
    """The key of a name: equal for names that count as the same."""
    return name.casefold()


def key_prefix(name: str) -> str:
    """The beginning of the key of every numbered copy of this name."""
    return name_key(_stem_and_number(name)[0][: MOST - 5].rstrip())


class TakenNames:
    """The names in a list, by their keys, and those given since."""

    def __init__(self, keys: Iterable[str]) -> None:
        self._keys = set(keys)
        self._last_number: dict[str, int] = {}

    def claim(self, name: str) -> str:
        """The name itself if it is free, else with the next number: "Sprint", "Sprint 2", "Sprint 3"."""
        free = name if name_key(name) not in self._keys else self._numbered(name)
        self._keys.add(name_key(free))
        return free

    def _numbered(self, name: str) -> str:
        stem, number = _stem_and_number(name)
        # Many records of one name may be added together: the search continues after the last number given.
        number = max(number, self._last_number.get(stem, 0))
        while True:
            number += 1
            candidate = f"{stem[: MOST - len(str(number)) - 1].rstrip()} {number}"
            if name_key(candidate) not in self._keys:
                self._last_number[stem] = number
                return candidate


def _stem_and_number(name: str) -> tuple[str, int]:
    numbered = _NUMBERED.match(name)
    return (numbered["stem"], int(numbered["number"])) if numbered else (name, 1)
