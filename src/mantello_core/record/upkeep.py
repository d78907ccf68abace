"""What the work does to the bench: brushes that wear, cans that empty, mixes that age on the palette, metals to find again."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta

from ..scheme.cascade import Resolution
from ..scheme.scheme import Scheme

#: hours at the brush after which a tool is looked at, by a word of its name; estimates, the first that fits counts
_LIVES = (
    ("finest", 25.0),
    ("good tip", 40.0),
    ("fine round", 40.0),
    ("old", 200.0),
    ("sponge", 10.0),
    ("bud", 10.0),
    ("aerosol", 0.4),
    ("brush", 70.0),
)
_OTHER = 100.0
#: metal flakes and stippling wear a tip faster
_HARD = 1.5
#: days a mix stays usable on a wet palette, by kind of paint; estimates
_DAYS = {"oil": 5.0, "enamel": 0.5, "metallic": 1.0, "varnish": 0.2, "spray": 0.0}
_ACRYLIC_DAYS = 3.0


@dataclass(frozen=True)
class Use:
    """One logged step: tool, minutes, paints and when."""

    tool: str
    kind: str
    minutes: float
    mix: str
    #: ids of its paints, and their kinds as far as they are known
    paints: tuple[str, ...]
    kinds: tuple[str, ...]
    done_at: datetime


@dataclass(frozen=True)
class Wear:
    """One tool: hours it was used, and the hours after which it is looked at."""

    tool: str
    hours: float
    life: float

    @property
    def share(self) -> float:
        """Used share of its life; over 1 it is due."""
        return self.hours / self.life

    @property
    def advice(self) -> str:
        """What to do."""
        if self.share < 0.8:
            return ""
        if "aerosol" in self.tool:
            return "shake and weigh the can; have another at hand"
        return "look at the tip; keep it for drybrushing and texture, and take a new one for fine work"


@dataclass(frozen=True)
class Leftover:
    """A mix on the palette: when it was last used and until when it matches itself."""

    mix: str
    paints: tuple[str, ...]
    used_at: datetime
    until: datetime


@dataclass(frozen=True)
class MetalPlace:
    """One metal: its role, the paints of base, shade and highlight, and the areas it is on."""

    role: str
    paints: tuple[str, ...]
    areas: tuple[str, ...]
    figures: int
    role_id: str


def wears(uses: Iterable[Use]) -> tuple[Wear, ...]:
    """Hours of every tool, the most worn first. Metals and stippling count half as much again."""
    hours: dict[str, float] = {}
    for use in uses:
        hard = use.kind in ("stipple", "drybrush") or "metallic" in use.kinds
        hours[use.tool] = hours.get(use.tool, 0.0) + use.minutes / 60 * (_HARD if hard else 1)
    found = [
        Wear(tool, sum_, next((life for word, life in _LIVES if word in tool), _OTHER)) for tool, sum_ in hours.items()
    ]
    return tuple(sorted(found, key=lambda one: -one.share))


def mix_life(kinds: Iterable[str]) -> timedelta:
    """How long a mix of paints of some kinds stays usable on a wet palette: as long as the shortest-lived of them. An estimate."""
    return timedelta(days=min((_DAYS.get(kind, _ACRYLIC_DAYS) for kind in kinds), default=_ACRYLIC_DAYS))


def leftovers(uses: Iterable[Use], now: datetime, since: timedelta = timedelta(days=14)) -> tuple[Leftover, ...]:
    """Mixes of two paints and more that were used lately, the latest first. A mix lives as long as its shortest paint."""
    last: dict[str, Use] = {}
    for use in uses:
        if (
            len(use.paints) > 1
            and use.done_at > now - since
            and (use.mix not in last or last[use.mix].done_at < use.done_at)
        ):
            last[use.mix] = use
    found = [
        Leftover(use.mix, use.paints, use.done_at, use.done_at + mix_life(use.kinds))
        for use in last.values()
    ]  # fmt: skip
    return tuple(sorted(found, key=lambda one: one.used_at, reverse=True))


def metal_places(scheme: Scheme, resolution: Resolution, words: Sequence[str] = ()) -> tuple[MetalPlace, ...]:
    """Every role painted with metal and where it is; with words, only those whose areas, role or paints have them all."""
    found = []
    for role in scheme.roles:
        steps = role.recipe().steps
        if not any(pot.kind == "metallic" for step in steps for pot in step.mix.paints):
            continue
        areas: dict[str, int] = {}
        figures = 0
        for one in resolution.classes:
            mine = [name for name, cell in one.cells.items() if cell.role == role.id]
            figures += len(one.ordinals) if mine else 0
            for name in mine:
                areas[name] = areas.get(name, 0) + len(one.ordinals)
        paints = tuple(dict.fromkeys(f"{step.kind}: {step.mix.words}" for step in steps))
        text = " ".join([role.name, *paints, *areas]).casefold()
        if all(word.casefold() in text for word in words):
            shown = tuple(sorted(areas, key=lambda name: -areas[name]))
            found.append(MetalPlace(role.name, paints, shown, figures, role.id))
    return tuple(found)
