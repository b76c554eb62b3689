"""Routes of setups only: opening one with its car and siblings, its marks, a check of its file."""

from datetime import date
from functools import partial
from typing import Any

from fastapi import APIRouter, Request, Response
from pydantic import create_model
from starlette.concurrency import run_in_threadpool

from plimbo.core import Car, Marks, OutOfRange, Setup, SetupFile, assess
from plimbo.core.documents.document_file import DocumentFile
from plimbo.core.quantities.refusals import FieldError, refusal_of
from plimbo.server.answering import answered_by_worker
from plimbo.server.problems import problems
from plimbo.server.readable import Readable
from plimbo.server.record_models import ListedRecord, listed, models_of, stored_record
from plimbo.server.route_limits import Queue, limited
from plimbo.server.routes import SIMULATES, CanRead, RecordId, Store
from plimbo.server.setup_summaries import SetupSummaries
from plimbo.store import RecordKind, Records
from plimbo.workers.questions import marks

router = APIRouter(tags=["setups"])

_kept: Any = models_of(RecordKind.SETUP).stored
_owner: Any = models_of(RecordKind.CAR).stored
OpenedSetup: Any = create_model(
    "OpenedSetup",
    __base__=_kept,
    __doc__="A setup with what lies beside it when it is opened: its car, and all the setups of that car.",
    owner=(_owner, ...),
    siblings=(list[ListedRecord], ...),
)


def refused_by_the_model(file: DocumentFile) -> list[FieldError]:
    """What must be mended in a setup file before there is an answer."""
    if not isinstance(file, SetupFile):
        raise TypeError(f"{type(file).__name__} is no setup file")
    try:
        assess(file.car, file.setup, with_working=False)
    except OutOfRange as error:
        return [refusal_of(error)]
    return []


@router.get(
    "/setups/{record_id}/opened", response_model=OpenedSetup, summary="Open a setup", responses=problems(404, 422)
)
@limited(Queue.RECORDS)
def open_setup(record_id: RecordId, records: Store, readable: CanRead) -> Any:
    """With its car and the car's other setups, in one answer."""
    stored = records.get(RecordKind.SETUP, record_id)
    car_id = stored.parent_id or ""
    owner = stored_record(records.get(RecordKind.CAR, car_id), readable)
    siblings = listed(records.headings(RecordKind.SETUP, car_id), readable)
    return OpenedSetup.model_construct(**dict(stored_record(stored, readable)), owner=owner, siblings=siblings)


@router.get(
    "/setups/{record_id}/marks",
    response_model=Marks,
    summary="Ask how a setup stands",
    dependencies=SIMULATES,
    responses=problems(404, 422, 503),
)
async def get_marks(record_id: RecordId, records: Store, readable: CanRead, request: Request) -> Response:
    """Every matter in a word, with the doubt and the sessions included; and the worst one."""
    key, car, setup = await run_in_threadpool(_with_owner, record_id, records, readable)
    summaries: SetupSummaries = request.app.state.summaries
    known = summaries.get(key)
    if known is not None:
        return Response(known, media_type="application/json")
    answer = await answered_by_worker(request, partial(marks, car, setup, date.today()))
    if answer.status_code == 200:
        summaries.keep(key, bytes(answer.body))
    return answer


def _with_owner(record_id: str, records: Records, readable: Readable) -> tuple[tuple[object, ...], Car, Setup]:
    """A setup and its car, with what tells them from all other versions of them."""
    stored = records.get(RecordKind.SETUP, record_id)
    owner = records.get(RecordKind.CAR, stored.parent_id or "")
    key = record_id, stored.version, owner.id, owner.version, date.today()
    return key, readable.document(Car, owner), readable.document(Setup, stored)
