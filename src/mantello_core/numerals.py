"""Whole numbers as a form, an address or a list writes them."""


def whole_number(text: str, most: int) -> int | None:
    """The number from 0 to ``most`` that plain digits write, with spaces around them allowed; None for every other text.

    >>> whole_number(" 12 ", 99), whole_number("²", 99), whole_number("-1", 99), whole_number("100", 99)
    (12, None, None, None)
    """
    plain = text.strip()
    if not (plain.isascii() and plain.isdigit()) or len(plain.lstrip("0")) > len(str(most)):
        return None
    number = int(plain)
    return number if number <= most else None
