"""Kinds of work that can be done in the background: each registers a function that does it step by step."""

from collections.abc import Callable, Iterator
from dataclasses import dataclass
from importlib import import_module

from mantello_core.errors import UnknownName

from .models import Job


@dataclass(frozen=True)
class Step:
    """How far a job is: so many of so many, and what came of it so far."""

    reached: int
    of: int
    result: dict | None = None


@dataclass(frozen=True)
class Kind:
    """A kind of job: what does it, the page that asks for it, the template that says how it stands, and what that is
    given besides the job."""

    id: str
    work: Callable[[Job], Iterator[Step]]
    page: Callable[[Job], str]
    template: str
    told: Callable[[Job], dict]


_KINDS: dict[str, Kind] = {}


def job_kind(
    id_: str,
    page: Callable[[Job], str] = lambda job: job.asked["address"],
    template: str = "jobs/job.html",
    told: Callable[[Job], dict] = lambda job: {},
):
    """Register what does jobs of a kind: a generator that tells after every step how far it is, and is closed when the
    job is stopped. page: where it is shown; the address it was asked with, if nothing is said."""

    def register(work: Callable[[Job], Iterator[Step]]):
        assert id_ not in _KINDS, id_
        _KINDS[id_] = Kind(id_, work, page, template, told)
        return work

    return register


def done_by(module: str, name: str) -> Callable[[Job], Iterator[Step]]:
    """The work of a kind, in a module that the worker reads who does it, and no process that only shows pages."""
    return lambda job: getattr(import_module(module), name)(job)


def kind_of(id_: str) -> Kind:
    """The kind of that id.

    Raises: UnknownName.
    """
    if id_ not in _KINDS:
        raise UnknownName("kind of job", id_, list(_KINDS))
    return _KINDS[id_]
