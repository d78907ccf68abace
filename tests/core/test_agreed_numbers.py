"""The numbers of the model, as agreed: each is told here once more, so that none changes by a slip.

A number that is to change is changed in ``agreed_numbers.json`` too, with its source told where it is defined. A new
one is added there. Drawings are left out: they are looked at.
"""

import ast
import importlib
import json
from dataclasses import fields, is_dataclass
from pathlib import Path
from unittest import TestCase

import numpy as np
from shapely.geometry.base import BaseGeometry

import mantello_core

#: the core as it was read, which may be a changed copy
CORE = Path(mantello_core.__file__).parent
AGREED = Path(__file__).with_name("agreed_numbers.json")
#: modules whose numbers are drawings or their layout, and named sets of parts that plates are drawn from
DRAWING = ("figures/library/", "figures/drafting", "figures/figure.py", "figures/part.py", "formats/drawing", "_svg.py",
           "formats/massing", "figures/shading")  # fmt: skip


def numbers_in_force() -> dict[str, object]:
    """Every number of the core that has a name, by module and name: constants of modules in whose definition a number
    is written, and what fields and arguments are when nothing is said."""
    found = {}
    for file in sorted(CORE.rglob("*.py")):
        name = file.relative_to(CORE).as_posix()
        if any(one in name for one in DRAWING):
            continue
        tree, place = ast.parse(file.read_text(encoding="utf-8")), name.removesuffix(".py")
        names = list(_named(tree))
        if names:
            module = importlib.import_module("mantello_core." + place.replace("/", "."))
            found |= {f"{place} {one}": _plain(getattr(module, one)) for one in names}
        found |= {f"{place} {one}": value for one, value in _usual(tree, "")}
    return found


def _usual(node: ast.AST, within: str):
    """Numbers that fields and arguments are when nothing is said, such as 'coverage(limit)'."""
    for one in ast.iter_child_nodes(node):
        if isinstance(one, ast.ClassDef):
            for field in one.body:
                if isinstance(field, ast.AnnAssign) and field.value is not None and _is_number(field.value):
                    yield f"{within}{one.name}.{field.target.id}", ast.unparse(field.value)
            yield from _usual(one, f"{within}{one.name}.")
        elif isinstance(one, ast.FunctionDef):
            given = [*one.args.posonlyargs, *one.args.args]
            pairs = [*zip(given[len(given) - len(one.args.defaults) :], one.args.defaults, strict=True),
                     *zip(one.args.kwonlyargs, one.args.kw_defaults, strict=True)]  # fmt: skip
            for argument, value in pairs:
                if value is not None and _is_number(value):
                    yield f"{within}{one.name}({argument.arg})", ast.unparse(value)
            yield from _usual(one, f"{within}{one.name}.")


def _is_number(node: ast.AST) -> bool:
    return any(isinstance(one, ast.Constant) and type(one.value) in (int, float) for one in ast.walk(node))


def _named(module: ast.Module):
    for node in module.body:
        if not isinstance(node, (ast.Assign, ast.AnnAssign)) or node.value is None:
            continue
        if any(isinstance(one, ast.Constant) and type(one.value) in (int, float) for one in ast.walk(node.value)):
            target = node.targets[0] if isinstance(node, ast.Assign) else node.target
            yield from (one.id for one in ast.walk(target) if isinstance(one, ast.Name))


def _plain(value):
    """A value as JSON has it."""
    if isinstance(value, np.ndarray):
        return np.round(value.astype(float), 12).tolist()
    if isinstance(value, BaseGeometry):
        return value.wkt
    if is_dataclass(value) and not isinstance(value, type):
        return {one.name: _plain(getattr(value, one.name)) for one in fields(value)}
    if isinstance(value, dict):
        return {str(key): _plain(one) for key, one in value.items()}
    if isinstance(value, (tuple, list, frozenset, set)):
        return [_plain(one) for one in (sorted(value) if isinstance(value, (set, frozenset)) else value)]
    return value if isinstance(value, (int, float, str, bool, type(None))) else str(value)


class AgreedNumbers(TestCase):
    maxDiff = None

    def test_every_number_is_as_agreed_and_none_is_new(self):
        agreed = json.loads(AGREED.read_text(encoding="utf-8"))
        in_force = json.loads(json.dumps(numbers_in_force()))
        self.assertGreater(len(agreed), 300)
        self.assertEqual(sorted(in_force), sorted(agreed))
        for name, value in agreed.items():
            with self.subTest(name):
                self.assertEqual(in_force[name], value)
