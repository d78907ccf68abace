"""Cells that no spreadsheet takes for a formula, and as they were before."""

#: signs with which a spreadsheet begins a formula
_FORMULA = ("=", "+", "-", "@", "\t", "\r")


def harmless(value: object) -> object:
    """A cell that no spreadsheet takes for a formula; numbers as they are.

    >>> harmless("=1+2"), harmless("Line"), harmless(-3), said_in(harmless("-- Old ones"))
    ("'=1+2", 'Line', -3, '-- Old ones')
    """
    return f"'{value}" if isinstance(value, str) and value.lstrip("'")[:1] in _FORMULA else value


def said_in(cell: str) -> str:
    """A cell as it was before it was made harmless, without blanks about it."""
    cell = cell.strip()
    return cell[1:] if cell[:1] == "'" and cell.lstrip("'")[:1] in _FORMULA else cell
