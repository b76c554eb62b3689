"""What stands with a duct and all that goes with it: every matter and every session, not the pads' window alone."""

from collections.abc import Mapping, Sequence

from plimbo.core.search.ducts.answers import DuctLeft, DuctStatus
from plimbo.core.search.ducts.duct_runs import DuctCase, better_fluid
from plimbo.core.search.plan.status import BAD, Key, Reading, car_status
from plimbo.core.verdicts.level import Level

# So many of what is left are named.
NAMED = 3


def _findings(made: DuctCase) -> Mapping[Key, Reading]:
    return car_status(made.car, made.setup, made.today).readings


def short_fluid(made: DuctCase) -> str:
    """Where the fluid is shortest, in words; empty where it is not short, or where no better one can be bought."""
    if not better_fluid(made.setup):
        return ""
    short = [
        (one.gravity, one.word, session)
        for (key, _, session), one in _findings(made).items()
        if key.startswith("fluid") and one.spoils
    ]
    if not short:
        return ""
    _, word, session = max(short)
    return f"{_lower(word)} in {session}"


def any_session_bad(made: DuctCase) -> bool:
    """Whether a session is bad with it."""
    return any(one.severity == BAD for (_, _, session), one in _findings(made).items() if session)


def what_is_left(made: DuctCase) -> tuple[DuctLeft, ...]:
    """What a sound car must not have, the gravest first."""
    spoilt = [(session, one) for (_, _, session), one in _findings(made).items() if one.spoils]
    spoilt.sort(key=lambda at: at[1].gravity, reverse=True)
    return tuple(
        DuctLeft(session=session, level=Level.BAD if one.severity == BAD else Level.WATCH, word=one.word)
        for session, one in spoilt
    )


def _lower(word: str) -> str:
    return word[0].lower() + word[1:]


def everything(left: Sequence[DuctLeft], subject: str) -> DuctStatus:
    """How all of it stands with `subject`."""
    if not left:
        return DuctStatus(level=Level.GOOD, word=f"{subject.capitalize()} everything holds, in every session.")
    named = [f"{_lower(one.word)}{f' in {one.session}' if one.session else ''}" for one in left]
    more = f"; {len(left) - NAMED} more" if len(left) > NAMED else ""
    return DuctStatus(level=left[0].level, word=f"Still {subject}: {'; '.join(named[:NAMED])}{more}.")
