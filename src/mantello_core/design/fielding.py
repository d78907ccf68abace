"""An army's dress in the field: tones of its cloth, and local cloth, as roles of their own."""

from collections.abc import Iterator, Mapping
from dataclasses import replace

from ..colour.difference import difference
from ..colour.spaces import Lab
from ..errors import Contradiction
from ..paints.paint import Paint
from ..scheme.dress_rules import TONED
from ..scheme.worn_over import colours_over, hidden_garment, painted_over
from ..uniforms.campaign import AS_ISSUED, LOCAL, TONES, Campaign, checked_campaign, local_cloth, tone
from ..uniforms.colour_word import ColourWord
from ..uniforms.dress import Dress, DressCell, DressRole
from ..uniforms.dye import GRADES, Target, target
from .design import Design
from .dressing import new_role, tiers_worn
from .edit import with_scheme

#: CIEDE2000 below which a tone is not worth a pot of its own
_SEEN = 1.5


def with_campaign(
    design: Design,
    campaign: Campaign | None,
    mixes: Mapping[tuple[str, bool, str], Mapping[str, tuple[tuple[Paint, float], ...]]],
) -> Design:
    """The design's dress worn in the field, or as ordered with None. mixes: (colour words, metal, tone) to the paints of each
    tier's base, for the tones of the field.

    Raises: Contradiction without a dress, or for a tone without a mix; what ``checked_campaign`` refuses.
    """
    scheme, dress = design.scheme, design.scheme.dress
    if dress is None:
        raise Contradiction("Nothing wears a dress yet; put one on first.", "campaign")
    kept = tuple(one for one in dress.roles if not one.tone)
    if campaign is None:
        return with_scheme(design, replace(scheme, dress=replace(dress, campaign=None, roles=kept)))
    checked_campaign(campaign)
    known = {(one.colour, one.metal, one.tone): one.role for one in dress.roles if one.tone}
    roles = []
    for colour, metal, name, _ in field_tones(design, campaign):
        words = f"local {colour.words}" if name == "local" else f"{colour.words} {name}"
        made = mixes.get((colour.words, metal, name))
        role = known.get((colour, metal, name), "")
        if made:
            fresh = new_role(design, scheme, words, "campaign", made, tiers_worn(design.army, dress))
            if role in scheme.role_by_id:
                fresh = replace(fresh, id=role, name=scheme.role(role).name)
            scheme, role = scheme.with_role(fresh), fresh.id
        if role not in scheme.role_by_id:
            raise Contradiction(f"There is no mix for '{words}' yet; wait until one is worked out.", "campaign")
        roles.append(DressRole(colour, metal, role, name))
    worn = replace(dress, campaign=campaign, roles=(*kept, *roles))
    return with_scheme(design, replace(scheme, dress=worn))


def field_tones(design: Design, campaign: Campaign) -> Iterator[tuple[ColourWord, bool, str, dict[str, Target]]]:
    """The tones and local cloths that a campaign needs mixes for: word, metal, tone, and the target of each tier."""
    if design.scheme.dress is None:
        return
    dress = replace(design.scheme.dress, campaign=campaign)
    tiers = tiers_worn(design.army, dress)
    seen = set()
    over = painted_over(dress, design.army)
    for cell in dress.cells:
        if cell.garment not in TONED or cell.rank or (cell.colour, cell.metal) in seen:
            continue
        if any(hidden_garment(cell.garment, thing) for thing in over.get(cell.node, ())):
            continue
        seen.add((cell.colour, cell.metal))
        aims = {
            name: {
                tier: replace(
                    target(cell.colour, GRADES[tier], campaign.months, metal=cell.metal),
                    lab=_aimed(
                        dress, cell, tone(campaign, cell.colour, name, GRADES[tier], cell.node, metal=cell.metal)
                    ),
                )
                for tier in tiers
            }
            for name, _, _ in TONES
        }
        for name, aim in aims.items():
            if name == AS_ISSUED or _told_apart(aim, aims[AS_ISSUED]):
                yield cell.colour, cell.metal, name, aim
    for thing, colour, node in colours_over(dress, design.army):
        yield (
            colour,
            False,
            thing.tone,
            {
                tier: replace(
                    target(colour, GRADES[tier], campaign.months),
                    lab=tone(campaign, colour, AS_ISSUED, GRADES[tier], node),
                )
                for tier in tiers
            },
        )
    for name, _ in LOCAL:
        colour = ColourWord(name)
        yield (
            colour,
            False,
            "local",
            {
                tier: replace(target(colour, "private", campaign.months), lab=local_cloth(campaign, name, GRADES[tier]))
                for tier in tiers
            },
        )


def _aimed(dress: Dress, cell: DressCell, lab: Lab) -> Lab:
    """A tone moved as far as the painter's point for its word lies off the word's middle."""
    chosen, middle = dress.aimed(cell.colour, metal=cell.metal).lab, target(cell.colour, metal=cell.metal).lab
    return Lab(*(one + point - plain for one, point, plain in zip(lab, chosen, middle, strict=True)))


def _told_apart(aim: Mapping[str, Target], issued: Mapping[str, Target]) -> bool:
    """Whether a tone differs from the issued one on any tier by what an eye sees; undyed cloth hardly fades."""
    return any(difference(one.lab, issued[tier].lab) >= _SEEN for tier, one in aim.items())
