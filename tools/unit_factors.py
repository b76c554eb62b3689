"""Writes plimbo/core/quantities/unit_factors.py from pint: `make types`.

Loading pint at every start would cost half a second.
"""

from pathlib import Path

import pint

from plimbo.core.quantities.units import unit_names

TARGET = Path("plimbo/core/quantities/unit_factors.py")
HEAD = '''"""What one of each unit is in SI, and where its zero stands: made with pint by `make types`."""

FACTORS: dict[str, tuple[float, float]] = {
'''


def factors() -> dict[str, tuple[float, float]]:
    """Factor and offset of every unit of the table; a value in SI is `(shown + offset) * factor`."""
    registry: pint.UnitRegistry[float] = pint.UnitRegistry()
    found = {}
    for name in sorted(unit_names()):
        # Two points give the scale and, for temperatures, its offset.
        zero, one = (registry.Quantity(n, name or "dimensionless").to_base_units().magnitude for n in (0.0, 1.0))
        factor = float(one - zero)
        found[name] = (factor, round(float(zero) / factor, 9))
    return found


if __name__ == "__main__":
    lines = [f'    "{name}": ({factor!r}, {offset!r}),\n' for name, (factor, offset) in factors().items()]
    TARGET.write_text(HEAD + "".join(lines) + "}\n")
