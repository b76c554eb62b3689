"""The answer from the routes that were found."""

from collections.abc import Iterator, Sequence

from plimbo.core.braking.likely_cars import DRAWS
from plimbo.core.quantities.phrases import Phrase, phrase
from plimbo.core.search.mends import MendPart
from plimbo.core.search.plan.answers import HoursOfWork, Plan, PlanAnswer, PlanStep
from plimbo.core.search.plan.changes import PlanChange, cost_of
from plimbo.core.search.plan.planning import Planner, Route
from plimbo.core.search.plan.status import Key, Status
from plimbo.core.search.plan.step_words import buys, cells, column_of, costs, spoiling, stays
from plimbo.core.search.plan.work import hours_of
from plimbo.core.verdicts.level import SEVERITY

NUMBERS = ("No", "One", "Two", "Three", "Four", "Five", "Six", "Seven", "Eight", "Nine")
# s.
HOUR = 3600.0
AIMS = {False: ("work", "Least work"), True: ("parts", "Fewest parts")}


def assembled(planner: Planner, routes: Sequence[Route]) -> PlanAnswer:
    """How the car stands, the plans, and what stands in the way."""
    plans = tuple(_plan(planner, route) for route in routes)
    best = next((plan for plan in plans if plan.sound), plans[0] if plans else None)
    nearest = routes[plans.index(best)].stands if best is not None else planner.now
    in_the_way = () if planner.now.sound or (best is not None and best.sound) else spoiling(nearest)
    return PlanAnswer(
        word=_word(planner.now, best),
        sound=planner.now.sound,
        stands=cells(planner.now),
        plans=plans,
        way=_way(nearest, in_the_way) if in_the_way else None,
        opens=tuple(_opens(nearest, in_the_way)),
        tried=planner.tried,
        simulated=planner.simulated,
        draws=DRAWS,
        hours=tuple(
            HoursOfWork(work=work, title=work.word, time=hours * HOUR)
            for work, hours in planner.objectives[0].hours.items()
        ),
    )


def _word(now: Status, plan: Plan | None) -> str:
    if now.sound:
        watched = now.watched
        return f"Sound as it is, {watched} to be watched" if watched else "Sound as it is"
    if plan is None:
        return "No plan found"
    count = len(plan.steps)
    steps = f"{NUMBERS[count] if count < len(NUMBERS) else count} step{'' if count == 1 else 's'}"
    return f"{steps} to a sound car" if plan.sound else f"{steps}, and not yet sound"


def _plan(planner: Planner, route: Route) -> Plan:
    steps, before = list[PlanStep](), planner.now
    for group, after in route.steps:
        fault = next((route.faults[change.key] for change in group if change.key in route.faults), None)
        steps.append(_step(group, before, after, route, fault.text if fault else None))
        before = after
    changes = [one for group, _ in route.steps for one in group]
    cost = cost_of(changes, route.objective.hours)
    aim, title = AIMS[route.objective.by_parts]
    return Plan(
        aim=aim,
        title=title,
        sound=route.stands.sound and route.likely <= planner.now.car.limits.draws_rear_first,
        time=cost.hours * HOUR,
        parts=cost.parts,
        likely=route.likely,
        steps=tuple(steps),
        stays=tuple(stays(route.stands)),
        patch={path: value for change in changes for path, value in change.patch.items()},
    )


def _step(group: Sequence[PlanChange], before: Status, after: Status, route: Route, fault: Phrase | None) -> PlanStep:
    jobs = frozenset(job for change in group for job in change.jobs)
    notes = dict.fromkeys(change.note for change in group if change.note)
    stands = cells(after)
    return PlanStep(
        parts=tuple(part for change in group for part in _parts(change, route)),
        works=tuple(sorted({job.work for job in jobs})),
        time=hours_of(jobs, route.objective.hours) * HOUR,
        patch={path: value for change in group for path, value in change.patch.items()},
        mends=fault is not None,
        buys=fault or buys(before, after),
        costs=tuple(costs(before, after)),
        note="; ".join(notes),
        stands=stands,
        severest=max((cell.level for cell in stands), key=lambda level: SEVERITY[level]),
    )


def _parts(change: PlanChange, route: Route) -> Iterator[MendPart]:
    """With the sizes that are fitted now, also where the search began from others."""
    fault = route.faults.get(change.key)
    for part in change.parts:
        before = (
            next((one.before for one in fault.change.parts if one.dimension == part.dimension), ()) if fault else ()
        )
        yield part.model_copy(update={"before": before}) if before and part.after else part


def _way(nearest: Status, keys: Sequence[Key]) -> Phrase:
    """What still spoils it, in a line."""
    words = []
    for key in keys[:3]:
        session = f", {key[2]}" if key[2] else ""
        words.append(f"{nearest.readings[key].word.lower()}{session}")
    reason = next(iter(stays(nearest))).reason
    return Phrase(text=f"In the way: {'; '.join(words)}. {reason.text}", values=reason.values)


def _opens(nearest: Status, keys: Sequence[Key]) -> Iterator[Phrase]:
    """The one part, use or limit that would open it."""
    if not keys:
        return
    sessions = {session for _, _, session in keys}
    car = nearest.car
    if "" not in sessions and len(sessions) < len(nearest.sessions):
        names = " and ".join(sorted(sessions))
        yield phrase(f"A setup of its own for {names}, with pads for it: two sets of pads, changed between.")
    columns = {column_of(key) for key in keys}
    if "lock_order" in columns and nearest.setup.tandem_fitted and not nearest.setup.valve.fitted:
        yield phrase("A rear valve that can be set: without one nothing moves the balance from day to day.")
    if "lock_order" in columns and len(nearest.screening.conditions.names) > 1 and "" in sessions:
        yield phrase("A setup for some of the states only, such as the wet, with bar or valve set again for it.")
    if "leg" in columns:
        yield phrase(
            "A driver who holds more than {limit}, or a booster.", limit=(car.driver.foot_force_limit, "force")
        )
    if "anti_lock" in columns:
        yield phrase("The stock anti-lock system taken out, where the rules and the road allow it.")
    if columns & {"fluid", "front", "rear"} and "" not in sessions:
        yield phrase("Fewer laps, or a slower pace, on that session.")
