"""Saved states as a reader wants them: autosaves of one sitting together, each with what changed in it."""

from collections.abc import Callable, Iterator
from datetime import datetime, timedelta

from pydantic import BaseModel, Field

from plimbo.core.quantities.differences import Difference, differences
from plimbo.core.quantities.fields import Document
from plimbo.server.readable import UnreadableRecord
from plimbo.store import Revision

# Who does nothing for so long has gone to the car.
SITTING = timedelta(minutes=30)
# Entries of one answer: older ones are there, and nobody scrolls so far.
TOLD = 100


class HistoryEntry(BaseModel):
    """One saved state under a name, or the autosaves of one sitting; `number` is its newest revision."""

    number: int
    first: int = Field(description="The first revision of it; the same as `number` where there is one only.")
    name: str
    note: str
    begun_at: datetime
    saved_at: datetime
    changes: list[Difference] = Field(description="Against the entry before it; none of the first.")
    readable: bool = True


def history(revisions: list[Revision], document_at: Callable[[int], Document], most: int = TOLD) -> list[HistoryEntry]:
    """Of a record's revisions, newest first, the newest so many entries."""
    sittings = list(_sittings(revisions))
    told: list[HistoryEntry] = []
    known: dict[int, Document | None] = {}

    def read(number: int) -> Document | None:
        if number not in known:
            try:
                known[number] = document_at(number)
            except UnreadableRecord:
                known[number] = None
        return known[number]

    for place, sitting in enumerate(sittings[:most]):
        newest, oldest = sitting[0], sitting[-1]
        after = read(newest.number)
        before = read(sittings[place + 1][0].number) if place + 1 < len(sittings) else None
        told.append(
            HistoryEntry(
                number=newest.number,
                first=oldest.number,
                name=newest.name,
                note=newest.note,
                begun_at=oldest.saved_at,
                saved_at=newest.saved_at,
                changes=list(differences(before, after)) if before is not None and after is not None else [],
                readable=after is not None,
            )
        )
    return told


def _sittings(revisions: list[Revision]) -> Iterator[list[Revision]]:
    """The first revision stands alone, and so does each that has a name."""
    sitting: list[Revision] = []
    for revision in revisions:
        alone = revision.number == 1 or revision.name
        later = sitting[-1] if sitting else None
        if later is not None and (alone or later.name or later.saved_at - revision.saved_at > SITTING):
            yield sitting
            sitting = []
        sitting.append(revision)
    if sitting:
        yield sitting
