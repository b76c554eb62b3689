"""Odd cars and the plan for each: `python -m tests.plan_cars` prints them again.

What it prints is kept in `plan_cars.txt`, where each line has been read as a mechanic would. Invented cars, for the
search alone.
"""

from datetime import date
from pathlib import Path
from typing import Any

from plimbo.cli import demo_data
from plimbo.core import Car, PlanAnswer, Setup, plan_changes
from plimbo.core.quantities.units import UnitSystem, shown_sizes
from plimbo.core.search.mends import MendPart
from tests import w1

KEPT = Path(__file__).with_name("plan_cars.txt")
TODAY = date(2026, 12, 1)
(_WREN, _WRENS), (_DUNNOCK, _DUNNOCKS), (_PIPIT, _PIPITS) = demo_data.CARS


def _racer(name: str, car: dict[str, Any], setup: dict[str, Any]) -> tuple[Car, Setup]:
    return w1.CAR.patched({"name": name} | car), w1.SETUP.patched({"name": "As it is"} | setup)


def _saloon(name: str, car: dict[str, Any], setup: dict[str, Any]) -> tuple[Car, Setup]:
    plain = {"name": name, "sessions": (), "original.anti_lock": False}
    return _DUNNOCK.patched(plain | car), _DUNNOCKS[0].patched({"name": "As it is"} | setup)


def _driven(place: int, name: str, car: dict[str, Any], setup: dict[str, Any], of: int = 0) -> tuple[Car, Setup]:
    base, setups = demo_data.CARS[place]
    return base.patched({"name": name} | car), setups[of].patched({"name": "As it is"} | setup)


WITHOUT_SESSIONS = (
    _racer(
        "Light single-seater",
        {"mass": 340.0, "front_share": 0.40, "wheelbase": 1.85, "cg_height": 0.26},
        {"front.caliper.pistons": [0.0286, 0.0286], "rear.caliper.pistons": [0.0286, 0.0286]},
    ),
    _racer(
        "Big coupe", {"mass": 1500.0, "front_share": 0.55, "wheelbase": 2.7, "cg_height": 0.5}, {"pedal.ratio": 4.5}
    ),
    _racer(
        "Nose-heavy hatch",
        {
            "mass": 980.0,
            "front_share": 0.66,
            "cg_height": 0.5,
            "wheelbase": 2.4,
            "front_lift_area": 0.0,
            "rear_lift_area": 0.0,
        },
        {},
    ),
    _racer("Tail-heavy special", {"mass": 820.0, "front_share": 0.37, "cg_height": 0.5, "wheelbase": 2.2}, {}),
    _racer("Big wings", {"front_lift_area": 1.8, "rear_lift_area": 2.9, "top_speed": 78.0}, {}),
    _racer("Tiny pad friction", {}, {"front.pad.friction": 0.05}),
    _racer("Plumber's cylinders", {}, {"front.master_cylinder.bore": 0.045, "rear.master_cylinder.bore": 0.045}),
    _racer("Air in the lines", {}, {"fluid.air": 0.03, "rear.master_cylinder.bore": 0.022225}),
    _racer("Bar at its end", {}, {"balance_bar.offset": 0.0315, "rear.master_cylinder.bore": 0.0254}),
    _saloon("Huge booster", {}, {"booster.gain": 11.5}),
    _saloon("Saloon without a valve", {"mass": 1450.0}, {"valve.kind": "none"}),
    _saloon("Weak driver", {"driver.foot_force_limit": 300.0, "driver.foot_force": 200.0}, {"booster.gain": 2.2}),
)
WITH_SESSIONS = (
    _driven(0, "Wren, street pads", {}, {"front.pad.compound": "fast_road", "rear.pad.compound": "fast_road"}),
    _driven(0, "Wren, strong engine", {"power": 180e3}, {}),
    _driven(0, "Wren, two compounds", {}, {"rear.pad.compound": "fast_road", "rear.pad.friction": 0.40}),
    _driven(0, "Wren, old fluid", {}, {"fluid.water": 0.035}, of=2),
    _driven(0, "Wren, thin discs", {}, {"front.disc.thickness": 0.018, "front.disc.vane_gap": 0.006}, of=2),
    _driven(0, "Wren, hot day", {"air.temperature": 311.15}, {"front.cooling.duct.fitted": False}, of=2),
    _driven(0, "Wren, heavy", {"mass": 900.0}, {}, of=2),
    _driven(1, "Dunnock, plain fluid", {"original.anti_lock": False}, {"fluid.kind": "dot_3"}),
    _driven(1, "Dunnock, light foot", {"original.anti_lock": False, "power": 100e3}, {"booster.gain": 3.0}),
    _driven(1, "Dunnock, sprint pads", {"original.anti_lock": False},
            {"front.pad.compound": "sprint", "rear.pad.compound": "sprint"}),
    _driven(2, "Pipit, worn pads", {}, {"front.pad.worn": 0.006, "rear.pad.worn": 0.006}),
    _driven(2, "Pipit, big fronts", {}, {"front.caliper.pistons": [0.0413, 0.0413]}),
)  # fmt: skip
CARS = (*WITHOUT_SESSIONS, *WITH_SESSIONS)


def part_in_words(part: MendPart) -> str:
    sizes = [shown_sizes(one, part.dimension, UnitSystem.MIXED) for one in (part.before, part.after) if one]
    return f"{part.title} {' to '.join(sizes)}".strip()


def words_of(car: Car, answer: PlanAnswer) -> str:
    """The verdicts, the plans and their steps."""
    lines = [f"== {car.name} ==", f"{answer.word}."]
    lines += [f"  now {one.title}: {one.word} ({one.level})" for one in answer.stands if one.level in ("watch", "bad")]
    for plan in answer.plans:
        lines.append(
            f" {plan.title}: {plan.time / 3600:.1f} h, {plan.parts} parts, {'sound' if plan.sound else 'not sound'}"
        )
        for place, step in enumerate(plan.steps, 1):
            lines.append(f"  {place}. {'; '.join(part_in_words(part) for part in step.parts)}")
            lines.append(f"     {step.buys.shown()}")
            lines += [f"     but {cost.shown()}" for cost in step.costs[:1]]
        lines += [f"  stays {one.word}{f', {one.session}' if one.session else ''}" for one in plan.stays]
    lines += [f" {one.shown()}" for one in (*([answer.way] if answer.way else []), *answer.opens)]
    return "\n".join(lines)


def all_in_words() -> str:
    return "\n\n".join(words_of(car, plan_changes(car, setup, today=TODAY)) for car, setup in CARS) + "\n"


if __name__ == "__main__":
    KEPT.write_text(all_in_words())
