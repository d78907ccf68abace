"""What the field did to single figures that no colour tells: patches, and things that are missing."""

from ..army.tree import Army
from ..uniforms.campaign import OPTIONS, option_of
from ..uniforms.dress import Dress
from ..uniforms.dye import GRADES
from ..uniforms.garments import garments, title_of
from .selector import areas_named
from .worn_over import hidden_garment, painted_over


def left_to_knife(dress: Dress, army: Army, unit_id: str) -> dict[tuple[str, int], tuple[str, ...]]:
    """Figures of a unit, as (rank, ordinal), with what is to be cut off or patched on each; none without a campaign.

    What a figure does not have, or wears hidden, is not told of it.
    """
    path = army.paths[unit_id]
    worn = [node for node, _ in dress.worn if node in path]
    if dress.campaign is None or not worn:
        return {}
    node = max(worn, key=path.index)
    over = painted_over(dress, army).get(node, ())
    found: dict[tuple[str, int], tuple[str, ...]] = {}
    for rank in army.nodes[unit_id].ranks:
        plate, grade = army.plate(rank.type), GRADES[rank.tier]
        here = [
            garment
            for garment in OPTIONS
            if areas_named(plate, garments()[garment].select) and not any(hidden_garment(garment, one) for one in over)
        ]
        for ordinal in range(1, rank.figures + 1):
            said = tuple(
                f"{'no' if option == 'missing' else option} {title_of(garment).lower()}"
                for garment in here
                if (option := option_of(dress.campaign, garment, grade, node, f"{unit_id}/{rank.id}", ordinal)[0])
                in ("patched", "missing")
            )
            if said:
                found[rank.id, ordinal] = said
    return found
