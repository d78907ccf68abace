"""Rules, their filters and distinction tables as parts of the document."""

from ...army.figure_filter import Filter
from ...scheme.rule import Column, Distinction, Rule, TableCell


def write_filter(filter_: Filter) -> dict:
    """A filter under its name, JSON-ready; nothing for one that lets everyone pass."""
    given = {
        "type": filter_.type, "rank": filter_.rank, "tag": filter_.tag,
        "ordinals": list(filter_.ordinals), "every": filter_.every,
    }  # fmt: skip
    filters = {name: value for name, value in given.items() if value}
    if filter_.every:
        filters["first"] = filter_.first
    return {"filter": filters} if filters else {}


def read_filter(given: dict) -> Filter:
    """A filter from its mapping."""
    return Filter(
        given.get("type", ""), given.get("rank", ""), given.get("tag", ""), tuple(given.get("ordinals", ())),
        given.get("every", 0), given.get("first", 1),
    )  # fmt: skip


def write_rule(rule: Rule) -> dict:
    """A rule, JSON-ready."""
    written = {"id": rule.id, "scope": rule.scope, "select": list(rule.select), "role": rule.role} | write_filter(
        rule.filter
    )
    if rule.binding:
        written["binding"] = True
    if not rule.on:
        written["on"] = False
    if rule.pattern:
        written["pattern"] = rule.pattern
    return written


def read_rule(data: dict) -> Rule:
    """A rule from its mapping."""
    filter_ = read_filter(data.get("filter", {}))
    select = tuple(data["select"])
    return Rule(
        data["id"], data["scope"], select, data["role"], filter_, data.get("binding", False), data.get("on", True),
        pattern=data.get("pattern", ""),
    )  # fmt: skip


def write_table(table: Distinction) -> dict:
    """A distinction table, JSON-ready."""
    return {
        "id": table.id,
        "name": table.name,
        "key": table.key,
        "columns": [{"id": one.id, "name": one.name, "select": list(one.select)} for one in table.columns],
        "cells": [
            {"row": cell.row, "column": cell.column, "role": cell.role}
            | ({"pattern": cell.pattern} if cell.pattern else {})
            for cell in table.cells
        ],
    }


def read_table(data: dict) -> Distinction:
    """A distinction table from its mapping."""
    columns = tuple(Column(one["id"], one["name"], tuple(one["select"])) for one in data["columns"])
    cells = tuple(
        TableCell(cell["row"], cell["column"], cell["role"], cell.get("pattern", "")) for cell in data["cells"]
    )
    return Distinction(data["id"], data["name"], data["key"], columns, cells)
