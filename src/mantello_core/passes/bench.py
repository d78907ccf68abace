"""Work at the bench that no paint is for: choosing, gluing, grit, tidying, a last look, the move to the base, photographs."""

from collections.abc import Iterable
from dataclasses import replace

from ..figures.vocabulary import group_of
from ..recipes.hazard import hazard_words
from ..scheme.assembly import Assembly, cleaning_of, glue_for, joint_glue, wrong_glue
from ..scheme.cascade import FigureClass
from ..scheme.finishing import Finishing
from .piece import BENCH, Piece, hand_piece


def bench_pieces(finishing: Finishing, one: FigureClass) -> Iterable[Piece]:
    """What a figure gets at the bench, as far as the finish asks for it."""
    assembly = finishing.assembly
    base = tuple(area for area in one.plate.areas if group_of(area) == "Base")
    if assembly.planned:
        yield _bench("choose", "Choose options and what stays loose", "choose")
        yield _gluing(assembly)
    if assembly.grit and base:
        if assembly.grit == "first":
            yield replace(_bench("prime-base", "Prime the base", "prime-base"), areas=base)
        phase = "prepare" if assembly.grit == "first" else ""
        yield replace(_bench("grit", "Grit on the base", "texture"), areas=base, phase=phase)
    if assembly.temporary and base:
        yield _bench("mount", "Onto a temporary base", "mount")
        yield _bench("move", "Move to the base", "move", **_held(assembly))
    if finishing.mend:
        yield _bench("mend", "Mend the undercoat", "mend")
    if finishing.tidy:
        yield _bench("tidy", "Tidy before it is sealed", "tidy")
    if finishing.look and finishing.varnish:
        yield _bench("look", "Last look before the varnish", "look")
    if finishing.bases and base:
        yield replace(_bench("bases", "Bases looked over", "bases"), areas=base, **_base_points(finishing))
    if finishing.photograph:
        yield _bench("photograph", "Photograph it", "photograph")


def _base_points(finishing: Finishing) -> dict[str, str]:
    """What there is to look for on a base of this finish."""
    points = ["the rim in one even colour all round", "feet and ground touched up where they met"]
    if finishing.basing.magnets:
        points.append("the magnet flush, and pulling the same way as the marked one")
    if finishing.basing.plants:
        dulled = finishing.varnish in ("matt", "satin") and finishing.varnish_last
        points.append("no glue that shines between plants" + ("" if dulled else ", or a touch of matt varnish on it"))
    return {"words": f"Turn it once round: {', '.join(points[:-1])}, and {points[-1]}."}


def join_words(assembly: Assembly) -> dict[str, object]:
    """What joining parts of an army's material asks for, as fields of a piece: words, caution, seconds until it holds."""
    glue = joint_glue(assembly)
    words = (
        f"Scrape paint off both faces of the joint, dry-fit. {glue.name.capitalize()}: {glue.words} Touch up the seam."
    )
    wrong = wrong_glue(assembly)
    return {
        "words": f"{words} {wrong}".strip(), "drying": glue.sets * 60.0, "caution": hazard_words((*glue.hazards, "H-14")),
    }  # fmt: skip


def _bench(id_: str, name: str, bench: str, **changed) -> Piece:
    """A piece of a kind of handwork. Its id has a sign that no pass of a painter's may have in its."""
    return replace(hand_piece(f"bench.{id_}", id_, name, BENCH), bench=bench, **changed)


def _gluing(assembly: Assembly) -> Piece:
    cleaning, glue = cleaning_of(assembly.material), joint_glue(assembly)
    words = f"{cleaning.words} {glue.name.capitalize()}: {glue.words} {wrong_glue(assembly)}".strip()
    return _bench(
        "glue", "Clean and glue", "glue", seconds=cleaning.seconds, drying=glue.sets * 60.0, words=words,
        caution=hazard_words(dict.fromkeys((*cleaning.hazards, *glue.hazards))),
    )  # fmt: skip


def _held(assembly: Assembly) -> dict[str, object]:
    """How a figure is fixed on its base for good."""
    glue = glue_for(assembly.material, assembly.base)
    return {"drying": glue.sets * 60.0, "caution": hazard_words(glue.hazards)}
