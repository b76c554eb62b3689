"""Summaries of setups, cached: calculating one simulates every session."""

from collections import OrderedDict

REMEMBERED = 500


class SetupSummaries:
    """Answers as JSON by a key of the caller: the versions of setup and car, and the date, since fluid ages."""

    def __init__(self) -> None:
        self._known: OrderedDict[tuple[object, ...], bytes] = OrderedDict()

    def get(self, key: tuple[object, ...]) -> bytes | None:
        """The summary, if it is known."""
        return self._known.get(key)

    def keep(self, key: tuple[object, ...], answer: bytes) -> None:
        """Remember it; the oldest are forgotten."""
        self._known[key] = answer
        if len(self._known) > REMEMBERED:
            self._known.popitem(last=False)
