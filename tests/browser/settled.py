"""Waits until a page has nothing more to ask its server."""

from playwright.sync_api import Page, Request


class Settled:
    """Call it to wait until no request has been open for a second: longer than any pause before a question."""

    def __init__(self, page: Page) -> None:
        self.page, self.open = page, set[Request]()
        page.on("request", self._begins)
        page.on("requestfinished", self._ends)
        page.on("requestfailed", self._ends)

    def _begins(self, request: Request) -> None:
        self.open.add(request)

    def _ends(self, request: Request) -> None:
        self.open.discard(request)

    def __call__(self) -> None:
        quiet = 0
        for _ in range(600):
            self.page.wait_for_timeout(100)
            quiet = 0 if self.open else quiet + 1
            if quiet >= 10:
                return
        raise AssertionError("the page does not come to rest")
