"""Whether this machine has just slept: a worker that slept with it is not gone, and will be heard of again."""

import threading
import time

#: seconds that the clock may run ahead of what passes here before it counts as sleep
_AHEAD = 30.0
_lock = threading.Lock()
#: the clock against what has passed while this process was awake, as it was last seen, and until when it has just woken
_seen: list[float] = []


def just_woke(seconds: float) -> bool:
    """Whether the machine woke within so many seconds, or its clock was set ahead: what passed meanwhile was lived by nobody."""
    passed = time.monotonic()
    ahead = time.time() - passed
    with _lock:
        if not _seen:
            _seen[:] = ahead, passed
            return False
        before, until = _seen
        if ahead - before > _AHEAD:
            until = passed + seconds
        _seen[:] = ahead, until
        return passed < until
