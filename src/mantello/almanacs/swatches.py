"""A cell of dress as a swatch: its colours, the words for it, and how it is known."""

from dataclasses import dataclass

from mantello_core.colour.spaces import hex_of
from mantello_core.uniforms.dye import target
from mantello_core.uniforms.garments import garments, title_of
from mantello_core.uniforms.phrase import Phrase
from mantello_core.uniforms.verdict import Verdict


@dataclass(frozen=True)
class Swatch:
    """One cell: its colours, the words for it, and how it is known."""

    garment: str
    title: str
    verdict: Verdict
    #: the ground, then what is joined to it
    colours: tuple[str, ...]

    @property
    def words(self) -> str:
        """What is worn, in words."""
        return self.verdict.value.words if self.verdict.value else "not told"


def swatch(verdict: Verdict, grade: str = "private") -> Swatch:
    """A verdict with its colours."""
    return Swatch(
        verdict.garment, title_of(verdict.garment), verdict, colours_of(verdict.value, verdict.garment, grade)
    )


def colours_of(phrase: Phrase | None, garment: str, grade: str = "private") -> tuple[str, ...]:
    """The colours of a phrase, the ground first, as cloth of a grade."""
    known = garments().get(garment)
    parts = phrase.parts if phrase and phrase.kind == "colour" else ()
    return tuple(
        hex_of(target(part.colour, grade, metal=bool(known and known.metal)).lab)
        for part in parts
        if not part.colour.refers_to
    )
