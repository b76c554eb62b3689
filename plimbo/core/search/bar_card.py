"""The card for the dashboard: the setting of bar or valve for each declared state."""

import math
from collections.abc import Iterator, Sequence

from pydantic import Field

from plimbo.core.braking.balance_settings import bar_offset, knee_set, knee_wanted
from plimbo.core.braking.chain import Chain, foot_to_road
from plimbo.core.braking.force_path import share_at
from plimbo.core.braking.lock_order import lock_order
from plimbo.core.documents import Car, Setup, State
from plimbo.core.hydraulics.columns import with_changes
from plimbo.core.quantities.phrases import Phrase, phrase
from plimbo.core.quantities.results import Result, answer
from plimbo.core.stepping.changes import Json
from plimbo.core.vehicle.tyre_capacity import TyreCapacity
from plimbo.core.verdicts.balance_changes import bar_band
from plimbo.core.working.inputs import PLAIN
from plimbo.core.working.numbers import plain

# The adjuster is set to a quarter of a turn.
QUARTER = 4


class Setting(Result):
    """One state: the setting at which the front just locks first, with its pad friction lower by the tolerance."""

    state: str
    turns: float | None = answer("turns", "Turns off centre, plus toward the front")
    knee: float | None = answer("pressure", "Valve knee")
    together: float | None = answer("turns", "Turns at which both ends would lock together")
    share: float = answer("share", "Front share by brake force, at first lock")
    deceleration: float = answer("deceleration", "First lock")
    foot_force: float = answer("force", "Foot force there")
    front_first: bool
    within: bool = Field(description="Whether the bar stays within its recommended range.")
    patch: dict[str, Json] = Field(description="What to change to set it so.")


class Card(Result):
    """The settings of all states, the limits of the bar, and the faults of the sizes."""

    settings: tuple[Setting, ...]
    band: float | None = answer("turns", "Turns either way within the band")
    end: float | None = answer("turns", "Turns either way to the clevis")
    now: float | None = answer("turns", "Turns as set")
    warning: Phrase | None
    first_laps: tuple[Phrase, ...] = Field(description="Where to begin with cold tyres, and where to go then.")


def card(car: Car, setup: Setup, chain: Chain, roads: Sequence[TyreCapacity], states: Sequence[State]) -> Card:
    """One row for each state."""
    rows = [_setting(car, setup, chain, road, state.name) for road, state in zip(roads, states, strict=True)]
    first_laps = tuple(_first_laps(rows, states))
    bar = setup.balance_bar
    if setup.tandem_fitted:
        return Card(settings=tuple(rows), band=None, end=None, now=None, warning=_no_front(rows), first_laps=first_laps)
    band = bar.turns(bar_band(car, setup))
    off = [row for row in rows if not row.within]
    warning = None
    if off:
        worst = max(off, key=lambda row: abs(row.turns or 0))
        end, other = ("rear", "front") if (worst.turns or 0) > 0 else ("front", "rear")
        warning = phrase(
            f"“{worst.state}” needs {{turns}} toward the {other}, over the recommended {{band}}: change sizes, not"
            f" the bar. A bigger {end} cylinder or a smaller {other} one moves all settings back toward the middle.",
            turns=(abs(worst.turns or 0.0), "turns"),
            band=(band, "turns"),
        )
    return Card(
        settings=tuple(rows),
        band=band,
        end=bar.turns(bar.length / 2),
        now=bar.turns(bar.offset),
        warning=warning or _no_front(rows),
        first_laps=first_laps,
    )


def _first_laps(rows: Sequence[Setting], states: Sequence[State]) -> Iterator[Phrase]:
    """For each state with cold tyres, its setting and that of the same state with warm ones."""
    by_state = {state.name: row for state, row in zip(states, rows, strict=True)}
    for cold in states:
        if cold.front_tyre_grip is None and cold.rear_tyre_grip is None:
            continue
        warm = next((one for one in states if one == cold.warm.model_copy(update={"name": one.name})), None)
        if warm is None:
            continue
        begin, then = by_state[cold.name], by_state[warm.name]
        if (begin.turns, begin.knee) == (then.turns, then.knee):
            continue
        if begin.turns is not None and then.turns is not None:
            way = "back" if begin.turns > then.turns else "forward"
            yield phrase(
                f"“{cold.name}”: begin with the bar at {{begin:+}}, then {way} to {{then:+}} for “{warm.name}” as the"
                " tyres come in.",
                begin=(begin.turns, "turns"),
                then=(then.turns, "turns"),
            )
        elif begin.knee is not None and then.knee is not None:
            yield phrase(
                f"“{cold.name}”: begin with the knee at {{begin}}, then {{then}} as the tyres come in.",
                begin=(begin.knee, "pressure"),
                then=(then.knee, "pressure"),
            )


def _no_front(rows: Sequence[Setting]) -> Phrase | None:
    bad = [row.state for row in rows if not row.front_first]
    return phrase(f"No setting puts the front first in “{bad[0]}”: change sizes.") if bad else None


def _setting(car: Car, setup: Setup, chain: Chain, road: TyreCapacity, name: str) -> Setting:
    turns = knee = together = None
    patch: dict[str, Json] = {}
    within = True
    front, rear = float(road.limit.front_force), float(road.limit.rear_force)
    if setup.tandem_fitted:
        knee = knee_wanted(setup, chain, (front, rear))
        if knee is not None:
            knee = knee_set(setup, knee)
            patch = {"valve.knee": knee, "valve.kind": setup.valve.kind.value if setup.valve.fitted else "screw"}
    else:
        bar = setup.balance_bar
        together = bar.turns(plain(bar_offset(setup, chain, (front, rear))))
        wanted = bar.turns(plain(bar_offset(setup, chain, (front, rear / (1 + setup.pad_tolerance)))))
        # Rounded toward the front, so that rounding never makes the rear lock first.
        turns = math.ceil(wanted * QUARTER - 1e-9) / QUARTER
        offset = round(max(-bar.reach, min(bar.reach, bar.offset_at(turns))), 9)
        patch = {"balance_bar.offset": offset}
        within = abs(offset) <= bar_band(car, setup)
    made = foot_to_road(car, with_changes(setup, chain.system, [patch]), PLAIN) if patch else chain
    lock = lock_order(road, made.path)
    return Setting(
        state=name,
        turns=turns,
        knee=knee,
        together=together,
        share=share_at(made.path.front(lock.first_force), lock.first_force),
        deceleration=road.deceleration(lock.first_force),
        foot_force=made.foot_at(lock.first_force),
        front_first=not lock.rear_first,
        within=within,
        patch=patch,
    )
