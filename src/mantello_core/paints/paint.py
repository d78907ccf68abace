"""A paint: the optics of its dry film, and how much of a wet drop stays as film."""

from dataclasses import dataclass, field, fields
from functools import cached_property

import numpy as np

from ..colour.film import opaque, over
from ..colour.pigment import optics_of
from ..colour.reflectance import BANDS, WAVELENGTHS, WEIGHTS, to_air, to_film, xyz_of
from ..colour.spaces import Lab, lab_of
from ..errors import OutOfRange

#: dry film of one neat brushed coat of a standard paint, µm
STANDARD_COAT = 12.0
#: share of a standard wet paint that stays as dry film
STANDARD_SOLIDS = 0.36
#: internal reflectance of the black and the white card
BLACK_CARD, WHITE_CARD = (np.full(BANDS, to_film(np.float64(seen))) for seen in (0.02, 0.88))
#: contrast ratio of one neat coat at which each opacity class ends
OPACITY_CLASSES = (
    (0.25, "transparent"),
    (0.55, "semi-transparent"),
    (0.85, "semi-opaque"),
    (0.97, "opaque"),
    (9.9, "very opaque"),
)
#: what a paint is for, and in words; the order is the order on the shelf
PAINT_KINDS = {
    "acrylic": "acrylic",
    "air": "airbrush acrylic",
    "metallic": "metallic",
    "wash": "wash",
    "stain": "one-coat stain",
    "ink": "ink or glaze",
    "medium": "medium",
    "spray": "aerosol",
    "varnish": "varnish",
    "enamel": "enamel",
    "oil": "oil",
    "powder": "pigment powder",
    "texture": "texture paste",
}
#: how stiff a paint is: dilution it wants for a layer, parts of water to one of paint
BODIES = {"heavy": 1.0, "medium": 0.5, "thin": 0.0}
#: kinds whose body is not the pot's own matter
_BODY_OF = {"acrylic": "heavy", "oil": "heavy", "texture": "heavy", "metallic": "medium", "enamel": "medium"}


@dataclass(frozen=True)
class Flake:
    """A metal's directional reflectance: short- and long-wave level with an edge between (nm)."""

    low: float
    high: float
    edge: float
    width: float
    diffuse: float

    @cached_property
    def lobe(self) -> np.ndarray:
        """Directional reflectance in the sixteen bands."""
        return self.low + (self.high - self.low) / (1 + np.exp(-(WAVELENGTHS - self.edge) / self.width))


@dataclass(frozen=True, eq=False)
class Film:
    """The optics of what is brushed on: a paint, or a mix of paints. Per µm of dry film."""

    absorption: np.ndarray
    scattering: np.ndarray
    #: share of the wet volume that stays
    solids: float
    flake: Flake | None = None
    #: share of the solids that the metal makes up, where there is one
    flake_share: float = 1.0

    @cached_property
    def contrast(self) -> float:
        """Contrast ratio of one neat coat: Y over black card by Y over white card."""
        if self.flake:
            return 0.95
        dark, light = (
            float((to_air(over(self.absorption, self.scattering, STANDARD_COAT, card)) @ WEIGHTS)[1])
            for card in (BLACK_CARD, WHITE_CARD)
        )
        return dark / light

    @property
    def opacity(self) -> str:
        """Opacity class by contrast ratio."""
        return next(name for limit, name in OPACITY_CLASSES if self.contrast < limit)

    @cached_property
    def masstone(self) -> Lab:
        """Colour of the opaque film (for a metal, its flake seen at a middling angle)."""
        if self.flake:
            seen = to_air(np.full(BANDS, self.flake.diffuse)) + 0.92 * 0.9 * self.flake.lobe
            return lab_of(xyz_of(seen))
        return lab_of(xyz_of(to_air(opaque(self.absorption, self.scattering))))

    def thickness(self, dilution: float = 0.0) -> float:
        """Dry µm of one brushed coat at ``dilution`` parts of water or clear medium to one of paint."""
        return STANDARD_COAT * self.solids / STANDARD_SOLIDS / (1 + dilution)


@dataclass(frozen=True)
class Paint:
    """A pot on the shelf. Its id says which it is: a range holds each once, an own paint's is made from all that is said of it."""

    id: str
    name: str = field(compare=False)
    range: str = field(compare=False)
    kind: str = field(compare=False)
    #: pigment code to share of the dry film's volume
    pigments: dict[str, float] = field(default_factory=dict, compare=False)
    solids: float = field(default=STANDARD_SOLIDS, compare=False)
    #: factor on scattering: inks 0.4, washes 0.7
    fineness: float = field(default=1.0, compare=False)
    flake: Flake | None = field(default=None, compare=False)
    #: matt, satin, gloss or metallic
    finish: str = field(default="matt", compare=False)
    #: ml in the pot
    volume: float = field(default=17.0, compare=False)
    #: aerosol can or airbrush bottle: needs a place where spraying is possible
    sprayed: bool = field(default=False, compare=False)
    #: hazard ids whose caution is shown where this is used
    hazards: tuple[str, ...] = field(default=(), compare=False)
    #: heavy, medium or thin; as usual for its kind if empty
    body: str = field(default="", compare=False)
    #: the pot that this aerosol is sold as the twin of
    twin: str = field(default="", compare=False)
    #: absorption and scattering per µm in the sixteen bands, of a paint that is known by readings and not by pigments
    optics: tuple[tuple[float, ...], tuple[float, ...]] | None = field(default=None, compare=False)

    #: the colour of its swatch as a painter gave it; None where it follows from the optics
    label: Lab | None = field(default=None, compare=False)
    #: what a painter said of an own paint (``own.OwnPaint``); None for those of a range
    said: object = field(default=None, compare=False)

    def __post_init__(self):
        if not self.body:
            object.__setattr__(self, "body", _BODY_OF.get(self.kind, "thin"))

    @cached_property
    def film(self) -> Film:
        """The optics of its dry film."""
        pair = [np.array(one) for one in self.optics] if self.optics else optics_of(self.pigments, self.fineness)
        return Film(*pair, self.solids, self.flake)

    @property
    def thinned(self) -> float:
        """Parts of water to one of paint for a layer: what its body wants."""
        return BODIES[self.body]

    @property
    def kind_words(self) -> str:
        """Its kind, as a painter calls it."""
        return PAINT_KINDS[self.kind]

    @property
    def mixable(self) -> bool:
        """Whether it is mixed on a palette: flat colours are, a metal stands alone, what only tints or seals does not."""
        return self.kind in ("acrylic", "air", "ink")

    @property
    def covers(self) -> bool:
        """Whether it can stand for a colour: flat, or a metal by its flake."""
        return self.mixable or self.kind == "metallic"

    @property
    def transparent(self) -> bool:
        """Whether its ground is meant to show through: its swatch is a film over white."""
        return self.kind in ("wash", "stain", "ink") or (self.kind == "enamel" and self.solids < STANDARD_SOLIDS)

    @cached_property
    def swatch(self) -> Lab:
        """The colour on its label: opaque, or as a film over white where it is transparent."""
        if self.label is not None:
            return self.label
        if self.transparent:
            seen = to_air(over(self.film.absorption, self.film.scattering, self.film.thickness(), WHITE_CARD))
            return lab_of(xyz_of(seen))
        return self.film.masstone


def mixed(parts: list[tuple[Film, float]]) -> Film:
    """The film of a mix.

    parts: each film with its drops; weights are dry volumes, drops times solids.
    Metals in the mix lend their flake, averaged, by their share of the solids.
    Raises: OutOfRange if there is nothing in it or a part is not positive.
    Source: Duncan 1940, Proc. Phys. Soc. 52, 390: K and S add by volume. Flake by share is an estimate.
    """
    if not parts or any(drops <= 0 for _, drops in parts):
        raise OutOfRange(f"A mix needs positive parts; it has {[drops for _, drops in parts]}.")
    weights = [drops * film.solids for film, drops in parts]
    total = sum(weights)
    share = [weight / total for weight in weights]
    metals = [(film, part * film.flake_share) for (film, _), part in zip(parts, share, strict=True) if film.flake]
    return Film(
        sum(part * film.absorption for (film, _), part in zip(parts, share, strict=True)),
        sum(part * film.scattering for (film, _), part in zip(parts, share, strict=True)),
        total / sum(drops for _, drops in parts),
        _flake(metals),
        sum(part for _, part in metals) if metals else 1.0,
    )


def _flake(metals: list[tuple[Film, float]]) -> Flake | None:
    if len(metals) < 2:
        return metals[0][0].flake if metals else None
    whole = sum(part for _, part in metals)
    names = [one.name for one in fields(Flake)]
    return Flake(**{name: sum(getattr(film.flake, name) * part for film, part in metals) / whole for name in names})
