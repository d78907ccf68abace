"""Tests, mirroring the code."""

import os

from hypothesis import settings

# No deadline: time is measured by the benchmark. In CI the examples are the same every run, so that a
# change is judged by what it changed; on a developer's machine they are new every time.
settings.register_profile("here", deadline=None)
settings.register_profile("ci", deadline=None, derandomize=True)
settings.load_profile("ci" if os.environ.get("CI") else "here")
