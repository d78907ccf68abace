"""What is asked of a band of irregulars: figures in stands, their garments, and what each garment may be."""

from dataclasses import dataclass, replace
from functools import cached_property

from ..colour.spaces import Lab, mean_lab
from ..errors import Contradiction, OutOfRange

MOST_FIGURES, MOST_GARMENTS, MOST_OPTIONS = 600, 16, 16


@dataclass(frozen=True)
class Option:
    """What a garment may be: one colour, or two in a pattern. colours: (pot or role, colour, share of the garment)."""

    id: str
    colours: tuple[tuple[str, Lab, float], ...]
    share: float = 1.0
    #: whether it is one of the few bright things that a figure may have
    accent: bool = False
    #: whether two neighbours may both have it, as worn uniforms do
    repeats: bool = False

    @cached_property
    def lab(self) -> Lab:
        """What it looks like from where its pattern is not resolved."""
        return mean_lab([lab for _, lab, _ in self.colours], [share for _, _, share in self.colours])

    @property
    def pots(self) -> tuple[str, ...]:
        """What has to be open for it, the ground of a pattern first."""
        return tuple(pot for pot, _, _ in self.colours)


@dataclass(frozen=True)
class Garment:
    """One garment: how large it is, how wide at its narrowest, how deep it lies (0 innermost), and what it may be."""

    id: str
    options: tuple[Option, ...]
    mm2: float = 20.0
    mm: float = 3.0
    depth: int = 0


@dataclass(frozen=True)
class Band:
    """All that is asked. Figures are counted from 0; a stand is filled row by row, ``abreast`` side by side."""

    figures: int
    garments: tuple[Garment, ...]
    #: pairs of garments, by place, that touch on a figure
    touching: tuple[tuple[int, int], ...] = ()
    stand: int = 6
    abreast: int = 3
    #: from how far it is seen, m
    metres: float = 1.2
    seed: int = 1
    leaders: frozenset[int] = frozenset()
    #: (figure, garment, option) that stay as they are
    pins: tuple[tuple[int, int, int], ...] = ()
    #: accents on a figure at most; leaders may have one more
    accents: int = 1
    #: a pot is opened for at least so many figures, or not at all
    least: int = 3
    #: the options of figures that are there already, which stay
    kept: tuple[tuple[int, ...], ...] = ()

    @cached_property
    def near(self) -> tuple[tuple[int, ...], ...]:
        """Neighbours of every figure in its stand: beside, before, behind."""
        found: list[list[int]] = [[] for _ in range(self.figures)]
        for one in range(self.figures):
            beside = (one + 1,) if one % self.stand % self.abreast < self.abreast - 1 else ()
            for other in (*beside, one + self.abreast):
                if other < self.figures and other // self.stand == one // self.stand:
                    found[one].append(other)
                    found[other].append(one)
        return tuple(map(tuple, found))

    @cached_property
    def touch(self) -> tuple[tuple[int, ...], ...]:
        """Garments that touch each garment."""
        found: list[list[int]] = [[] for _ in self.garments]
        for one, other in self.touching:
            found[one].append(other)
            found[other].append(one)
        return tuple(map(tuple, found))

    @cached_property
    def fixed(self) -> dict[tuple[int, int], int]:
        """(figure, garment) to option, for pins and figures that are there already."""
        there = {(at, garment): option for at, row in enumerate(self.kept) for garment, option in enumerate(row)}
        return there | {(figure, garment): option for figure, garment, option in self.pins}

    def larger(self, more: int, rows: tuple[tuple[int, ...], ...]) -> "Band":
        """The band with more figures; those there are keep what they have."""
        pins = tuple(pin for pin in self.pins if pin[0] >= len(rows))
        return checked_band(replace(self, figures=self.figures + more, kept=rows, pins=pins))


def checked_band(band: Band, where: str = "band") -> Band:
    """The band, if everything in it is allowed.

    Raises: OutOfRange, Contradiction, at the field.
    """
    if not 1 <= band.figures <= MOST_FIGURES:
        raise OutOfRange(f"{band.figures} figures; allowed are 1 to {MOST_FIGURES}.", f"{where}/figures")
    if not 1 <= len(band.garments) <= MOST_GARMENTS:
        raise OutOfRange(f"{len(band.garments)} garments; allowed are 1 to {MOST_GARMENTS}.", f"{where}/garments")
    if not 1 <= band.abreast <= band.stand:
        raise OutOfRange(
            f"{band.abreast} abreast on a stand of {band.stand}; allowed are 1 to {band.stand}.", f"{where}/abreast"
        )
    if not 0.1 <= band.metres <= 10:
        raise OutOfRange(f"Seen from {band.metres:g} m; allowed is 0.1 to 10.", f"{where}/metres")
    for name, least, most in (("accents", 0, MOST_GARMENTS), ("least", 1, MOST_FIGURES)):
        if not least <= getattr(band, name) <= most:
            raise OutOfRange(f"{name} {getattr(band, name)}; allowed is {least} to {most}.", f"{where}/{name}")
    for at, garment in enumerate(band.garments):
        _check_garment(garment, f"{where}/garments/{at}")
    for at, (one, other) in enumerate(band.touching):
        if one == other or not (0 <= one < len(band.garments) and 0 <= other < len(band.garments)):
            raise OutOfRange(
                f"Garments {one} and {other}; two of {len(band.garments)} are asked for.", f"{where}/touching/{at}"
            )
    _check_figures(band, where)
    return band


def _check_garment(garment: Garment, where: str) -> None:
    if not 1 <= len(garment.options) <= MOST_OPTIONS:
        raise OutOfRange(f"{len(garment.options)} options; allowed are 1 to {MOST_OPTIONS}.", f"{where}/options")
    ids = [option.id for option in garment.options]
    if len(set(ids)) < len(ids):
        raise Contradiction(f"Two options of {garment.id} have one id.", f"{where}/options")
    for at, option in enumerate(garment.options):
        if option.share < 0:
            raise OutOfRange(f"A share of {option.share:g}; it must not be below 0.", f"{where}/options/{at}/share")
        if not 1 <= len(option.colours) <= 2:
            raise OutOfRange(f"{len(option.colours)} colours; allowed are 1 or 2.", f"{where}/options/{at}/colours")
    if not any(option.share for option in garment.options):
        raise OutOfRange(f"No option of {garment.id} has a share.", f"{where}/options")
    for name, least, most in (("mm2", 0.1, 5000), ("mm", 0.1, 100)):
        if not least <= getattr(garment, name) <= most:
            raise OutOfRange(f"{name} {getattr(garment, name):g}; allowed is {least:g} to {most:g}.", f"{where}/{name}")


def _check_figures(band: Band, where: str) -> None:
    """Leaders, pins and figures that are there already must be of the band."""
    for figure in band.leaders:
        if not 0 <= figure < band.figures:
            raise OutOfRange(f"Leader {figure}; figures are 0 to {band.figures - 1}.", f"{where}/leaders")
    sizes = [len(garment.options) for garment in band.garments]
    if len(band.kept) > band.figures:
        raise OutOfRange(f"{len(band.kept)} figures are there already, of {band.figures}.", f"{where}/kept")
    for at, row in enumerate(band.kept):
        if len(row) != len(sizes) or not all(0 <= one < size for one, size in zip(row, sizes, strict=True)):
            raise OutOfRange(f"Figure {at} has no such options: {list(row)}.", f"{where}/kept/{at}")
    for at, (figure, garment, option) in enumerate(band.pins):
        if not (0 <= figure < band.figures and 0 <= garment < len(sizes) and 0 <= option < sizes[garment]):
            raise OutOfRange(
                f"There is no figure {figure} with garment {garment} and option {option}.", f"{where}/pins/{at}"
            )
