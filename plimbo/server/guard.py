"""What is let in: known hosts and origins, the access key where one is set, bodies of bounded size. Pure ASGI."""

import hmac
import secrets
from dataclasses import dataclass, field
from http.cookies import SimpleCookie
from urllib.parse import parse_qs, urlsplit

from starlette.datastructures import Headers, MutableHeaders
from starlette.responses import RedirectResponse, Response
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from plimbo.server.problems import Problem, problem

BODY_LIMIT = 1_000_000
COOKIE = "plimbo_key"
LOOPBACK = frozenset({"127.0.0.1", "localhost", "::1"})


@dataclass(frozen=True)
class Access:
    """Host names that the server answers to, and the key that it asks for (none on loopback)."""

    hosts: frozenset[str] = field(default=LOOPBACK)
    key: str | None = None


def _host_name(authority: str) -> str:
    try:
        return (urlsplit(f"//{authority}").hostname or "").lower()
    except ValueError:
        return ""


class Guard:
    """Refuses foreign hosts and origins, missing keys and bodies over the limit; sets the security headers."""

    def __init__(self, app: ASGIApp, access: Access) -> None:
        self.app, self.access = app, access

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        headers = Headers(scope=scope)
        scope.setdefault("state", {})["nonce"] = nonce = secrets.token_urlsafe(16)
        refusal = self._refusal(scope, headers)
        sending = _with_security_headers(send, nonce)
        if refusal is not None:
            await refusal(scope, receive, sending)
            return
        body = await _bounded_body(headers, receive)
        if body is None:
            too_large = Problem(
                title="Too large", status=413, detail=f"More than {BODY_LIMIT / 1e6:.0f} MB: no setup is that large."
            )
            await problem(too_large)(scope, receive, sending)
            return
        await self.app(scope, _replay(body, receive), sending)

    def _refusal(self, scope: Scope, headers: Headers) -> Response | None:
        if _host_name(headers.get("host", "")) not in self.access.hosts:
            return problem(
                Problem(title="Refused", status=403, detail="This server does not answer to that host name.")
            )
        origin = headers.get("origin")
        if origin is not None and urlsplit(origin).netloc != headers.get("host"):
            return problem(Problem(title="Refused", status=403, detail="Requests from other sites are refused."))
        if self.access.key is None:
            return None
        asked = parse_qs(scope["query_string"].decode("latin-1")).get("key", [""])[0]
        if asked and hmac.compare_digest(asked.encode(), self.access.key.encode()):
            response = RedirectResponse("/", 303)
            response.set_cookie(COOKIE, self.access.key, httponly=True, samesite="strict")
            return response
        given = headers.get("authorization", "").removeprefix("Bearer ")
        cookie = SimpleCookie(headers.get("cookie", "")).get(COOKIE)
        for candidate in (given, cookie.value if cookie else ""):
            if candidate and hmac.compare_digest(candidate.encode(), self.access.key.encode()):
                return None
        return problem(
            Problem(title="Key needed", status=403, detail="Open the address with ?key= and the access key.")
        )


async def _bounded_body(headers: Headers, receive: Receive) -> bytes | None:
    """The whole body, or None where it is over the limit."""
    declared = headers.get("content-length", "0")
    if declared.isdigit() and int(declared) > BODY_LIMIT:
        return None
    body = bytearray()
    while True:
        message = await receive()
        body += message.get("body", b"")
        if len(body) > BODY_LIMIT:
            return None
        if message["type"] != "http.request" or not message.get("more_body", False):
            return bytes(body)


def _replay(body: bytes, receive: Receive) -> Receive:
    sent = False

    async def replayed() -> Message:
        nonlocal sent
        if sent:
            return await receive()
        sent = True
        return {"type": "http.request", "body": body, "more_body": False}

    return replayed


def _with_security_headers(send: Send, nonce: str) -> Send:
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

    async def sending(message: Message) -> None:
        if message["type"] == "http.response.start":
            headers = MutableHeaders(scope=message)
            headers["content-security-policy"] = policy
            headers["x-content-type-options"] = "nosniff"
            headers["referrer-policy"] = "no-referrer"
            headers["cross-origin-opener-policy"] = "same-origin"
            headers["cross-origin-resource-policy"] = "same-origin"
            headers.setdefault("cache-control", "no-store")
        await send(message)

    return sending
