"""What a step buys and what it costs, in words; and the cells of the table of a plan."""

from collections.abc import Iterator, Sequence

from plimbo.core.quantities.phrases import Phrase, measure, phrase
from plimbo.core.search.plan.answers import PlanCell, StaysAmber
from plimbo.core.search.plan.status import BAD, Key, Reading, SessionStatus, Status
from plimbo.core.search.session_heat.effects import effect_of
from plimbo.core.verdicts.heat import HEAT
from plimbo.core.verdicts.level import SEVERITY, Level
from plimbo.core.verdicts.lock_order import LOCK_ORDER, with_doubt
from plimbo.core.verdicts.matter import NOTICED, Matter, Verdict
from plimbo.core.verdicts.session_heat.findings import HeatFinding

# The column of each finding of a session; those of an axle stand in the axle's.
_COLUMNS = {"fluid_running": "fluid", "fluid_parked": "fluid", "pedal": "leg", "balance": "lock_order"}
_TITLES = {"fluid": "Fluid", "front": "Front discs and pads", "rear": "Rear discs and pads"}
_LEVELS = {severity: level for level, severity in SEVERITY.items() if level is not Level.OPEN}
# A rise that is always said, K.
HOTTER = 5.0


def column_of(key: Key) -> str:
    """The column in which a matter or a finding stands."""
    name, axle, session = key
    if not session:
        return name
    return _COLUMNS.get(name, axle or "front")


def cells(now: Status) -> tuple[PlanCell, ...]:
    """Every column: of each the gravest that is found there."""
    found = []
    for matter in now.matters:
        if matter is HEAT and now.sessions:
            continue
        found.append(_cell(now, matter.key, matter.title, _verdict(now, matter)))
    if now.sessions:
        found += [_cell(now, key, title, None) for key, title in _TITLES.items()]
    return tuple(found)


def _verdict(now: Status, matter: Matter[object]) -> Verdict:  # type: ignore[type-var]
    verdict = matter.verdict(now.screening, now.setup, now.judged[matter.key])
    if matter is LOCK_ORDER:
        return with_doubt(verdict, now.likely, now.likely_state, "", now.car)
    return verdict


def _cell(now: Status, column: str, title: str, verdict: Verdict | None) -> PlanCell:
    here = {key: one for key, one in now.readings.items() if column_of(key) == column}
    worst = max(here, key=lambda key: here[key].gravity)
    reading, session = here[worst], worst[2]
    if session and reading.severity and (finding := finding_of(now, worst)) is not None:
        return PlanCell(
            key=column,
            title=title,
            level=finding.level,
            word=finding.word,
            session=session,
            number=finding.number,
            margin=finding.margin,
            margin_words=finding.margin_words,
        )
    if verdict is not None:
        return PlanCell(
            key=column,
            title=title,
            level=verdict.level if reading.severity == SEVERITY[verdict.level] else _LEVELS[reading.severity],
            word=verdict.word,
            session="",
            number=verdict.number,
            margin=verdict.margin,
            margin_words=verdict.margin_words,
        )
    return _holds(now, column, title)


def _holds(now: Status, column: str, title: str) -> PlanCell:
    """What is left of a column in which nothing is found, in the session that comes nearest."""

    def left(one: SessionStatus) -> float:
        readings = one.evidence.readings
        if column == "fluid":
            return one.evidence.fluid.boils - readings.hottest_fluid
        own = readings.front if column == "front" else readings.rear
        return own.window[1] - own.surface_peak.value

    nearest = min(now.sessions, key=left)
    own = nearest.evidence.readings
    shown = own.hottest_fluid if column == "fluid" else getattr(own, column).surface_peak.value
    return PlanCell(
        key=column,
        title=title,
        level=Level.GOOD,
        word="Holds",
        session=nearest.verdict.session,
        number=measure(shown, "temperature"),
        margin=measure(left(nearest), "temperature difference"),
        margin_words="to boiling" if column == "fluid" else "to fade",
    )


def finding_of(now: Status, key: Key) -> HeatFinding | None:
    """The finding behind a reading of a session."""
    name, axle, session = key
    sought = "leg" if name == "pedal" else name
    for one in now.sessions:
        if one.verdict.session == session:
            return next((f for f in one.verdict.findings if f.key == sought and str(f.axle or "") == axle), None)
    return None


def _session(now: Status, name: str) -> SessionStatus | None:
    return next((one for one in now.sessions if one.verdict.session == name), None)


def buys(before: Status, after: Status) -> Phrase:
    """What a step does for the gravest thing that it eases."""
    eased = [key for key, one in before.readings.items() if one.severity and _eased(one, after.readings.get(key))]
    if not eased:
        return phrase("little by itself: the next step needs it")
    key = max(eased, key=lambda one: (before.readings[one].severity == BAD, *before.readings[one].gravity))
    was, now = before.readings[key], after.readings.get(key)
    gone = now is None or not now.severity or (now.severity < was.severity and now.word != was.word)
    effect = _effect(before, after, key)
    session = f", {key[2]}" if key[2] else ""
    return Phrase(
        text=f"{'fixes' if gone else 'eases'} “{was.word.lower()}”{session}: {effect.text}", values=effect.values
    )


def _eased(was: Reading, now: Reading | None) -> bool:
    return now is None or now.severity < was.severity or now.past < was.past - was.tolerance


def _effect(before: Status, after: Status, key: Key) -> Phrase:
    name, _, session = key
    if not session:
        matter = next(one for one in before.matters if one.key == name)
        was, now = before.judged[name], after.judged[name]
        push = float(after.screening.hardest_push[0] - before.screening.hardest_push[0])
        if name == LOCK_ORDER.key and not was.finding.severity:
            return phrase("rear first in {now} likely cars, was {was}",
                now=(after.likely, "chance"), was=(before.likely, "chance"))  # fmt: skip
        return matter.effect(was.finding, was.numbers(), now.numbers(), push)
    finding = finding_of(before, key)
    was_there, is_there = _session(before, session), _session(after, session)
    if finding is None or was_there is None or is_there is None:
        return phrase("gone")
    return effect_of(was_there.evidence, is_there.evidence, finding)


def costs(before: Status, after: Status) -> Iterator[Phrase]:
    """What a step makes worse: of every matter, then hotter discs and fluid, then what comes to be watched."""
    for matter in before.matters:
        was, now = before.judged[matter.key], after.judged.get(matter.key)
        if now is None or (matter is HEAT and after.sessions):
            continue
        further = now.excesses[:, 0] - was.excesses[:, 0]
        place = int(further.argmax())
        if further[place] >= NOTICED:
            yield matter.worsening(was.criteria[place].name, was.numbers(), now.numbers())
    yield from _hotter(before, after)
    for key, one in after.readings.items():
        then = before.readings.get(key)
        if key[2] and then is not None and one.severity and then.severity < one.severity:
            yield phrase(f"{one.word[0].lower()}{one.word[1:]}, {key[2]}")


def _hotter(before: Status, after: Status) -> Iterator[Phrase]:
    """The disc and the fluid that get hotter by most."""
    rises: list[tuple[float, str, float, float, str]] = []
    for was in before.sessions:
        now = _session(after, was.verdict.session)
        if now is None:
            continue
        for axle in ("front", "rear"):
            then, is_now = (getattr(one.evidence.readings, axle).surface_peak.value for one in (was, now))
            rises.append((is_now - then, f"{axle} discs", is_now, then, was.verdict.session))
        then, is_now = was.evidence.readings.hottest_fluid, now.evidence.readings.hottest_fluid
        rises.append((is_now - then, "fluid", is_now, then, was.verdict.session))
    for what in ("discs", "fluid"):
        most = max((one for one in rises if one[1].endswith(what)), default=None)
        if most is not None and most[0] > HOTTER:
            yield phrase(f"{most[1]} {{now}} on {most[4]}, were {{was}}",
                now=(most[2], "temperature"), was=(most[3], "temperature"))  # fmt: skip


def stays(now: Status) -> Iterator[StaysAmber]:
    """What is still to be watched, the gravest first."""
    left = sorted((key for key, one in now.readings.items() if one.severity),
        key=lambda key: now.readings[key].gravity, reverse=True)  # fmt: skip
    for name, axle, session in left:
        reading = now.readings[name, axle, session]
        finding = finding_of(now, (name, axle, session))
        if session and finding is not None:
            title, reason = ("Heat", finding.text)
        else:
            matter = next(one for one in now.matters if one.key == name)
            title, reason = matter.title, _verdict(now, matter).reason
        yield StaysAmber(title=title, word=reading.word, session=session, reason=reason)


def spoiling(now: Status) -> Sequence[Key]:
    """What keeps it from being sound, the gravest first."""
    found = [key for key, one in now.readings.items() if one.spoils]
    return sorted(found, key=lambda key: now.readings[key].gravity, reverse=True)
