"""What is published stays current: the schema of the file, and the types of the web."""

import json
import subprocess
from pathlib import Path

from fastapi.testclient import TestClient
from jsonschema_rs import validator_for
from typer.testing import CliRunner

from plimbo.cli import app
from plimbo.files import setup_file_schema, write_setup_file
from plimbo.server.openapi import openapi_text
from tests import w1

ROOT = Path(__file__).parents[2]


def test_the_schema_in_the_docs_is_the_one_in_force(client: TestClient) -> None:
    published = json.loads((ROOT / "docs/setup-file.schema.json").read_text())
    assert published == setup_file_schema() == client.get("/api/schema").json()
    assert json.loads(CliRunner().invoke(app, ["schema"]).output) == published


def test_a_written_file_follows_the_schema_and_a_spoilt_one_does_not() -> None:
    validator = validator_for(setup_file_schema())
    document = json.loads(write_setup_file(w1.CAR, w1.SETUP))
    assert validator.is_valid(document)
    document["car"]["front_share"] = 1
    assert not validator.is_valid(document)


def test_every_operation_has_a_name_and_problems_for_its_refusals() -> None:
    names = []
    for methods in json.loads(openapi_text())["paths"].values():
        for operation in methods.values():
            names.append(operation["operationId"])
            assert "422" in operation["responses"]
    assert len(names) == len(set(names)) > 10


def test_no_generated_file_of_the_web_build_is_tracked() -> None:
    tracked = subprocess.run(
        ["git", "ls-files", "plimbo/server/web"], cwd=ROOT, capture_output=True, text=True, check=True
    )
    assert tracked.stdout == ""
