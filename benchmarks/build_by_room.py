#!/usr/bin/env python3
"""What a cold build costs, room by room: seconds of each step as the build noted them, summed.

  cmake --preset release && time cmake --build --preset release     in a fresh clone, without a compiler cache
  benchmarks/build_by_room.py [build/release]

Steps run side by side, as many as there are processors: a second here is about a second of one processor.
"""
import collections
import pathlib
import re
import sys

folder = pathlib.Path(sys.argv[1] if len(sys.argv) > 1 else "build/release")
steps = {}
for line in (folder / ".ninja_log").read_text().splitlines()[1:]:
    start, end, _, output, command = line.split("\t")
    steps[command] = (int(end) - int(start), output)  # of a step with several outputs, and of several builds, one


def room_of(output):
    found = re.search(r"CMakeFiles/(pm_[a-z]+|test_[a-z]+|harsh_[a-z]+|bench_[a-z]+|[a-z-]+)\.dir", output)
    if not found:
        return "made ready and linked"
    target = found.group(1)
    if target.startswith(("harsh_", "test_")) or target == "locale":
        return "tests: " + target.split("_")[1]
    if target.startswith("bench_"):
        return "benchmarks"
    return target.removeprefix("pm_")


sums = collections.Counter()
for took, output in steps.values():
    sums[room_of(output)] += took
for room, took in sums.most_common():
    print(f"{took / 1000:8.1f} s  {room}")
print(f"{sum(sums.values()) / 1000:8.1f} s  all of it")
