"""Devices, cloth, arms by hand, codes and transfers."""

from collections.abc import Iterator

from mantello_core.colour.spaces import Lab, lab_of_hex
from mantello_core.figures.catalogue import plate
from mantello_core.figures.plate import Site
from mantello_core.insignia.arms.arms_drawing import drawn_arms
from mantello_core.insignia.arms.blazon import read_blazon
from mantello_core.insignia.devices.cloth import PATTERNS, cloth_fit, cloth_shape, girth_guess
from mantello_core.insignia.devices.device import FRAMES, Device, device_outline, device_shape, figures
from mantello_core.insignia.devices.device_drawing import device_drawing
from mantello_core.insignia.devices.freehand import freehand
from mantello_core.insignia.devices.manner import Manner
from mantello_core.insignia.devices.mark_step import hand_or_transfer, mark_steps, seconds_by_hand
from mantello_core.insignia.devices.worn import WornMark, scale_on, surface_for, worn
from mantello_core.insignia.systems.code import Code, CodePlan, CodeSite, Holder, allotted, free_codes, proof
from mantello_core.insignia.transfers.bought_sheet import BoughtSheet, Need, read_designs, shared_out
from mantello_core.insignia.transfers.decal import arms_decal, device_decal
from mantello_core.insignia.transfers.transfer_sheet import nested, printer_scale, relief

from .data import asked

BOLD = ("Gules, a fess wavy or between three lanterns argent", "Per pale azure and argent, a heron counterchanged",
        "Barry of 12 or and azure", "Ermine, a chief indented azure", "Azure semy of roses argent, a bend or")  # fmt: skip
LOOKS = {"red": "#a51f24", "green": "#1f7a3a", "blue": "#27509c", "yellow": "#e0b030", "white": "#eeeeea"}
SHEET = "Ones;1;#f0f0ee;3;4;2\nLetters;A;#223344;4;4;6\nRings;disc;#a01818;5;5;3\n"


def _coloured(tincture: str) -> str:
    return {"or": "#d9a520", "argent": "#eeeeee", "gules": "#a01020", "azure": "#123f8c", "sable": "#111111"}.get(
        tincture, "#777777"
    )


def shapes() -> Iterator[tuple[str, object]]:
    """Every plain figure, sign and frame as outline, shape and drawing."""
    devices = [*map(Device, figures()), *(Device("text", sign) for sign in ("1", "27", "358", "K2", "ABQ", "6", "9W"))]
    for one in (*devices, *(Device("text", "4", frame) for frame in FRAMES)):
        yield str(one), (
            device_outline(one, 6.0, 4.0), device_outline(one, 3.0, 5.0, 30.0), device_shape(one, 6.0, 4.0, -45.0),
            device_drawing(one, 6.0, 4.0).pieces, one.words,
        )  # fmt: skip


def cloths() -> Iterator[tuple[str, object]]:
    """Patterns on an area and round a girth."""
    area = device_shape(Device("disc"), 20.0, 26.0)
    for pattern in PATTERNS:
        for width, turn in ((1.5, 0.0), (2.2, 30.0), (3.0, 45.0)):
            yield f"{pattern} {width} {turn}", cloth_shape(pattern, width, area, turn)
        for girth, wanted in ((47.0, 2.0), (30.0, 1.1), (100.0, 7.0), (96.0, 3.0)):
            fit = cloth_fit(pattern, girth, wanted, 0.3, (Lab(30, 10, -20), Lab(85, 0, 10)), 1.2)
            yield f"{pattern} round {girth} {wanted}", (fit, fit.marks)
    yield "girth", (girth_guess(7.0, flat=True), girth_guess(7.0, flat=False))


def by_hand() -> Iterator[tuple[str, object]]:
    """Guides, simpler forms and stages, seconds."""
    for text in BOLD:
        drawing = drawn_arms(read_blazon(text), "heater")
        for width in (2.0, 4.5, 8.0, 20.0):
            yield f"{text} {width}", (freehand(drawing, width), seconds_by_hand(drawing, width))


def steps() -> Iterator[tuple[str, object]]:
    """Steps of every method and the choice of transfers."""
    for method in ("transfer", "stencil", "cast", "freehand"):
        for curve in ("flat", "cyl:3", "drape", "dome:8"):
            yield f"{method} {curve}", mark_steps(method, 200.0, curve)
    for seconds in (60, 300, 900):
        for bought in (False, True):
            site = Site("s", "a", 0, 0, 5, 5, "rect", "dome:8")
            choices = [hand_or_transfer(seconds, site, copies, bought=bought) for copies in (1, 5, 40)]
            yield f"{seconds} s {bought}", (choices, [one.better for one in choices])


def worn_marks() -> Iterator[tuple[str, object]]:
    """Marks on the sites of three figure types, from every side."""
    for type_id in ("captain", "fusilier", "knight"):
        for view in plate(type_id).views:
            for site in view.sites:
                under = [one for one in view.areas if one.area == site.area]
                for mark in (
                    WornMark(Device("chevrons"), fill="#ddbb22"),
                    WornMark(Device("text", "7"), fill="#eeeeee", manner=Manner(turn=20.0, line=0.4), ground="#223355", outline="#111111"),
                    WornMark(Device("checks", "2"), fill="#eeeeee"),
                    WornMark(Device("arms", "a"), arms=read_blazon(BOLD[0]), colours=tuple((one, _coloured(one)) for one in ("gules", "or", "argent")),
                             ground="#998877", outline="#332211"),
                ):  # fmt: skip
                    if under or not mark.device.cloth:
                        yield f"{type_id} {view.name} {site.id} {mark.device}", worn(mark, site, under, view.name)
                surface = drawn_arms(read_blazon(BOLD[0]), surface_for(site)).surface
                yield f"{type_id} {view.name} {site.id}", (surface_for(site), scale_on(site, surface))


def codes() -> Iterator[tuple[str, object]]:
    """Codes of a company by colour, figure and sign, with how far they are apart and how many are left."""
    site = CodeSite(4.0, 3.0, lab_of_hex("#7a7a70"), lambda role: lab_of_hex(LOOKS[role]))
    holders = [Holder(f"{group}{at}", f"g{group}") for group in range(3) for at in range(3)]
    for plan in (
        CodePlan(tuple(LOOKS), (), tuple("123456789")),
        CodePlan(tuple(LOOKS), ("disc", "square", "lozenge"), (), "holder", "holder", seed=3),
        CodePlan(tuple(LOOKS), ("disc", "square", "lozenge"), tuple("123456789"), "holder", "group", "run", 2),
    ):
        made = list(allotted(holders, plan, {}, [], site).values())
        yield str(plan), (made, proof(made, site), free_codes(plan, made, []))


def kept_codes() -> Iterator[tuple[str, object]]:
    """Codes allotted anew beside some that are kept, for groups that share colour or figure."""
    site = CodeSite(4.0, 3.0, lab_of_hex("#7a7a70"), lambda role: lab_of_hex(LOOKS[role]))
    holders = [Holder(f"{group}{at}", f"g{group}") for group in range(3) for at in range(3)]
    kept = {"01": Code("blue", "square", "7"), "20": Code("white", "disc", "2")}
    for shared in ("group", "holder", "one"):
        plan = CodePlan(tuple(LOOKS), ("disc", "square", "lozenge"), tuple("123456789"), shared, "group", "order", 1, 5)
        yield shared, allotted(holders, plan, kept, [Code("red", "disc", "1")], site)


def sheets() -> Iterator[tuple[str, object]]:
    """Decals laid on paper, cuts for domes, printers, and pieces of bought sheets shared out."""
    site = next(one for one in plate("captain").view("front").sites if one.id == "shield.face")
    decals = [
        arms_decal("arms", read_blazon(BOLD[0]), site, _coloured, 9, dark=True),
        arms_decal("other side", read_blazon(BOLD[3]), site, _coloured, 3, mirrored=True),
        device_decal("seven", Device("text", "7"), site, "#eeeeee", 14, turn=15.0),
    ]
    for paper in ("A6", "A5"):
        yield paper, [(one.decal.label, one.x, one.y, one.sheet, one.turned) for one in nested(decals, paper)]
    yield "decals", [(one.cut, [shape for shape, _ in one.pieces], one.bleeds) for one in decals]
    yield "relief", [relief(width, radius) for width in (3, 6, 9) for radius in (5, 8, 20)]
    yield "printer", [printer_scale(50, 48), printer_scale(50, 51.5)]
    sheet = BoughtSheet("s", "Sheet", 2, read_designs(SHEET))
    needs = [Need("numbers", Device("text", "1"), 5, 5, tuple("abcdefg"), Lab(30, 0, 0)),
             Need("rings", Device("disc"), 4, 6, tuple("hij"), Lab(60, 0, 0), Lab(40, 60, 40))]  # fmt: skip
    yield "shared out", shared_out(needs, [sheet])
    scarce = read_designs("Only;1;#f0f0ee;4;4;1\nMore;1;#e0e0de;4;4;2\n")
    few = [Need("few", Device("text", "1"), 5, 5, tuple("abcde"), Lab(30, 0, 0), Lab(92, 0, 3)), needs[0]]
    yield (
        "scarce",
        (
            shared_out(few, [BoughtSheet("t", "Scarce", 1, scarce)]),
            shared_out(few[:1], [BoughtSheet("t", "Scarce", 2, scarce), sheet]),
        ),
    )


def verbs() -> Iterator[tuple[str, object]]:
    """What the command line answers about arms."""
    yield from (
        ("blazon", asked("blazon", blazon=BOLD[0], width=9)),
        ("freehand", asked("freehand", blazon=BOLD[1], width=5)),
        ("difference", asked("difference", blazon="Or, a lion rampant azure", count=4)),
        ("beside some that are kept", asked("difference", blazon="Or, a lion rampant azure", count=3, pins=["Or, a lion rampant gules"])),
        ("cadency", asked("difference", blazon="Or, a lion rampant azure", count=4, way="cadency")),
    )  # fmt: skip


ANSWERS = (shapes, cloths, by_hand, steps, worn_marks, codes, kept_codes, sheets, verbs)
