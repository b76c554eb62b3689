"""The changes that mend the heat of a session, simulated one by one. Importing this is slow: it loads compiled code."""

from datetime import date
from typing import Any

from pydantic import ValidationError

from plimbo.core.braking.judged_states import judged_sessions
from plimbo.core.documents import Car, Session, Setup
from plimbo.core.friction.disc import disc_sizes
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.quantities.cancellation import Wanted, always, raise_if_cancelled
from plimbo.core.quantities.errors import OutOfRange
from plimbo.core.quantities.phrases import Phrase, phrase
from plimbo.core.search.session_heat.answers import HeatMend
from plimbo.core.search.session_heat.candidates import FLUID, HeatChange, trials
from plimbo.core.search.session_heat.changes import with_values
from plimbo.core.search.session_heat.effects import effect_of
from plimbo.core.verdicts.level import SEVERITY, Level
from plimbo.core.verdicts.session_heat.findings import HeatEvidence, HeatFinding, HeatVerdict
from plimbo.core.verdicts.session_heat.judging import JudgedSession, judged_session
from plimbo.core.working.inputs import PLAIN

SHOWN, FIRST = 6, 3
# Smallest improvement that counts: as a share of the margin, and in K.
_NEARER, _NEARER_KELVIN = 0.10, 5.0


def heat_mends(car: Car, setup: Setup, session: Session, today: date, wanted: Wanted = always) -> tuple[HeatMend, ...]:
    """Changes that mend or ease the worst finding of this session, best first.

    Raises `Cancelled` when the answer is no longer needed.
    """
    before = judged_session(car, setup, session, today)
    if before.verdict.level is Level.GOOD:
        return ()
    keys = {finding.key for finding in before.verdict.findings}
    found = []
    for trial in trials(car, setup, session, before.verdict):
        raise_if_cancelled(wanted)
        if not trial.about & keys:
            continue
        try:
            after = judged_session(*with_values(car, setup, session, trial.patch), today)
        except (ValidationError, OutOfRange):
            continue
        eased = _eased_findings(trial, before, after)
        if eased:
            mend = _mend_of(trial, before, after, eased[0])
            eases_worst = before.verdict.findings[0] in eased
            found.append((_rank_of(after.verdict, mend, trial.rank, eases_worst=eases_worst), mend))
    found.sort(key=lambda one: one[0])
    mends = [mend for _, mend in found]
    if keys & FLUID:
        mends = _fluid_first(mends, first=before.verdict.findings[0].key in FLUID)
    others = _OtherSessions(car, setup, session, today, wanted)
    kept = list[HeatMend]()
    for mend in mends:
        if len(kept) == SHOWN:
            break
        disturbs = others.disturbed_by(mend)
        if disturbs is not None:
            kept.append(mend.model_copy(update={"disturbs": (*mend.disturbs, *disturbs)}))
    return tuple(kept)


def _fluid_first(mends: list[HeatMend], *, first: bool) -> list[HeatMend]:
    """Where the fluid is near boiling, fresh fluid and a cool-down lap are among the first three: before all others
    where it is the gravest finding.
    """
    ends = ("setup.fluid.water", ".cool_down_laps")
    firsts = [next((mend for mend in mends if any(one.endswith(end) for one in mend.patch)), None) for end in ends]
    moved = [mend for mend in firsts if mend is not None and (first or mends.index(mend) > 0)]
    rest = [mend for mend in mends if mend not in moved]
    ahead = 0 if first else FIRST - len(moved)
    return [*rest[:ahead], *moved, *rest[ahead:]]


class _OtherSessions:
    """The car's other sessions, each simulated as it is and with a change: a change is for the whole car."""

    def __init__(self, car: Car, setup: Setup, session: Session, today: date, wanted: Wanted) -> None:
        self._car, self._setup, self._today, self._wanted = car, setup, today, wanted
        self._names = [one.name for one in judged_sessions(car, setup) if one.name != session.name]
        self._before = {name: self._levels(car, setup, name) for name in self._names}

    def _levels(self, car: Car, setup: Setup, name: str) -> dict[tuple[str, Axle | None], HeatFinding]:
        raise_if_cancelled(self._wanted)
        session = next(one for one in car.sessions if one.name == name)
        try:
            found = judged_session(car, setup, session, self._today).verdict.findings
        except OutOfRange:
            return {}
        return {(one.key, one.axle): one for one in found}

    def disturbed_by(self, mend: HeatMend) -> list[str] | None:
        """What comes to be watched in them by this change; none where something becomes bad."""
        if all(".sessions." in path for path in mend.patch):
            return []
        disturbs: list[str] = []
        own = {path.removeprefix("setup."): value for path, value in mend.patch.items() if path.startswith("setup.")}
        setup = self._setup.patched(own)
        for name in self._names:
            before = self._before[name]
            for key, one in self._levels(self._car, setup, name).items():
                was = SEVERITY[before[key].level] if key in before else 0
                if SEVERITY[one.level] > was and one.level is Level.BAD:
                    return None
                if SEVERITY[one.level] > was:
                    disturbs.append(f"{one.word}, {name}")
        return disturbs


def _rank_of(verdict: HeatVerdict, mend: HeatMend, rank: int, *, eases_worst: bool) -> tuple[int, ...]:
    """Smaller is better: the worst level after it, whether the worst finding is eased, the number of bad findings,
    whether the worst is gone, the findings that got worse, and the order of trying.
    """
    bad = sum(finding.level is Level.BAD for finding in verdict.findings)
    return verdict.severity, not eases_worst, bad, not mend.mends, len(mend.disturbs), rank


def _touches(trial: HeatChange) -> set[Axle | None]:
    """The axles whose parts it changes, and the car as a whole."""
    touched = {axle for axle in AXLES for path in trial.patch if path.startswith(f"setup.{axle}.")}
    return {*(touched or AXLES), None}


def _eased_findings(trial: HeatChange, before: JudgedSession, after: JudgedSession) -> list[HeatFinding]:
    """The findings that the change is for and that it eases, worst first."""
    now = {(one.key, one.axle): one for one in after.verdict.findings}
    return [
        one
        for one in before.verdict.findings
        if one.key in trial.about
        and one.axle in _touches(trial)
        and _eased(one, now.get((one.key, one.axle)), before, after)
    ]


def _mend_of(trial: HeatChange, before: JudgedSession, after: JudgedSession, eased: HeatFinding) -> HeatMend:
    was = {(one.key, one.axle): one for one in before.verdict.findings}
    now = {(one.key, one.axle): one for one in after.verdict.findings}
    worst = before.verdict.findings[0]
    return HeatMend(
        title=trial.title,
        patch=_for_the_car(trial, before.judged),
        level=after.verdict.level,
        word=after.verdict.word,
        mends=(worst.key, worst.axle) not in now,
        effect=effect_of(before.judged, after.judged, eased),
        cost=_cost(trial, before.judged, after.judged),
        disturbs=tuple(
            one.word for key, one in now.items() if key not in was or SEVERITY[one.level] > SEVERITY[was[key].level]
        ),
    )


def _eased(one: HeatFinding, now: HeatFinding | None, before: JudgedSession, after: JudgedSession) -> bool:
    if now is None or SEVERITY[now.level] < SEVERITY[one.level]:
        return True
    if SEVERITY[now.level] > SEVERITY[one.level]:
        return False
    was, is_now = _severity_of(one, before), _severity_of(now, after)
    least = _NEARER_KELVIN if one.number.dimension == "temperature" else _NEARER * abs(was)
    return is_now < was - least


def _severity_of(one: HeatFinding, of: JudgedSession) -> float:
    """A number that falls as the finding improves."""
    readings, boils = of.readings, of.inputs.fluid.boils
    if one.axle is None:
        return {
            "leg": readings.push.value + 100 * readings.metres,
            "balance": of.judged.ideal_share - readings.front_share_least.value,
        }.get(one.key, 0.0)
    own = readings.axle(one.axle)
    return {
        "fade": own.surface_peak.value - own.window[1],
        "cold": own.below_settled * 1000,
        "first_corner": -of.judged.from_the_grid(one.axle)[1] * 100,
        "fluid_running": own.wet_running.value - boils,
        "fluid_parked": own.wet_parked.value - boils,
        "crack": own.crack.value,
        "seals": own.wet_hottest.value,
        "too_hot": own.surface_peak.value,
        "material": own.bulk_peak.value,
        "wear": -own.pad_sets,
        "disc_wear": -own.disc_sets,
    }.get(one.key, 0.0)


def _for_the_car(trial: HeatChange, of: HeatEvidence) -> dict[str, Any]:
    """The values at paths of `car` and `setup`, since a session is in its car's list."""
    place = next((at for at, one in enumerate(of.car.sessions) if one.name == of.session.name), 0)
    return {
        f"car.sessions.{place}.{path.removeprefix('session.')}" if path.startswith("session.") else path: value
        for path, value in trial.patch.items()
    }


def _cost(trial: HeatChange, before: HeatEvidence, after: HeatEvidence) -> Phrase:
    """Its side effects: mass, balance, and points that only a person can check."""
    parts, values = list[str](), dict[str, tuple[float, str]]()
    for axle in AXLES:
        was, now = (float(disc_sizes(one.brake(axle).disc, PLAIN, axle).ring_mass) for one in (before, after))
        if abs(now - was) > 0.01:
            parts.append(f"{{mass_{axle}:+}} a {axle} wheel")
            values[f"mass_{axle}"] = (now - was, "reading")
    if abs(after.share - before.share) > 5e-4:
        parts.append("front share of the brake force {share:+}")
        values["share"] = (after.share - before.share, "share")
    if trial.cost:
        parts.append(trial.cost)
    text = "; ".join(parts) or "nothing else moves"
    return phrase(text[0].upper() + text[1:] if text[0] != "{" else text, **values)
