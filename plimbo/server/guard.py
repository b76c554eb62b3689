"""The guard: lets in known hosts and origins, visitors with the key if one is set, and bounded JSON in bounded time.

Pure ASGI, around everything else, so that every answer has the security headers and every error a message.
"""

import asyncio
import secrets
from pathlib import Path
from urllib.parse import parse_qsl, urlencode, urlsplit

from starlette.datastructures import Headers, MutableHeaders
from starlette.responses import HTMLResponse, RedirectResponse, Response
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from plimbo.server.access import COOKIE, SESSION_SECONDS, WAITING, Access, Guesses, cookies_of
from plimbo.server.problems import Problem, problem, problem_of
from plimbo.server.route_limits import LimitsByRoute, RouteLimits, TooLarge, TooSlow

BODY_SECONDS = 20.0
# Longest wait for the next part of an upload, s; the whole upload may take longer.
STRETCH_SECONDS = 20.0
_WRITES = frozenset({"POST", "PUT", "PATCH"})
UPLOADED = "application/octet-stream"
_KEY_NEEDED = "Open the address with ?key= and the access key."


class Guard:
    """Refuses forbidden requests, sets the security headers, and turns unexpected errors into a message."""

    def __init__(self, app: ASGIApp, access: Access, database: Path, limits: LimitsByRoute) -> None:
        self.app, self.access, self.database, self.limits = app, access, database, limits
        self.guesses, self._waiting = Guesses(), 0

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        scope.setdefault("state", {})["nonce"] = nonce = secrets.token_urlsafe(16)
        result = False

        async def sending(message: Message) -> None:
            nonlocal result
            result = True
            await _with_security_headers(send, nonce, scope["method"] == "HEAD")(message)

        try:
            await self._answer(scope, receive, sending)
        except asyncio.CancelledError:
            if not result:
                await _refused("Stopped", 503, "Plimbo was stopped meanwhile. Start it, then try again.")(
                    scope, receive, sending
                )
        except Exception as error:  # which the client already knows if the application has answered
            if not result:
                await problem_of(error, self.database)(scope, receive, sending)

    async def _answer(self, scope: Scope, receive: Receive, send: Send) -> None:
        headers = Headers(scope=scope)
        # A HEAD request is handled as a GET request; the body is dropped on the way out.
        asked = {**scope, "method": "GET"} if scope["method"] == "HEAD" else scope
        limits = self.limits.of(asked["method"], scope["path"])
        refusal = _forbidden(scope, headers, limits, self.access) or await self._without_key(scope, headers)
        if refusal is not None:
            await refusal(scope, receive, send)
            return
        scope["state"]["limits"] = limits
        too_large = _refused("Too large", 413, str(TooLarge(limits.body)))
        declared = headers.get("content-length", "0")
        if declared.isdigit() and int(declared) > limits.body:
            await too_large(scope, receive, send)
            return
        if limits.streamed:
            await self.app(asked, _counted(receive, limits.body), send)
            return
        try:
            async with asyncio.timeout(BODY_SECONDS):
                body = await _bounded_body(receive, limits.body)
        except TimeoutError:
            await _refused("Too slow", 408, f"The whole of it did not come within {BODY_SECONDS:.0f} s. Try again.")(
                scope, receive, send
            )
            return
        if body is None:
            await too_large(scope, receive, send)
            return
        scope["state"]["gone"] = gone = asyncio.Event()
        watching = asyncio.create_task(_watch(receive, gone))
        try:
            await self.app(asked, _replay(body, gone), send)
        finally:
            watching.cancel()

    async def _without_key(self, scope: Scope, headers: Headers) -> Response | None:
        if self.access.key is None or any(map(self.access.is_session, cookies_of(headers.get("cookie", "")))):
            return None
        query = parse_qsl(scope["query_string"].decode("latin-1"), keep_blank_values=True)
        asked = dict(query).get("key", "").encode()
        given = headers.get("authorization", "").removeprefix("Bearer ").encode("latin-1")
        if asked or given:
            address = (scope.get("client") or ("", 0))[0]
            if (refused := await self._wait(address)) is not None:
                return refused
            if given and self.access.is_key(given):
                return None
            if asked and self.access.is_key(asked):
                return self._let_in(scope, query)
            self.guesses.note(address)
        if "text/html" in headers.get("accept", ""):
            return HTMLResponse(f"<!doctype html><title>Plimbo</title><p>Key needed. {_KEY_NEEDED}</p>", 403)
        return _refused("Key needed", 403, _KEY_NEEDED)

    async def _wait(self, address: str) -> Response | None:
        """After too many wrong keys every key from an address waits, right or wrong, so that the time betrays nothing.

        A refusal where too many wait already.
        """
        wait = self.guesses.wait(address)
        if not wait:
            return None
        if self._waiting >= WAITING:
            refused = _refused("Too many keys", 429, f"Too many wrong keys. Try again in {wait} s.")
            refused.headers["retry-after"] = str(wait)
            return refused
        self._waiting += 1
        try:
            await asyncio.sleep(wait)
        finally:
            self._waiting -= 1
        return None

    def _let_in(self, scope: Scope, query: list[tuple[str, str]]) -> Response:
        """Redirects to the same address without the key in it."""
        others = urlencode([(name, value) for name, value in query if name != "key"])
        # More than one slash at the start would mean another host.
        place = "/" + scope["path"].lstrip("/\\")
        response = RedirectResponse(f"{place}?{others}" if others else place, 303)
        response.set_cookie(
            COOKIE,
            self.access.new_session(),
            max_age=SESSION_SECONDS,
            httponly=True,
            samesite="lax",
            secure=scope["scheme"] == "https",
        )
        return response


def _refused(title: str, status: int, detail: str) -> Response:
    return problem(Problem(title=title, status=status, detail=detail))


def _host_name(authority: str) -> str:
    try:
        return (urlsplit(f"//{authority}").hostname or "").lower()
    except ValueError:
        return ""


def _forbidden(scope: Scope, headers: Headers, limits: RouteLimits, access: Access) -> Response | None:
    if _host_name(headers.get("host", "")) not in access.hosts:
        return _refused("Refused", 403, "This server does not answer to that host name.")
    return _foreign(scope["method"], headers, limits)


def _foreign(method: str, headers: Headers, limits: RouteLimits) -> Response | None:
    """A refusal of requests that another site has sent, or may have sent."""
    origin, refused = headers.get("origin"), _refused("Refused", 403, "Requests from other sites are refused.")
    if origin is not None:
        try:
            if urlsplit(origin).netloc != headers.get("host"):
                return refused
        except ValueError:
            return refused
    elif method not in {"GET", "HEAD"} and headers.get("sec-fetch-site", "none") not in {"same-origin", "none"}:
        return refused
    kind = headers.get("content-type", "").partition(";")[0].strip().lower()
    wanted = UPLOADED if limits.streamed else "application/json"
    if method in _WRITES and kind != wanted:
        what = "a file" if limits.streamed else "JSON"
        return _refused(f"Not {what}", 415, f"What is sent must be {what}: content-type {wanted}.")
    return None


async def _bounded_body(receive: Receive, limit: int) -> bytes | None:
    """The whole body, or None where it is over the limit."""
    body = bytearray()
    while True:
        message = await receive()
        body += message.get("body", b"")
        if len(body) > limit:
            return None
        if message["type"] != "http.request" or not message.get("more_body", False):
            return bytes(body)


def _counted(receive: Receive, limit: int) -> Receive:
    """The body as it arrives. Raises `TooLarge` where it is over the limit, `TooSlow` when nothing more arrives."""
    came, whole = 0, False

    async def counted() -> Message:
        nonlocal came, whole
        if whole:
            return await receive()
        try:
            async with asyncio.timeout(STRETCH_SECONDS):
                message = await receive()
        except TimeoutError:
            raise TooSlow(STRETCH_SECONDS) from None
        came += len(message.get("body", b""))
        whole = not message.get("more_body", False)
        if came > limit:
            raise TooLarge(limit)
        return message

    return counted


async def _watch(receive: Receive, gone: asyncio.Event) -> None:
    """Sets `gone` when the client has left; after the body nothing else can be received."""
    while (await receive())["type"] != "http.disconnect":
        pass
    gone.set()


def _replay(body: bytes, gone: asyncio.Event) -> Receive:
    sent = False

    async def replayed() -> Message:
        nonlocal sent
        if sent:
            await gone.wait()
            return {"type": "http.disconnect"}
        sent = True
        return {"type": "http.request", "body": body, "more_body": False}

    return replayed


def security_headers(nonce: str) -> dict[str, str]:
    """The security headers of every answer."""
    policy = "; ".join(
        (
            "default-src 'none'",
            "script-src 'self'",
            f"style-src 'self' 'nonce-{nonce}'",
            "img-src 'self' data:",
            "font-src 'self'",
            "connect-src 'self'",
            "base-uri 'none'",
            "form-action 'none'",
            "frame-ancestors 'none'",
        )
    )
    return {
        "content-security-policy": policy,
        "x-content-type-options": "nosniff",
        "referrer-policy": "no-referrer",
        "cross-origin-opener-policy": "same-origin",
        "cross-origin-resource-policy": "same-origin",
    }


def _with_security_headers(send: Send, nonce: str, without_body: bool) -> Send:
    async def sending(message: Message) -> None:
        if message["type"] == "http.response.start":
            headers = MutableHeaders(scope=message)
            for name, value in security_headers(nonce).items():
                headers[name] = value
            headers.setdefault("cache-control", "no-store")
        elif without_body and message["type"] == "http.response.body":
            message = {**message, "body": b""}
        await send(message)

    return sending
