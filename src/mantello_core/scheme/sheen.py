"""How each colour shines in the end: by its last broad coat, the army's varnish, and what is glossed after it."""

from ..recipes.step import Recipe
from .finishing import Finishing

#: share of an area from which a step decides how it shines
BROAD = 0.5
#: sheens from dull to bright, in words
SHEENS = {
    "matt": "matt", "satin": "satin", "gloss": "gloss", "metallic": "metal, bare", "satin metal": "metal under satin",
    "matt metal": "metal under matt: its flash is gone",
}  # fmt: skip


def sheen_of(recipe: Recipe, role_id: str, finishing: Finishing, *, metals_after: bool) -> str:
    """One of ``SHEENS``; '' without a recipe. metals_after: whether metals are laid on the army's varnish."""
    broad = [step for step in recipe.steps if step.share >= BROAD or step.kind in ("base", "stain")]
    if not broad:
        return ""
    metal = any(step.mix.film.flake for step in broad)
    if role_id in finishing.shiny:
        return "gloss"
    last = finishing.varnish
    if metal and (not last or metals_after or last == "gloss"):
        return "metallic"
    if metal:
        return f"{last} metal"
    if last:
        return last
    own = [pot.finish for pot in broad[-1].mix.paints]
    return max((finish for finish in own if finish in SHEENS), key=own.count, default="matt")
