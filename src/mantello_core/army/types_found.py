"""Figure types that a painter may mean by some words: by title, by what is on them, by spelling."""

from difflib import get_close_matches

from ..figures.synonym import areas_called
from .tree import Army

#: how near a spelling must be
_NEAR = 0.55


def types_found(army: Army, words: str, most: int = 100) -> tuple[str, ...]:
    """Ids of types, the best first: called so, with every word in the title, with such a thing on them, spelt nearly so.

    words: such as 'knight', 'lantern', 'sailor on a horse'; all types for none.
    """
    asked = words.casefold().replace("-", " ").split()
    if not asked:
        return tuple(army.type_titles)[:most]
    titles = {id_: f"{title} {id_}".casefold().replace("-", " ") for id_, title in army.type_titles.items()}
    spelt = {word: id_ for id_, title in titles.items() for word in title.split()}
    near = {near for word in asked for near in get_close_matches(word, list(spelt), n=4, cutoff=_NEAR)}
    ranked = []
    for at, (id_, title) in enumerate(titles.items()):
        named = sum(word.rstrip("s") in title for word in asked)
        borne = sum(bool(areas_called(word, list(army.plate(id_).areas))) for word in asked)
        alike = bool(near & set(title.split()))
        if named or borne == len(asked) or alike:
            ranked.append((-(named == len(asked)), -named, -borne, -alike, at, id_))
    return tuple(id_ for *_, id_ in sorted(ranked))[:most]
