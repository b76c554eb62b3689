"""The smallest duct that keeps every session in the pads' window. Importing this is slow: it loads compiled code."""

from collections.abc import Callable, Iterator, Sequence
from datetime import date
from typing import Any, NamedTuple

from pydantic import ValidationError

from plimbo.core.documents import Aim, Car, PadMaterial, Setup, Shielding
from plimbo.core.ducting.sizes import NO_DUCT, SCOOP, SIZES, HoseSize, key_of, of_size
from plimbo.core.friction.pad_classes import window_of
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.quantities.cancellation import Wanted, always, raise_if_cancelled
from plimbo.core.quantities.errors import OutOfRange
from plimbo.core.quantities.phrases import Phrase, phrase
from plimbo.core.search.ducts.answers import DuctRow, DuctSession, DuctSizing, Holds, duct_status
from plimbo.core.search.ducts.duct_runs import (
    DuctCase,
    better_fluid,
    drag_of,
    session_result,
    tape_rows,
    vane_flow,
    worse_findings,
    worst,
)
from plimbo.core.search.session_heat.candidates import hotter_pads, pads_of
from plimbo.core.verdicts.session_heat.findings import DISC_BAND, FLUID_BAND

Progress = Callable[[int, int], None]


class _Way(NamedTuple):
    """A duct to be simulated."""

    key: str
    title: str
    size: HoseSize | None
    patch: dict[str, Any]
    trouble: str


class _First(NamedTuple):
    """A change to try before a duct; `words` says what it does."""

    title: str = ""
    word: str = ""
    patch: dict[str, Any] | None = None
    words: Phrase | None = None


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
    ways = list(_ways(setting))
    steps, rows = len(ways) + 2, list[DuctRow]()
    for way in ways:
        raise_if_cancelled(wanted)
        progress(len(rows), steps)
        rows.append(_row(setting, way))
    raise_if_cancelled(wanted)
    answer = _answer(rows)
    first = _before_any_duct(setting, rows, ways, answer, wanted)
    progress(len(rows) + 1, steps)
    raise_if_cancelled(wanted)
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
        word=first.word or _word(rows, answer),
        sentences=tuple(_sentences(setting, rows, answer, first)),
        first=first.patch,
        first_title=first.title,
        tape=taped,
    )


def _open(car: Car, axle: Axle) -> Car:
    """The sizes are compared without tape."""
    sessions = tuple(one.model_copy(update={f"{axle}_tape": 0.0}) for one in car.sessions)
    return car.model_copy(update={"sessions": sessions})


def _ways(setting: DuctCase) -> Iterator[_Way]:
    duct, solid = setting.setup.brake(setting.axle).cooling.duct, _solid(setting)
    yield _Way(NO_DUCT, "no duct", None, {f"{setting.path}.fitted": False}, "nothing")
    for size in SIZES:
        patch = {f"{setting.path}.{name}": value for name, value in of_size(duct, size, setting.axle).items()}
        patch[f"{setting.path}.aim"] = Aim.FACE.value if solid else Aim.EYE.value
        yield _Way(size.key, str(size), size, patch, _trouble(size))
    scoop = {f"{setting.path}.{name}": value for name, value in of_size(duct, HoseSize(0.063), setting.axle).items()}
    yield _Way(
        SCOOP, "scoop on the arm", None, scoop | {f"{setting.path}.aim": Aim.SCOOP.value},
        "no hose, an hour's work; turns with the wheel, and stones find it",
    )  # fmt: skip


def _solid(setting: DuctCase) -> bool:
    return setting.setup.brake(setting.axle).disc.vane_gap == 0


def _trouble(size: HoseSize) -> str:
    if size.hoses > 1:
        return "two hoses go where one big one does not; twice the clamps"
    return "hard to get past the wheel at full lock" if size.bore > 0.09 else "a hose, an opening, a flange"


def _row(setting: DuctCase, way: _Way) -> DuctRow:
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


def by_heat(sessions: Sequence[DuctSession]) -> Holds:
    """The result of a duct by heat alone: tape mends what is too cold."""
    if any(one.holds is Holds.HOT for one in sessions):
        return Holds.HOT
    return Holds.NEAR if any(one.holds is Holds.NEAR for one in sessions) else Holds.YES


def _answer(rows: list[DuctRow]) -> int | None:
    """The smallest that holds by more than the model's error; otherwise the smallest that holds at all."""
    sized_rows = [place for place, row in enumerate(rows) if place == 0 or row.bore is not None]
    for levels in ((Holds.YES,), (Holds.YES, Holds.NEAR)):
        for place in sized_rows:
            if by_heat(rows[place].sessions) in levels:
                return place
    return None


def _before_any_duct(
    setting: DuctCase, rows: list[DuctRow], ways: list[_Way], answer: int | None, wanted: Wanted
) -> _First:
    """Fluid, pads or a shield that make a duct unnecessary; where no duct is enough, pads that make one enough."""
    if answer == 0:
        return _fluid_first(setting, rows)
    # The hottest session first: most candidates fail there.
    order = sorted(range(len(rows[0].sessions)), key=lambda at: -rows[0].sessions[at].peak)
    if answer is None:
        return _pads_with_a_duct(setting, ways, order, wanted)
    ducted = setting.with_values(rows[answer].patch)
    for title, patch in _pads(setting):
        raise_if_cancelled(wanted)
        if _as_good_as(ducted, _made(setting, ways[0].patch | patch), order):
            words = phrase(f"{title} would do without a duct: cheaper, and nothing to leak or chafe. {_LOOK_AT}")
            return _First(title, "Pads first", ways[0].patch | patch, words)
    shield = _without_shield(setting)
    if shield and _as_good_as(ducted, _made(setting, ways[0].patch | shield), order):
        words = phrase(
            "Without the plate at its inner face it would do without a duct. Heat and stones then come to boots and"
            " ball joints: wrap them."
        )
        return _First("Shield taken off", "Shield first", ways[0].patch | shield, words)
    return _First()


_LOOK_AT = "They bite later: look at the first lap, and at the balance with the friction of their own sheet."


def _pads_with_a_duct(setting: DuctCase, ways: list[_Way], order: Sequence[int], wanted: Wanted) -> _First:
    for title, patch in _pads(setting):
        for way in [one for one in ways if one.size]:
            raise_if_cancelled(wanted)
            made = _made(setting, way.patch | patch)
            if made and _holds_by_heat(made, order):
                words = phrase(f"{title}, and ducts of {way.title} hose with them, hold it. {_LOOK_AT}")
                return _First(f"{title}, {way.title} ducts", "Pads first", way.patch | patch, words)
    return _First()


def _as_good_as(ducted: DuctCase, made: DuctCase | None, order: Sequence[int]) -> bool:
    """Whether it holds by heat, and no session is worse than with the duct in any of: cold, first bite, leg, balance,
    fluid, cracks, wear, at either end.
    """
    return (
        made is not None and _holds_by_heat(made, order) and all(not worse_findings(ducted, made, at) for at in order)
    )


def _without_shield(setting: DuctCase) -> dict[str, Any]:
    """The shield of the inner face removed; empty where there is none."""
    if setting.setup.brake(setting.axle).cooling.shielding in (Shielding.OPEN_WHEEL, Shielding.IN_A_WHEEL):
        return {}
    return {f"setup.{setting.axle}.cooling.shielding": Shielding.IN_A_WHEEL.value}


def _fluid_first(setting: DuctCase, rows: list[DuctRow]) -> _First:
    nearest = min(rows[0].sessions, key=lambda one: one.fluid)
    patch = better_fluid(setting.setup)
    if nearest.fluid >= FLUID_BAND or not patch:
        return _First()
    words = phrase(
        f"The fluid is what is short: {_near_boiling(nearest)}. Fresh race fluid; no duct.",
        margin=(max(0.0, nearest.fluid), "temperature difference"),
    )
    return _First("Fresh race fluid", "Fluid first", patch, words)


def _made(setting: DuctCase, patch: dict[str, Any]) -> DuctCase | None:
    try:
        return setting.with_values(patch)
    except ValidationError:
        return None


def _holds_by_heat(made: DuctCase, order: Sequence[int]) -> bool:
    return all(by_heat([session_result(made, made.car.sessions[at])]) is Holds.YES for at in order)


def _pads(setting: DuctCase) -> Iterator[tuple[str, dict[str, Any]]]:
    """Pads for more heat, at both axles and at this one alone."""
    setup, axle = setting.setup, setting.axle
    if setup.brake(axle).pad.material is not PadMaterial.RESIN_BONDED:
        return
    ends = [one for one in AXLES if setup.brake(one).pad.material is PadMaterial.RESIN_BONDED]
    for kind in hotter_pads(setup, [axle]):
        both = {path: value for one in ends for path, value in pads_of(kind, setup, one).items()}
        yield f"{' and '.join(ends).capitalize()} pads: {kind.word}", both
        yield f"{axle.capitalize()} pads only: {kind.word}", pads_of(kind, setup, axle)


def _word(rows: list[DuctRow], answer: int | None) -> str:
    if answer == 0:
        return "No duct needed"
    return "No duct holds it" if answer is None else f"The smallest that holds: {rows[answer].title}"


def _sentences(setting: DuctCase, rows: list[DuctRow], answer: int | None, first: _First) -> Iterator[Phrase]:
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
        yield phrase(
            f"Even {biggest.title} alone leaves {hottest.session} at {{peak}}: pads for more heat, then bigger discs.",
            peak=(hottest.peak, "temperature"),
        )
    elif answer == 0:
        yield from _without_any(setting, rows)
    elif answer:
        yield from _of_the_answer(rows, rows[answer])
    if _solid(setting):
        yield phrase("A solid disc has no eye to feed: the hose blows at its inner face, and cools that one.")


def _without_any(setting: DuctCase, rows: list[DuctRow]) -> Iterator[Phrase]:
    """The advice where no duct is needed."""
    if setting.setup.brake(setting.axle).cooling.duct.fitted:
        yield phrase("The duct that is fitted can come off: it only makes the discs colder.")
    cold = [one.session for one in rows[0].sessions if one.holds is Holds.COLD]
    if cold:
        yield phrase(f"Too cold even without one: {' and '.join(cold)}. A pad for less heat there.")


def _near_boiling(one: DuctSession) -> str:
    return f"in {one.session} it {'boils at the pistons' if one.fluid <= 0 else 'comes within {margin} of boiling'}"


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
    nearest = min(row.sessions, key=lambda one: one.fluid)
    if nearest.fluid < FLUID_BAND:
        yield phrase(
            f"The fluid is another matter: {_near_boiling(nearest)}. That is mended by fresh fluid.",
            margin=(max(0.0, nearest.fluid), "temperature difference"),
        )
    by_key = {one.key: one for one in rows}
    two, one = by_key[HoseSize(0.051, 2).key].flow, by_key[HoseSize(0.076).key].flow
    if two and one:
        yield phrase("Two 51 mm hoses carry {share} of the air of one of 76 mm.", share=(two / one, "share"))
