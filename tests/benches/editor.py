"""One simulated editor: a browser of few words, which opens pages, edits, and works at the desk."""

import http.client
import re
import time
import uuid
from dataclasses import dataclass, field
from urllib.parse import urlencode

#: seconds after which a page that waits is asked for again, as its script does: each time twice as many, up to the last
_AGAIN, _LATEST = 0.25, 2.0


@dataclass
class Editor:
    """A painter's browser."""

    port: int
    session: str
    army: int
    #: (what, seconds, status, moment it was sent) of every request; status 0 for none that came
    told: list[tuple[str, float, int, float]] = field(default_factory=list)
    _csrf: str = "a" * 32
    #: what a change said, for the page that is shown next
    _said: str = ""
    _line: http.client.HTTPConnection | None = None

    def get(self, what: str, path: str) -> str:
        """A page."""
        return self._ask(what, "GET", path)[1]

    def post(self, what: str, path: str, **said) -> int:
        """A form sent; its status, 0 if no answer came."""
        body = urlencode({"csrfmiddlewaretoken": self._csrf} | said, doseq=True)
        return self._ask(what, "POST", path, body)[0]

    def round(self, number: int) -> None:
        """Open Scheme, edit, table, desk, done."""
        room = f"/armies/{self.army}/"
        page = self.get("scheme", f"{room}scheme/")
        base = re.search(r'data-base="(\d+)"', page)
        node = re.search(r"/armies/\d+/nodes/([\w-]+)/", page) or re.search(r"node=([\w-]+)", page)
        if base:
            self.post(
                "edit",
                f"{room}nodes/{node[1] if node else 'army'}/change/",
                base=base[1],
                name=f"Force {number}",
                kind="",
                token=uuid.uuid4(),
            )
        self.get("table", f"{room}scheme/table/")
        desk = self.get("desk", f"{room}desk/")
        batch, figures = (
            re.search(r'name="batch" value="([^"]+)"', desk),
            re.findall(r'name="figure" value="([^"]+)" checked', desk),
        )
        token, base = re.search(r'name="token" value="([^"]+)"', desk), re.search(r'data-base="(\d+)"', desk)
        if batch and base:
            self.post(
                "done",
                f"{room}desk/done/",
                base=base[1],
                batch=batch[1],
                token=token[1],
                figure=figures[:3],
                minutes="3",
            )

    def _ask(self, what: str, method: str, path: str, body: str | None = None) -> tuple[int, str]:
        """The answer that is no page that waits, with the time until it was there."""
        since = time.monotonic()
        status, text, waits = self._answer(method, path, body)
        pause = _AGAIN
        while waits:
            time.sleep(pause)
            pause = min(_LATEST, 2 * pause)
            status, text, waits = self._answer(method, path, body)
        self.told.append((what, time.monotonic() - since, status, since))
        return status, text

    def _answer(self, method: str, path: str, body: str | None) -> tuple[int, str, bool]:
        """Status and text of an answer, and whether it is a page that waits; 0 and nothing if none came."""
        cookies = f"sessionid={self.session}; csrftoken={self._csrf}; {self._said}"
        headers = {"Cookie": cookies, "Host": f"127.0.0.1:{self.port}", "Accept": "text/html"}
        if body is not None:
            headers |= {"Content-Type": "application/x-www-form-urlencoded"}
        for again in range(2):
            try:
                self._line = self._line or http.client.HTTPConnection("127.0.0.1", self.port, timeout=60)
                self._line.request(method, path, body, headers)
                answer = self._line.getresponse()
                text = answer.read().decode("utf-8", "replace")
                given = [one for one in answer.headers.get_all("Set-Cookie", ()) if one.startswith("messages=")]
                self._said = given[-1].split(";")[0] if given else self._said
                return answer.status, text, answer.status == 202 and "Retry-After" in answer.headers
            except (OSError, http.client.HTTPException):
                self._line = None
                if method == "POST" or again:
                    break
        return 0, "", False
