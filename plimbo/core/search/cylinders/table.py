"""All pairs of stock bores, front by rear; for a tandem cylinder, its bores by the knees of the rear valve."""

import math
from collections.abc import Sequence
from typing import Any, NamedTuple

import numpy as np
from pydantic import Field

from plimbo.core.braking.balance_settings import bar_offset
from plimbo.core.braking.conditions import Conditions
from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Car, Setup, ValveKind
from plimbo.core.hydraulics.actuation import bar_front_share, bar_rear_share
from plimbo.core.hydraulics.brake_system import BarSizes, BrakeSystem
from plimbo.core.hydraulics.columns import with_changes
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.results import Result, answer
from plimbo.core.search.cylinders.target import Target, TargetQuantity
from plimbo.core.stepping.changes import Json
from plimbo.core.stepping.stock import BORES, SAME
from plimbo.core.verdicts.balance_changes import bar_band
from plimbo.core.verdicts.level import SEVERITY, Level
from plimbo.core.verdicts.matter import Judgement, Matter
from plimbo.core.verdicts.registry import matters_of
from plimbo.core.verdicts.travel import TRAVEL
from plimbo.core.working.numbers import Array

# The adjuster is set to a quarter of a turn.
QUARTER = 4
# Knees of a screw valve in the table, Pa: every five bar.
KNEES = tuple(float(bar) * 1e5 for bar in range(10, 60, 5))
RINGED = 3


class PairTried(Result):
    """A pair with the bar in one place; for a tandem cylinder, with the valve given."""

    foot_force: float | None = answer("force", "Hardest push at first lock")
    travel: float | None = answer("length", "Pedal travel at the hardest first lock, pads due, knocked back")
    first: Axle = Field(description="Which end locks first, in the state that comes nearest to the rear first.")
    word: str = Field(description="What is said of its lock order.")
    level: Level = Field(description="The worst of lock order, leg and travel: discs are seen to afterwards.")
    wrong: tuple[str, ...] = Field(description="The words of the verdicts that are not good.")
    patch: dict[str, Json]


class Pair(Result):
    """One front and one rear bore, m; of a tandem cylinder its bore and the knee of the valve, Pa, none without one."""

    column: float = answer("bore", "Front bore, or the tandem cylinder's")
    row: float | None
    fitted: bool
    pressure_share: float = answer("share", "Front share by pressure, bar centred")
    force_share: float = answer("share", "Front share by brake force, bar centred")
    turns: float | None = answer("turns", "Where the deciding state wants the bar: the front just first everywhere")
    usable: bool = Field(
        description="Whether order, leg and travel are not bad with the bar set for each state, in the range for it."
    )
    centred: PairTried
    as_wanted: PairTried | None = Field(description="With the bar where the deciding state wants it.")
    nearest: int | None = Field(description="1 for the pair that comes nearest to the target, and so on.")


class CylinderTable(Result):
    """All pairs, row by row."""

    tandem: bool
    columns: tuple[float, ...] = answer("bore", "Front bores, or the tandem cylinder's")
    rows: tuple[float | None, ...]
    band: float | None = answer("turns", "Turns either way within the band of the bar")
    aim: str | None
    target: float | None
    pairs: tuple[Pair, ...]


class _Tried(NamedTuple):
    screening: Screening
    judged: dict[str, Judgement[Any]]


def cylinder_table(conditions: Conditions, setup: Setup, system: BrakeSystem, target: Target | None) -> CylinderTable:
    """All pairs of this setup; those that come nearest to the target are numbered."""
    matters = matters_of(conditions.car, setup)
    if setup.tandem_fitted:
        return _of_a_tandem(conditions, setup, system, target, matters)
    fitted = setup.front.master_cylinder.bore, setup.rear.master_cylinder.bore
    columns_of, rows_of = (_with_fitted(BORES, bore) for bore in fitted)
    bores = [(front, rear) for rear in rows_of for front in columns_of]
    patches: list[dict[str, Json]] = [
        {"front.master_cylinder.bore": front, "rear.master_cylinder.bore": rear, "balance_bar.offset": 0.0}
        for front, rear in bores
    ]
    columns = with_changes(setup, system, patches)
    centred = _tried(conditions, columns, len(bores), matters)
    offsets = _wanted_offsets(setup, centred.screening)
    set_so = _tried(conditions, _with_bar(setup, columns, offsets), len(bores), matters)
    chain, each = centred.screening.chain, centred.screening.per_setup
    pressure, force = each(chain.pressure_share), each(chain.force_share)
    band, bar = bar_band(conditions.car, setup), setup.balance_bar
    pairs = []
    for row, (front, rear) in enumerate(bores):
        offset = float(offsets[row])
        within = abs(offset) <= band + SAME
        as_wanted = _pair_tried(set_so, row, patches[row] | {"balance_bar.offset": offset}, matters)
        pairs.append(
            Pair(
                column=front,
                row=rear,
                fitted=abs(front - fitted[0]) < SAME and abs(rear - fitted[1]) < SAME,
                pressure_share=pressure[row],
                force_share=force[row],
                turns=bar.turns(offset),
                usable=within and as_wanted.level is not Level.BAD,
                centred=_pair_tried(centred, row, patches[row], matters),
                as_wanted=as_wanted,
                nearest=None,
            )
        )
    return CylinderTable(
        tandem=False,
        columns=columns_of,
        rows=rows_of,
        band=bar.turns(band),
        aim=target.aim.word if target else None,
        target=target.value if target else None,
        pairs=_numbered(pairs, target, conditions.car),
    )


def _with_fitted(stock: Sequence[float], fitted: float, same: float = SAME) -> tuple[float, ...]:
    """The stock sizes, and the fitted one in its place among them where it is none."""
    known = any(abs(size - fitted) < same for size in stock)
    return tuple(stock) if known else tuple(sorted((*stock, fitted)))


def _of_a_tandem(
    conditions: Conditions, setup: Setup, system: BrakeSystem, target: Target | None, matters: Sequence[Matter[Any]]
) -> CylinderTable:
    valve = setup.valve
    fixed = valve.positions if valve.kind is ValveKind.LEVER else KNEES
    knees: list[float | None] = [None, *(_with_fitted(fixed, valve.true_knee, same=1) if valve.fitted else fixed)]
    columns_of = _with_fitted(BORES, setup.tandem.bore)
    kind = valve.kind.value if valve.fitted else ValveKind.SCREW.value
    places = [(bore, knee) for knee in knees for bore in columns_of]
    patches = [_fitting(bore, knee, kind) for bore, knee in places]
    tried = _tried(conditions, with_changes(setup, system, patches), len(places), matters)
    chain, each = tried.screening.chain, tried.screening.per_setup
    pressure, force = each(chain.pressure_share), each(chain.force_share)
    now = valve.true_knee if valve.fitted else None
    pairs = []
    for row, (bore, knee) in enumerate(places):
        pair = _pair_tried(tried, row, patches[row], matters)
        same_knee = knee == now if knee is None or now is None else abs(knee - now) < 1
        pairs.append(
            Pair(
                column=bore,
                row=knee,
                fitted=abs(bore - setup.tandem.bore) < SAME and same_knee,
                pressure_share=pressure[row],
                force_share=force[row],
                turns=None,
                usable=pair.level is not Level.BAD,
                centred=pair,
                as_wanted=None,
                nearest=None,
            )
        )
    return CylinderTable(
        tandem=True,
        columns=columns_of,
        rows=tuple(knees),
        band=None,
        aim=target.aim.word if target else None,
        target=target.value if target else None,
        pairs=_numbered(pairs, target, conditions.car),
    )


def _fitting(bore: float, knee: float | None, kind: str) -> dict[str, Json]:
    valve: dict[str, Json] = {"valve.kind": ValveKind.NONE.value}
    if knee is not None:
        valve = {"valve.kind": kind, "valve.knee": knee}
    return {"tandem.bore": bore, **valve}


def _tried(conditions: Conditions, columns: BrakeSystem, count: int, matters: Sequence[Matter[Any]]) -> _Tried:
    screening = Screening(conditions, columns, count)
    return _Tried(screening, {matter.key: Judgement(matter, screening) for matter in matters})


def _pair_tried(tried: _Tried, row: int, patch: dict[str, Json], matters: Sequence[Matter[Any]]) -> PairTried:
    findings = [tried.judged[matter.key].findings[row] for matter in matters]
    own = [finding for matter, finding in zip(matters, findings, strict=True) if not matter.comes_after]
    worst = max(own, key=lambda finding: SEVERITY[finding.level])
    push, due = float(tried.screening.hardest_push[row]), float(tried.judged[TRAVEL.key].numbers(row).due)
    return PairTried(
        foot_force=push if math.isfinite(push) else None,
        travel=due if math.isfinite(due) else None,
        first=Axle.REAR if tried.screening.rear_first[row].any() else Axle.FRONT,
        word=findings[0].word,
        level=worst.level,
        wrong=tuple(finding.word for finding in findings if finding.severity),
        patch=patch,
    )


def _wanted_offsets(setup: Setup, screening: Screening) -> Array:
    """The bar offset that the deciding state asks for, m, rounded up to a quarter of a turn and limited by the bar."""
    bar, limit = setup.balance_bar, screening.conditions.at_speed.limit
    bite = 1 + setup.pad_tolerance
    wanted = bar_offset(setup, screening.chain, (limit.front_force, limit.rear_force / bite))
    most = np.broadcast_to(wanted, (screening.count, *np.shape(limit.front_force))).max(axis=(1, 2))
    turns = np.ceil(bar.turns(most) * QUARTER - 1e-9) / QUARTER
    found: Array = np.clip(np.round(bar.offset_at(turns), 9), -bar.reach, bar.reach)
    return found


def _with_bar(setup: Setup, columns: BrakeSystem, offsets: Array) -> BrakeSystem:
    """The columns with a bearing of each row's own offset, m."""
    bar = setup.balance_bar
    offset = offsets[:, None, None]
    sizes = BarSizes(
        offset=offset,
        length=bar.length,
        tilt_stop=bar.tilt_stop,
        front_share=bar_front_share.at(Axle.FRONT)(offset, bar.length),
        rear_share=bar_rear_share.at(Axle.REAR)(offset, bar.length),
    )
    return columns._replace(bar=sizes)


def _numbered(pairs: Sequence[Pair], target: Target | None, car: Car) -> tuple[Pair, ...]:
    """The pairs nearest to the target: shares with the bar centred, push and travel with the bar as asked for.

    Pairs that the driver cannot push to lock come last.
    """
    if target is None:
        return tuple(pairs)

    def off(pair: Pair) -> float:
        as_run = pair.as_wanted or pair.centred
        value = {
            TargetQuantity.PRESSURE: pair.pressure_share,
            TargetQuantity.FORCE: pair.force_share,
            TargetQuantity.PUSH: as_run.foot_force,
            TargetQuantity.TRAVEL: as_run.travel,
        }[target.aim]
        if value is None:
            return math.inf
        share = abs(value - target.value) / target.value
        if target.push is None or as_run.foot_force is None:
            return round(share, 9)
        return round(share + abs(as_run.foot_force - target.push) / target.push, 9)

    def too_hard(pair: Pair) -> bool:
        push = (pair.as_wanted or pair.centred).foot_force
        return push is None or push > car.driver.foot_force_limit

    # A target for push or travel considers usable pairs only; a target for a share considers all.
    of_any = target.aim in (TargetQuantity.PRESSURE, TargetQuantity.FORCE) or not any(pair.usable for pair in pairs)
    order = sorted(
        range(len(pairs)),
        key=lambda place: (
            too_hard(pairs[place]),
            not of_any and not pairs[place].usable,
            off(pairs[place]),
            not pairs[place].usable,
            place,
        ),
    )
    numbers = {place: number for number, place in enumerate(order[:RINGED], 1)}
    return tuple(pair.model_copy(update={"nearest": numbers.get(place)}) for place, pair in enumerate(pairs))
