"""Answers kept by a process, in a bounded store: the only cache of the product.

Whoever asks the same question again is given the answer that was worked out. A store is bounded by bytes, safe among
threads, and counts what it does. It keeps immutable answers only, so that no one can change another's.
"""

import sys
import threading
from collections.abc import Callable, Hashable
from copy import copy
from dataclasses import dataclass
from functools import wraps
from itertools import count
from types import MappingProxyType
from typing import Any
from weakref import WeakSet

import numpy as np
from shapely import get_num_coordinates
from shapely.geometry.base import BaseGeometry

#: what an entry takes besides its answer: the key's tuple and its place in the order
_OVERHEAD = 400
#: an answer of more parts is not looked through further; what is left is taken to be like what was seen
_LOOKED_AT = 200
_MISSING = object()
#: what has no parts, and is too small for it to matter whether it is counted twice
_PLAIN = frozenset({int, float, bool, type(None)})
_MAPPINGS = frozenset({dict, MappingProxyType})


@dataclass(frozen=True)
class Counts:
    """What a store did since the process began, or since it was emptied."""

    name: str
    hits: int
    misses: int
    dropped: int
    entries: int
    #: bytes held, and how many it may hold
    held: int
    limit: int

    @property
    def asked(self) -> int:
        """How often it was asked."""
        return self.hits + self.misses


_MEMORIES: "WeakSet[Memory]" = WeakSet()


@dataclass(slots=True, eq=False)
class _Entry:
    """An answer, its bytes, when it was last asked for, and the last asking that its place in the order knows of."""

    made: Any
    size: int
    asked: int
    placed: int


class Memory:
    """Answers by question; once more than ``limit`` bytes are held, those go that were not asked for since they last came up.

    An answer that is found is given without a lock: that it was asked for is noted beside it, and who drops answers, which is
    seldom, sends those that were asked for to the end of the order instead.
    """

    def __init__(self, name: str, limit: int):
        self.name, self.limit = name, limit
        #: a slower store that is asked before an answer is worked out: the answer to a question, or None
        self.behind: Callable[[Hashable], Any] | None = None
        self._lock = threading.Lock()
        self._forget()
        _MEMORIES.add(self)

    def _forget(self) -> None:
        self._kept: dict[Hashable, _Entry] = {}
        #: a number for every answer found or kept; taking one is a single step of the interpreter, whatever the threads
        self._ticks = count()
        self._misses = self._dropped = self._held = self._puts = 0

    def answer(self, key: Hashable, work_out: Callable[[], Any]):
        """The answer kept for ``key``, here or ``behind``, or the one worked out now.

        Two threads that ask at once may both work it out; both are then given the first one kept, so that an answer
        stays the same object for as long as it is held.
        Raises: TypeError for an answer that could be changed: a list, a set, a dictionary.
        """
        found = self.get(key, _MISSING)
        return self.worked_out(key, work_out) if found is _MISSING else found

    def worked_out(self, key: Hashable, work_out: Callable[[], Any], size: int | None = None):
        """The answer to a question that was just missed: from ``behind`` or worked out, and kept. size: its bytes, if they are
        known. Raises as ``answer`` does."""
        kept = self.behind(key) if self.behind else None
        made = _frozen(work_out() if kept is None else kept, self.name)
        return self.put(key, made, size_of(made) if size is None else size)

    def get(self, key: Hashable, otherwise=None):
        """The answer kept for ``key``, or else ``otherwise``."""
        found = self._kept.get(key)
        if found is None:
            with self._lock:
                self._misses += 1
            return otherwise
        found.asked = next(self._ticks)
        return found.made

    def put(self, key: Hashable, made, size: int):
        """Keep an answer of about ``size`` bytes, unless there is one already; the one that is kept."""
        with self._lock:
            known = self._kept.get(key)
            if known is not None:
                return known.made
            size += _OVERHEAD
            if size <= self.limit:
                tick = next(self._ticks)
                self._kept[key] = _Entry(made, size, tick, tick)
                self._puts += 1
                self._held += size
                self._drop(key)
        return made

    def renew(self, key: Hashable, made, size: int):
        """Keep an answer in place of the one that is kept, if there is one; the new one."""
        with self._lock:
            known = self._kept.pop(key, None)
            self._held -= known.size if known else 0
        return self.put(key, made, size)

    def _drop(self, newest: Hashable) -> None:
        """Let answers go until no more bytes are held than may be, the newest never; the lock is held."""
        while self._held > self.limit:
            key = next(iter(self._kept))
            entry = self._kept.pop(key)
            if entry.asked != entry.placed or key == newest:
                entry.placed = entry.asked
                self._kept[key] = entry
            else:
                self._held -= entry.size
                self._dropped += 1

    def answers(self) -> tuple:
        """Every answer that is kept now, the one asked for last first."""
        with self._lock:
            entries = sorted(self._kept.values(), key=lambda entry: -entry.asked)
        return tuple(entry.made for entry in entries)

    def empty(self) -> None:
        """Forget everything, counts included."""
        with self._lock:
            self._forget()

    @property
    def counts(self) -> Counts:
        """What was asked, found and dropped so far."""
        with self._lock:
            hits = next(copy(self._ticks)) - self._puts
            return Counts(self.name, hits, self._misses, self._dropped, len(self._kept), self._held, self.limit)


def remembered(kilobytes: int, each: int | None = None):
    """Keep a pure function's answers in a store of their own, of at most so many kilobytes.

    The arguments must be hashable and told apart by ``==``. The function's store is its attribute ``memory``. each: bytes of an
    answer where all are about alike, or none takes more, measured: looking through each would take longer than making it.
    """

    def decorate(function):
        memory = Memory(f"{function.__module__}.{function.__qualname__}", kilobytes * 1024)

        @wraps(function)
        def asked(*given, **named):
            key = (given, tuple(sorted(named.items()))) if named else given
            found = memory.get(key, _MISSING)
            if found is not _MISSING:
                return found
            return memory.worked_out(key, lambda: function(*given, **named), each)

        asked.memory = memory
        return asked

    return decorate


def memories() -> tuple[Memory, ...]:
    """Every store there is, by name."""
    return tuple(sorted(_MEMORIES, key=lambda one: one.name))


def size_of(value: object) -> int:
    """About how many bytes a value takes with all its parts; a part that occurs twice counts once.

    Of a value of very many parts only the first are looked at, and the rest taken to be like them. A value that has
    ``kept_bytes`` says it itself.
    """
    if type(value) in _PLAIN:
        return sys.getsizeof(value)
    if hasattr(value, "kept_bytes"):
        return value.kept_bytes
    seen: set[int] = set()
    waiting, total, looked = [value], 0, 0
    while waiting:
        if looked >= _LOOKED_AT:
            return round(total * (1 + len(waiting) / looked))
        one = waiting.pop()
        looked += 1
        total += sys.getsizeof(one)
        kind = type(one)
        if kind in _PLAIN:
            continue
        if id(one) in seen:
            total -= sys.getsizeof(one)
            continue
        seen.add(id(one))
        if isinstance(one, (tuple, list, frozenset)):
            waiting += one
        elif kind in _MAPPINGS:
            waiting += one.keys()
            waiting += one.values()
        elif isinstance(one, np.ndarray):
            total += one.nbytes if one.base is not None else 0
        elif isinstance(one, BaseGeometry):
            total += 16 * int(get_num_coordinates(one))
        elif kind is not str and not isinstance(one, type) and hasattr(one, "__dict__"):
            waiting += vars(one).values()
    return total


def _frozen(made, name: str):
    if isinstance(made, np.ndarray):
        made.setflags(write=False)
    elif isinstance(made, (list, set, dict, bytearray)):
        raise TypeError(f"{name} answers with a {type(made).__name__}, which could be changed; it cannot be kept.")
    return made
