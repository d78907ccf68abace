"""What is ordered for all in the field and worn over the dress: greatcoats, and covers on the headgear.

One word for a whole regiment: the formation that wears a dress decides for everything below it, companies with a dress of
their own included.
"""

from collections.abc import Iterator
from dataclasses import dataclass

from ..army.tree import Army
from ..figures.plate import Plate
from ..uniforms.campaign import ordered
from ..uniforms.colour_word import ColourWord
from ..uniforms.dress import Dress
from ..uniforms.garments import garments


@dataclass(frozen=True)
class WornOver:
    """A thing worn over: what it is called, its tone's name among a dress's roles, its colour where no source tells it."""

    garment: str
    title: str
    tone: str
    usual: ColourWord
    #: parts of a figure that it hides, those of them that still show, and materials it hides of them
    hides: tuple[str, ...]
    shows: tuple[str, ...] = ()


#: cap covers are of oiled linen, black as the tar in it; greatcoats of undyed or grey wool where nothing is told
OVER = (
    WornOver(
        "greatcoat", "Greatcoats", "greatcoat", ColourWord("grey"), ("torso.coat", "arm", "cloak"), ("buttons", "buckle", "bracer")
    ),
    WornOver("hat", "Cap covers", "cover", ColourWord("black"), ("head.hat",), ("peak", "chinstrap", "eye")),
)  # fmt: skip
_CLOTH = frozenset({"cloth", "fur", "rope"})


def ordered_over(dress: Dress, army: Army) -> dict[str, tuple[WornOver, ...]]:
    """Formations that wear a dress by themselves, with what is ordered on for all of each; none without a campaign."""
    if dress.campaign is None:
        return {}
    worn = {node for node, _ in dress.worn if node in army.nodes}
    tops = [node for node, _ in dress.worn if node in worn and not worn.intersection(army.paths[node][:-1])]
    return {
        node: tuple(one for one in OVER if ordered(dress.campaign, node, one.garment)) for node in dict.fromkeys(tops)
    }


def painted_over(dress: Dress, army: Army) -> dict[str, tuple[WornOver, ...]]:
    """Every formation with what its models wear over the dress and is painted; none where it is only told."""
    if dress.campaign is None or not dress.campaign.over:
        return {}
    return {
        below.id: things
        for node, things in ordered_over(dress, army).items()
        if things
        for below in army.nodes[node].walk()
    }


def hidden_areas(plate: Plate, thing: WornOver) -> tuple[str, ...]:
    """Areas of a figure that a thing worn over hides, and that are painted in its colour."""
    hat = thing.garment == "hat"
    return tuple(
        name
        for name, area in plate.areas.items()
        if any(name == part or name.startswith(f"{part}.") for part in thing.hides)
        and not any(step in thing.shows for step in name.split("."))
        and (hat or area.material in _CLOTH)
    )


def hidden_garment(garment: str, thing: WornOver) -> bool:
    """Whether all of a garment is under what is worn over it."""
    return all(
        any(select == part or select.startswith(f"{part}.") for part in thing.hides)
        and select.rpartition(".")[2] not in thing.shows
        for select in (one.removeprefix("=") for one in garments()[garment].select)
    )


def colour_over(dress: Dress, node: str, thing: WornOver) -> tuple[ColourWord, bool]:
    """The colour of a thing worn over for a formation, and whether a source tells it."""
    told = next(
        (one.colour for one in dress.cells if (one.node, one.garment, one.rank) == (node, thing.tone, "")), None
    )
    return (told, True) if told else (thing.usual, False)


def colours_over(dress: Dress, army: Army) -> Iterator[tuple[WornOver, ColourWord, str]]:
    """Each colour that is painted over the dress once, with the formation it is first worn by."""
    seen = set()
    if dress.campaign is None or not dress.campaign.over:
        return
    for node, things in ordered_over(dress, army).items():
        for thing in things:
            colour, _ = colour_over(dress, node, thing)
            if (thing.tone, colour) not in seen:
                seen.add((thing.tone, colour))
                yield thing, colour, node
