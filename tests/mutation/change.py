"""Small changes of a program that its tests should notice."""

import ast
from collections.abc import Iterator
from dataclasses import dataclass
from functools import cache

_COMPARED = {
    ast.Lt: ">=", ast.LtE: ">", ast.Gt: "<=", ast.GtE: "<", ast.Eq: "!=", ast.NotEq: "==", ast.In: "not in",
    ast.NotIn: "in", ast.Is: "is not", ast.IsNot: "is",
}  # fmt: skip
#: against a whole number the limit itself is moved: that is where 'up to' and 'below' are told apart
_MOVED = {ast.Lt: "<=", ast.LtE: "<", ast.Gt: ">=", ast.GtE: ">"}
_RECKONED = {ast.Add: "-", ast.Sub: "+", ast.Mult: "/", ast.Div: "*", ast.Mod: "*", ast.Pow: "*", ast.FloorDiv: "*"}
#: whose arguments say how something is kept or laid out, not what is true
_LEFT_ALONE = ("remembered", "field", "strip", "lstrip", "rstrip", "split", "simplify")
#: which say how finely a curve is drawn
_FINENESS = ("quad_segs", "mitre_limit", "digits")


@dataclass(frozen=True)
class Change:
    """One place of a module changed."""

    module: str
    line: int
    #: 'constant', 'comparison', 'arithmetic', 'logic' or 'answer'
    kind: str
    #: from and to which sign of the source, counted in bytes
    start: int
    end: int
    before: str
    after: str

    def applied(self, source: bytes) -> bytes:
        """The module's source with the change made."""
        return source[: self.start] + self.after.encode() + source[self.end :]

    def __str__(self):
        return f"{self.module}:{self.line}: {self.kind}: {self.before} -> {self.after.strip()}"


@cache
def changes_of(module: str, source: bytes) -> tuple[Change, ...]:
    """Every change of a module, in the order of its source; none within what is said, such as messages."""
    return tuple(sorted(set(_Reader(module, source).found()), key=lambda one: (one.start, one.after)))


class _Reader:
    def __init__(self, module: str, source: bytes):
        self._module, self._source = module, source
        self._starts = [0]
        for line in source.splitlines(keepends=True):
            self._starts.append(self._starts[-1] + len(line))

    def found(self) -> Iterator[Change]:
        yield from self._within(ast.parse(self._source))

    def _within(self, node: ast.AST) -> Iterator[Change]:
        if isinstance(node, (ast.JoinedStr, ast.Assert, ast.Raise)) or self._is_left_alone(node):
            return
        if isinstance(node, ast.keyword) and node.arg in _FINENESS:
            return
        yield from self._here(node)
        for child in ast.iter_child_nodes(node):
            yield from self._within(child)

    @staticmethod
    def _is_left_alone(node: ast.AST) -> bool:
        if not isinstance(node, ast.Call):
            return False
        called = node.func
        return (called.id if isinstance(called, ast.Name) else getattr(called, "attr", "")) in _LEFT_ALONE

    def _here(self, node: ast.AST) -> Iterator[Change]:
        if isinstance(node, ast.Constant) and type(node.value) in (int, float):
            yield self._change(node, "constant", _other_number(node.value))
        elif isinstance(node, ast.Compare) and len(node.ops) == 1:
            signs = _COMPARED | (_MOVED if _is_whole(node.comparators[0]) else {})
            yield self._between(node, node.left, node.comparators[0], "comparison", signs[type(node.ops[0])])
        elif isinstance(node, ast.BinOp) and type(node.op) in _RECKONED and not _is_text(node):
            yield self._between(node, node.left, node.right, "arithmetic", _RECKONED[type(node.op)])
        elif isinstance(node, ast.BoolOp):
            word = "or" if isinstance(node.op, ast.And) else "and"
            yield self._between(node, node.values[0], node.values[1], "logic", word)
        elif isinstance(node, ast.UnaryOp) and isinstance(node.op, ast.Not):
            yield self._change(node, "logic", f"({self._text(node.operand)})")
        elif isinstance(node, ast.Return) and node.value and not isinstance(node.value, ast.Constant):
            yield self._change(node.value, "answer", "None")

    def _at(self, line: int, column: int) -> int:
        return self._starts[line - 1] + column

    def _text(self, node: ast.AST) -> str:
        start, end = self._at(node.lineno, node.col_offset), self._at(node.end_lineno, node.end_col_offset)
        return self._source[start:end].decode()

    def _change(self, node: ast.AST, kind: str, after: str) -> Change:
        start, end = self._at(node.lineno, node.col_offset), self._at(node.end_lineno, node.end_col_offset)
        return Change(self._module, node.lineno, kind, start, end, self._text(node), after)

    def _between(self, node: ast.AST, left: ast.AST, right: ast.AST, kind: str, sign: str) -> Change:
        """A change of the sign between two operands; brackets and line breaks around it stay."""
        start = self._at(left.end_lineno, left.end_col_offset)
        end = self._at(right.lineno, right.col_offset)
        held = self._source[start:end].decode()
        known = held.strip("() \n\\")
        return Change(self._module, node.lineno, kind, start, end, known, held.replace(known, sign, 1))


def _other_number(value: float) -> str:
    """A number that is clearly another one, and as far as can be of the same kind."""
    if isinstance(value, int):
        return str(value + 1) if abs(value) < 10 else str(round(value * 1.25) + 1)
    return repr(value * 1.25) if value else "0.25"


def _is_whole(node: ast.AST) -> bool:
    return isinstance(node, ast.Constant) and type(node.value) is int


def _is_text(node: ast.BinOp) -> bool:
    return any(
        isinstance(one, (ast.JoinedStr, ast.List, ast.Tuple)) or _is_string(one) for one in (node.left, node.right)
    )


def _is_string(node: ast.AST) -> bool:
    return isinstance(node, ast.Constant) and isinstance(node.value, str)
