"""The history of a record for a reader: autosaves of one sitting together, each with its changes."""

from collections.abc import Callable, Iterator
from datetime import datetime, timedelta

from pydantic import BaseModel, Field

from plimbo.core.quantities.differences import Difference, differences
from plimbo.core.quantities.fields import Document
from plimbo.server.readable import UnreadableRecord
from plimbo.store import NotFound, Revision

# A pause of this length ends a sitting, s.
SITTING = timedelta(minutes=30)
# Most entries of one answer; older ones are stored, too.
MOST_ENTRIES = 100


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


def history(
    revisions: list[Revision], document_at: Callable[[int], Document], most: int = MOST_ENTRIES
) -> list[HistoryEntry]:
    """The newest entries of a record's revisions, newest first."""
    sittings = list(_sittings(revisions))
    entries: list[HistoryEntry] = []
    known: dict[int, Document | None] = {}

    def read(number: int) -> Document | None:
        if number not in known:
            try:
                known[number] = document_at(number)
            except (UnreadableRecord, NotFound):
                known[number] = None
        return known[number]

    for place, sitting in enumerate(sittings[:most]):
        newest, oldest = sitting[0], sitting[-1]
        after = read(newest.number)
        before = read(sittings[place + 1][0].number) if place + 1 < len(sittings) else None
        entries.append(
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
    return entries


def _sittings(revisions: list[Revision]) -> Iterator[list[Revision]]:
    """The first revision is an entry alone, and so is each that has a name."""
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
