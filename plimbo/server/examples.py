"""The examples of the API's document: an invented car and setup with required values only."""

from typing import Any

from plimbo.core.documents.document_file import DocumentFile, write_file
from plimbo.store import RecordKind

CAR: dict[str, Any] = {
    "name": "Finch",
    "mass": 720,
    "front_share": 0.47,
    "wheelbase": 2.35,
    "cg_height": 0.4,
    "front_tyre": {"friction": 1.2, "loaded_radius": 0.285},
    "rear_tyre": {"friction": 1.2, "loaded_radius": 0.29},
    "top_speed": 58,
    "states": [{"name": "Dry", "track": "dry", "speed": 50}, {"name": "Wet", "track": "wet", "speed": 45}],
}


def _axle(bore: float, pistons: list[float], disc: float) -> dict[str, Any]:
    return {
        "master_cylinder": {"bore": bore},
        "caliper": {"pistons": pistons},
        "disc": {"outer_diameter": disc, "ring_height": 0.05, "thickness": 0.024},
        "pad": {"height": 0.045, "length": 0.1, "friction": 0.42},
    }


SETUP: dict[str, Any] = {
    "name": "First sizes",
    "pedal": {"ratio": 5},
    "balance_bar": {"offset": 0, "length": 0.064},
    "front": _axle(0.01905, [0.0381, 0.0381], 0.28),
    "rear": _axle(0.022225, [0.0318, 0.0318], 0.26),
}
CIRCUIT: dict[str, Any] = {
    "name": "Heron Fields",
    "sections": [{"length": 420}, {"length": 70, "radius": 45}, {"length": 260}, {"length": 90, "radius": 30}],
}
SESSION: dict[str, Any] = {"name": "Heron Fields, 8 laps", "circuit": CIRCUIT, "fast_laps": 8}
_TRACE = [f"{step / 10},{max(60, 160 - 9 * max(0, step - 40))}" for step in range(80)]
TRACE_TEXT = "\n".join(["time [s],speed [km/h]", *_TRACE])
QUESTION = {"car": CAR, "setup": SETUP}
POWERED_CAR = CAR | {"power": 110_000, "sessions": [SESSION]}
HEAT_QUESTION = {"car": POWERED_CAR, "setup": SETUP}
SESSION_QUESTION = HEAT_QUESTION | {"session": SESSION}
READING_QUESTION = SESSION_QUESTION | {"reading": {"axle": "front", "temperature": 600.0, "after": 120.0}}
DUCT_QUESTION = HEAT_QUESTION | {"axle": "front"}
FLOW_QUESTION = DUCT_QUESTION | {"speed": 40.0}
WORTH_QUESTION = DUCT_QUESTION | {"session": SESSION}
# One example of each kind of record, as stored.
DOCUMENTS: dict[RecordKind, dict[str, Any]] = {
    RecordKind.CAR: CAR,
    RecordKind.SETUP: SETUP,
    RecordKind.CIRCUIT: CIRCUIT,
}
DESK = {"setup_id": None, "place": "chain", "units": "metric"}
RECORD_ID = "0123456789abcdef0123456789abcdef"
TRACE = {"name": "Heron Fields", "upload_id": RECORD_ID}
_LISTED = {"version": 4, "saved_at": "2026-03-28T10:15:00Z", "archived": False, "readable": True}
LISTED_CAR = {"id": RECORD_ID, "name": "Finch", **_LISTED, "setups": []}
SIZING_QUESTION = DUCT_QUESTION | {"setup_id": RECORD_ID}
PLAN_QUESTION = HEAT_QUESTION | {"setup_id": RECORD_ID, "limits": {"pinned": ["front caliper"], "left_out": ["disc"]}}


def changed(kind: RecordKind) -> dict[str, Any]:
    """The example of a kind with other values."""
    return DOCUMENTS[kind] | {"name": f"{DOCUMENTS[kind]['name']} II"}


def file_text(file: type[DocumentFile]) -> str:
    """The example of a kind of file."""
    documents = {kind.value: DOCUMENTS[kind] for kind in RecordKind if kind.value in file.model_fields}
    return write_file(file.model_validate(documents))
