"""What a campaign does to a regulation: a seeded, bounded spread for each rank, in few paintable tones.

Options and tones of a figure are dealt by ``lots.dealt``: every stretch of figures has the shares, and reinforcements change
nobody. What is ordered for all (greatcoats on, covers on) is drawn once a unit.
"""

from dataclasses import dataclass

from ..colour.spaces import Lab
from ..errors import OutOfRange
from .colour_word import ColourWord
from .dye import issued, target
from .lots import dealt, draw

#: options of a garment in the field: share of private, sergeant, officer at six months; grows with the months up to twice
OPTIONS = {
    "breeches": {"patched": (0.25, 0.12, 0.03), "replaced": (0.20, 0.10, 0.06)},
    "coat": {"patched": (0.15, 0.06, 0.0), "replaced": (0.03, 0.0, 0.0)},
    "gaiters": {"missing": (0.15, 0.05, 0.0)},
    "pack": {"replaced": (0.25, 0.15, 0.0)},
    "plume": {"missing": (0.6, 0.4, 0.2)},
}
#: what replaced things are made of: local cloth, by share
LOCAL = (("brown", 0.45), ("drab", 0.3), ("grey", 0.25))
#: chance that a whole unit has it on, by weather 0 (fair) to 3 (foul)
ORDERED = {"greatcoat": (0.0, 0.1, 0.5, 0.9), "hat": (0.1, 0.3, 0.6, 0.85)}
WEATHERS = ("fair", "mixed", "wet", "foul")
#: tones of one cloth in a unit with the share of each, and how far out of its months each is
AS_ISSUED = "as issued"
TONES = (("faded", 0.3, 2.2), (AS_ISSUED, 0.5, 1.0), ("newer", 0.2, 0.3))
_DUST = {"private": 0.35, "sergeant": 0.25, "officer": 0.12}
_PLACE = {"private": 0, "sergeant": 1, "officer": 2}
#: months at which the shares hold, most that they grow, and the most of one option and of all
_MONTHS, _GROWS, _ONE, _ALL = 6.0, 2.0, 0.8, 0.9
MOST_MONTHS = 60.0


#: dust of a dry road
_ROAD = Lab(58.0, 5.0, 20.0)


@dataclass(frozen=True)
class Campaign:
    """How long and how hard. months in the field, weather 0 to 3, dust 0 to 1, spread of an issue 0 to 1, seed."""

    months: float = 6.0
    weather: int = 1
    dust: float = 0.2
    spread: float = 1.0
    seed: int = 1
    #: colour of the ground they march on
    ground: Lab = _ROAD
    #: whether the models wear the greatcoats and cap covers that are ordered, so that those are painted and not only told
    over: bool = False


def checked_campaign(campaign: Campaign, where: str = "campaign") -> Campaign:
    """The campaign, if everything in it is allowed.

    Raises: OutOfRange, at the field.
    """
    for name, most in (("months", MOST_MONTHS), ("weather", len(WEATHERS) - 1), ("dust", 1), ("spread", 1)):
        value = getattr(campaign, name)
        if not 0 <= value <= most:
            raise OutOfRange(f"{name} {value:g}; allowed is 0 to {most:g}.", f"{where}/{name}")
    if not 0 <= campaign.seed < 1_000_000:
        raise OutOfRange(f"seed {campaign.seed}; allowed is 0 to 999999.", f"{where}/seed")
    return campaign


def ordered(campaign: Campaign, unit: str, what: str) -> bool:
    """Whether a unit has its greatcoats or cap covers on: one word for all. what: 'greatcoat', or 'hat' for covers."""
    return draw(campaign.seed, unit, what) < ORDERED[what][campaign.weather]


def options_of(campaign: Campaign, garment: str, grade: str) -> list[tuple[str, float]]:
    """Options of a garment with their shares for a grade, 'regulation' last; they sum to 1."""
    growth = min(_GROWS, campaign.months / _MONTHS)
    known = OPTIONS.get(garment, {}).items()
    found = [(name, min(_ONE, shares[_PLACE[grade]] * growth)) for name, shares in known]
    total = sum(share for _, share in found)
    if total > _ALL:
        found = [(name, share * _ALL / total) for name, share in found]
    kept = [(name, share) for name, share in found if share]
    return [*kept, ("regulation", 1 - sum(share for _, share in kept))]


def option_of(campaign: Campaign, garment: str, grade: str, unit: str, rank: str, ordinal: int) -> tuple[str, str]:
    """What has become of a garment of the nth figure of a rank: its option, and the tone of its cloth or the local cloth."""
    key = (campaign.seed, unit, rank)
    option = dealt(options_of(campaign, garment, grade), ordinal, *key, garment)
    if option == "replaced":
        return option, dealt(list(LOCAL), ordinal, *key, f"{garment} local")
    return option, dealt([(name, share) for name, share, _ in TONES], ordinal, *key, f"{garment} tone")


def tone(campaign: Campaign, colour: ColourWord, name: str, grade: str, unit: str, *, metal: bool = False) -> Lab:
    """One of the tones of a unit's cloth, dusted: each is a mix, so that spread costs two mixes and not one a figure."""
    aim = target(colour, grade, campaign.months, metal=metal)
    lot = issued(aim, campaign.seed, unit, campaign.spread)
    factor = next(factor for tone_, _, factor in TONES if tone_ == name)
    other = target(colour, grade, campaign.months * factor, metal=metal)
    moved = Lab(*(
        base + campaign.spread * (away - mean)
        for base, away, mean in zip(lot, other.lab, aim.lab, strict=True)
    ))  # fmt: skip
    return dusted(moved, campaign, grade)


def local_cloth(campaign: Campaign, name: str, grade: str) -> Lab:
    """The colour of what worn-out things were replaced by, dusted. name: of ``LOCAL``."""
    return dusted(target(ColourWord(name), "private", campaign.months).lab, campaign, grade)


def dusted(lab: Lab, campaign: Campaign, grade: str) -> Lab:
    """Dust laid over: a share of the ground's colour, less on those who brush their coats."""
    share = campaign.dust * _DUST[grade]
    return Lab(*((1 - share) * one + share * other for one, other in zip(lab, campaign.ground, strict=True)))
