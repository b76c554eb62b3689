"""The smallest duct that keeps every session in the pads' window. Importing this is slow: it loads compiled code."""

from collections.abc import Callable, Iterator, Sequence
from datetime import date

from plimbo.core.documents import Car, Setup
from plimbo.core.ducting.sizes import NO_DUCT, SCOOP, HoseSize, key_of
from plimbo.core.friction.pad_classes import window_of
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.cancellation import Wanted, always, raise_if_cancelled
from plimbo.core.quantities.errors import OutOfRange
from plimbo.core.quantities.phrases import Phrase, phrase
from plimbo.core.search.ducts.answers import DuctLeft, DuctRow, DuctSession, DuctSizing, Holds, duct_status
from plimbo.core.search.ducts.before_a_duct import First, before_any_duct
from plimbo.core.search.ducts.duct_runs import (
    DuctCase,
    by_heat,
    drag_of,
    session_result,
    tape_rows,
    vane_flow,
    worst,
)
from plimbo.core.search.ducts.together import everything, what_is_left
from plimbo.core.search.ducts.ways import DuctWay, duct_ways, is_solid
from plimbo.core.verdicts.session_heat.findings import DISC_BAND

Progress = Callable[[int, int], None]


def _silent(done: int, of: int) -> None:
    """Reports no progress."""


def sized(
    car: Car, setup: Setup, axle: Axle, today: date, wanted: Wanted = always, progress: Progress = _silent
) -> DuctSizing:
    """Simulates every session with every stock hose; pads and fluid come first.

    Raises `OutOfRange` where the car has no session or a lap cannot be worked out, `Cancelled` when the answer is no
    longer needed.
    """
    if not car.sessions:
        raise OutOfRange("car.sessions", "A duct is sized by the sessions of the car: add one on Heat.")
    setting = DuctCase(_open(car, axle), setup, axle, today)
    ways = list(duct_ways(setting))
    steps, rows = len(ways) + 2, list[DuctRow]()
    for way in ways:
        raise_if_cancelled(wanted)
        progress(len(rows), steps)
        rows.append(_row(setting, way))
    raise_if_cancelled(wanted)
    answer = _answer(rows)
    first = before_any_duct(setting, rows, ways, answer, wanted)
    progress(len(rows) + 1, steps)
    raise_if_cancelled(wanted)
    advised = rows[-2].patch if answer is None else rows[answer].patch
    left = what_is_left(setting.with_values(advised if first.patch is None else first.patch))
    # If no duct is needed, the fitted one; if none holds, the biggest.
    shown = rows[answer] if answer else next((row for row in rows if row.fitted), rows[-2])
    low, high = window_of(setup.brake(axle).pad)
    taped = tape_rows(setting.with_values(shown.patch)) if answer != 0 or shown.fitted else ()
    progress(steps, steps)
    return DuctSizing(
        axle=axle,
        low=low,
        high=high,
        band=DISC_BAND,
        rows=tuple(rows),
        answer=answer,
        word=first.word or _word(rows, answer, left),
        sentences=tuple(_sentences(setting, rows, answer, first)),
        first=first.patch,
        first_title=first.title,
        everything=everything(left, _subject(answer, first)),
        left=left,
        tape=taped,
    )


def _open(car: Car, axle: Axle) -> Car:
    """The sizes are compared without tape."""
    sessions = tuple(one.model_copy(update={f"{axle}_tape": 0.0}) for one in car.sessions)
    return car.model_copy(update={"sessions": sessions})


def _row(setting: DuctCase, way: DuctWay) -> DuctRow:
    made, now = setting.with_values(way.patch), setting.setup.brake(setting.axle).cooling.duct
    sessions = tuple(session_result(made, session) for session in made.car.sessions)
    drag, slower = drag_of(made)
    heat = by_heat(sessions)
    return DuctRow(
        key=way.key,
        title=way.title,
        label=way.title.removesuffix(" mm") if way.size else {NO_DUCT: "none", SCOOP: "scoop"}[way.key],
        bore=way.size.bore if way.size else None,
        hoses=way.size.hoses if way.size else 0,
        fitted=way.key == key_of(now),
        sessions=sessions,
        holds=worst(sessions),
        by_heat=duct_status(heat),
        hottest=max(one.peak for one in sessions),
        coldest=_coldest(setting, sessions),
        pads_last=_shortest([one.pads_last for one in sessions]),
        discs_last=_shortest([one.discs_last for one in sessions]),
        flow=vane_flow(made),
        drag=drag,
        slower=slower,
        trouble=way.trouble,
        patch=way.patch,
    )


# This far below the pad's window, K, the session started cold, as a hill climb does: its lowest temperature is not that
# of a straight.
BEGAN_COLD = 120.0


def _coldest(setting: DuctCase, sessions: Sequence[DuctSession]) -> float:
    bites = window_of(setting.setup.brake(setting.axle).pad)[0]
    lows = [one.low for one in sessions]
    return min([low for low in lows if low > bites - BEGAN_COLD] or lows)


def _shortest(lives: Sequence[float | None]) -> float | None:
    return min([life for life in lives if life is not None], default=None)


def _answer(rows: list[DuctRow]) -> int | None:
    """The smallest that holds by more than the model's error; otherwise the smallest that holds at all."""
    sized_rows = [place for place, row in enumerate(rows) if place == 0 or row.bore is not None]
    for levels in ((Holds.YES,), (Holds.YES, Holds.NEAR)):
        for place in sized_rows:
            if by_heat(rows[place].sessions) in levels:
                return place
    return None


def _word(rows: list[DuctRow], answer: int | None, left: Sequence[DuctLeft]) -> str:
    if answer == 0:
        return "No duct needed"
    if answer is None:
        return "No duct is enough"
    return f"The smallest that {'cools the discs enough' if left else 'holds'}: {rows[answer].title}"


def _subject(answer: int | None, first: First) -> str:
    """What stands then, in words."""
    if answer is None and first.patch is None:
        return "with the biggest"
    return "with it" if answer != 0 or first.patch is not None else "without a duct"


def _sentences(setting: DuctCase, rows: list[DuctRow], answer: int | None, first: First) -> Iterator[Phrase]:
    """The advice in a preparer's words."""
    high = window_of(setting.setup.brake(setting.axle).pad)[1]
    bare = max(rows[0].sessions, key=lambda one: one.peak)
    over = "under" if bare.peak <= high else "over"
    yield phrase(
        f"Without a duct {bare.session} peaks at {{peak}}, {{by}} {over} where the pad fades.",
        peak=(bare.peak, "temperature"),
        by=(abs(high - bare.peak), "temperature difference"),
    )
    if first.words is not None:
        yield first.words
    if answer is None:
        biggest = rows[-2]
        hottest = max(biggest.sessions, key=lambda one: one.peak)
        then = ": pads for more heat, then bigger discs" if first.patch is None else ""
        yield phrase(
            f"Even {biggest.title} alone leaves {hottest.session} at {{peak}}{then}.",
            peak=(hottest.peak, "temperature"),
        )
    elif answer == 0:
        yield from _without_any(setting, rows)
    elif answer:
        yield from _of_the_answer(rows, rows[answer])
    if first.fluid is not None:
        yield first.fluid
    if is_solid(setting):
        yield phrase("A solid disc has no eye to feed: the hose blows at its inner face, and cools that one.")


def _without_any(setting: DuctCase, rows: list[DuctRow]) -> Iterator[Phrase]:
    """The advice where no duct is needed."""
    if setting.setup.brake(setting.axle).cooling.duct.fitted:
        yield phrase("The duct that is fitted can come off: it only makes the discs colder.")
    cold = [one.session for one in rows[0].sessions if one.holds is Holds.COLD]
    if cold:
        yield phrase(f"Too cold even without one: {' and '.join(cold)}. A pad for less heat there.")


def _of_the_answer(rows: list[DuctRow], row: DuctRow) -> Iterator[Phrase]:
    hottest = max(row.sessions, key=lambda one: one.peak)
    sure = ", by less than the model is sure of" if by_heat(row.sessions) is Holds.NEAR else ""
    yield phrase(
        f"{row.title[0].upper()}{row.title[1:]} brings {hottest.session} to {{peak}}{sure}.",
        peak=(hottest.peak, "temperature"),
    )
    without = {one.session: one.holds for one in rows[0].sessions}
    cold = [one.session for one in row.sessions if one.holds is Holds.COLD and without[one.session] is not Holds.COLD]
    if cold:
        yield phrase(f"Too cold with it: {' and '.join(cold)}. See what to tape.")
    by_key = {one.key: one for one in rows}
    two, one = by_key[HoseSize(0.051, 2).key].flow, by_key[HoseSize(0.076).key].flow
    if two and one:
        yield phrase("Two 51 mm hoses carry {share} of the air of one of 76 mm.", share=(two / one, "share"))
