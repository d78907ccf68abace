"""What is taken and what is refused, at every limit and just beyond it."""

import math
from collections.abc import Callable, Iterable, Iterator
from dataclasses import replace

from mantello_core.advice.light_width import ladder
from mantello_core.army.tree import Rank
from mantello_core.calendar.evenings import Evenings, Spraying, checked_evenings
from mantello_core.colour.spaces import Lab, lab_of_hex
from mantello_core.colour.vision import seen_by
from mantello_core.design.brief import Brief, checked_brief
from mantello_core.design.muster import checked_rank, with_tags
from mantello_core.errors import MantelloError
from mantello_core.film.calibration import Calibration, checked_calibration
from mantello_core.formats.roster.line import read_line
from mantello_core.formats.sample import calvessa
from mantello_core.formats.shelf import read_shelf, write_shelf
from mantello_core.insignia.arms.arms_drawing import drawn_arms
from mantello_core.insignia.arms.blazon import read_blazon
from mantello_core.insignia.arms.spacing import spacing
from mantello_core.insignia.devices.cloth import cloth_fit
from mantello_core.insignia.devices.device import Device, checked_device
from mantello_core.insignia.devices.freehand import freehand
from mantello_core.insignia.devices.manner import Manner, checked_manner
from mantello_core.insignia.transfers.bought_sheet import read_designs
from mantello_core.insignia.transfers.transfer_sheet import printer_scale
from mantello_core.mixing.correction import corrections
from mantello_core.mixing.matching import matches
from mantello_core.mixing.route import route
from mantello_core.mixing.shade_group import shade_groups
from mantello_core.mixing.smallest_set import smallest_set
from mantello_core.naming import named
from mantello_core.paints.catalogue import SHIPPED
from mantello_core.paints.own import by_swatch, checked_colour, colour_said, own_paint
from mantello_core.paints.range import paint
from mantello_core.paints.shopping import shopping
from mantello_core.paints.stock import Stock, checked_stock
from mantello_core.recipes.step import Mix, Step, checked
from mantello_core.scheme.aim import Aims, with_accepted, with_share, with_threshold
from mantello_core.scheme.finishing import Basing, Finishing, checked_finishing
from mantello_core.scheme.selector import checked_selector

from .painting import FEW, one

_LION = read_blazon("Or, a lion rampant azure")
_PAIR = (Lab(30, 10, -20), Lab(85, 0, 10))


def _around(low: float, high: float, step: float = 1) -> tuple:
    """A limit's values: the least, the most, and those just beyond."""
    return (low - step, low, high, high + step)


def _asked(ask: Callable, values: Iterable) -> list[str]:
    """What became of each value: taken, or the refusal's words and place."""
    found = []
    for value in values:
        try:
            ask(value)
        except MantelloError as error:
            found.append(f"{value}: {error.kind} {error.message} {error.where}")
        else:
            found.append(f"{value}: taken")
    return found


def _finishing(**basing) -> Finishing:
    return Finishing(basing=replace(Basing(), **basing))


def mixing() -> Iterator[tuple[str, object]]:
    """Matches, corrections, routes, sets, steps."""
    mix = one("madder-rope")
    yield "matches", _asked(lambda value: matches(Lab(50, 0, 0), list(FEW), limit=value), _around(1, 40))
    yield "corrections", _asked(lambda value: corrections(Lab(50, 0, 0), Lab(40, 0, 0), FEW, value), _around(1, 20))
    yield "steps", _asked(lambda value: route(mix, paint("salt-linen"), value), _around(1, 8))
    yield "rise", _asked(lambda value: route(mix, paint("salt-linen"), 2, value), _around(5, 60, 0.5))
    yield "set", _asked(lambda value: smallest_set([mix], FEW, (), value), _around(0.5, 10, 0.1))
    yield "shades", _asked(lambda value: shade_groups({"a": mix}, FEW, value), _around(0, 30, 0.5))
    yield (
        "parts",
        _asked(
            lambda value: checked(Step("a", "base", Mix(((paint("salt-linen"), value),)))),
            (0.0, 5e-324, 0.001, 12.0, 12.1),
        ),
    )
    yield "coats", _asked(lambda value: checked(Step("a", "base", mix, value)), (0, 1, 12, 13))
    yield (
        "water",
        _asked(
            lambda value: checked(Step("a", "base", Mix(mix.parts, "water", value))), (-1.0, 0.0, 1.0, 20.0, 21.0, 40.0)
        ),
    )
    yield "hiding", _asked(lambda value: checked_calibration(Calibration("salt-linen", value)), _around(0.25, 4, 0.01))
    yield (
        "drying",
        _asked(lambda value: checked_calibration(Calibration("salt-linen", 1.0, value)), _around(0.25, 4, 0.01)),
    )
    yield "reserve", _asked(lambda value: shopping({}, {}, SHIPPED, value), _around(0, 2, 0.1))
    yield "pots", _asked(lambda value: checked_stock(Stock(value)), (-0.1, 0, 1, 99, 100, 999, 1000, 1001))
    yield "severity", _asked(lambda value: seen_by(Lab(50, 0, 0), "protan", value), _around(0, 1, 0.1))


def paints() -> Iterator[tuple[str, object]]:
    """Own paints and colours."""
    for name, values in (("lightness", _around(0, 100)), ("a", _around(-130, 130)), ("b", _around(-130, 130))):
        yield name, _asked(lambda value, name=name: checked_colour(Lab(50, 0, 0)._replace(**{name: value})), values)
    yield "said", _asked(colour_said, ("#123456", "50 10 -20", "50 10", "101 0 0", "x", "#12345", ""))
    yield (
        "volume",
        _asked(
            lambda value: own_paint(by_swatch("Own", "acrylic", Lab(50, 0, 0), "opaque", volume=value)),
            (0, 0.1, 17, 1000, 1001, 5000),
        ),
    )
    yield "hex", _asked(lab_of_hex, ("#12345g", "123456", "#1234567"))
    yield (
        "shelf",
        [
            vars(line)
            for line in read_shelf(
                write_shelf({"salt-linen": Stock(1.0, 2.0, "=1+1"), "brine-green": Stock(2.0, None, "'=x")})
            )
        ],
    )


def insignia() -> Iterator[tuple[str, object]]:
    """Arms, devices, cloth, sheets."""
    yield "spacing", _asked(spacing, _around(1, 48))
    yield "arms, mm", _asked(lambda value: drawn_arms(_LION).areas(value), _around(0.5, 500, 0.1))
    yield "brush", _asked(lambda value: freehand(drawn_arms(_LION), 10, value), (0.04, 0.05, 0.1, 3.0, 3.1, 5.0, 5.1))
    yield (
        "points",
        _asked(lambda value: read_blazon(f"Or, a label of {value} points gules"), (2, 3, 5, 7, 8, 9, 10, 12)),
    )
    yield "charges", _asked(lambda value: read_blazon(f"Or, {value} mullets gules"), (0, 1, 12, 13, 24, 25))
    yield (
        "girth",
        _asked(lambda value: cloth_fit("stripes", value, 2.0, 0.3, _PAIR, 1.2), (1, 2, 3, 4, 5, 8, 1000, 2000, 5000)),
    )
    yield (
        "width",
        _asked(
            lambda value: cloth_fit("stripes", 400.0, value, 0.3, _PAIR, 1.2),
            (0.05, 0.1, 0.2, 20, 30, 40, 50, 100, 101),
        ),
    )
    yield "turn", _asked(lambda value: checked_manner(Manner(turn=value), Device("disc")), _around(-180, 180))
    yield "line", _asked(lambda value: checked_manner(Manner(line=value), Device("disc")), _around(0.1, 3.0, 0.01))
    yield "signs", _asked(lambda value: checked_device(Device("text", value)), ("", "1", "123", "1234"))
    yield (
        "stripes",
        _asked(lambda value: checked_device(Device("stripes", value)), ("0", "0.1", "0.2", "20", "30", "100", "x", "")),
    )
    yield "sheet", _asked(lambda value: read_designs(f"Name;1;#ffffff;4;4;{value}"), ("0", "1", "999", "1000", "x", ""))
    yield (
        "size",
        _asked(
            lambda value: read_designs(f"Name;1;#ffffff;{value};4;2"),
            ("0", "0.2", "0.5", "1", "60", "100", "200", "300", "301"),
        ),
    )
    yield "printer", _asked(lambda value: printer_scale(50, value), (39.9, 40.0, 62.5, 62.6, math.nan))


def armies() -> Iterator[tuple[str, object]]:
    """Briefs, ranks, evenings, aims, finishes, names, selectors."""
    design = calvessa()
    for field, values in (
        ("height_mm", (5, 6, 120, 121)),
        ("metres", (0.1, 0.2, 4, 4.1)),
        ("dirt", (-1, 0, 5, 6)),
        ("formations", (0, 1, 12, 13)),
    ):
        yield field, _asked(lambda value, field=field: checked_brief(replace(Brief(), **{field: value})), values)
    yield (
        "figures",
        _asked(
            lambda value: checked_rank(Rank("a", "A", "fusilier", value), design.army),
            (0, 1, 200, 500, 999, 1000, 2000, 2001),
        ),
    )
    yield (
        "tags",
        _asked(
            lambda value: with_tags(design, design.army.units[0].id, (value,)),
            ("a", "a" * 40, "a" * 41, "a b-c", "a;b"),
        ),
    )
    yield "light, height", _asked(lambda value: ladder(design.scheme.roles[0].recipe(), value), _around(2, 200, 0.1))
    yield (
        "light, metres",
        _asked(lambda value: ladder(design.scheme.roles[0].recipe(), 28, value), (0.04, 0.05, 20, 20.1)),
    )
    yield (
        "minutes",
        _asked(lambda value: checked_evenings(replace(Evenings(), pattern=((1, 1140, value),))), (-1, 0, 720, 721)),
    )
    yield (
        "start",
        _asked(lambda value: checked_evenings(replace(Evenings(), pattern=((1, value, 60),))), (-1, 0, 1439, 1440)),
    )
    yield "desk", _asked(lambda value: checked_evenings(replace(Evenings(), desk=value)), _around(0, 400))
    yield (
        "spraying",
        _asked(
            lambda value: checked_evenings(replace(Evenings(), spraying=Spraying(start=600, end=value))),
            (599, 600, 601, 1440, 1441),
        ),
    )
    yield (
        "thresholds",
        [
            _asked(lambda value, name=name: with_threshold(Aims(), name, value), (0, 0.1, 1, 5, 20, 99, 100, 101))
            for name in ("neighbours", "seam", "hidden")
        ],
    )
    yield "accepted", _asked(lambda value: with_accepted(Aims(), "dead", "k", "n" * value), (0, 1, 200, 201))
    yield "share", _asked(lambda value: with_share(Aims(), "field", value), _around(0, 1, 0.1))
    yield (
        "bases",
        [
            _asked(lambda value, name=name: checked_finishing(_finishing(**{name: value}), ()), (-1, 0, 400, 401))
            for name in ("width", "depth")
        ],
    )
    yield "seed", _asked(lambda value: checked_finishing(_finishing(seed=value), ()), (-1, 0, 999_999, 1_000_000))
    yield "named", _asked(lambda value: named("n" * value), (0, 1, 80, 81))
    yield (
        "selectors",
        _asked(
            checked_selector,
            ("", "#", "#a", "#a!", "@metal", "@cheese", "torso", "=torso.coat", "torso.*", "torso.!", "coat", "*"),
        ),
    )
    yield (
        "roster",
        [
            vars(read_line(1, {"unit": "A", "type": "fusilier", "figures": many}))
            for many in ("0", "1", "2000", "2001", "x9", "")
        ],
    )


ANSWERS = (mixing, paints, insignia, armies)
