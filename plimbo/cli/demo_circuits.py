"""Four invented circuits: fast, tight, mixed, and a hill."""

from plimbo.core import Circuit
from plimbo.core.documents import CircuitSection


def _circuit(name: str, *pieces: float | tuple[str, float, float], one_way: bool = False) -> Circuit:
    """Straights by their length, corners by name, length and radius, m."""
    return Circuit(
        name=name,
        one_way=one_way,
        sections=tuple(
            CircuitSection(name=piece[0], length=piece[1], radius=piece[2])
            if isinstance(piece, tuple)
            else CircuitSection(length=piece)
            for piece in pieces
        ),
    )


SALTMARSH = _circuit(
    "Saltmarsh",
    820, ("Sluice", 110, 42), 480, ("Long Reed", 120, 80), 300, ("Gull", 90, 36), 760, ("Dyke", 100, 40), 330,
    ("Samphire", 120, 90),
)  # fmt: skip
TOLLGATE = _circuit(
    "Tollgate",
    170, ("Gate", 90, 22), 120, ("Penny", 80, 18), 190, ("Bar", 85, 24), 130, ("Keeper", 90, 20), 210,
    ("Turnpike", 80, 19), 120, ("Ledger", 95, 18), 150, ("Lantern", 90, 22),
)  # fmt: skip
FENBANK = _circuit(
    "Fenbank",
    540, ("Alder", 80, 44), 210, ("Lode", 60, 31), 310, ("Causeway", 90, 72), 180, ("Pump", 50, 27), 490,
    ("Willow", 80, 50), 180, ("Drove", 65, 33), 280, ("Washland", 100, 64),
)  # fmt: skip
GORSE_HILL = _circuit(
    "Gorse Hill",
    180, ("Quarry", 45, 22), 150, ("Ash", 60, 30), 220, ("Elbow", 40, 14), 130, ("Bank", 70, 40), 200,
    ("Chapel", 50, 18), 160, ("Top", 60, 35), 140,
    one_way=True,
)  # fmt: skip

CIRCUITS = (FENBANK, SALTMARSH, TOLLGATE, GORSE_HILL)
