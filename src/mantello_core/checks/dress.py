"""Whether a dress of sources is worn as the sources say: what is open, of the wrong year, off its word, mistaken for another."""

from collections.abc import Iterator

from ..design.dressing import lost_cells, with_cells_first
from ..recipes.handwork import USUAL_HEIGHT
from ..uniforms.bibliography import anachronisms
from ..uniforms.distinction import mistaken
from ..uniforms.dress import Dress
from ..uniforms.dye import GRADES, target
from ..uniforms.garments import title_of
from .finding import Check, Finding, Fix
from .look import Look


def sources(look: Look) -> Check:
    """Garments of which nobody tells or of which sources disagree, and what is not of the year."""
    found = tuple(_open(look)) + tuple(_years(look)) if _asked(look) else ()
    strict = bool(look.design.scheme.dress and look.design.scheme.dress.accuracy == "strict")
    verdict = "clear" if not found else "wrong" if strict else "look"
    rule = "Every garment of a dress has a source that speaks of its year, and no other as firm that says otherwise."
    return Check(
        "dress-sources", "Dress and its sources", verdict, _worst(found, "every garment has its source"), found, rule
    )


def words(look: Look) -> Check:
    """Roles that lie farther from their colour word than the word reaches."""
    found = tuple(sorted(_off_words(look), key=lambda one: -one.number)) if _asked(look) else ()
    rule = "A role is within the reach of its colour word, for the cloth of the rank that wears it."
    worst = _worst(found, "every colour is faithful to its word")
    return Check("dress-words", "Colours and their words", "look" if found else "clear", worst, found, rule)


def losses(look: Look) -> Check:
    """Garments that other rules keep from being worn as the sources say; departures with a reason are none."""
    found = tuple(_lost(look)) if _asked(look) else ()
    dress = look.design.scheme.dress
    strict = bool(dress and dress.accuracy == "strict")
    rule = "What the sources say is worn, unless it was left to other rules for a reason."
    verdict = "clear" if not found else "wrong" if strict else "look"
    return Check(
        "dress-losses", "Dress that is not worn", verdict, _worst(found, "the dress is worn throughout"), found, rule
    )


def alike(look: Look) -> Check:
    """Formations of the army whose regiments would be mistaken for each other at its size and distance."""
    found = tuple(_mistaken(look)) if _asked(look) else ()
    rule = "Regiments of one arm differ in a mark that reads at the army's size and distance."
    worst = _worst(found, "every regiment is told apart")
    return Check("dress-alike", "Regiments told apart", "look" if found else "clear", worst, found, rule)


def _asked(look: Look) -> bool:
    """Whether the painter wants to hear of it: a free dress stays silent."""
    return look.design.scheme.dress is not None and look.design.scheme.dress.accuracy != "free"


def _worst(found: tuple[Finding, ...], calm: str) -> str:
    return found[0].what if found else calm


def _dress(look: Look) -> Dress:
    dress = look.design.scheme.dress
    assert dress is not None
    return dress


def _open(look: Look) -> Iterator[Finding]:
    army = look.design.army
    for node, verdict in _dress(look).open:
        said = "nobody tells" if verdict.status == "open" else "sources disagree"
        garment = title_of(verdict.garment).lower()
        yield Finding(
            f"{army.title(node)}, {garment}: {said}", f"{verdict.status}|{node}|{verdict.garment}", number=1.0
        )


def _years(look: Look) -> Iterator[Finding]:
    dress, army = _dress(look), look.design.army
    for node, who in dress.worn:
        for about, said in anachronisms(dress.almanac, who, dress.year):
            if len(about) == 1:
                yield Finding(f"{army.title(node)}, {said[0].lower()}{said[1:]}", f"year|{node}|{about[0]}", number=1.0)


def _off_words(look: Look) -> Iterator[Finding]:
    scheme, dress = look.design.scheme, _dress(look)
    tiers = {one.tier for one in look.resolution.classes if any(cell.role for cell in one.cells.values())}
    for one in dress.roles:
        if one.tone or one.role not in scheme.role_by_id:
            continue
        for tier, grade in GRADES.items():
            shown = look.resolution.showing_most(one.role, tier) if tier in tiers else None
            predicted = scheme.predicted(scheme.recipe(one.role, tier)) if shown and shown.tier == tier else None
            if predicted is None or not predicted.coats:
                continue
            aim = target(one.colour, grade, metal=one.metal)
            off = aim.off(predicted.tones.flats)
            if off > aim.radius:
                said = f"{scheme.role(one.role).name}, {grade}'s cloth: {off:.0f} off '{one.colour.words}', which reaches {aim.radius:.0f}"
                yield Finding(said, f"{one.role}|{one.colour.words}|{tier}", number=off - aim.radius)


def _lost(look: Look) -> Iterator[Finding]:
    army = look.design.army
    for one in lost_cells(look.design, look.resolution):
        cell = one.cell
        where = "nowhere" if not one.wins else f"on {one.wins} of {one.wins + one.loses} areas"
        said = f"{army.title(cell.node)}{f', {cell.rank}' if cell.rank else ''}, {title_of(cell.garment).lower()}: worn {where}"
        fix = Fix(
            "Wear it before the written rules", lambda design, key=cell.key: with_cells_first(design, (key,))
        ) if cell.key not in _dress(look).first else None  # fmt: skip
        yield Finding(said, cell.key, number=float(one.loses), mending=fix)


def _mistaken(look: Look) -> Iterator[Finding]:
    dress, brief = _dress(look), look.design.brief
    height = brief.height_mm if brief else USUAL_HEIGHT
    who = tuple(dict.fromkeys(one for _, one in dress.worn))
    for pair in mistaken(dress.almanac, dress.year, height, look.far, who):
        said = f"{pair.first.called} and {pair.second.called}: {pair.words[0].lower()}{pair.words[1:]}"
        yield Finding(said, f"{pair.first.words}|{pair.second.words}", number=-pair.left)
