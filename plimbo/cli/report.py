"""The answers for a terminal: the verdicts and the worst states first, then the numbers of the states asked for."""

from collections.abc import Sequence

from rich.console import Console
from rich.table import Table

from plimbo.core import Assessment, Car, HeatJudgement, Mends, PlanAnswer, SetupFile, Uncertainty
from plimbo.core.braking.state_answer import StateAnswer
from plimbo.core.quantities.units import UnitSystem, shown, shown_sizes
from plimbo.core.search.mends import Advice, Mend, MendPart
from plimbo.core.verdicts.matter import Verdict
from plimbo.core.verdicts.session_heat.findings import HeatVerdict

_MARKS = {"good": "ok", "open": "no laps", "watch": "watch", "bad": "BAD"}
_WORST = (
    ("lock_order", "lock order"),
    ("push", "hardest push"),
    ("grip_used", "least grip used"),
)


def print_assessment(
    read: SetupFile,
    answer: Assessment,
    mends: Mends,
    sure: Uncertainty,
    heat: HeatJudgement,
    states: Sequence[str],
    system: UnitSystem,
    plan: PlanAnswer,
) -> None:
    """Verdicts, sessions, the plan and worst states, then needs against has of these states."""
    console = Console(highlight=False, soft_wrap=True)
    push = shown(answer.foot_force, "force", system)
    console.print(f"[bold]{read.car.name}[/] · {read.setup.name} · at {push} on the pedal\n")
    advice = {one.key: one for one in mends.advice}
    for plain in answer.verdicts:
        verdict = sure.verdict if plain.key == sure.verdict.key else plain
        _print_verdict(console, verdict, sure, system)
        if verdict.key in advice:
            _print_advice(console, verdict, advice[verdict.key], system)
    for session in heat.sessions:
        _print_session(console, session, system)
    _print_plan(console, plan, system)
    console.print(_worst_states(answer, system))
    for state in answer.states:
        if state.state.name in states:
            console.print(_state_table(state, read.car, system))
    if not states:
        console.print("The numbers of a state: --state NAME, or --all.")
    console.print("Estimates, not a design approval: a competent person inspects the brakes before the car moves.")


def _print_verdict(console: Console, verdict: Verdict, sure: Uncertainty, system: UnitSystem) -> None:
    number = shown(verdict.number.value, verdict.number.dimension, system, signed=verdict.number_signed)
    margin = shown(verdict.margin.value, verdict.margin.dimension, system, signed=verdict.margin_signed)
    console.print(
        f"{verdict.title}: [bold]{verdict.word}[/] ({_MARKS[verdict.level]}), {number}, {verdict.margin_words} {margin}"
    )
    console.print(f"  {verdict.reason.shown(system)}")
    if verdict.key == sure.verdict.key and not sure.in_doubt:
        chance, next_step = shown(sure.worst.rear_first, "chance"), sure.worst.inputs[0].measure_next
        console.print(f"  {sure.worst.state}: rear first in {chance} likely cars. {next_step}")


def _print_advice(console: Console, verdict: Verdict, advice: Advice, system: UnitSystem) -> None:
    for mend in advice.mends:
        console.print(f"  try {_mend_words(mend, verdict.word, system)}")
    if not advice.mended:
        console.print("  No one or two parts surely fix this: see the plan.")


def _print_session(console: Console, session: HeatVerdict, system: UnitSystem) -> None:
    number = shown(session.number.value, session.number.dimension, system)
    margin = shown(session.margin.value, session.margin.dimension, system)
    console.print(
        f"Heat, {session.session}: [bold]{session.word}[/] ({_MARKS[session.level]}), {number},"
        f" {session.margin_words} {margin}"
    )
    texts = [finding.text for finding in session.findings] or [session.text]
    for text in texts:
        console.print(f"  {text.shown(system)}")


def _print_plan(console: Console, answer: PlanAnswer, system: UnitSystem) -> None:
    """What to do, in which order."""
    console.print(f"[bold]Plan: {answer.word}[/]")
    for plan in answer.plans:
        parts = f"{plan.parts} part{'' if plan.parts == 1 else 's'}"
        console.print(f"  {plan.title}, {shown(plan.time, 'running time', system)}, {parts}")
        for place, step in enumerate(plan.steps, 1):
            words = " and ".join(_part_words(part, system) for part in step.parts)
            but = f"; but {step.costs[0].shown(system)}" if step.costs else ""
            console.print(f"  {place}. {words}: {step.buys.shown(system)}{but}")
    for line in (*([answer.way] if answer.way else []), *answer.opens):
        console.print(f"  {line.shown(system)}")


def _mend_words(mend: Mend, before: str, system: UnitSystem) -> str:
    """One change, or two, with its effect, the verdict's new word if it changes, and its cost."""
    changes = " and ".join(_part_words(part, system) for part in mend.parts)
    costs = [f"{f'{cost.word}: ' if cost.word else ''}{cost.text.shown(system)}" for cost in mend.costs]
    but = f"; but: {'; '.join(costs)}" if costs else ""
    word = "" if mend.word == before else f"{mend.word}, "
    return f"{changes}: {word}{mend.effect.shown(system)}{but}"


def _part_words(part: MendPart, system: UnitSystem) -> str:
    if part.dimension == "turns" and part.after:
        by = part.after[0] - (part.before[0] if part.before else 0.0)
        return f"bar {shown(abs(by), 'turns', system)} toward the {'front' if by > 0 else 'rear'}"
    title = f"{part.title[0].lower()}{part.title[1:]}"
    if not part.after:
        return title
    after = shown_sizes(part.after, part.dimension, system)
    return (
        f"{title} {shown_sizes(part.before, part.dimension, system)} to {after}" if part.before else f"{title} {after}"
    )


def _worst_states(answer: Assessment, system: UnitSystem) -> Table:
    table = Table(title="Worst states", title_justify="left", title_style="bold")
    for heading in ("", "state", "locks first", "at", "foot", "of the grip"):
        table.add_column(heading)
    found = {state.state.name: state for state in answer.states}
    for key, words in _WORST:
        state = found[getattr(answer.worst, key)]
        table.add_row(
            words,
            state.state.name,
            str(state.first),
            shown(state.first_deceleration, "deceleration", system),
            shown(state.first_foot_force, "force", system),
            shown(state.efficiency, "share"),
        )
    return table


def _state_table(state: StateAnswer, car: Car, system: UnitSystem) -> Table:
    lock = f"{state.first} locks first at {shown(state.first_deceleration, 'deceleration', system)}"
    title = f"{state.state.name}: {lock}, {shown(state.first_foot_force, 'force', system)} on the pedal"
    table = Table(title=title, title_justify="left", title_style="bold")
    for heading in ("", "front", "needs", "rear", "needs"):
        table.add_column(heading, justify="left" if not heading else "right")
    rows = (
        ("Line pressure", "pressure", "pressure"),
        ("Clamp, each caliper", "clamp", "force"),
        ("Torque, each wheel", "torque", "torque"),
        ("Brake force, both wheels", "brake_force", "force"),
    )
    for title, name, dimension in rows:
        cells = []
        for axle in (state.front, state.rear):
            cells += [shown(getattr(part, name), dimension, system) for part in (axle.has, axle.needs)]
        table.add_row(title, *cells)
    front, rear = state.front, state.rear
    both = (
        ("Locks at", "deceleration", front.lock_deceleration, rear.lock_deceleration),
        ("Foot force at lock", "force", front.lock_foot_force, rear.lock_foot_force),
        ("Disc, one stop", "temperature difference", front.disc.temperature_rise, rear.disc.temperature_rise),
    )
    for title, dimension, at_front, at_rear in both:
        table.add_row(title, shown(at_front, dimension, system), "", shown(at_rear, dimension, system), "")
    table.caption = (
        f"front share: force {shown(state.force_share, 'share')}, ideal {shown(state.ideal_share, 'share')}, "
        f"pressure {shown(state.pressure_share, 'share')}, index {shown(state.index_share, 'share')}; "
        f"efficiency {shown(state.efficiency, 'share')}; stop from {shown(car.top_speed, 'speed', system)} to "
        f"{shown(car.stop_to_speed, 'speed', system)} {shown(state.stop.distance, 'distance', system)}, "
        f"{shown(state.stop.lost, 'distance', system)} longer than ideal"
    )
    table.caption_justify = "left"
    return table
