"""Whose turn it is: heavy questions wait for each other, not in the threads that everything else needs."""

import asyncio
import os

from starlette.types import ASGIApp, Receive, Scope, Send

# How many of each kind are worked on at once; together well under the forty threads that there are.
DRAWS = 1
DRIVES = 1
QUESTIONS = max(2, os.cpu_count() or 2)
RECORDS = 8
_DRAWN = ("/api/uncertainty",)
# Followed for as long as one is worked on, so it must not hold a turn.
_FOLLOWED = ("/api/air/sizings",)
_DRIVEN = ("/api/heat/mends", "/api/heat/inputs", "/api/air/worth")
_ASKED = (
    "/api/assess",
    "/api/mends",
    "/api/cylinders",
    "/api/survey",
    "/api/hydraulics",
    "/api/measurements",
    "/api/heat",
    "/api/traces",
    "/api/air",
)
_KEPT = ("/api/cars", "/api/circuits", "/api/setups", "/api/files", "/api/desk", "/api/backups")


class Turns:
    """Lets in only so many of a kind at once; health, reference and the interface's files never wait."""

    def __init__(self, app: ASGIApp) -> None:
        self.app = app
        self._draws, self._drives = asyncio.Semaphore(DRAWS), asyncio.Semaphore(DRIVES)
        self._questions = asyncio.Semaphore(QUESTIONS)
        self._records = asyncio.Semaphore(RECORDS)

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        turn = self._turn(scope["path"]) if scope["type"] == "http" else None
        if turn is None:
            await self.app(scope, receive, send)
            return
        async with turn:
            await self.app(scope, receive, send)

    def _turn(self, path: str) -> asyncio.Semaphore | None:
        if path.startswith(_FOLLOWED):
            return None
        for starts, turn in (
            (_DRAWN, self._draws),
            (_DRIVEN, self._drives),
            (_ASKED, self._questions),
            (_KEPT, self._records),
        ):
            if path.startswith(starts):
                return turn
        return None
