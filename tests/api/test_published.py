"""What is published stays current: the schema of the file, and the types of the web."""

import io
import json
import re
import subprocess
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient
from jsonschema_rs import validator_for
from PIL import Image
from typer.testing import CliRunner

from plimbo.cli import app
from plimbo.core import write_setup_file
from plimbo.core.quantities.units import si_unit, unit_table
from plimbo.server import examples
from plimbo.server.openapi import openapi_text
from plimbo.store import RecordKind
from plimbo.store.record_file import file_of, setup_file_schema
from tests import w1
from tools.pictures import MOST_BYTES, keep, stacked

UPLOADED = {"content-type": "application/octet-stream"}
ROOT = Path(__file__).parents[2]


def test_the_schema_in_the_docs_is_the_one_in_force(client: TestClient) -> None:
    published = json.loads((ROOT / "docs/setup-file.schema.json").read_text())
    assert published == setup_file_schema()
    documents = client.get("/api/schema").json()
    assert documents["$id"] == "urn:plimbo:schema:documents:7"
    assert validator_for(documents).is_valid({kind.value: examples.DOCUMENTS[kind] for kind in RecordKind}), (
        "an example of each kind follows it"
    )
    assert set(documents["properties"]) == {kind.value for kind in RecordKind}
    assert published["$defs"] == documents["$defs"], "whatever a setup file holds, the interface knows"
    assert json.loads(CliRunner().invoke(app, ["schema"]).output) == published


def test_a_written_file_follows_the_schema_and_a_spoilt_one_does_not() -> None:
    validator = validator_for(setup_file_schema())
    document = json.loads(write_setup_file(w1.CAR, w1.SETUP))
    assert validator.is_valid(document)
    document["car"]["front_share"] = 1
    assert not validator.is_valid(document)


DOCUMENT = json.loads(openapi_text())
OPERATIONS = [(path, method) for path, methods in DOCUMENT["paths"].items() for method in methods]
# Numbers of any dimension: which one stands beside them.
OF_ANY_DIMENSION = {
    *("Measure.value", "Step.value", "Unit.factor", "Unit.offset", "AntiLockRow.now", "AntiLockRow.original"),
    *("Joint.sizes", "MendPart.before", "MendPart.after", "Swap.sizes"),
    # Bores or knees; a share, a push or a travel.
    *("CylinderTable.rows", "Pair.row", "CylinderTable.target"),
}


@pytest.mark.parametrize(("path", "method"), OPERATIONS)
def test_the_example_of_every_operation_is_accepted_by_it(path: str, method: str, client: TestClient) -> None:
    """And it has a summary, a description, and no other answers than it says."""
    operation = DOCUMENT["paths"][path][method]
    assert operation["summary"]
    assert operation["description"]
    file = examples.file_text(file_of(RecordKind.SETUP))
    setup = client.post("/api/setups/files", content=file).raise_for_status().json()
    circuit = client.post("/api/circuits", json=examples.CIRCUIT).raise_for_status().json()
    asked = examples.SIZING_QUESTION | {"setup_id": setup["id"]}
    sizing = client.post("/api/air/sizings", json=asked).raise_for_status().json()
    upload = client.put(f"/api/uploads/{examples.RECORD_ID}", content=examples.TRACE_TEXT, headers=UPLOADED)
    of_records = {"cars": setup["car_id"], "setups": setup["id"], "circuits": circuit["id"]}
    plural = path.split("/")[2]
    ids = {
        "record_id": of_records.get(plural),
        "parent_id": of_records.get(plural),
        "job_id": sizing["id"],
        "upload_id": upload.raise_for_status().json()["id"],
    }
    query = {}
    for parameter in operation.get("parameters", []):
        example = parameter["schema"]["examples"][0]
        if parameter["in"] == "query":
            query[parameter["name"]] = example
        path = path.replace(f"{{{parameter['name']}}}", str(ids.get(parameter["name"], example)))
    if method == "delete" and plural in of_records:
        # Only a record in the archive can be deleted for good.
        client.put(f"{path}/archived", json={"archived": True}).raise_for_status()
    body = operation.get("requestBody", {}).get("content", {}).get("application/json")
    sent, success = None, min(operation["responses"])
    if body is not None:
        schema = body["schema"] if "examples" in body["schema"] else body
        sent = schema["examples"][0] if "examples" in schema else body["example"]
        if sent in (examples.SIZING_QUESTION, examples.PLAN_QUESTION):
            sent = sent | {"setup_id": asked["setup_id"]}
    elif "parameters" not in operation:
        assert operation["responses"][success]["content"]["application/json"]["example"]
    if "application/octet-stream" in operation.get("requestBody", {}).get("content", {}):
        answer = client.request(method, path, content=b"1,2", headers=UPLOADED)
    else:
        answer = client.request(method, path, json=sent, params=query)
    assert answer.is_success, answer.text
    assert str(answer.status_code) in operation["responses"]
    refusals = {status for status in operation["responses"] if status >= "4"}
    assert "403" in refusals
    in_path = any(parameter["in"] == "path" for parameter in operation.get("parameters", []))
    assert ("404" in refusals) == (
        in_path or "upload_id" in str(sent) or ("setup_id" in str(sent) and ("sizings" in path or "plans" in path))
    )
    assert ("413" in refusals) == ("requestBody" in operation)


def shown_answers() -> list[Any]:
    """Every example of an answer in the document, with the schema of that answer."""
    found = []
    for (path, method), operation in ((at, DOCUMENT["paths"][at[0]][at[1]]) for at in OPERATIONS):
        for status, answer in operation["responses"].items():
            for content in answer.get("content", {}).values():
                schema = content.get("schema", {})
                shown = [content["example"]] if "example" in content else []
                shown += [one["value"] for one in content.get("examples", {}).values()] + schema.get("examples", [])
                found += [pytest.param(schema, one, id=f"{method} {path} {status}") for one in shown]
    return found


@pytest.mark.parametrize(("schema", "answer"), shown_answers())
def test_the_example_of_an_answer_follows_its_schema(schema: dict[str, Any], answer: Any) -> None:
    validator = validator_for({**schema, "components": DOCUMENT["components"]})
    assert [error.message for error in validator.iter_errors(answer)] == []


def test_every_operation_has_a_name_of_its_own() -> None:
    names = [DOCUMENT["paths"][path][method]["operationId"] for path, method in OPERATIONS]
    assert len(names) == len(set(names)) > 20


def holds_a_number(schema: dict[str, Any]) -> bool:
    parts = [
        *schema.get("anyOf", []),
        *schema.get("prefixItems", []),
        *([schema["items"]] if "items" in schema else []),
    ]
    return schema.get("type") == "number" or any(holds_a_number(part) for part in parts if isinstance(part, dict))


def test_every_number_says_its_dimension_and_unit() -> None:
    without, units = set(), unit_table()
    for name, schema in DOCUMENT["components"]["schemas"].items():
        for key, value in schema.get("properties", {}).items():
            if holds_a_number(value) and "dimension" not in value:
                without.add(f"{name}.{key}")
            elif "dimension" in value:
                assert value["unit"] == si_unit(value["dimension"])
                assert value["dimension"] in units
    assert without == OF_ANY_DIMENSION
    published = setup_file_schema()
    assert published["$id"] == "urn:plimbo:schema:setup-file:7"
    assert published["$defs"]["Car"]["properties"]["mass"]["unit"] == "kg"


def test_no_generated_file_of_the_web_build_is_tracked() -> None:
    tracked = subprocess.run(
        ["git", "ls-files", "plimbo/server/web"], cwd=ROOT, capture_output=True, text=True, check=True
    )
    assert tracked.stdout == ""


def test_pictures_are_few_small_and_linked_from_the_readme() -> None:
    folder, readme = ROOT / "docs/screenshots", (ROOT / "README.md").read_text(encoding="utf-8")
    linked = re.findall(r"\(docs/screenshots/([a-z-]+\.png)\)", readme)
    assert sorted(linked) == sorted(file.name for file in folder.iterdir())
    assert len(linked) <= 20
    for name in linked:
        picture = Image.open(folder / name)
        assert picture.mode == "P", f"{name}: make screenshots writes a palette"
        assert (folder / name).stat().st_size <= MOST_BYTES, name


def picture(*changed: tuple[int, int, int], at: int = 0) -> bytes:
    image = Image.new("RGB", (200, 100), (249, 246, 239))
    for place, colour in enumerate(changed):
        image.putpixel((at + place, 50), colour)
    file = io.BytesIO()
    image.save(file, "PNG")
    return file.getvalue()


def test_a_picture_is_written_again_only_where_its_view_has_changed(tmp_path: Path) -> None:
    target = tmp_path / "view.png"
    assert keep(picture(), target)
    first = target.read_bytes()
    assert not keep(picture(), target)
    assert not keep(picture((240, 240, 235)), target), "an edge a shade darker"
    assert target.read_bytes() == first
    assert keep(picture((20, 20, 20)), target), "one dark point more"
    assert keep(picture(*[(240, 240, 235)] * 40), target), "a faint line more"
    assert keep(stacked([picture(), picture()]), target)
    assert Image.open(target).size == (200, 200)


def test_a_picture_that_cannot_be_small_is_refused(tmp_path: Path) -> None:
    noise = Image.effect_noise((1200, 900), 90)
    file = io.BytesIO()
    noise.save(file, "PNG")
    with pytest.raises(ValueError, match="show less in it"):
        keep(file.getvalue(), tmp_path / "noise.png")
