"""The answers as tables for a terminal."""

from rich.console import Console
from rich.table import Table

from plimbo.core import Assessment, Car, Setup, Uncertainty
from plimbo.core.answers import StateAnswer
from plimbo.core.units import UnitSystem, shown

_MARKS = {"good": "ok", "watch": "watch", "bad": "BAD"}


def print_assessment(car: Car, setup: Setup, answer: Assessment, sure: Uncertainty, system: UnitSystem) -> None:
    """Verdicts, then needs against has for each state, then the balance."""
    console = Console(highlight=False)
    console.print(f"[bold]{car.name}[/] · {setup.name} · at {shown(answer.foot_force, 'force', system)} on the pedal\n")
    for verdict in answer.verdicts:
        number = shown(verdict.number.value, verdict.number.dimension, system)
        console.print(f"{verdict.title}: [bold]{verdict.word}[/] ({_MARKS[verdict.level]}), {number}")
        console.print(f"  {verdict.reason.shown(system)}")
        if verdict.key == "lock_order":
            chance, next_step = shown(sure.worst.rear_first, "share"), sure.worst.inputs[0].measure_next
            console.print(f"  {sure.worst.state}: rear first in {chance} of {sure.draws} draws. {next_step}")
        for mend in verdict.mends:
            before, after = (
                " + ".join(shown(size, mend.dimension, system) for size in sizes)
                for sizes in (mend.before, mend.swap.sizes)
            )
            change = f"{before} to {after}" if mend.before else after
            but = f"; but: {', '.join(mend.disturbs).lower()}" if mend.disturbs else ""
            console.print(f"  try {mend.title.lower()} {change}: {mend.effect.shown(system)}{but}")
    for state in answer.states:
        console.print(_state_table(state, system))
    console.print("Estimates, not a design approval: a competent person inspects the brakes before the car moves.")


def _state_table(state: StateAnswer, system: UnitSystem) -> Table:
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
        f"efficiency {shown(state.efficiency, 'share')}; stop {shown(state.stop.distance, 'distance', system)}, "
        f"{shown(state.stop.lost, 'distance', system)} longer than ideal"
    )
    table.caption_justify = "left"
    return table
