"""Sessions simulated with a duct, and their results. Importing this is slow: it loads compiled code."""

import math
from collections.abc import Mapping, Sequence
from datetime import date
from typing import Any, NamedTuple

import numpy as np

from plimbo.core.documents import Car, FluidKind, Session, Setup
from plimbo.core.documents.materials import DiscMaterial
from plimbo.core.ducting.drag import drag_of_ducts
from plimbo.core.ducting.flow import AirProperties, Vanes, drawn_by_vanes, flows
from plimbo.core.ducting.run import run_of
from plimbo.core.friction.pad_classes import window_of
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.phrases import phrase
from plimbo.core.search.ducts.answers import DuctSession, Holds, Taped, TapeRow, duct_status
from plimbo.core.search.session_heat.changes import with_values
from plimbo.core.thermal.corners import air_around, vanes_for
from plimbo.core.thermal.damage import METAL_ENDS
from plimbo.core.thermal.readings import AxleReadings
from plimbo.core.thermal.session_readings import session_readings
from plimbo.core.thermal.session_run import run_inputs, run_session
from plimbo.core.vehicle import air
from plimbo.core.verdicts.level import SEVERITY
from plimbo.core.verdicts.session_heat.discs import COLD_SHARE
from plimbo.core.verdicts.session_heat.findings import DISC_BAND, FLUID_BAND
from plimbo.core.verdicts.session_heat.judging import judged_session

TAPES = (0.0, 0.25, 0.5, 0.75)
ANSWER_SPEED = 40.0
# Water in a fluid that is practically fresh, a share.
FRESH = 0.003
# Smallest rise over the run without a duct that is reported, K.
WORSE = 2.0
ORDER = {Holds.YES: 0, Holds.NEAR: 1, Holds.COLD: 2, Holds.HOT: 3}


class DuctCase(NamedTuple):
    """The subject of a question: an axle of a car and its setup, on a day."""

    car: Car
    setup: Setup
    axle: Axle
    today: date

    def with_values(self, values: Mapping[str, Any]) -> "DuctCase":
        """Other values, at paths of `car` and `setup`. Raises Pydantic's `ValidationError`."""
        if not values:
            return self
        car, setup, _ = with_values(self.car, self.setup, self.car.sessions[0], values)
        return self._replace(car=car, setup=setup)

    @property
    def path(self) -> str:
        return f"setup.{self.axle}.cooling.duct"


def session_result(setting: DuctCase, session: Session) -> DuctSession:
    """The result of one session at the axle in question."""
    inputs = run_inputs(setting.car, setting.setup, session, setting.today)
    readings = session_readings(run_session(inputs), setting.car, setting.setup)
    own = readings.axle(setting.axle)
    fluid = inputs.fluid.boils - own.wet_running.value
    # A better fluid is cheaper than any duct, so the fluid's temperature counts only where no better fluid exists.
    counts = not better_fluid(setting.setup)
    holds = _holds(own, fluid if counts else math.inf, setting.setup.brake(setting.axle).disc.material)
    return DuctSession(
        session=session.name,
        peak=own.surface_peak.value,
        low=own.surface_low.value,
        fluid=fluid,
        holds=holds,
        word=holds.word,
        pads_last=_lasting(own.pad_sets * readings.driven),
        discs_last=_lasting(own.disc_sets * readings.driven),
    )


def _lasting(seconds: float) -> float | None:
    return seconds if math.isfinite(seconds) else None


def worse_findings(than: DuctCase, made: DuctCase, at: int) -> bool:
    """Whether the verdict on a session, by its index, has any finding that is worse than in `than`."""
    was, now = (
        {
            (finding.key, finding.axle): SEVERITY[finding.level]
            for finding in judged_session(one.car, one.setup, one.car.sessions[at], one.today).verdict.findings
        }
        for one in (than, made)
    )
    return any(level > was.get(key, -1) for key, level in now.items())


def better_fluid(setup: Setup) -> dict[str, Any]:
    """Fresh race fluid, unless it is already filled."""
    fluid = setup.fluid
    if fluid.kind is FluidKind.RACE and fluid.water is not None and fluid.water <= FRESH:
        return {}
    own = {"setup.fluid.dry_point": None, "setup.fluid.wet_point": None}
    return {"setup.fluid.kind": FluidKind.RACE.value, "setup.fluid.water": 0.0, **own}


def _holds(own: AxleReadings, fluid: float, disc: DiscMaterial) -> Holds:
    # A pad may stand more than the metal of its disc.
    end = min(own.window[1], METAL_ENDS[disc].surface if disc in METAL_ENDS else math.inf)
    over = own.surface_peak.value - end
    if over > 0 or fluid < 0:
        return Holds.HOT
    if own.below_settled > COLD_SHARE:
        return Holds.COLD
    return Holds.YES if over <= -DISC_BAND and fluid >= FLUID_BAND else Holds.NEAR


def worst(sessions: Sequence[DuctSession]) -> Holds:
    return max((one.holds for one in sessions), key=ORDER.__getitem__)


def by_heat(sessions: Sequence[DuctSession]) -> Holds:
    """The result of a duct by heat alone: tape mends what is too cold."""
    if any(one.holds is Holds.HOT for one in sessions):
        return Holds.HOT
    return Holds.NEAR if any(one.holds is Holds.NEAR for one in sessions) else Holds.YES


def vane_flow(setting: DuctCase, tape: float = 0.0) -> float | None:
    """Air through the vanes of one disc at 40 m/s on the car's own day, kg/s; none through a solid disc."""
    cooling = setting.setup.brake(setting.axle).cooling
    vanes, day = _vanes(setting), _day(setting)
    if not vanes.passage:
        return None
    if not cooling.duct.fitted:
        return float(drawn_by_vanes(vanes, day, np.array([ANSWER_SPEED]))[1][0])
    found = flows(run_of(cooling, tape), vanes, day, np.array([ANSWER_SPEED]))
    return float(found.vanes[0])


def _vanes(setting: DuctCase) -> Vanes:
    tyre = setting.car.tyre(setting.axle)
    return vanes_for(setting.setup, setting.axle, tyre.loaded_radius)


def _day(setting: DuctCase) -> AirProperties:
    own = setting.car.air
    return air_around(float(air.standard_pressure.function(own.altitude)), own.temperature)


def drag_of(setting: DuctCase, tape: float = 0.0) -> tuple[float | None, float | None]:
    """Drag of both ducts of the axle at top speed, N, and the loss of top speed, m/s; none without a duct; the loss is
    none where the car's drag is not given.
    """
    cooling = setting.setup.brake(setting.axle).cooling
    return drag_of_ducts(setting.car, cooling, _vanes(setting), _day(setting), tape)


def tape_rows(setting: DuctCase) -> tuple[TapeRow, ...]:
    """Every session with its opening taped, and the tape that keeps the disc above the pad's window on the coldest
    straight.
    """
    bare = setting.with_values({f"{setting.path}.fitted": False})
    return tuple(_tape_row(setting, bare, place, session) for place, session in enumerate(setting.car.sessions))


def _tape_row(setting: DuctCase, bare: DuctCase, place: int, session: Session) -> TapeRow:
    name = f"{setting.axle}_tape"
    low, high = window_of(setting.setup.brake(setting.axle).pad)
    found, without = list[Taped](), session_result(bare, session).peak
    for share in TAPES:
        one = session_result(setting, session.patched({name: share}))
        worse = one.peak > without + WORSE
        found.append(
            Taped(
                share=share,
                peak=one.peak,
                low=one.low,
                holds=one.holds,
                standing=duct_status(one.holds),
                worse_than_none=worse,
            )
        )
    # No tape if the disc is warm enough on the straight; otherwise the least tape that warms it without fade.
    warm = [at for at, one in enumerate(found) if one.low >= low and one.peak <= high]
    advised = warm[0] if warm else 0
    open_, taken = found[0], found[advised]
    if advised:
        text = "tape {share}: open it falls to {low} on the straight, under {bite} where the pad bites"
        words = phrase(text, share=(taken.share, "share"), low=(open_.low, "temperature"), bite=(low, "temperature"))
    elif open_.peak > high:
        words = phrase("open, and too hot all the same: {peak}", peak=(open_.peak, "temperature"))
    elif open_.low < low:
        words = phrase("open: no tape keeps it where the pad bites; a pad for less heat")
    else:
        words = phrase("open; {low} at its coldest", low=(open_.low, "temperature"))
    return TapeRow(
        session=session.name,
        ambient=session.air(setting.car.air).temperature,
        tapes=tuple(found),
        advised=advised,
        now=session.tape(setting.axle),
        words=words,
        patch={f"car.sessions.{place}.{name}": taken.share},
    )
