#!/usr/bin/env bash
# The window is killed while a hand works in it, two windows at a time: kills.sh TEST_HARSH
set -uo pipefail
others=$(mktemp)
trap 'rm -f "$others"' EXIT
"$1" --gtest_filter='Kill.*1:Kill.*2' >"$others" 2>&1 &
"$1" --gtest_filter='Kill.*3:Kill.*4'
status=$?
wait $! || status=1
cat "$others"
exit $status
