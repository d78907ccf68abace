"""What a page links to and what its forms send, read from its HTML."""

import re
from dataclasses import dataclass, field
from html.parser import HTMLParser

_DRAWING = re.compile(r"<svg\b.*?</svg>", re.DOTALL)
#: fields that every form of ours carries
OWN = ("csrfmiddlewaretoken", "token", "base")


@dataclass
class Form:
    """A form as it stands on a page."""

    action: str
    method: str
    #: what it sends as it stands, and the names of all that it could send
    sent: dict[str, str] = field(default_factory=dict)
    names: set[str] = field(default_factory=set)


class Page(HTMLParser):
    """The links and forms of a page."""

    def __init__(self, html: str):
        super().__init__()
        self.links: list[str] = []
        self.forms: list[Form] = []
        self._by_id: dict[str, Form] = {}
        self._open: Form | None = None
        #: the list that is open, as its form and name
        self._list: tuple[Form, str] | None = None
        # a drawing may be half of a page, and holds no form; what it links to is linked to beside it
        self.feed(_DRAWING.sub("", html))

    def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        """Read one element."""
        said = dict(attrs)
        if tag == "a" and said.get("href"):
            self.links.append(said["href"])
        elif tag == "form":
            self._open = Form(said.get("action") or "", (said.get("method") or "get").lower())
            self.forms.append(self._open)
            self._by_id[said.get("id") or ""] = self._open
        elif tag == "option" and self._list:
            form, name = self._list
            if "selected" in said or name not in form.sent:
                form.sent[name] = said.get("value") or ""
        elif tag in ("input", "select", "textarea", "button") and said.get("name"):
            self._field(tag, said)

    def handle_endtag(self, tag: str) -> None:
        """Close a form or a list."""
        if tag == "form":
            self._open = None
        elif tag == "select":
            self._list = None

    def _field(self, tag: str, said: dict[str, str | None]) -> None:
        form = self._by_id.get(said["form"]) if said.get("form") else self._open
        name = said["name"]
        if form is None or name in OWN:
            return
        form.names.add(name)
        if tag == "select":
            self._list = form, name
        elif said.get("type") != "file" and (said.get("type") not in ("checkbox", "radio") or "checked" in said):
            form.sent.setdefault(name, said.get("value") or "")
