"""Views as flat pieces in space: where their nodes lie, which planes their bodies are, how a sheet hangs over them."""

import numpy as np
import shapely

from ..geometry import overlay as safe
from .surface import Facet, Surface, SurfaceView


def _parts(surface: Surface, name: str) -> dict[str, str]:
    """Area to body, of one view."""
    return next({seen.area: seen.part for seen in view.areas} for view in surface.plate.views if view.name == name)


def sign_of(view: SurfaceView) -> int:
    """On which side of the model a view looks: 1 or -1."""
    return {"left": 1, "right": -1, "front": 1, "back": -1}.get(view.name, 1)


def points_of(view: SurfaceView) -> np.ndarray:
    """Where every node of a view lies in space, (rows, columns, 3)."""
    gx, gy = np.meshgrid(view.x, view.y)
    if view.name == "top":
        return np.stack([gx, gy, view.depth], -1)
    return np.stack([view.flip * gx, sign_of(view) * view.depth, -gy], -1)


def facets_of(surface: Surface, view: SurfaceView, index: dict[str, int]) -> list[Facet]:
    """The view's camouflaged areas as flat facets, one per body and one per sloping panel."""
    part = _parts(surface, view.name)
    slope = surface.slope if surface.slope is not None else np.zeros(len(surface.names), bool)
    groups = {}
    shown = [n for n in view.shapes if n in surface.camo_names and not view.shapes[n].is_empty]
    sloping = [n for n in shown if slope[index[n]]]
    for name in shown:
        own = name if slope[index[name]] else ""
        if not own and view.name != "top":
            # what stands beside a sloping panel of its own body, at the same heights, is taken to slope with it
            low, high = view.shapes[name].bounds[1], view.shapes[name].bounds[3]
            for other in sloping:
                x = view.shapes[other].bounds
                if part[other] == part[name] and min(high, x[3]) - max(low, x[1]) > 0.7 * (high - low):
                    own = other
        groups.setdefault((part[name], own), []).append(name)
    # the top view asks the side for the folds of sloping panels
    folds = _folds(
        surface, view if view.name != "top" else next(one for one in surface.views if one.name != "top"), index
    )
    free = safe.difference(view.region, view.clear) if not view.clear.is_empty else view.region
    found = []
    for (body, own), names in groups.items():
        mask = np.isin(view.owner, [index[n] for n in names])
        if not mask.any():
            continue
        shape = safe.intersection(free, safe.union_all([view.shapes[n] for n in names]))
        heights = np.abs(view.y)[:, None] if view.name == "top" else -view.y[:, None]
        h, d = np.broadcast_to(heights, mask.shape)[mask], view.depth[mask]
        a, b = float(np.median(d)), 0.0
        if own:
            b, a = np.polyfit(h, d, 1)
        elif view.name == "top":
            counts = np.bincount(np.round(d * 2).astype(int).clip(0))
            a = counts.argmax() / 2
        if view.name == "top":
            halves = (
                [(1, shapely.box(-999, 0, 999, 999)), (-1, shapely.box(-999, -999, 999, 0))] if own else [(0, None)]
            )
            for side, half in halves:
                piece = safe.intersection(shape, half) if half is not None else shape
                if piece.is_empty:
                    continue
                # a sloping panel shows the sheet that hangs down the side, foreshortened as it is
                v0, dv = 0.0, 1.0
                if own and body in folds and b < -0.2:
                    v0, dv = side * (sum(folds[body]) - a), -b
                found.append(Facet(body, tuple(names), piece, float(a), float(b), side, float(v0), float(dv), 1.0))
        elif view.name in ("left", "right"):
            s = sign_of(view)
            yf, zf = folds.get(body, (a, float(h.max())))
            found.append(
                Facet(body, tuple(names), shape, float(a), float(b), s, s * (yf + zf), float(s), float(view.flip))
            )
        else:
            s = sign_of(view)
            found.append(
                Facet(body, tuple(names), shape, float(a), 0.0, s, 0.0, 1.0, float(view.flip), 0.0 if s > 0 else 500.0)
            )
    return found


def _folds(surface, view, index):
    """Per body the edge at which the sheet is folded down the side: how far out, how high."""
    part = _parts(surface, view.name)
    found = {}
    for body in set(part.values()):
        names = [n for n in part if part[n] == body and n in surface.camo_names]
        mask = np.isin(view.owner, [index[n] for n in names])
        cols = mask.any(0)
        if not cols.any():
            continue
        first = mask.argmax(0)[cols]
        found[body] = (float(np.median(view.depth[first, np.nonzero(cols)[0]])), float(np.median(-view.y[first])))
    return found
