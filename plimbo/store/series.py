"""Long series of numbers, such as the channels of a log: kept beside the documents, in stretches, and never changed."""

import numpy as np
from sqlalchemy import select
from sqlalchemy.orm import Session

from plimbo.core.working.numbers import Array
from plimbo.store.tables import SeriesRow

# A stretch of five minutes at a hundred a second: a look at a lap reads no more than one or two.
STRETCH = 30_000
_KIND = np.dtype("<f8")


def add(session: Session, record_id: str, name: str, samples: Array) -> None:
    """Keep a series, shape (samples). A gap in it is no number."""
    for start in range(0, max(1, samples.size), STRETCH):
        stretch = samples[start : start + STRETCH].astype(_KIND)
        row = SeriesRow(record_id=record_id, name=name, start=start, count=stretch.size, samples=stretch.tobytes())
        session.add(row)
    session.flush()


def read(session: Session, record_id: str, name: str, start: int, stop: int | None) -> Array | None:
    """The samples from `start` up to before `stop`; none where there is no such series."""
    query = select(SeriesRow).where(SeriesRow.record_id == record_id, SeriesRow.name == name).order_by(SeriesRow.start)
    if session.scalars(query.limit(1)).first() is None:
        return None
    query = query.where(SeriesRow.start + SeriesRow.count > start)
    if stop is not None:
        query = query.where(SeriesRow.start < stop)
    rows = session.scalars(query).all()
    if not rows:
        return np.empty(0)
    first = rows[0].start
    found = np.concatenate([np.frombuffer(row.samples, _KIND) for row in rows]).astype(float)
    return found[max(0, start - first) : None if stop is None else max(0, stop - first)]
