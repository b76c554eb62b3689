"""A brake duct: from its opening in the body, piece by piece, to where it blows; one for each wheel of an axle."""

import math
from datetime import date
from typing import Any

from pydantic import Field, ValidationInfo, field_validator

from plimbo.core.quantities import defaults
from plimbo.core.quantities.choices import Choice
from plimbo.core.quantities.fields import Document, counted, quantity

# Bores that hoses are sold in, m. Common practice.
HOSE_BORES = (0.051, 0.063, 0.076, 0.102)


class OpeningPlace(Choice):
    """Where the opening is."""

    NOSE = "nose", "middle of the nose"
    BESIDE = "beside", "nose, to the side"
    UNDER = "under", "under the nose"
    SIDE = "side", "side of the body"
    DOOR = "door", "bottom of the door"


class Mouth(Choice):
    """The shape of the opening."""

    ROUNDED = "rounded", "proud, rounded lip"
    CUT = "cut", "proud, cut edge"
    FLUSH = "flush", "flush with the skin"


class PieceKind(Choice):
    """What a piece of the run is."""

    HOSE = "hose"
    BEND = "bend"
    REDUCER = "reducer"
    SPLIT = "split"


class Wall(Choice):
    """The inside of a hose."""

    CONVOLUTED = "convoluted"
    SMOOTH = "smooth"


class Flange(Choice):
    """How the hose ends at the upright."""

    PLAIN = "plain", "plain plate"
    ROUNDED = "rounded", "with a radius"


class Aim(Choice):
    """Where the air goes."""

    EYE = "eye", "into the disc's eye"
    FACE = "face", "at the disc's inner face"
    SCOOP = "scoop", "scoop on the arm"
    TYRE = "tyre", "at the tyre"


def _cost(of: str) -> Any:
    return quantity(
        "money",
        "Cost",
        f"Of {of}, in your money; left empty, not counted.",
        symbol="€",
        least=0,
        most=1e6,
        default=None,
    )


class Opening(Document):
    """Where the air of one duct comes in."""

    place: OpeningPlace = Field(
        OpeningPlace.NOSE,
        title="Opening in the",
        description="Air is dammed up most at the middle of the nose, hardly beside the doors.",
    )
    pressure_coefficient: float | None = quantity(
        "friction",
        "Pressure there, measured",
        "Share of the stream's own pressure, from a tap and a gauge; left empty, what is usual at that place.",
        symbol="C_p,in",
        least=-1.0,
        most=1.0,
        usual=(0, 0.95),
        default=None,
    )
    mouth: Mouth = Field(
        Mouth.ROUNDED, title="Its mouth", description="A flush opening takes in much less: the stream runs past it."
    )
    area: float = quantity(
        "opening area",
        "Area of the opening",
        "Of one duct. Half as much again as the hose is enough.",
        symbol="A_o",
        above=0,
        least=1e-4,
        most=0.1,
        usual=(0.001, 0.02),
        default=defaults.OPENING_AREA,
    )
    screen: float = quantity(
        "share",
        "Open share of its screen",
        "100 % without a screen; a clean mesh leaves about 65 %, one full of rubber and grass much less.",
        symbol="a_s",
        least=0.05,
        most=1,
        usual=(0.5, 1),
        default=1.0,
    )
    cost: float | None = _cost("this opening")


class DuctPiece(Document):
    """A piece of the run; at a split one run becomes two, one for each wheel."""

    kind: PieceKind = Field(PieceKind.HOSE, title="Piece", description="What it is.")
    bore: float = quantity(
        "hose",
        "Bore",
        "Inside; of a reducer, where it ends. Hoses are sold as 51, 63, 76 and 102 mm.",
        symbol="d",
        least=0.02,
        most=0.25,
        usual=(0.045, 0.11),
        sizes=HOSE_BORES,
        default=HOSE_BORES[1],
    )
    length: float = quantity(
        "distance",
        "Length",
        "Of a hose, or of a reducer from bore to bore.",
        symbol="l",
        least=0.01,
        most=6,
        usual=(0.05, 2.5),
        default=0.5,
    )
    wall: Wall = Field(
        Wall.CONVOLUTED, title="Inside", description="The wire or the folds of a flexible hose slow the air down."
    )
    angle: float = quantity(
        "angle",
        "Turns by",
        "Of a bend.",
        symbol="θ",
        least=math.radians(5),
        most=math.radians(180),
        usual=(math.radians(15), math.radians(120)),
        default=math.pi / 2,
    )
    turn: float = quantity(
        "friction",
        "Radius over bore",
        "Of a bend, to the middle of the hose; under 1 it is kinked.",
        symbol="R/d",
        least=0.5,
        most=20,
        usual=(1, 5),
        default=1.5,
    )
    cost: float | None = _cost("this piece")


class DuctChecks(Document):
    """Checks that only a person can make on the car: the day of each check."""

    full_lock: date | None = Field(None, title="Hose clear of the tyre at full lock, both ways", description="Turn it.")
    full_bump: date | None = Field(
        None, title="Clear at full bump and full droop", description="Springs out, or a jack."
    )
    boots: date | None = Field(
        None, title="Boots and ball joints behind a cut shield wrapped", description="They now see the disc."
    )
    stones: date | None = Field(None, title="Screen against stones fitted and clean", description="Look into the hose.")
    chafing: date | None = Field(None, title="No chafing, clamps tight", description="After the first session again.")
    rating: date | None = Field(
        None, title="Hose rated for the heat at the flange, 300 °C", description="Silicone; no household hose."
    )


PIECES = (
    DuctPiece(length=0.5),
    DuctPiece(kind=PieceKind.BEND),
    DuctPiece(length=0.7),
    DuctPiece(kind=PieceKind.BEND),
)


# The sizes of a new piece until they are measured.
NEW_PIECES = (
    DuctPiece(length=0.3),
    DuctPiece(kind=PieceKind.BEND),
    DuctPiece(kind=PieceKind.REDUCER, length=0.06),
    DuctPiece(kind=PieceKind.SPLIT),
)


class Duct(Document):
    """The duct of one wheel of an axle."""

    fitted: bool = Field(False, title="Duct fitted", description="One to each wheel of this axle.")
    opening: Opening = Opening()
    hoses: int = counted(
        "Hoses side by side", "Run after run alike, from the same opening.", least=1, most=3, usual=(1, 2), default=1
    )
    pieces: tuple[DuctPiece, ...] = Field(
        PIECES,
        title="Pieces",
        description="In the order of the air, from the opening on.",
        max_length=16,
        json_schema_extra={"new": [one.model_dump(mode="json") for one in NEW_PIECES]},
    )
    aim: Aim = Field(
        Aim.EYE,
        title="Blows",
        description="Into the eye it feeds the vanes and cools both cheeks; at the face it cools one; at the tyre,"
        " nothing. A scoop on the arm has no hose: give the size that its mouth is like.",
    )
    flange: Flange = Field(
        Flange.PLAIN, title="Ends in a", description="Plate at the upright that turns it into the eye."
    )
    seal: float = quantity(
        "share",
        "Seal at the eye",
        "How much of the gap between flange and disc is closed: air comes and goes through the rest.",
        symbol="s",
        least=0,
        most=1,
        usual=(0.6, 0.98),
        default=defaults.EYE_SEAL,
    )
    caliper_bore: float = quantity(
        "hose",
        "Branch to the caliper",
        "Bore of a small hose from the end of the run to the caliper; 0 without one.",
        symbol="d_c",
        least=0,
        most=0.06,
        usual=(0, 0.04),
        default=0.0,
    )
    flange_cost: float | None = _cost("flange and clamps")
    checks: DuctChecks = DuctChecks()

    @field_validator("pieces")
    @classmethod
    def has_a_run(cls, pieces: tuple[DuctPiece, ...], info: ValidationInfo) -> tuple[DuctPiece, ...]:
        if info.data.get("fitted") and not any(one.kind is PieceKind.HOSE for one in pieces):
            raise ValueError("A duct needs at least one piece of hose: add one, or take the duct off.")
        if sum(one.kind is PieceKind.SPLIT for one in pieces) > 1:
            raise ValueError("One split feeds both wheels: take the other one out.")
        return pieces
