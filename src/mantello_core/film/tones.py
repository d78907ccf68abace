"""The tones a colour has on a piece: one for every place, and what they run into from afar."""

from collections.abc import Iterator, Mapping
from functools import cached_property

import numpy as np

from ..colour.spaces import Lab, mean_lab
from ..recipes.place import Places, usual_places


class Tones(Mapping[str, Lab]):
    """Colours by place, deepest first. Never changed."""

    def __init__(self, colours: Mapping[str, Lab], places: Places | None = None):
        self.places = places or usual_places()
        self._colours = {id_: colours[id_] for id_ in self.places.ids}

    def __getitem__(self, place: str) -> Lab:
        return self._colours[place]

    def __iter__(self) -> Iterator[str]:
        return iter(self._colours)

    def __len__(self) -> int:
        return len(self._colours)

    def __repr__(self) -> str:
        return f"Tones({self._colours})"

    @property
    def flats(self) -> Lab:
        """The tone of the flats, which stands for the colour."""
        return self._colours[self.places.flats]

    @property
    def recess(self) -> Lab:
        """The tone where washes pool."""
        return self._colours[self.places.recess]

    @property
    def raised(self) -> Lab:
        """The tone where the piece catches the light."""
        return self._colours[self.places.raised]

    @cached_property
    def apparent(self) -> Lab:
        """The colour from where single tones cannot be told apart: their mean by share, in linear light."""
        return mean_lab(list(self._colours.values()), [place.share for place in self.places])


def tones_of(labs: np.ndarray, share: np.ndarray) -> tuple[Tones, ...]:
    """What CIELAB colours of zones, (n, zones, 3), that take so much of the surface each, (zones,), run into.

    The usual places take their shares of the surface from the darkest up; each has the colour in the middle of its share.
    """
    places = usual_places()
    ends = np.cumsum([place.share for place in places])
    middles = ends - np.array([place.share for place in places]) / 2
    order = np.argsort(labs[..., 0], axis=1, kind="stable")
    reached = np.cumsum(share[order], axis=1) / share.sum()
    at = (reached[:, None, :] < middles[:, None]).sum(2).clip(0, labs.shape[1] - 1)
    picked = np.take_along_axis(labs, np.take_along_axis(order, at, 1)[..., None], 1)
    return tuple(Tones({id_: Lab(*lab) for id_, lab in zip(places.ids, one, strict=True)}) for one in picked.tolist())
