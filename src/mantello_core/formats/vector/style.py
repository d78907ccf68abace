"""What is said of an element's look: by attributes, by rules for classes, by its style, by what it lies in.

Source: Scalable Vector Graphics 2, chapter 6; Cascading Style Sheets 2.1, chapter 6.
"""

from dataclasses import dataclass, replace
from xml.etree.ElementTree import Element

import cssselect2
import tinycss2

#: properties that are read
_KNOWN = {
    "fill", "fill-opacity", "fill-rule", "clip-rule", "opacity", "display", "visibility", "transform", "transform-origin", "transform-box", "clip-path",
    "mask", "filter", "stroke", "overflow", "x", "y", "width", "height", "rx", "ry", "r", "cx", "cy", "d",
}  # fmt: skip
#: those that what lies within takes over
_INHERITED = ("fill", "fill-opacity", "fill-rule", "clip-rule", "visibility")
#: the most rules of a style sheet
_MOST_RULES = 2_000


@dataclass(frozen=True)
class Look:
    """What a shape takes over from all it lies in."""

    fill: str = "black"
    fill_opacity: float = 1.0
    fill_rule: str = "nonzero"
    clip_rule: str = "nonzero"
    visible: bool = True
    #: of all it lies in, multiplied
    opacity: float = 1.0
    #: whether it is drawn at all
    shown: bool = True

    @property
    def filled(self) -> bool:
        """Whether anything of a fill can be seen."""
        return self.fill not in ("none", "transparent") and self.fill_opacity > 0 and not _clear(self.fill)


class Styles:
    """The rules of a file's style sheets, asked element by element."""

    def __init__(self, root: Element):
        self._matcher = cssselect2.Matcher()
        self._count = 0
        for sheet in root.iter("style"):
            for rule in tinycss2.parse_stylesheet(sheet.text or "", skip_comments=True, skip_whitespace=True):
                self._add(rule)
        self._found: dict[Element, dict[str, str]] = {}
        if self._count:
            for wrapped in cssselect2.ElementWrapper.from_xml_root(root).iter_subtree():
                said: dict[str, str] = {}
                for *_, (_, declared) in self._matcher.match(wrapped):
                    said |= declared
                if said:
                    self._found[wrapped.etree_element] = said

    def _add(self, rule) -> None:
        media = rule.type == "at-rule" and rule.at_keyword == "media" and rule.content
        if media and not tinycss2.serialize(rule.prelude).strip().lower().startswith("print"):
            for one in tinycss2.parse_rule_list(rule.content, skip_comments=True, skip_whitespace=True):
                self._add(one)
        if rule.type != "qualified-rule" or self._count >= _MOST_RULES:
            return
        try:
            selectors = cssselect2.compile_selector_list(_lowered(tinycss2.serialize(rule.prelude)))
        except cssselect2.SelectorError:
            return
        self._count += 1
        declared = _declared(rule.content)
        for selector in selectors:
            self._matcher.add_selector(selector, (self._count, declared))

    def said(self, element: Element) -> dict[str, str]:
        """Every property that is said of an element itself, the strongest word for each."""
        said = {key: value.strip() for key, value in element.attrib.items() if key in _KNOWN}
        said |= self._found.get(element, {})
        if style := element.get("style"):
            said |= _declared(tinycss2.parse_blocks_contents(style, skip_comments=True, skip_whitespace=True))
        return said


def within(look: Look, said: dict[str, str]) -> Look:
    """The look of an element that lies in something of a look, given what is said of it."""
    taken = {}
    for name in _INHERITED:
        value = said.get(name, "inherit").lower()
        if value == "inherit":
            continue
        if name == "visibility":
            taken["visible"] = value == "visible" or (value not in ("hidden", "collapse") and look.visible)
        elif name == "fill-opacity":
            taken["fill_opacity"] = _share(value)
        else:
            taken[name.replace("-", "_")] = "black" if value in ("initial", "unset") and name == "fill" else value
    opacity = look.opacity * _share(said.get("opacity", "1"))
    shown = look.shown and said.get("display", "inline").lower() != "none" and opacity > 0
    return replace(look, opacity=opacity, shown=shown, **taken)


def _declared(content) -> dict[str, str]:
    """Declarations of a rule or style; what is said to be important wins within it."""
    rules = (
        content
        if content and hasattr(content[0], "name")
        else tinycss2.parse_blocks_contents(content, skip_comments=True, skip_whitespace=True)
    )
    plain, important = {}, {}
    for one in rules:
        if one.type == "declaration" and one.lower_name in _KNOWN:
            value = tinycss2.serialize(one.value).strip()
            (important if one.important else plain)[one.lower_name] = value
    return plain | important


def _lowered(selector: str) -> str:
    """Selectors of elements in lower case, as the tree has them; classes and ids stay."""
    out = []
    for token in tinycss2.parse_component_value_list(selector):
        before = out[-1] if out else ""
        text = token.serialize()
        out.append(text.lower() if token.type == "ident" and before not in (".", ":") else text)
    return "".join(out)


def _share(text: str) -> float:
    try:
        value = float(text.removesuffix("%")) / (100 if text.endswith("%") else 1)
    except ValueError:
        return 1.0
    return min(1.0, max(0.0, value))


def _clear(fill: str) -> bool:
    """Whether a colour is written as wholly transparent."""
    text = fill.replace(" ", "")
    if text.startswith("#"):
        return (len(text) == 9 and text.endswith("00")) or (len(text) == 5 and text.endswith("0"))
    if text.startswith(("rgba(", "hsla(", "rgb(", "hsl(")):
        parts = text[text.index("(") + 1 : -1].replace("/", ",").split(",")
        return len(parts) == 4 and _share(parts[3]) == 0
    return False
