#!/bin/sh
# Runs clang-tidy over the product's sources, a folder at a time: the build writes one file for each that includes all of
# the folder's, so that headers are read once. Usage: tools/check_tidy.sh CLANG_TIDY BUILD_FOLDER
cd "$(dirname "$0")/.." || exit 1
log=$(mktemp) || exit 1
ls "$2"/tidy/*.cpp src/app/main.cpp | xargs -P "$(nproc)" -n 1 "$1" --quiet -p "$2" --warnings-as-errors='*' >"$log" 2>/dev/null
status=$?
# A header of several folders is looked at in each.
grep -v '^$' "$log" | awk '!seen[$0]++'
rm -f "$log"
exit $status
