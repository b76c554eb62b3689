"""The duct of the worked examples: 1.2 m of convoluted hose, two right-angled bends, a rounded opening of one and a
half times the hose's area in the nose, a plain flange and a seal of 0.9.
"""

import math
from typing import Any

from plimbo.core.documents import Cooling
from plimbo.core.ducting.flow import AirProperties, Vanes, cooling_air
from plimbo.core.ducting.run import run_of
from plimbo.core.thermal.corner import Corner

# 25 °C at the sea.
DAY = AirProperties(1.1839, 1.8372e-5)


def duct(
    bore: float = 0.063,
    *,
    length: float = 1.2,
    bends: int = 2,
    hoses: int = 1,
    wall: str = "convoluted",
    area: float | None = None,
    opening: dict[str, Any] | None = None,
    outlet: float = 0.0,
    **own: Any,
) -> Cooling:
    """Of one wheel; `own` are values of the duct itself."""
    half = {"kind": "hose", "bore": bore, "length": length / 2, "wall": wall}
    turns = [{"kind": "bend", "bore": bore}] * bends
    size = 1.5 * math.pi / 4 * bore**2 * hoses if area is None else area
    made = {"fitted": True, "pieces": [half, *turns[:1], half, *turns[1:]], "hoses": hoses, **own}
    return Cooling.model_validate({"outlet": outlet, "duct": made | {"opening": {"area": size} | (opening or {})}})


def vanes_of(corner: Corner, radius: float, coefficient: float = 0.40) -> Vanes:
    """A disc of the set as its air meets it; `radius` of the tyre, m."""
    outer = corner.diameter / 2
    return Vanes(outer, outer - corner.vane_length, corner.vane_passage, coefficient, radius)


def fed(corner: Corner, radius: float, cooling: Cooling, tape: float = 0.0, coefficient: float = 0.40) -> Corner:
    """A corner of the set with this duct."""
    return corner._replace(air=cooling_air(run_of(cooling, tape), vanes_of(corner, radius, coefficient), DAY))
