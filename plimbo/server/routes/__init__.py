"""One file for each group of addresses."""

from typing import Annotated

from fastapi import Depends, Request

from plimbo.store import Records


def _records(request: Request) -> Records:
    records: Records = request.app.state.records
    return records


Store = Annotated[Records, Depends(_records)]
