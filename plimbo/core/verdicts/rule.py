"""A rule in three short lines: what must be so, from where on it is watched, from where on it is bad."""

import re
from typing import SupportsFloat

from plimbo.core.quantities.phrases import Phrase, phrase
from plimbo.core.quantities.results import Result


class Rule(Result):
    """What is asked, and from where on it is to be watched or bad."""

    must: Phrase
    watch: Phrase
    bad: Phrase

    @property
    def lines(self) -> tuple[Phrase, ...]:
        return self.must, self.watch, self.bad


def rule(must: str, watch: str, bad: str, **values: tuple[SupportsFloat, str]) -> Rule:
    """Three lines that share their numbers, each given as value and dimension."""

    def line(text: str) -> Phrase:
        named = set(re.findall(r"\{(\w+)", text))
        return phrase(text, **{name: value for name, value in values.items() if name in named})

    return Rule(must=line(must), watch=line(watch), bad=line(bad))
