"""The scheme as part of the document."""

from dataclasses import replace

from ...army.tree import Army
from ...film.calibration import Calibration, checked_calibration
from ...paints.catalogue import Catalogue
from ...paints.own import OWN_ID
from ...scheme.aim import Aims
from ...scheme.part_ground import checked_part_grounds
from ...scheme.scheme import Scheme
from ...scheme.substitution import Substitution
from .aims import read_aims, write_aims
from .arms import read_arms, write_arms
from .casts import read_cast, write_cast
from .code_systems import read_code_system, write_code_system
from .dress import read_dress, write_dress
from .finishing import read_finishing, write_finishing
from .ground import read_ground, read_part_ground, write_ground, write_part_ground
from .marks import read_devices, read_placements, write_placement
from .patterns import read_pattern, write_pattern
from .recipes import read_role, refuse_twice, write_role
from .references import check_references, check_work
from .rules import read_rule, read_table, write_rule, write_table
from .work_order import read_order, read_passes, write_order, write_pass


def write_scheme(scheme: Scheme) -> dict:
    """The scheme, JSON-ready; what is as usual is left out."""
    return {
        "name": scheme.name,
        **write_ground(scheme.ground),
        **({"grounds": [write_part_ground(one) for one in scheme.grounds]} if scheme.grounds else {}),
        "roles": [write_role(role) for role in scheme.roles],
        "rules": [write_rule(rule) for rule in scheme.rules],
        "tables": [write_table(table) for table in scheme.tables],
        **({"substitutions": [vars(one) for one in scheme.substitutions]} if scheme.substitutions else {}),
        **({"aims": write_aims(scheme.aims)} if scheme.aims != Aims() else {}),
        **({"placements": [write_placement(one) for one in scheme.placements]} if scheme.placements else {}),
        **({"devices": [{"name": one.text, "drawn": one.drawn} for one in scheme.devices]} if scheme.devices else {}),
        **({"arms": [write_arms(one) for one in scheme.arms]} if scheme.arms else {}),
        **({"code_systems": [write_code_system(one) for one in scheme.code_systems]} if scheme.code_systems else {}),
        **({"finishing": finish} if (finish := write_finishing(scheme.finishing)) else {}),
        **({"passes": [write_pass(one) for one in scheme.passes]} if scheme.passes else {}),
        **({"order": order} if (order := write_order(scheme.order)) else {}),
        **({"locked": list(scheme.locked)} if scheme.locked else {}),
        **({"patterns": [write_pattern(one) for one in scheme.patterns]} if scheme.patterns else {}),
        **({"dress": write_dress(scheme.dress)} if scheme.dress else {}),
        **({"casts": [write_cast(one) for one in scheme.casts]} if scheme.casts else {}),
        **({"calibrations": [vars(one) for one in scheme.calibrations]} if scheme.calibrations else {}),
    }


def read_scheme(data: dict, army: Army, catalogue: Catalogue) -> Scheme:
    """A scheme from its mapping; catalogue: the paints it may name.

    Raises: UnknownName, OutOfRange or Contradiction with a JSON pointer.
    """
    devices = read_devices(data.get("devices", ()))
    scheme = Scheme(
        name=data["name"],
        roles=tuple(read_role(role, f"/scheme/roles/{index}", catalogue) for index, role in enumerate(data["roles"])),
        rules=tuple(read_rule(rule) for rule in data["rules"]),
        tables=tuple(read_table(table) for table in data["tables"]),
        ground=read_ground(data, catalogue, "/scheme/"),
        grounds=checked_part_grounds(
            tuple(
                read_part_ground(one, catalogue, f"/scheme/grounds/{index}/")
                for index, one in enumerate(data.get("grounds", ()))
            ),
            army.nodes,
            "/scheme/grounds",
        ),
        substitutions=tuple(Substitution(**one) for one in data.get("substitutions", ())),
        aims=read_aims(data.get("aims", {})),
        placements=read_placements(data.get("placements", ()), devices),
        devices=devices,
        code_systems=tuple(
            read_code_system(one, f"/scheme/code_systems/{index}")
            for index, one in enumerate(data.get("code_systems", ()))
        ),
        arms=tuple(read_arms(one, f"/scheme/arms/{index}") for index, one in enumerate(data.get("arms", ()))),
        calibrations=tuple(
            _calibration(one, catalogue, f"/scheme/calibrations/{index}")
            for index, one in enumerate(data.get("calibrations", ()))
        ),
    )
    patterns = tuple(
        read_pattern(one, scheme.role_by_id, f"/scheme/patterns/{at}")
        for at, one in enumerate(data.get("patterns", ()))
    )
    scheme = replace(scheme, patterns=patterns)
    if "dress" in data:
        scheme = replace(scheme, dress=read_dress(data["dress"], army, scheme.role_by_id))
    casts = tuple(read_cast(one, army, scheme, f"/scheme/casts/{at}") for at, one in enumerate(data.get("casts", ())))
    refuse_twice([one.unit for one in casts], "/scheme/casts", "cast of the unit")
    scheme = replace(scheme, casts=casts)
    check_references(army, scheme)
    if "finishing" in data:
        scheme = replace(scheme, finishing=read_finishing(data["finishing"], tuple(scheme.role_by_id), catalogue))
    roles = tuple(scheme.role_by_id)
    passes = read_passes(data.get("passes", []), roles, catalogue, "/scheme/passes")
    order = read_order(data.get("order", {}), "/scheme/order")
    for index, unit in enumerate(data.get("locked", ())):
        army.node(unit, f"/scheme/locked/{index}")
    scheme = replace(scheme, passes=passes, order=order, locked=tuple(data.get("locked", ())))
    check_work(army, scheme)
    return scheme


def _calibration(data: dict, catalogue: Catalogue, where: str) -> Calibration:
    # an own paint that nothing is painted with any more does not come along; what was learnt of it stays
    if not data["paint"].startswith(OWN_ID):
        catalogue.paint(data["paint"], f"{where}/paint")
    return checked_calibration(Calibration(**data), where)
