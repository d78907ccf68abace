"""Tests, mirroring the code."""

import os

from hypothesis import HealthCheck, settings

from mantello_core.collecting import collect_seldom

# No deadline, and no judgement of how long an example takes to make: time is measured by the benchmark, and the machine
# may be busy. In CI the examples are the same every run, so that a change is judged by what it changed; on a
# developer's machine they are new every time.
settings.register_profile("here", deadline=None, suppress_health_check=[HealthCheck.too_slow])
settings.register_profile("ci", settings.get_profile("here"), derandomize=True)
settings.load_profile("ci" if os.environ.get("CI") else "here")

collect_seldom()
