"""Blazon read into a tree, and the tree written back in the canonical way."""

from functools import cache
from importlib.resources import files

from lark import Lark, Token, Transformer, Tree, UnexpectedInput, v_args
from lark.exceptions import VisitError
from lark.lexer import Lexer

from ...errors import MantelloError, OutOfRange, Unreadable
from .charge import CHARGES
from .coat import Arms, Charged, Coat, Divided, Field, Group, Impaled, Ordinary, Plain, Quartered, Strewn, Varied
from .tincture import COUNTERCHANGED
from .words import DIVISIONS, NUMBERS, ORDINALS, ORDINARIES, Word, words_of

MOST_CHARGES, MOST_PIECES, MOST_POINTS = 12, 16, 7
#: what a kind of token is called when it was expected
_SAID = {
    "TINCTURE": "a tincture", "NUMBER": "a number or 'a'", "ORDINARY": "an ordinary", "CHARGE": "a charge", "LINE": "a line",
    "VARIED": "a variation", "ARRANGEMENT": "an arrangement", "DETAIL": "a detail such as 'armed'", "ATTITUDE": "an attitude",
    "COMMA": "a comma", "SEMICOLON": "a semicolon", "OF": "'of'", "THE": "'the'", "AND": "'and'", "PER": "'per'", "ON": "'on'",
    "WITHIN": "'within'", "BETWEEN": "'between'", "QUARTERLY": "'quarterly'", "GYRONNY": "'gyronny'", "TIERCED": "'tierced'",
    "LABEL": "'label'", "POINTS": "'points'", "OVERALL": "'overall'", "IMPALING": "'impaling'", "BEARING": "'charged with'",
    "SEMY": "'semy of'", "FRETTY": "'fretty'", "ORDINAL": "'first', 'second' ...", "FIELD": "'field'", "SURTOUT": "'en surtout'",
    "$END": "the end", "QUARTERS": "numbers of quarters such as '1 and 4'",
}  # fmt: skip


class _Token(Token):
    """A token of the parser with the word it comes from."""

    word: Word


class _Words(Lexer):
    """Hands our own words to the parser."""

    def __init__(self, conf):
        pass

    def lex(self, data: list[Word]):
        for word in data:
            token = _Token(word.kind, word.text, start_pos=word.at)
            token.word = word
            yield token


def read_blazon(text: str) -> Arms:
    """The arms that a blazon describes. Spelling, capitals and punctuation may vary.

    Raises: Unreadable with the place and what was expected; OutOfRange for numbers that cannot be drawn.
    """
    words = words_of(text)
    if not words:
        raise Unreadable("There is no blazon yet; begin with the field, such as 'azure'.", "sign 1")
    try:
        return _Reader().transform(grammar().parse(words))
    except UnexpectedInput as error:
        raise _unexpected(error, words, text) from error
    except VisitError as error:
        if isinstance(error.orig_exc, MantelloError):
            raise error.orig_exc from error
        raise


def _unexpected(error: UnexpectedInput, words: list[Word], text: str) -> Unreadable:
    token = getattr(error, "token", None)
    word = getattr(token, "word", None)
    wanted = sorted(
        _SAID.get(name, name.lower()) for name in (getattr(error, "expected", None) or getattr(error, "accepts", ()))
    )
    listed = ", ".join(wanted[:8]) + (" ..." if len(wanted) > 8 else "")
    if word is None:
        return Unreadable(
            f"The blazon ends too soon, after '{words[-1].text}'; there could follow {listed}.",
            f"sign {len(text.rstrip()) + 1}",
        )
    return Unreadable(
        f"'{word.text}' at sign {word.at + 1} does not belong there; there could stand {listed}.", f"sign {word.at + 1}"
    )


@cache
def grammar() -> Lark:
    """The grammar over tokens of ``words_of``."""
    text = (files(__package__) / "data" / "blazon.lark").read_text(encoding="utf-8")
    return Lark(text, parser="lalr", lexer=_Words, maybe_placeholders=False)


@v_args(inline=True)
class _Reader(Transformer):
    """The parse tree made into ours; tinctures by reference are looked up when the coat is whole."""

    def start(self, arms):
        return arms

    def coat(self, field, *rest):
        elements = [one for one in rest if not isinstance(one, Token)]
        return _resolved(field, elements)

    def impaled(self, *parts):
        dexter, sinister = (one for one in parts if isinstance(one, Coat))
        return Impaled(dexter, sinister)

    def quartered(self, *parts):
        found = [one for one in parts if isinstance(one, tuple)]
        surtout = next((one for one in parts if isinstance(one, Coat)), None)
        numbers = sorted(number for mine, _ in found for number in mine)
        if numbers not in (list(range(1, 5)), list(range(1, 7))):
            raise OutOfRange(f"The quarters are {numbers}; each of 1 to 4, or of 1 to 6, comes once.", "quarters")
        return Quartered(tuple(found), surtout)

    def part(self, numbers, coat):
        return numbers.word.value, coat

    def surtout(self, *parts):
        return next(one for one in parts if isinstance(one, Coat))

    def plain(self, tincture):
        return Plain(tincture)

    def parted(self, *parts):
        kind = _value(parts, "ORDINARY")
        if kind not in DIVISIONS:
            raise _misplaced(parts, "ORDINARY", f"a field is parted per {', '.join(DIVISIONS)}")
        return Divided(kind.replace(" ", "-"), _tinctures(parts), _value(parts, "LINE") or "")

    def quarterly(self, *parts):
        return Divided("cross", _tinctures(parts), _value(parts, "LINE") or "")

    def gyronny(self, *parts):
        count = _number(parts, 8)
        if count not in (6, 8, 10, 12, 16):
            raise OutOfRange(f"Gyronny of {count}; allowed are 6, 8, 10, 12 and 16.", "gyronny")
        return Divided("gyronny", _tinctures(parts), "", count)

    def tierced(self, *parts):
        kind = _value(parts, "ORDINARY")
        if kind not in ("pale", "fess"):
            raise _misplaced(parts, "ORDINARY", "a field is tierced per pale or per fess")
        return Divided(f"tierced-{kind}", _tinctures(parts), _value(parts, "LINE") or "")

    def varied(self, *parts):
        kind, count = _value(parts, "VARIED"), _number(parts, 0)
        if count and not (4 <= count <= MOST_PIECES and count % 2 == 0):
            raise OutOfRange(f"{kind.capitalize()} of {count}; allowed are even numbers from 4 to {MOST_PIECES}.", kind)
        return Varied(kind, _tinctures(parts), _value(parts, "LINE") or "", count)

    def strewn(self, *parts):
        tinctures = _tinctures(parts)
        return Strewn(tinctures[0], _value(parts, "CHARGE"), tinctures[1])

    def fretted(self, *parts):
        tinctures = _tinctures(parts)
        return Strewn(tinctures[0], "fret", tinctures[1])

    def overall(self, *parts):
        one = next(part for part in parts if isinstance(part, Ordinary | Charged))
        return Charged(one.group, True) if isinstance(one, Charged) else _with(one, overall=True)

    def ordinary(self, *parts):
        return _ordinary(parts, _number(parts, 1))

    def on_ordinary(self, *parts):
        groups = tuple(part for part in parts if isinstance(part, Group))
        return _with(_ordinary(parts, _number(parts, 1)), bears=groups)

    def within(self, *parts):
        if _value(parts, "ORDINARY") not in ("bordure", "orle"):
            raise _misplaced(parts, "ORDINARY", "a coat stands within a bordure or an orle")
        return _ordinary(parts, _number(parts, 1))

    def label(self, *parts):
        numbers = [part.word.value for part in parts if isinstance(part, Token) and part.type == "NUMBER"]
        points = numbers[1] if len(numbers) > 1 else 3
        if not 3 <= points <= MOST_POINTS:
            raise OutOfRange(f"A label of {points} points; allowed are 3 to {MOST_POINTS}.", "label")
        return Ordinary("label", _tinctures(parts)[0], 1, "", _bears(parts), (), points)

    def bearing(self, *parts):
        return Tree("bearing", [part for part in parts if isinstance(part, Group)])

    def between(self, *parts):
        return Tree("between", [part for part in parts if isinstance(part, Group)])

    def charged(self, group):
        return Charged(group)

    def group(self, *parts):
        count, name = _number(parts, 1), _value(parts, "CHARGE")
        if not 1 <= count <= MOST_CHARGES:
            raise OutOfRange(f"{count} {CHARGES[name].plural}; allowed are 1 to {MOST_CHARGES}.", "count")
        trees = {part.data: part.children for part in parts if isinstance(part, Tree)}
        attitude = trees["attitude"][0].word.value if "attitude" in trees else ""
        if attitude and attitude not in CHARGES[name].attitudes:
            known = ", ".join(CHARGES[name].attitudes) or "none"
            raise Unreadable(f"A {name} is not {attitude}; its attitudes: {known}.", "attitude")
        usual = CHARGES[name].attitudes[0] if CHARGES[name].attitudes else ""
        places = [*trees.get("arrangement", ()), *trees.get("arrangement_after", ())]
        places = [one.word.value for one in places if one.type == "ARRANGEMENT"]
        if len(places) > 1:
            raise Unreadable(f"It is set {' and '.join(places)}; say one of them.", "arrangement")
        detail = trees.get("detail", ())
        return Group(
            count, name, _tinctures(parts)[0], attitude or usual,
            tuple(one.word.value for one in detail if isinstance(one, Token) and one.type == "DETAIL"),
            _tinctures(detail)[0] if detail else "", "".join(places),
        )  # fmt: skip

    def named(self, token):
        return str(token.word.value)

    def back(self, *tokens):
        return f"#{tokens[-1].word.value}"

    def of_field(self, *tokens):
        return "#field"


def _tinctures(parts) -> tuple[str, ...]:
    return tuple(part for part in parts if isinstance(part, str) and not isinstance(part, Token))


def _value(parts, kind: str):
    return next((part.word.value for part in parts if isinstance(part, Token) and part.type == kind), None)


def _number(parts, usual: int) -> int:
    found = _value(parts, "NUMBER")
    return usual if found is None else found


def _misplaced(parts, kind: str, said: str) -> Unreadable:
    word = next(part.word for part in parts if isinstance(part, Token) and part.type == kind)
    return Unreadable(f"'{word.text}' at sign {word.at + 1} does not belong there: {said}.", f"sign {word.at + 1}")


def _bears(parts) -> tuple[Group, ...]:
    return next((tuple(part.children) for part in parts if isinstance(part, Tree) and part.data == "bearing"), ())


def _ordinary(parts, count: int) -> Ordinary:
    kind = _value(parts, "ORDINARY")
    if count > 1 and not ORDINARIES[kind]:
        raise OutOfRange(
            f"{count} of {kind}; there is one, or none. Several are bars, pallets, bendlets or chevronels.", "count"
        )
    if not 1 <= count <= 6:
        raise OutOfRange(f"{count} {ORDINARIES[kind] or kind}; allowed are 1 to 6.", "count")
    between = next((tuple(part.children) for part in parts if isinstance(part, Tree) and part.data == "between"), ())
    return Ordinary(kind, _tinctures(parts)[0], count, _value(parts, "LINE") or "", _bears(parts), between)


def _with(one: Ordinary, **changes) -> Ordinary:
    return Ordinary(**{**vars(one), **changes})


def _resolved(field: Field, elements: list) -> Coat:
    """The coat with 'of the first' and 'of the field' looked up: tinctures in the order they are named."""
    named: list[str] = []

    def look(tincture: str) -> str:
        if tincture == "#field":
            if not named:
                raise Unreadable("'Of the field' comes before the field.", "tincture")
            return named[0]
        if tincture.startswith("#"):
            at = int(tincture[1:])
            if at >= len(named):
                raise Unreadable(
                    f"'Of the {ORDINALS[at]}': only {len(named)} tinctures are named before it.", "tincture"
                )
            return named[at]
        if tincture not in named:
            named.append(tincture)
        return tincture

    def group(one: Group) -> Group:
        return Group(
            **{
                **vars(one),
                "tincture": look(one.tincture),
                "detail_tincture": one.detail_tincture and look(one.detail_tincture),
            }
        )

    if isinstance(field, Divided | Varied):
        field = type(field)(**{**vars(field), "tinctures": tuple(look(one) for one in field.tinctures)})
    elif isinstance(field, Strewn):
        field = Strewn(look(field.tincture), field.charge, look(field.of))
    else:
        field = Plain(look(field.tincture))
    found = []
    for one in elements:
        if isinstance(one, Charged):
            found.append(Charged(group(one.group), one.overall))
        else:
            tincture = look(one.tincture)
            between = tuple(group(each) for each in one.between)
            bears = tuple(group(each) for each in one.bears)
            found.append(_with(one, tincture=tincture, bears=bears, between=between))
    if isinstance(field, Plain) and any(COUNTERCHANGED in _tinctures_of(one) for one in found):
        raise Unreadable(
            "Counterchanged wants a field of two tinctures, parted, varied or strewn; this one is plain.", "tincture"
        )
    return Coat(field, tuple(found))


def _tinctures_of(one) -> tuple[str, ...]:
    if isinstance(one, Charged):
        return (one.group.tincture,)
    return (one.tincture, *(group.tincture for group in (*one.bears, *one.between)))


def write_blazon(arms: Arms) -> str:
    """The canonical blazon of arms; read again it gives the same tree.

    >>> write_blazon(read_blazon("Blew, a Fess wavey gold".replace("Blew", "Blue").replace("wavey", "wavy")))
    'Azure, a fess wavy or'
    """
    if isinstance(arms, Impaled):
        said = f"{_coat(arms.dexter)}, impaling {_coat(arms.sinister)}"
    elif isinstance(arms, Quartered):
        parts = [f"{_listed(numbers)}, {_coat(coat)}" for numbers, coat in arms.parts]
        said = "quarterly, " + "; ".join(parts) + (f"; en surtout, {_coat(arms.overall)}" if arms.overall else "")
    else:
        said = _coat(arms)
    return said[0].upper() + said[1:]


def _listed(numbers: tuple[int, ...]) -> str:
    words = [str(number) for number in numbers]
    return words[0] if len(words) == 1 else f"{', '.join(words[:-1])} and {words[-1]}"


def _coat(coat: Coat) -> str:
    return ", ".join([_field(coat.field), *(_element(one) for one in coat.elements)])


def _field(field: Field) -> str:
    if isinstance(field, Plain):
        return field.tincture
    if isinstance(field, Strewn):
        strewn = (
            f"fretty {field.of}" if field.charge == "fret" else f"semy of {CHARGES[field.charge].plural} {field.of}"
        )
        return f"{field.tincture} {strewn}"
    line = f" {field.line}" if field.line else ""
    if isinstance(field, Varied):
        count = f" of {NUMBERS[field.count - 1] if field.count <= len(NUMBERS) else field.count}" if field.count else ""
        return f"{field.kind}{count}{line} {field.tinctures[0]} and {field.tinctures[1]}"
    if field.kind == "cross":
        return f"quarterly{line} {field.tinctures[0]} and {field.tinctures[1]}"
    if field.kind == "gyronny":
        return f"gyronny of {NUMBERS[field.count - 1] if field.count <= len(NUMBERS) else field.count} {field.tinctures[0]} and {field.tinctures[1]}"
    if field.kind.startswith("tierced"):
        first, second, third = field.tinctures
        return f"tierced per {field.kind.split('-')[1]}{line} {first}, {second} and {third}"
    return f"per {field.kind.replace('-', ' ')}{line} {field.tinctures[0]} and {field.tinctures[1]}"


def _element(one) -> str:
    over = "overall " if one.overall else ""
    if isinstance(one, Charged):
        return over + _group(one.group)
    line = f" {one.line}" if one.line else ""
    if one.kind == "label":
        said = f"a label of {NUMBERS[one.points - 1]} points {one.tincture}"
        return over + said + (f" charged with {_group(one.bears[0])}" if one.bears else "")
    name = one.kind if one.count == 1 else ORDINARIES[one.kind]
    said = f"{_count(one.count, name)} {name}{line} {one.tincture}"
    between = " between " + " and ".join(_group(group) for group in one.between) if one.between else ""
    if one.bears and one.kind not in ("bordure", "orle"):
        return f"{over}on {said}{between}, {_group(one.bears[0])}"
    bears = f" charged with {_group(one.bears[0])}" if one.bears else ""
    return f"{over}{said}{bears}{between}"


def _group(group: Group) -> str:
    kind = CHARGES[group.charge]
    name = kind.name if group.count == 1 else kind.plural
    attitude = f" {group.attitude}" if group.attitude and group.attitude != kind.attitudes[0] else ""
    detail = f", {' and '.join(group.detail)} {group.detail_tincture}" if group.detail else ""
    placed = f" {group.arrangement}" if group.arrangement else ""
    return f"{_count(group.count, name)} {name}{attitude}{placed} {group.tincture}{detail}"


def _count(count: int, name: str) -> str:
    if count == 1:
        return "an" if name[0] in "aeiou" else "a"
    return NUMBERS[count - 1]
